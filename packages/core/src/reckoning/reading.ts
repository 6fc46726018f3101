import { partsOnRun } from '../parts/graph.ts';
import type { Job } from '../job/job.ts';
import { partName, type Part, type PartKind, type PartOf } from '../parts/kinds.ts';
import type { Findings } from './findings.ts';
import { circuitsOf, type Circuits } from '../run/circuits.ts';
import { pointKeys, type PointKey } from '../run/operating-point.ts';
import type { PartFlow } from '../run/point-result.ts';

/** Shared readings that several rules take from findings. */

export const circuits = (job: Job): Circuits => circuitsOf(job);

export const partsOfKind = <K extends PartKind>(job: Job, ...kinds: K[]): PartOf<K>[] =>
  circuitsOf(job).parts.filter((p): p is PartOf<K> & Part => (kinds as PartKind[]).includes(p.kind));

export const quoted = (part: Part): string => `“${partName(part)}”`;

/** The same by its id, for findings that know no more. */
export const quotedId = (job: Job, id: string): string => (job.parts[id] ? quoted(job.parts[id]) : `“${id}”`);

export const hasRun = (job: Job): boolean => partsOnRun(job).length > 0;

export const flowOf = (findings: Findings, point: PointKey, id: string): PartFlow | undefined =>
  findings.solution?.points[point]?.parts.find((c) => c.id === id);

/** Highest pressure that a part sees at any operating point, Pa gauge. */
export function highestPressure(findings: Findings, id: string): number | undefined {
  const flows = pointKeys.map((p) => flowOf(findings, p, id)).filter((f) => f !== undefined);
  return flows.length === 0 ? undefined : Math.max(...flows.flatMap((f) => [f.inletPressure, f.outletPressure]));
}

/** The same, or the dead-head pressure where a blocked line would let it reach: what a part must survive. */
export function worstPressure(findings: Findings, id: string): number | undefined {
  const running = highestPressure(findings, id);
  if (running === undefined) return undefined;
  const deadHead = circuitsOf(findings.job).seesDeadHead(id) ? (findings.solution!.deadHead.at[id] ?? 0) : 0;
  return Math.max(running, deadHead);
}

/** Share of ethanol up to which what is not made for it is met in practice: E10; common practice. */
export const MILD_BLEND = 0.1;

export const ethanolShare = (job: Job): number => (job.brief.fuel === 'petrol' ? (job.brief.ethanol?.si ?? 0) : 0);
