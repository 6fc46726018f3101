import type { PartOf } from '../parts/kinds.ts';
import { mm } from '../units/quick.ts';
import { usualBender } from './bender.ts';
import type { RoutedLine } from './lines.ts';
import { layTube, type TubeLine } from './tube-line.ts';
import { angleBetween, dot, length, sub } from './vector.ts';

/** A bent tube in place of a hose that would have to turn too tightly. SI. */
export interface TubeInstead {
  readonly why: 'turnsBack' | 'noHose';
  readonly outside: number;
  readonly bendRadius: number;
  readonly tube: TubeLine;
}

const SAME_WAY = Math.PI / 4; // ports that look no further apart than that make the line turn round
const WALL = mm(0.9); // of fuel line; typical, from memory

/**
 * A close turn back is better bent of tube: its radius is a third of what a hose keeps. Told for ports that look the same way with
 * less than two radii of the hose between them, and where no hose was found.
 *
 * @param allowed - least radius of the hose's middle, m.
 */
export function tubeInstead(
  line: RoutedLine,
  hose: PartOf<'hose'>,
  allowed: number,
  isHoseFound: boolean,
): TubeInstead | undefined {
  const [first, second] = line.mouths;
  if (!first || !second || hose.bore === undefined) return undefined;
  const way = sub(second.at, first.at);
  // beside each other, across the way that they look
  const aside = Math.sqrt(Math.max(0, length(way) ** 2 - dot(way, first.out) ** 2));
  const turnsBack = angleBetween(first.out, second.out) < SAME_WAY && aside < 2 * allowed;
  if (!turnsBack && isHoseFound) return undefined;
  const outside = hose.bore.si + 2 * WALL;
  const bendRadius = usualBender.radius * outside;
  const laid = layTube(first, second, line.through, bendRadius, [outside, outside]);
  if (!laid.ok || !laid.value.table.isBendable) return undefined;
  return { why: turnsBack ? 'turnsBack' : 'noHose', outside, bendRadius, tube: laid.value };
}
