import { expect } from 'chai';
import { changed, cleanJob, get, snagsOfRule, type ReadSnag } from '../../../test/rule-cases.ts';
import { demoJobs } from '../../demo/index.ts';
import type { Job } from '../../job/job.ts';

const mm = (value: number) => ({ si: value / 1000, unit: 'mm' });
const said = (job: Job, rule: string, text: (snag: ReadSnag) => string): string[] => snagsOfRule(job, rule).map(text);

describe('a snag says what goes for its case', () => {
  it('velocity: a return foams, a suction boils, a feed loses', () => {
    const why = (job: Job) => said(job, 'velocity-high', (s) => s.why).join(' ');
    expect(why(cleanJob((j) => (get(j, 'hose', 2).bore = mm(5))))).to.match(/foams/);
    expect(why(cleanJob((j) => (get(j, 'hose', 1).bore = mm(1.7))))).to.match(/^Loss goes/);
    expect(why(changed(demoJobs.rescuePickup, (j) => (get(j, 'hose', 1).bore = mm(5))))).to.match(/close to boiling/);
  });
  it('a hose: injection hose up to 690 kPa, PTFE over it', () => {
    const on = (kilopascals: number) =>
      cleanJob((j) => {
        get(j, 'hose', 1).construction = 'r7';
        get(j, 'pump').reliefPressure = { si: kilopascals * 1000, unit: 'kPa' };
        get(j, 'regulator').setPressure = { si: kilopascals * 1000, unit: 'kPa' };
      });
    const cure = (job: Job) => snagsOfRule(job, 'hose-below-pressure').find((s) => s.part === 'hose-2')!;
    expect(cure(on(400))).to.deep.include({ actLabel: 'Use SAE 30R9' });
    expect(cure(on(400)).act).to.deep.include({ value: 'r9' });
    const much = cleanJob((j) => {
      get(j, 'hose').construction = 'r7';
      get(j, 'hose').immersed = false;
      delete get(j, 'pump').reliefPressure;
    });
    const high = snagsOfRule(much, 'hose-below-pressure').find((s) => s.part === 'hose-1')!;
    expect(high).to.deep.include({ actLabel: 'Use PTFE-lined hose' });
    expect(high.act).to.deep.include({ value: 'ptfe' });
  });
  it('a plate: holes that break into its own, or too near its rim', () => {
    const what = (change: object) =>
      said(
        cleanJob((j) => Object.assign(j.hanger!, change)),
        'plate-crowded',
        (s) => s.what,
      );
    expect(what({ boltCircle: mm(124) })).to.deep.equal(['The stud holes break into the hole of the plate.']);
    expect(what({ plateOutside: mm(150) })).to.deep.equal(['The stud holes lie too near the plate’s rim.']);
  });
  it('a tank that warms: by the engine’s heat or by what the pump puts in', () => {
    const cure = (job: Job) => said(job, 'fuel-overheats', (s) => s.cure).join();
    expect(cure(demoJobs.rescuePickup)).to.match(/smaller or a controlled pump/);
  });
  it('a line, a return or a tank that is not measured through raises nothing', () => {
    for (const key of ['material', 'wall', 'outsideDiameter'] as const)
      expect(
        said(
          cleanJob((j) => delete get(j, 'hardLine')[key]),
          'line-below-pressure',
          (s) => s.what,
        ),
        key,
      ).to.deep.equal([]);
    expect(
      said(
        cleanJob((j) => {
          delete j.hanger;
          delete get(j, 'returnDrop').pickupDistance;
        }),
        'return-end',
        (s) => s.what,
      ),
    ).to.deep.equal([]);
    expect(
      said(
        cleanJob((j) => delete j.survey.tank.capacity),
        'tank-shape',
        (s) => s.what,
      ),
    ).to.deep.equal([]);
  });
  it('a multiplier is no matter of diesel', () => {
    const diesel = cleanJob((j) =>
      Object.assign(j.brief, { fuel: 'diesel', quotedMultiplier: { si: 1.32, unit: '' } }),
    );
    expect(snagsOfRule(diesel, 'wrong-multiplier')).to.deep.equal([]);
  });
});
