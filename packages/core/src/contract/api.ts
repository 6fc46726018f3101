import { z } from 'zod';
import { benderSchema } from '../job/bender.ts';
import { documentSchema } from '../documents/document.ts';
import { labelSchema, MOST_LABELS } from '../cards/labels.ts';
import { hangerSchema } from '../job/hanger.ts';
import { templateKinds } from '../hangers/plate-template.ts';
import { MOST_SHELF } from '../joints/shelf-csv.ts';
import { shelfPartSchema } from '../fittings/stock.ts';
import { isStorable, lineSchema } from '../fields/text.ts';
import { pumpTableSchema, type PumpTable } from '../pumps/pump-table.ts';
import type { Act } from '../acts/act.ts';
import type { Job } from '../job/job.ts';
import type { JobSummary } from './summary.ts';

/** What server and web say to each other. Job documents travel as they are and are judged by the job schema. */
export const MOST_ACTS = 100; // in one request
const revisionSchema = z.number().int().min(1).max(2_147_483_647);
export const actsRequestSchema = z.strictObject({
  /** The page that did them: its own acts never conflict with each other. */
  client: z.string().regex(/^[A-Za-z0-9-]{1,40}$/, 'must be letters, digits and dashes'),
  /** The last revision that the page has; what came since is sent back. */
  known: revisionSchema,
  acts: z
    .array(
      z.strictObject({
        /** Made once: an act that is sent again is done once. */
        id: z.uuid(),
        /** The revision that it was done on. */
        base: revisionSchema,
        act: z.unknown(),
      }),
    )
    .min(1)
    .max(MOST_ACTS, `must be at most ${MOST_ACTS}; send the rest afterwards`),
});
export type ActsRequest = z.infer<typeof actsRequestSchema>;
/** The calendar has such a day. */
const isDay = (text: string): boolean => {
  const time = Date.parse(`${text}T00:00:00Z`);
  return !text.startsWith('0000') && !Number.isNaN(time) && new Date(time).toISOString().startsWith(text); // no year is 0
};
export const MOST_PUMPS = 200; // in one shop's library
export const LIST_PAGE = 50; // jobs
/** Which jobs to list: words of their names and vehicles, at hand or put away, behind the last one that the page has. */
export const listRequestSchema = z.strictObject({
  find: z.string().max(200).refine(isStorable, 'holds characters that no job has').default(''),
  away: z.enum(['true', 'false']).default('false'),
  after: z
    .string()
    .regex(
      /^\d{4}-\d{2}-\d{2}T([01]\d|2[0-3]):[0-5]\d:[0-5]\d\.\d{6}_[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/,
      'is no place in the list',
    )
    .refine((place) => isDay(place.slice(0, 10)), 'is no place in the list')
    .optional(),
});
export type ListRequest = z.output<typeof listRequestSchema>;
/** One page of the list, the last saved first. */
export interface JobList {
  readonly jobs: readonly JobSummary[];
  /** Where the next page begins; absent on the last. */
  readonly after?: string;
  /** How many jobs the shop has in all, whatever was sought. */
  readonly atHand: number;
  readonly away: number;
}

/** What became of a job that could not be read. */
export interface PutBack {
  readonly revision: number;
  /** The revision that it is as again. */
  readonly isAsOf: number;
}

export const putAwaySchema = z.strictObject({ away: z.boolean() });
const nameSchema = lineSchema(80)
  .trim()
  .refine((name) => name !== '', 'must not be empty');
/** Made by the page, once for what it asks: a request that is sent again makes nothing twice. */
const newIdSchema = z.uuid().optional();
export const createRequestSchema = z.union([
  z.strictObject({
    id: newIdSchema,
    name: nameSchema,
    vehicle: lineSchema(120).default(''),
  }),
  z.strictObject({ id: newIdSchema, document: z.unknown() }),
]);

export const keepPumpSchema = z.strictObject({
  name: nameSchema,
  tables: z.array(pumpTableSchema).min(1, 'needs a flow table').max(6),
});

/** A bender of the shop, by its radius and its name. */
export const keepBenderSchema = benderSchema.refine((b) => b.label?.trim() && b.radius, 'needs a name and a radius');
export const MOST_BENDERS = 60;

/** Parts that go onto the shop's shelf, or replace those of the same code there. */
export const keepShelfSchema = z.strictObject({ parts: z.array(shelfPartSchema).min(1).max(MOST_SHELF) });

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
/** What became of one act. Those behind one that was not saved are not tried. */
export type ActOutcome =
  | { readonly id: string; readonly outcome: 'saved'; readonly revision: number }
  | { readonly id: string; readonly outcome: 'refused'; readonly field: string; readonly message: string }
  /** Somebody else changed the same fields since its base: a person decides. */
  | { readonly id: string; readonly outcome: 'conflict'; readonly fields: readonly string[] };
/** An act as it was saved. */
export interface KeptAct {
  readonly revision: number;
  readonly id: string;
  readonly client: string;
  /** Absent where it is one of those that this very request brought. */
  readonly act?: Act;
}
export interface ActsAnswer {
  readonly revision: number;
  readonly savedAt: string;
  readonly outcomes: readonly ActOutcome[];
  /** Every act behind the revision that the page knew; absent where the page has to read the job anew. */
  readonly since?: readonly KeptAct[];
}
/** One row of the append-only change table. */
export interface ChangeRow {
  readonly revision: number;
  readonly at: string;
  readonly actor: string;
  readonly summary: string;
  /** How many fields it changed. */
  readonly fields: number;
}
/** One page of them, the last first. */
export interface ChangeList {
  readonly changes: readonly ChangeRow[];
  /** Where the next page begins; absent on the last. */
  readonly before?: number;
}
export const CHANGES_PAGE = 50;

/** A template of a plate, to be printed at true size. */
export const templateRequestSchema = z.strictObject({
  hanger: hangerSchema,
  kind: z.enum(templateKinds),
  title: lineSchema(300),
});
export type TemplateRequest = z.infer<typeof templateRequestSchema>;

/** Labels, a sheet of them or several, on paper of either size. */
export const labelsRequestSchema = z.strictObject({
  labels: z.array(labelSchema).min(1).max(MOST_LABELS),
  paper: z.enum(['a4', 'letter']),
});
export type LabelsRequest = z.infer<typeof labelsRequestSchema>;

/** Sheets as data, to be printed. */
export const sheetsRequestSchema = z.strictObject({
  sheets: z.array(documentSchema).min(1).max(100),
  paper: z.enum(['a4', 'letter']),
});
export type SheetsRequest = z.infer<typeof sheetsRequestSchema>;

/** Whether the server can do its work. That it answers at all is another question. */
export interface HealthAnswer {
  readonly isReady: boolean;
  readonly database: 'answers' | 'away';
  /** Answers since the server started that were its own fault. */
  readonly failures: number;
}
export interface ApiFault {
  readonly code: 'invalid' | 'notPutAway' | 'notFound' | 'unreadable' | 'tooLarge' | 'tooMany' | 'away' | 'internal';
  readonly message: string;
  readonly issues?: readonly { readonly field: string; readonly message: string }[];
}
