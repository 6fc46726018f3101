import { expect } from 'chai';
import fc from 'fast-check';
import { actsOf, anyDice } from '../../test/any-edit.ts';
import { act } from '../../test/rule-cases.ts';
import { demoJobs } from '../demo/index.ts';
import type { Job } from '../job/job.ts';
import type { Act } from './act.ts';
import { tryAct } from './apply-act.ts';
import { overlap, restoring, touchedBy } from './touched.ts';
import { casesOf, seedOf, PATIENCE } from '../../test/search.ts';

const { mailVan } = demoJobs;
const mm = (value: number) => ({ si: value / 1000, unit: 'mm' });
const after = (job: Job, ...acts: Act[]): Job => {
  const copy = { ...job };
  act(copy, ...acts);
  return copy;
};
const doing = (job: Job, one: Act): Job => {
  const tried = tryAct(job, JSON.parse(JSON.stringify(one)));
  if (!tried.ok) throw new Error(tried.fault.message);
  return tried.value;
};

describe('what an act touched', () => {
  it('is the one field of a measurement, whatever stands around it', () => {
    expect(
      touchedBy(mailVan, after(mailVan, { act: 'set', path: ['survey', 'tank', 'depth'], value: mm(240) })),
    ).to.deep.equal([['survey', 'tank', 'depth']]);
    expect(
      touchedBy(mailVan, after(mailVan, { act: 'setOnPart', id: 'hose-1', key: 'length', value: mm(500) })),
    ).to.deep.equal([['parts', 'hose-1', 'length']]);
    expect(touchedBy(mailVan, structuredClone(mailVan))).to.deep.equal([]);
  });
  it('is the new part and its joints, so that it meets no edit of another part', () => {
    const [joint] = Object.values(mailVan.joints).filter((j) => j.b.part === 'rail-1' || j.a.part === 'rail-1');
    const part = { kind: 'checkValve' as const, id: 'check-valve-9' };
    const put = after(mailVan, { act: 'insertPart', joint: joint!.id, part, in: 'in', out: 'out' });
    const touched = touchedBy(mailVan, put);
    expect(touched).to.deep.include(['parts', 'check-valve-9']);
    expect(touched.every(([root, id]) => root === 'joints' || id === 'check-valve-9')).to.equal(true);
  });
  it('is the member alone where its list or section came to be with it', () => {
    const own = (id: string): Act => ({ act: 'addRow', path: ['points', 'own'], row: { id } });
    const bench = (code: string): Act => ({ act: 'set', path: ['bench', code], value: { name: code, count: 1 } });
    const route = (key: string): Act => ({ act: 'set', path: ['routes', key], value: mm(key.length * 10) });
    for (const [one, other] of [
      [own('p1'), own('p2')],
      [bench('a'), bench('b')],
      [route('tankFloor'), route('clipSpacing')],
    ] as const) {
      const mine = touchedBy(mailVan, after(mailVan, one));
      const theirs = touchedBy(mailVan, after(mailVan, other));
      expect(overlap(mine, theirs), JSON.stringify([mine, theirs])).to.deep.equal([]);
      // whoever undoes the first leaves what the other put beside it
      const both = after(mailVan, one, other);
      const left = doing(both, restoring(mailVan, after(mailVan, one), 'undo')!);
      expect(left).to.deep.equal(after(mailVan, other));
    }
    expect(touchedBy(mailVan, after(mailVan, own('p1')))).to.deep.equal([['points', 'own', 'p1']]);
    const twice = [bench('a'), { ...bench('a'), value: { name: 'a', count: 2 } } as Act];
    expect(
      overlap(
        touchedBy(mailVan, after(mailVan, twice[0]!)),
        touchedBy(after(mailVan, twice[0]!), after(mailVan, ...twice)),
      ),
    ).to.not.be.empty;
  });
  it('is a row where rows come or go at the end of a list, and the list where its order moves', () => {
    const rowsOf = (...ids: string[]): Job => ({ ...mailVan, points: { own: ids.map((id) => ({ id })) } });
    const paths = (before: string[], now: string[]) =>
      touchedBy(rowsOf(...before), rowsOf(...now)).map((path) => path.slice(2).join('/'));
    expect(paths(['a', 'b'], ['a', 'b', 'c'])).to.deep.equal(['c']);
    expect(paths(['a', 'b', 'c'], ['a'])).to.deep.equal(['b', 'c']);
    expect(paths(['a', 'b'], ['a', 'c']), 'one for another').to.deep.equal(['b', 'c']);
    expect(paths(['a', 'b'], ['b']), 'out of its middle').to.deep.equal(['']);
    expect(paths(['a', 'b'], ['b', 'a'])).to.deep.equal(['']);
    expect(paths(['a', 'b'], ['a', 'c', 'b']), 'put between').to.deep.equal(['']);
  });
  it('of several fields names those that meet any of the other’s', () => {
    const mine = [
      ['survey', 'tank', 'depth'],
      ['brief', 'power'],
      ['parts', 'hose-1', 'length'],
    ];
    const theirs = [
      ['parts', 'hose-1', 'length'],
      ['brief', 'fuel'],
      ['survey', 'tank', 'depth'],
    ];
    expect(overlap(mine, theirs)).to.deep.equal([mine[0], mine[2]]);
  });
  it('meets what lies in it and what it lies in, and nothing beside it', () => {
    const length = [['parts', 'hose-1', 'length']];
    expect(overlap(length, [['parts', 'hose-1', 'bore']])).to.deep.equal([]);
    expect(overlap(length, [['parts', 'hose-1']])).to.deep.equal(length);
    expect(overlap([['parts', 'hose-1']], length)).to.deep.equal([['parts', 'hose-1']]);
    expect(overlap(length, [['parts', 'hose-10', 'length']])).to.deep.equal([]);
  });
});

describe('undoing', () => {
  it('a random sequence of acts in reverse gives the first job exactly', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...(Object.keys(demoJobs) as (keyof typeof demoJobs)[])),
        fc.array(anyDice, { minLength: 1, maxLength: 14 }),
        (key, dice) => {
          const done = actsOf(demoJobs[key], dice);
          const undos = done.flatMap(({ before, after }) => restoring(before, after, 'undo') ?? []);
          let job = done.at(-1)?.after ?? demoJobs[key];
          for (const undo of undos.reverse()) job = doing(job, undo);
          expect(job).to.deep.equal(demoJobs[key]);
        },
      ),
      { seed: seedOf(7_2026), numRuns: casesOf(1000) },
    );
  }).timeout(PATIENCE);
  it('and then redoing gives the last one again', () => {
    const edited = after(mailVan, { act: 'takeOut', id: 'hose-2' });
    const undo = restoring(mailVan, edited, 'undo')!;
    const redo = restoring(edited, doing(edited, undo), 'redo')!;
    expect(doing(doing(edited, undo), redo)).to.deep.equal(edited);
  });
  it('is refused where the field has been changed since, and the other edit stays', () => {
    const mine = after(mailVan, { act: 'setOnPart', id: 'hose-1', key: 'length', value: mm(500) });
    const undo = restoring(mailVan, mine, 'undo')!;
    const theirs = after(mine, { act: 'setOnPart', id: 'hose-1', key: 'length', value: mm(700) });
    const tried = tryAct(theirs, undo);
    expect(!tried.ok && tried.fault.message).to.match(/hose length.*changed since/);
    const elsewhere = after(mine, { act: 'setOnPart', id: 'hose-1', key: 'note', value: 'new' });
    expect(doing(elsewhere, undo).parts['hose-1']).to.deep.equal({ ...mailVan.parts['hose-1'], note: 'new' });
  });
});
