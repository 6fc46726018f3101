import express, { Router, type Request } from 'express';
import { z } from 'zod';
import { keepPumpSchema, MOST_PUMPS } from '@endrel/core/contract/api';
import { pumpTableFault } from '@endrel/core/hydraulics/pump-curve';
import { pumpRows } from '@endrel/core/pumps/pump-rows';
import { InvalidError, NotFoundError } from '../errors.ts';
import type { PumpRepository } from '../repositories/pump-repository.ts';
import type { Acting } from '../services/job-service.ts';
import { only } from './only.ts';
import { sendList } from './send-list.ts';
import { readRequest } from '../judging/read-request.ts';

const AT_ONCE = 20; // pumps: a full library is 4 MB
const LARGEST_BODY = '200kb'; // six tables of forty rows are 50

export function pumpRoutes(pumps: PumpRepository, acting: (req: Request) => Acting): Router {
  const router = Router();

  router
    .route('/')
    .get(async (req, res) => {
      await sendList(res, await pumps.list(acting(req).shop), AT_ONCE);
    })
    .post(express.json({ limit: LARGEST_BODY }), async (req, res) => {
      const { name, tables } = readRequest(keepPumpSchema, req.body);
      const fault = pumpTableFault(pumpRows({ tables }));
      if (fault)
        throw new InvalidError(`The pump was not kept: its flow tables make no sense (${fault.code}).`, [
          { field: 'tables', message: fault.code },
        ]);
      const kept = await pumps.keep(acting(req).shop, name, tables, MOST_PUMPS);
      if (!kept) throw new InvalidError(`The pump was not kept: the library is full with ${MOST_PUMPS} pumps.`);
      res.status(201).json(kept);
    })
    .all(only('GET', 'POST'));

  router
    .route('/:id')
    .delete(async (req, res) => {
      const id = z.uuid().safeParse(req.params.id);
      if (!id.success || !(await pumps.drop(acting(req).shop, id.data))) throw new NotFoundError('pump');
      res.json({ ok: true });
    })
    .all(only('DELETE'));

  return router;
}
