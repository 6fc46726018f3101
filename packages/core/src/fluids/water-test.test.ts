import { expect } from 'chai';
import { cleanJob, expectSnag, get, snagsOfRule } from '../../test/rule-cases.ts';
import { fuelClassOf, materialRows, tankWalls, verdicts } from '../ratings/material-fuel.ts';
import { ethanolForMultiplier, volumeMultiplier } from './fuel.ts';
import { waterTest } from './water-test.ts';

const ml = (value: number) => ({ si: value * 1e-6, unit: 'mL' });

describe('the water test', () => {
  it('finds the rise of the boundary over the fuel, give or take 3 points (common practice)', () => {
    expect(waterTest(20e-6, 100e-6, 105e-6)).to.deep.include({ share: 0.85 });
    const found = waterTest(20e-6, 100e-6, 105e-6) as { low: number; high: number };
    expect([found.low, found.high].map((s) => s.toFixed(3))).to.deep.equal(['0.820', '0.880']);
    expect(waterTest(20e-6, 100e-6, 20e-6)).to.deep.include({ share: 0, low: 0 });
  });
  it('names a reading that cannot be', () => {
    expect(waterTest(20e-6, 0, 20e-6)).to.deep.equal({ fault: 'noFuel' });
    expect(waterTest(20e-6, 100e-6, 15e-6)).to.deep.equal({ fault: 'boundaryFell' });
    expect(waterTest(20e-6, 100e-6, 125e-6)).to.deep.equal({ fault: 'boundaryAboveAll' });
  });
  it('that contradicts the brief is a snag that corrects it', () => {
    const tested = (boundary: number) =>
      cleanJob((j) => Object.assign(j.brief, { testWater: ml(20), testFuel: ml(100), testBoundary: ml(boundary) }));
    const snag = expectSnag('blend-tested-otherwise', tested(31), tested(62), 'fix');
    expect(snag.actLabel).to.equal('Reckon with 42 %');
  });
});

describe('a quoted multiplier', () => {
  // Common practice: 1.32 is quoted for "E85"; by mass balance it fits about 70 %.
  it('of 1.32 fits 70 % ethanol and leaves 85 % about 7 % lean', () => {
    expect(ethanolForMultiplier(1.32)).to.be.closeTo(0.69, 0.012);
    expect(1.32 / volumeMultiplier({ family: 'petrol', ethanol: 0.85 }) - 1).to.be.closeTo(-0.074, 0.005);
  });
  it('is undone for every blend, and no blend has a larger one than ethanol itself', () => {
    for (const ethanol of [0, 0.1, 0.5, 0.85, 1])
      expect(ethanolForMultiplier(volumeMultiplier({ family: 'petrol', ethanol }))).to.be.closeTo(ethanol, 1e-9);
    expect(ethanolForMultiplier(1.7)).to.equal(undefined);
  });
});

describe('materials and fuels', () => {
  it('every material has a verdict on every fuel, with its source', () => {
    for (const { name, on, source } of materialRows) {
      expect(Object.keys(on), name).to.deep.equal(['petrol', 'e10', 'high', 'diesel']);
      for (const verdict of Object.values(on)) expect(verdicts).to.include(verdict);
      expect(source).to.not.equal('');
    }
  });
  // Common practice: ethanol attacks zinc, terne and bare aluminium.
  it('ethanol attacks zinc, terne and bare aluminium', () => {
    const attacked = Object.entries(tankWalls).filter(([, w]) => w.on.high === 'attacked');
    expect(attacked.map(([key]) => key)).to.deep.equal(['zinc', 'terne', 'aluminium']);
  });
  it('fuels fall in four classes', () => {
    expect(fuelClassOf({ family: 'diesel' })).to.equal('diesel');
    expect([0, 0.05, 0.1, 0.2, 0.85].map((ethanol) => fuelClassOf({ family: 'petrol', ethanol }))).to.deep.equal([
      'petrol',
      'e10',
      'e10',
      'high',
      'high',
    ]);
  });
  it('nitrile seals in a high blend are told; fluoroelastomer is not', () => {
    const with_ = (seals: 'nbr' | 'fkm' | 'hnbr', ethanol = 0.85) =>
      cleanJob((j) => {
        j.brief.ethanol!.si = ethanol;
        get(j, 'regulator').seals = seals;
      });
    expectSnag('seal-attacked', with_('fkm'), with_('nbr'), 'fix', 'regulator-1');
    expect(snagsOfRule(with_('hnbr'), 'seal-attacked')[0]).to.include({ grade: 'note' });
    expect(snagsOfRule(with_('nbr', 0.1), 'seal-attacked')[0]!.what).to.include('up to 10 % ethanol');
  });
});
