import type { Job } from '../job.ts';
import type { LayoutKey } from '../layout.ts';

export type RegulatorPlace = 'tank' | 'beforeRail' | 'afterRail';

/** As in "move the regulator …". */
export const regulatorPlaces: Record<RegulatorPlace, string> = {
  tank: 'to the tank',
  beforeRail: 'before the rail',
  afterRail: 'behind the rail',
};

const layoutOf: Record<RegulatorPlace, LayoutKey> = {
  tank: 'bypassAtTank',
  beforeRail: 'bypassBeforeRail',
  afterRail: 'bypassAfterRail',
};

/** Where a bypass regulator stands; undefined for a regulator that is none, or that feeds a carburettor. */
export function regulatorPlace(job: Job, id: string): RegulatorPlace | undefined {
  const { supply } = job.run;
  const at = supply.findIndex((c) => c.id === id);
  const rail = supply.findIndex((c) => c.kind === 'rail');
  const component = supply[at];
  if (component?.kind !== 'regulator' || component.action !== 'bypass' || rail < 0) return undefined;
  if (at > rail) return 'afterRail';
  return at <= firstLine(job, id) ? 'tank' : 'beforeRail';
}

/**
 * Moves a bypass regulator: behind the pump and the filter that follow it in the tank or beside it, before the last hose to
 * the rail, or behind the rail. By the tank nothing can lead manifold pressure to it. The rest of the run stays.
 */
export function moveRegulator(job: Job, id: string, to: RegulatorPlace): Job {
  const regulator = job.run.supply.find((c) => c.id === id);
  if (regulator?.kind !== 'regulator' || regulatorPlace(job, id) === undefined) return job;
  const supply = job.run.supply.filter((c) => c.id !== id);
  const rest: Job = { ...job, run: { ...job.run, supply } };
  const rail = supply.findIndex((c) => c.kind === 'rail');
  const index = {
    tank: () => firstLine(rest, id),
    beforeRail: () => (supply[rail - 1]?.kind === 'hose' && rail - 1 > firstLine(rest, id) ? rail - 1 : rail),
    afterRail: () => rail + 1,
  }[to]();
  const moved = to === 'tank' ? { ...regulator, referenced: false } : regulator;
  return {
    ...job,
    layout: { ...job.layout, key: layoutOf[to] },
    run: { ...job.run, supply: supply.toSpliced(index, 0, moved) },
  };
}

/** Place of the first line that leads away from the tank: behind the pumps, what is immersed, and a filter right there. */
function firstLine(job: Job, regulator: string): number {
  const { supply } = job.run;
  let at = supply.findLastIndex((c) => c.kind === 'pump') + 1;
  const isByTank = (c: (typeof supply)[number]) =>
    (c.kind === 'hose' && c.immersed === true) ||
    c.kind === 'filter' ||
    c.kind === 'checkValve' ||
    c.kind === 'fitting';
  while (at < supply.length && supply[at]!.id !== regulator && isByTank(supply[at]!)) at++;
  return at;
}
