import type { RequestHandler } from 'express';

const loopbackNames = new Set(['localhost', '127.0.0.1', '[::1]']);

/**
 * Refuses requests that reach a loopback server under some other name: a web page elsewhere could otherwise point its
 * own domain at this machine and read the jobs.
 */
export function allowedHosts(boundTo: string): RequestHandler {
  const onLoopback = boundTo === '127.0.0.1' || boundTo === '::1' || boundTo === 'localhost';
  return (req, res, next) => {
    const name = (req.headers.host ?? '').replace(/:\d+$/, '').toLowerCase();
    if (onLoopback && !loopbackNames.has(name)) {
      res.status(421).json({ code: 'invalid', message: 'This server answers only to its own loopback address.' });
      return;
    }
    next();
  };
}
