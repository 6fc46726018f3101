import { degrees } from '../units/quick.ts';
import type { BendTable } from './bend-table.ts';

/** Where a line is parted, so that each piece comes out of one length of stock. SI. */
export interface StockCut {
  /** In which straight, from 0, and how far along the developed line. */
  readonly straight: number;
  readonly at: number;
}
export interface StockPlan {
  readonly cuts: readonly StockCut[];
  /** Developed length of each piece, ends and all. */
  readonly pieces: readonly number[];
  /** A piece that no straight lets be parted short enough. */
  readonly tooLong: boolean;
}

/**
 * Parts a line into as few pieces as a stock length allows, each cut in the middle part of a straight that has room for a union.
 *
 * @param ends - tube that is used up at either end and at each side of a union, m.
 * @param room - straight that a union needs on either side of it, m.
 */
export function stockPlan(table: BendTable, radius: number, stock: number, ends: number, room: number): StockPlan {
  const cuts: StockCut[] = [];
  const pieces: number[] = [];
  let from = 0;
  // straights as stretches of the developed line
  let at = 0;
  const straights = table.straights.map((long, i) => {
    const stretch = { straight: i, from: at + room, to: at + long - room };
    at += long + radius * (table.bends[i] ?? 0);
    return stretch;
  });
  const whole = at;
  while (whole - from + 2 * ends > stock) {
    const furthest = from + stock - 2 * ends;
    // as far along as the stock reaches: fewest pieces
    const fit = straights.filter((s) => s.to > s.from && Math.min(s.to, furthest) > Math.max(s.from, from)).at(-1);
    if (!fit) return { cuts, pieces: [...pieces, whole - from + 2 * ends], tooLong: true };
    const cut = Math.min(fit.to, furthest);
    cuts.push({ straight: fit.straight, at: cut });
    pieces.push(cut - from + 2 * ends);
    from = cut;
  }
  return { cuts, pieces: [...pieces, whole - from + 2 * ends], tooLong: false };
}

/** What is left after a bend went wrong. */
export interface WrongBend {
  /** The bend can still be closed to what was wanted. */
  readonly closes: boolean;
  /** How far it is out, rad: more than nothing was bent too far. */
  readonly out: number;
  /** Good tube before it: bends that are made, and where it would be cut. */
  readonly keeps: { readonly bends: number; readonly length: number };
  /** Stock behind it that is still straight. */
  readonly straight: number;
  /** What has to be bent anew with a union at the cut, developed. */
  readonly anew: number;
}

const OPENS = degrees(3); // by hand, without a crease; common practice

/**
 * @param bend - which went wrong, from 0; those before it are right, those behind not made.
 * @param made - rad, what it came to.
 * @param stock - length of the piece as it was cut, m.
 */
export function afterWrongBend(table: BendTable, radius: number, bend: number, made: number, stock: number): WrongBend {
  const before =
    table.straights.slice(0, bend + 1).reduce((sum, s) => sum + s, 0) +
    table.bends.slice(0, bend).reduce((sum, a) => sum + radius * a, 0);
  const out = made - table.bends[bend]!;
  return {
    closes: out <= OPENS,
    out,
    keeps: { bends: bend, length: before },
    straight: Math.max(0, stock - before - radius * made),
    anew: table.developed - before,
  };
}
