import { expect } from 'chai';
import { referenceJson, referenceRows } from '../../test/read-reference.ts';
import { celsius } from '../units/quick.ts';
import { gaugeArea, gaugeDiameter } from '../units/wire-gauge.ts';
import { wireResistance } from './wire.ts';

// Reference: ASTM B258 and IEC 60028 copper, test/reference/README.md, section D; six digits.
describe('pump wiring', () => {
  for (const row of referenceRows('D_electrical/results_wire.csv'))
    it(`AWG ${row.awg}: diameter, area, ohms a metre cold and hot`, () => {
      const awg = Number(row.awg);
      expect((gaugeDiameter(awg) * 1e3) / Number(row.diameter_mm)).to.be.closeTo(1, 5e-6);
      expect((gaugeArea(awg) * 1e6) / Number(row.area_mm2)).to.be.closeTo(1, 5e-6);
      expect(wireResistance(gaugeArea(awg), 1, celsius(20)) / Number(row.ohm_per_m_20C)).to.be.closeTo(1, 5e-6);
      expect(wireResistance(gaugeArea(awg), 1, celsius(85)) / Number(row.ohm_per_m_85C)).to.be.closeTo(1, 5e-6);
    });
  it('has the ohms that ngspice was given for feed and ground of each circuit', () => {
    const cases = referenceJson('D_electrical/results_circuits.json') as {
      case: string;
      elements: Record<string, { ohm?: number }>;
    }[];
    let checked = 0;
    for (const { case: name, elements } of cases) {
      const circuit = referenceJson(`D_electrical/circuits/${name}.json`) as {
        elements: { id: string; type: string; awg: number; length_m: number; temp_C: number }[];
      };
      for (const wire of circuit.elements.filter((e) => e.type === 'wire')) {
        expect(
          wireResistance(gaugeArea(wire.awg), wire.length_m, celsius(wire.temp_C)) / elements[wire.id]!.ohm!,
          `${name} ${wire.id}`,
        ).to.be.closeTo(1, 5e-6);
        checked++;
      }
    }
    expect(checked).to.be.greaterThan(5);
  });
});
