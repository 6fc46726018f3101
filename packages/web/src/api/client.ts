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

/** The server, or its database, does not answer for now: trying again may help. */
export const isAway = (error: unknown): boolean =>
  error instanceof OfflineError || (error instanceof ApiError && (error.status >= 500 || error.status === 429));

/** What was sent was turned down for what it holds: sending the same again helps nothing. */
export const isUnreadable = (error: unknown): error is ApiError =>
  error instanceof ApiError && (error.status === 400 || error.status === 413);

type Method = 'GET' | 'POST' | 'PUT' | 'DELETE';

/** One call to the API. @throws ApiError, or OfflineError when nothing answers. */
export async function call<T>(method: Method, path: string, body?: unknown): Promise<T> {
  const text = body === undefined ? undefined : JSON.stringify(body);
  return (await (await answerTo(method, path, 'application/json', text)).json()) as T;
}

/** The same with plain text, for what is large. */
export const callText = async (method: Method, path: string, body?: string): Promise<string> =>
  (await answerTo(method, path, 'text/plain', body)).text();

/** The same for a file that the server makes. */
export const callFile = async (method: Method, path: string, body: unknown): Promise<Blob> =>
  (await answerTo(method, path, 'application/json', JSON.stringify(body))).blob();

async function answerTo(method: Method, path: string, type: string, body: string | undefined): Promise<Response> {
  let answer: Response;
  try {
    answer = await fetch(`/api${path}`, { method, headers: body === undefined ? {} : { 'Content-Type': type }, body });
  } catch {
    throw new OfflineError();
  }
  if (answer.ok) return answer;
  const read: unknown = await answer.json().catch(() => undefined);
  throw new ApiError(
    answer.status,
    (read as ApiFault | undefined) ?? { code: 'internal', message: `The server answered ${answer.status}.` },
  );
}
