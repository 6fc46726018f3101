import { dischargeCoefficient, orificeDrop, type OrificeEdge } from './orifice.ts';
import { lastWhere } from '../numerics/last-where.ts';

/** A liquid jet pump: nozzle bore, the throat that it blows into, m. */
export interface JetPump {
  readonly nozzle: number;
  readonly throat: number;
  readonly edge: OrificeEdge;
}

// Loss coefficients of Cunningham's liquid jet pump equations: typical, from memory
const ENTRY_LOSS = 0.05; // K of the suction entry
const THROAT_LOSS = 0.2; // K of throat and diffuser together, a plain tube flaring a little
const MOST_RATIO = 10; // suction over motive flow, beyond any jet pump
const FINEST_RATIO = 1e-11;

/**
 * Pressure that the throat adds to what it sucks in, over the dynamic pressure of the jet.
 *
 * @param ratio - suction flow over motive flow. @param b - nozzle area over throat area, below 1.
 * @see Gosline & O'Brien, "The water jet pump", Univ. Calif. Publ. Eng. 3(3), 1934; Cunningham, "Liquid jet pumps for
 * two-phase flows", ASME J. Fluids Eng. 117, 1995: the single-phase form.
 */
export function jetPressureGain(ratio: number, b: number): number {
  const sucked = (ratio * b) / (1 - b);
  return (
    2 * b +
    (2 * ratio ** 2 * b ** 2) / (1 - b) -
    (1 + THROAT_LOSS) * b ** 2 * (1 + ratio) ** 2 -
    (1 + ENTRY_LOSS) * sucked ** 2
  );
}

/** Back pressure of the jet on the return that drives it, Pa. */
export const jetBackPressure = (jet: JetPump, motiveFlow: number, density: number): number =>
  orificeDrop(motiveFlow, jet.nozzle, jet.edge, density);

/**
 * Flow that a jet sucks in, m3/s: where its pressure gain meets lift and losses of the suction line.
 *
 * @param resistance - Pa that the suction line asks at a suction flow, lift included; rising.
 */
export function suctionFlow(
  jet: JetPump,
  motiveFlow: number,
  density: number,
  resistance: (flow: number) => number,
): number {
  if (!(motiveFlow > 0)) return 0;
  const contracted = jet.nozzle * Math.sqrt(jet.edge === 'sharp' ? dischargeCoefficient.sharp : 1); // a sharp jet narrows
  const b = (contracted / jet.throat) ** 2;
  if (!(b < 1)) return 0;
  const dynamic = (density / 2) * (motiveFlow / ((Math.PI / 4) * contracted ** 2)) ** 2;
  const spare = (ratio: number) => dynamic * jetPressureGain(ratio, b) - resistance(ratio * motiveFlow);
  if (spare(0) <= 0) return 0;
  if (spare(MOST_RATIO) > 0) return MOST_RATIO * motiveFlow;
  return lastWhere(0, MOST_RATIO, (ratio) => spare(ratio) > 0, FINEST_RATIO) * motiveFlow;
}
