import type { ErrorRequestHandler } from 'express';
import type { ApiFault } from '@endrel/core/contract/api';
import { AppError } from '../errors.ts';

/** The one place where a thrown error becomes an answer. Details of unexpected ones stay in the log. */
export const errorHandler: ErrorRequestHandler = (error: unknown, req, res, next) => {
  if (res.headersSent) {
    next(error);
    return;
  }
  const [status, fault] = answerTo(error);
  if (status >= 500) req.log?.error({ err: error }, 'unexpected error');
  res.status(status).json(fault);
};

function answerTo(error: unknown): [number, ApiFault] {
  if (error instanceof AppError) return [error.status, error.fault];
  const type = (error as { type?: unknown } | undefined)?.type; // set by Express's body parser
  if (type === 'entity.too.large')
    return [413, { code: 'tooLarge', message: 'That is larger than 2 MB; a job file is not.' }];
  if (type === 'entity.parse.failed') return [400, { code: 'invalid', message: 'The request is not JSON.' }];
  if (typeof type === 'string') return [400, { code: 'invalid', message: 'The request could not be read.' }];
  return [
    500,
    { code: 'internal', message: 'Something failed on the server. Nothing was changed; the log has the details.' },
  ];
}
