import { expect } from 'chai';
import { mm } from '../units/quick.ts';
import { adapterLoss, adapterSchema, adapterShapes } from './adapter.ts';
import { genericAdapter, genericAdapters } from './adapter-catalogue.ts';
import { fittingLoss } from '../hydraulics/loss-coefficient.ts';
import { mate } from './mating.ts';
import { portForm } from './port-form.ts';
import { portSize } from './port-size.ts';
import type { Port } from './port.ts';

const list = genericAdapters();
const opposite = (port: Port): Port => ({ ...port, gender: port.gender === 'male' ? 'female' : 'male' });
const partnerForms = { barb: 'hose', bead: 'hose', hoseEnd: 'hose', tubeEnd: 'tube', ferrule: 'tube' } as const;

describe('the catalogue of generic adapters', () => {
  it('holds at least three thousand, each under a code of its own, and every shape', () => {
    expect(list.length).to.be.greaterThan(3000);
    expect(new Set(list.map((a) => a.code)).size).to.equal(list.length);
    expect([...new Set(list.map((a) => a.shape))].sort()).to.deep.equal(Object.keys(adapterShapes).sort());
    expect(genericAdapter(list[7]!.code)).to.equal(list[7]);
  });
  it('is in the form in which a job keeps adapters', () => {
    for (const adapter of list) expect(adapterSchema.safeParse(adapter).success, adapter.code).to.equal(true);
  });
  it('mates at every port with what that port says', () => {
    for (const { code, ports } of list)
      for (const port of ports) {
        const form = partnerForms[port.form as keyof typeof partnerForms];
        const partner: Port = form ? { form, size: port.size, gender: portForm(form).only! } : opposite(port);
        expect(mate(port, partner).mates, `${code}: ${port.form}`).to.equal(true);
      }
  });
  it('is bored no wider than the widest of its ends and no narrower than the narrowest allows', () => {
    for (const { code, ports, bore, flats } of list) {
      const sizes = ports.map((p) => portSize(p.form, p.size)!);
      expect(bore, code).to.be.at.least(Math.min(...sizes.map((s) => s.bore)) - 1e-9);
      expect(bore, code).to.be.at.most(Math.max(...sizes.map((s) => Math.max(s.nominal, s.bore))) + 1e-9);
      if (flats > 0) expect(flats, code).to.be.at.least(bore - mm(1));
    }
  });
  it('has light-alloy −6 bored between SAE J514 (7.5 mm, from memory) and its tube of 9.5 mm', () => {
    const one = list.find(
      (a) =>
        a.shape === 'straight' &&
        a.material === 'aluminium' &&
        a.ports.every((p) => p.form === 'flare37' && p.size === '−6'),
    )!;
    expect(one.bore).to.be.closeTo((0.297 * 0.0254 + 0.375 * 0.0254) / 2, 1e-6);
  });
  it('joins only what one body bridges: a step of at most 1.75 between its ends', () => {
    for (const { ports, shape, code } of list) {
      if (shape === 'gaugePort' || shape === 'y' || shape === 'cap' || shape === 'plug') continue;
      const sizes = ports.map((p) => portSize(p.form, p.size)!.nominal);
      expect(Math.max(...sizes) / Math.min(...sizes), code).to.be.at.most(1.75 + 1e-9);
    }
  });
});

describe('what an adapter loses', () => {
  it('is that of a union when straight, of a bend by Darby when bent, more when tight than when swept', () => {
    const bore = mm(8);
    expect(adapterLoss({ shape: 'straight', angle: 0, bore })).to.deep.equal({ k1: 0, kInfinity: 0.1 });
    const quarter = Math.PI / 2;
    expect(adapterLoss({ shape: 'elbow', angle: quarter, bore })).to.deep.equal(fittingLoss('elbow90Tight', bore));
    expect(adapterLoss({ shape: 'hoseEnd', angle: quarter, bore })).to.deep.equal(fittingLoss('elbow90Swept', bore));
    const [tight, swept] = (['elbow', 'hoseEnd'] as const).map(
      (shape) => adapterLoss({ shape, angle: Math.PI / 4, bore }).kInfinity,
    );
    expect(tight!).to.be.greaterThan(swept!);
    expect(adapterLoss({ shape: 'hoseEnd', angle: Math.PI, bore }).kInfinity).to.be.closeTo(
      2 * fittingLoss('elbow90Swept', bore).kInfinity,
      1e-12,
    );
  });
});
