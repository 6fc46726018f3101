import type { Measured } from '../fields/measured.ts';

/** What decides when a pump runs. */
export interface Staging {
  readonly runs?: 'always' | 'onDemand' | 'onBoost';
  readonly startsAtDemand?: Measured;
  readonly startsAtBoost?: Measured;
}

/**
 * Whether a staged pump runs while the engine burns `demand` (m3/s) at `manifold` pressure (Pa gauge).
 *
 * A threshold that is not known yet does not hold the pump back: needs ask for it.
 */
export function pumpRuns(
  { runs, startsAtDemand, startsAtBoost }: Staging,
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
