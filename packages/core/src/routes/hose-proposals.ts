import type { Job } from '../job/job.ts';
import { hoseEndAngles } from '../job/routes.ts';
import type { ShelfPart } from '../fittings/stock.ts';
import type { PartOf } from '../parts/kinds.ts';
import { endOf } from '../run/joints.ts';
import { degrees, mm } from '../units/quick.ts';
import type { Mouth } from './placed.ts';
import { zoneClearances } from './clearances.ts';
import { frameOf } from './frame.ts';
import { PUSHED_ON, seatOf, usualHoseEnd, type HoseEndForm, type Seat } from './hose-end.ts';
import { bestEndPairs, type EndPair } from './hose-ends.ts';
import { cutLength, layHose, slackFor, stretchesOf, tautLength, type HoseEndOn, type HoseLine } from './hose-line.ts';
import { dashAt, hoseEndOf, type RoutedLine } from './lines.ts';
import { sub, unit, type Vec } from './vector.ts';

export type HoseEndAngle = keyof typeof hoseEndAngles;
export const hoseEndAngleList = Object.keys(hoseEndAngles).map(Number) as HoseEndAngle[];

/** A way to make a hose: its ends, how they are clocked, and how long it is. SI. */
export interface HoseProposal {
  readonly startEnd: HoseEndAngle;
  readonly startClock: number;
  readonly finishEnd: HoseEndAngle;
  readonly finishClock: number;
  /** What it is cut to. */
  readonly cut: number;
  /** Least radius of its middle as it lies so. */
  readonly leastRadius: number;
  /** Shortest cut that keeps the radius; slack comes on top. */
  readonly shortest: number;
  readonly slack: number;
  /** Gaps to zones that it would not keep. */
  readonly tooNear: number;
  /** Hose ends of it that lie on the shelf. */
  readonly onShelf: number;
  readonly cost: number;
}

export interface HoseSearch {
  readonly proposals: readonly HoseProposal[];
  /** The gentlest that was seen, where none keeps the radius. */
  readonly gentlest?: {
    readonly startEnd: HoseEndAngle;
    readonly finishEnd: HoseEndAngle;
    readonly leastRadius: number;
  };
  readonly tried: number;
}

/** Lengths that are tried, over the way between where the ends let go of the hose: taut to a good bow. */
export const SLACKS = [1.02, 1.06, 1.12, 1.2, 1.35, 1.6];
const LEAST_BETWEEN = mm(25); // of hose between two stiff ends, so that there is something to hold; common practice
const COUNT = 5;
/** What a pair costs: what its ends cost beside straight ones, less what lies on the shelf, and its hose. Weights are this app’s own. */
const WEIGHT = { shelf: -2, bentEnd: 0.6, perTurn: 0.5, perMetre: 1.5 } as const;

/** Hose ends on the shelf of a size, by angle. */
export function endsOnShelf(shelf: readonly ShelfPart[], size: string | undefined): ReadonlyMap<HoseEndAngle, number> {
  const held = new Map<HoseEndAngle, number>();
  for (const { adapter, count } of shelf) {
    if (adapter.shape !== 'hoseEnd' || count === 0) continue;
    if (size !== undefined && !adapter.ports.some((p) => p.form === 'hoseEnd' && p.size === size)) continue;
    const angle = hoseEndAngleList.find((a) => Math.abs(degrees(a) - adapter.angle) < degrees(2));
    if (angle !== undefined) held.set(angle, (held.get(angle) ?? 0) + count);
  }
  return held;
}

interface Candidate {
  readonly first: HoseEndAngle;
  readonly second: HoseEndAngle;
  readonly onShelf: number;
  readonly cost: number;
}

/** Every pair of ends, what can be had most easily first. */
function candidates(
  angles: readonly [readonly HoseEndAngle[], readonly HoseEndAngle[]],
  held: readonly [ReadonlyMap<HoseEndAngle, number>, ReadonlyMap<HoseEndAngle, number>],
): Candidate[] {
  const found: Candidate[] = [];
  for (const first of angles[0])
    for (const second of angles[1]) {
      const of = (which: 0 | 1, angle: HoseEndAngle) => (held[which].get(angle) ?? 0) > 0;
      // two alike take two from the shelf
      const isOne = first === second && (held[0].get(first) ?? 0) < 2;
      const onShelf = Number(of(0, first)) + Number(of(1, second) && !(of(0, first) && isOne));
      const cost =
        WEIGHT.shelf * onShelf +
        [first, second].reduce((sum: number, a) => sum + (a === 0 ? 0 : WEIGHT.bentEnd + (WEIGHT.perTurn * a) / 90), 0);
      found.push({ first, second, onShelf, cost });
    }
  return found.sort((a, b) => a.cost - b.cost);
}

export interface Ends {
  readonly forms: readonly [HoseEndForm, HoseEndForm];
  readonly mouths: readonly [Mouth, Mouth];
  readonly through: readonly Vec[];
}
export type Clocks = readonly [number, number];

/** The clockings of two ends between which a hose of that slack bends least; where it is held on its way, each end by itself. */
export function clockingsOf({ forms: [first, second], mouths, through }: Ends, slack: number): Clocks | undefined {
  const [a, b] = [seatOf(mouths[0]), seatOf(mouths[1])];
  const search = (from: Seat, to: Seat, form: HoseEndForm, toForm: HoseEndForm): EndPair | undefined =>
    bestEndPairs(from, to, {
      forms: [form],
      secondForms: [toForm],
      slacks: [slack],
      leastChord: LEAST_BETWEEN,
      count: 1,
    })[0];
  if (through.length === 0) {
    const pair = search(a, b, first, second);
    return pair && [pair.firstClock, pair.secondClock];
  }
  // the hold lets the hose go on as it lies there: like a port that looks back
  const towards = (at: Vec, from: Vec): Seat => seatOf({ at, out: unit(sub(from, at)) });
  const from = search(a, towards(through[0]!, through[1] ?? b.at), first, NO_END);
  const to = search(b, towards(through.at(-1)!, through.at(-2) ?? a.at), second, NO_END);
  return from && to && [from.firstClock, to.firstClock];
}
const NO_END: HoseEndForm = { angle: 0, leg1: 0, radius: 0, leg2: 0, inserted: 0 };

/** How a hose lies with those ends, clocked so. */
export function lieOf({ forms, mouths, through }: Ends, clocks: Clocks, flexible: number): HoseLine | undefined {
  const on = (i: 0 | 1): HoseEndOn => ({ mouth: mouths[i], form: forms[i], clock: clocks[i] });
  const laid = layHose(on(0), on(1), through, flexible);
  return laid.ok ? laid.value : undefined;
}
export const tautOf = ({ forms, mouths, through }: Ends, clocks: Clocks): number =>
  tautLength(
    stretchesOf(
      { mouth: mouths[0], form: forms[0], clock: clocks[0] },
      { mouth: mouths[1], form: forms[1], clock: clocks[1] },
      through,
    ),
  );

/**
 * The ways to make a hose that keep its radius, the easiest to have first.
 *
 * @param allowed - least radius of its middle, m.
 * @yields how many of how many pairs are looked at.
 */
export function* proposeHose(
  job: Job,
  line: RoutedLine,
  allowed: number,
  shelf: readonly ShelfPart[],
): Generator<{ readonly done: number; readonly of: number }, HoseSearch, void> {
  const hose = job.parts[line.part] as PartOf<'hose'>;
  const [first, second] = line.mouths;
  if (!first || !second) return { proposals: [], tried: 0 };
  const ports = ['in', 'out'] as const;
  const isPushedOn = ports.map((port) => hoseEndOf(job, hose, port) === PUSHED_ON);
  const angles = isPushedOn.map((is): readonly HoseEndAngle[] => (is ? [0] : hoseEndAngleList));
  const held = ports.map((port) => endsOnShelf(shelf, endOf(job, hose.id, port).fitting?.size));
  const pairs = candidates([angles[0]!, angles[1]!], [held[0]!, held[1]!]);
  const moves = job.routes?.lines?.[hose.id]?.moves === true;
  const frame = frameOf(job);
  const tooNear = ({ centre }: HoseLine): number =>
    zoneClearances([{ part: hose.id, centre, radius: line.radius, covers: line.covers }], frame).filter(
      (c) => c.gap < c.least,
    ).length;
  const found: HoseProposal[] = [];
  let gentlest: HoseSearch['gentlest'];
  let tried = 0;
  for (const pair of pairs) {
    if (found.length >= COUNT) break;
    yield { done: tried, of: pairs.length };
    tried++;
    const form = (i: 0 | 1, angle: HoseEndAngle) =>
      isPushedOn[i] ? PUSHED_ON : usualHoseEnd(dashAt(job, hose.id, ports[i]), degrees(angle));
    const ends: Ends = {
      forms: [form(0, pair.first), form(1, pair.second)],
      mouths: [first, second],
      through: line.through,
    };
    let before = 0; // flexible length that was too tight
    for (const slack of SLACKS) {
      const clocks = clockingsOf(ends, slack);
      if (!clocks) continue;
      const taut = tautOf(ends, clocks);
      const leastRadius = lieOf(ends, clocks, slack * taut)?.leastRadius ?? 0;
      if (!gentlest || leastRadius > gentlest.leastRadius)
        gentlest = { startEnd: pair.first, finishEnd: pair.second, leastRadius };
      if (leastRadius >= allowed) {
        const shortest = shortestOf(ends, clocks, allowed, Math.max(before, taut * TAUTEST), slack * taut);
        const proposal = proposalOf(ends, clocks, pair, shortest, allowed, moves, tooNear);
        if (proposal) found.push(proposal);
        break;
      }
      before = slack * taut;
    }
  }
  return {
    proposals: found.sort((p, q) => p.tooNear - q.tooNear || p.cost - q.cost), // what lies clear first

    ...(found.length === 0 && gentlest ? { gentlest } : {}),
    tried,
  };
}
const TAUTEST = 1.005; // of the way between its ends: tauter than that nobody fits a hose

/** The shortest flexible length that keeps the radius between one that is too tight, or as taut as is fitted, and one that is not. */
function shortestOf(ends: Ends, clocks: Clocks, allowed: number, tight: number, gentle: number): number {
  let [low, high] = [tight, gentle];
  if ((lieOf(ends, clocks, low)?.leastRadius ?? 0) >= allowed) return low;
  while (high - low > CLOSE) {
    const middle = (low + high) / 2;
    if ((lieOf(ends, clocks, middle)?.leastRadius ?? 0) >= allowed) high = middle;
    else low = middle;
  }
  return high;
}
const CLOSE = mm(1); // a hose is cut to no less

function proposalOf(
  ends: Ends,
  clocks: Clocks,
  pair: Candidate,
  shortest: number,
  allowed: number,
  moves: boolean,
  tooNear: (laid: HoseLine) => number,
): HoseProposal | undefined {
  const wanted = slackFor(shortest, moves);
  // slack bows a hose out, which may be tighter again: then as much of it as keeps the radius
  for (const slack of [Math.max(wanted, LAY), wanted]) {
    const cut = roundUp(cutLength(shortest + slack, ...ends.forms));
    const laid = lieOf(ends, clocks, cut - cutLength(0, ...ends.forms));
    const leastRadius = laid?.leastRadius ?? 0;
    if (!laid || leastRadius < allowed) continue;
    return {
      tooNear: tooNear(laid),
      startEnd: pair.first,
      startClock: clocks[0],
      finishEnd: pair.second,
      finishClock: clocks[1],
      cut,
      shortest: cutLength(shortest, ...ends.forms),
      slack,
      leastRadius,
      onShelf: pair.onShelf,
      cost: pair.cost + WEIGHT.perMetre * cut,
    };
  }
  return undefined;
}
const LAY = mm(5); // more than the shortest, so that it is cut and fitted without a pull; common practice
const roundUp = (length: number): number => Math.ceil(length / STEP - 1e-6) * STEP;
const STEP = mm(1); // a cut is marked to the millimetre
