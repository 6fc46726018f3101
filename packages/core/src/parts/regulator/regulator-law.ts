import type { LinkLaw } from '../../hydraulics/network.ts';
import type { Measured } from '../../fields/measured.ts';
import type { Say } from '../../units/unit-system.ts';
import { litresPerHour } from '../../units/quick.ts';
import { settled } from '../define-part.ts';
import type { Moment } from '../lower.ts';
import { regulatorProperties } from './regulator-properties.ts';

const LEAST_SLOPE = 1e5; // Pa s/m3, 3 Pa per 100 L/h: keeps the equations regular where both sides are held

/** What of a regulator decides its law. */
export interface RegulatorFacts {
  readonly action?: 'bypass' | 'deadHead';
  readonly setPressure?: Measured;
  readonly referenced?: boolean;
  readonly slope?: Measured;
  readonly setAt?: 'spring' | 'heldOn' | 'idle';
  readonly seatBore?: Measured;
  readonly seatLoss?: Measured;
}

/** The law of a regulator, which follows the manifold where its reference hose does. */
export function regulatorLaw(part: RegulatorFacts & { readonly id: string }): (moment: Moment) => LinkLaw {
  const kind = part.action === 'bypass' ? 'bypassRegulator' : 'deadHeadRegulator';
  const slope = Math.max(settled(regulatorProperties.slope, part.slope) / litresPerHour(100), LEAST_SLOPE);
  const bore = settled(regulatorProperties.seatBore, part.seatBore);
  const k = settled(regulatorProperties.seatLoss, part.seatLoss);
  const sense = part.action === 'bypass' ? 1 : -1; // a dead-head one falls with flow
  return (moment) => ({
    kind,
    // it reads its pressure at the flow that it was set with: at none it opens by that much of its slope from there
    set: Math.max(
      0,
      part.setPressure!.si -
        sense * slope * (moment.setFlow?.(part.id) ?? 0) +
        (part.referenced ? moment.point.manifold : 0),
    ),
    slope,
    bore,
    k,
  });
}

/** A regulator in the words of the parts list. */
export const regulatorWords = (
  { action, setPressure, referenced }: RegulatorFacts,
  say: Say,
): (string | undefined | false)[] => [
  action === 'bypass' ? 'bypass regulator' : action === 'deadHead' ? 'dead-head regulator' : 'regulator',
  setPressure && `set to ${say('pressure', setPressure.si)}`,
  referenced && 'manifold reference',
];
