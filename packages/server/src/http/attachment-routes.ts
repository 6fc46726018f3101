import express, { Router, type Request } from 'express';
import { LARGEST_ATTACHMENT, digestSchema } from '@endrel/core/attachments/attachment';
import { InvalidError, NotFoundError } from '../errors.ts';
import type { AttachmentService } from '../services/attachment-service.ts';
import type { Acting } from '../services/job-service.ts';

/** Large things by the digest of what they hold. */
export function attachmentRoutes(attachments: AttachmentService, acting: (req: Request) => Acting): Router {
  const router = Router();
  const digestOf = (req: Request): string => {
    const read = digestSchema.safeParse(req.params.digest);
    if (!read.success) throw new NotFoundError('attachment');
    return read.data;
  };

  router.get('/:digest', async (req, res) => {
    const text = await attachments.read(acting(req).shop, digestOf(req));
    res.set('Cache-Control', 'private, max-age=31536000, immutable').type('text/plain').send(text);
  });

  router.put('/:digest', express.text({ limit: LARGEST_ATTACHMENT, type: 'text/plain' }), async (req, res) => {
    const body: unknown = req.body;
    if (typeof body !== 'string') throw new InvalidError('An attachment is sent as plain text.');
    await attachments.keep(acting(req).shop, digestOf(req), body);
    res.json({ kept: true });
  });

  return router;
}
