import { onceFor } from '../memory/once-for.ts';
import { failure, success, type Result } from '../result.ts';
import { monotoneCurve, type Curve, type Point } from '../numerics/curve.ts';
import { lastWhere } from '../numerics/last-where.ts';

/** Volume against level, both in SI, ascending. */
export interface StrappingTable {
  readonly rows: readonly { readonly level: number; readonly volume: number }[];
}

export type StrappingFault =
  | { code: 'tooFewRows' }
  | { code: 'levelRepeats'; row: number; level: number }
  /** Volume falls where the level rises. */
  | { code: 'volumeFalls'; row: number; volume: number; before: number };

/** A table from rows in any order. */
export function strappingTable(
  rows: readonly { level: number; volume: number }[],
): Result<StrappingTable, StrappingFault> {
  if (rows.length < 2) return failure({ code: 'tooFewRows' });
  const order = rows.map((_, i) => i).sort((a, b) => rows[a]!.level - rows[b]!.level);
  for (let k = 1; k < order.length; k++) {
    const [low, high] = [rows[order[k - 1]!]!, rows[order[k]!]!];
    if (high.level === low.level) return failure({ code: 'levelRepeats', row: order[k]!, level: high.level });
    if (high.volume < low.volume)
      return failure({ code: 'volumeFalls', row: order[k]!, volume: high.volume, before: low.volume });
  }
  return success({ rows: order.map((i) => rows[i]!) });
}

/** Volume at a level, m3: monotone between rows, the end rows' volumes outside them. */
export function volumeAtLevel(table: StrappingTable, level: number): number {
  const { rows } = table;
  const [first, last] = [rows[0]!, rows.at(-1)!];
  if (level <= first.level) return first.volume;
  if (level >= last.level) return last.volume;
  return curveOf(table).value(level);
}

/** A table is asked hundreds of times for one gauge. */
const curveOf = onceFor(({ rows }: StrappingTable): Curve =>
  monotoneCurve(rows.map((r): Point => [r.level, r.volume])),
);

/** Level at a volume, m: the inverse, to a micrometre. */
export const levelAtVolume = (table: StrappingTable, volume: number): number =>
  lastWhere(table.rows[0]!.level, table.rows.at(-1)!.level, (level) => volumeAtLevel(table, level) < volume, 1e-6);
