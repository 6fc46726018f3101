import { expect } from 'chai';
import type { QuantityField } from './field.ts';
import { parseQuantity } from './parse-quantity.ts';
import { unitsOf } from './unit-table.ts';

const depth: QuantityField = {
  kind: 'length',
  name: 'tank depth',
  unit: 'mm',
  maximum: 3,
  likely: [0.08, 0.8],
  tool: 'tape',
};
const run: QuantityField = { kind: 'length', name: 'line length', unit: 'mm', maximum: 15, tool: 'tape' };
const wall: QuantityField = { kind: 'length', name: 'wall', unit: 'mm', named: 'gaugeOfTube', tool: 'calipers' };
const edge: QuantityField = { kind: 'length', name: 'thickness of the edge', unit: 'mm', named: 'gaugeOfSheet' };
const stud: QuantityField = { kind: 'length', name: 'stud diameter', unit: 'mm', named: 'screwSize', tool: 'calipers' };
const wire: QuantityField = { kind: 'area', name: 'supply wire', unit: 'mm²', named: 'gaugeOfWire' };
const tube: QuantityField = { kind: 'length', name: 'tube outside diameter', unit: 'mm', named: 'dashOfTube' };
const bore: QuantityField = { kind: 'length', name: 'hose bore', unit: 'mm', named: 'dashOfHose' };
const height: QuantityField = { kind: 'length', name: 'rail height', unit: 'mm', minimum: -5, maximum: 5 };
const mesh: QuantityField = { kind: 'length', name: 'filter rating', unit: 'µm' };
const pressure: QuantityField = { kind: 'pressure', name: 'rail pressure', unit: 'kPa', maximum: 2e6 };
const vacuum: QuantityField = { kind: 'pressure', name: 'manifold pressure', unit: 'kPa', minimum: -101_325 };
const flow: QuantityField = { kind: 'volumeFlow', name: 'flow', unit: 'L/h' };
const power: QuantityField = { kind: 'power', name: 'power', unit: 'kW' };
const bsfc: QuantityField = { kind: 'bsfc', name: 'BSFC', unit: 'g/kWh' };
const temperature: QuantityField = { kind: 'temperature', name: 'temperature', unit: '°C' };
const share: QuantityField = { kind: 'fraction', name: 'ethanol share', unit: '%', maximum: 1, named: 'ethanolBlend' };
const current: QuantityField = { kind: 'current', name: 'fuse', unit: 'A' };
const volts: QuantityField = { kind: 'voltage', name: 'voltage', unit: 'V' };
const ohms: QuantityField = { kind: 'resistance', name: 'sender resistance', unit: 'Ω' };

// Conversions: NIST SP 811 appendix B. psi 6894.757 Pa, US gal 3.785411784 L, hp 745.6999 W, lb/(hp h) 608.277 g/kWh.
const good: [string, QuantityField, number, string][] = [
  ['230mm', depth, 0.23, 'mm'],
  ['230', depth, 0.23, 'mm'],
  [' 230 mm ', depth, 0.23, 'mm'],
  ['23 cm', depth, 0.23, 'cm'],
  ['0.23 m', depth, 0.23, 'm'],
  ['9 1/16 in', depth, 9.0625 * 0.0254, 'in'],
  ['9-1/16 in', depth, 9.0625 * 0.0254, 'in'],
  ['9 1/16"', depth, 9.0625 * 0.0254, 'in'],
  ['9 1/16', depth, 9.0625 * 0.0254, 'in'],
  ['9½ in', depth, 9.5 * 0.0254, 'in'],
  ['9.0625”', depth, 9.0625 * 0.0254, 'in'],
  ['3/8', tube, 0.009525, 'in'],
  ['3/8 in', tube, 0.009525, 'in'],
  ['⅜ inch', tube, 0.009525, 'in'],
  ['-6', tube, 0.009525, 'dash'],
  ['−6', tube, 0.009525, 'dash'],
  ['dash 8', tube, 0.0127, 'dash'],
  ['AN-10', tube, 0.015875, 'dash'],
  ['6AN', tube, 0.009525, 'dash'],
  ['-6', bore, 0.0087, 'mm'],
  ['8,7 mm', bore, 0.0087, 'mm'],
  ['1 ft 2 in', depth, 14 * 0.0254, 'in'],
  ['1\' 2 1/2"', depth, 14.5 * 0.0254, 'in'],
  ['-120 mm', height, -0.12, 'mm'],
  ['+120 mm', height, 0.12, 'mm'],
  ['10 micron', mesh, 1e-5, 'µm'],
  ['40um', mesh, 4e-5, 'µm'],
  ['100', mesh, 1e-4, 'µm'],
  ['58 psi', pressure, 399_895.9, 'psi'],
  ['58psi', pressure, 399_895.9, 'psi'],
  ['4bar', pressure, 400_000, 'bar'],
  ['4 BAR', pressure, 400_000, 'bar'],
  ['0.3 MPa', pressure, 300_000, 'MPa'],
  ['300', pressure, 300_000, 'kPa'],
  ['2,5 bar', pressure, 250_000, 'bar'],
  ['-60 kPa', vacuum, -60_000, 'kPa'],
  ['-18 inHg', vacuum, -60_955.0, 'inHg'],
  ['255 L/h', flow, 255 / 3.6e6, 'L/h'],
  ['255lph', flow, 255 / 3.6e6, 'L/h'],
  ['255 l/hr', flow, 255 / 3.6e6, 'L/h'],
  ['67 gph', flow, (67 * 3.785411784) / 3.6e6, 'gal/h'],
  ['67 gal/h', flow, (67 * 3.785411784) / 3.6e6, 'gal/h'],
  ['550 cc/min', flow, 550e-6 / 60, 'cc/min'],
  ['4.25 L/min', flow, 4.25e-3 / 60, 'L/min'],
  ['400 hp', power, 298_279.95, 'hp'],
  ['400bhp', power, 298_279.95, 'hp'],
  ['90 kW', power, 90_000, 'kW'],
  ['122 PS', power, 89_730.8, 'PS'],
  ['0.6 lb/(hp·h)', bsfc, (0.6 * 608.277e-3) / 3.6e6, 'lb/(hp·h)'],
  ['0.6 lb/hp-hr', bsfc, (0.6 * 608.277e-3) / 3.6e6, 'lb/(hp·h)'],
  ['290 g/kWh', bsfc, 290e-3 / 3.6e6, 'g/kWh'],
  ['20 °C', temperature, 293.15, '°C'],
  ['68F', temperature, 293.15, '°F'],
  ['-40 C', temperature, 233.15, '°C'],
  ['300 K', temperature, 300, 'K'],
  ['85 %', share, 0.85, '%'],
  ['85', share, 0.85, '%'],
  ['15 A', current, 15, 'A'],
  ['16 amps', current, 16, 'A'],
  ['13.8V', volts, 13.8, 'V'],
  ['500 mV', volts, 0.5, 'mV'],
  ['240 ohm', ohms, 240, 'Ω'],
  ['1.2kΩ', ohms, 1200, 'kΩ'],
  ['1e3 Ω', ohms, 1000, 'Ω'],
  ['1 MΩ', ohms, 1e6, 'MΩ'],
  ['1 M\u2126', ohms, 1e6, 'MΩ'],
  ['2 Mω', ohms, 2e6, 'MΩ'],
  ['5 megohm', ohms, 5e6, 'MΩ'],
  ['12 mΩ', ohms, 0.012, 'mΩ'],
  ['12 m\u2126', ohms, 0.012, 'mΩ'],
  ['240 ω', ohms, 240, 'Ω'],
  ['.5 in', depth, 0.0127, 'in'],
  ['9 1/16 in.', depth, 9.0625 * 0.0254, 'in'],
  ['9,5 mm', depth, 0.0095, 'mm'],
  ['3 m 20 cm', run, 3.2, 'm'],
  ['3m20cm', run, 3.2, 'm'],
  ['2 m 5 mm', run, 2.005, 'm'],
  ['12 cm 5 mm', depth, 0.125, 'mm'],
  ['11 ft 6 in', run, 138 * 0.0254, 'in'],
  ['11 ft. 6 in.', run, 138 * 0.0254, 'in'],
  ['-6AN', tube, 0.009525, 'dash'],
  ['-6 AN', tube, 0.009525, 'dash'],
  ['−06 AN', tube, 0.009525, 'dash'],
  ['#6', tube, 0.009525, 'dash'],
  ['#6', bore, 0.0087, 'mm'],
  // tube walls by Birmingham gauge, as in tubing tables (from memory): 20 gauge 0.035 in
  ['20 ga', wall, 0.035 * 0.0254, 'mm'],
  ['18ga.', wall, 0.049 * 0.0254, 'mm'],
  // sheet steel, manufacturers' standard gauge (from memory): 20 gauge 0.0359 in
  ['20 gauge', edge, 0.0359 * 0.0254, 'mm'],
  // ASTM B258: 14 AWG is 2.08 mm2, 10 AWG 5.26 mm2
  ['14 AWG', wire, 2.080908e-6, 'mm²'],
  ['10ga', wire, 5.261155e-6, 'mm²'],
  ['2.5 mm²', wire, 2.5e-6, 'mm²'],
  ['2,5mm2', wire, 2.5e-6, 'mm²'],
  // ASME B1.1: number 10 is 0.190 in, number 8 0.164 in
  ['10-32', stud, 0.19 * 0.0254, 'in'],
  ['#8', stud, 0.164 * 0.0254, 'in'],
  ['1/4-20', stud, 0.25 * 0.0254, 'in'],
  ['M5', stud, 0.005, 'mm'],
  ['M5x0.8', stud, 0.005, 'mm'],
  ['0.5 lb/hp/hr', bsfc, (0.5 * 608.277e-3) / 3.6e6, 'lb/(hp·h)'],
  ['E10', share, 0.1, '%'],
  ['e85', share, 0.85, '%'],
];

const bad: [string, QuantityField, string][] = [
  ['', depth, 'empty'],
  ['   ', depth, 'empty'],
  ['mm', depth, 'empty'],
  ['deep', depth, 'empty'],
  ['-230 mm', depth, 'belowMinimum'],
  ['-6', depth, 'belowMinimum'],
  ['dash 6', depth, 'namedSizeNotHere'],
  ['20 ga', depth, 'namedSizeNotHere'],
  ['10-32', depth, 'namedSizeNotHere'],
  ['E10', pressure, 'namedSizeNotHere'],
  ['14 AWG', depth, 'namedSizeNotHere'],
  ['99 ga', wall, 'unknownSize'],
  ['13-32', stud, 'unknownSize'],
  ['E120', share, 'aboveMaximum'],
  ['230 mm ±', depth, 'empty'],
  ['±1', depth, 'empty'],
  ['230 mm ± -1', depth, 'badError'],
  ['230 ±1 ±2', depth, 'badError'],
  ['230 mm ± 2 psi', depth, 'wrongKind'],
  ['12 mil.', depth, 'unknownUnit'],
  ['-7', tube, 'unknownSize'],
  ['-3', bore, 'unknownSize'],
  ['3/0 in', tube, 'zeroDenominator'],
  ['1,234 mm', depth, 'ambiguousComma'],
  ['12..5 mm', depth, 'notANumber'],
  ['1 234 mm', depth, 'notANumber'],
  ['12 mm 5', depth, 'unknownUnit'],
  ['12 furlong', depth, 'unknownUnit'],
  ['58 psi', depth, 'wrongKind'],
  ['58 psi', flow, 'wrongKind'],
  ['240 lb/h', flow, 'wrongKind'],
  ['4 m', depth, 'aboveMaximum'],
  ['120 %', share, 'aboveMaximum'],
  ['-110 kPa', vacuum, 'belowMinimum'],
  ['NaN', depth, 'empty'],
  ['1e999 mm', depth, 'tooLarge'],
  ['9'.repeat(200), depth, 'notANumber'],
];

describe('a typed quantity', () => {
  for (const [text, field, si, unit] of good)
    it(`reads “${text}” as a ${field.name}`, () => {
      const reading = parseQuantity(text, field);
      if (!reading.ok) throw new Error(reading.fault.message);
      expect(reading.value.si).to.be.closeTo(si, Math.abs(si) * 2e-6);
      expect(reading.value.unit).to.equal(unit);
    });
  for (const [text, field, code] of bad)
    it(`refuses “${text.slice(0, 20)}” as a ${field.name}: ${code}`, () => {
      const reading = parseQuantity(text, field);
      expect(reading.ok ? reading.value.echo : reading.fault.code).to.equal(code);
      if (!reading.ok) expect(reading.fault.message).to.match(/\S.*[.]$/);
    });
  it('echoes the fraction and its conversion', () => {
    const reading = parseQuantity('9 1/16 in', depth);
    expect(reading.ok && reading.value.echo).to.equal('9 1/16 in = 230.2 mm');
  });
  it('echoes what a size by its name measures: a wire in mm², a wall in both, a dash as the dash', () => {
    const echo = (text: string, field: QuantityField) => {
      const reading = parseQuantity(text, field);
      return reading.ok ? reading.value.echo : reading.fault.message;
    };
    expect(echo('14 AWG', wire)).to.equal('= 2.08 mm²'); // ASTM B258
    expect(echo('2.5 mm²', wire)).to.equal('2.5 mm²'); // nobody buys wire by the square inch
    expect(echo('20 ga', wall)).to.equal('= 0.89 mm = 0.035 in');
    expect(echo('#6', tube)).to.match(/^−6 = 9.5[23] mm$/); // 9.525 mm lies between
    expect(echo('40 micron', { kind: 'length', name: 'mesh', unit: 'µm' })).to.equal('40 µm');
  });
  it('asks about a 2.3 m deep tank without refusing it', () => {
    const reading = parseQuantity('2.3 m', depth);
    expect(reading.ok && reading.value.doubt).to.equal('2.3 m for “tank depth”? It is seldom over 800 mm.');
  });
  it('says that the bore of a dash-sized hose is typical, not measured', () => {
    const reading = parseQuantity('-6', bore);
    expect(reading.ok && reading.value.doubt).to.match(/^Typical bore of −6 hose/);
  });
  it('asks about a fraction of more than one', () => {
    const reading = parseQuantity('9 17/16 in', depth);
    expect(reading.ok && reading.value.doubt).to.equal('9 17/16 in is 10 1/16 in: is that what was read?');
    const proper = parseQuantity('9 15/16 in', depth);
    expect(proper.ok && proper.value.doubt).to.equal(undefined);
  });
  for (const [text, field, error, echo] of [
    ['230 mm ±1', depth, 1e-3, '230 mm ± 1 mm = 9 1/16 in'],
    ['230 ± 1', depth, 1e-3, '230 mm ± 1 mm = 9 1/16 in'],
    ['230 ±1 mm', depth, 1e-3, '230 mm ± 1 mm = 9 1/16 in'],
    ['9 1/16 in +/- 1/32', depth, 0.0254 / 32, '9 1/16 in ± 1/32 in = 230.2 mm'],
    ['58 psi ± 10 kPa', pressure, 1e4, '58 psi ± 1.45 psi = 399.9 kPa'],
    ['20 °C ± 2', temperature, 2, '20 °C ± 2 °C = 68 °F'],
  ] as const)
    it(`keeps the reading error of “${text}”`, () => {
      const reading = parseQuantity(text, field);
      if (!reading.ok) throw new Error(reading.fault.message);
      expect(reading.value.error).to.be.closeTo(error, error * 1e-9);
      expect(reading.value.echo).to.equal(echo);
    });
  it('says of a tape what a tape reads, of calipers decimals', () => {
    const [tape, calipers] = [parseQuantity('230 mm', depth), parseQuantity('8.7 mm', bore)];
    expect(tape.ok && tape.value.echo).to.equal('230 mm = 9 1/16 in');
    expect(calipers.ok && calipers.value.echo).to.equal('8.7 mm = 0.343 in');
  });
  it('reads what it calls typed to the same value again, whatever units are shown by then', () => {
    for (const [text, field] of good) {
      const first = parseQuantity(text, field);
      if (!first.ok) throw new Error(text);
      for (const other of [undefined, ...unitsOf(field.kind).map((u) => u.id)]) {
        const again = parseQuantity(first.value.typed, field, other);
        if (!again.ok) throw new Error(`${first.value.typed}: ${again.fault.message}`);
        expect(again.value.si, `${first.value.typed} in ${other}`).to.equal(first.value.si);
        expect(again.value.typed).to.equal(first.value.typed);
      }
    }
  });
  it('keeps a bare number in the unit the field shows', () => {
    const reading = parseQuantity('43.5', pressure, 'psi');
    expect(reading.ok && reading.value.unit).to.equal('psi');
  });
});
