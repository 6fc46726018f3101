import type { Job } from '../job/job.ts';
import { measured, type Measured } from '../fields/measured.ts';
import type { Part } from '../parts/kinds.ts';
import { peersOf } from '../parts/graph.ts';
import { portKey } from '../parts/port.ts';
import type { Joint } from '../parts/joint.ts';
import type { RouteFindings } from './route-findings.ts';
import type { RoutedLine } from './lines.ts';

/**
 * The job with what its routes tell where nobody measured it: length and bends of bent line, the tightest bend and the ends of hose,
 * how near a line comes to what is hot, and how high joints stand above the tank floor. What was measured stays as it is.
 */
export function routedJob(job: Job, routes: RouteFindings): Job {
  const known = made.get(job);
  if (known?.routes === routes) return known.routed;
  const routed = routedAnew(job, routes);
  made.set(job, { routes, routed });
  return routed;
}
/** The same object for the same job: what is reckoned of its graph is kept by it. */
const made = new WeakMap<Job, { readonly routes: RouteFindings; readonly routed: Job }>();

function routedAnew(job: Job, routes: RouteFindings): Job {
  if (!routes.lines.some((l) => l.centre ?? l.tube)) return job;
  const parts: Record<string, Part> = {};
  const joints: Record<string, Joint> = {};
  for (const line of routes.lines) {
    const part = job.parts[line.part];
    if (!part) continue;
    const fills = unmeasured(part, toldOf(line, routes, job.routes?.tankFloor?.si));
    if (fills) parts[line.part] = { ...part, ...fills };
    for (const [joint, height] of heightsOf(job, line))
      if (job.joints[joint]!.height === undefined) joints[joint] = { ...job.joints[joint]!, height };
  }
  const vent = unmeasured(job.survey.vent ?? {}, ventTold(job, routes));
  if (!vent && Object.keys(parts).length === 0 && Object.keys(joints).length === 0) return job;
  return {
    ...job,
    parts: { ...job.parts, ...parts },
    joints: { ...job.joints, ...joints },
    survey: vent ? { ...job.survey, vent: { ...job.survey.vent, ...vent } } : job.survey,
  };
}

/** Of what is told, what nobody measured; undefined when that is nothing. */
function unmeasured(known: object, told: Record<string, unknown>): Record<string, unknown> | undefined {
  const fills = Object.entries(told).filter(
    ([key, value]) => value !== undefined && (known as Record<string, unknown>)[key] === undefined,
  );
  return fills.length > 0 ? Object.fromEntries(fills) : undefined;
}

const told = (si: number): Measured => measured(si, 'mm');
const quarterTurns = (angles: readonly number[]): number => angles.reduce((sum, a) => sum + a, 0) / (Math.PI / 2);

function toldOf(line: RoutedLine, routes: RouteFindings, floor: number | undefined): Record<string, unknown> {
  const { hose, tube } = line;
  return {
    ...heatTold(line, routes),
    highest: humpOf(line, floor),
    ...(tube?.table ? { length: told(tube.table.developed), bends: quarterTurns(tube.table.bends) } : {}),
    ...(hose?.laid
      ? {
          ...(Number.isFinite(hose.laid.leastRadius) ? { bend: told(hose.laid.leastRadius - line.radius) } : {}),
          bends: quarterTurns(hose.ends.map((e) => e.angle)),
        }
      : {}),
  };
}

const HUMP = 0.002; // m, more than a tape reads

/** How high above the tank floor a line reaches on its way, where that is above both of its ends. */
function humpOf({ centre }: RoutedLine, floor: number | undefined): Measured | undefined {
  if (!centre || floor === undefined) return undefined;
  const heights = centre.points.map((p) => p[2]);
  const top = Math.max(...heights);
  return top > Math.max(heights[0]!, heights.at(-1)!) + HUMP ? told(top - floor) : undefined;
}

const FARTHEST_HEAT = 0.3; // m from what is hot, beyond which a line is warmed by the air alone; common practice

/** How near it comes to what is hot, and what stands between there; a sleeve counts where it covers all that is near. */
function heatTold({ part, covers }: RoutedLine, { clearances, zones }: RouteFindings): Record<string, unknown> {
  const hot = new Map(zones.filter((z) => z.kind === 'hot').map((z) => [z.id, z]));
  const near = clearances.filter(
    (c) => c.line === part && 'zone' in c.to && hot.has(c.to.zone) && c.gap < FARTHEST_HEAT,
  );
  if (near.length === 0) return {};
  const within = (kind: 'sleeve' | 'shield', along: number) =>
    covers.some((c) => c.kind === kind && along >= c.from && along <= c.to);
  const nearest = near.reduce((a, b) => (b.gap < a.gap ? b : a));
  const zone = 'zone' in nearest.to ? hot.get(nearest.to.zone) : undefined;
  return {
    exhaustGap: told(Math.max(0, nearest.gap)),
    shielded: within('shield', nearest.along) || zone?.row.shielded === true || undefined,
    sleeved: near.every((c) => within('sleeve', c.along)) || undefined,
  };
}

/** The vent as it is drawn: length, bends, heights above the tank floor, and whether it dips before its highest point. */
function ventTold({ routes: told_ }: Job, { lines }: RouteFindings): Record<string, unknown> {
  const vent = lines.find((l) => l.kind === 'vent');
  if (!vent?.centre || !vent.tube?.table) return {};
  const { points, along } = vent.centre;
  const heights = points.map((p) => p[2]);
  const top = heights.indexOf(Math.max(...heights));
  const floor = told_?.tankFloor?.si;
  return {
    length: told(vent.tube.table.developed),
    bends: Math.round(quarterTurns(vent.tube.table.bends)),
    trap: vent.turns?.some((t) => t.kind === 'low' && t.along < along[top]!) || undefined,
    ...(floor === undefined
      ? {}
      : {
          tankEnd: told(heights[0]! - floor),
          outletHeight: told(heights.at(-1)! - floor),
          lowestAfterTop: told(Math.min(...heights.slice(top)) - floor),
        }),
  };
}

/** Heights of a line's two joints above the tank floor. */
function heightsOf(job: Job, { part, mouths }: RoutedLine): [joint: string, height: Measured][] {
  const floor = job.routes?.tankFloor?.si;
  if (floor === undefined) return [];
  return (['in', 'out'] as const).flatMap((port, i): [string, Measured][] => {
    const peer = peersOf(job).get(portKey(part, port));
    const mouth = mouths[i];
    return peer && mouth ? [[peer.joint.id, told(mouth.at[2] - floor)]] : [];
  });
}
