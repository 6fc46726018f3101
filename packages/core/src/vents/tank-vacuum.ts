import type { Survey } from '../job/survey.ts';
import { tankValue } from '../job/tank.ts';
import { airPath } from './air-path.ts';
import { ventDrop } from './vent-flow.ts';

/** A roll-over valve stands in the vent line. */
export const hasVentValve = ({ tank }: Pick<Survey, 'tank'>): boolean =>
  tank.vent === 'rollOver' || tank.vent === 'canister';

/**
 * How far below the atmosphere the tank is drawn while air has to follow the fuel that is burnt, Pa: through its vent line, or
 * through a vented cap that opens at some vacuum. Undefined while the line is unmeasured, or where no air comes in at all.
 *
 * @param burnt - m3/s.
 */
export function tankVacuum(
  survey: Pick<Survey, 'tank' | 'vent'>,
  burnt: number,
  atmosphere: number,
): number | undefined {
  const { vent, tank } = survey;
  const path = airPath(tank);
  if (path === 'cap') return burnt > 0 ? tankValue(tank, 'capOpensAt') : 0;
  if (path !== 'line' || !vent?.bore || !vent.length) return undefined;
  return ventDrop(vent, hasVentValve(survey), burnt, atmosphere);
}
