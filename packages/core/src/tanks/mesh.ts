import { failure, success, type Result } from '../result.ts';
import type { FuelPlane } from './fuel-plane.ts';

/** A closed surface of triangles, corners counter-clockwise seen from outside. Nine numbers a triangle, m. */
export interface Mesh {
  readonly corners: Float64Array;
}
export type Place = readonly [x: number, y: number, z: number];

export type MeshFault =
  | { code: 'empty' }
  /** Edges that do not have a triangle on each side: the surface has a hole. `places`: midpoints of some of them. */
  | { code: 'notClosed'; openEdges: number; places: readonly Place[] }
  /** Neighbours that face opposite ways: some triangles are turned inside out. */
  | { code: 'mixedFacing'; edges: number; places: readonly Place[] };

/**
 * Volume of a closed mesh below a plane, m3.
 *
 * Over each triangle stands a column up to the plane; columns over faces that look down count, those over faces that look
 * up are taken off again. No lid has to be made, and concave or separate lobes come out right.
 */
export function meshVolume(mesh: Mesh, plane: FuelPlane): number {
  return meshVolumes(mesh, plane, [0])[0]!;
}

/**
 * The same at many levels of one attitude in one pass: each triangle is asked only at the levels that cut it.
 *
 * @param offsets - m added to the plane's height, ascending. @returns m3, one for each.
 */
export function meshVolumes({ corners }: Mesh, plane: FuelPlane, offsets: readonly number[]): number[] {
  const { height, slopeX, slopeY } = plane;
  const volumes = new Float64Array(offsets.length);
  // what triangles wholly below a level give is linear in it: summed as steps and added up at the end
  const areaFrom = new Float64Array(offsets.length + 1);
  const momentFrom = new Float64Array(offsets.length + 1);
  for (let t = 0; t < corners.length; t += 9) {
    const [ax, ay] = [corners[t]!, corners[t + 1]!];
    const [bx, by] = [corners[t + 3]!, corners[t + 4]!];
    const [cx, cy] = [corners[t + 6]!, corners[t + 7]!];
    const facingDown = ((by - ay) * (cx - ax) - (bx - ax) * (cy - ay)) / 2; // projected area, positive where it looks down
    if (facingDown === 0) continue;
    let h0 = corners[t + 2]! - slopeX * ax - slopeY * ay - height;
    let h1 = corners[t + 5]! - slopeX * bx - slopeY * by - height;
    let h2 = corners[t + 8]! - slopeX * cx - slopeY * cy - height;
    if (h0 > h1) [h0, h1] = [h1, h0];
    if (h1 > h2) [h1, h2] = [h2, h1];
    if (h0 > h1) [h0, h1] = [h1, h0];
    const mean = (h0 + h1 + h2) / 3;
    let i = firstAbove(offsets, h0);
    for (; i < offsets.length && offsets[i]! < h2; i++) {
      const level = offsets[i]!;
      const column =
        level <= h1
          ? (((level - h0) / (h1 - h0)) * ((level - h0) / (h2 - h0)) * (level - h0)) / 3 // each share at most 1: no overflow
          : level - mean + (((h2 - level) / (h2 - h0)) * ((h2 - level) / (h2 - h1)) * (h2 - level)) / 3;
      volumes[i]! += facingDown * column;
    }
    areaFrom[i]! += facingDown;
    momentFrom[i]! += facingDown * mean;
  }
  let [area, moment] = [0, 0];
  return offsets.map((level, i) => {
    area += areaFrom[i]!;
    moment += momentFrom[i]!;
    return Math.max(0, volumes[i]! + area * level - moment);
  });
}

/** Index of the first value above a limit, by bisection. */
function firstAbove(values: readonly number[], limit: number): number {
  let [low, high] = [0, values.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (values[middle]! > limit) high = middle;
    else low = middle + 1;
  }
  return low;
}

export function meshBounds({ corners }: Mesh): { least: [number, number, number]; most: [number, number, number] } {
  const least: [number, number, number] = [0, 0, 0];
  const most: [number, number, number] = [0, 0, 0];
  for (const axis of [0, 1, 2] as const) {
    let [low, high] = [Infinity, -Infinity];
    for (let i = axis; i < corners.length; i += 3) {
      const value = corners[i]!;
      if (value < low) low = value;
      if (value > high) high = value;
    }
    [least[axis], most[axis]] = [low, high];
  }
  return { least, most };
}

const SAME_POINT = 1e-6; // of the mesh's size: corners nearer than this are one, as rounded files have them
const MOST_PLACES = 200; // edges named in a fault, enough to draw

/** A mesh that encloses a volume, turned so that its triangles face outwards; or why it does not. */
export function closedMesh(corners: Float64Array): Result<Mesh & { turned: boolean }, MeshFault> {
  if (corners.length < 36) return failure({ code: 'empty' });
  const edges = edgesOf(corners);
  const open = [...edges.values()].filter((e) => e.forward + e.backward < 2 || (e.forward + e.backward) % 2 === 1);
  const places = (bad: readonly Edge[]) => bad.slice(0, MOST_PLACES).map((e) => e.middle);
  if (open.length > 0) return failure({ code: 'notClosed', openEdges: open.length, places: places(open) });
  const mixed = [...edges.values()].filter((e) => e.forward !== e.backward);
  if (mixed.length > 0) return failure({ code: 'mixedFacing', edges: mixed.length, places: places(mixed) });
  const solid = facingOutwards(corners);
  return solid ? success(solid) : failure({ code: 'empty' });
}

interface Edge {
  forward: number;
  backward: number;
  readonly middle: Place;
}

/** Each edge with how often it is run through in each sense: a closed surface of one facing has each once. */
function edgesOf(corners: Float64Array): Map<number, Edge> {
  const { least, most } = meshBounds({ corners });
  const grain = Math.max(...most.map((m, i) => m - least[i]!)) * SAME_POINT || SAME_POINT;
  const names = new Map<string, number>();
  const pointAt = (i: number): number => {
    const key = `${Math.round((corners[i]! - least[0]) / grain)},${Math.round((corners[i + 1]! - least[1]) / grain)},${Math.round((corners[i + 2]! - least[2]) / grain)}`;
    const known = names.get(key);
    if (known !== undefined) return known;
    names.set(key, names.size);
    return names.size - 1;
  };
  const edges = new Map<number, Edge>();
  for (let t = 0; t < corners.length; t += 9) {
    const points = [pointAt(t), pointAt(t + 3), pointAt(t + 6)];
    if (new Set(points).size < 3) continue; // a sliver that rounding closed
    for (let k = 0; k < 3; k++) {
      const [from, to] = [points[k]!, points[(k + 1) % 3]!];
      const [i, j] = [t + 3 * k, t + 3 * ((k + 1) % 3)];
      const key = Math.min(from, to) * 2 ** 26 + Math.max(from, to); // fewer than 2^26 points, so exact
      let edge = edges.get(key);
      if (!edge) {
        const middle = [0, 1, 2].map((a) => (corners[i + a]! + corners[j + a]!) / 2) as unknown as Place;
        edges.set(key, (edge = { forward: 0, backward: 0, middle }));
      }
      if (from < to) edge.forward++;
      else edge.backward++;
    }
  }
  return edges;
}

/** Triangles of one facing, turned as a whole so that they look outwards; undefined where they enclose nothing. */
export function facingOutwards(corners: Float64Array): (Mesh & { turned: boolean }) | undefined {
  let six = 0; // six times the volume
  for (let t = 0; t < corners.length; t += 9) {
    const [bx, by, bz] = [corners[t + 3]!, corners[t + 4]!, corners[t + 5]!];
    const [cx, cy, cz] = [corners[t + 6]!, corners[t + 7]!, corners[t + 8]!];
    six +=
      corners[t]! * (by * cz - bz * cy) + corners[t + 1]! * (bz * cx - bx * cz) + corners[t + 2]! * (bx * cy - by * cx);
  }
  if (!(Math.abs(six) > 0)) return undefined;
  if (six > 0) return { corners, turned: false };
  const turned = corners.slice();
  for (let t = 0; t < corners.length; t += 9)
    for (let k = 3; k < 6; k++) [turned[t + k], turned[t + k + 3]] = [corners[t + k + 3]!, corners[t + k]!];
  return { corners: turned, turned: true };
}

/** Corners of several meshes as one. */
export function joinMeshes(meshes: readonly Mesh[]): Mesh {
  const corners = new Float64Array(meshes.reduce((sum, m) => sum + m.corners.length, 0));
  let at = 0;
  for (const mesh of meshes) {
    corners.set(mesh.corners, at);
    at += mesh.corners.length;
  }
  return { corners };
}
