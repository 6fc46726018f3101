/** What a load draws at the voltage across it, A, and how that changes with it, A/V. */
export interface LoadLaw {
  current(volts: number): number;
  slope(volts: number): number;
}

export type ElementLaw =
  | { readonly kind: 'source'; readonly volts: number }
  /** Wire, fuse, contact. */
  | { readonly kind: 'resistor'; readonly ohms: number }
  /** Draws the same at whatever voltage. A. */
  | { readonly kind: 'current'; readonly amps: number }
  | {
      readonly kind: 'load';
      readonly law: LoadLaw;
      /** V below which its law does not hold. */ readonly least?: number;
    };

/** Something between two places of a circuit; its current counts from a to b. */
export interface CircuitElement {
  readonly id: string;
  readonly a: string;
  readonly b: string;
  readonly law: ElementLaw;
}

/** Battery negative: every voltage counts from there. */
export const EARTH = '0';

export type CircuitFault =
  | { readonly code: 'noEarth' }
  /** A place that only loads, or nothing, join to the battery's negative. */
  | { readonly code: 'floating'; readonly node: string; readonly at: readonly string[] }
  /** A source whose terminals are joined by next to nothing. */
  | {
      readonly code: 'short';
      readonly source: string;
      readonly by: readonly string[];
      /** Undefined: without limit. */ readonly amps?: number;
    }
  /** Sources that press against one another, or around a ring. */
  | { readonly code: 'sourcesOppose'; readonly sources: readonly string[]; readonly amps?: number }
  /** A load that draws the more the less voltage it gets, and gets too little at any current. */
  | {
      readonly code: 'noOperatingPoint';
      readonly load: string;
      /** Of what the loads want, the most that can be had. */ readonly share: number;
    };

/** Volts at every place against the battery's negative, and amperes through every element. */
export interface SolvedCircuit {
  readonly volts: ReadonlyMap<string, number>;
  readonly amps: ReadonlyMap<string, number>;
}

const FLOOR = 1e-3; // V: below it a pump's law is not asked

/** I = at reference · (V/reference)^exponent: how the current of a small pump follows its voltage at a pressure. */
export function powerLaw(amps: number, reference: number, exponent: number): LoadLaw {
  const current = (v: number) => amps * (Math.max(v, FLOOR) / reference) ** exponent;
  return { current, slope: (v) => (v <= FLOOR ? 0 : (exponent * current(v)) / v) };
}

/** I = W/V, held below a least voltage: what a controller makes of its load. */
export function constantPower(watts: number, least: number): LoadLaw {
  return {
    current: (v) => watts / Math.max(v, least),
    slope: (v) => (v <= least ? 0 : -watts / v ** 2),
  };
}

/** V = I·Ra + k·ω and k·I = T + c·ω: a direct-current motor against a torque, N·m, that grows with its speed. */
export function motorLaw(armature: number, constant: number, torque: number, viscous: number): LoadLaw {
  const below = viscous * armature + constant ** 2;
  return { current: (v) => (viscous * v + constant * torque) / below, slope: () => viscous / below };
}
