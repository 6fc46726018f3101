import { expect } from 'chai';
import { changed, cleanJob } from '../../test/rule-cases.ts';
import { measured } from '../job/measured.ts';
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
    const vent = { bore: mm(10), length: mm(500), valveFlow: measured(5e-4, 'L/min'), valveDrop: measured(1000, 'kPa'), valveCracking: measured(300, 'kPa') };
    const extra = ventDrop(vent, true, 5e-4, ATMOSPHERE) - ventDrop(vent, false, 5e-4, ATMOSPHERE);
    expect(extra).to.be.closeTo(1300, 1e-9);
  }); // prettier-ignore
  it('passes the flow again that its drop drives', () => {
    const vent = { bore: mm(6), length: mm(1200), bends: 3 };
    expect(ventFlow(vent, true, ventDrop(vent, true, 4e-4, ATMOSPHERE), ATMOSPHERE)).to.be.closeTo(4e-4, 1e-9);
  });
  it('sets the pace at the pump when it is narrow, the nozzle when it is wide', () => {
    const known = { demand: 4e-5, density: 745, full: 0.06, top: 0.25 };
    const at = (bore: number) => ventFindings(changed(cleanJob(), (j) => Object.assign(j.survey.vent!, { bore: mm(bore) })), known)!;
    const [narrow, wide] = [at(4), at(16)];
    expect(narrow.ventLimits).to.equal(true);
    expect(wide.ventLimits).to.equal(false);
    expect(narrow.fillTime!).to.be.greaterThan(wide.fillTime!);
    expect(wide.fillTime).to.be.closeTo((0.06 * 0.95) / wide.fillFlow!, 1e-9);
    expect(narrow.vacuum!).to.be.greaterThan(wide.vacuum!);
  }); // prettier-ignore
});
