import { componentName, type Component, type ComponentKind, type ComponentOf } from '../job/component.ts';
import type { Job, Line } from '../job/job.ts';
import type { Findings } from '../run/findings.ts';
import { isOnSuction } from '../run/suction-side.ts';
import { pointKeys, type PointKey } from '../run/operating-point.ts';
import type { ComponentFlow } from '../run/solve-run.ts';

/** Shared readings that several rules take from findings. */

export interface Placed<C extends Component = Component> {
  readonly component: C;
  readonly line: Line;
  readonly index: number;
}

export const placed = (job: Job): Placed[] =>
  (['supply', 'return'] as const).flatMap((line) =>
    job.run[line].map((component, index) => ({ component, line, index })),
  );

export const placedOf = <K extends ComponentKind>(job: Job, kind: K): Placed<ComponentOf<K>>[] =>
  placed(job).filter((p): p is Placed<ComponentOf<K>> => p.component.kind === kind);

export const quoted = (component: Component): string => `“${componentName(component)}”`;

/** Place of the first pump in the supply, or −1. */
export const pumpIndex = (job: Job): number => job.run.supply.findIndex((c) => c.kind === 'pump');

/** On a suction: fuel comes from the tank or from a swirl pot, and a pump follows. */
export const isBeforePump = (job: Job, { line, index }: Placed): boolean =>
  line === 'supply' && isOnSuction(job.run.supply, index);

/** Between the pump and the first regulator: a blocked line there sees the pump's dead-head pressure. */
export function isPumpSide(job: Job, place: Placed): boolean {
  const regulator = job.run.supply.findIndex((c) => c.kind === 'regulator');
  return isPressureSide(job, place) && (regulator < 0 || place.index < regulator);
}

/** After the pump on the supply side, whatever the regulator does. */
export const isPressureSide = (job: Job, place: Placed): boolean =>
  place.line === 'supply' && pumpIndex(job) >= 0 && place.index > pumpIndex(job) && !isBeforePump(job, place);

export const flowOf = (findings: Findings, point: PointKey, id: string): ComponentFlow | undefined =>
  findings.solution?.points[point]?.components.find((c) => c.id === id);

/** Highest pressure that a component sees at any operating point, Pa gauge. */
export function highestPressure(findings: Findings, id: string): number | undefined {
  const flows = pointKeys.map((p) => flowOf(findings, p, id)).filter((f) => f !== undefined);
  return flows.length === 0 ? undefined : Math.max(...flows.flatMap((f) => [f.inletPressure, f.outletPressure]));
}

/** The same, or the dead-head pressure where a blocked line would let it reach: what a part must survive. */
export function worstPressure(findings: Findings, place: Placed): number | undefined {
  const running = highestPressure(findings, place.component.id);
  if (running === undefined) return undefined;
  const deadHead = isPumpSide(findings.job, place) ? (findings.solution!.deadHead.at[place.component.id] ?? 0) : 0;
  return Math.max(running, deadHead);
}

/** Pressure on which injection hose and clamps are expected. */
export const INJECTION_PRESSURE = 150e3; // Pa; between the carburettor's and the lowest multi-point pressure, common practice

export const ethanolShare = (job: Job): number => (job.brief.fuel === 'petrol' ? (job.brief.ethanol?.si ?? 0) : 0);
