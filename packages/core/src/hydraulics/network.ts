import type { Curve } from '../numerics/curve.ts';
import type { LossCoefficient } from './loss-coefficient.ts';

/** The liquid in the lines. */
export interface Liquid {
  readonly density: number; // kg/m3
  readonly viscosity: number; // Pa s
}

/** A place where links meet. Pressures are gauge. */
export interface NetworkNode {
  readonly id: string;
  /** m above the tank floor. */
  readonly height: number;
  /** Pa, where something outside holds the pressure (a fuel surface); absent at junctions. */
  readonly fixedPressure?: number;
  /** m3/s drawn out of the network here (injectors). */
  readonly demand?: number;
}

/** How a link turns flow into loss of pressure. */
export type LinkLaw =
  /** Round bore with wall friction and local losses, all on the velocity in that bore. A fitting has length 0. */
  | { kind: 'line'; length: number; bore: number; roughness: number; loss: LossCoefficient; cracking?: number }
  /** Loss = linear Q + quadratic Q|Q|: a porous medium. Pa s/m3 and Pa s2/m6. */
  | { kind: 'porous'; linear: number; quadratic: number }
  /**
   * Pressure rise, Pa, against flow, m3/s. Where the liquid would boil at its inlet, below `inletMinimum` (Pa gauge), it is
   * choked: it passes only what keeps its inlet there, at whatever pressure stands behind it.
   */
  | { kind: 'pump'; rise: Curve; inletMinimum?: number }
  /** Pressure loss, Pa, against flow, m3/s, forwards; the same backwards. */
  | { kind: 'curve'; loss: Curve }
  /** Holds its inlet at set + slope Q while it passes flow; wide open it is a plain loss k in its bore; never reverses. */
  | { kind: 'bypassRegulator'; set: number; slope: number; bore: number; k: number }
  /** Holds its outlet at set − slope Q, or at inlet − loss when the inlet is too low; never reverses. */
  | { kind: 'deadHeadRegulator'; set: number; slope: number; bore: number; k: number };

export interface NetworkLink {
  readonly id: string;
  readonly from: string;
  readonly to: string;
  readonly law: LinkLaw;
  /** A line that cannot flow backwards. */
  readonly checkValve?: boolean;
  /** A valve that is usually shut (a relief valve): the search starts there. */
  readonly startsShut?: boolean;
}

/** Friction law of every line: Churchill's at all Reynolds numbers, or the composite one of the EPANET engine. */
export type FrictionLaw = 'churchill' | 'epanet';

export interface Network {
  readonly liquid: Liquid;
  /** Churchill's when absent. */
  readonly friction?: FrictionLaw;
  readonly nodes: readonly NetworkNode[];
  readonly links: readonly NetworkLink[];
}

/** `choked`: a pump that draws at the pressure where its liquid boils, or draws nothing for it. */
export type LinkState = 'open' | 'regulating' | 'wideOpen' | 'shut' | 'choked';

export interface NetworkSolution {
  /** Gauge Pa by node. */
  readonly pressures: Readonly<Record<string, number>>;
  /** m3/s by link, positive from `from` to `to`. */
  readonly flows: Readonly<Record<string, number>>;
  readonly states: Readonly<Record<string, LinkState>>;
  readonly iterations: number;
  /** Largest imbalance left: kPa in a link or L/h at a node. */
  readonly residual: number;
}

export type NetworkFault =
  | { code: 'noSource' } // nothing fixes a pressure
  | { code: 'danglingLink'; link: string; node: string }
  | { code: 'noSingleAnswer' } // part of the network is cut off from every fixed pressure
  | { code: 'notConverged'; residual: number; iterations: number }
  | { code: 'valvesDidNotSettle'; links: string[] };

/** Back through a pump that stands or has nothing to pump: 100 L/h at 300 kPa, typical of a turbine pump, from memory. Pa s/m3. */
export const STOPPED_PUMP = 300e3 / (100 / 3.6e6);

export const STANDARD_GRAVITY = 9.80665; // m/s2, exact, NIST SP 811
