import { z } from 'zod';
import { drawingSchema } from '../drawings/drawing.ts';
import { lineSchema } from '../fields/text.ts';

const WORD = 300; // characters of a heading or a cell: what is longer is a text
const TEXT = 2000;
const MOST_COLUMNS = 16;
const MOST_ROWS = 2000; // as many as the largest run and circuit have, several times over
const MOST_SECTIONS = 200;

const line = lineSchema(WORD);
const heading = line.optional();
const text = lineSchema(TEXT);

/** A cell is a text, or one with what is still open in it. */
const cellSchema = z.union([text, z.strictObject({ text, open: text })]);

const tableSchema = z.strictObject({
  as: z.literal('table'),
  /** What its rows are, in a word: the first column of its CSV file. */
  key: line,
  heading,
  columns: z
    .array(z.strictObject({ name: line, is: z.enum(['name', 'words', 'figure']) }))
    .min(1)
    .max(MOST_COLUMNS),
  rows: z.array(z.array(cellSchema).max(MOST_COLUMNS)).max(MOST_ROWS),
  /** Whether each row has a box to tick with a pencil. */
  ticks: z.boolean(),
});

export const sectionSchema = z.discriminatedUnion('as', [
  tableSchema,
  z.strictObject({ as: z.literal('words'), heading, text: z.array(text).max(100) }),
  z.strictObject({
    as: z.literal('figures'),
    heading,
    figures: z.array(z.strictObject({ name: line, value: line, note: text.optional() })).max(200),
  }),
  /** Done in their order; `about` says what for. */
  z.strictObject({ as: z.literal('steps'), heading, about: text.optional(), steps: z.array(text).max(100) }),
  z.strictObject({ as: z.literal('drawing'), heading, drawing: drawingSchema }),
  z.strictObject({ as: z.literal('caution'), text }),
]);

/**
 * A sheet as data: what the page, the printer and a CSV file show is the same. Every figure stands as words in one system of
 * units; nothing in it says how it looks.
 */
export const documentSchema = z.strictObject({
  /** Its file’s name, without ending. */
  key: z.string().regex(/^[a-z][a-z0-9-]{0,59}$/),
  title: line,
  /** What it is of, and as of when. */
  about: z.array(line).max(12),
  /** Why nothing may be bought or made by it yet. */
  stop: text.optional(),
  /** The way the paper lies. */
  lies: z.enum(['upright', 'across']),
  sections: z.array(sectionSchema).max(MOST_SECTIONS),
});

export type SheetDocument = z.infer<typeof documentSchema>;
export type Section = z.infer<typeof sectionSchema>;
export type TableSection = Extract<Section, { as: 'table' }>;
export type Cell = z.infer<typeof cellSchema>;
