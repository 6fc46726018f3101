import express, { Router, type Request } from 'express';
import { z } from 'zod';
import { keepPumpSchema } from '@endrel/core/contract/api';
import { pumpTableFault } from '@endrel/core/hydraulics/pump-curve';
import { pumpRows } from '@endrel/core/pumps/pump-rows';
import { InvalidError, NotFoundError } from '../errors.ts';
import type { PumpRepository } from '../repositories/pump-repository.ts';
import type { Acting } from '../services/job-service.ts';
import { readRequest } from './read-request.ts';

const LARGEST_BODY = '200kb'; // six tables of forty rows are 50
const MOST_PUMPS = 200; // in one shop's library

export function pumpRoutes(pumps: PumpRepository, acting: (req: Request) => Acting): Router {
  const router = Router();

  router.get('/', async (req, res) => void res.json(await pumps.list(acting(req).shop)));

  router.post('/', express.json({ limit: LARGEST_BODY }), async (req, res) => {
    const { name, tables } = readRequest(keepPumpSchema, req.body);
    const fault = pumpTableFault(pumpRows({ tables }));
    if (fault)
      throw new InvalidError(`The pump was not kept: its flow tables make no sense (${fault.code}).`, [
        { field: 'tables', message: fault.code },
      ]);
    const { shop } = acting(req);
    if ((await pumps.count(shop)) >= MOST_PUMPS)
      throw new InvalidError(`The pump was not kept: the library is full with ${MOST_PUMPS} pumps.`);
    res.status(201).json(await pumps.keep(shop, name, tables));
  });

  router.delete('/:id', async (req, res) => {
    const id = z.uuid().safeParse(req.params.id);
    if (!id.success || !(await pumps.drop(acting(req).shop, id.data))) throw new NotFoundError('pump');
    res.json({ ok: true });
  });

  return router;
}
