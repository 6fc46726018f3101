import { expect } from 'chai';
import { edgeOf } from '../../../test/edge.ts';
import { act, afterRailJob, expectSnag, get, snagsOfRule } from '../../../test/rule-cases.ts';
import type { Job } from '../../job/job.ts';
import { circuitsOf } from '../../run/circuits.ts';
import { findingsOf } from '../../reckoning/findings.ts';

const kPa = (value: number) => ({ si: value * 1000, unit: 'kPa' });

/** A second bypass regulator on a side port of the rail, with a return of its own. */
const second = (set: number): Job =>
  afterRailJob((j) => {
    const part = {
      ...get(j, 'regulator'),
      id: 'regulator-9',
      label: 'Second regulator',
      setPressure: kPa(set),
      ports: {},
    };
    act(j, { act: 'attachPart', to: { part: 'rail-1', port: 'side-1' }, part, port: 'in' });
    act(j, {
      act: 'attachPart',
      to: { part: 'regulator-9', port: 'return' },
      part: { ...get(j, 'hose', 2), id: 'hose-9', ports: {} },
      port: 'in',
    });
    act(j, { act: 'connect', a: { part: 'hose-9', port: 'out' }, b: { part: 'tank-1', port: 'return-8' } });
  });

describe('rule regulators-fight', () => {
  let first = 0; // kPa
  beforeEach(() => (first = get(afterRailJob(), 'regulator').setPressure!.si / 1000));
  it('names the one that never opens, and taking it out cures it', () => {
    expectSnag('regulators-fight', afterRailJob(), second(first + 60), 'fix', 'regulator-9');
  });
  it('names the first where the second is the lower one', () => {
    const [snag] = snagsOfRule(second(first - 60), 'regulators-fight');
    expect(snag!.part).to.equal('regulator-1');
    expect(findingsOf(second(first - 60)).solution!.points.idle.railPressure).to.be.lessThan((first - 20) * 1000);
  });
  it('begins where the most that the second sees is what it is set to', () => {
    const { snag } = edgeOf('regulators-fight', (x) => second(first + x), [0, 60]);
    // it opens against what stands in the return behind it: some 2 kPa here
    expect(snag.limit!.si - snag.figure!.si).to.be.within(-100, 2500);
  });
  it('says nothing of two that share the work', () => {
    const job = second(first);
    expect(snagsOfRule(job, 'regulators-fight')).to.deep.equal([]);
    const { solution } = findingsOf(job);
    const flow = (id: string) => solution!.points.idle.parts.find((p) => p.id === id)!.flow;
    expect(flow('regulator-1')).to.be.greaterThan(0);
    expect(flow('regulator-9')).to.be.greaterThan(0);
    expect(solution!.points.idle.returnFlow).to.be.closeTo(flow('regulator-1') + flow('regulator-9'), 1e-9);
    expect(circuitsOf(job).bypasses).to.have.members(['regulator-1', 'regulator-9']);
  });
});
