import type { Part } from '../parts/kinds.ts';
import type { LawAt, Lowered, LoweredPump, MomentPoint } from '../parts/lower.ts';
import type { Circuits } from './circuits.ts';

/** A link of the compiled run; a law that depends on the moment is asked for at each. */
export interface CompiledLink {
  readonly id: string;
  readonly from: number;
  readonly to: number;
  readonly law: LawAt;
  readonly checkValve: boolean;
  readonly startsShut: boolean;
}

/** How a part reads in the network. */
export interface CompiledPart {
  readonly id: string;
  readonly lowered: Lowered;
  /** Node of every port in use. */
  readonly nodes: ReadonlyMap<string, number>;
  /** Nodes by which fuel comes in and leaves. */
  readonly inlet: number;
  readonly outlet: number;
  /** Index of the link that carries its flow. */
  readonly through?: number;
}

export interface CompiledPump extends LoweredPump {
  readonly id: string;
  readonly linkIndex: number;
  readonly inlet: number;
  /** Places between it and what it draws from, itself left out: fuel may boil at the highest of them first. */
  readonly suction: readonly number[];
  /** It presses into the zone of an engine. */
  readonly feeds: boolean;
}

/** A run made ready to be solved: its places and links, with all that the moment decides left open. */
export interface CompiledRun {
  readonly circuits: Circuits;
  readonly nodes: readonly string[];
  readonly links: readonly CompiledLink[];
  readonly parts: readonly CompiledPart[];
  /** Node of every joint, behind its adapters. */
  readonly joints: ReadonlyMap<string, number>;
  /** Of joints with adapters: the node before them, and the link that they are. */
  readonly chains: ReadonlyMap<string, { readonly before: number; readonly after: number; readonly link: number }>;
  /** Links that carry fuel out of a part by a port: index and sign. */
  readonly leaving: ReadonlyMap<string, readonly (readonly [link: number, sign: 1 | -1])[]>;
  readonly pumps: readonly CompiledPump[];
  /** Where the engine draws, and its share of the demand there. */
  readonly draws: readonly { readonly node: number; readonly share: number }[];
  /** Where its pressure is held while it is asked what can be delivered: the first place of every rail. */
  readonly held: readonly number[];
  /** Links through which bypass regulators spill, by regulator. */
  readonly spills: ReadonlyMap<string, number>;
  readonly sensor?: number;
  /** Nodes at tank pressure, the tank's surface first, and how high they stand. */
  readonly open: readonly { readonly node: number; readonly height: (at: MomentPoint) => number }[];
  /**
   * What the network becomes with other measurements of some parts, by link: their own laws and, where a bore meets another there,
   * their neighbours'. The places stay.
   *
   * @param changed - every part that is another than when the run was compiled.
   * @param now - those of them that are new.
   * @throws RangeError for a part that would be another piece of network.
   */
  lowerAgain(
    changed: ReadonlyMap<string, Part>,
    now: readonly string[],
  ): {
    readonly laws: ReadonlyMap<number, LawAt>;
    readonly pumps: ReadonlyMap<string, LoweredPump>;
    readonly lowered: ReadonlyMap<string, Lowered>;
  };
  /** Heights of all nodes at a moment, m. */
  heightsAt(at: MomentPoint): Float64Array;
  /** The same where some links are of another length, m: what is not measured lies in proportion to it. */
  heightsWith(lengths: ReadonlyMap<number, number>): CompiledRun['heightsAt'];
}
