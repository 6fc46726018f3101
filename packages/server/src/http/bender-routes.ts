import express, { Router, type Request } from 'express';
import { idSchema } from '@endrel/core/fields/property';
import { keepBenderSchema, MOST_BENDERS } from '@endrel/core/contract/api';
import { InvalidError, NotFoundError } from '../errors.ts';
import type { BenderRepository } from '../repositories/bender-repository.ts';
import type { Acting } from '../services/job-service.ts';
import { only } from './only.ts';
import { readRequest } from '../judging/read-request.ts';

const LARGEST_BODY = '8kb'; // a bender is a dozen measurements

/** The shop's benders. */
export function benderRoutes(benders: BenderRepository, acting: (req: Request) => Acting): Router {
  const router = Router();
  router
    .route('/')
    .get(async (req, res) => {
      res.json(await benders.list(acting(req).shop));
    })
    .post(express.json({ limit: LARGEST_BODY }), async (req, res) => {
      const bender = readRequest(keepBenderSchema, req.body);
      if (!(await benders.keep(acting(req).shop, bender, MOST_BENDERS)))
        throw new InvalidError(`The bender was not kept: the list is full with ${MOST_BENDERS}.`);
      res.status(201).json(bender);
    })
    .all(only('GET', 'POST'));
  router
    .route('/:id')
    .delete(async (req, res) => {
      const id = idSchema.safeParse(req.params.id);
      if (!id.success || !(await benders.drop(acting(req).shop, id.data))) throw new NotFoundError('bender');
      res.json({ ok: true });
    })
    .all(only('DELETE'));
  return router;
}
