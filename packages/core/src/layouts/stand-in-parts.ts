import { componentName, type Component } from '../job/component.ts';
import type { Job } from '../job/job.ts';
import { measured } from '../job/measured.ts';
import { pumpClasses } from '../pumps/library.ts';
import { bar, inches, litres, mm } from '../units/quick.ts';

/** A run made whole with plain assumptions, to see what a layout would come to before its new parts are measured. */
export interface StoodIn {
  readonly job: Job;
  /** Names of the parts that are reckoned with assumptions. */
  readonly assumed: readonly string[];
}

const LONG_LINE = 3; // m, tank to engine, typical, from memory
const HOSE = { length: 0.4, bore: mm(8) }; // typical, from memory

/** Fills in what stops the flow from being computed, and only that; what is measured stays. */
export function withStandIns(job: Job): StoodIn {
  const assumed: string[] = [];
  const fill = (component: Component): Component => {
    const standIn = standInsFor(component, job);
    const missing = Object.entries(standIn).filter(
      ([key, value]) => value !== undefined && isMissing((component as unknown as Record<string, unknown>)[key]),
    );
    if (missing.length === 0) return component;
    assumed.push(componentName(component));
    return { ...component, ...Object.fromEntries(missing) };
  };
  return {
    job: { ...job, run: { ...job.run, supply: job.run.supply.map(fill), return: job.run.return.map(fill) } },
    assumed,
  };
}

const isMissing = (value: unknown) => value === undefined || (Array.isArray(value) && value.length === 0);

const length = (m: number) => measured(m, 'mm');

function standInsFor(component: Component, job: Job): Record<string, unknown> {
  const wanted = job.brief.railPressure ?? measured(bar(3), 'bar');
  const depth = job.survey.tank.depth?.si ?? mm(250);
  switch (component.kind) {
    case 'hose':
      return { length: length(HOSE.length), bore: length(HOSE.bore), construction: 'r9' };
    case 'hardLine': {
      const other = [...job.run.supply, ...job.run.return].find((c) => c.kind === 'hardLine' && c.length);
      const along = other?.kind === 'hardLine' ? other.length!.si : (job.survey.lines[0]?.length?.si ?? LONG_LINE);
      return {
        length: length(along),
        outsideDiameter: measured(inches(3 / 8), 'in'),
        wall: measured(inches(0.035), 'in'),
        material: 'steelCoated',
      };
    }
    case 'pump': {
      const lifts = job.run.supply.indexOf(component) < job.run.supply.findIndex((c) => c.kind === 'swirlPot');
      const carburettor = job.brief.induction === 'carburettor';
      return {
        tables: lifts || carburettor ? pumpClasses.carburettor120 : pumpClasses.injection255,
        inletHeight: component.place === 'external' ? length(0) : undefined,
        ...(component.drive === 'pwm' ? { targetPressure: wanted, sensorExpected: 'rail' } : {}),
      };
    }
    case 'fitting':
      return { shape: 'straight', bore: length(HOSE.bore) };
    case 'checkValve':
      return { bore: length(HOSE.bore) };
    case 'regulator':
      return { action: 'bypass', setPressure: wanted };
    case 'returnDrop':
      return { bore: length(HOSE.bore), length: length(depth), endHeight: length(mm(19)) };
    case 'swirlPot':
      return { volume: measured(litres(1), 'L'), baseHeight: length(depth) };
    case 'pressureSensor':
      return { onRail: true };
    default:
      return {};
  }
}
