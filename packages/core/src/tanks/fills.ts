import type { SurveyedTank } from '../job/tank.ts';
import { isotonic } from '../numerics/isotonic.ts';
import { failure, type Result } from '../result.ts';
import { strappingTable, type StrappingTable } from './strapping-table.ts';
import type { TankFault } from './tank-fault.ts';

type Fill = NonNullable<SurveyedTank['fills']>[number];

/** Fuel in the tank after each fill, counted from empty, with what was read then. m3. */
export function fillReadings(fills: readonly Fill[], of: 'level' | 'ohms'): { volume: number; reading: number }[] {
  let volume = 0;
  return fills.flatMap((fill) => {
    volume += fill.added?.si ?? 0;
    const reading = fill[of]?.si;
    return reading === undefined ? [] : [{ volume, reading }];
  });
}

/**
 * A strapping table from fills of known volume: the volumes are known, the heights read with a shaky hand, so that the
 * heights are made to rise by monotone regression and equal ones are joined.
 */
export function tankByFills(fills: readonly Fill[]): Result<StrappingTable, TankFault> | undefined {
  const readings = fillReadings(fills, 'level');
  if (readings.length === 0) return undefined;
  const levels = isotonic(readings.map((r) => r.reading));
  const rows: { level: number; volume: number }[] = [];
  for (let i = 0; i < levels.length;) {
    let j = i;
    let sum = 0;
    for (; j < levels.length && levels[j] === levels[i]; j++) sum += readings[j]!.volume;
    rows.push({ level: levels[i]!, volume: sum / (j - i) });
    i = j;
  }
  const table = strappingTable(rows);
  return table.ok ? table : failure({ code: 'fills', what: 'tooFew' });
}
