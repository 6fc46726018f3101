import type { RequestHandler } from 'express';

const READS = new Set(['GET', 'HEAD', 'OPTIONS']);

/** Refuses what writes and comes from a page of another site, whatever it says that it holds. */
export const sameOrigin: RequestHandler = (req, res, next) => {
  if (READS.has(req.method)) return next();
  const { origin, host } = req.headers;
  const isForeign = req.headers['sec-fetch-site'] === 'cross-site' || (origin !== undefined && hostOf(origin) !== host);
  if (!isForeign) return next();
  res
    .status(403)
    .set('Cache-Control', 'no-store')
    .json({ code: 'invalid', message: 'A page of another site may change nothing here.' });
};

function hostOf(origin: string): string | undefined {
  try {
    return new URL(origin).host;
  } catch {
    return undefined; // "null", of a page without an address
  }
}
