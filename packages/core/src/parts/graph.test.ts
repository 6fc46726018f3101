import { expect } from 'chai';
import fc from 'fast-check';
import { anyDice, edited } from '../../test/any-edit.ts';
import { demoJobs } from '../demo/index.ts';
import { circuitsOf } from '../run/circuits.ts';
import { findingsOf } from '../reckoning/findings.ts';
import { resultsOf } from '../run/solve-run.ts';
import { graphFaults } from './graph.ts';
import { describeIssue, readJobFile } from '../job/read-job-file.ts';
import { casesOf, seedOf, PATIENCE } from '../../test/search.ts';

const refusal = (change: (job: any) => void): string => {
  const job: unknown = JSON.parse(JSON.stringify(demoJobs.mailVan));
  change(job);
  const read = readJobFile(JSON.stringify(job));
  return read.ok ? '' : read.fault.map(describeIssue).join('; ');
};

describe('a job file whose graph is broken is refused by the record', () => {
  const joint = 'rail-1-in';
  const cases: [string, (job: any) => void, RegExp][] = [
    [
      'a joint to a part that is not there',
      (j) => (j.joints[joint].a.part = 'hose-77'),
      /^joints[.]rail-1-in[.]a[.]part .*“hose-77” is no part/,
    ],
    [
      'a joint to a port that is not there',
      (j) => (j.joints[joint].a.port = 'lid'),
      /^joints[.]rail-1-in[.]a[.]port .*no port “lid”/,
    ],
    ['a part joined to itself', (j) => (j.joints[joint].a = { part: 'rail-1', port: 'out' }), /to itself/],
    [
      'a port joined twice',
      (j) => (j.joints.extra = { id: 'extra', a: j.joints[joint].a, b: { part: 'tank-1', port: 'return-9' } }),
      /joined twice/,
    ],
    [
      'a joint on a port that is plugged',
      (j) => (j.parts['hose-2'].ports = { out: { closed: 'plugged' } }),
      /is plugged/,
    ],
    ['a joint to what is set aside', (j) => (j.parts['hose-2'].aside = true), /set aside/],
    ['a part under another name', (j) => (j.parts['hose-9'] = j.parts['hose-1']), /must be “hose-9”/],
    ['a port that no such part has', (j) => (j.parts['hose-1'].ports = { sump: {} }), /a port that no such part has/],
    ['a part of no known kind', (j) => (j.parts['hose-1'].kind = 'balloon'), /^parts[.]hose-1/],
    [
      'ten thousand parts',
      (j) => {
        for (let i = 0; i < 10_000; i++) j.parts[`p-${i}`] = { id: `p-${i}`, kind: 'hose' };
      },
      /more than/,
    ],
  ];
  for (const [what, change, said] of cases)
    it(what, () => {
      expect(refusal(change)).to.match(said);
    });
});

describe('any run that acts lead to', () => {
  const keys = Object.keys(demoJobs) as (keyof typeof demoJobs)[];
  it('is a sound graph, has every part in its reading once, and is solved in balance or said why not', () => {
    const CASES = casesOf(1000);
    let solved = 0;
    fc.assert(
      fc.property(fc.constantFrom(...keys), fc.array(anyDice, { maxLength: 16 }), (key, dice) => {
        const job = edited(demoJobs[key], dice);
        expect(graphFaults(job)).to.deep.equal([]);
        const run = circuitsOf(job);
        expect([...run.order].sort()).to.deep.equal(
          Object.values(job.parts)
            .filter((p) => !p.aside)
            .map((p) => p.id)
            .sort(),
        );
        for (const flow of run.flows) expect(run.flow(flow.joint)).to.equal(flow);
        const { solution, faults, needs } = findingsOf(job);
        if (!solution) {
          expect(faults.length > 0 || needs.some((n) => n.blocksSolution)).to.equal(true);
          return;
        }
        solved += 1;
        for (const result of resultsOf(solution)) {
          // what the feed pumps press goes into the engine, back, or over their relief valves
          const out = result.delivered + result.returnFlow + result.reliefFlow;
          expect(result.pumpFlow).to.be.closeTo(out, 1e-9 + 1e-5 * Math.abs(out), `${result.point.key} in balance`);
          // a joint has one pressure and one flow, on both its sides
          for (const [id, { flow }] of Object.entries(result.joints)) expect(Number.isFinite(flow), id).to.equal(true);
        }
      }),
      { seed: seedOf(31_415), numRuns: CASES },
    );
    expect(solved, 'enough of them are solved').to.be.greaterThan(CASES / 8);
  }).timeout(PATIENCE);
});
