import { failure, success, type Result } from '../result.ts';
import { bentBy, rodBetween, shoot, type Bent, type HoseEnds, type Load, type Rod } from './rod.ts';
import { fewStarts, gentleStarts } from './rod-starts.ts';
import { add, dot, length, sub, times, unit, type Vec } from './vector.ts';

/** A hose at rest between its ends. SI. */
export interface HoseShape {
  readonly length: number;
  /** Integral of curvature squared along it, 1/m. */
  readonly energy: number;
  /** Tightest radius of the centre line, m, and where along the hose it is. */
  readonly leastRadius: number;
  readonly leastAt: number;
  /** Integral of curvature, rad. */
  readonly turning: number;
  /** Evenly along it, both ends included. */
  readonly points: readonly Vec[];
}

export type HoseFault =
  | { readonly code: 'notANumber' }
  | { readonly code: 'noDirection' }
  /** The ends are in one place. */
  | { readonly code: 'coincide' }
  /** The hose is shorter than the way between its ends. m. */
  | { readonly code: 'tooShort'; readonly chord: number }
  /** No shape was found, or none that keeps the radius. */
  | { readonly code: 'none' };

const SOUGHT = 24; // steps, to find shapes at rest: enough to tell them apart
const COARSE = 48; // steps, to choose among lengths
const FINE = 400; // steps, of what is told
const LOOP = 2.1 * Math.PI; // rad: what turns more goes round in a loop
const PIECES = 20; // between the points that are told

function faultOf({ a, b, dirA, dirB }: HoseEnds, long: number): HoseFault | undefined {
  if (![...a, ...b, ...dirA, ...dirB, long].every((n) => Number.isFinite(n)) || !(long > 0))
    return { code: 'notANumber' };
  if (length(dirA) === 0 || length(dirB) === 0) return { code: 'noDirection' };
  const chord = length(sub(b, a));
  if (chord === 0) return { code: 'coincide' };
  return long < chord * (1 - 1e-12) ? { code: 'tooShort', chord } : undefined;
}

const isStraight = ({ a, b, dirA, dirB }: HoseEnds, long: number): boolean => {
  const way = unit(sub(b, a));
  return long <= length(sub(b, a)) * (1 + 1e-9) && dot(unit(dirA), way) > 1 - 1e-9 && dot(unit(dirB), way) > 1 - 1e-9;
};

/**
 * How a hose of that length lies between its ends: the curve of least bending energy.
 *
 * Stiffness, weight and pressure drop out. Nothing else is in its way, and loops are left out.
 * @param long - along the centre line, m.
 */
export function hoseShape(ends: HoseEnds, long: number, pieces = PIECES): Result<HoseShape, HoseFault> {
  const fault = faultOf(ends, long);
  if (fault) return failure(fault);
  if (isStraight(ends, long)) {
    const points = Array.from({ length: pieces + 1 }, (_, i) => add(ends.a, times(i / pieces, sub(ends.b, ends.a))));
    return success({ length: long, energy: 0, leastRadius: Infinity, leastAt: 0, turning: 0, points });
  }
  const rod = rodBetween(ends, long);
  const sought = restFrom(rod, gentleStarts(rod), SOUGHT);
  const load = sought && shoot(rod, sought, FINE);
  return load ? success(told(ends, rod, load, long, pieces)) : failure({ code: 'none' });
}

function told(ends: HoseEnds, rod: Rod, load: Load, long: number, pieces = PIECES): HoseShape {
  const steps = Math.ceil(FINE / (2 * pieces)) * 2 * pieces;
  const points: Vec[] = [];
  let i = 0;
  const bent = bentBy(rod, load, steps, (x, y, z) => {
    if (i++ % (steps / pieces) === 0) points.push(add(ends.a, [x * long, y * long, z * long]));
  });
  return {
    length: long,
    energy: bent.energy / long,
    leastRadius: long / bent.most,
    leastAt: bent.at * long,
    turning: bent.turning,
    points,
  };
}

/** The shape at rest of least energy without loops that is found from some starts. */
function restFrom(rod: Rod, starts: Iterable<Load>, steps: number, rounds?: number): Load | undefined {
  let best: { readonly load: Load; readonly bent: Bent } | undefined;
  for (const start of starts) {
    const load = shoot(rod, start, steps, rounds);
    const bent = load && bentBy(rod, load, steps);
    if (bent && bent.turning < LOOP && (!best || bent.energy < best.bent.energy * (1 - 1e-9))) best = { load, bent };
  }
  return best?.load;
}

/** From a like hose, or, where that is asked or needed, from every gentle curve. */
function restOf(rod: Rod, near: Load | undefined, isThorough: boolean): Load | undefined {
  if (near && isThorough) return restFrom(rod, [near, ...gentleStarts(rod)], COARSE);
  return (near && restFrom(rod, [near], COARSE)) ?? restFrom(rod, gentleStarts(rod), COARSE);
}

/** How tightly a hose bends at its tightest, m, and what bends it so. */
export interface Tightness {
  readonly leastRadius: number;
  readonly load: Load;
}
const tightness = (rod: Rod, long: number, load: Load | undefined, steps: number): Tightness | undefined =>
  load && { leastRadius: long / bentBy(rod, load, steps).most, load };

const QUICK_ROUNDS = 14;

/** From every gentle curve, looked at in few steps; the least of them is told more finely. */
export function gentlest(ends: HoseEnds, long: number, steps: number): Tightness | undefined {
  const rod = rodBetween(ends, long);
  const coarse = restFrom(rod, gentleStarts(rod), steps, QUICK_ROUNDS);
  return tightness(rod, long, coarse && shoot(rod, coarse, COARSE), COARSE);
}

/** From a like hose where there is one, else from a few gentle curves: what a search compares by. @param steps - along it, an even number. */
export function quickLook(ends: HoseEnds, long: number, near: Load | undefined, steps: number): Tightness | undefined {
  const rod = rodBetween(ends, long);
  const load = near ? shoot(rod, near, steps, QUICK_ROUNDS / 2) : restFrom(rod, fewStarts(rod), steps, QUICK_ROUNDS);
  return tightness(rod, long, load, steps);
}

const TAUT = 1.005; // of the way between the ends: tauter than that nobody fits a hose
const SCANNED = 48; // lengths
const AGAIN = 6; // every so many of them all starts are tried, not the last shape alone
const LENGTH_CLOSE = 1e-7; // of the length

interface Tried {
  readonly long: number;
  readonly radius: number;
  readonly load: Load;
}

/**
 * The shortest hose between two ends whose bends keep a radius, m along the centre line, from 1.005 of the way between them on.
 *
 * Longer is not always gentler: the least radius climbs, falls as the hose bulges, and grows again; the first length that keeps it
 * is told.
 * @param longest - up to which it is looked for, m.
 */
export function shortestHose(ends: HoseEnds, radius: number, longest: number): Result<HoseShape, HoseFault> {
  const fault = faultOf(ends, longest);
  if (fault) return failure(fault);
  const chord = length(sub(ends.b, ends.a));
  if (isStraight(ends, chord)) return hoseShape(ends, chord);
  let near: Load | undefined;
  const at = (long: number, isThorough: boolean): Tried | undefined => {
    const rod = rodBetween(ends, long);
    const found = restOf(rod, near, isThorough);
    const load = found && (shoot(rod, found, 2 * COARSE) ?? found);
    if (!load) return undefined;
    near = load;
    return { long, radius: long / bentBy(rod, load, 2 * COARSE).most, load };
  };
  const first = chord * TAUT;
  let before: Tried | undefined;
  for (let i = 0; i <= SCANNED; i++) {
    const here = at(first + ((longest - first) * i) / SCANNED, i % AGAIN === 0);
    if (here && here.radius >= radius) return success(shape(between(before ?? tauter(here), here)));
    if (here) before = here;
  }
  return failure({ code: 'none' });

  /** The shortest between a hose that is too tight and one that is not. */
  function between(tight: Tried | undefined, gentle: Tried): Tried {
    while (tight && gentle.long - tight.long > LENGTH_CLOSE * gentle.long) {
      near = gentle.load;
      const middle = at((tight.long + gentle.long) / 2, false);
      if (!middle) break;
      if (middle.radius >= radius) gentle = middle;
      else tight = middle;
    }
    return gentle;
  }

  /** A taut hose is found from a slacker one: step by step shorter until it is too tight, or as taut as is looked for. */
  function tauter(from: Tried): Tried | undefined {
    let last = from;
    let step = (from.long - first) / 4;
    while (step > first * 1e-4) {
      near = last.load;
      const next = last.long - step >= first ? at(last.long - step, false) : undefined;
      if (!next) step /= 2;
      else if (next.radius < radius) return next;
      else last = next;
    }
    return undefined;
  }

  function shape({ long, load }: Tried): HoseShape {
    const rod = rodBetween(ends, long);
    return told(ends, rod, shoot(rod, load, FINE) ?? load, long);
  }
}

/** In words. */
export function sayHoseFault(fault: HoseFault): string {
  switch (fault.code) {
    case 'notANumber':
      return 'a place, a direction or the length is no number';
    case 'noDirection':
      return 'an end has no direction';
    case 'coincide':
      return 'both ends are in one place';
    case 'tooShort':
      return `it is shorter than the ${Math.round(fault.chord * 1e4) / 10} mm between its ends`;
    case 'none':
      return 'no shape without a loop was found';
  }
}
