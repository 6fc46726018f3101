import { inches, mm } from '../units/quick.ts';

/** Basic sizes of one thread, m, of a taper thread in the plane that its standard counts from. */
export interface ThreadForm {
  readonly pitch: number;
  /** Major diameter, pitch diameter, and minor diameter of the internal and the external thread (at its rounded root). */
  readonly major: number;
  readonly pitchDiameter: number;
  readonly minorInternal: number;
  readonly minorExternal: number;
  /** Included angle of the flanks, rad. */
  readonly flankAngle: number;
  /** Change of diameter over length: 1/16, or 0. */
  readonly taper: number;
  /** What a caliper reads on a perfect sharp thread, at the large end of a taper: over the crests, and across a bore. */
  readonly readMale: number;
  readonly readFemale: number;
  /** Flats that the basic profile has at crest and root of the sharp triangle, as shares of its height. */
  readonly crestCut: number;
  readonly rootCut: number;
  /** Length of the thread that holds, m, where the standard gives one. */
  readonly effectiveLength?: number;
  /** From the end of the pipe to the plane that is counted from, m. */
  readonly gaugeLength?: number;
}

const SIXTY = Math.PI / 3;
const FIFTY_FIVE = (55 * Math.PI) / 180;
/** 1 in 16 on the diameter: ASME B1.20.1, ISO 7-1. */
export const PIPE_TAPER = 1 / 16;

/** Height of the sharp triangle of 60° flanks: ASME B1.1, ISO 68-1. */
const sharpHeight = (pitch: number) => (pitch * Math.sqrt(3)) / 2;

function sixtyDegrees(major: number, pitch: number, externalRoot: number): ThreadForm {
  const height = sharpHeight(pitch);
  const minorInternal = major - (5 / 4) * height;
  return {
    pitch,
    major,
    pitchDiameter: major - (3 / 4) * height,
    minorInternal,
    minorExternal: major - externalRoot * height,
    flankAngle: SIXTY,
    taper: 0,
    readMale: major,
    readFemale: minorInternal,
    crestCut: 1 / 8,
    rootCut: 1 / 4,
  };
}

/** Unified screw thread with the rounded root UNR, ASME B1.1. @param threads - per inch. */
export const unifiedThread = (major: number, threads: number): ThreadForm =>
  sixtyDegrees(major, inches(1) / threads, 11 / 8);

/** ISO metric screw thread, ISO 68-1 and ISO 724. @param major, pitch - m. */
export const metricThread = (major: number, pitch: number): ThreadForm => sixtyDegrees(major, pitch, 17 / 12);

/**
 * American taper pipe thread of 60°, ASME B1.20.1: E0 = D − (0.05 D + 1.1 in) p, E1 = E0 + L1/16, L2 = (0.80 D + 6.8 in) p.
 * Sizes are those of the hand-tight plane E1; a caliper meets the pipe's own diameter at the large end.
 *
 * @param pipe - outside diameter of the pipe, m. @param handTight - L1, m. @param threads - per inch.
 */
export function taperPipeThread(pipe: number, handTight: number, threads: number): ThreadForm {
  const pitch = inches(1) / threads;
  const perInch = 1 / threads;
  const small = pipe - (0.05 * pipe + inches(1.1)) * perInch;
  const pitchDiameter = small + handTight * PIPE_TAPER;
  const depth = 0.8 * pitch;
  const height = sharpHeight(pitch);
  const cut = (height - depth) / 2 / height;
  return {
    pitch,
    major: pitchDiameter + depth,
    pitchDiameter,
    minorInternal: pitchDiameter - depth,
    minorExternal: pitchDiameter - depth,
    flankAngle: SIXTY,
    taper: PIPE_TAPER,
    readMale: pipe,
    readFemale: pitchDiameter - depth,
    crestCut: cut,
    rootCut: cut,
    effectiveLength: (0.8 * pipe + inches(6.8)) * perInch,
    gaugeLength: handTight,
  };
}

/**
 * Pipe thread of 55°: parallel G (ISO 228-1), or taper R with sizes in its gauge plane (ISO 7-1). H = p/(2 tan 27.5°), depth 2H/3.
 *
 * @param taper - gauge length and useful length, m; absent for a parallel thread.
 */
export function whitworthPipeThread(
  major: number,
  threads: number,
  taper?: { readonly gauge: number; readonly useful: number },
): ThreadForm {
  const pitch = inches(1) / threads;
  const height = pitch / (2 * Math.tan(FIFTY_FIVE / 2));
  const minor = major - (4 / 3) * height;
  return {
    pitch,
    major,
    pitchDiameter: major - (2 / 3) * height,
    minorInternal: minor,
    minorExternal: minor,
    flankAngle: FIFTY_FIVE,
    taper: taper ? PIPE_TAPER : 0,
    readMale: taper ? major + (taper.useful - taper.gauge) * PIPE_TAPER : major,
    readFemale: minor,
    crestCut: 1 / 6,
    rootCut: 1 / 6,
    effectiveLength: taper?.useful,
    gaugeLength: taper?.gauge,
  };
}

/** @param pipe - as listed, mm. */
export const gaugeOf = (gauge: number, useful: number) => ({ gauge: mm(gauge), useful: mm(useful) });
