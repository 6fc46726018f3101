import { expect } from 'chai';
import { islandShuttle } from '../demo/island-shuttle.ts';
import { applyAct } from '../acts/apply-act.ts';
import { jobSchema, type Job } from '../job/job.ts';
import { genericAdapters } from '../fittings/adapter-catalogue.ts';
import type { ShelfPart } from '../fittings/stock.ts';
import type { PartOf } from '../parts/kinds.ts';
import { findingsOf } from '../reckoning/findings.ts';
import { hoseAct } from './hose-cure.ts';
import { proposeHose, type HoseSearch } from './hose-proposals.ts';
import { allowedRadius } from './lines.ts';
import { placings } from '../sizing/placing.ts';
import { tubeInstead } from './tube-instead.ts';

const mm = (value: number) => ({ si: value / 1000, unit: 'mm' });
const at = (rearward: number, left: number, up: number) => ({ rearward: mm(rearward), left: mm(left), up: mm(up) });
const hoseEnd = { form: 'hoseEnd', size: '−6', gender: 'male' } as const;

/** The engine hose of the shuttle with screwed ends, its rail port somewhere. */
function withRailAt(place: object): Job {
  const job = structuredClone(islandShuttle);
  const hose = job.parts['hose-2'] as PartOf<'hose'>;
  hose.ports = { in: { fitting: hoseEnd }, out: { fitting: hoseEnd } };
  job.parts['rail-1']!.ports!.in!.place = place;
  expect(jobSchema.safeParse(job).error).to.equal(undefined);
  return job;
}
function search(job: Job, shelf: readonly ShelfPart[] = []): HoseSearch {
  const line = findingsOf(job).routes.lines.find((l) => l.part === 'hose-2')!;
  const steps = proposeHose(job, line, allowedRadius(job.parts['hose-2'] as PartOf<'hose'>)!, shelf);
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
    expect(step.value.done).to.be.below(step.value.of);
  }
}
const across = { ...at(-700, 160, 660), heading: { si: 0, unit: '°' } };
const corner = { ...at(-640, 380, 760), tilt: { si: -Math.PI / 2, unit: '°' } };

describe('ways to make a hose', () => {
  it('keep their radius as they are cut, are no shorter than they may be, and take as an act', function () {
    const job = withRailAt(corner);
    const { proposals } = search(job);
    expect(proposals.length).to.be.above(0);
    const allowed = allowedRadius(job.parts['hose-2'] as PartOf<'hose'>)!;
    for (const p of proposals) {
      expect(p.leastRadius).to.be.at.least(allowed);
      expect(p.cut).to.be.at.least(p.shortest);
      const made = applyAct(job, hoseAct('hose-2', p, 'so'));
      const line = findingsOf(made).routes.lines.find((l) => l.part === 'hose-2')!;
      // the search looks in fewer steps than what is told afterwards
      expect(line.hose!.laid!.leastRadius / p.leastRadius).to.be.closeTo(1, 1e-3);
    }
  });
  it('take what lies on the shelf first', function () {
    const job = withRailAt(corner);
    const bent = genericAdapters().find(
      (a) =>
        a.shape === 'hoseEnd' &&
        Math.abs(a.angle - Math.PI / 2) < 1e-6 &&
        a.ports.some((p) => p.form === 'hoseEnd' && p.size === '−6'),
    )!;
    const first = (shelf: readonly ShelfPart[]) => search(job, shelf).proposals.map((p) => p.onShelf)[0];
    expect([first([]), first([{ adapter: bent, count: 2 }])! > 0]).to.deep.equal([0, true]);
  });
  it('a close turn back is better bent of tube, and what it would be', () => {
    const job = withRailAt({ ...at(-460, 420, 480), heading: { si: Math.PI, unit: '°' } });
    job.parts['hard-line-1']!.ports!.out!.place = {
      ...at(-450, 380, 480),
      heading: { si: Math.PI, unit: '°' },
    };
    const line = findingsOf(job).routes.lines.find((l) => l.part === 'hose-2')!;
    const turned = {
      ...line,
      mouths: [line.mouths[0], { at: [-0.45, 0.46, 0.48], out: line.mouths[0]!.out }] as const,
    };
    const tube = tubeInstead(turned, job.parts['hose-2'] as PartOf<'hose'>, 0.0715, true)!;
    expect(tube.why).to.equal('turnsBack');
    // two square bends on three outsides of a 9.8 mm tube
    expect(tube.bendRadius).to.be.closeTo(3 * 0.0098, 1e-9);
    expect(tube.tube.table.bends.reduce((a, b) => a + b, 0)).to.be.closeTo(Math.PI, 1e-6);
    expect(tubeInstead(line, job.parts['hose-2'] as PartOf<'hose'>, 0.02, true)).to.equal(undefined);
  });
  it('an S as it is needs only its length', () => {
    const { proposals } = search(withRailAt(across));
    expect(proposals[0]).to.deep.include({ startEnd: 0, finishEnd: 0, tooNear: 0 });
  });
});

describe('where to put a part', () => {
  it('tells heights, metres, heat and reach of each place, and solves the run there', () => {
    const [wheel, gearbox] = [...placings(islandShuttle)];
    expect(wheel!.overFloor).to.be.closeTo(0.2, 1e-9);
    expect(wheel!.overOutlet).to.be.closeTo(0.2 - 0.28, 1e-9);
    // along the axes to the end of the feed line
    expect(wheel!.lines).to.be.closeTo(4.5 + 0.17 + 0.06, 1e-9);
    expect([wheel!.isReached, gearbox!.isReached, gearbox!.isInCabin, gearbox!.isInDebris]).to.deep.equal([
      true,
      false,
      false,
      false,
    ]);
    expect(gearbox!.pumpMargin).to.be.above(wheel!.pumpMargin!); // less line
    expect(wheel!.heat).to.be.closeTo(Math.hypot(0.55 + 0.39, 0.42 - 0.2254) - 0.032, 5e-3);
  });
});
