import { kindOf } from '../parts/kinds.ts';
import type { Circuits } from './circuits.ts';
import type { Line } from './zones.ts';

/** Where a part lies along its line, for drawings of pressure against length. */
export interface Span {
  readonly part: string;
  readonly line: Line;
  /** m along the line, from its start to this part's inlet by the longest way, and its own length. */
  readonly start: number;
  readonly length: number;
}

export function spansOf(circuits: Circuits): Span[] {
  const ends = new Map<string, number>();
  return circuits.order.map((part): Span => {
    const line = circuits.lineOf(part);
    const start = Math.max(
      0,
      ...circuits.into(part).flatMap((f) => (circuits.lineOf(f.from) === line ? (ends.get(f.from) ?? []) : [])),
    );
    const own = circuits.part(part);
    const length = kindOf(own).length?.(own) ?? 0;
    ends.set(part, start + length);
    return { part, line, start, length };
  });
}
