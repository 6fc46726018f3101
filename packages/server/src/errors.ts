import type { ApiFault } from '@endrel/core/contract/api';
import { describeIssue, type JobFileIssue } from '@endrel/core/job/read-job-file';

/** A fault that the client is told about, with its HTTP status. Anything else is logged and becomes 500. */
export class AppError extends Error {
  constructor(
    readonly status: number,
    readonly fault: ApiFault,
  ) {
    super(fault.message);
  }
}

export class NotFoundError extends AppError {
  constructor(what: string) {
    super(404, { code: 'notFound', message: `There is no such ${what}.` });
  }
}

/** The address is there; it cannot be asked in that way. */
export class MethodError extends AppError {
  constructor(method: string, allowed: readonly string[]) {
    super(405, {
      code: 'invalid',
      message: `${method} cannot be done at this address; ${allowed.join(' and ')} can.`,
    });
  }
}

export class InvalidError extends AppError {
  constructor(message: string, issues: ApiFault['issues'] = []) {
    super(400, { code: 'invalid', message, issues });
  }
}

/** It cannot be done as things stand. */
export class ConflictError extends AppError {
  constructor(message: string) {
    super(409, { code: 'notPutAway', message });
  }
}

export class TooManyError extends AppError {
  constructor(why: string) {
    super(429, { code: 'tooMany', message: `${why} Close some, or wait a little.` });
  }
}

/** Others were quicker, again and again. */
export class BusyError extends AppError {
  constructor() {
    super(503, {
      code: 'away',
      message: 'Too many change this job at the same moment. Nothing was changed: send it again.',
    });
  }
}

/** What is stored cannot be read by this Endrel. It stays as it is. */
export class UnreadableError extends AppError {
  constructor(issue: JobFileIssue) {
    super(422, {
      code: 'unreadable',
      message: `What is stored of this job cannot be read: ${describeIssue(issue)}. It is kept as it is; nothing was changed.`,
      issues: [issue],
    });
  }
}
