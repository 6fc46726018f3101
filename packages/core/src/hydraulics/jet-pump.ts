import { dischargeCoefficient, orificeDrop, type OrificeEdge } from './orifice.ts';
import { lastWhere } from '../numerics/last-where.ts';

/** How a jet is made: a plain tube that somebody drilled, or a moulded one whose throat widens again. */
export type JetKind = 'drilled' | 'moulded';

/** A liquid jet pump: nozzle bore, the throat that it blows into, m. */
export interface JetPump {
  readonly nozzle: number;
  readonly throat: number;
  readonly edge: OrificeEdge;
  readonly kind: JetKind;
}

const ENTRY_LOSS = 0.05; // K of the suction entry, typical, from memory
/** K of throat and diffuser on the velocity in the throat. Moulded: 0.28 and 0.10, Gosline & O'Brien, from memory. Drilled: typical, from memory. */
export const throatLoss: Record<JetKind, number> = { moulded: 0.28 + 0.1, drilled: 1.1 };
const CAVITATION = 1.35; // σ at which the entry of the throat cavitates; Cunningham, from memory
const MOST_RATIO = 10; // suction over motive flow, beyond any jet pump
const FINEST_RATIO = 1e-9;

/**
 * Pressure that the throat adds to what it sucks in, over the dynamic pressure of the jet.
 *
 * @param ratio - suction flow over motive flow. @param b - nozzle area over throat area, below 1.
 * @see Gosline & O'Brien, "The water jet pump", Univ. Calif. Publ. Eng. 3(3), 1934; Cunningham, "Liquid jet pumps for
 * two-phase flows", ASME J. Fluids Eng. 117, 1995: the single-phase form.
 */
export function jetPressureGain(ratio: number, b: number, kind: JetKind): number {
  const sucked = (ratio * b) / (1 - b);
  return (
    2 * b +
    (2 * ratio ** 2 * b ** 2) / (1 - b) -
    (1 + throatLoss[kind]) * b ** 2 * (1 + ratio) ** 2 -
    (1 + ENTRY_LOSS) * sucked ** 2
  );
}

/**
 * Most that a jet draws before the entry of its throat cavitates, over its motive flow.
 *
 * @param over - pressure at its suction over the vapour pressure, Pa. @param dynamic - ½ρV² of the jet, Pa.
 * @see Cunningham, Hansen & Na, "Jet pump cavitation", ASME J. Basic Eng. 92, 1970; from memory.
 */
export const cavitationRatio = (over: number, dynamic: number, b: number): number =>
  ((1 - b) / b) * Math.sqrt(Math.max(0, over) / (CAVITATION * dynamic));

/** Back pressure of the jet on the return that drives it, Pa. */
export const jetBackPressure = (jet: JetPump, motiveFlow: number, density: number): number =>
  orificeDrop(motiveFlow, jet.nozzle, jet.edge, density);

/** What limits a jet: nothing but its own losses, vapour in its throat, or that it never lifts the fuel and stays full of air. */
export type JetLimit = 'none' | 'cavitation' | 'air';

export interface Suction {
  readonly density: number;
  /** Pa that the suction line asks at a suction flow, lift included; rising. */
  readonly resistance: (flow: number) => number;
  /** Of the surface that it draws from over the vapour pressure, Pa; absent for what does not boil in use. */
  readonly overVapour?: number;
}

interface Jet {
  readonly spare: (ratio: number) => number;
  readonly isQuiet: (ratio: number) => boolean;
}

/** What a jet has left at a ratio of suction to motive flow, and whether its throat is free of vapour there; undefined where it draws nothing. */
function jetAt(jet: JetPump, motiveFlow: number, { density, resistance, overVapour }: Suction): Jet | undefined {
  const contracted = jet.nozzle * Math.sqrt(jet.edge === 'sharp' ? dischargeCoefficient.sharp : 1); // a sharp jet narrows
  const b = (contracted / jet.throat) ** 2;
  if (!(motiveFlow > 0) || !(b < 1)) return undefined;
  const dynamic = (density / 2) * (motiveFlow / ((Math.PI / 4) * contracted ** 2)) ** 2;
  return {
    spare: (ratio) => dynamic * jetPressureGain(ratio, b, jet.kind) - resistance(ratio * motiveFlow),
    isQuiet: (ratio) =>
      overVapour === undefined || ratio <= cavitationRatio(overVapour - resistance(ratio * motiveFlow), dynamic, b),
  };
}

/** Flow that a jet sucks in, m3/s: where its pressure gain meets lift and losses of the suction line, or where it cavitates. */
export function jetSuction(
  jet: JetPump,
  motiveFlow: number,
  suction: Suction,
): { readonly flow: number; readonly limit: JetLimit } {
  const { spare, isQuiet } = jetAt(jet, motiveFlow, suction) ?? {};
  if (!spare || !isQuiet || spare(0) <= 0) return { flow: 0, limit: 'air' };
  const meets =
    spare(MOST_RATIO) > 0 ? MOST_RATIO : lastWhere(0, MOST_RATIO, (ratio) => spare(ratio) > 0, FINEST_RATIO);
  if (isQuiet(meets)) return { flow: meets * motiveFlow, limit: 'none' };
  const choked = isQuiet(0) ? lastWhere(0, meets, isQuiet, FINEST_RATIO) : 0;
  return { flow: choked * motiveFlow, limit: 'cavitation' };
}

/** Whether a jet brings a flow: the same without searching for what it brings. */
export function jetBrings(jet: JetPump, motiveFlow: number, suction: Suction, flow: number): boolean {
  const at = jetAt(jet, motiveFlow, suction);
  if (!at) return flow <= 0;
  const ratio = flow / motiveFlow;
  return ratio <= MOST_RATIO && at.spare(0) > 0 && at.spare(ratio) >= 0 && at.isQuiet(ratio);
}
