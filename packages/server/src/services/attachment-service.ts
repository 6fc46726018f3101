import { createHash } from 'node:crypto';
import { LARGEST_ATTACHMENT } from '@endrel/core/attachments/attachment';
import { InvalidError, NotFoundError } from '../errors.ts';
import type { Reckoner } from '../reckoning/reckoner.ts';
import type { AttachmentRepository } from '../repositories/attachment-repository.ts';

/** Large things that jobs name by their digest. */
export class AttachmentService {
  readonly #attachments: AttachmentRepository;
  readonly #reckoner: Reckoner;
  constructor(attachments: AttachmentRepository, reckoner: Reckoner) {
    this.#attachments = attachments;
    this.#reckoner = reckoner;
  }

  /** Keeps what a page sends. @throws InvalidError when it is not what its digest says, too large, or no sound mesh. */
  async keep(shop: string, digest: string, text: string): Promise<void> {
    if (await this.#attachments.has(shop, digest)) return;
    if (Buffer.byteLength(text) > LARGEST_ATTACHMENT)
      throw new InvalidError(`The attachment is larger than ${LARGEST_ATTACHMENT / 1024 / 1024} MB.`);
    if (createHash('sha256').update(text).digest('hex') !== digest)
      throw new InvalidError('The attachment is not what its digest says: it was damaged on the way. Send it again.');
    const fault = await this.#reckoner.meshFault(text);
    if (fault !== undefined) throw new InvalidError(`The attachment ${fault}.`);
    await this.#attachments.keep(shop, digest, text);
  }

  /** Keeps what a job file brought along, which was judged with it. */
  async keepAll(shop: string, attachments: Readonly<Record<string, string>>): Promise<void> {
    for (const [digest, text] of Object.entries(attachments)) await this.#attachments.keep(shop, digest, text);
  }

  has(shop: string, digest: string): Promise<boolean> {
    return this.#attachments.has(shop, digest);
  }

  find(shop: string, digest: string): Promise<string | undefined> {
    return this.#attachments.find(shop, digest);
  }

  async read(shop: string, digest: string): Promise<string> {
    const text = await this.#attachments.find(shop, digest);
    if (text === undefined) throw new NotFoundError('attachment');
    return text;
  }
}
