import type { PartOf } from '../parts/kinds.ts';
import { mm } from '../units/quick.ts';

const HOSE_WALL = mm(3.5); // typical of rubber and braided hose, from memory
const UNKNOWN_BORE = mm(9.5); // of a hose whose bore nobody read yet: drawn, never reckoned with

/** Half the outside of a line, m, for drawing and clearances. */
export function outsideRadius(line: PartOf<'hose'> | PartOf<'hardLine'>): number {
  if (line.kind === 'hardLine') return (line.outsideDiameter?.si ?? UNKNOWN_BORE) / 2;
  return (line.bore?.si ?? UNKNOWN_BORE) / 2 + HOSE_WALL;
}
