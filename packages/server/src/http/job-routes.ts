import { Router, type Request } from 'express';
import { z } from 'zod';
import { createRequestSchema, saveRequestSchema } from '@endrel/core/contract/api';
import type { Acting, JobService } from '../services/job-service.ts';
import { NotFoundError } from '../errors.ts';
import { readRequest } from './read-request.ts';

const idSchema = z.uuid();

export function jobRoutes(jobs: JobService, acting: (req: Request) => Acting): Router {
  const router = Router();
  const jobId = (req: Request): string => {
    const id = idSchema.safeParse(req.params.id);
    if (!id.success) throw new NotFoundError('job');
    return id.data;
  };

  router.get('/', async (req, res) => void res.json(await jobs.list(acting(req))));

  router.post('/', async (req, res) => {
    const request = readRequest(createRequestSchema, req.body);
    const made =
      'document' in request
        ? await jobs.import(acting(req), request.document)
        : await jobs.createBlank(acting(req), request.name, request.vehicle);
    res.status(201).location(`/api/jobs/${made.id}`).json(made);
  });

  router.get('/:id', async (req, res) => void res.json(await jobs.read(acting(req), jobId(req))));

  router.put('/:id', async (req, res) => {
    const { baseRevision, document, summary } = readRequest(saveRequestSchema, req.body);
    res.json(await jobs.save(acting(req), jobId(req), baseRevision, document, summary));
  });

  router.get('/:id/changes', async (req, res) => void res.json(await jobs.changes(acting(req), jobId(req))));

  return router;
}
