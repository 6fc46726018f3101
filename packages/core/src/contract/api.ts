import { z } from 'zod';
import { pumpTableSchema, type PumpTable } from '../parts/pump/pump-table.ts';
import type { Job } from '../job/job.ts';

/** What server and web say to each other. Job documents travel as they are and are judged by the job schema. */
export const saveRequestSchema = z.strictObject({
  baseRevision: z.number().int().min(1),
  document: z.unknown(),
  /** What was done, in a few words, for the change table. */
  summary: z.string().max(300).default(''),
});
export const createRequestSchema = z.union([
  z.strictObject({
    name: z.string().trim().min(1, 'must not be empty').max(80),
    vehicle: z.string().max(120).default(''),
  }),
  z.strictObject({ document: z.unknown() }),
]);

export const keepPumpSchema = z.strictObject({
  name: z.string().trim().min(1, 'must not be empty').max(80),
  tables: z.array(pumpTableSchema).min(1, 'needs a flow table').max(6),
});

/** A pump of the shop's own library. */
export interface ShopPump {
  readonly id: string;
  readonly name: string;
  readonly tables: readonly PumpTable[];
}

export interface StoredJob {
  readonly id: string;
  readonly revision: number;
  readonly savedAt: string;
  readonly document: Job;
}
export interface SaveAnswer {
  readonly revision: number;
  readonly savedAt: string;
}
/** One row of the append-only change table. `patch` is JSON Patch, RFC 6902. */
export interface ChangeRow {
  readonly revision: number;
  readonly at: string;
  readonly actor: string;
  readonly summary: string;
  readonly patch: readonly unknown[];
}
export interface ApiFault {
  readonly code: 'invalid' | 'stale' | 'notFound' | 'tooLarge' | 'tooMany' | 'internal';
  readonly message: string;
  readonly issues?: readonly { readonly field: string; readonly message: string }[];
  /** On `stale`: what is stored now. */
  readonly current?: StoredJob;
}
