import type { Job } from '../job/job.ts';
import { tankValue } from '../job/tank.ts';
import { assumed } from '../job/assumption.ts';
import { STANDARD_GRAVITY } from '../hydraulics/network.ts';
import { hasVentLine } from './air-path.ts';
import { hasVentValve, tankVacuum } from './tank-vacuum.ts';
import { ventDrop, ventFlow, ventValue } from './vent-flow.ts';

/** What the vent does while the engine draws and while the tank is filled. */
export interface VentFindings {
  /** Pa below atmosphere at the largest draw; absent until the demand is known. */
  readonly vacuum?: number;
  readonly draw?: number;
  /** m3/s at which fuel goes in without standing up the neck, and seconds from empty to where the nozzle stops. */
  readonly fillFlow?: number;
  readonly fillTime?: number;
  /** Pa in the tank while it fills at that flow. */
  readonly fillPressure?: number;
  /** The vent, not the nozzle, sets the pace. */
  readonly ventLimits: boolean;
  /** The valve leans past where it shuts. */
  readonly valveShut: boolean;
}

/** Undefined while bore or length of the vent are unmeasured, or there is none. */
export function ventFindings(
  job: Job,
  known: { demand?: number; density?: number; full?: number; top?: number },
): VentFindings | undefined {
  const { vent, tank } = job.survey;
  if (!vent?.bore || !vent.length || !hasVentLine(tank)) return undefined;
  const valve = hasVentValve(job.survey);
  const atmosphere = assumed(job.assumptions, 'atmosphere');
  const valveShut = valve && vent.valveTilt !== undefined && vent.valveTilt.si > ventValue(vent, 'valveShutsAt');
  const vacuum = known.demand === undefined ? undefined : tankVacuum(job.survey, known.demand, atmosphere);
  const base = { vacuum, draw: known.demand, ventLimits: false, valveShut };
  const neck = tank.fillerHeight?.si;
  if (neck === undefined || known.top === undefined || known.full === undefined || known.density === undefined)
    return base;
  // fuel stands up the neck when the air under it cannot get away: the neck's head over a full tank drives the vent
  const head = known.density * STANDARD_GRAVITY * Math.max(0, neck - known.top);
  const nozzle = ventValue(vent, 'fillFlow');
  const most = ventFlow(vent, valve, head, atmosphere);
  const fillFlow = Math.min(nozzle, most);
  const volume = known.full * tankValue(tank, 'fillShare');
  return {
    ...base,
    fillFlow,
    fillTime: fillFlow > 0 ? volume / fillFlow : undefined,
    fillPressure: ventDrop(vent, valve, fillFlow, atmosphere),
    ventLimits: most < nozzle,
  };
}
