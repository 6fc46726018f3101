import { expect } from 'chai';
import fc from 'fast-check';
import { demoJobs } from '../demo/index.ts';
import type { FieldPath } from '../fields/field-path.ts';
import { findingsOf } from '../reckoning/findings.ts';
import { casesOf, seedOf } from '../../test/search.ts';
import { JobLaws } from './job-laws.ts';

/** Of every root that a run depends on: measurements of parts, what it is solved at, and what is built into its heights. */
const varied: Partial<Record<keyof typeof demoJobs, FieldPath[]>> = {
  mailVan: [
    ['parts', 'hose-2', 'length'],
    ['parts', 'hose-2', 'bore'],
    ['brief', 'power'],
    ['parts', 'regulator-1', 'setPressure'],
  ],
  rescuePickup: [
    ['parts', 'hose-2', 'length'],
    ['wiring', 'wires', 'wire-20', 'length'],
    ['brief', 'power'],
  ],
  flatBedTender: [
    ['survey', 'railHeight'],
    ['survey', 'tank', 'depth'],
    ['parts', 'hose-1', 'length'],
  ],
};

describe('the laws of a job over numbers that vary', () => {
  for (const [key, paths] of Object.entries(varied))
    it(`${key}: say what the findings say, whatever was asked before`, () => {
      const job = findingsOf(demoJobs[key as keyof typeof demoJobs]).job;
      const laws = new JobLaws(job, paths);
      const own = laws.values;
      const share = fc.double({ min: 0.9, max: 1.1, noNaN: true });
      fc.assert(
        fc.property(fc.array(share, { minLength: own.length, maxLength: own.length }), (shares) => {
          const sample = laws.at(own.map((v, i) => v * shares[i]!));
          const found = findingsOf(sample.job);
          const near = (a: number | undefined, b: number | undefined, what: string) => {
            if (b === undefined) return expect(a, what).to.equal(undefined);
            // two ways to one solution, each left over by 1e-6 kPa and L/h, and wired voltages settled to 1 mV
            return expect(a, what).to.be.closeTo(b, 1e-4 * Math.max(1, Math.abs(b)));
          };
          const idle = sample.point('idle');
          near(idle?.ok ? idle.value.railPressure : undefined, found.solution?.points.idle.railPressure, 'rail');
          const solved = sample.solution();
          expect(solved?.ok, 'solved').to.equal(found.solution !== undefined);
          if (!solved?.ok) return;
          near(solved.value.margin?.margin, found.solution!.margin?.margin, 'margin');
          solved.value.points.fullLoad.parts.forEach((part, i) =>
            near(part.voltage, found.solution!.points.fullLoad.parts[i]!.voltage, `V of ${part.id}`),
          );
          const tank = sample.tank();
          near(tank.kind === 'known' ? tank.tank.full : undefined, found.tank.full, 'tank');
          near(sample.drive()?.heat.pumps, found.drive?.heat.pumps, 'drive');
          near(sample.soak()?.hottest.temperature, found.soak?.hottest.temperature, 'soak');
        }),
        { seed: seedOf(31), numRuns: casesOf(100) },
      );
    });
  it('begin at the job’s own values', () => {
    const laws = new JobLaws(demoJobs.mailVan, [['parts', 'hose-2', 'length']]);
    expect([...laws.values]).to.deep.equal([
      demoJobs.mailVan.parts['hose-2']!.kind === 'hose' ? demoJobs.mailVan.parts['hose-2']!.length!.si : NaN,
    ]);
    expect(laws.at(laws.values).job).to.deep.equal(demoJobs.mailVan);
  });
  it('are refused where a path holds no quantity', () => {
    for (const path of [
      ['brief', 'fuel'],
      ['parts', 'hose-9', 'length'],
      ['brief', 'none'],
    ] as FieldPath[])
      expect(() => new JobLaws(demoJobs.mailVan, [path]), path.join()).to.throw(RangeError, 'holds no quantity');
  });
});
