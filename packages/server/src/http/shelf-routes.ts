import express, { Router, type Request } from 'express';
import { z } from 'zod';
import { keepShelfSchema } from '@endrel/core/contract/api';
import { MOST_SHELF } from '@endrel/core/joints/shelf-csv';
import { lineSchema } from '@endrel/core/fields/text';
import { InvalidError, NotFoundError } from '../errors.ts';
import type { ShelfRepository } from '../repositories/shelf-repository.ts';
import type { Acting } from '../services/job-service.ts';
import { only } from './only.ts';
import { sendList } from './send-list.ts';
import { readRequest } from '../judging/read-request.ts';

const AT_ONCE = 500; // parts: a full shelf is some megabytes
const LARGEST_BODY = '4mb'; // a full shelf is 3

/** What lies on the shop's shelf. */
export function shelfRoutes(shelf: ShelfRepository, acting: (req: Request) => Acting): Router {
  const router = Router();
  router
    .route('/')
    .get(async (req, res) => {
      await sendList(res, await shelf.list(acting(req).shop), AT_ONCE);
    })
    .post(express.json({ limit: LARGEST_BODY }), async (req, res) => {
      const { parts } = readRequest(keepShelfSchema, req.body);
      const codes = new Set(parts.map((p) => p.adapter.code));
      if (codes.size < parts.length) throw new InvalidError('Nothing was kept: a code stands there twice.');
      if (!(await shelf.keep(acting(req).shop, parts, MOST_SHELF)))
        throw new InvalidError(`Nothing was kept: the shelf would hold more than ${MOST_SHELF} parts.`);
      res.status(201).json({ kept: parts.length });
    })
    .delete(async (req, res) => {
      const code = lineSchema(120).safeParse(z.string().catch('').parse(req.query.code));
      if (!code.success || !(await shelf.drop(acting(req).shop, code.data))) throw new NotFoundError('part');
      res.json({ ok: true });
    })
    .all(only('GET', 'POST', 'DELETE'));
  return router;
}
