import type { Job } from '../job/job.ts';
import { routeLimit, type ZoneKind } from '../job/routes.ts';
import { isLine } from '../parts/kinds.ts';
import type { Result } from '../result.ts';
import { circuitsOf } from '../run/circuits.ts';
import { lineClearances, zoneClearances, type Clearance, type LaidLine } from './clearances.ts';
import { clipsOf, type Clips } from './clips.ts';
import { frameOf, type Frame, type ZoneFault } from './frame.ts';
import type { PlacedZone } from './placed.ts';
import { hoseCure, shorterHose, type HoseCure } from './hose-cure.ts';
import { moveCure, type MoveCure } from './move-cure.ts';
import { boundsOf } from './shape.ts';
import { jointRooms, type JointRoom } from './joint-room.ts';
import { heldTanks, type HeldTank } from './tank-drop.ts';
import type { Vec } from './vector.ts';
import { routedLines, type RoutedLine } from './lines.ts';
import { panelHoles, type PanelHole } from './panels.ts';
import type { PlacedPoint, PointFault } from './place-points.ts';

/** Where everything is under the vehicle, how the lines go, and how near they come to what they must not touch. SI. */
export interface RouteFindings {
  /** Points by their id, in metres rearward, left and up from the datum. */
  readonly points: Readonly<Record<string, Result<PlacedPoint, PointFault>>>;
  readonly zones: readonly PlacedZone[];
  readonly zoneFaults: Readonly<Record<string, ZoneFault>>;
  readonly lines: readonly RoutedLine[];
  readonly clearances: readonly Clearance[];
  readonly holes: readonly PanelHole[];
  /** How lines are held, by line. */
  readonly clips: Readonly<Record<string, Clips>>;
  readonly heldTanks: readonly HeldTank[];
  /** Room for a spanner at both ends of every line. */
  readonly jointRooms: readonly JointRoom[];
  /** Tried and told: how a hose is put right, by the hose. */
  readonly hoseCures: Readonly<Record<string, HoseCure>>;
  /** Where a line is moved so that it keeps its gaps, by the line. */
  readonly moveCures: Readonly<Record<string, MoveCure>>;
  /** The lowest line and how high the lowest of everything else is; absent while nothing else has a place. */
  readonly lowest?: { readonly line: string; readonly at: Vec; readonly under: number };
}

export function routeFindings(job: Job): RouteFindings {
  const frame = frameOf(job);
  const lines = routedLines(job, frame);
  const laid = lines.flatMap(({ part, radius, centre, covers }): LaidLine[] =>
    centre ? [{ part, radius, centre, covers }] : [],
  );
  const neighbours = neighbourLines(job);
  const meets = (a: string, b: string): boolean => neighbours.get(a)?.has(b) === true;
  const clearances = [
    ...zoneClearances(laid, frame),
    ...lineClearances(laid, meets, routeLimit(job.routes, 'linesApart')),
  ];
  return {
    points: Object.fromEntries(frame.points),
    zones: frame.zones,
    zoneFaults: Object.fromEntries(frame.zoneFaults),
    lines,
    clearances,
    clips: Object.fromEntries(
      lines.flatMap((l) => {
        const clips = clipsOf(job, frame, l);
        return clips ? [[l.part, clips]] : [];
      }),
    ),
    heldTanks: heldTanks(job, lines, frame.zones),
    jointRooms: jointRooms(job, lines, frame.zones),
    ...curesOf(job, frame, lines, clearances),
    ...lowestOf(lines, frame.zones),
    holes: panelHoles(laid, frame.zones, routeLimit(job.routes, 'fastenerGap')),
  };
}

/** Whether a hose does what it must not: bends too tightly, or lies without the slack that it wants. */
export const hoseFaultOf = ({ hose, fault }: RoutedLine): 'short' | 'tight' | 'taut' | 'long' | undefined => {
  if (!hose) return undefined;
  if (fault) return fault.code === 'tooShort' ? 'short' : undefined;
  if (hose.allowed !== undefined && hose.laid && hose.laid.leastRadius < hose.allowed) return 'tight';
  if (hose.slack > 0 && hose.flexible - hose.taut < hose.slack) return 'taut';
  return hose.flexible - hose.taut - hose.slack > Math.max(BOWED.share * hose.taut, BOWED.least) ? 'long' : undefined;
};

/** A hose so much longer than the way between what holds it bows out and rubs on what is beside it: a third, and 60 mm. Common practice. */
const BOWED = { share: 1 / 3, least: 0.06 } as const;

function curesOf(job: Job, frame: Frame, lines: readonly RoutedLine[], clearances: readonly Clearance[]) {
  const hoseCures: Record<string, HoseCure> = {};
  const moveCures: Record<string, MoveCure> = {};
  for (const line of lines) {
    const wrong = hoseFaultOf(line);
    const allowed = line.hose?.allowed ?? 0;
    const cure = wrong === 'long' ? shorterHose(job, line, allowed) : wrong && hoseCure(job, line, allowed);
    if (cure) hoseCures[line.part] = cure;
    const bad = clearances.filter((c) => c.line === line.part && 'zone' in c.to && c.gap < c.least);
    if (bad.length === 0) continue;
    const worst = bad.reduce((a, b) => (b.gap - b.least < a.gap - a.least ? b : a));
    const move = moveCure(job, frame, line, worst, freeRowId(job, line.part));
    if (move) moveCures[line.part] = move;
  }
  return { hoseCures, moveCures };
}
function freeRowId(job: Job, line: string): string {
  const used = new Set(job.routes?.lines?.[line]?.through?.map((r) => r.id));
  for (let i = 1; ; i++) if (!used.has(`place-${i}`)) return `place-${i}`;
}

/** Kinds of zones that stand under the vehicle and take a knock before a line does. */
const SOLID: readonly ZoneKind[] = ['hot', 'axle', 'moving', 'panel', 'tank'];
function lowestOf(lines: readonly RoutedLine[], zones: readonly PlacedZone[]): Pick<RouteFindings, 'lowest'> {
  const solid = zones.filter((z) => SOLID.includes(z.kind));
  const drawn = lines.filter((l) => l.centre);
  if (solid.length === 0 || drawn.length === 0) return {};
  const floor = Math.min(...solid.map((z) => boundsOf(z.shape).low[2]));
  const low = drawn.map((l) => ({
    line: l.part,
    at: l.centre!.points.reduce((a, b) => (b[2] < a[2] ? b : a)),
    radius: l.radius,
  }));
  const lowest = low.reduce((a, b) => (b.at[2] - b.radius < a.at[2] - a.radius ? b : a));
  const under = floor - (lowest.at[2] - lowest.radius);
  return under > 0 ? { lowest: { line: lowest.line, at: lowest.at, under } } : {};
}

/** Lines that are joined to one another, or to one part: their ends come near. */
function neighbourLines(job: Job): ReadonlyMap<string, ReadonlySet<string>> {
  const run = circuitsOf(job);
  const near = new Map<string, Set<string>>();
  const add = (a: string, b: string) => (near.get(a) ?? near.set(a, new Set()).get(a)!).add(b);
  for (const part of run.parts) {
    const around = run.ports(part.id).flatMap(({ peer }) => (peer && run.has(peer.part) ? [peer.part] : []));
    const lines = [...around, part.id].filter((id) => isLine(run.part(id)));
    for (const a of lines) for (const b of lines) if (a !== b) add(a, b);
  }
  return near;
}
