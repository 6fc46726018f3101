import { expect } from 'chai';
import { demoJobs } from '../../demo/index.ts';
import { jobSchema, type Job } from '../job.ts';
import { layouts, type LayoutKey } from '../layout.ts';
import type { Act } from './act.ts';
import { applyAct, describeAct } from './apply-act.ts';

const { mailVan, flatBedTender } = demoJobs;
const ids = (job: Job) => job.run.supply.map((c) => c.id);

describe('an act', () => {
  const acts: Act[] = [
    { act: 'set', path: ['survey', 'tank', 'depth'], value: { si: 0.3, unit: 'mm' } },
    { act: 'set', path: ['survey', 'tank', 'depth'], value: undefined },
    { act: 'setOnPart', id: 'hose-1', key: 'clamp', value: 'worm' },
    { act: 'insertComponent', line: 'supply', index: 4, part: { kind: 'checkValve', id: 'check-valve-1' } },
    { act: 'removeComponent', id: 'hose-2' },
    { act: 'moveComponent', id: 'filter-1', line: 'supply', index: 1 },
    { act: 'chooseLayout', key: 'bypassAfterRail' },
    { act: 'capPorts', id: 'rail-1' },
    {
      act: 'overruleSnag',
      snag: 'pump-margin:pump-1',
      reason: 'only ever driven on the quay',
      at: '2026-01-02T03:04:05Z',
    },
    { act: 'withdrawOverrule', snag: 'pump-margin:pump-1' },
  ];
  for (const act of acts)
    it(`${describeAct(mailVan, act)}: gives a valid job and leaves the old one alone`, () => {
      const before = JSON.stringify(mailVan);
      const after = applyAct(mailVan, act);
      expect(jobSchema.safeParse(after).success).to.equal(true);
      expect(JSON.stringify(mailVan)).to.equal(before);
    });
  it('clearing a measurement makes it unknown, not zero', () => {
    const after = applyAct(mailVan, { act: 'set', path: ['survey', 'tank', 'depth'], value: undefined });
    expect('depth' in after.survey.tank).to.equal(false);
  });
  it('moves a part to a place counted without it', () => {
    const after = applyAct(mailVan, { act: 'moveComponent', id: 'filter-1', line: 'supply', index: 1 });
    expect(ids(after).slice(0, 3)).to.deep.equal(['tank-1', 'filter-1', 'sock-1']);
  });
  it('shares what it did not touch, so that caches stay good', () => {
    const after = applyAct(mailVan, { act: 'setOnPart', id: 'hose-1', key: 'clamp', value: 'worm' });
    expect(after.survey).to.equal(mailVan.survey);
    expect(after.run.supply[0]).to.equal(mailVan.run.supply[0]);
  });
  it('refuses a path through a prototype', () => {
    expect(() => applyAct(mailVan, { act: 'set', path: ['__proto__', 'x'], value: 1 })).to.throw(RangeError);
  });
});

describe('laying out a school', () => {
  for (const key of Object.keys(layouts) as LayoutKey[])
    it(`${layouts[key].name}: a blank job gets a run with a tank, a pump and a consumer`, () => {
      const laid = applyAct({ ...mailVan, run: { supply: [], return: [] } }, { act: 'chooseLayout', key });
      const kinds = laid.run.supply.map((c) => c.kind);
      expect(kinds[0]).to.equal('tank');
      expect(kinds).to.include('pump');
      expect(kinds).to.include(layouts[key].engine === 'carburettor' ? 'carburettor' : 'rail');
      expect(jobSchema.safeParse(laid).success).to.equal(true);
    });
  it('keeps every measured hose, line and filter when the regulator moves to the tank', () => {
    const laid = applyAct(flatBedTender, { act: 'chooseLayout', key: 'bypassAtTank' });
    const kept = (job: Job) => job.run.supply.filter((c) => c.kind !== 'regulator').map((c) => c.id);
    expect(kept(laid)).to.have.members(kept(flatBedTender));
    expect(laid.run.supply.findIndex((c) => c.kind === 'regulator')).to.be.lessThan(
      laid.run.supply.findIndex((c) => c.kind === 'rail'),
    );
  });
  it('there and back again loses nothing but the order', () => {
    const there = applyAct(flatBedTender, { act: 'chooseLayout', key: 'bypassAtTank' });
    const back = applyAct(there, { act: 'chooseLayout', key: 'bypassAfterRail' });
    for (const part of flatBedTender.run.supply) expect(back.run.supply).to.deep.include(part);
  });
});
