import { measured } from '../fields/measured.ts';
import { pumpClasses } from '../pumps/library.ts';
import { bar, inches, kPa, litres, mm } from '../units/quick.ts';
import type { Job } from '../job/job.ts';
import { type Part, partName } from '../parts/kinds.ts';
import { circuitsOf } from '../run/circuits.ts';

/** A run made whole with plain assumptions, to see what a layout would come to before its new parts are measured. */
export interface StoodIn {
  readonly job: Job;
  /** Names of the parts that are reckoned with assumptions, and their ids. */
  readonly assumed: readonly string[];
  readonly ids: readonly string[];
}

const LONG_LINE = 3; // m, tank to engine, typical, from memory
const RAIL = bar(3); // usual multi-point base pressure, common practice
const FLOAT_BOWL = kPa(28); // amid the 21 to 34 kPa that needle and seat hold, common practice
const HOSE = { length: 0.4, bore: mm(8) }; // typical, from memory

/** Fills in what stops the flow from being computed, and only that; what is measured stays. */
export function withStandIns(job: Job): StoodIn {
  const assumed: string[] = [];
  const ids: string[] = [];
  const fill = (part: Part): Part => {
    const standIn = standInsFor(part, job);
    const missing = Object.entries(standIn).filter(
      ([key, value]) => value !== undefined && isMissing((part as unknown as Record<string, unknown>)[key]),
    );
    if (missing.length === 0) return part;
    assumed.push(partName(part));
    ids.push(part.id);
    return { ...part, ...Object.fromEntries(missing) };
  };
  const order = circuitsOf(job).parts.map(fill);
  return { job: { ...job, parts: { ...job.parts, ...Object.fromEntries(order.map((p) => [p.id, p])) } }, assumed, ids };
}

const isMissing = (value: unknown) => value === undefined || (Array.isArray(value) && value.length === 0);

const length = (m: number) => measured(m, 'mm');

function standInsFor(part: Part, job: Job): Record<string, unknown> {
  const wanted =
    job.brief.railPressure ??
    (job.brief.induction === 'carburettor' ? measured(FLOAT_BOWL, 'kPa') : measured(RAIL, 'bar'));
  const depth = job.survey.tank.depth?.si ?? mm(250);
  switch (part.kind) {
    case 'hose':
      return { length: length(HOSE.length), bore: length(HOSE.bore), construction: 'r9' };
    case 'hardLine': {
      const other = circuitsOf(job).parts.find((c) => c.kind === 'hardLine' && c.length);
      const along = other?.kind === 'hardLine' ? other.length!.si : (job.survey.lines[0]?.length?.si ?? LONG_LINE);
      return {
        length: length(along),
        outsideDiameter: measured(inches(3 / 8), 'in'),
        wall: measured(inches(0.035), 'in'),
        material: 'steelCoated',
      };
    }
    case 'pump': {
      const lifts = circuitsOf(job).liftPumps.includes(part.id);
      const carburettor = job.brief.induction === 'carburettor';
      return {
        tables: lifts || carburettor ? pumpClasses.carburettor120 : pumpClasses.injection255,
        inletHeight: part.place === 'external' ? length(0) : undefined,
        ...(part.drive === 'pwm' ? { targetPressure: wanted, sensorExpected: 'rail' } : {}),
      };
    }
    case 'fitting':
      return { shape: 'straight', bore: length(HOSE.bore) };
    case 'checkValve':
      return { bore: length(HOSE.bore) };
    case 'filterRegulator':
    case 'regulator':
      return { action: 'bypass', setPressure: wanted };
    case 'returnDrop':
      return { bore: length(HOSE.bore), length: length(depth), endHeight: length(mm(19)) };
    case 'swirlPot':
      return { volume: measured(litres(1), 'L'), baseHeight: length(depth) };
    case 'enginePump':
      return { inletHeight: length(0) };
    case 'bend':
      return { angle: measured(Math.PI / 2, '°'), centreLineRadius: length(mm(25)), bore: length(HOSE.bore) };
    default:
      return {};
  }
}
