import { z } from 'zod';
import '../schema-words.ts';
import { celsius, kPa } from '../units/quick.ts';
import { gaugeArea } from '../units/wire-gauge.ts';
import {
  constantPower,
  motorLaw,
  powerLaw,
  type CircuitElement,
  type CircuitFault,
  type ElementLaw,
  type SolvedCircuit,
} from '../harness/circuit.ts';
import { solveCircuit } from '../harness/solve-circuit.ts';
import { wireResistance } from '../harness/wire.ts';
import type { Result } from '../result.ts';

const MOST_ELEMENTS = 400;
/** AWG that ASTM B258 has: 0000, written −3, to 40. */
const [THICKEST, THINNEST] = [-3, 40];

const id = z.string().min(1).max(60);
const ends = { id, a: id, b: id };
const positive = z.number().positive('must be positive');
const notNegative = z.number().min(0, 'cannot be negative');
const pressure_kPa = notNegative.max(1e4, 'is more than any fuel pump makes');

const elementSchema = z.discriminatedUnion('type', [
  z.object({ ...ends, type: z.literal('source'), volt: z.number() }),
  z.object({ ...ends, type: z.literal('resistor'), ohm: notNegative }),
  z.object({ ...ends, type: z.literal('current'), amp: z.number() }),
  z.object({
    ...ends,
    type: z.literal('wire'),
    awg: z
      .number()
      .int('is no gauge: it must be a whole number')
      .min(THICKEST, `is no gauge: ${THICKEST} (0000) is the thickest`)
      .max(THINNEST, `is no gauge: ${THINNEST} is the thinnest`),
    length_m: notNegative.max(1000, 'is longer than any vehicle'),
    temp_C: z.number().min(-60, 'is colder than wire gets').max(250, 'is hotter than copper’s cover stands'),
  }),
  z.object({
    ...ends,
    type: z.literal('pump_linear'),
    a0_A: notNegative,
    b_A_per_kPa: notNegative,
    pressure_kPa,
    vref_V: positive,
    speed_exponent: z.number().min(0, 'cannot be negative').max(4, 'is no law of a pump'),
  }),
  z.object({ ...ends, type: z.literal('pump_power'), power_W: notNegative, min_V: positive }),
  z.object({
    ...ends,
    type: z.literal('pump_dc_motor'),
    armature_ohm: positive,
    k_Vs_per_rad: positive,
    friction_Nm: notNegative,
    displacement_m3_per_rad: notNegative,
    viscous_Nms: notNegative,
    pressure_kPa,
  }),
]);
type PlainElement = z.infer<typeof elementSchema>;

/** A circuit as a file: elements between named places, `0` is the battery's negative. Described in docs/circuit-file.md. */
export const plainCircuitSchema = z
  .object({
    id: id.optional(),
    title: z.string().max(300).optional(),
    elements: z
      .unknown()
      .refine((value) => !Array.isArray(value) || value.length <= MOST_ELEMENTS, {
        error: `has more than ${MOST_ELEMENTS} elements`,
        abort: true,
      })
      .pipe(z.array(elementSchema).min(1, 'needs an element')),
  })
  .superRefine(({ elements }, context) => {
    const seen = new Set<string>();
    elements.forEach((e, i) => {
      if (seen.has(e.id))
        context.addIssue({ code: 'custom', path: ['elements', i, 'id'], message: `“${e.id}” stands twice` });
      seen.add(e.id);
      if (e.a === e.b)
        context.addIssue({ code: 'custom', path: ['elements', i], message: `“${e.id}” has both ends at ${e.a}` });
    });
  });
export type PlainCircuit = z.infer<typeof plainCircuitSchema>;

function lawOf(e: PlainElement): ElementLaw {
  switch (e.type) {
    case 'source':
      return { kind: 'source', volts: e.volt };
    case 'resistor':
      return { kind: 'resistor', ohms: e.ohm };
    case 'current':
      return { kind: 'current', amps: e.amp };
    case 'wire':
      return { kind: 'resistor', ohms: wireResistance(gaugeArea(e.awg), e.length_m, celsius(e.temp_C)) };
    case 'pump_linear':
      return { kind: 'load', law: powerLaw(e.a0_A + e.b_A_per_kPa * e.pressure_kPa, e.vref_V, e.speed_exponent) };
    case 'pump_power':
      return { kind: 'load', law: constantPower(e.power_W, e.min_V), least: e.min_V };
    case 'pump_dc_motor':
      return {
        kind: 'load',
        law: motorLaw(
          e.armature_ohm,
          e.k_Vs_per_rad,
          e.friction_Nm + e.displacement_m3_per_rad * kPa(e.pressure_kPa),
          e.viscous_Nms,
        ),
      };
  }
}

export const circuitOf = ({ elements }: PlainCircuit): CircuitElement[] =>
  elements.map((e) => ({ id: e.id, a: e.a, b: e.b, law: lawOf(e) }));

export const solvePlainCircuit = (circuit: PlainCircuit): Result<SolvedCircuit, CircuitFault> =>
  solveCircuit(circuitOf(circuit));

const several = (ids: readonly string[]): string => ids.map((one) => `“${one}”`).join(', ');
const amperes = (amps: number | undefined): string => (amps === undefined ? 'without limit' : `${Math.round(amps)} A`);

/** The fault in words, with the elements that make it. */
export function sayCircuitFault(fault: CircuitFault): string {
  switch (fault.code) {
    case 'noEarth':
      return 'nothing is joined to 0, the battery’s negative';
    case 'floating':
      return `“${fault.node}”, at ${several(fault.at)}, has no way to the battery’s negative but through a load`;
    case 'short':
      return `${several(fault.by)} ${fault.by.length === 1 ? 'shorts' : 'short'} “${fault.source}” to its other terminal: ${amperes(fault.amps)} with every load off`;
    case 'sourcesOppose':
      return `${several(fault.sources)} press against one another: ${amperes(fault.amps)} with every load off`;
    case 'noOperatingPoint':
      return `“${fault.load}” has no operating point: the circuit brings ${fault.share < 1 ? `no more than ${Math.floor(fault.share * 100)} % of what its loads want` : 'it less than its least voltage'}`;
  }
}
