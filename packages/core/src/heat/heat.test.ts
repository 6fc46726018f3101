import { applyAct } from '../acts/apply-act.ts';
import { circuitsOf } from '../run/circuits.ts';
import { lineOfZone } from '../run/zones.ts';
import { workingsOf } from '../working/workings.ts';
import { expect } from 'chai';
import { act, afterRailJob, changed, cleanJob, expectSnag, get } from '../../test/rule-cases.ts';
import { demoJobs } from '../demo/index.ts';
import type { Job } from '../job/job.ts';
import { findingsOf } from '../reckoning/findings.ts';
import { celsius, litresPerHour } from '../units/quick.ts';
import { bayConductance, type Drive } from './drive.ts';
import { circuitHeat, warmed, wettedArea, type HeatCircuit } from './tank-heat.ts';

const si = (value: number, unit: string) => ({ si: value, unit });
const drive = (job: Job): Drive => findingsOf(job).drive!;
const last = (d: Drive) => d.steps.at(-1)!;

const circuit: HeatCircuit = {
  capacity: 745 * 2100,
  drawn: litresPerHour(200),
  back: litresPerHour(186),
  pumpPower: 120,
  casing: 0,
  bayConductance: 2.5,
  bayFlow: litresPerHour(186),
  bayTemperature: celsius(85),
  shedBefore: 0,
  shedAfter: 0,
  airTemperature: celsius(25),
};

// Closed forms: a heat exchanger with one side at a fixed temperature (effectiveness 1 − exp(−NTU)), mixing by heat balance,
// and the first-order lag of a stirred tank; any textbook of heat transfer.
describe('heat that the fuel takes on', () => {
  it('along a warm surface follows 1 − exp(−NTU)', () => {
    const ntu = 2.5 / (litresPerHour(186) * circuit.capacity);
    const out = warmed(300, 358.15, 2.5, litresPerHour(186), circuit.capacity);
    expect((out - 300) / 58.15).to.be.closeTo(1 - Math.exp(-ntu), 1e-12);
    expect(warmed(300, 358.15, 2.5, 0, circuit.capacity)).to.equal(300);
  });
  it('balances: what comes back is the tank plus pump and engine', () => {
    const heat = circuitHeat(circuit, celsius(30));
    const brought = circuit.back * circuit.capacity * (heat.backTemperature - celsius(30));
    expect(brought).to.be.closeTo(heat.fromPumps + heat.fromEngine, 1e-9);
    expect(heat.fromPumps).to.be.closeTo((120 * 186) / 200, 1e-9); // the engine burns the rest of it
  });
  it('a cooler in the return takes 1 − exp(−NTU) of what stands over the air, and the heat of all adds up', () => {
    const cooled = circuitHeat({ ...circuit, shedAfter: 10 }, celsius(30));
    const before = circuitHeat(circuit, celsius(30)).backTemperature;
    const ntu = 10 / (circuit.back * circuit.capacity);
    expect((before - cooled.backTemperature) / (before - celsius(25))).to.be.closeTo(1 - Math.exp(-ntu), 1e-12);
    const brought = circuit.back * circuit.capacity * (cooled.backTemperature - celsius(30));
    expect(brought).to.be.closeTo(cooled.fromPumps + cooled.fromEngine - cooled.shed, 1e-9);
  });
  it('with a pot between, a cooler on the way back to the pot still adds up', () => {
    const pot = { drawn: litresPerHour(250), back: litresPerHour(230), pumpPower: 150 };
    const at = (shedAfter: number) => circuitHeat({ ...circuit, shedAfter, pot }, celsius(30));
    const [bare, cooled] = [at(0), at(15)];
    expect(cooled.potTemperature!).to.be.lessThan(bare.potTemperature! - 1);
    // into the pot: lifted and come back; out of it: what its pump draws and what runs over, all at its temperature
    const { capacity, drawn } = circuit;
    const lifted = celsius(30) + 120 / (drawn * capacity);
    const pumped = cooled.potTemperature! + 150 / (pot.drawn * capacity);
    const engine = warmed(pumped, circuit.bayTemperature, circuit.bayConductance, circuit.bayFlow, capacity);
    const returned = warmed(engine, celsius(25), 15, pot.back, capacity);
    const mixed = (drawn * lifted + pot.back * returned) / (drawn + pot.back);
    expect(cooled.potTemperature!).to.be.closeTo(mixed, 1e-9);
    expect(cooled.shed).to.be.closeTo(pot.back * capacity * (engine - returned), 1e-6);
  });
  it('a cooler put into the return keeps the tank cooler over a drive, says so in the working, and soaks cooler too', () => {
    const bare = demoJobs.flatBedTender;
    const joint = circuitsOf(bare)
      .into(circuitsOf(bare).tank!.id)
      .find((f) => lineOfZone(f.zone) === 'return')!.joint;
    const put = (sheds: number) =>
      applyAct(bare, {
        act: 'insertPart',
        joint,
        in: 'in',
        out: 'out',
        part: { kind: 'fuelCooler', id: 'fuel-cooler-1', sheds: si(sheds, 'W/K') },
      });
    const [without, little, much] = [findingsOf(bare), findingsOf(put(5)), findingsOf(put(30))];
    expect(last(little.drive!).tank).to.be.lessThan(last(without.drive!).tank);
    expect(last(much.drive!).tank).to.be.lessThan(last(little.drive!).tank);
    expect(much.drive!.heat.shed).to.be.greaterThan(little.drive!.heat.shed);
    const terms = workingsOf(much).find((w) => w.key === 'drive')!.terms;
    expect(terms.find((t) => t.symbol === 'UA_cooler')!.figure.si).to.equal(30);
    expect(terms.find((t) => t.symbol === 'P_cooler')!.figure.si).to.equal(much.drive!.heat.shed);
  });
  it('through a casing: a slow pump warms the tank more than the fuel that it moves, and none is lost', () => {
    const at = (lph: number) =>
      circuitHeat({ ...circuit, drawn: litresPerHour(lph), back: 0, bayFlow: 0, casing: 3 }, celsius(30));
    expect(at(200).throughCasing).to.be.closeTo((120 * 3) / (3 + litresPerHour(200) * circuit.capacity), 1e-9);
    expect(at(14).throughCasing).to.be.greaterThan(8 * at(200).throughCasing);
    expect(at(0).throughCasing).to.equal(120);
    expect(at(14).fromPumps).to.equal(at(14).throughCasing); // nothing comes back
  });
  it('with a pot mixes as a pot does, found here by going round until it settles', () => {
    const withPot: HeatCircuit = {
      ...circuit,
      drawn: litresPerHour(170),
      back: litresPerHour(156),
      pumpPower: 60,
      pot: { drawn: litresPerHour(200), back: litresPerHour(186), pumpPower: 120 },
    };
    const tank = celsius(30);
    const lifted = tank + 60 / (withPot.drawn * circuit.capacity);
    let pot = tank;
    for (let i = 0; i < 500; i++) {
      const pumped = pot + 120 / (withPot.pot!.drawn * circuit.capacity);
      const returned = warmed(
        pumped,
        circuit.bayTemperature,
        circuit.bayConductance,
        circuit.bayFlow,
        circuit.capacity,
      );
      pot = (withPot.drawn * lifted + withPot.pot!.back * returned) / (withPot.drawn + withPot.pot!.back);
    }
    expect(circuitHeat(withPot, tank).potTemperature).to.be.closeTo(pot, 1e-6);
  });
  it('leaves through a surface that shrinks with the level, not to nothing', () => {
    expect(wettedArea(0.001, 1)).to.be.closeTo(0.065, 1e-9);
    expect(wettedArea(0.001, 0) / wettedArea(0.001, 1)).to.be.closeTo(0.4, 1e-9);
  });
});

describe('a drive', () => {
  it('that burns nothing warms like a stirred tank: exponentially to its balance', () => {
    const job = cleanJob((j) => {
      Object.assign(j.assumptions, {
        cruiseDemand: si(litresPerHour(0.001), 'L/h'),
        driveTime: si(3600, 'min'),
        fuelTemperature: si(celsius(20), '°C'),
      });
    });
    const { steps } = drive(job);
    const { solution, tank } = findingsOf(job);
    const power = solution!.points.cruise.pumpPower!;
    const volume = tank.full!;
    const conductance = 10 * wettedArea(volume, 0.5);
    const capacity = 0.5 * volume * 744.6 * 2113; // E10 near 20 °C
    const balance = celsius(35) + power / conductance;
    const expected = balance + (celsius(20) - balance) * Math.exp((-3600 * conductance) / capacity);
    expect(steps.at(-1)!.tank).to.be.closeTo(expected, 0.35);
  });
  it('burns what the engine burns', () => {
    const { steps } = drive(cleanJob());
    const full = 0.62 * 0.41 * 0.236;
    const burnt = litresPerHour(14) * steps.at(-1)!.time;
    expect((steps[0]!.level - steps.at(-1)!.level) * full).to.be.closeTo(burnt, 0.05 * burnt); // rounded corners take a little
  });
  it('ends when the tank is down to its last', () => {
    const long = cleanJob((j) => (j.assumptions.driveTime = si(10 * 3600, 'h')));
    expect(drive(long).ranDry).to.equal(true);
    expect(last(drive(long)).level).to.be.within(0, 0.06);
  });
  it('brings more heat back from behind the rail than from a regulator by the tank', () => {
    expect(bayConductance(cleanJob())).to.equal(0);
    expect(bayConductance(afterRailJob())).to.equal(2.5);
    const before = afterRailJob((j) => act(j, { act: 'moveRegulator', id: 'regulator-1', to: 'beforeRail' }));
    expect(bayConductance(before)).to.be.closeTo(1, 1e-12);
    expect(last(drive(afterRailJob())).tank).to.be.greaterThan(last(drive(cleanJob())).tank + 2);
  });
  it('stays cool without a return', () => {
    const { steps, heat } = drive(demoJobs.islandShuttle);
    expect(heat.engine).to.equal(0);
    expect(heat.pumps).to.be.within(10, 60); // through the casing of the pump in the tank
    expect(steps.at(-1)!.tank).to.be.lessThan(celsius(42));
  });
  it('is not told while the pump’s current is unknown', () => {
    const job = cleanJob((j) => get(j, 'pump').tables!.forEach((t) => t.rows.forEach((r) => delete r.current)));
    expect(findingsOf(job).drive).to.equal(undefined);
  });
  it('that warms the tank too far is a snag, with the time to trouble', () => {
    const hot = cleanJob((j) =>
      Object.assign(j.assumptions, { driveTime: si(7200, 'min'), reidVapourPressure: si(76e3, 'kPa') }),
    );
    const snag = expectSnag('fuel-overheats', cleanJob(), hot, 'fix', 'tank-1');
    expect(snag.figure!.si).to.be.within(5000, 7200);
    const margin = (t: number) => drive(hot).steps.find((s) => s.time >= t)!.margin;
    expect(margin(snag.figure!.si - 200)).to.be.greaterThan(0.9);
  });
  it('draws from a pot fuel that is warmer than the tank’s', () => {
    const step = last(drive(demoJobs.rescuePickup));
    expect(step.pot!).to.be.greaterThan(step.tank);
    const cool = changed(demoJobs.rescuePickup, (j) => (j.assumptions.railHeat = si(0, 'W/K')));
    expect(last(drive(cool)).pot!).to.be.lessThan(step.pot!);
  });
});
