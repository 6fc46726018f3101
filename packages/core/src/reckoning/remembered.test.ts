import { expect } from 'chai';
import fc from 'fast-check';
import { anyDice, actsOf } from '../../test/any-edit.ts';
import { act } from '../../test/rule-cases.ts';
import { demoJobs } from '../demo/index.ts';
import type { Act } from '../acts/act.ts';
import type { Job } from '../job/job.ts';
import { findingsOf } from './findings.ts';
import { forgetAll, reckonings } from '../memory/remembered.ts';
import { partName } from '../parts/kinds.ts';
import { applyAct } from '../acts/apply-act.ts';
import { proofsOf } from '../wiring/proofs.ts';
import { needTitle } from './need-title.ts';
import { steps } from './steps.ts';
import { defineStep } from './define-step.ts';
import { each, guardReads, without } from './cut.ts';
import { casesOf, seedOf, PATIENCE } from '../../test/search.ts';

const mm = (value: number) => ({ si: value / 1000, unit: 'mm' });

/** Steps that cost nothing: what they make is small, or put together of others. */
const thin = new Set<string>([
  ...steps.filter((step) => step.isSmall).map((step) => step.key),
  'solved',
  'compiled',
  'hanger',
  'shell',
]);

/** Steps that an act makes to be reckoned again. As in the worker, every job arrives as a copy. */
function again(...acts: Act[]): string[] {
  const job = structuredClone(demoJobs.flatBedTender);
  findingsOf(structuredClone(job));
  const before = reckonings();
  act(job, ...acts);
  findingsOf(structuredClone(job));
  const after = reckonings();
  return Object.keys(after)
    .filter((step) => after[step] !== before[step] && !thin.has(step))
    .sort();
}

describe('only what changed is reckoned again', () => {
  beforeEach(forgetAll);
  const cases: [string, Act, string[]][] = [
    ['a note on a part', { act: 'setOnPart', id: 'hose-1', key: 'note', value: 'chafed, replace' }, []],
    ['a name', { act: 'setOnPart', id: 'hose-1', key: 'label', value: 'Short hose' }, []],
    [
      'a clamp',
      { act: 'setOnJoints', title: 'clamp', changes: [{ id: 'hose-2-in', key: 'clamp', value: 'band' }] },
      [],
    ],
    ['a note on the vehicle', { act: 'set', path: ['survey', 'notes'], value: 'plug seized' }, []],
    ['what the owner wishes', { act: 'set', path: ['brief', 'wishes'], value: 'quiet' }, []],
    ['the job’s name', { act: 'set', path: ['name'], value: 'Tender' }, []],
    [
      'a gauge field: no network, no tank',
      { act: 'set', path: ['gauge', 'gaugeFull'], value: { si: 150, unit: 'Ω' } },
      ['float', 'gauge', 'levels', 'sweep'],
    ],
    [
      'a hose: the points, but no tank',
      { act: 'setOnPart', id: 'hose-2', key: 'length', value: mm(700) },
      ['drive', 'hangerFlows', 'levels', 'soak', 'solution', 'wiring'],
    ],
    [
      'the vent: the points, which it holds back, but no tank',
      { act: 'set', path: ['survey', 'vent', 'length'], value: mm(1700) },
      ['drive', 'hangerFlows', 'levels', 'soak', 'solution', 'vent', 'wiring'],
    ],
    [
      'the vent’s end: no network, no tank',
      { act: 'set', path: ['survey', 'vent', 'outlet'], value: 'canister' },
      ['vent'],
    ],
    [
      'the filler neck: no network',
      { act: 'set', path: ['survey', 'tank', 'fillerHeight'], value: mm(560) },
      ['float', 'gauge', 'hangerFlows', 'hangerInTank', 'surveyedTank', 'tank', 'vent'],
    ],
  ];
  for (const [what, one, steps] of cases)
    it(`${what}: ${steps.join(', ') || 'nothing'}`, () => {
      expect(again(one)).to.deep.equal(steps);
    });
  it('a step that is taken back is there still', () => {
    const [long, short] = [700, 520].map((l): Act => ({ act: 'setOnPart', id: 'hose-2', key: 'length', value: mm(l) }));
    expect(again(long!, short!)).to.deep.equal([]);
  });
  it('a name is put to a finding where it is shown: a pump that is renamed has its new one everywhere', () => {
    for (const job of [demoJobs.mailVan, demoJobs.rescuePickup, demoJobs.islandShuttle]) {
      findingsOf(job);
      const renamed = applyAct(job, { act: 'setOnPart', id: 'pump-1', key: 'label', value: 'Big Bertha' });
      const { wiring, needs } = findingsOf(renamed);
      const said = JSON.stringify([proofsOf(renamed, wiring!.pumps), needs.map((n) => needTitle(renamed, n))]);
      expect(said)
        .to.include('Current of Big Bertha')
        .and.not.include(`Current of ${partName(job.parts['pump-1']!)}"`);
    }
  });
  it('no step reads what it does not say it reads, and what is remembered is what would be reckoned anew, after any edits', () => {
    guardReads(true);
    fc.assert(
      fc.property(
        fc.constantFrom(...(Object.keys(demoJobs) as (keyof typeof demoJobs)[])),
        fc.array(anyDice, { minLength: 1, maxLength: 6 }),
        (key, dice) => {
          const states: Job[] = [demoJobs[key], ...actsOf(demoJobs[key], dice).map((a) => a.after)];
          forgetAll();
          const held = states.map((job) => findingsOf(job));
          states.forEach((job, i) => {
            forgetAll();
            expect(held[i]).to.deep.equal(findingsOf(structuredClone(job)));
          });
        },
      ),
      { seed: seedOf(55), numRuns: casesOf(200) },
    );
  }).timeout(PATIENCE);
  it('a step that reads more than it says is caught', () => {
    guardReads(true);
    const blind = defineStep('sweep', { reads: { job: { gauge: true } }, compute: ({ job }) => void job.brief.power });
    expect(() => blind.result(demoJobs.mailVan, {})).to.throw('“brief” of the job by the step “sweep” is read');
    const nameless = defineStep('sweep', {
      reads: { job: { parts: each(without(['label'])) } },
      compute: ({ job }) => void Object.values(job.parts).map((part) => part.label),
    });
    expect(() => nameless.result(demoJobs.islandShuttle, {})).to.throw('“label” of a record is read');
  });
  afterEach(() => guardReads(false));
});
