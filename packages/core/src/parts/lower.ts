import type { LinkLaw, Liquid } from '../hydraulics/network.ts';
import type { PumpCurve } from '../hydraulics/pump-curve.ts';

/** What the engine, the wiring and the tank do at one moment. */
export interface Conditions {
  readonly demand: number; // m3/s
  /** Of the air in the tank, Pa gauge; what the pumps draw may pull it below nothing through a narrow vent. */
  readonly tankPressure: number;
  readonly manifold: number; // Pa, gauge
  readonly voltage: number; // V, at the pumps
  /** Of the tank's depth. */
  readonly level: number;
  /** Every fine filter is reckoned at least this dirty; 1 is new. */
  readonly dirt: number;
  /** The same of socks and strainers, through which pumps draw. */
  readonly strainerDirt: number;
  /** rev/s of the engine. */
  readonly speed: number;
}

/** What a law may depend on when the run is solved. */
export interface Moment {
  readonly point: Conditions;
  readonly liquid: Liquid;
  /** Gauge pressure below which no pump draws its inlet, Pa, since the fuel boils there or before; absent for what does not boil in use. */
  boilingAt?(pump: string): number | undefined;
  /** What passed a regulator when it was set, m3/s; nothing where it is known by its spring. */
  setFlow?(regulator: string): number;
  /** What reaches a pump, V. */
  voltageAt(id: string): number;
}
/** The conditions alone: all that heights go by. */
export type MomentPoint = Pick<Moment, 'point'>;

/**
 * A place in the lowered part: one of its ports, an inner place (begins with a dot), or the fuel's surface in the tank.
 */
export type Place = string;
export const SURFACE: Place = '@surface';

export type LawAt = LinkLaw | ((moment: Moment) => LinkLaw);

export interface LoweredLink {
  readonly id: string;
  readonly from: Place;
  readonly to: Place;
  readonly law: LawAt;
  readonly checkValve?: boolean;
  readonly startsShut?: boolean;
}

export interface LoweredPump {
  readonly link: string;
  /** At a voltage (an engine-driven pump: at the moment's speed), or undefined while it stands. */
  curve(moment: Moment): PumpCurve | undefined;
}

/** What one part is in the network. */
export interface Lowered {
  readonly links: readonly LoweredLink[];
  /** Ports that are the same place as another port, an inner place or the surface. */
  readonly ties?: readonly (readonly [port: string, place: Place])[];
  /** Heights that the part gives to places, m; one that a joint states goes before. */
  readonly heights?: readonly (readonly [place: Place, height: number | undefined])[];
  /** Places at tank pressure: at the fuel's surface or as high as they end, whichever is higher. */
  readonly open?: readonly { readonly place: Place; readonly height: (at: MomentPoint) => number }[];
  /** The link that carries the part's flow, where one does. */
  readonly through?: string;
  /** The port whose outflow is told as the part's flow, where no link carries it. */
  readonly tells?: string;
  /** m, the bore in which its velocity is told. */
  readonly bore?: number;
  /** Where the engine draws: its injectors, or the carburettor's inlet. */
  readonly draws?: readonly Place[];
  /** The link through which a bypass regulator spills. */
  readonly spill?: string;
  readonly pump?: LoweredPump;
}

/** What a part may ask about its place on the run while it is lowered. */
export interface Site {
  /** The bore of what is joined there, m. */
  boreBeyond(port: string): number | undefined;
  /** A vessel is joined there: a tank or a swirl pot. */
  isVesselBeyond(port: string): boolean;
  isMated(port: string): boolean;
  /** Fuel comes in there in service. */
  flowsIn(port: string): boolean;
  /** How high above the tank floor the return or the overflow that comes in there ends, where that is known. m. */
  endHeight(port: string): number | undefined;
  /** It lies between a vessel and a pump that draws from it. */
  readonly isSuction: boolean;
  /** Another pump works beside this one. */
  readonly isBeside: boolean;
  /** Ports in use, in the order of their names. */
  readonly ports: readonly string[];
  readonly tankDepth: number | undefined; // m
  readonly railHeight: number | undefined; // m
  /** Of this rail, known or its share of the engine's. */
  readonly injectors: number;
  /** Siphon jet at the end of the return. */
  readonly jet: { readonly drill: number; readonly edge: 'sharp' | 'drilled' } | undefined;
}
