import type { ThreadReading } from '../../src/threads/thread-reading.ts';
import { mm } from '../../src/units/quick.ts';
import { rules } from '../../src/checks/rules.ts';
import { snagsOf } from '../../src/checks/snags.ts';
import { demoJobs } from '../../src/demo/index.ts';
import type { Job } from '../../src/job/job.ts';
import { findingsOf } from '../../src/reckoning/findings.ts';
import { sayIn } from '../../src/units/unit-system.ts';
import { filled } from '../filled.ts';
import { fuelLimits } from '../limits/fuel-limits.ts';
import { jointLimits } from '../limits/joint-limits.ts';
import type { Limit } from '../limits/limit.ts';
import { runLimits } from '../limits/run-limits.ts';
import { tankLimits } from '../limits/tank-limits.ts';
import { wiringLimits } from '../limits/wiring-limits.ts';
import { afterRailJob, changed } from '../rule-cases.ts';
import { saidOfActs, saidOfLayouts } from './what-acts-do.ts';
import { saidOfRoutes } from './what-routes-say.ts';
import { saidOf, saidOfReading, snagLines } from './what-is-said.ts';

/** A job whose wires are all too thin. */
const thinWired = (job: Job): Job =>
  changed(job, ({ wiring }) => {
    for (const wire of wiring!.wires!) if (wire.area) wire.area = { si: 0.35e-6, unit: 'mm²' };
  });

/** Threads as a fitter reads them: each gender, with the pitch by crests, gauge and count, the look known or not, new and worn. */
const readings: readonly ThreadReading[] = [9.4, 12.9, 13.1, 14.1, 15.8, 18.9, 20.8, 26.3].flatMap((diameter) =>
  (['male', 'female'] as const).flatMap((gender): ThreadReading[] => [
    { gender, diameter: mm(diameter), pitch: { by: 'crests', crests: 8, over: mm(9.9) }, taper: false },
    { gender, diameter: mm(diameter), pitch: { by: 'gauge', pitch: mm(1.411) }, seen: 'cone' },
    { gender, diameter: mm(diameter), pitch: { by: 'count', count: 9, over: mm(12.7) }, taper: true },
    { gender, diameter: mm(diameter), error: mm(0.1), pitch: { by: 'unknown' } },
  ]),
);
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

export const saidOfJobs: Said = {
  ...madeBy(demoJobs, (job: Job) => saidOf(structuredClone(job))),
  'after-rail': () => saidOf(afterRailJob(), ['snags', 'run', 'findings']),
  'filled-tender': () => saidOf(filled(demoJobs.flatBedTender), ['sheets', 'joints']),
  'thin-wired-pickup': () => saidOf(thinWired(demoJobs.rescuePickup), ['snags', 'circuit']),
};
export const saidOfDeeds: Said = {
  layouts: () => [demoJobs.mailVan, demoJobs.rescuePickup, demoJobs.beachBuggy].flatMap(saidOfLayouts),
  acts: () =>
    Object.entries(demoJobs).flatMap(([name, job], i) => [
      `== ${name}`,
      ...saidOfActs(structuredClone(job), i + 1),
      '',
    ]),
};
export const saidOfWays: Said = {
  'shuttle-routes': () => saidOfRoutes(demoJobs.islandShuttle, 7),
};
export const saidOfThreads: Said = { threads: () => readings.flatMap(saidOfReading) };
export const saidOfLimits = madeBy(limits, (all: readonly Limit[]) => all.flatMap(saidOver));
/** All of it, by the name of its file. */
export const allSaid: Said = { ...saidOfJobs, ...saidOfLimits, ...saidOfThreads, ...saidOfDeeds, ...saidOfWays };
export const saidFile = (name: string): URL => new URL(`./${name}.txt`, import.meta.url);
