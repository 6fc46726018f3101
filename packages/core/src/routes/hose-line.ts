import { remembered } from '../memory/remembered.ts';
import { failure, success, type Result } from '../result.ts';
import { centreLine, lengthOfLine, type CentreLine } from './centre-line.ts';
import { hoseEndPath, hoseStart, lengthOfEnd, seatOf, type HoseEndForm } from './hose-end.ts';
import { hoseShape, type HoseFault } from './hose-shape.ts';
import type { Mouth } from './placed.ts';
import type { HoseEnds } from './rod.ts';
import { length, sub, times, unit, type Vec } from './vector.ts';

/** An end of a hose as it is put on: where, which form, how it is clocked. */
export interface HoseEndOn {
  readonly mouth: Mouth;
  readonly form: HoseEndForm;
  readonly clock: number;
}

/** A hose between two mouths, held at places between. SI. */
export interface HoseLine {
  /** From seat to seat, stiff ends and all. */
  readonly centre: CentreLine;
  /** Of what bends, between the stiff ends, m. */
  readonly flexible: number;
  /** Where it bends from and to along the centre line. */
  readonly bendsFrom: number;
  readonly bendsTo: number;
  readonly leastRadius: number;
  /** Along the centre line. */
  readonly leastAt: number;
  /** rad, of what bends. */
  readonly turning: number;
  /** The way between the places that hold it: no hose is shorter. */
  readonly taut: number;
}

const MOST_SHAPES = 1000; // that are remembered: cures try many
const PIECES = 40; // of a stretch between two holds

/** The stretches of a hose between what holds it; where it is clipped it goes the way from the hold before to the one after. */
export function stretchesOf(first: HoseEndOn, second: HoseEndOn, through: readonly Vec[]): HoseEnds[] {
  const a = hoseStart(seatOf(first.mouth), first.form, first.clock);
  const b = hoseStart(seatOf(second.mouth), second.form, second.clock);
  const holds = [a.at, ...through, b.at];
  const ways = holds.map((_, i): Vec =>
    i === 0 ? a.dir : i === holds.length - 1 ? times(-1, b.dir) : unit(sub(holds[i + 1]!, holds[i - 1]!)),
  );
  return holds.slice(1).map((at, i): HoseEnds => ({ a: holds[i]!, dirA: ways[i]!, b: at, dirB: ways[i + 1]! }));
}

/** The way between the holds of a hose, m. */
export const tautLength = (stretches: readonly HoseEnds[]): number =>
  stretches.reduce((sum, { a, b }) => sum + length(sub(b, a)), 0);

/**
 * How a hose lies. Slack is shared among its stretches as their ways are long: clips are set last.
 *
 * @param flexible - its length between the stiff ends, m.
 */
export function layHose(
  first: HoseEndOn,
  second: HoseEndOn,
  through: readonly Vec[],
  flexible: number,
): Result<HoseLine, HoseFault> {
  const stretches = stretchesOf(first, second, through);
  const taut = tautLength(stretches);
  if (flexible < taut * (1 - 1e-12)) return failure({ code: 'tooShort', chord: taut });
  const middle: Vec[] = [];
  let [turning, leastRadius, leastAt, before] = [0, Infinity, 0, 0];
  for (const stretch of stretches) {
    const share = (flexible * length(sub(stretch.b, stretch.a))) / taut;
    const laid = remembered(
      'hoseShape',
      JSON.stringify([stretch, share]),
      () => hoseShape(stretch, share, PIECES),
      MOST_SHAPES,
    );
    if (!laid.ok) return laid;
    turning += laid.value.turning;
    if (laid.value.leastRadius < leastRadius) {
      leastRadius = laid.value.leastRadius;
      leastAt = before + laid.value.leastAt;
    }
    before += share;
    middle.push(...(middle.length === 0 ? laid.value.points : laid.value.points.slice(1)));
  }
  const start = hoseEndPath(seatOf(first.mouth), first.form, first.clock);
  const end = hoseEndPath(seatOf(second.mouth), second.form, second.clock).reverse();
  const centre = centreLine([...start.slice(0, -1), ...middle, ...end.slice(1)]);
  const bendsFrom = lengthOfEnd(first.form);
  return success({
    centre,
    flexible,
    bendsFrom,
    bendsTo: lengthOfLine(centre) - lengthOfEnd(second.form),
    leastRadius,
    leastAt: bendsFrom + leastAt,
    turning,
    taut,
  });
}

/** What a hose is cut to: what bends, and what goes into or onto its ends, m. */
export const cutLength = (flexible: number, first: HoseEndForm, second: HoseEndForm): number =>
  flexible + first.inserted + second.inserted;

/** Slack for an engine that moves on its mounts: 3 % and 25 mm. Common practice. */
export const ENGINE_SLACK = { share: 0.03, more: 0.025 } as const;
export const slackFor = (flexible: number, moves: boolean): number =>
  moves ? flexible * ENGINE_SLACK.share + ENGINE_SLACK.more : 0;
