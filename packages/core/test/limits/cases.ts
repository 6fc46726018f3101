import { demoJobs } from '../../src/demo/index.ts';
import type { Hanger } from '../../src/job/hanger.ts';
import type { Job } from '../../src/job/job.ts';
import type { PartOf } from '../../src/parts/kinds.ts';
import type { Snag } from '../../src/checks/snag.ts';
import { changed, cleanJob, get } from '../rule-cases.ts';

// Demo jobs with one thing changed, as the limits need them.
export const si = (value: number, unit = 'mm') => ({ si: value, unit });
export const pickup = (change: (job: Job) => void) => changed(demoJobs.rescuePickup, change);
export const tender = (change: (job: Job) => void) => changed(demoJobs.flatBedTender, change);
export const hanger = (change: Partial<Hanger>) => cleanJob((j) => (j.hanger = { ...j.hanger, ...change }));
export const rigid = (stack: number) => hanger({ hold: 'rigid', stack: si(stack) });
export const shuttle = (change: (job: Job) => void) => changed(demoJobs.islandShuttle, change);
export const saddle = (change: Partial<Hanger>) => tender((j) => (j.hanger = { ...j.hanger, ...change }));
export const line = (change: Partial<PartOf<'hardLine'>>) => cleanJob((j) => Object.assign(get(j, 'hardLine'), change));
export const ethanol = (share: number, change: (job: Job) => void) =>
  cleanJob((j) => {
    j.brief.ethanol = si(share, '%');
    change(j);
  });
/** A water test that found 85 %. */
export const tested = { testWater: si(20e-6, 'mL'), testFuel: si(100e-6, 'mL'), testBoundary: si(105e-6, 'mL') };
export const says = (words: RegExp) => (snag: Snag) => words.test(snag.what);
export const grade = (wanted: Snag['grade']) => (snag: Snag) => snag.grade === wanted;
export const row = (j: Job, rows: 'devices' | 'wires', id: string) =>
  j.wiring![rows]!.find((r) => r.id === id)! as unknown as Record<string, unknown>;
