import { expect } from 'chai';
import { act, get } from '../../test/rule-cases.ts';
import { demoJobs } from '../demo/index.ts';
import { circuitsOf } from '../run/circuits.ts';
import { peerOf } from '../parts/graph.ts';
import { blankJob, jobSchema, type Job } from '../job/job.ts';
import { layouts, type LayoutKey } from '../job/layout.ts';
import type { Act } from './act.ts';
import { tryAct } from './apply-act.ts';
import { describeAct } from './act.ts';

const { mailVan, flatBedTender } = demoJobs;
const after = (job: Job, ...acts: Act[]): Job => {
  const copy = { ...job };
  act(copy, ...acts);
  return copy;
};
const refusal = (job: Job, given: unknown): string => {
  const done = tryAct(job, given);
  return done.ok ? '' : `${done.fault.field} ${done.fault.message}`.trim();
};
const reads = (job: Job) => circuitsOf(job).order.filter((id) => circuitsOf(job).lineOf(id) === 'supply');
const intoRail = circuitsOf(mailVan).into('rail-1')[0]!.joint;
const outOfTank = circuitsOf(mailVan).outOf('tank-1')[0]!.joint;

describe('an act', () => {
  const acts: Act[] = [
    { act: 'set', path: ['survey', 'tank', 'depth'], value: { si: 0.3, unit: 'mm' } },
    { act: 'set', path: ['survey', 'tank', 'depth'], value: undefined },
    { act: 'addRow', path: ['points', 'own'], row: { id: 'p1', label: 'Hill', load: { si: 0.5, unit: '%' } } },
    { act: 'setOnPart', id: 'hose-1', key: 'length', value: { si: 0.5, unit: 'mm' } },
    {
      act: 'setOnParts',
      title: 'both hoses in 10 mm',
      changes: ['hose-1', 'hose-2'].map((id) => ({ id, key: 'bore', value: { si: 0.01, unit: 'mm' } })),
    },
    { act: 'setOnJoints', title: 'worm clamp', changes: [{ id: intoRail, key: 'clamp', value: 'worm' }] },
    {
      act: 'routeLine',
      id: 'hose-1',
      title: 'a 45° end',
      changes: [{ key: 'startEnd', value: '45' }],
      length: { si: 0.5, unit: 'mm' },
    },
    { act: 'setPort', part: 'rail-1', port: 'out', state: { closed: 'capped' } },
    { act: 'closePorts', id: 'rail-1', with: 'capped' },
    { act: 'addPart', part: { kind: 'gauge', id: 'gauge-1' } },
    { act: 'insertPart', joint: intoRail, part: { kind: 'checkValve', id: 'check-valve-1' }, in: 'in', out: 'out' },
    { act: 'attachPart', to: { part: 'rail-1', port: 'side-1' }, part: { kind: 'gauge', id: 'gauge-1' }, port: 'port' },
    { act: 'takeOut', id: 'hose-2' },
    { act: 'setAside', id: 'hose-2' },
    { act: 'movePart', id: 'filter-1', joint: outOfTank },
    { act: 'swapPart', id: 'hose-2', by: { kind: 'hardLine', id: 'hard-line-9' } },
    { act: 'turnRound', id: 'filter-1' },
    { act: 'disconnect', joint: intoRail },
    { act: 'moveEnd', joint: intoRail, part: 'rail-1', to: { part: 'rail-1', port: 'side-1' } },
    { act: 'chooseLayout', key: 'bypassAfterRail' },
    { act: 'moveRegulator', id: 'regulator-1', to: 'afterRail' },
    {
      act: 'overruleSnag',
      snag: 'pump-margin:pump-1',
      reason: 'only ever driven on the quay',
      at: '2026-01-02T03:04:05Z',
    },
    { act: 'withdrawOverrule', snag: 'pump-margin:pump-1' },
    {
      act: 'restore',
      title: 'undo',
      records: [
        { path: ['parts', 'hose-1', 'length'], value: { si: 0.3, unit: 'mm' }, was: get(mailVan, 'hose').length },
      ],
    },
  ];
  for (const one of acts)
    it(`${describeAct(mailVan, one)}: gives a valid job and leaves the old one alone`, () => {
      const before = JSON.stringify(mailVan);
      const done = tryAct(mailVan, one);
      if (!done.ok) throw new Error(done.fault.message);
      expect(jobSchema.safeParse(done.value).error).to.equal(undefined);
      expect(JSON.stringify(mailVan)).to.equal(before);
      expect(tryAct(mailVan, JSON.parse(JSON.stringify(one)))).to.deep.equal(done);
    });
  it('clearing a measurement makes it unknown, not zero', () => {
    const done = after(mailVan, { act: 'set', path: ['survey', 'tank', 'depth'], value: undefined });
    expect('depth' in done.survey.tank).to.equal(false);
  });
  it('moves a part to another joint and joins up what it leaves', () => {
    expect(reads(after(mailVan, { act: 'movePart', id: 'filter-1', joint: outOfTank })).slice(0, 3)).to.deep.equal([
      'tank-1',
      'filter-1',
      'sock-1',
    ]);
    expect(reads(after(mailVan, { act: 'movePart', id: 'filter-1', joint: outOfTank }))).to.have.members(
      reads(mailVan),
    );
  });
  it('shares what it did not touch, so that caches stay good', () => {
    const done = after(mailVan, { act: 'setOnPart', id: 'hose-1', key: 'length', value: { si: 0.5, unit: 'mm' } });
    expect(done.survey).to.equal(mailVan.survey);
    expect(done.joints).to.equal(mailVan.joints);
    expect(done.parts['hose-2']).to.equal(mailVan.parts['hose-2']);
  });
  it('taken out, a hose leaves one joint where there were two', () => {
    const [before, behind] = [circuitsOf(mailVan).into('hose-2')[0]!, circuitsOf(mailVan).outOf('hose-2')[0]!];
    const done = after(mailVan, { act: 'takeOut', id: 'hose-2' });
    expect(peerOf(done, before.from, before.fromPort)).to.include({ part: behind.to, port: behind.toPort });
    expect(Object.keys(done.joints)).to.have.length(Object.keys(mailVan.joints).length - 1);
  });
  it('set aside and taken up again, a part keeps its measurements', () => {
    const aside = after(mailVan, { act: 'setAside', id: 'hose-2' });
    expect(aside.parts['hose-2']).to.deep.equal({ ...mailVan.parts['hose-2'], aside: true });
    const joint = circuitsOf(aside).into('rail-1')[0]!.joint;
    expect(after(aside, { act: 'movePart', id: 'hose-2', joint }).parts['hose-2']).to.deep.equal(
      mailVan.parts['hose-2'],
    );
  });
  it('a swap keeps the joints with their clamps, and the measurements that the new part has too', () => {
    const bore = { si: 0.008, unit: 'mm' };
    const done = after(mailVan, { act: 'swapPart', id: 'hose-2', by: { kind: 'hose', id: 'hose-9', bore } });
    expect(done.parts['hose-9']).to.deep.include({ bore, length: get(mailVan, 'hose', 1).length });
    expect(circuitsOf(done).outOf('hose-9')[0]!.to).to.equal('rail-1');
    expect(done.joints[circuitsOf(done).outOf('hose-9')[0]!.joint]!.clamp).to.equal(mailVan.joints[intoRail]!.clamp);
  });
  it('turned round twice, a part stands as it did', () => {
    const once = after(mailVan, { act: 'turnRound', id: 'hose-2' });
    expect(circuitsOf(once).into('rail-1')[0]).to.include({ from: 'hose-2', fromPort: 'in' });
    expect(after(once, { act: 'turnRound', id: 'hose-2' }).joints).to.deep.equal(mailVan.joints);
  });
});

describe('an act that cannot be done is refused in words', () => {
  const cases: [string, unknown, RegExp][] = [
    ['no act', { act: 'paint' }, /not understood/],
    ['a path through a prototype', { act: 'set', path: ['__proto__', 'x'], value: 1 }, /a name that no job uses/],
    ['an unknown field', { act: 'set', path: ['survey', 'colour'], value: 'red' }, /survey.*colour/],
    ['a mistyped field', { act: 'set', path: ['survey', 'tank', 'depth'], value: '0.3' }, /survey.tank.depth/],
    [
      'a negative length',
      { act: 'setOnPart', id: 'hose-1', key: 'length', value: { si: -1, unit: 'mm' } },
      /hose-1.*cannot be negative/,
    ],
    [
      'a field that a part does not have',
      { act: 'setOnPart', id: 'hose-1', key: 'element', value: 'paper' },
      /has no field “element”/,
    ],
    ['a part that is gone', { act: 'takeOut', id: 'hose-99' }, /hose-99/],
    ['a part of that name', { act: 'addPart', part: { kind: 'hose', id: 'hose-1' } }, /already/],
    [
      'a port joined twice',
      { act: 'connect', a: { part: 'rail-1', port: 'in' }, b: { part: 'tank-1', port: 'return-2' } },
      /joined already/,
    ],
    [
      'a part joined to itself',
      { act: 'connect', a: { part: 'rail-1', port: 'side-1' }, b: { part: 'rail-1', port: 'side-2' } },
      /itself/,
    ],
    [
      'a port that a part does not have',
      { act: 'connect', a: { part: 'rail-1', port: 'lid' }, b: { part: 'tank-1', port: 'return-2' } },
      /no port “lid”/,
    ],
    [
      'a cap on a port that is joined',
      { act: 'setPort', part: 'rail-1', port: 'in', state: { closed: 'capped' } },
      /cannot be capped/,
    ],
    ['a joint that is gone', { act: 'disconnect', joint: 'x' }, /“x”/],
    ['a part beside itself', { act: 'movePart', id: 'hose-2', joint: intoRail }, /stands there already/],
    ['a row that is gone', { act: 'removeRow', path: ['points', 'own'], id: 'p9' }, /no longer there/],
    ['text that cannot be stored', { act: 'set', path: ['name'], value: 'a\u0000b' }, /name holds characters/],
  ];
  for (const [what, given, said] of cases)
    it(what, () => {
      expect(refusal(mailVan, given)).to.match(said);
    });
});

describe('laying out a school', () => {
  for (const key of Object.keys(layouts) as LayoutKey[])
    it(`${layouts[key].name}: a blank job gets a run with a tank, a pump and a consumer`, () => {
      const laid = after(blankJob('x'), { act: 'chooseLayout', key });
      const kinds = circuitsOf(laid).parts.map((p) => p.kind);
      expect(kinds[0]).to.equal('tank');
      expect(kinds).to.include('pump');
      expect(kinds).to.include(layouts[key].engine === 'carburettor' ? 'carburettor' : 'rail');
      expect(jobSchema.safeParse(laid).success).to.equal(true);
    });
  it('keeps every part but the regulator when it moves to the tank, and gives all back', () => {
    const there = after(flatBedTender, { act: 'chooseLayout', key: 'bypassAtTank' });
    for (const [id, part] of Object.entries(flatBedTender.parts))
      if (part.kind !== 'regulator' && part.kind !== 'rail') expect(there.parts[id], id).to.deep.equal(part);
    const order = reads(there);
    expect(order.indexOf('regulator-1')).to.be.within(0, order.indexOf('rail-1'));
    const back = after(there, { act: 'chooseLayout', key: 'bypassAfterRail' });
    for (const [id, part] of Object.entries(flatBedTender.parts))
      if (part.kind !== 'rail') expect(back.parts[id], id).to.deep.equal(part);
    expect(get(back, 'rail').length).to.deep.equal(get(flatBedTender, 'rail').length);
    expect(reads(back)).to.deep.equal(reads(flatBedTender));
  });
});
