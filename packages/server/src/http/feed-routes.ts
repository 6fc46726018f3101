import { Router, type Request } from 'express';
import { TooManyError } from '../errors.ts';
import type { ChangeFeed, Heard } from '../repositories/change-feed.ts';
import type { Acting } from '../services/job-service.ts';
import { only } from './only.ts';

const HEARTBEAT = 25_000; // ms; what stands between closes a connection that says nothing
/** Streams from one address: a browser has one for all its tabs, and a few people may share an address. */
const MOST_FEEDS = 60;

/** Says by server-sent events which jobs of the shop have a later revision, to every browser that is open. */
export function feedRoutes(feed: ChangeFeed, acting: (req: Request) => Acting): Router {
  const open = new Map<string, number>();
  const count = (address: string, more: 1 | -1): number => {
    const now = (open.get(address) ?? 0) + more;
    if (now > 0) open.set(address, now);
    else open.delete(address);
    return now;
  };
  const router = Router();
  router
    .route('/')
    .get((req, res) => {
      const address = req.ip ?? '';
      if ((open.get(address) ?? 0) >= MOST_FEEDS)
        throw new TooManyError(`More than ${MOST_FEEDS} browsers listen from this address already.`);
      count(address, 1);
      res.set('Content-Type', 'text/event-stream').flushHeaders();
      const tell = (heard: Heard) => res.write(`data: ${JSON.stringify(heard)}\n\n`);
      tell('look'); // what happened before is not known here
      const leave = feed.follow(acting(req).shop, tell);
      const heartbeat = setInterval(() => res.write(': \n\n'), HEARTBEAT);
      res.on('close', () => {
        leave();
        clearInterval(heartbeat);
        count(address, -1);
      });
    })
    .all(only('GET'));
  return router;
}
