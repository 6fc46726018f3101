import { networkInterfaces } from 'node:os';
import type { RequestHandler } from 'express';

const loopbackNames = ['localhost', '127.0.0.1', '[::1]'];
export const isLoopback = (host: string): boolean => ['127.0.0.1', '::1', 'localhost'].includes(host);

/** The addresses of this machine, as they stand in a request. A page elsewhere can take a name over, but no address. */
const ownAddresses = (): string[] =>
  Object.values(networkInterfaces()).flatMap((own) =>
    (own ?? []).map(({ address, family }) => (family === 'IPv6' ? `[${address.split('%')[0]}]` : address)),
  );

/**
 * Refuses requests that reach the server under a name that is not its own: a web page elsewhere could otherwise point its own
 * domain at this machine and read the jobs.
 *
 * @param names - by which it may be asked for besides loopback's and, on an open address, the machine's own addresses.
 */
export function allowedHosts(boundTo: string, names: readonly string[]): RequestHandler {
  const onLoopback = isLoopback(boundTo);
  const known = new Set([...loopbackNames, boundTo, ...names].map((name) => name.toLowerCase()));
  return (req, res, next) => {
    const name = (req.headers.host ?? '').replace(/:\d+$/, '').toLowerCase();
    // addresses come and go with the network
    if (known.has(name) || (!onLoopback && ownAddresses().includes(name))) return next();
    const message = onLoopback
      ? 'This server answers only to its own loopback address.'
      : 'This server does not answer to that name: list it in ENDREL_NAMES.';
    res.status(421).set('Cache-Control', 'no-store').json({ code: 'invalid', message });
  };
}
