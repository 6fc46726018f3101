import type { PlacedFastener, PlacedZone } from './placed.ts';
import type { LaidLine } from './clearances.ts';
import { mm } from '../units/quick.ts';
import { add, sub, times, type Vec } from './vector.ts';

/** A hole that a line needs through a panel. SI. */
export interface PanelHole {
  readonly line: string;
  readonly panel: string;
  readonly at: Vec;
  readonly along: number;
  /** What is drilled: the line and its grommet. */
  readonly diameter: number;
  /** Nearest fastener, from the edge of the hole to its edge; absent where none is known. */
  readonly nearest?: { readonly fastener: string; readonly gap: number; readonly isBehind: boolean };
  /** Where along the panel, level with this hole, such a hole stays clear of every fastener on both sides: from its middle. */
  readonly safe: readonly (readonly [from: number, to: number])[];
  /** The axis along which that is: 0 rearward, 1 left. */
  readonly axis: 0 | 1;
}

/** A rubber grommet adds so much to what it holds: common practice. */
const GROMMET = mm(6);

/** Every place where a line goes through a panel. @param keepOff - what a hole keeps off fasteners, m. */
export function panelHoles(lines: readonly LaidLine[], zones: readonly PlacedZone[], keepOff: number): PanelHole[] {
  return zones.flatMap((zone) =>
    zone.kind === 'panel' && zone.shape.form === 'box'
      ? lines.flatMap((line) => holesThrough(line, zone, keepOff))
      : [],
  );
}

function holesThrough({ part, centre, radius }: LaidLine, zone: PlacedZone, keepOff: number): PanelHole[] {
  const { shape } = zone;
  if (shape.form !== 'box') return [];
  const size = sub(shape.high, shape.low);
  // it is thinnest across
  const across = ([0, 1, 2] as const).reduce((a, b) => (size[b] < size[a] ? b : a));
  const middle = (shape.low[across] + shape.high[across]) / 2;
  const axis = across === 0 ? 1 : 0;
  const up = across === 2 ? 1 : 2;
  const holes: PanelHole[] = [];
  for (let i = 1; i < centre.points.length; i++) {
    const [a, b] = [centre.points[i - 1]!, centre.points[i]!];
    const [from, to] = [a[across] - middle, b[across] - middle];
    if (from === to || from > 0 === to > 0) continue;
    const share = from / (from - to);
    const at = add(a, times(share, sub(b, a)));
    if (at[axis] < shape.low[axis] || at[axis] > shape.high[axis] || at[up] < shape.low[up] || at[up] > shape.high[up])
      continue;
    const diameter = 2 * radius + GROMMET;
    holes.push({
      line: part,
      panel: zone.id,
      at,
      along: centre.along[i - 1]! + share * (centre.along[i]! - centre.along[i - 1]!),
      diameter,
      ...nearestFastener(at, diameter / 2, zone.fasteners, [axis, up]),
      safe: safeBands(at, diameter / 2 + keepOff, zone, axis, up),
      axis,
    });
  }
  return holes;
}

function nearestFastener(
  at: Vec,
  radius: number,
  fasteners: readonly PlacedFastener[],
  [u, v]: readonly [number, number],
): Pick<PanelHole, 'nearest'> {
  const gaps = fasteners.map((f) => ({
    fastener: f.id,
    isBehind: f.isBehind,
    gap: Math.hypot(at[u]! - f.at[u]!, at[v]! - f.at[v]!) - radius - f.radius,
  }));
  const nearest = gaps.reduce<(typeof gaps)[number] | undefined>((a, b) => (a && a.gap <= b.gap ? a : b), undefined);
  return nearest ? { nearest } : {};
}

/** Stretches along the panel, level with a hole, where its middle may be. @param radius - of the hole and what it keeps off. */
function safeBands(
  at: Vec,
  radius: number,
  { shape, fasteners }: PlacedZone,
  axis: 0 | 1,
  up: number,
): [number, number][] {
  if (shape.form !== 'box') return [];
  let bands: [number, number][] = [[shape.low[axis] + radius, shape.high[axis] - radius]];
  for (const f of fasteners) {
    const reach = radius + f.radius;
    const off = Math.abs(at[up]! - f.at[up]!);
    if (off >= reach) continue;
    const half = Math.sqrt(reach ** 2 - off ** 2);
    bands = bands.flatMap(([from, to]): [number, number][] => [
      [from, Math.min(to, f.at[axis] - half)],
      [Math.max(from, f.at[axis] + half), to],
    ]);
  }
  return bands.filter(([from, to]) => to > from);
}
