import type { RequestHandler } from 'express';
import { MethodError } from '../errors.ts';

/** Answers what no handler before it took: the address is there, the method is not. */
export const only =
  (...methods: string[]): RequestHandler =>
  (req, res) => {
    res.set('Allow', methods.join(', '));
    throw new MethodError(req.method, methods);
  };
