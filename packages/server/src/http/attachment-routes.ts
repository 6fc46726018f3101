import express, { Router, type Request } from 'express';
import { LARGEST_ATTACHMENT, digestSchema } from '@endrel/core/attachments/attachment';
import { InvalidError, NotFoundError } from '../errors.ts';
import type { AttachmentService } from '../services/attachment-service.ts';
import type { Acting } from '../services/job-service.ts';
import { only } from './only.ts';

/** Large things by the digest of what they hold. */
export function attachmentRoutes(attachments: AttachmentService, acting: (req: Request) => Acting): Router {
  const router = Router();
  const digestOf = (req: Request): string => {
    const read = digestSchema.safeParse(req.params.digest);
    if (!read.success) throw new NotFoundError('attachment');
    return read.data;
  };

  router
    .route('/:digest')
    .get(async (req, res) => {
      res.type('text/plain').send(await attachments.read(acting(req).shop, digestOf(req)));
    })
    .put(express.text({ limit: LARGEST_ATTACHMENT, type: 'text/plain' }), async (req, res) => {
      const body: unknown = req.body;
      if (typeof body !== 'string') throw new InvalidError('An attachment is sent as plain text.');
      await attachments.keep(acting(req).shop, digestOf(req), body);
      res.json({ kept: true });
    })
    .all(only('GET', 'PUT'));

  return router;
}
