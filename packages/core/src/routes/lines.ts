import { isClampedHose } from '../fittings/usual-port.ts';
import type { Job } from '../job/job.ts';
import { VENT, type LineRoute } from '../job/routes.ts';
import { partIn } from '../job/field-words.ts';
import { isLine, kindOf, type PartOf } from '../parts/kinds.ts';
import { hoseConstruction, tightestBend } from '../ratings/hose-construction.ts';
import { circuitsOf } from '../run/circuits.ts';
import { endOf } from '../run/joints.ts';
import { degrees, mm } from '../units/quick.ts';
import { tableOf, type BendFault, type BendTable } from './bend-table.ts';
import { benderOf, usualBender } from './bender.ts';
import { lengthOfLine, type CentreLine } from './centre-line.ts';
import { wayOf, type Frame, type MouthFault } from './frame.ts';
import type { Mouth } from './placed.ts';
import { PUSHED_ON, usualHoseEnd, type HoseEndForm } from './hose-end.ts';
import { cutLength, layHose, slackFor, stretchesOf, tautLength, type HoseLine } from './hose-line.ts';
import type { HoseFault } from './hose-shape.ts';
import { outsideRadius } from './outside.ts';
import { layTube, type TubeLine } from './tube-line.ts';
import { endStraights, tubeBench, type TubeBench } from './tube-bench.ts';
import { length, sub, unit, type Vec } from './vector.ts';

/** What a routed line is called. */
export const lineName = ({ parts }: Pick<Job, 'parts'>, line: string): string =>
  line === VENT ? 'Vent' : (partIn({ parts }, line) ?? line);

/** A line of the run where it goes. SI. */
export interface RoutedLine {
  readonly part: string;
  readonly kind: 'hose' | 'hardLine' | 'vent';
  /** Of its outside. */
  readonly radius: number;
  /** What nobody measured yet, so that it cannot be drawn. */
  readonly missing: readonly LineMissing[];
  readonly mouths: readonly [Mouth | undefined, Mouth | undefined];
  /** Places that it goes through, clipped or not. */
  readonly through: readonly Vec[];
  readonly hose?: HoseRoute;
  readonly tube?: TubeRoute;
  readonly fault?: HoseFault | BendFault;
  readonly centre?: CentreLine;
  /** Stretches along it that a sleeve or a shield keeps from heat. */
  readonly covers: readonly Cover[];
  /** From seat to seat along it. */
  readonly length?: number;
  /** Places along it where it is higher, or lower, than on either side, ends left out. */
  readonly turns?: readonly HeightTurn[];
}
export type LineMissing =
  | { readonly of: 'mouth'; readonly fault: MouthFault }
  | { readonly of: 'place'; readonly row: string }
  /** A hose has no length yet: Endrel finds one. */
  | { readonly of: 'length' };

export interface HeightTurn {
  readonly kind: 'high' | 'low';
  readonly at: Vec;
  readonly along: number;
  /** Over, or under, the higher, or lower, of what lies on either side. m. */
  readonly by: number;
}

export interface HoseRoute {
  readonly ends: readonly [HoseEndForm, HoseEndForm];
  readonly clocks: readonly [number, number];
  /** Between the stiff ends. */
  readonly flexible: number;
  readonly taut: number;
  readonly laid?: HoseLine;
  /** Least radius of its middle that the hose allows, m; absent while its construction or bore is unknown. */
  readonly allowed?: number;
  /** Slack that its engine's movement asks for. */
  readonly slack: number;
}

/** What a hose is cut to, m. */
export const cutOf = ({ flexible, ends }: HoseRoute): number => cutLength(flexible, ...ends);

export interface TubeRoute {
  readonly bendRadius: number;
  /** Drawn between its ends, or copied bend by bend from a line that was there. */
  readonly table?: BendTable;
  readonly isCopied: boolean;
  readonly laid?: TubeLine;
  readonly bench?: TubeBench;
}

/** m along a line from its start. */
export interface Cover {
  readonly kind: 'sleeve' | 'shield';
  readonly from: number;
  readonly to: number;
}

type Line = PartOf<'hose'> | PartOf<'hardLine'>;

/** Every hose and hard line outside the tank, in the order of the fuel, and the vent once it is told of. */
export function routedLines(job: Job, frame: Frame): RoutedLine[] {
  const lines = circuitsOf(job)
    .parts.filter((part): part is Line => isLine(part) && !kindOf(part).isInTank?.(part))
    .map((part) => routeLine(job, frame, part));
  return job.routes?.vent ? [...lines, routeVent(job, frame, job.routes.vent)] : lines;
}

/** One line where it goes. */
export function routeLine(job: Job, frame: Frame, part: Line): RoutedLine {
  const route = job.routes?.lines?.[part.id] ?? {};
  const missing: LineMissing[] = [];
  const mouth = (port: string): Mouth | undefined => {
    const found = frame.mouthOf(part.id, port);
    if (found.ok) return found.value;
    missing.push({ of: 'mouth', fault: found.fault });
    return undefined;
  };
  const mouths = [mouth('in'), mouth('out')] as const;
  const through = (route.through ?? []).flatMap((row): Vec[] => {
    const at = frame.placeOf(row);
    if (!at.ok) missing.push({ of: 'place', row: row.id });
    return at.ok ? [at.value] : [];
  });
  const covers = (route.sleeves ?? []).flatMap(({ kind, from, to }): Cover[] =>
    kind && from && to ? [{ kind, from: from.si, to: to.si }] : [],
  );
  const base = { part: part.id, kind: part.kind, radius: outsideRadius(part), mouths, through, covers };
  if (part.kind === 'hose' && part.length === undefined) missing.push({ of: 'length' });
  const [first, second] = mouths;
  if (missing.length > 0 || !first || !second) {
    const tube = part.kind === 'hardLine' ? copiedTube(job, part, route) : undefined;
    return { ...base, missing, ...(tube ? { tube } : {}) };
  }
  const laid =
    part.kind === 'hose'
      ? asHose(job, part, route, first, second, through)
      : asTube(job, part, route, first, second, through);
  const { centre } = laid;
  return { ...base, missing, ...laid, ...(centre ? { length: lengthOfLine(centre), turns: heightTurns(centre) } : {}) };
}

/** Which hose end a hose has there: what was chosen, else a straight one, or none where it is pushed over something. */
export function hoseEndOf(job: Job, hose: PartOf<'hose'>, port: 'in' | 'out'): HoseEndForm {
  const fitting = endOf(job, hose.id, port).fitting;
  if (fitting && isClampedHose(fitting)) return PUSHED_ON;
  const route = job.routes?.lines?.[hose.id];
  const angle = Number((port === 'in' ? route?.startEnd : route?.finishEnd) ?? 0);
  return usualHoseEnd(dashAt(job, hose.id, port), degrees(angle));
}
/** Of the fitting at an end of a hose. */
export const dashAt = (job: Job, hose: string, port: 'in' | 'out'): number =>
  dashOf(endOf(job, hose, port).fitting?.size);
/** "−6 PTFE" is 6. */
const dashOf = (size: string | undefined): number => Number(/\d+/.exec(size ?? '')?.[0] ?? USUAL_DASH);
const USUAL_DASH = 6; // of fuel hose, common practice

/** Least radius of its middle that a hose allows, m; undefined while its construction or bore is unknown. */
export function allowedRadius(hose: PartOf<'hose'>): number | undefined {
  const made = hose.construction && hoseConstruction(hose.construction);
  // rated on the inside of the bend
  return made && hose.bore ? tightestBend(made, hose.bore.si) + outsideRadius(hose) : undefined;
}

function asHose(
  job: Job,
  hose: PartOf<'hose'>,
  route: LineRoute,
  first: Mouth,
  second: Mouth,
  through: readonly Vec[],
) {
  const ends = [hoseEndOf(job, hose, 'in'), hoseEndOf(job, hose, 'out')] as const;
  const clocks = [route.startClock?.si ?? 0, route.finishClock?.si ?? 0] as const;
  const on = [
    { mouth: first, form: ends[0], clock: clocks[0] },
    { mouth: second, form: ends[1], clock: clocks[1] },
  ] as const;
  const flexible = hose.length!.si - ends[0].inserted - ends[1].inserted;
  const taut = tautLength(stretchesOf(on[0], on[1], through));
  const allowed = allowedRadius(hose);
  const laid = layHose(on[0], on[1], through, flexible);
  const hoseRoute: HoseRoute = {
    ends,
    clocks,
    flexible,
    taut,
    allowed,
    slack: slackFor(flexible, route.moves === true),
    ...(laid.ok ? { laid: laid.value } : {}),
  };
  return laid.ok ? { hose: hoseRoute, centre: laid.value.centre } : { hose: hoseRoute, fault: laid.fault };
}

const outsideOf = (line: PartOf<'hardLine'>): number => line.outsideDiameter?.si ?? USUAL_TUBE;
const USUAL_TUBE = mm(9.5); // outside, of fuel line; drawn where nobody measured it, common practice

function asTube(
  job: Job,
  line: PartOf<'hardLine'>,
  route: LineRoute,
  first: Mouth,
  second: Mouth,
  through: readonly Vec[],
) {
  const outside = outsideOf(line);
  const bender = benderOf(route.bender ?? {}, outside);
  const { radius } = bender;
  const laid = layTube(first, second, through, radius, endStraights(job, line, outside, bender));
  if (!laid.ok) return { tube: { bendRadius: radius, isCopied: false }, fault: laid.fault };
  const { table, centre } = laid.value;
  const tube: TubeRoute = {
    bendRadius: radius,
    isCopied: false,
    table,
    laid: laid.value,
    bench: tubeBench(job, line, table, outside),
  };
  return { tube, centre };
}

/** A line that is copied from one that was there needs no places: only its bends. */
function copiedTube(
  job: Job,
  line: PartOf<'hardLine'>,
  { copied = [], copiedLast, bender }: LineRoute,
): TubeRoute | undefined {
  if (copied.length === 0 || !copiedLast || copied.some((b) => !b.straight || !b.bend)) return undefined;
  const { radius } = benderOf(bender ?? {}, outsideOf(line));
  const straights = [...copied.map((b) => b.straight!.si), copiedLast.si];
  const rotations = copied.map((b, i) => (i === 0 ? 0 : (b.rotation?.si ?? 0)));
  const table = tableOf(
    straights,
    rotations,
    copied.map((b) => b.bend!.si),
    radius,
  );
  return { bendRadius: radius, isCopied: true, table, bench: tubeBench(job, line, table, outsideOf(line)) };
}

const VENT_WALL = mm(1); // of a vent tube or hose, for drawing alone

function routeVent(job: Job, frame: Frame, vent: NonNullable<NonNullable<Job['routes']>['vent']>): RoutedLine {
  const missing: LineMissing[] = [];
  const at = frame.placeOf(vent.start);
  const out = vent.start && wayOf(vent.start);
  const first = at.ok && out ? { at: at.value, out } : undefined;
  if (!first) missing.push({ of: 'place', row: 'start' });
  const end = frame.placeOf(vent.finish);
  if (!end.ok) missing.push({ of: 'place', row: 'finish' });
  const through = (vent.through ?? []).flatMap((row): Vec[] => {
    const place = frame.placeOf(row);
    if (!place.ok) missing.push({ of: 'place', row: row.id });
    return place.ok ? [place.value] : [];
  });
  const bore = job.survey.vent?.bore?.si ?? mm(6);
  const radius = bore / 2 + VENT_WALL;
  const base = { part: VENT, kind: 'vent' as const, radius, through, covers: [] };
  if (missing.length > 0 || !first || !end.ok) return { ...base, mouths: [first, undefined], missing };
  const back = sub(through.at(-1) ?? first.at, end.value);
  if (length(back) === 0)
    return { ...base, mouths: [first, undefined], missing, fault: { code: 'coincide', point: 1 } };
  const second: Mouth = { at: end.value, out: unit(back) };
  const laid = layTube(first, second, through, usualBender.radius * 2 * radius, [0, 0]);
  const mouths = [first, second] as const;
  if (!laid.ok) return { ...base, mouths, missing, fault: laid.fault };
  const { table, centre } = laid.value;
  const tube: TubeRoute = { bendRadius: usualBender.radius * 2 * radius, isCopied: false, table, laid: laid.value };
  return { ...base, mouths, missing, tube, centre, length: lengthOfLine(centre), turns: heightTurns(centre) };
}

const RISE = mm(15); // less is a line that was clipped a little unevenly

/** High and low places of a line: where it turns by more than a little. */
export function heightTurns(centre: CentreLine): HeightTurn[] {
  const heights = centre.points.map((p) => p[2]);
  const turns: HeightTurn[] = [];
  // walk from extreme to extreme, as long as the way back is more than a little
  let [low, high] = [0, 0];
  let going: 'up' | 'down' | undefined;
  const told = (kind: HeightTurn['kind'], i: number, by: number) => {
    if (i > 0 && i < heights.length - 1) turns.push({ kind, at: centre.points[i]!, along: centre.along[i]!, by });
  };
  heights.forEach((h, i) => {
    if (h > heights[high]!) high = i;
    if (h < heights[low]!) low = i;
    if (going !== 'down' && heights[high]! - h > RISE) {
      if (going === 'up' || high > 0) told('high', high, heights[high]! - h);
      going = 'down';
      low = i;
    } else if (going !== 'up' && h - heights[low]! > RISE) {
      if (going === 'down' || low > 0) told('low', low, h - heights[low]!);
      going = 'up';
      high = i;
    }
  });
  return turns;
}
