import type { benderMarks, BenderRow } from '../job/bender.ts';
import type { BendTable } from './bend-table.ts';

const MEMORY = 'typical, verify against the part’s data sheet';

/** A bender to compute with. SI. */
export interface Bender {
  readonly radius: number;
  readonly mark: keyof typeof benderMarks;
  readonly before: number;
  readonly between: number;
  /** What it is set to for what is wanted: more than 1, since tube springs back. */
  readonly overbend: number;
  readonly arm: number;
  readonly thick: number;
}

/** Centre-line radius over outside, under which hand-bent tube flattens or kinks; common practice. */
export const TIGHTEST_BEND = 2;

/** What stands in for what nobody measured, in diameters of the tube: typical of hand benders, from memory. */
export const usualBender = {
  radius: 3,
  before: 3,
  between: 1.5,
  overbend: 1.03,
  arm: 20,
  thick: 4,
  source: MEMORY,
} as const;

export function benderOf(row: Partial<BenderRow>, outsideDiameter: number): Bender {
  const si = (key: 'radius' | 'before' | 'between' | 'arm' | 'thick') =>
    row[key]?.si ?? usualBender[key] * outsideDiameter;
  return {
    radius: si('radius'),
    mark: row.mark ?? 'start',
    before: si('before'),
    between: si('between'),
    overbend: row.set && row.got ? row.set.si / row.got.si : usualBender.overbend,
    arm: si('arm'),
    thick: si('thick'),
  };
}

/** Where one bend is made: the mark on the straight stock, how the tube is turned, and what the dial is set to. */
export interface BendStep {
  /** Which bend of the table, from 0. */
  readonly bend: number;
  /** Of the mark on the stock, from the first cut end, m. */
  readonly mark: number;
  /** From the bend before in this order, rad. */
  readonly turn: number;
  readonly angle: number;
  readonly setTo: number;
}

/** Steps of a table in its own order. @param extra - tube that the end before the first straight uses up, m. */
export function bendSteps(table: BendTable, bender: Bender, extra: number): BendStep[] {
  let at = extra;
  return table.bends.map((angle, bend) => {
    at += table.straights[bend]!;
    const arc = bender.radius * angle;
    const mark = bender.mark === 'start' ? at : at + arc / 2;
    at += arc;
    return { bend, mark, turn: table.rotations[bend]!, angle, setTo: angle * bender.overbend };
  });
}

/** Where a straight is shorter than the bender, the nut or the flaring tool needs. */
export interface ShortStraight {
  readonly straight: number;
  readonly is: number;
  readonly needs: number;
  readonly why: 'bender' | 'between' | 'end';
}

const LEAST = 1e-6; // m: a lead that is put in comes out so near

/** @param atEnds - what nuts and flaring tool need of the first and last straight, m. */
export function shortStraights(
  { straights, bends }: BendTable,
  bender: Bender,
  atEnds: readonly [number, number],
): ShortStraight[] {
  const last = straights.length - 1;
  if (bends.length === 0) return [];
  return straights.flatMap((is, straight): ShortStraight[] => {
    const end = straight === 0 ? atEnds[0] : straight === last ? atEnds[1] : 0;
    const hold = straight === 0 ? bender.before : straight === last ? 0 : bender.between;
    const needs = Math.max(end, hold);
    if (is >= needs - LEAST) return [];
    return [{ straight, is, needs, why: end >= hold ? 'end' : straight === 0 ? 'bender' : 'between' }];
  });
}
