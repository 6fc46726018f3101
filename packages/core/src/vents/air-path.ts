import type { SurveyedTank } from '../job/tank.ts';

/** A line leads from the tank to the air or to a canister. Breathers tied to one another lead nowhere. */
export const hasVentLine = ({ vent }: Pick<SurveyedTank, 'vent'>): boolean =>
  vent === 'open' || vent === 'rollOver' || vent === 'canister';

/** By what air follows the fuel that is burnt; undefined while nobody has said. */
export function airPath(tank: Pick<SurveyedTank, 'vent' | 'cap'>): 'line' | 'cap' | 'none' | undefined {
  if (hasVentLine(tank)) return 'line';
  if (tank.cap === 'vented') return 'cap';
  return tank.vent && tank.cap ? 'none' : undefined;
}
