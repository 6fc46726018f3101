import type { Vec } from '@endrel/core/routes/vector';
import type { DisplayUnits } from '../../units/display-units.tsx';

/** Three coordinates on one line, their unit once where it is the same for all. */
export function sayPlace(units: Pick<DisplayUnits, 'tape'>, at: Vec): string {
  const said = at.map((v) => units.tape(v));
  const unit = / (mm|cm|m|in)$/.exec(said[0]!)?.[0];
  const isOne = unit !== undefined && said.every((s) => s.endsWith(unit));
  return isOne ? `${said.map((s) => s.slice(0, -unit.length)).join(', ')}${unit}` : said.join(', ');
}
