import type { Act } from '../acts/act.ts';
import type { Job } from '../job/job.ts';
import { measured } from '../fields/measured.ts';
import { degrees, mm } from '../units/quick.ts';
import { PUSHED_ON, usualHoseEnd } from './hose-end.ts';
import { cutLength, slackFor } from './hose-line.ts';
import {
  clockingsOf,
  hoseEndAngleList,
  lieOf,
  SLACKS,
  tautOf,
  type Clocks,
  type Ends,
  type HoseEndAngle,
} from './hose-proposals.ts';
import { dashAt, type HoseRoute, type RoutedLine } from './lines.ts';

/** What puts a hose right that bends too tightly, is too short or has no slack; tried before it is told. SI. */
export interface HoseCure {
  readonly kind: 'longer' | 'shorter' | 'clock' | 'end';
  readonly startEnd: HoseEndAngle;
  readonly startClock: number;
  readonly finishEnd: HoseEndAngle;
  readonly finishClock: number;
  readonly cut: number;
  /** Over what it is cut to now; less than nothing is shorter. */
  readonly by: number;
  readonly leastRadius: number;
}

/** Angles of the two ends that a hose has now. */
const anglesOf = ({ ends }: HoseRoute): readonly [HoseEndAngle, HoseEndAngle] => {
  const [a, b] = ends.map(
    ({ angle }) => hoseEndAngleList.find((known) => Math.abs(degrees(known) - angle) < 1e-6) ?? 0,
  );
  return [a!, b!];
};

const MOST_LONGER = 1.6; // of the way between its ends: what is longer hangs about
const STEPS = 10;

/** @param allowed - least radius of its middle, m. */
export function hoseCure(job: Job, line: RoutedLine, allowed: number): HoseCure | undefined {
  const {
    hose,
    mouths: [first, second],
    through,
  } = line;
  if (!hose || !first || !second) return undefined;
  const part = job.parts[line.part];
  const cutNow = part?.kind === 'hose' ? (part.length?.si ?? 0) : 0;
  const mouths = [first, second] as const;
  const moves = job.routes?.lines?.[line.part]?.moves === true;
  const now: Ends = { forms: hose.ends, mouths, through };
  const angles = anglesOf(hose);
  const told = (
    kind: HoseCure['kind'],
    ends: Ends,
    clocks: Clocks,
    of: readonly [HoseEndAngle, HoseEndAngle],
    flexible: number,
  ): HoseCure | undefined => {
    const cut = Math.ceil(cutLength(flexible, ...ends.forms) / mm(5) - 1e-6) * mm(5); // marked to 5 mm
    const leastRadius = lieOf(ends, clocks, cut - cutLength(0, ...ends.forms))?.leastRadius ?? 0;
    if (leastRadius < allowed) return undefined;
    return {
      kind,
      startEnd: of[0],
      startClock: clocks[0],
      finishEnd: of[1],
      finishClock: clocks[1],
      cut,
      by: cut - cutNow,
      leastRadius,
    };
  };
  // longer, as it is
  const taut = tautOf(now, hose.clocks);
  const from = Math.max(hose.flexible, taut * SLACKS[0]!);
  for (let i = 1; i <= STEPS; i++) {
    const flexible = from + ((taut * MOST_LONGER - from) * i) / STEPS;
    if (flexible <= from) break;
    const cure = told('longer', now, hose.clocks, angles, flexible + slackFor(flexible, moves));
    if (cure) return cure;
  }
  // clocked otherwise, then another end at one side
  const isPushedOn = hose.ends.map((e) => e === PUSHED_ON || e.leg1 === 0);
  const others = ([0, 1] as const).flatMap((i) =>
    isPushedOn[i]
      ? []
      : hoseEndAngleList
          .filter((a) => a !== angles[i])
          .map((a): readonly [HoseEndAngle, HoseEndAngle] => (i === 0 ? [a, angles[1]] : [angles[0], a])),
  );
  const dashes = [dashAt(job, line.part, 'in'), dashAt(job, line.part, 'out')] as const;
  const tries = [angles, ...others.sort((a, b) => a[0] + a[1] - b[0] - b[1])];
  for (const of of tries) {
    const form = (i: 0 | 1) => (of[i] === angles[i] ? hose.ends[i] : usualHoseEnd(dashes[i], degrees(of[i])));
    const ends: Ends = { forms: [form(0), form(1)], mouths, through };
    for (const slack of SLACKS) {
      const clocks = clockingsOf(ends, slack);
      if (!clocks) continue;
      const flexible = slack * tautOf(ends, clocks);
      const cure = told(of === angles ? 'clock' : 'end', ends, clocks, of, flexible + slackFor(flexible, moves));
      if (cure) return cure;
    }
  }
  return undefined;
}

/** The same ends with less hose, where that keeps the radius as well. */
export function shorterHose(job: Job, line: RoutedLine, allowed: number): HoseCure | undefined {
  const {
    hose,
    mouths: [first, second],
    through,
  } = line;
  const part = job.parts[line.part];
  if (!hose || !first || !second || part?.kind !== 'hose' || !part.length) return undefined;
  const ends: Ends = { forms: hose.ends, mouths: [first, second], through };
  const slack = slackFor(hose.taut, job.routes?.lines?.[line.part]?.moves === true);
  for (const share of SLACKS) {
    const cut = Math.ceil(cutLength(share * hose.taut + slack, ...hose.ends) / mm(5) - 1e-6) * mm(5);
    if (cut >= part.length.si) return undefined;
    const leastRadius = lieOf(ends, hose.clocks, cut - cutLength(0, ...hose.ends))?.leastRadius ?? 0;
    if (leastRadius < allowed) continue;
    const [startEnd, finishEnd] = anglesOf(hose);
    return {
      kind: 'shorter',
      startEnd,
      startClock: hose.clocks[0],
      finishEnd,
      finishClock: hose.clocks[1],
      cut,
      by: cut - part.length.si,
      leastRadius,
    };
  }
  return undefined;
}

/** The act that makes a hose so. */
export function hoseAct(line: string, to: Omit<HoseCure, 'kind' | 'by' | 'leastRadius'>, title: string): Act {
  return {
    act: 'routeLine',
    id: line,
    title,
    changes: [
      { key: 'startEnd', value: String(to.startEnd) },
      { key: 'startClock', value: measured(to.startClock, '°') },
      { key: 'finishEnd', value: String(to.finishEnd) },
      { key: 'finishClock', value: measured(to.finishClock, '°') },
    ],
    length: measured(Math.round(to.cut * 1e6) / 1e6, 'mm'),
  };
}
