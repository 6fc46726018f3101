import { expect } from 'chai';
import { celsius } from '../units/quick.ts';
import { genericAdapter } from './adapter-catalogue.ts';
import { objections, sealLimits } from './allowed-here.ts';
import type { Seal } from './port-form.ts';

const by = (seal: Seal, place: Parameters<typeof objections>[2], parts: Parameters<typeof objections>[1] = []) =>
  objections(seal, parts, place).map((o) => (o.by === 'pressure' ? `${o.by} of ${o.of}` : o.by));

describe('a joint that seals, and what stands against it here', () => {
  it('holds its pressure, just under and just over, for every kind of joint', () => {
    for (const [seal, { pressure }] of Object.entries(sealLimits) as [Seal, { pressure: number }][]) {
      expect(by(seal, { pressure: pressure * 0.999 })).to.deep.equal([]);
      expect(by(seal, { pressure: pressure * 1.001 })).to.deep.equal(['pressure of seal']);
    }
  });
  it('goes by its clamp: a worm-drive one holds 150 kPa, a band clamp 690 (common practice; SAE J30, from memory)', () => {
    const at = (pressure: number, clamp: string) => by('clampedHose', { pressure, clamp });
    expect([at(149e3, 'worm'), at(151e3, 'worm')]).to.deep.equal([[], ['pressure of clamp']]);
    expect([at(689e3, 'band'), at(691e3, 'band')]).to.deep.equal([[], ['pressure of seal']]);
  });
  it('lasts up to its heat: a quick connector 115 °C, a metal cone as hot as the line itself', () => {
    const at = (degrees: number, seal: Seal) => by(seal, { temperature: celsius(degrees) });
    expect([at(114, 'quickConnector'), at(116, 'quickConnector')]).to.deep.equal([[], ['heat']]);
    expect(at(400, 'metalCone')).to.deep.equal([]);
    for (const [seal, { heat }] of Object.entries(sealLimits) as [Seal, { heat: number }][])
      if (Number.isFinite(heat)) expect(by(seal, { temperature: heat + 0.1 })).to.deep.equal(['heat']);
  });
  it('goes by what its parts state and are made of; of an end made on tube the fuel meets the tube only', () => {
    const brass = genericAdapter('straight: swivel female flare37 -6 + male flare45 3/8, brass')!;
    const onTube = genericAdapter('tubeEnd: tubeend 3/8 + swivel female flare37 -6, steel')!;
    const e85 = { fuel: { family: 'petrol', ethanol: 0.85 } } as const;
    expect(by('metalCone', e85, [brass])).to.deep.equal(['fuel']);
    expect(
      by('metalCone', { ...e85, own: { brass: { on: { high: 'fine' }, source: 'sheet' } } }, [brass]),
    ).to.deep.equal([]);
    expect(by('metalCone', e85, [onTube])).to.deep.equal([]);
    expect(by('metalCone', { pressure: 5e5 }, [{ ...brass, maximumPressure: 4.9e5 }])).to.deep.equal([
      'pressure of part',
    ]);
  });
  it('says nothing while nothing is known', () => {
    for (const seal of Object.keys(sealLimits) as Seal[]) expect(by(seal, {})).to.deep.equal([]);
  });
});
