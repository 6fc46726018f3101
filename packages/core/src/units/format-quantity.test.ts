import { expect } from 'chai';
import { formatNumber, formatQuantity, partnerUnit } from './format-quantity.ts';
import { quantityKinds } from './quantity.ts';
import { defaultUnit, findUnit, fromSi, toSi, units } from './unit-table.ts';

describe('a quantity as text', () => {
  const cases: [Parameters<typeof formatQuantity>, string][] = [
    [['length', 0.2301875], '230.2 mm'],
    [['length', 0.2301875, 'in'], '9.063 in'],
    [['length', 1e-5], '10 µm'],
    [['length', 4e-5, 'in'], '40 µm'],
    [['length', 0.009525, 'dash'], '−6'],
    [['length', 0], '0 mm'],
    [['pressure', 399_896, 'psi'], '58 psi'],
    [['pressure', -60_000], '−60 kPa'],
    [['pressure', -231], '−0.23 kPa'],
    [['volumeFlow', 255 / 3.6e6], '255 L/h'],
    [['volumeFlow', 0.113 / 3.6e6], '0.11 L/h'],
    [['fraction', 0.85], '85 %'],
    [['temperature', 293.15], '20 °C'],
    [['temperature', 293.15, '°F'], '68 °F'],
    [['current', 16], '16 A'],
    [['number', 1.4262], '1.426'],
    [['power', 92_000], '92 kW'],
  ];
  for (const [args, text] of cases)
    it(`${args.join(' ')} reads ${text}`, () => expect(formatQuantity(...args)).to.equal(text));
  it('never says minus nothing, nor a number that is none', () => {
    expect(formatNumber(-0.0001, 1)).to.equal('0');
    expect(formatNumber(Number.NaN, 1)).to.equal('–');
  });
});

describe('the table of units', () => {
  it('has a default for every kind, and goes to SI and back', () => {
    for (const kind of quantityKinds) expect(defaultUnit(kind).kind).to.equal(kind);
    for (const unit of units)
      for (const value of [0, 1, 37.5]) expect(fromSi(toSi(value, unit), unit)).to.be.closeTo(value, 1e-9);
  });
  it('finds every unit by its own name and by each alias, in its own kind', () => {
    for (const unit of units.filter((u) => u.id !== '')) {
      expect(findUnit(unit.id, unit.kind)?.id).to.equal(unit.id);
      for (const alias of unit.aliases) expect(findUnit(alias, unit.kind)?.id, alias).to.equal(unit.id);
    }
  });
  it('echoes each unit in one of the same kind', () => {
    for (const unit of units) {
      const partner = partnerUnit(unit);
      if (partner) expect(partner.kind).to.equal(unit.kind);
    }
  });
  it('holds the conversions of NIST SP 811, appendix B', () => {
    const si = (id: string) =>
      toSi(
        1,
        units.find((u) => u.id === id)!,
      ) -
      toSi(
        0,
        units.find((u) => u.id === id)!,
      );
    expect(si('psi')).to.be.closeTo(6894.757, 5e-4);
    expect(si('gal')).to.be.closeTo(3.785412e-3, 5e-10);
    expect(si('hp')).to.be.closeTo(745.6999, 5e-5);
    expect(si('lb/h') * 3600).to.be.closeTo(0.45359237, 1e-12);
    expect(si('lb/(hp·h)') * 3.6e9).to.be.closeTo(608.2774, 1e-3);
  });
});
