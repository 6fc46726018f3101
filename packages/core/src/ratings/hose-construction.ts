import { kPa } from '../units/quick.ts';

/** What a hose is made to; limits are typical and to be verified against the hose's own print. */
export interface HoseConstruction {
  readonly name: string;
  /** Pa, working pressure. */
  readonly workingPressure: number;
  readonly immersible: boolean;
  /** false: attacked or only passed by some makers; unknown means "ask". */
  readonly ethanol: 'rated' | 'ask maker' | 'not rated';
  /** m, wall roughness. */
  readonly roughness: number;
  readonly source: string;
}

const J30 = 'SAE J30, limits from memory';
const RUBBER = 1e-5; // m, typical rubber liner, from memory
const SMOOTH = 2e-6; // m, typical PTFE or nylon liner, from memory

export const hoseConstructions = {
  r6: {
    name: 'SAE 30R6 low-pressure rubber',
    workingPressure: kPa(340),
    immersible: false,
    ethanol: 'ask maker',
    roughness: RUBBER,
    source: J30,
  },
  r7: {
    name: 'SAE 30R7 low-pressure rubber',
    workingPressure: kPa(340),
    immersible: false,
    ethanol: 'ask maker',
    roughness: RUBBER,
    source: J30,
  },
  r9: {
    name: 'SAE 30R9 injection, fluoroelastomer',
    workingPressure: kPa(690),
    immersible: false,
    ethanol: 'rated',
    roughness: RUBBER,
    source: J30,
  },
  r10: {
    name: 'SAE 30R10 submersible',
    workingPressure: kPa(690),
    immersible: true,
    ethanol: 'rated',
    roughness: RUBBER,
    source: J30,
  },
  r14: {
    name: 'SAE 30R14 low permeation',
    workingPressure: kPa(690),
    immersible: false,
    ethanol: 'rated',
    roughness: RUBBER,
    source: J30,
  },
  ptfe: {
    name: 'PTFE-lined, braided, conductive',
    workingPressure: kPa(6900),
    immersible: false,
    ethanol: 'rated',
    roughness: SMOOTH,
    source: 'typical, from memory',
  },
  braidedRubber: {
    name: 'braided rubber with hose ends',
    workingPressure: kPa(1700),
    immersible: false,
    ethanol: 'ask maker',
    roughness: RUBBER,
    source: 'typical, from memory',
  },
  nylon12: {
    name: 'nylon 12 tube',
    workingPressure: kPa(1000),
    immersible: false,
    ethanol: 'rated',
    roughness: SMOOTH,
    source: 'SAE J2260, limits from memory',
  },
  convoluted: {
    name: 'in-tank convoluted nylon or PTFE',
    workingPressure: kPa(1000),
    immersible: true,
    ethanol: 'rated',
    roughness: SMOOTH,
    source: 'typical, from memory',
  },
} as const satisfies Record<string, HoseConstruction>;
export type HoseConstructionKey = keyof typeof hoseConstructions;
export const hoseConstruction = (key: HoseConstructionKey): HoseConstruction => hoseConstructions[key];
