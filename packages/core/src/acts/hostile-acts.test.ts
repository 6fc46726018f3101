import { expect } from 'chai';
import { actsOf } from '../../test/any-edit.ts';
import { hostileAct } from '../../test/hostile-acts.ts';
import { seeded } from '../../test/seeded.ts';
import { demoJobs } from '../demo/index.ts';
import { blankJob, jobSchema, type Job } from '../job/job.ts';
import { readJobDocument } from '../job/read-job-file.ts';
import type { Act } from './act.ts';
import { tryAct } from './apply-act.ts';
import { describeAct } from './act.ts';
import { restoring, touchedBy } from './touched.ts';
import { casesOf, seedOf, PATIENCE } from '../../test/search.ts';

const RUNS = casesOf(20_000);
const SEED = seedOf(20_261_201);
const IN_A_ROW = 25; // acts on one job before another is taken

/** What an act does to a job, held against what reading it again would make of that. @returns the job then. */
function done(job: Job, act: unknown): Job {
  const said = JSON.stringify(act);
  const tried = tryAct(job, act);
  if (!tried.ok) {
    expect(tried.fault.message, said).to.be.a('string');
    return job;
  }
  expect(describeAct(job, act as Act), said).to.be.a('string');
  touchedBy(job, tried.value);
  const read = jobSchema.safeParse(tried.value);
  expect(read.error?.issues, said).to.equal(undefined);
  const undo = restoring(job, tried.value, 'undo');
  const back = undo ? tryAct(tried.value, undo) : tried;
  expect(back.ok, `undo of ${said}`).to.equal(true);
  return tried.value;
}

describe('an act of any kind with anything in it', () => {
  it('is done or refused in words, can be described and undone, and leaves a job that can be read', function () {
    this.timeout(PATIENCE);
    const dice = seeded(SEED);
    const jobs = [...Object.values(demoJobs), blankJob('Empty')];
    const reached = new Set<string>();
    let [job, saved] = [jobs[0]!, 0];
    for (let i = 0; i < RUNS; i++) {
      if (i % IN_A_ROW === 0) {
        const whole = readJobDocument(JSON.parse(JSON.stringify(job)));
        expect(whole.ok ? [] : whole.fault, `after the acts before the ${i}th`).to.deep.equal([]);
        job = jobs[Math.floor(dice() * jobs.length)]!;
        const some = Array.from({ length: 2 }, () => [dice(), dice(), dice(), dice(), dice()] as const);
        job = actsOf(job, some).at(-1)?.after ?? job;
      }
      const act = hostileAct(job, dice);
      const after = done(job, act);
      if (after !== job) {
        saved++;
        reached.add((act as Act).act);
        job = after;
      }
    }
    // else it would try nothing but what is refused at the door
    expect(saved, 'acts that were done').to.be.above(RUNS / 50);
    expect(reached.size, 'kinds of act that were done').to.be.above(12);
  });

  for (const name of ['constructor', 'prototype', '__proto__', 'toString', 'hasOwnProperty']) {
    const acts: [string, unknown][] = [
      ['overruled', { act: 'overruleSnag', snag: name, reason: 'it is so', at: '2026-01-02T03:04:05Z' }],
      ['put in', { act: 'addPart', part: { kind: 'hose', id: name } }],
      ['closed', { act: 'setPort', part: 'tank-1', port: name, state: { closed: 'capped' } }],
      [
        'put back',
        { act: 'restore', title: 'x', records: [{ path: ['parts', name], value: { kind: 'hose', id: name } }] },
      ],
      ['set whole', { act: 'set', path: ['bench'], value: JSON.parse(`{"${name}": {"name": "x", "count": 1}}`) }],
      [
        'a terminal',
        { act: 'addRow', path: ['wiring', 'wires'], row: { id: 'w', from: { device: 'battery-1', terminal: name } } },
      ],
    ];
    for (const [how, act] of acts)
      it(`“${name}” is no name that is ${how}`, () => {
        expect(tryAct(demoJobs.mailVan, act).ok).to.equal(false);
      });
  }

  it('sets neither the version nor what no job has', () => {
    for (const [root, was] of [
      ['schemaVersion', demoJobs.mailVan.schemaVersion],
      ['anything', undefined],
      ['parts', demoJobs.mailVan.parts],
    ] as const) {
      const restore = {
        act: 'restore',
        title: 'x',
        records: [{ path: [root], value: root === 'parts' ? undefined : 3, was }],
      };
      const tried = tryAct(demoJobs.mailVan, restore);
      expect(tried.ok, root).to.equal(false);
    }
  });
});
