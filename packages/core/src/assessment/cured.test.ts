import { expect } from 'chai';
import { assess } from './assess.ts';
import { demoJobs } from '../demo/index.ts';
import { applyAct } from '../acts/apply-act.ts';
import type { Job } from '../job/job.ts';
import { curedBetween } from './cured.ts';

const { flatBedTender, mailVan } = demoJobs;
const after = (job: Job, ...acts: Parameters<typeof applyAct>[1][]) => assess(acts.reduce(applyAct, job));

describe('snags that an edit did away with', () => {
  it('are told with where they stood and the figures that moved, those like their own first', () => {
    const before = assess(flatBedTender);
    const filter = before.snags.find((s) => s.rule === 'fine-filter-before-pump')!;
    const cured = curedBetween(before, after(flatBedTender, filter.act!));
    const gone = cured.map((c) => c.snag.id);
    expect(gone).to.include(filter.id);
    expect(gone).to.include(before.snags.find((s) => s.rule === 'suction-margin')!.id);
    const suction = cured.find((c) => c.snag.rule === 'suction-margin')!;
    // a head of fuel: the suction margin is named before the pressures
    expect(suction.moved[0]).to.deep.include({ label: 'Suction margin, worst' });
    expect(suction.moved[0]!.after.si).to.be.greaterThan(suction.moved[0]!.before.si);
    const live = before.snags.filter((s) => !s.overruled);
    for (const { snag, behind } of cured) expect(behind).to.equal(live[live.indexOf(snag) - 1]?.id);
  });
  it('name the one field that was measured anew', () => {
    const low = { act: 'set', path: ['survey', 'tank', 'ventHeight'], value: { si: 0.1, unit: 'mm' } } as const;
    const high = { ...low, value: { si: 2, unit: 'mm' } };
    const [bad, good] = [after(flatBedTender, low), after(flatBedTender, low, high)];
    const vent = curedBetween(bad, good).find((c) => c.snag.rule === 'tank-vent');
    expect(vent?.moved[0]).to.deep.equal({
      label: 'highest point of the vent',
      before: { kind: 'length', si: 0.1 },
      after: { kind: 'length', si: 2 },
    });
  });
  it('are none where none was there, none for what was overruled, and none for the same job', () => {
    expect(curedBetween(assess(mailVan), after(mailVan, { act: 'set', path: ['name'], value: 'x' }))).to.deep.equal([]);
    const before = assess(flatBedTender);
    expect(curedBetween(before, before)).to.deep.equal([]);
    const fix = before.snags.find((s) => s.grade === 'fix')!;
    const overruled = after(flatBedTender, {
      act: 'overruleSnag',
      snag: fix.id,
      reason: 'it is so',
      at: '2026-11-27T00:00:00.000Z',
    });
    expect(curedBetween(overruled, assess(mailVan)).map((c) => c.snag.id)).to.not.include(fix.id);
  });
});
