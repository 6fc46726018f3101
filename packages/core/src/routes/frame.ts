import { peersOf, type Graph } from '../parts/graph.ts';
import type { Job } from '../job/job.ts';
import type { Place, PortPlace } from '../parts/place.ts';
import { zoneKinds, type ZoneRow } from '../job/routes.ts';
import { partName, portName } from '../parts/kinds.ts';
import { portKey } from '../parts/port.ts';
import { failure, success, type Result } from '../result.ts';
import { placePoints, type Axis, type PlacedPoints } from './place-points.ts';
import type { Mouth, PlacedFastener, PlacedZone } from './placed.ts';
import { boxBetween, boundsOf, pipeBetween, type Shape } from './shape.ts';
import { mm } from '../units/quick.ts';
import { add, sub, times, type Vec } from './vector.ts';

/** Why something has no place: what nobody measured, or a point that has none itself. */
export type PlaceFault =
  | { readonly code: 'unmeasured'; readonly axes: readonly Axis[] }
  | { readonly code: 'fromUnknown'; readonly from: string };

/** What is missing of a port's place. */
export interface MouthFault {
  /** The port that it is asked at. */
  readonly part: string;
  readonly port: string;
  readonly missing: 'joint' | 'place' | 'way';
}

export type ZoneFault =
  | { readonly code: 'unmeasured'; readonly of: 'kind' | 'shape' | 'radius' | 'a' | 'b' }
  | { readonly code: 'fromUnknown'; readonly from: string }
  /** Its two corners or ends are in one plane or one place: it takes no room. */
  | { readonly code: 'flat' }
  | { readonly code: 'insideTank'; readonly tank: string };

/** All that has a place under the vehicle. Metres rearward, left and up from the datum. */
export interface Frame {
  readonly points: PlacedPoints;
  readonly zones: readonly PlacedZone[];
  readonly zoneFaults: ReadonlyMap<string, ZoneFault>;
  placeOf(place: (Place & { readonly [k: string]: unknown }) | undefined): Result<Vec, PlaceFault>;
  /** Where the end of a line is: told at the port that it is joined to, else at its own. */
  mouthOf(line: string, port: string): Result<Mouth, MouthFault>;
}

export function frameOf(job: Pick<Job, 'parts' | 'joints' | 'routes'>): Frame {
  const { points: rows = [], zones: zoneRows = [] } = job.routes ?? {};
  const points = placePoints(rows);
  const placeOf: Frame['placeOf'] = (place) => {
    const missing = (['rearward', 'left', 'up'] as const).filter((axis) => place?.[axis] === undefined);
    if (!place || missing.length > 0) return failure({ code: 'unmeasured', axes: missing });
    const offset: Vec = [place.rearward!.si, place.left!.si, place.up!.si];
    if (place.from === undefined) return success(offset);
    const from = points.get(place.from);
    return from?.ok ? success(add(from.value.at, offset)) : failure({ code: 'fromUnknown', from: place.from });
  };
  const zones: PlacedZone[] = [];
  const zoneFaults = new Map<string, ZoneFault>();
  for (const row of zoneRows) {
    const zone = placeZone(row, placeOf);
    if (zone.ok) zones.push(zone.value);
    else zoneFaults.set(row.id, zone.fault);
  }
  for (const tank of zones.filter((z) => z.kind === 'tank'))
    for (const zone of zones)
      if (zone !== tank && zone.kind !== 'tank' && zone.kind !== 'reach' && isWithin(zone.shape, tank.shape))
        zoneFaults.set(zone.id, { code: 'insideTank', tank: tank.id });
  return {
    points,
    zones: zones.filter((z) => !zoneFaults.has(z.id)),
    zoneFaults,
    placeOf,
    mouthOf: (line, port) => mouthOf(job, line, port, placeOf),
  };
}

function placeZone(row: ZoneRow, placeOf: Frame['placeOf']): Result<PlacedZone, ZoneFault> {
  if (row.kind === undefined) return failure({ code: 'unmeasured', of: 'kind' });
  if (row.shape === undefined) return failure({ code: 'unmeasured', of: 'shape' });
  const [a, b] = [placeOf(row.a), placeOf(row.b)];
  for (const [of, end] of [
    ['a', a],
    ['b', b],
  ] as const)
    if (!end.ok) return end.fault.code === 'fromUnknown' ? failure(end.fault) : failure({ code: 'unmeasured', of });
  if (!a.ok || !b.ok) return failure({ code: 'flat' });
  const { rises = none, falls = none, sways = none, shifts = none } = row;
  const low: Vec = [-shifts.si, -sways.si, -falls.si];
  const high: Vec = [shifts.si, sways.si, rises.si];
  let shape: Shape;
  if (row.shape === 'pipe') {
    if (row.radius === undefined) return failure({ code: 'unmeasured', of: 'radius' });
    shape = pipeBetween(a.value, b.value, row.radius.si, low, high);
  } else {
    const size = sub(b.value, a.value);
    if (size.some((s) => Math.abs(s) < THINNEST)) return failure({ code: 'flat' });
    shape = boxBetween(a.value, b.value, low, high);
  }
  const kind = zoneKinds[row.kind];
  const usual = row.shielded && 'shielded' in kind ? kind.shielded : kind.gap;
  const label = row.label?.trim() ? row.label : kind.name;
  return success({
    id: row.id,
    label,
    kind: row.kind,
    shape,
    gap: row.gap?.si ?? usual,
    isOwnGap: row.gap !== undefined && row.gap.si !== usual,
    row,
    fasteners: fastenersOf(row, placeOf),
  });
}
/** Fasteners that have a place; of unknown size they are as wide as a usual washer. */
function fastenersOf({ fasteners = [] }: ZoneRow, placeOf: Frame['placeOf']): PlacedFastener[] {
  return fasteners.flatMap((row): PlacedFastener[] => {
    const at = placeOf(row);
    return at.ok
      ? [
          {
            id: row.id,
            label: row.label ?? 'fastener',
            at: at.value,
            radius: (row.across?.si ?? USUAL_FASTENER) / 2,
            isBehind: row.isBehind === true,
          },
        ]
      : [];
  });
}
const USUAL_FASTENER = mm(20); // across a washer; typical, from memory
const none = { si: 0 };
const THINNEST = 1e-4; // m: a sheet of metal is thicker

/** Whether a shape lies wholly within a tank. */
function isWithin(inner: Shape, outer: Shape): boolean {
  const [a, b] = [boundsOf(inner), boundsOf(outer)];
  return [0, 1, 2].every((i) => a.low[i]! >= b.low[i]! && a.high[i]! <= b.high[i]!);
}

function mouthOf(job: Graph, line: string, port: string, placeOf: Frame['placeOf']): Result<Mouth, MouthFault> {
  const peer = peersOf(job).get(portKey(line, port));
  const own = job.parts[line]?.ports?.[port]?.place;
  const theirs = peer && job.parts[peer.part]?.ports?.[peer.port]?.place;
  const [place, ref, sign] = theirs || !own ? ([theirs, peer, 1] as const) : ([own, { part: line, port }, -1] as const);
  if (!ref) return failure({ part: line, port, missing: 'joint' });
  const asked = { part: ref.part, port: ref.port };
  const at = placeOf(place);
  if (!at.ok) return failure({ ...asked, missing: 'place' });
  const way = wayOf(place!);
  return way ? success({ at: at.value, out: times(sign, way) }) : failure({ ...asked, missing: 'way' });
}

/** The direction of a heading and a tilt; a tilt of ±90° needs no heading. */
export function wayOf({ heading, tilt }: Pick<PortPlace, 'heading' | 'tilt'>): Vec | undefined {
  const up = tilt?.si ?? 0;
  const level = Math.cos(up);
  if (heading === undefined && Math.abs(level) > 1e-9) return undefined;
  const turn = heading?.si ?? 0;
  return [level * Math.cos(turn), level * Math.sin(turn), Math.sin(up)];
}

/** In words. */
export const sayMouthFault = (job: Graph, { part, port, missing }: MouthFault): string => {
  const of = job.parts[part];
  const end = of ? portName(of, port) : port;
  if (missing === 'joint') return `its ${end} is joined to nothing yet`;
  const whole = `the ${end} of ${of ? partName(of) : part}`;
  return missing === 'place' ? `where ${whole} is` : `which way ${whole} points`;
};
