import { expect } from 'chai';
import { changed, cleanJob } from '../../test/rule-cases.ts';
import type { Job } from '../job/job.ts';
import { measured } from '../fields/measured.ts';
import { air, ventDrop, ventFlow } from './vent-flow.ts';
import { ventFindings } from './vent-findings.ts';

const ATMOSPHERE = 101_325;
const mm = (value: number) => measured(value / 1000, 'mm');

describe('air', () => {
  // ISO 2533 standard atmosphere at sea level: 288.15 K, 1.225 kg/m3, 1.7894e-5 Pa s.
  it('has the standard atmosphere’s density and viscosity at 15 °C', () => {
    const { density, viscosity } = air(ATMOSPHERE, 288.15);
    expect(density).to.be.closeTo(1.225, 5e-4);
    expect(viscosity).to.be.closeTo(1.7894e-5, 1e-8);
  });
});

describe('a vent line', () => {
  it('follows Hagen and Poiseuille at a small draw, ends aside', () => {
    const vent = { bore: mm(4), length: mm(3000) };
    const flow = 100 / 3.6e6;
    const { density, viscosity } = air(ATMOSPHERE, 293.15);
    const velocity = flow / ((Math.PI / 4) * 0.004 ** 2);
    const exact = (128 * viscosity * 3 * flow) / (Math.PI * 0.004 ** 4) + (1.5 * density * velocity ** 2) / 2;
    expect(ventDrop(vent, false, flow, ATMOSPHERE)).to.be.closeTo(exact, 1e-3 * exact);
  });
  it('with a valve asks its opening pressure and its rated drop besides', () => {
    const vent = {
      bore: mm(10),
      length: mm(500),
      valveFlow: measured(5e-4, 'L/min'),
      valveDrop: measured(1000, 'kPa'),
      valveCracking: measured(300, 'kPa'),
    };
    const extra = ventDrop(vent, true, 5e-4, ATMOSPHERE) - ventDrop(vent, false, 5e-4, ATMOSPHERE);
    expect(extra).to.be.closeTo(1300, 1e-9);
  });
  it('passes the flow again that its drop drives', () => {
    const vent = { bore: mm(6), length: mm(1200), bends: 3 };
    expect(ventFlow(vent, true, ventDrop(vent, true, 4e-4, ATMOSPHERE), ATMOSPHERE)).to.be.closeTo(4e-4, 1e-9);
  });
  it('sets the pace at the pump when it is narrow, the nozzle when it is wide', () => {
    const known = { demand: 4e-5, density: 745, full: 0.06, top: 0.25 };
    const at = (bore: number) =>
      ventFindings(
        changed(cleanJob(), (j) => Object.assign(j.survey.vent!, { bore: mm(bore) })),
        known,
      )!;
    const [narrow, wide] = [at(4), at(16)];
    expect(narrow.ventLimits).to.equal(true);
    expect(wide.ventLimits).to.equal(false);
    expect(narrow.fillTime!).to.be.greaterThan(wide.fillTime!);
    expect(wide.fillTime).to.be.closeTo((0.06 * 0.95) / wide.fillFlow!, 1e-9);
    expect(narrow.vacuum!).to.be.greaterThan(wide.vacuum!);
  });
});

describe('what a vent does on a job', () => {
  const known = { demand: 4e-5, density: 745, full: 0.06, top: 0.25 };
  const at = (change: (job: Job) => void, given: Parameters<typeof ventFindings>[1] = known) =>
    ventFindings(changed(cleanJob(), change), given);
  const bore = (width: number) => (j: Job) => Object.assign(j.survey.vent!, { bore: mm(width) });

  it('drives the air out by the neck’s head over a full tank, and no harder than the nozzle asks', () => {
    // neck at 590 mm: 0.34 m of fuel over the tank's top
    const head = 745 * 9.80665 * 0.34;
    const job = changed(cleanJob(), bore(4));
    const narrow = ventFindings(job, known)!;
    const most = ventFlow(job.survey.vent!, true, head, ATMOSPHERE);
    expect(narrow.fillFlow).to.be.closeTo(most, 1e-12);
    expect(narrow.fillPressure).to.be.closeTo(head, 1);
    const wide = at(bore(16))!;
    expect(wide.fillFlow).to.be.closeTo(38 / 60e3, 2e-5); // a nozzle's 38 L/min: the typical value
    expect(wide.fillPressure).to.be.lessThan(head);
    expect(wide.draw).to.equal(4e-5);
  });
  it('cannot be filled at all where the neck is no higher than the tank’s top', () => {
    const low = at((j) => (j.survey.tank.fillerHeight = mm(250)))!;
    expect([low.fillFlow, low.fillTime, low.ventLimits]).to.deep.equal([0, undefined, true]);
    const lower = at((j) => (j.survey.tank.fillerHeight = mm(200)))!;
    expect(lower).to.deep.equal(low);
  });
  it('has a valve where the tank has one: it costs pressure, and leans shut past its angle', () => {
    const kind = (vent: 'open' | 'rollOver' | 'canister') => (tilt: number) =>
      at((j) => {
        j.survey.tank.vent = vent;
        j.survey.vent!.valveTilt = { si: (tilt * Math.PI) / 180, unit: '°' };
      })!;
    const [open, rollOver, canister] = [kind('open'), kind('rollOver'), kind('canister')];
    expect(open(5).vacuum!).to.be.lessThan(rollOver(5).vacuum!);
    expect(canister(5).vacuum).to.equal(rollOver(5).vacuum);
    expect([open(80), rollOver(80), canister(80), rollOver(5)].map((v) => v.valveShut)).to.deep.equal([
      false,
      true,
      true,
      false,
    ]);
    expect(at((j) => delete j.survey.vent!.valveTilt)!.valveShut).to.equal(false);
  });
  it('says what it can while something is unknown', () => {
    const whole = at(() => undefined)!;
    expect(Object.keys(whole).sort()).to.deep.equal(
      ['draw', 'fillFlow', 'fillPressure', 'fillTime', 'vacuum', 'ventLimits', 'valveShut'].sort(),
    );
    const base = { vacuum: whole.vacuum, draw: whole.draw, ventLimits: false, valveShut: false };
    for (const key of ['density', 'full', 'top'] as const)
      expect(
        at(() => undefined, { ...known, [key]: undefined }),
        key,
      ).to.deep.equal(base);
    expect(at((j) => delete j.survey.tank.fillerHeight)).to.deep.equal(base);
    const { vacuum, draw, ...rest } = at(() => undefined, { ...known, demand: undefined })!;
    expect([vacuum, draw]).to.deep.equal([undefined, undefined]);
    expect(rest.fillFlow).to.equal(whole.fillFlow);
  });
  it('says nothing of a tank without a vent, or of one that is not measured', () => {
    const none = [
      at((j) => (j.survey.tank.vent = 'none')),
      at((j) => delete j.survey.tank.vent),
      at((j) => delete j.survey.vent!.bore),
      at((j) => delete j.survey.vent!.length),
      at((j) => delete j.survey.vent),
    ];
    expect(none).to.deep.equal([undefined, undefined, undefined, undefined, undefined]);
  });
});
