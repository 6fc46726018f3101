import { failure, success, type Result } from '../result.ts';
import type { BendTable } from './bend-table.ts';

/** A part put into a line: where the tube is cut, and what is left on either side. SI. */
export interface PartIn {
  readonly straight: number;
  /** Along the developed line from its start. */
  readonly firstCut: number;
  readonly secondCut: number;
  /** Tube that falls out. */
  readonly removed: number;
  /** Straight that is left for its joints before and behind it. */
  readonly before: number;
  readonly behind: number;
}
export type PartInFault =
  | { readonly code: 'offTheLine' }
  /** The part or its joints would reach into a bend. */
  | { readonly code: 'noStraight'; readonly lacks: number };

/**
 * Where a tube is cut so that a part goes into it and nothing else moves.
 *
 * @param at - middle of the part along the developed line, m.
 * @param part - between the places where the tube ends in it, m.
 * @param ends - tube that each new end uses up, m.
 * @param room - straight that each new end needs, m.
 */
export function partIn(
  { straights, bends }: Pick<BendTable, 'straights' | 'bends'>,
  radius: number,
  at: number,
  part: number,
  ends: number,
  room: number,
): Result<PartIn, PartInFault> {
  let from = 0;
  for (let i = 0; i < straights.length; i++) {
    const to = from + straights[i]!;
    if (at >= from && at <= to) {
      const [firstCut, secondCut] = [at - part / 2 + ends, at + part / 2 - ends];
      const [before, behind] = [firstCut - from, to - secondCut];
      const lacks = room - Math.min(before, behind);
      if (lacks > 1e-9) return failure({ code: 'noStraight', lacks });
      return success({ straight: i, firstCut, secondCut, removed: secondCut - firstCut, before, behind });
    }
    from = to + radius * (bends[i] ?? 0);
    if (at < from) return failure({ code: 'noStraight', lacks: Math.min(at - to, from - at) + part / 2 + room });
  }
  return failure({ code: 'offTheLine' });
}
