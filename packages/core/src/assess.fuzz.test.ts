import { expect } from 'chai';
import fc from 'fast-check';
import { assess } from './assess.ts';
import { workingsOf } from './working/workings.ts';
import { cutRows, partRows } from './cards/parts-card.ts';
import { summariseJob } from './contract/summary.ts';
import { demoJobs } from './demo/index.ts';
import type { Act } from './job/acts/act.ts';
import { applyAct, describeAct } from './job/acts/apply-act.ts';
import { freshId } from './job/acts/fresh-id.ts';
import { partKinds, type Part, type PartKind } from './parts/kinds.ts';
import { jobSchema, type Job } from './job/job.ts';
import { layouts, type LayoutKey } from './job/layout.ts';
import { allParts } from './job/needs.ts';
import { pointKeys } from './run/operating-point.ts';

const kinds = Object.keys(partKinds) as PartKind[];
const number = fc.nat({ max: 1_000_000 });

/** A random act that means something on this job: numbers choose among what is there. */
function actFrom(job: Job, [what, which, where]: [number, number, number]): Act {
  const all = allParts(job);
  const one = all[which % Math.max(all.length, 1)];
  const line = where % 2 === 0 ? 'supply' : 'return';
  const index = where % 12;
  switch (what % 7) {
    case 0:
      return { act: 'chooseLayout', key: (Object.keys(layouts) as LayoutKey[])[which % 3]! };
    case 1: {
      const kind = kinds[which % kinds.length]!;
      return { act: 'insertComponent', line, index, part: { kind, id: freshId(job, kind) } as Part };
    }
    case 2:
      return { act: 'removeComponent', id: one?.id ?? 'none' };
    case 3:
      return { act: 'moveComponent', id: one?.id ?? 'none', line, index };
    case 4: {
      // a measured value of one part becomes another one that its field allows, or unknown
      const properties = Object.entries(one ? partKinds[one.kind].properties : {});
      const [key, property] = properties[where % Math.max(properties.length, 1)] ?? ['label', undefined];
      if (property?.type !== 'quantity')
        return { act: 'setOnPart', id: one?.id ?? 'none', key: 'label', value: `part ${where}` };
      const least = property.field.minimum ?? 0;
      const most = property.field.maximum ?? least + 1;
      const si = least + (most - least) * ((which % 1000) / 1000);
      return {
        act: 'setOnPart',
        id: one!.id,
        key,
        value: where % 5 === 0 ? undefined : { si, unit: property.field.unit },
      };
    }
    case 5:
      return { act: 'set', path: ['brief', 'power'], value: { si: 1000 + which, unit: 'kW' } };
    default:
      return {
        act: 'set',
        path: ['survey', 'railHeight'],
        value: which % 4 === 0 ? undefined : { si: (which % 2000) / 1000 - 1, unit: 'mm' },
      };
  }
}

describe('any job that a fitter can click together', () => {
  it('stays valid, is assessed without a throw, and never shows a number that is none', function () {
    this.timeout(60_000);
    const start = fc.constantFrom(...Object.values(demoJobs));
    fc.assert(
      fc.property(
        start,
        fc.array(fc.tuple(number, number, number), { minLength: 1, maxLength: 14 }),
        (demo, choices) => {
          let job = demo;
          for (const choice of choices) {
            const act = actFrom(job, choice);
            expect(describeAct(job, act)).to.not.equal('');
            job = applyAct(job, act);
          }
          expect(jobSchema.safeParse(job).error?.issues ?? []).to.deep.equal([]);
          const { findings, snags } = assess(job);
          const { solution } = findings;
          if (solution)
            for (const key of pointKeys) {
              const p = solution.points[key];
              for (const value of [p.railPressure, p.injectorPressure, p.pumpFlow, p.returnFlow, p.suctionMargin])
                expect(Number.isFinite(value), key).to.equal(true);
            }
          // either it is solved, or something says why not
          const excused = findings.needs.some((n) => n.blocksSolution) || findings.faults.length > 0;
          expect(solution !== undefined || excused).to.equal(true);
          for (const snag of snags)
            for (const figure of [snag.figure, snag.limit])
              if (figure) expect(Number.isFinite(figure.si), snag.id).to.equal(true);
          expect(new Set(snags.map((s) => s.id)).size).to.equal(snags.length);
          workingsOf(findings);
          partRows(job);
          cutRows(job);
          summariseJob('x', '2026-01-01T00:00:00Z', job);
        },
      ),
      { seed: 71, numRuns: 250 },
    );
  });
});
