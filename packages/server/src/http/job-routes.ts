import express, { Router, type Request } from 'express';
import { z } from 'zod';
import { listRequestSchema, putAwaySchema } from '@endrel/core/contract/api';
import { InvalidError, NotFoundError } from '../errors.ts';
import type { ChangeFeed } from '../repositories/change-feed.ts';
import type { Acting, JobService } from '../services/job-service.ts';
import { readRequest } from './read-request.ts';

const idSchema = z.uuid();
const knownSchema = z.coerce.number().int().min(1).max(2_147_483_647);
const LARGEST_BODY = '2mb';
const HEARTBEAT = 25_000; // ms; what stands between closes a connection that says nothing

export function jobRoutes(jobs: JobService, feed: ChangeFeed, acting: (req: Request) => Acting): Router {
  const router = Router();
  const jobId = (req: Request): string => {
    const id = idSchema.safeParse(req.params.id);
    if (!id.success) throw new NotFoundError('job');
    return id.data;
  };

  // what may be large is read where it is judged, off this thread
  const asText = express.text({ type: 'application/json', limit: LARGEST_BODY });
  const textOf = (req: Request): string => {
    const body: unknown = req.body;
    if (typeof body !== 'string') throw new InvalidError('The request is not JSON.');
    return body;
  };

  router.get('/', async (req, res) => {
    res.type('json').send(await jobs.list(acting(req), readRequest(listRequestSchema, req.query)));
  });

  router.post('/', asText, async (req, res) => {
    const { id, text } = await jobs.create(acting(req), textOf(req));
    res.status(201).location(`/api/jobs/${id}`).type('json').send(text);
  });

  router.get('/:id', async (req, res) => void res.type('json').send(await jobs.read(acting(req), jobId(req))));

  router.post('/:id/acts', asText, async (req, res) => {
    res.type('json').send(await jobs.act(acting(req), jobId(req), textOf(req)));
  });

  router.get('/:id/acts', async (req, res) => {
    const known = knownSchema.safeParse(req.query.since);
    if (!known.success) throw new InvalidError('Say which revision you have: ?since=12.');
    res.type('json').send(await jobs.since(acting(req), jobId(req), known.data));
  });

  /** Says by server-sent events that there is a later revision, to whoever has the job open. */
  router.get('/:id/feed', async (req, res) => {
    const id = jobId(req);
    const revision = await jobs.revisionOf(acting(req), id);
    res.set({ 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store' }).flushHeaders();
    const tell = (at: number) => res.write(`data: ${JSON.stringify({ revision: at })}\n\n`);
    tell(revision);
    const leave = feed.follow(id, (change) => tell(change.revision));
    const heartbeat = setInterval(() => res.write(': \n\n'), HEARTBEAT);
    req.on('close', () => {
      leave();
      clearInterval(heartbeat);
    });
  });

  router.put('/:id/away', express.json(), async (req, res) => {
    await jobs.putAway(acting(req), jobId(req), readRequest(putAwaySchema, req.body).away);
    res.json({ done: true });
  });

  router.delete('/:id', async (req, res) => {
    await jobs.delete(acting(req), jobId(req));
    res.json({ done: true });
  });

  router.get('/:id/changes', async (req, res) => void res.json(await jobs.changes(acting(req), jobId(req))));

  return router;
}
