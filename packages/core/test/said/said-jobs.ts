import { rules } from '../../src/checks/rules.ts';
import { snagsOf } from '../../src/checks/snags.ts';
import { demoJobs } from '../../src/demo/index.ts';
import type { Job } from '../../src/job/job.ts';
import { findingsOf } from '../../src/reckoning/findings.ts';
import { sayIn } from '../../src/units/unit-system.ts';
import { fuelLimits } from '../limits/fuel-limits.ts';
import { jointLimits } from '../limits/joint-limits.ts';
import type { Limit } from '../limits/limit.ts';
import { runLimits } from '../limits/run-limits.ts';
import { tankLimits } from '../limits/tank-limits.ts';
import { wiringLimits } from '../limits/wiring-limits.ts';
import { afterRailJob } from '../rule-cases.ts';
import { saidOf, snagLines } from './what-is-said.ts';

const jobs = { ...demoJobs, afterRail: afterRailJob() };
const limits = {
  'over-fuel-limits': fuelLimits,
  'over-joint-limits': jointLimits,
  'over-run-limits': runLimits,
  'over-tank-limits': tankLimits,
  'over-wiring-limits': wiringLimits,
};

/** What a rule says well over its limit, in both systems of units. */
function saidOver({ rule, what, job, to, says }: Limit): string[] {
  const by = rules.filter((r) => r.key === rule);
  const snags = snagsOf(findingsOf(job(to)), by).filter((s) => says?.(s) ?? true);
  return [
    `== ${rule}: ${what}`,
    ...snags.flatMap((s) => [...snagLines(s, sayIn('metric')), ...snagLines(s, sayIn('imperial')).slice(1)]),
    '',
  ];
}

/** Files of what is said, by name, each with how it is made. */
type Said = Readonly<Record<string, () => string[]>>;
const madeBy = <T>(of: Readonly<Record<string, T>>, say: (one: T) => string[]): Said =>
  Object.fromEntries(Object.entries(of).map(([name, one]) => [name, () => say(one)]));

export const saidOfJobs = madeBy(jobs, (job: Job) => saidOf(structuredClone(job)));
export const saidOfLimits = madeBy(limits, (all: readonly Limit[]) => all.flatMap(saidOver));
export const saidFile = (name: string): URL => new URL(`./${name}.txt`, import.meta.url);
