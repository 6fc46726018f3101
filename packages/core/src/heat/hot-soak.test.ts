import { expect } from 'chai';
import { carburettorJob, changed, cleanJob, expectSnag, get } from '../../test/rule-cases.ts';
import { demoJobs } from '../demo/index.ts';
import type { Job } from '../job/job.ts';
import type { PartOf } from '../parts/kinds.ts';
import { circuitsOf } from '../run/circuits.ts';
import { findingsOf } from '../reckoning/findings.ts';
import { celsius } from '../units/quick.ts';
import { heatZones, keptOff, lineHeat } from './line-heat.ts';
import type { HotSoak } from './hot-soak.ts';

const si = (value: number, unit = '') => ({ si: value, unit });
const soak = (job: Job): HotSoak => findingsOf(job).soak!;

describe('the hot soak', () => {
  // Common practice: line and rail beside the engine reach 80 to 110 °C in 10 to 30 minutes.
  it('brings the rail to 80 to 110 °C in 10 to 30 minutes', () => {
    for (const job of [cleanJob(), demoJobs.rescuePickup, demoJobs.sprintCar]) {
      const { hottest } = soak(job);
      expect(hottest.temperature).to.be.within(celsius(80), celsius(110));
      expect(hottest.time / 60).to.be.within(8, 30);
    }
  });
  it('warms the rail like a body in air of falling temperature: a closed form', () => {
    // air that does not cool: exponentially to its temperature with the rail's heat over what it passes on
    const job = cleanJob((j) =>
      Object.assign(j.assumptions, {
        engineCooling: si(86400, 'min'),
        soakAir: si(celsius(90), '°C'),
        ambientTemperature: si(celsius(70), '°C'),
      }),
    );
    const { steps } = soak(job);
    const volume = (Math.PI / 4) * 0.012 ** 2 * 0.381;
    const capacity = 400 + 1.4 * volume * 744 * 2113;
    const at = steps.find((s) => s.time === 300)!;
    const wanted = celsius(90) - 40 * Math.exp((-300 * 2.5) / capacity);
    // the volume and heat of the fuel in it are taken at one temperature here
    expect(at.rail).to.be.closeTo(wanted, 0.2);
  });
  it('loses the pressure without a check valve or with a regulator that bleeds, and half of it in the time told', () => {
    const held = soak(cleanJob());
    expect(held.isHeld).to.equal(true);
    const gauge = (s: HotSoak, time: number) => s.steps.find((x) => x.time === time)!.pressure - 101_325;
    expect(gauge(held, 1800) / gauge(held, 0)).to.be.closeTo(0.5, 1e-6);
    const slow = soak(cleanJob((j) => (j.assumptions.pressureHalves = si(7200, 'min'))));
    expect(gauge(slow, 7200) / gauge(slow, 0)).to.be.closeTo(0.5, 1e-6);
    for (const lost of [
      soak(cleanJob((j) => delete get(j, 'pump').checkValve)),
      soak(cleanJob((j) => (get(j, 'regulator').bleeds = true))),
    ]) {
      expect(lost.isHeld).to.equal(false);
      expect(gauge(lost, 0)).to.equal(0);
      expect(lost.flashes!.time).to.be.lessThan(600);
      expect(lost.safeAgain!).to.be.greaterThan(3600);
    }
  });
  it('boils sooner with more volatile fuel, and not at all where the pressure stays above', () => {
    expect(soak(cleanJob()).flashes).to.equal(undefined);
    expect(soak(cleanJob()).safeAgain).to.equal(0);
    const winter = soak(cleanJob((j) => (j.assumptions.reidVapourPressure = si(90e3, 'kPa'))));
    expect(winter.flashes).to.not.equal(undefined);
    expect(winter.refill!).to.be.greaterThan(0);
    expect(winter.isExtrapolated).to.equal(true);
  });
  it('boils less in a line that lies below the rail, more in one above it: ρ g h', () => {
    const boiled = (line: number, rail: number) => {
      const job = cleanJob((j) => {
        delete get(j, 'pump').checkValve; // nothing but the height keeps it under pressure
        j.survey.railHeight = si(rail, 'm');
        for (const p of Object.values(j.parts))
          if (p.kind === 'hardLine' || p.kind === 'hose') Object.assign(p, { lies: 'bay' });
        get(j, 'hardLine').length = si(9, 'm');
        j.joints['hose-2-in']!.height = si(line, 'm');
      });
      return soak(job).steps.reduce((sum, s) => sum + s.vapour, 0);
    };
    const level = boiled(0.2, 0.2);
    expect(boiled(0.2, 3)).to.be.lessThan(0.95 * level);
    expect(boiled(3, 0.2)).to.be.greaterThan(1.05 * level);
  });
  it('is safe again a step after it last boiled; not told where it still boils at the end', () => {
    const lost = soak(cleanJob((j) => delete get(j, 'pump').checkValve));
    const last = lost.steps.filter((s) => s.vapour > 0).at(-1)!;
    expect(lost.safeAgain).to.equal(last.time + 60);
    const never = soak(
      cleanJob((j) => {
        delete get(j, 'pump').checkValve;
        j.assumptions.engineCooling = si(1e6, 'min'); // the bay stays as hot as it was
      }),
    );
    expect(never.steps.at(-1)!.vapour).to.be.greaterThan(0);
    expect(never.safeAgain).to.equal(undefined);
  });
  it('of diesel is not told', () =>
    expect(findingsOf(cleanJob((j) => (j.brief.fuel = 'diesel'))).soak).to.equal(undefined));
  it('that empties the line is a snag; a check valve and a shut regulator cure it', () => {
    const long = (change: (j: Job) => void) =>
      cleanJob((j) => {
        for (const p of Object.values(j.parts))
          if (p.kind === 'hardLine' || p.kind === 'hose') Object.assign(p, { lies: 'bay' });
        get(j, 'hardLine').length = si(9, 'm');
        change(j);
      });
    const snag = expectSnag(
      'soak-flashes',
      long(() => undefined),
      long((j) => delete get(j, 'pump').checkValve),
      'fix',
      'hose-1',
    );
    expect(snag.cure).to.include('check valve');
  });
  it('is silent about a carburettor that fills again at once', () =>
    expect(findingsOf(carburettorJob()).soak!.refill).to.be.lessThan(4));
});

describe('heat to a line', () => {
  const hose = (rest: Partial<PartOf<'hose'>>) => ({ kind: 'hose', id: 'h', ...rest }) as PartOf<'hose'>;
  const all = (rest: Partial<PartOf<'hose'>>, zone: 'bay' | 'exhaust' = 'exhaust') => {
    const { air, exhaust, metal } = lineHeat(hose(rest), zone);
    return { sum: air + exhaust + metal, air, exhaust, metal };
  };
  it('falls with distance from the exhaust, with a shield, a sleeve and clips that stand off', () => {
    const near = all({ exhaustGap: si(0.03, 'mm') });
    expect(all({ exhaustGap: si(0.1, 'mm') }).exhaust).to.be.lessThan(near.exhaust);
    expect(all({ exhaustGap: si(0.03, 'mm'), shielded: true }).exhaust / near.exhaust).to.be.closeTo(0.2, 1e-9);
    expect(all({ exhaustGap: si(0.03, 'mm'), sleeved: true }).sum).to.be.lessThan(0.6 * near.sum);
    const clipped = all({ standOff: si(0.003, 'mm') }, 'bay');
    expect(clipped.metal).to.be.closeTo((0.15 * 0.03) / 0.003, 1e-9);
    expect(all({ standOff: si(0.02, 'mm') }, 'bay').metal).to.be.lessThan(clipped.metal / 5);
    expect(all({}, 'bay').exhaust).to.equal(0);
  });
  it('a sleeve halves what a bare line takes on, in series with 5 mm of cloth', () => {
    expect(keptOff(hose({ sleeved: true }), 'bay')).to.be.closeTo(1 / (1 + 0.1 * 12), 1e-9);
    expect(keptOff(hose({}), 'bay')).to.equal(1);
  });
  it('a line lies where it is said to, else in the bay behind the middle of the way', () => {
    const zones = heatZones(circuitsOf(cleanJob()));
    expect([zones.get('rail-1'), zones.get('hose-2'), zones.get('pump-1')]).to.deep.equal(['bay', 'bay', 'tank']);
    const said = heatZones(
      circuitsOf(changed(cleanJob(), (j) => Object.assign(j.parts['hose-2']!, { lies: 'underbody' }))),
    );
    expect(said.get('hose-2')).to.equal('underbody');
  });
  it('kept off the lines in the bay warms the tank less on the drive', () => {
    const end = (change: (p: object) => void) =>
      findingsOf(
        changed(demoJobs.rescuePickup, (j) => {
          for (const p of Object.values(j.parts)) if (p.kind === 'hose' || p.kind === 'hardLine') change(p);
        }),
      ).drive!.steps.at(20)!.tank;
    expect(end((p) => Object.assign(p, { sleeved: true }))).to.be.at.most(end(() => undefined));
  });
});
