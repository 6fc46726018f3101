import type { SurveyedTank, TankShape } from '../job/tank.ts';
import { meshBehind } from '../attachments/tank-mesh.ts';
import { assertNever } from '../result.ts';
import { dishedCylinderMesh, extrudedMesh, resampled, ruledMesh } from './extrude.ts';
import { closedMesh, meshBounds } from '../meshes/mesh.ts';
import { roundedRectangle, tracedSection } from './section-polygon.ts';
import type { Solid } from './solid.ts';
import type { TankFault } from './tank-fault.ts';

export type ShapedTank =
  | { kind: 'needs'; needs: readonly (keyof SurveyedTank)[] }
  | { kind: 'fault'; fault: TankFault }
  | { kind: 'solids'; solids: readonly Solid[] };

type Need = keyof SurveyedTank;

/** Measurements without which a shape has no litres. A strapping table is no shape. */
const needed: Record<Exclude<TankShape, 'strapping'>, readonly Need[]> = {
  box: ['depth', 'length', 'width'],
  cylinder: ['depth', 'length'],
  prism: ['length', 'section'],
  loft: ['stations'],
  saddle: ['depth', 'length', 'leftWidth', 'rightWidth', 'bridgeWidth', 'bridgeFloor'],
  stepped: ['depth', 'width', 'zones'],
  mesh: ['mesh'],
};

/**
 * The parts of a surveyed tank in its own axes: x forward and y left from the middle of its footprint, z up from its
 * floor, m.
 */
export function solidsOfShape(tank: SurveyedTank): ShapedTank {
  const { shape } = tank;
  if (shape === undefined || shape === 'strapping') return { kind: 'needs', needs: ['shape'] };
  const missing = needed[shape].filter((key) => {
    const value = tank[key];
    return value === undefined || (Array.isArray(value) && value.length === 0);
  });
  if (missing.length > 0) return { kind: 'needs', needs: missing };
  switch (shape) {
    case 'box':
      return boxTank(tank);
    case 'cylinder':
      return cylinderTank(tank);
    case 'prism':
      return prismTank(tank);
    case 'loft':
      return loftTank(tank);
    case 'saddle':
      return saddleTank(tank);
    case 'stepped':
      return steppedTank(tank);
    case 'mesh':
      return meshTank(tank);
    default:
      return assertNever(shape);
  }
}

const solids = (...parts: Solid[]): ShapedTank => ({ kind: 'solids', solids: parts });
/** The boxes, unless the floor of one is no lower than its roof. */
function belowRoof(parts: readonly (Solid & { kind: 'box' })[]): ShapedTank {
  const inverted = parts.find((p) => !(p.z[0] < p.z[1]));
  return inverted ? { kind: 'fault', fault: { code: 'aboveRoof', part: inverted.name } } : solids(...parts);
}
const middle = (length: number): [number, number] => [-length / 2, length / 2];

function boxTank(tank: SurveyedTank): ShapedTank {
  const [depth, length, width] = [tank.depth!.si, tank.length!.si, tank.width!.si];
  const radius = tank.cornerRadius?.si ?? 0;
  if (radius === 0) return solids({ kind: 'box', name: 'tank', x: middle(length), y: middle(width), z: [0, depth] });
  return solids({
    kind: 'mesh',
    name: 'tank',
    mesh: extrudedMesh(roundedRectangle(width, depth, radius), middle(length)),
  });
}

function cylinderTank(tank: SurveyedTank): ShapedTank {
  const radius = tank.depth!.si / 2;
  const shape = { x: middle(tank.length!.si), centreY: 0, centreZ: radius, radius };
  const dish = tank.ends === 'dished' ? tank.dish?.si : 0;
  if (dish === undefined) return { kind: 'needs', needs: ['dish'] };
  if (dish === 0) return solids({ kind: 'cylinder', name: 'tank', ...shape });
  return solids({ kind: 'mesh', name: 'tank', mesh: dishedCylinderMesh(shape, dish) });
}

/** The section as traced, moved so that its lowest point is the floor and its middle the tank's. */
function prismTank(tank: SurveyedTank): ShapedTank {
  const traced = tracedSection(tank.section!.map((p) => [p.across.si, p.up.si] as const));
  if (!traced.ok) return { kind: 'fault', fault: { code: 'section', fault: traced.fault } };
  return solids({ kind: 'mesh', name: 'tank', mesh: extrudedMesh(traced.value, middle(tank.length!.si)) });
}

function loftTank(tank: SurveyedTank): ShapedTank {
  const stations = tank.stations!;
  if (stations.length < 2 || stations.some((s) => !s.at || !s.width || !s.height))
    return { kind: 'needs', needs: ['stations'] };
  const falling = stations.findIndex((s, i) => i + 1 < stations.length && stations[i + 1]!.at!.si <= s.at!.si);
  if (falling >= 0) return { kind: 'fault', fault: { code: 'stationsDoNotAscend', station: falling } };
  const [front, back] = [stations[0]!.at!.si, stations.at(-1)!.at!.si];
  const floor = Math.min(...stations.map((s) => s.floor?.si ?? 0));
  // stations are counted from the front, x runs forward
  const sections = stations.toReversed().map((s) => ({
    x: (front + back) / 2 - s.at!.si,
    points: resampled(roundedRectangle(s.width!.si, s.height!.si, s.radius?.si ?? 0, (s.floor?.si ?? 0) - floor)),
  }));
  return solids({ kind: 'mesh', name: 'tank', mesh: ruledMesh(sections) });
}

function saddleTank(tank: SurveyedTank): ShapedTank {
  const [depth, left, right] = [tank.depth!.si, tank.leftWidth!.si, tank.rightWidth!.si];
  const half = tank.bridgeWidth!.si / 2;
  const x = middle(tank.length!.si);
  return belowRoof([
    { kind: 'box', name: 'left lobe', x, y: [half, half + left], z: [tank.leftFloor?.si ?? 0, depth] },
    { kind: 'box', name: 'right lobe', x, y: [-half - right, -half], z: [tank.rightFloor?.si ?? 0, depth] },
    { kind: 'box', name: 'bridge', x, y: [-half, half], z: [tank.bridgeFloor!.si, depth] },
  ]);
}

function steppedTank(tank: SurveyedTank): ShapedTank {
  const zones = tank.zones!;
  if (zones.some((z) => !z.length || !z.floor)) return { kind: 'needs', needs: ['zones'] };
  const [depth, width] = [tank.depth!.si, tank.width!.si];
  const total = zones.reduce((sum, z) => sum + z.length!.si, 0);
  let front = total / 2;
  const parts = zones.map((zone, i): Solid & { kind: 'box' } => {
    const x: [number, number] = [front - zone.length!.si, front];
    front = x[0];
    return { kind: 'box', name: `step ${i + 1}`, x, y: middle(zone.width?.si ?? width), z: [zone.floor!.si, depth] };
  });
  const sump = sumpOf(tank);
  const under = belowRoof(parts);
  if (!sump || under.kind === 'fault') return under;
  const [sx, sy] = [sump.x, sump.y];
  const over = parts.find((p) => p.kind === 'box' && p.x[0] <= sx[0] + 1e-9 && p.x[1] >= sx[1] - 1e-9);
  if (over?.kind !== 'box' || sy[0] < over.y[0] - 1e-9 || sy[1] > over.y[1] + 1e-9)
    return { kind: 'fault', fault: { code: 'sumpOutside' } };
  return solids(...parts, { ...sump, z: [over.z[0] - tank.sumpDepth!.si, over.z[0]] });
}

function sumpOf(tank: SurveyedTank): Extract<Solid, { kind: 'box' }> | undefined {
  const { sumpLength, sumpWidth, sumpDepth } = tank;
  if (!sumpLength || !sumpWidth || !sumpDepth) return undefined;
  const place = (size: number, at = 0): [number, number] => [at - size / 2, at + size / 2];
  return {
    kind: 'box',
    name: 'sump',
    x: place(sumpLength.si, tank.sumpForward?.si),
    y: place(sumpWidth.si, tank.sumpLeft?.si),
    z: [-sumpDepth.si, 0],
  };
}

/** The mesh stood on its floor, the middle of its footprint at the origin. */
function meshTank(tank: SurveyedTank): ShapedTank {
  const unpacked = meshBehind(tank.mesh!);
  if (unpacked === 'away') return { kind: 'needs', needs: ['mesh'] };
  if (!unpacked) return { kind: 'fault', fault: { code: 'mesh', fault: { code: 'damaged' } } };
  const { least, most } = meshBounds(unpacked);
  const origin = [(least[0] + most[0]) / 2, (least[1] + most[1]) / 2, least[2]];
  const moved = unpacked.corners.map((value, i) => value - origin[i % 3]!);
  const closed = closedMesh(moved);
  if (!closed.ok) return { kind: 'fault', fault: { code: 'mesh', fault: closed.fault } };
  return solids({ kind: 'mesh', name: 'tank', mesh: closed.value });
}
