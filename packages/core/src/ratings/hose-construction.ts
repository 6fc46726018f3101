import { celsius, kPa } from '../units/quick.ts';

/** What a hose is made to; limits are typical and to be verified against the hose's own print. */
export interface HoseConstruction {
  readonly name: string;
  /** Pa, working pressure. */
  readonly workingPressure: number;
  readonly immersible: boolean;
  /** false: attacked or only passed by some makers; unknown means "ask". */
  readonly ethanol: 'rated' | 'ask maker' | 'not rated';
  /** K, highest at which it lasts. */
  readonly hottest: number;
  /** g of fuel a day through a square metre of it. */
  readonly permeation: number;
  /** Years that it lasts, kept dry or full. */
  readonly lasts: number;
  /** Tightest bend, inside radius over bore. */
  readonly tightest: number;
  /** m, wall roughness. */
  readonly roughness: number;
  readonly source: string;
}

/** Pressure on which injection hose and clamps are expected, Pa: between the carburettor's and the lowest multi-point pressure, common practice. */
export const INJECTION_PRESSURE = kPa(150);

const J30 = 'SAE J30, limits from memory';
const RUBBER = 1e-5; // m, typical rubber liner, from memory
const SMOOTH = 2e-6; // m, typical PTFE or nylon liner, from memory

export const hoseConstructions = {
  r6: {
    name: 'SAE 30R6 low-pressure rubber',
    workingPressure: kPa(340),
    immersible: false,
    ethanol: 'ask maker',
    hottest: celsius(125),
    permeation: 550,
    lasts: 8,
    tightest: 8,
    roughness: RUBBER,
    source: J30,
  },
  r7: {
    name: 'SAE 30R7 low-pressure rubber',
    workingPressure: kPa(340),
    immersible: false,
    ethanol: 'ask maker',
    hottest: celsius(125),
    permeation: 550,
    lasts: 8,
    tightest: 8,
    roughness: RUBBER,
    source: J30,
  },
  r9: {
    name: 'SAE 30R9 injection, fluoroelastomer',
    workingPressure: kPa(690),
    immersible: false,
    ethanol: 'rated',
    hottest: celsius(125),
    permeation: 15,
    lasts: 10,
    tightest: 8,
    roughness: RUBBER,
    source: J30,
  },
  r10: {
    name: 'SAE 30R10 submersible',
    workingPressure: kPa(690),
    immersible: true,
    ethanol: 'rated',
    hottest: celsius(100),
    permeation: 60,
    lasts: 10,
    tightest: 8,
    roughness: RUBBER,
    source: J30,
  },
  r14: {
    name: 'SAE 30R14 low permeation',
    workingPressure: kPa(690),
    immersible: false,
    ethanol: 'rated',
    hottest: celsius(125),
    permeation: 15,
    lasts: 10,
    tightest: 8,
    roughness: RUBBER,
    source: J30,
  },
  ptfe: {
    name: 'PTFE-lined, braided, conductive',
    workingPressure: kPa(6900),
    immersible: false,
    ethanol: 'rated',
    hottest: celsius(200),
    permeation: 5,
    lasts: 20,
    tightest: 8,
    roughness: SMOOTH,
    source: 'typical, from memory',
  },
  braidedRubber: {
    name: 'braided rubber with hose ends',
    workingPressure: kPa(1700),
    immersible: false,
    ethanol: 'ask maker',
    hottest: celsius(120),
    permeation: 200,
    lasts: 8,
    tightest: 7.5,
    roughness: RUBBER,
    source: 'typical, from memory',
  },
  nylon12: {
    name: 'nylon 12 tube',
    workingPressure: kPa(1000),
    immersible: false,
    ethanol: 'rated',
    hottest: celsius(115),
    permeation: 10,
    lasts: 15,
    tightest: 12,
    roughness: SMOOTH,
    source: 'SAE J2260, limits from memory',
  },
  convoluted: {
    name: 'in-tank convoluted nylon or PTFE',
    workingPressure: kPa(1000),
    immersible: true,
    ethanol: 'rated',
    hottest: celsius(100),
    permeation: 10,
    lasts: 15,
    tightest: 3,
    roughness: SMOOTH,
    source: 'typical, from memory',
  },
} as const satisfies Record<string, HoseConstruction>;
export type HoseConstructionKey = keyof typeof hoseConstructions;
/** Tightest bend of a hose, inside radius, m: in proportion to its bore, typical, from memory. */
export const tightestBend = ({ tightest }: HoseConstruction, bore: number): number => tightest * bore;

export const hoseConstruction = (key: HoseConstructionKey): HoseConstruction => hoseConstructions[key];
