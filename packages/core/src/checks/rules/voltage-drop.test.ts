import { expect } from 'chai';
import { cleanJob, expectSnag, snagsOfRule } from '../../../test/rule-cases.ts';
import { wire } from '../../../test/simple-wiring.ts';
import { awg } from '../../demo/build.ts';
import type { Measured } from '../../fields/measured.ts';
import { findingsOf } from '../../reckoning/findings.ts';
import { gaugeArea } from '../../units/wire-gauge.ts';
import { wireResistance } from '../../harness/wire.ts';

const wired = (gauge: Measured, length: number) =>
  cleanJob((j) => wire(j, { supply: gauge, supplyLength: length, earth: gauge, earthLength: 1 }));

describe('rule voltage-drop', () => {
  it('speaks for a thin harness with a big pump, and notes half a volt', () => {
    expectSnag('voltage-drop', wired(awg(10), 3), wired(awg(20), 5), 'fix', 'pump-1');
    expectSnag('voltage-drop', wired(awg(10), 3), wired(awg(14), 3.3), 'note', 'pump-1');
  });
  it('is silent while any of gauge and length is unknown', () => {
    expect(
      snagsOfRule(
        cleanJob((j) => wire(j, { supply: awg(20) })),
        'voltage-drop',
      ),
    ).to.deep.equal([]);
  });
});

describe('voltage at the pump', () => {
  it('is what supply, earth and contacts leave at the current that it draws at that very voltage', () => {
    const job = wired(awg(14), 4);
    const point = findingsOf(job).solution!.points.fullLoadHot;
    const pump = point.parts.find((c) => c.id === 'pump-1')!;
    const ohms = wireResistance(gaugeArea(14), 5, 333.15) + 0.02;
    expect(point.point.voltage - pump.voltage!).to.be.closeTo(pump.current! * ohms, 2e-3);
    expect(pump.wiringCost!).to.be.within(0.05, 0.15);
    const free = findingsOf(cleanJob((j) => delete j.wiring)).solution!.points.fullLoadHot;
    expect(point.pumpFlow).to.be.below(free.pumpFlow);
    expect(findingsOf(job).solution!.margin!.available).to.be.below(
      findingsOf(cleanJob((j) => delete j.wiring)).solution!.margin!.available,
    );
  });
  it('falls with every metre and every thinner gauge', () => {
    const voltage = (job: ReturnType<typeof cleanJob>) =>
      findingsOf(job).solution!.points.fullLoad.parts.find((c) => c.id === 'pump-1')!.voltage!;
    expect(voltage(wired(awg(14), 6))).to.be.below(voltage(wired(awg(14), 3)));
    expect(voltage(wired(awg(20), 3))).to.be.below(voltage(wired(awg(10), 3)));
  });
  it('that wiring takes altogether is a stated fault, not a number', () => {
    const bad = cleanJob((j) =>
      wire(j, { supply: awg(20), supplyLength: 15, earth: awg(20), earthLength: 15, contacts: 2 }),
    );
    const { solution, faults } = findingsOf(bad);
    expect(solution).to.equal(undefined);
    expect(faults[0]).to.include({ code: 'starvedOfVoltage', part: 'pump-1' });
  });
});
