import { expect } from 'chai';
import fc from 'fast-check';
import { referenceJson } from '../../test/read-reference.ts';
import type { CircuitElement } from './circuit.ts';
import { constantPower, EARTH, powerLaw } from './circuit.ts';
import { plainCircuitSchema, sayCircuitFault, solvePlainCircuit } from '../wiring/plain-circuit.ts';
import { solveCircuit } from './solve-circuit.ts';

interface Reference {
  readonly case: string;
  readonly node_volts: Readonly<Record<string, number>>;
  readonly currents_A: Readonly<Record<string, number>>;
}
const source = (volts: number, a = 's', b = EARTH, id = 'battery'): CircuitElement => ({
  id,
  a,
  b,
  law: { kind: 'source', volts },
});
const wire = (id: string, a: string, b: string, ohms: number): CircuitElement => ({
  id,
  a,
  b,
  law: { kind: 'resistor', ohms },
});
const solved = (elements: readonly CircuitElement[]) => {
  const found = solveCircuit(elements);
  if (!found.ok) throw new Error(sayCircuitFault(found.fault));
  return found.value;
};
const faultOf = (elements: readonly CircuitElement[]): string => {
  const found = solveCircuit(elements);
  return found.ok ? 'none' : `${found.fault.code}: ${sayCircuitFault(found.fault)}`;
};

// Reference: ngspice, checked with scipy there; six digits: test/reference/README.md, section D.
describe('circuits', () => {
  for (const { case: name, node_volts, currents_A } of referenceJson(
    'D_electrical/results_circuits.json',
  ) as Reference[])
    it(`are those of ngspice: ${name}`, () => {
      const circuit = plainCircuitSchema.parse(referenceJson(`D_electrical/circuits/${name}.json`));
      const found = solvePlainCircuit(circuit);
      if (!found.ok) throw new Error(sayCircuitFault(found.fault));
      expect([...found.value.volts.keys()].sort()).to.deep.equal(Object.keys(node_volts).sort());
      for (const [node, volts] of Object.entries(node_volts))
        expect(found.value.volts.get(node)! / volts, node).to.be.closeTo(1, 5e-6);
      for (const [id, amps] of Object.entries(currents_A))
        expect(found.value.amps.get(id)! / amps, id).to.be.closeTo(1, 5e-6);
    });

  it('give a load of constant power the upper of its two voltages: V² − V·V0 + R·P = 0', () => {
    const at = (watts: number) =>
      solved([
        source(12),
        wire('feed', 's', 'p', 0.1),
        { id: 'pump', a: 'p', b: EARTH, law: { kind: 'load', law: constantPower(watts, 0.5), least: 0.5 } },
      ]).volts.get('p')!;
    // up to just under the most that 12 V brings through 0.1 Ω: V0²/4R = 360 W, at half of its voltage
    for (const watts of [1, 100, 300, 359.9])
      expect(at(watts)).to.be.closeTo((12 + Math.sqrt(144 - 0.4 * watts)) / 2, 1e-6);
    expect(() => at(361)).to.throw(
      '“pump” has no operating point: the circuit brings no more than 99 % of what its loads want',
    );
  });

  it('of constant power find all or nothing together: two on one feed, by the same closed form', () => {
    const load = (id: string, watts: number): CircuitElement => ({
      id,
      a: 'p',
      b: EARTH,
      law: { kind: 'load', law: constantPower(watts, 0.5), least: 0.5 },
    });
    const both = solved([source(13.8), wire('feed', 's', 'p', 0.05), load('one', 120), load('two', 200)]);
    expect(both.volts.get('p')).to.be.closeTo((13.8 + Math.sqrt(13.8 ** 2 - 4 * 0.05 * 320)) / 2, 1e-8);
    expect(both.amps.get('one')! / both.amps.get('two')!).to.be.closeTo(0.6, 1e-9);
  });

  it('with joints without resistance tell what passes them', () => {
    const { amps } = solved([
      source(12),
      wire('stud', 's', 'a', 0),
      wire('lamp', 'a', EARTH, 6),
      wire('beside', 'a', 'b', 0),
      wire('horn', 'b', EARTH, 3),
    ]);
    expect(amps.get('stud')).to.be.closeTo(6, 1e-9);
    expect(amps.get('beside')).to.be.closeTo(4, 1e-9);
    expect(amps.get('battery')).to.be.closeTo(-6, 1e-9);
  });

  // Kirchhoff: what comes to a place leaves it; around every element the voltages of its places differ by its own law.
  it('keep Kirchhoff’s laws whatever is joined to whatever', () => {
    const ohms = fc.double({ min: 0.15, max: 50, noNaN: true });
    const node = fc.integer({ min: 0, max: 7 });
    const link = fc.tuple(node, node, ohms);
    const load = fc.tuple(
      node,
      node,
      fc.double({ min: 0.1, max: 3, noNaN: true }),
      fc.double({ min: 0.1, max: 1.4, noNaN: true }),
    );
    fc.assert(
      fc.property(
        fc.array(ohms, { minLength: 8, maxLength: 8 }),
        fc.array(link, { maxLength: 8 }),
        fc.array(load, { maxLength: 3 }),
        (tree, links, loads) => {
          const name = (i: number) => (i === 0 ? 's' : `n${i}`);
          const elements: CircuitElement[] = [
            source(12.6),
            ...tree.map((r, i) => wire(`tree-${i}`, name(i), i === 7 ? EARTH : name(i + 1), r)),
            ...links.flatMap(([i, j, r], k) => (i === j ? [] : [wire(`link-${k}`, name(i), name(j), r)])),
            ...loads.flatMap(([i, j, amps, exponent], k): CircuitElement[] =>
              i === j
                ? []
                : [
                    {
                      id: `load-${k}`,
                      a: name(Math.min(i, j)),
                      b: name(Math.max(i, j)),
                      law: { kind: 'load', law: powerLaw(amps, 12, exponent) },
                    },
                  ],
            ),
          ];
          const found = solveCircuit(elements);
          if (!found.ok) return void expect(found.fault.code).to.equal('noOperatingPoint');
          const { volts, amps } = found.value;
          const at = (n: string) => (n === EARTH ? 0 : volts.get(n)!);
          for (const n of volts.keys()) {
            const sum = elements.reduce(
              (s, e) => s + (e.a === n ? -amps.get(e.id)! : 0) + (e.b === n ? amps.get(e.id)! : 0),
              0,
            );
            expect(Math.abs(sum), n).to.be.lessThan(1e-8);
          }
          for (const e of elements) {
            const across = at(e.a) - at(e.b);
            if (e.law.kind === 'resistor') expect(amps.get(e.id)! * e.law.ohms).to.be.closeTo(across, 1e-8);
            if (e.law.kind === 'source') expect(across).to.be.closeTo(12.6, 1e-9);
            if (e.law.kind === 'load') expect(amps.get(e.id)).to.be.closeTo(e.law.law.current(across), 1e-8);
          }
        },
      ),
      { seed: 13, numRuns: 200 },
    );
  });

  it('lose half as much in a wire that is doubled, at the same current', () => {
    const load: CircuitElement = { id: 'pump', a: 'p', b: EARTH, law: { kind: 'current', amps: 9 } };
    const drop = (...wires: CircuitElement[]) => 12 - solved([source(12), ...wires, load]).volts.get('p')!;
    const one = drop(wire('one', 's', 'p', 0.04));
    expect(one).to.be.closeTo(0.36, 1e-9);
    expect(drop(wire('one', 's', 'p', 0.04), wire('two', 's', 'p', 0.04))).to.be.closeTo(one / 2, 1e-9);
  });
});

describe('circuits that are none', () => {
  const lamp = wire('lamp', 's', EARTH, 2);
  it('a short from battery to earth, at the very wire', () => {
    expect(faultOf([source(12), lamp, wire('chafed', 's', EARTH, 0.02)])).to.equal(
      'short: “chafed” shorts “battery” to its other terminal: 606 A with every load off',
    );
    expect(faultOf([source(12), lamp, wire('chafed', 's', 'x', 0.01), wire('bolt', 'x', EARTH, 0.01)])).to.include(
      '“chafed”, “bolt” short “battery”',
    );
    expect(faultOf([source(12), wire('strap', 's', EARTH, 0)])).to.include('“strap” shorts “battery”');
    // 100 A and not more is what a circuit may carry with its loads off
    expect(faultOf([source(12), wire('heater', 's', EARTH, 0.1201)])).to.equal('none');
    expect(faultOf([source(12), wire('heater', 's', EARTH, 0.1199)])).to.include('short');
  });
  it('a place that floats: a pump without an earth', () => {
    const pump: CircuitElement = { id: 'pump', a: 's', b: 'g', law: { kind: 'load', law: powerLaw(8, 13.5, 0.4) } };
    expect(faultOf([source(12), lamp, pump])).to.equal(
      'floating: “g”, at “pump”, has no way to the battery’s negative but through a load',
    );
    expect(faultOf([source(12), lamp, pump, wire('earth', 'g', EARTH, 0.01)])).to.equal('none');
    expect(faultOf([source(12, 's', 'x'), wire('lamp', 's', 'x', 2)])).to.include('nothing is joined to 0');
  });
  it('two batteries against one another, with and without anything between them', () => {
    const other = (volts: number) => source(volts, 'o', EARTH, 'other');
    expect(faultOf([source(12), source(12, 's', EARTH, 'other')])).to.include(
      '“battery”, “other” press against one another',
    );
    expect(faultOf([source(12), other(-12), wire('cable', 's', 'o', 0.01), lamp])).to.include(
      '“battery”, “other” press against one another: 2406 A',
    );
    expect(faultOf([source(14.2), other(12.6), wire('cable', 's', 'o', 0.02), lamp])).to.equal('none');
  });
  const plain = (elements: object[]) => {
    const read = plainCircuitSchema.safeParse({ elements });
    return read.success ? 'fine' : `${read.error.issues[0]!.path.join('.')} ${read.error.issues[0]!.message}`;
  };
  it('a negative length, AWG 99, a name twice and what is too much, each at its place', () => {
    const ok = { id: 'w', type: 'wire', a: 's', b: '0', awg: 12, length_m: 1, temp_C: 20 };
    expect(plain([ok])).to.equal('fine');
    expect(plain([ok, { ...ok, id: 'x', length_m: -1 }])).to.equal('elements.1.length_m cannot be negative');
    expect(plain([{ ...ok, awg: 99 }])).to.equal('elements.0.awg is no gauge: 40 is the thinnest');
    expect(plain([{ ...ok, awg: 12.5 }])).to.include('elements.0.awg is no gauge');
    expect(plain([ok, ok])).to.equal('elements.1.id “w” stands twice');
    expect(plain([{ ...ok, b: 's' }])).to.include('“w” has both ends at s');
    expect(plain(Array.from({ length: 401 }, (_, i) => ({ ...ok, id: `w${i}` })))).to.include('more than 400 elements');
  });
});
