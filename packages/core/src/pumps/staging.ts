import type { ComponentOf } from '../job/component.ts';

/**
 * Whether a staged pump runs while the engine burns `demand` (m3/s) at `manifold` pressure (Pa gauge).
 *
 * A threshold that is not known yet does not hold the pump back: needs ask for it.
 */
export function pumpRuns(
  { runs, startsAtDemand, startsAtBoost }: ComponentOf<'pump'>,
  { demand, manifold }: { demand: number; manifold: number },
): boolean {
  switch (runs ?? 'always') {
    case 'always':
      return true;
    case 'onDemand':
      return startsAtDemand === undefined || demand >= startsAtDemand.si;
    case 'onBoost':
      return startsAtBoost === undefined || manifold >= startsAtBoost.si;
  }
}
