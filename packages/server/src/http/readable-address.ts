import type { RequestHandler } from 'express';
import { isStorable } from '@endrel/core/fields/text';
import { InvalidError } from '../errors.ts';

/** Refuses an address with an escape that is none, or with characters that no address here has. */
export const readableAddress: RequestHandler = (req, _res, next) => {
  let address: string;
  try {
    address = decodeURIComponent(req.path);
  } catch {
    throw new InvalidError('The address holds an escape (%) that is none.');
  }
  if (!isStorable(address)) throw new InvalidError('The address holds characters that no address here has.');
  next();
};
