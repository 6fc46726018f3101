import { expect } from 'chai';
import { referenceRows } from '../../test/read-reference.ts';
import { cleanJob, expectSnag } from '../../test/rule-cases.ts';
import { petrolReidOf } from '../run/petrol-reid.ts';
import { findingsOf } from '../reckoning/findings.ts';
import { celsius, kPa, psi } from '../units/quick.ts';
import {
  blendReid,
  boilingTemperature,
  ethanolVapourPressure,
  isVapourExtrapolated,
  petrolReid,
  petrolVapourPressure,
  REID_TEMPERATURE,
  sealedPressure,
  vapourPressure,
} from './vapour-pressure.ts';

const blend = (ethanol: number) => ({ family: 'petrol', ethanol }) as const;
const BASE = kPa(60);

describe('vapour pressure of petrol', () => {
  for (const row of referenceRows('G_fuel/results_vapour_pressure.csv')) {
    const reid = psi(Number(row.rvp_psi));
    const temperature = celsius(Number(row.temp_C));
    it(`at RVP ${row.rvp_psi} psi and ${row.temp_C} °C agrees with the reference`, () => {
      const pressure = petrolVapourPressure(reid, temperature);
      expect(pressure / 1000 / Number(row.tvp_kPa_abs)).to.be.closeTo(1, 5e-5);
      expect(vapourPressure(blend(0), reid, temperature)).to.equal(pressure);
    });
    it(`at RVP ${row.rvp_psi} psi it boils at ${row.temp_C} °C under the reference’s pressure`, () => {
      const boils = boilingTemperature(blend(0), reid, Number(row.tvp_kPa_abs) * 1000);
      expect(boils).to.be.closeTo(temperature, 5e-3);
    });
  }
  it('diesel does not boil in use', () => {
    expect(boilingTemperature({ family: 'diesel' }, psi(9), 101325)).to.equal(undefined);
    expect(vapourPressure({ family: 'diesel' }, psi(9), celsius(90))).to.equal(0);
  });
});

// Boiling point of ethanol: 78.3 °C, CRC Handbook of Chemistry and Physics; 5.9 kPa at 20 °C and 29.4 at 50 °C as published
// with the constants. From memory.
describe('vapour pressure of ethanol', () => {
  it('reaches the atmosphere at its boiling point', () => {
    expect(boilingTemperature(blend(1), BASE, 101325)! - celsius(0)).to.be.closeTo(78.3, 0.05);
    for (const [t, p] of [
      [20, 5.87],
      [37.8, 15.9],
      [50, 29.4],
    ] as const)
      expect(ethanolVapourPressure(celsius(t)) / 1000, `${t} °C`).to.be.closeTo(p, 0.06);
  });
  it('is its own, whatever the petrol was', () =>
    expect(vapourPressure(blend(1), kPa(100), celsius(50))).to.equal(vapourPressure(blend(1), kPa(30), celsius(50))));
});

// Bands as published for blends of a 60 kPa petrol, from memory (common practice).
describe('vapour pressure of a blend', () => {
  const reids = Array.from({ length: 1001 }, (_, i) => blendReid(blend(i / 1000), BASE));
  it('rises a little with the first ethanol, comes back at half and falls towards ethanol’s own', () => {
    const at = (share: number) => reids[share * 10]! / 1000;
    expect(at(0)).to.be.closeTo(60, 1e-9);
    expect(at(10)).to.be.within(65, 70);
    for (const share of [5, 15]) expect(at(share) - 60, `${share} %`).to.be.within(4, 10);
    for (const share of [45, 50]) expect(at(share), `${share} %`).to.be.closeTo(60, 2.5);
    expect(at(85)).to.be.within(33, 45);
    const atReid = (share: number) => vapourPressure(blend(share), BASE, REID_TEMPERATURE) / 1000;
    expect(atReid(0.1) - atReid(0)).to.be.within(5, 10);
    expect(atReid(0.85)).to.be.within(33, 45);
  });
  it('has one peak, between 5 and 20 %, and no jump', () => {
    const peak = reids.indexOf(Math.max(...reids));
    expect(peak / 1000).to.be.within(0.05, 0.2);
    reids.slice(1).forEach((p, i) => {
      if (i < peak) expect(p, `${i}`).to.be.greaterThan(reids[i]!);
      else expect(p, `${i}`).to.be.lessThan(reids[i]!);
      expect(Math.abs(p - reids[i]!)).to.be.lessThan(500);
    });
  });
  it('rises with temperature and with the petrol’s own', () => {
    for (const share of [0.1, 0.5, 0.85])
      for (let t = 0; t < 80; t += 5) {
        const p = vapourPressure(blend(share), BASE, celsius(t));
        expect(vapourPressure(blend(share), BASE, celsius(t + 5))).to.be.greaterThan(p);
        expect(vapourPressure(blend(share), kPa(65), celsius(t))).to.be.greaterThan(p);
      }
  });
  it('in a sealed tank adds to its air: by Dalton’s law', () => {
    const [fuel, cool, hot] = [blend(0.1), celsius(20), celsius(50)];
    const [before, after] = [cool, hot].map((t) => vapourPressure(fuel, BASE, t));
    const wanted = ((101_325 - before!) * hot) / cool + after! - 101_325;
    expect(sealedPressure(fuel, BASE, cool, hot, 101_325)).to.be.closeTo(wanted, 1e-6);
    expect(wanted).to.be.within(60e3, 90e3);
    expect(sealedPressure(fuel, BASE, cool, cool, 101_325)).to.be.closeTo(0, 1e-6);
    // diesel has next to no vapour: its air alone
    expect(sealedPressure({ family: 'diesel' }, BASE, cool, hot, 101_325)).to.be.closeTo(
      101_325 * (hot / cool - 1),
      1e-6,
    );
  });
  it('told of the blend gives back the petrol’s', () => {
    for (const [share, sold] of [
      [0.05, 60],
      [0.1, 65],
      [0.5, 62],
      [0.85, 40],
    ] as const)
      expect(blendReid(blend(share), petrolReid(blend(share), kPa(sold))!)).to.be.closeTo(kPa(sold), 1);
    expect(petrolReid(blend(0), BASE)).to.equal(BASE);
    expect(petrolReid(blend(0.85), kPa(90))).to.equal(undefined);
    expect(petrolReid(blend(0.1), kPa(21))).to.equal(undefined);
    expect(petrolReid(blend(1), kPa(16))).to.equal(undefined);
  });
  it('says beyond which temperature it is extrapolated', () => {
    const edges = [
      [blend(0), 60],
      [blend(0.85), 60],
      [blend(1), 80],
    ] as const;
    for (const [fuel, most] of edges) {
      expect(isVapourExtrapolated(fuel, celsius(most - 0.1))).to.equal(false);
      expect(isVapourExtrapolated(fuel, celsius(most + 0.1))).to.equal(true);
    }
    expect(isVapourExtrapolated(blend(0), celsius(-0.1))).to.equal(true);
    expect(isVapourExtrapolated({ family: 'diesel' }, celsius(90))).to.equal(false);
  });
});

describe('the vapour pressure of a job', () => {
  const told = (of: 'petrol' | 'blend' | undefined, reid: number, share = 0.85) =>
    cleanJob((j) => {
      j.brief.ethanol = { si: share, unit: '%' };
      if (of) j.brief.reidOf = of;
      j.assumptions.reidVapourPressure = { si: reid, unit: 'kPa' };
    });
  it('is the petrol’s unless it is told of the blend', () => {
    for (const of of [undefined, 'petrol'] as const) expect(petrolReidOf(told(of, BASE), blend(0.85))).to.equal(BASE);
    expect(petrolReidOf(told('blend', kPa(40)), blend(0.85))).to.be.greaterThan(kPa(60));
    const margin = (job: ReturnType<typeof told>) => findingsOf(job).solution!.points.fullLoadHot.suctionMargin;
    expect(margin(told('blend', kPa(40)))).to.be.lessThan(margin(told('petrol', kPa(40))));
  });
  it('that no petrol makes is asked about', () => {
    const snag = expectSnag('blend-volatility', told('blend', kPa(45)), told('blend', kPa(90)), 'fix');
    expect(snag.limit!.label).to.equal('the most that a blend has');
    expectSnag('blend-volatility', told('blend', kPa(40), 0.1), told('blend', kPa(21), 0.1), 'fix');
    expectSnag('blend-volatility', told('petrol', kPa(90), 1), told('blend', kPa(90), 1), 'fix');
  });
});
