import { inches } from '../units/quick.ts';
import { frictionFactor } from './friction-factor.ts';

/** Shapes of fitting with Darby's three constants. */
export type FittingShape =
  'elbow90Tight' | 'elbow90Swept' | 'elbow90Bend' | 'elbow45Tight' | 'elbow45Swept' | 'teeRun' | 'teeBranch';

interface ThreeK {
  readonly k1: number;
  readonly ki: number;
  /** Kd in inches^0.3. */
  readonly kd: number;
}

// Darby, "Chemical Engineering Fluid Mechanics", 2nd ed., 2001, table 7-3 (read back through a public library's table).
const darby: Record<FittingShape, ThreeK> = {
  elbow90Tight: { k1: 800, ki: 0.14, kd: 4 }, // threaded, r/D = 1
  elbow90Swept: { k1: 800, ki: 0.071, kd: 4.2 }, // threaded, r/D = 1.5
  elbow90Bend: { k1: 800, ki: 0.056, kd: 3.9 }, // bend, r/D = 2
  elbow45Tight: { k1: 500, ki: 0.071, kd: 4.2 },
  elbow45Swept: { k1: 500, ki: 0.052, kd: 4 },
  teeRun: { k1: 200, ki: 0.091, kd: 4 },
  teeBranch: { k1: 500, ki: 0.274, kd: 4 },
};

/** A loss that falls with Reynolds number: K = k1/Re + kInfinity, on the velocity in the named bore. */
export interface LossCoefficient {
  readonly k1: number;
  readonly kInfinity: number;
}

/**
 * Darby's 3-K loss of a fitting.
 *
 * The method was fitted to larger pipe: at fuel-line bores treat it as a consistent estimate.
 * @param bore - bore of the fitting itself, m, greater than 0.
 */
export function fittingLoss(shape: FittingShape, bore: number): LossCoefficient {
  if (!(bore > 0)) throw new RangeError(`bore ${bore}`);
  const { k1, ki, kd } = darby[shape];
  return { k1, kInfinity: ki * (1 + kd / (bore / inches(1)) ** 0.3) };
}

/** Entrance from a tank into a plain tube end, on the tube's velocity. Crane TP-410: 0.5 sharp-edged. */
export const SHARP_ENTRANCE = 0.5;
/** Exit into a tank: all of the velocity head. Crane TP-410. */
export const EXIT = 1;

/**
 * Sudden change of bore, K on the velocity in the SMALLER bore.
 *
 * @see Rennels & Hudson, "Pipe Flow", 2012: contraction equation 10.3, expansion equation 11.1.
 */
export function sizeChangeLoss(boreUpstream: number, boreDownstream: number): number {
  if (!(boreUpstream > 0 && boreDownstream > 0)) throw new RangeError('bores must be positive');
  const ratio = Math.min(boreUpstream, boreDownstream) / Math.max(boreUpstream, boreDownstream);
  if (boreUpstream < boreDownstream) return (1 - ratio ** 2) ** 2;
  const jet = 1 + 0.622 * (1 - 0.215 * ratio ** 2 - 0.785 * ratio ** 5);
  return 0.0696 * (1 - ratio ** 5) * jet ** 2 + (jet - 1) ** 2;
}

const BEND_REYNOLDS = 1e4; // at which a bend's own friction is taken: the middle of what fuel lines see

/**
 * Loss of a bend, K on its bore, above that of straight tube as long as its centre line.
 *
 * @param angle - rad, greater than 0. @param centreLineRadius - m. @param bore - m.
 * @see Rennels & Hudson, "Pipe Flow", 2012, equation 15.1 (its first term, friction along the arc, is left to the line).
 */
export function bendLoss(angle: number, centreLineRadius: number, bore: number): number {
  if (!(angle > 0 && centreLineRadius > 0 && bore > 0)) throw new RangeError('angle, radius and bore must be positive');
  const friction = frictionFactor(BEND_REYNOLDS, 0);
  const half = Math.sin(Math.min(angle, Math.PI) / 2);
  const tightness = (centreLineRadius / bore) ** ((4 * angle) / Math.PI);
  return (0.1 + 2.4 * friction) * half + (6.6 * friction * (Math.sqrt(half) + half)) / tightness;
}
