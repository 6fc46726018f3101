import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';
import { z } from 'zod';

/** Bytes of one attachment at most; a mesh of 60 000 triangles packs into 1.6 MB. */
export const LARGEST_ATTACHMENT = 2 * 1024 * 1024;

/** SHA-256 of what it holds, in hexadecimal (FIPS 180-4): the same content is the same attachment wherever it lies. */
export const digestSchema = z.string().regex(/^[0-9a-f]{64}$/, 'is not a SHA-256 digest');

export const digestOf = (text: string): string => bytesToHex(sha256(utf8ToBytes(text)));

const held = new Map<string, string>();

/**
 * Keeps an attachment's text for what computes with it. What a digest stands for never changes, so that results stay pure.
 *
 * @throws RangeError if the text is not what the digest says.
 */
export function holdAttachment(digest: string, text: string): void {
  if (held.has(digest)) return;
  if (digestOf(text) !== digest) throw new RangeError(`attachment ${digest} holds something else`);
  held.set(digest, text);
}

/** The text behind a digest, or undefined while it is not here. */
export const attachmentText = (digest: string): string | undefined => held.get(digest);
