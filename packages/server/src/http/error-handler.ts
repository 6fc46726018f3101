import type { ErrorRequestHandler } from 'express';
import type { ApiFault } from '@endrel/core/contract/api';
import { isDatabaseAway } from '../database.ts';
import { AppError } from '../errors.ts';
import type { Health } from '../services/health.ts';

/** The one place where a thrown error becomes an answer. Details of unexpected ones stay in the log. */
export function errorHandler(health: Pick<Health, 'failed' | 'missed'>): ErrorRequestHandler {
  return (error: unknown, req, res, next) => {
    const [status, fault] = answerTo(error, req.method);
    if (fault.code === 'away') health.missed(error);
    else if (status >= 500) health.failed(error, req);
    if (res.headersSent) {
      next(error);
      return;
    }
    res.status(status).type('json').set('Cache-Control', 'no-store').json(fault); // it may have been on its way as a PDF
  };
}

const said: Readonly<Record<number, string>> = {
  400: 'The request could not be read.',
  404: 'There is no such file or address.',
  405: 'That cannot be done at this address.',
  406: 'It is not to be had in that form.',
  408: 'The request took too long to arrive.',
  411: 'The request does not say how long it is.',
  412: 'The condition that the request sets does not hold.',
  413: 'That is larger than 2 MB; a job file is not.',
  414: 'The address is too long.',
  415: 'The request is in an encoding or a form that is not understood here: send JSON in UTF-8.',
  416: 'There is no such range of it.',
  431: 'The request’s headers are too large.',
};

function answerTo(error: unknown, method: string): [number, ApiFault] {
  if (error instanceof AppError) return [error.status, error.fault];
  // what Express, its body parser and its file server throw carries a status
  const { type, status } = (error ?? {}) as { type?: unknown; status?: unknown };
  if (type === 'entity.parse.failed') return [400, { code: 'invalid', message: 'The request is not JSON.' }];
  if (typeof status === 'number' && status >= 400 && status < 500)
    return [status, { code: codes[status] ?? 'invalid', message: said[status] ?? said[400]! }];
  const asks = method === 'GET' || method === 'HEAD';
  const known = asks
    ? 'Nothing was changed.'
    : 'Whether it was carried out is not known: look before you do it again. An act on a job can be sent again safely.';
  if (isDatabaseAway(error))
    return [503, { code: 'away', message: `The database cannot be reached at the moment. ${known}` }];
  return [500, { code: 'internal', message: `Something failed on the server; its log has the details. ${known}` }];
}

const codes: Readonly<Record<number, ApiFault['code']>> = { 404: 'notFound', 413: 'tooLarge' };
