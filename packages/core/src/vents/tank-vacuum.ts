import type { Survey } from '../job/survey.ts';
import { ventDrop } from './vent-flow.ts';

/** A roll-over valve stands in the vent line. */
export const hasVentValve = ({ tank }: Pick<Survey, 'tank'>): boolean =>
  tank.vent === 'rollOver' || tank.vent === 'canister';

/**
 * How far below the atmosphere the tank is drawn while air has to follow the fuel that is burnt, Pa; undefined while bore or length
 * of its vent are unmeasured, or there is none.
 *
 * @param burnt - m3/s.
 */
export function tankVacuum(
  survey: Pick<Survey, 'tank' | 'vent'>,
  burnt: number,
  atmosphere: number,
): number | undefined {
  const { vent, tank } = survey;
  if (!vent?.bore || !vent.length || !tank.vent || tank.vent === 'none') return undefined;
  return ventDrop(vent, hasVentValve(survey), burnt, atmosphere);
}
