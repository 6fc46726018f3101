import { expect } from 'chai';
import { cleanJob } from '../../test/rule-cases.ts';
import { demoJobs } from '../demo/index.ts';
import { findingsOf } from '../reckoning/findings.ts';
import { layouts, type LayoutKey } from '../job/layout.ts';
import type { Job } from '../job/job.ts';
import { circuitsOf } from '../run/circuits.ts';
import { applyAct } from './apply-act.ts';

const keys = Object.keys(layouts) as LayoutKey[];
const injection = keys.filter((key) => layouts[key].engine === 'injection');
const measurements = (job: Job) =>
  Object.values(job.parts)
    .filter((p) => p.kind === 'hose' || p.kind === 'hardLine' || p.kind === 'filter')
    .map(({ aside: _aside, ...part }) => JSON.stringify(part))
    .sort();

describe('switching between schools', () => {
  for (const first of injection)
    for (const second of injection)
      it(`${layouts[first].name}, then ${layouts[second].name}: no measured hose, line or filter is lost`, () => {
        const there = applyAct(cleanJob(), { act: 'chooseLayout', key: first });
        const back = applyAct(there, { act: 'chooseLayout', key: second });
        for (const part of measurements(cleanJob())) expect(measurements(back)).to.include(part);
      });
  for (const key of injection)
    it(`${layouts[key].name}: a measured job is solved in it`, () => {
      const job = applyAct(cleanJob(), { act: 'chooseLayout', key });
      const { solution, faults, needs } = findingsOf(job);
      expect(faults).to.deep.equal([]);
      if (needs.some((n) => n.blocksSolution)) return; // it asks for a part that this job never had
      expect(solution!.points.fullLoad.railPressure).to.be.within(3e5, 4.5e5);
      expect(solution!.points.idle.returnFlow).to.be.greaterThan(0);
    });
  for (const second of injection)
    it(`${layouts[second].name} and back: the rail has what it had, and nothing is left open that was not`, () => {
      const { flatBedTender } = demoJobs;
      const there = applyAct(flatBedTender, { act: 'chooseLayout', key: second });
      const back = applyAct(there, { act: 'chooseLayout', key: 'bypassAfterRail' });
      const [was, is] = [flatBedTender, back].map((job) => findingsOf(job).solution!);
      for (const key of ['idle', 'fullLoad', 'overrun'] as const)
        expect(is!.points[key].railPressure, key).to.be.closeTo(was!.points[key].railPressure, 2);
      const open = (job: Job) =>
        circuitsOf(job).order.flatMap((id) =>
          circuitsOf(job)
            .ports(id)
            .filter((p) => p.state === 'open' && p.spec.use !== 'dry')
            .map((p) => `${id}.${p.port}`),
        );
      const extra = open(back).filter((port) => !open(flatBedTender).includes(port));
      expect(extra).to.deep.equal([]);
    });
  it('puts the regulator where each school has it', () => {
    const place = (key: LayoutKey) => {
      const { parts } = circuitsOf(applyAct(demoJobs.flatBedTender, { act: 'chooseLayout', key }));
      const [regulator, consumer, line] = ['regulator', 'rail', 'hardLine'].map((kind) =>
        parts.findIndex((p) => p.kind === kind),
      );
      return { afterRail: regulator! > consumer!, beforeLine: regulator! < line! };
    };
    expect(place('bypassAfterRail')).to.deep.equal({ afterRail: true, beforeLine: false });
    expect(place('bypassBeforeRail')).to.deep.equal({ afterRail: false, beforeLine: false });
    expect(place('bypassAtTank')).to.deep.equal({ afterRail: false, beforeLine: true });
    expect(place('inTankReturnless')).to.deep.equal({ afterRail: false, beforeLine: true });
  });
  it('a carburettor’s bypass keeps a return, its dead-head has none', () => {
    const laid = (key: LayoutKey) => circuitsOf(applyAct(demoJobs.beachBuggy, { act: 'chooseLayout', key }));
    const line = (key: LayoutKey, line: string) =>
      laid(key)
        .parts.filter((p) => laid(key).lineOf(p.id) === line)
        .map((p) => p.kind);
    expect(line('carburettorBypass', 'return')).to.include('returnDrop');
    expect(line('carburettorBypass', 'supply').at(-1)).to.equal('carburettor');
    expect(line('carburettorDeadHead', 'return')).to.deep.equal([]);
  });
});
