import type { Job } from '../job/job.ts';
import { tankValue, type SurveyedTank } from '../job/tank.ts';
import type { StrappingTable } from './strapping-table.ts';
import type { TankOutcome } from './surveyed-tank.ts';
import type { TankFault } from './tank-fault.ts';

/** Litres of the surveyed tank. m3; levels above the tank floor. */
export interface TankFindings {
  readonly needs: readonly (keyof SurveyedTank)[];
  readonly fault?: TankFault;
  readonly table?: StrappingTable;
  readonly full?: number;
  readonly bottom?: number;
  readonly top?: number;
  /** What it holds when the nozzle stops, and the room left over it. */
  readonly filled?: number;
  readonly ullage?: number;
  /** full / plate capacity; absent while either is unknown. */
  readonly ofCapacity?: number;
  readonly canTilt: boolean;
}

export function tankFindings(job: Job, outcome: TankOutcome): TankFindings {
  if (outcome.kind === 'needs') return { needs: outcome.needs, canTilt: false };
  if (outcome.kind === 'fault') return { needs: [], fault: outcome.fault, canTilt: false };
  const { table, full, bottom, top, solids } = outcome.tank;
  const { capacity } = job.survey.tank;
  const filled = full * tankValue(job.survey.tank, 'fillShare');
  return {
    needs: [],
    table,
    full,
    bottom,
    top,
    filled,
    ullage: full - filled,
    ofCapacity: capacity && capacity.si > 0 ? full / capacity.si : undefined,
    canTilt: solids !== undefined,
  };
}
