import type { ApiFault } from '@endrel/core/contract/api';

/** The server answered with a fault. */
export class ApiError extends Error {
  constructor(
    readonly status: number,
    readonly fault: ApiFault,
  ) {
    super(fault.message);
  }
}
/** The server could not be reached at all. */
export class OfflineError extends Error {
  constructor() {
    super('The Endrel server cannot be reached. What you typed is kept here.');
  }
}

/** One call to the API. @throws ApiError, or OfflineError when nothing answers. */
export async function call<T>(method: 'GET' | 'POST' | 'PUT' | 'DELETE', path: string, body?: unknown): Promise<T> {
  let answer: Response;
  try {
    answer = await fetch(`/api${path}`, {
      method,
      headers: body === undefined ? {} : { 'Content-Type': 'application/json' },
      body: body === undefined ? undefined : JSON.stringify(body),
    });
  } catch {
    throw new OfflineError();
  }
  const read: unknown = await answer.json().catch(() => undefined);
  if (answer.ok) return read as T;
  throw new ApiError(
    answer.status,
    (read as ApiFault | undefined) ?? { code: 'internal', message: `The server answered ${answer.status}.` },
  );
}
