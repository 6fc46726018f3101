import express, { Router, type Request } from 'express';
import { z } from 'zod';
import { listRequestSchema, putAwaySchema } from '@endrel/core/contract/api';
import { InvalidError, NotFoundError } from '../errors.ts';
import type { Acting, JobService } from '../services/job-service.ts';
import { only } from './only.ts';
import { readRequest } from '../judging/read-request.ts';

const idSchema = z.uuid();
const knownSchema = z.coerce.number().int().min(1).max(2_147_483_647);
const LARGEST_BODY = '2mb';

export function jobRoutes(jobs: JobService, acting: (req: Request) => Acting): Router {
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

  router
    .route('/')
    .get(async (req, res) => {
      res.type('json').send(await jobs.list(acting(req), readRequest(listRequestSchema, req.query)));
    })
    .post(asText, async (req, res) => {
      const { id, text } = await jobs.create(acting(req), textOf(req));
      res.status(201).location(`/api/jobs/${id}`).type('json').send(text);
    })
    .all(only('GET', 'POST'));

  // what browsers that kept a copy have to drop
  router
    .route('/gone')
    .get(async (req, res) => void res.json(await jobs.gone(acting(req))))
    .all(only('GET'));

  router
    .route('/:id')
    .get(async (req, res) => void res.type('json').send(await jobs.read(acting(req), jobId(req))))
    .delete(async (req, res) => {
      await jobs.delete(acting(req), jobId(req));
      res.json({ done: true });
    })
    .all(only('GET', 'DELETE'));

  router
    .route('/:id/stored')
    .get(async (req, res) => {
      res
        .attachment('stored-job.json')
        .type('json')
        .send(await jobs.storedText(acting(req), jobId(req)));
    })
    .all(only('GET'));

  router
    .route('/:id/acts')
    .get(async (req, res) => {
      const known = knownSchema.safeParse(req.query.since);
      if (!known.success) throw new InvalidError('Say which revision you have: ?since=12.');
      res.type('json').send(await jobs.since(acting(req), jobId(req), known.data));
    })
    .post(asText, async (req, res) => {
      res.type('json').send(await jobs.act(acting(req), jobId(req), textOf(req)));
    })
    .all(only('GET', 'POST'));

  router
    .route('/:id/away')
    .put(express.json(), async (req, res) => {
      await jobs.putAway(acting(req), jobId(req), readRequest(putAwaySchema, req.body).away);
      res.json({ done: true });
    })
    .all(only('PUT'));

  router
    .route('/:id/put-back')
    .post(async (req, res) => void res.json(await jobs.putBack(acting(req), jobId(req))))
    .all(only('POST'));

  router
    .route('/:id/changes')
    .get(async (req, res) => {
      const before = knownSchema.optional().safeParse(req.query.before);
      if (!before.success) throw new InvalidError('Say before which revision: ?before=12, or leave it out.');
      res.json(await jobs.changes(acting(req), jobId(req), before.data));
    })
    .all(only('GET'));

  return router;
}
