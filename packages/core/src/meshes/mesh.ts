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
  const { count, forward, backward, from, to } = edgesOf(corners);
  const middleOf = (e: number): Place =>
    [0, 1, 2].map((a) => (corners[from[e]! + a]! + corners[to[e]! + a]!) / 2) as unknown as Place;
  const those = (isBad: (forward: number, backward: number) => boolean): number[] => {
    const bad: number[] = [];
    for (let e = 0; e < count; e++) if (isBad(forward[e]!, backward[e]!)) bad.push(e);
    return bad;
  };
  const places = (bad: readonly number[]) => bad.slice(0, MOST_PLACES).map(middleOf);
  const open = those((f, b) => f + b < 2 || (f + b) % 2 === 1);
  if (open.length > 0) return failure({ code: 'notClosed', openEdges: open.length, places: places(open) });
  const mixed = those((f, b) => f !== b);
  if (mixed.length > 0) return failure({ code: 'mixedFacing', edges: mixed.length, places: places(mixed) });
  const solid = facingOutwards(corners);
  return solid ? success(solid) : failure({ code: 'empty' });
}

/** Edges of a mesh in columns, one place for each, since there may be hundreds of thousands. */
interface Edges {
  readonly count: number;
  /** How often each is run through in each sense: a closed surface of one facing has each once. */
  readonly forward: Uint32Array;
  readonly backward: Uint32Array;
  /** Where its two corners stand among the mesh's numbers. */
  readonly from: Uint32Array;
  readonly to: Uint32Array;
}

/** Integers of three parts by their place in a table with open addressing: a Map of texts takes ten times as long. */
class TripleIndex {
  readonly #mask: number;
  readonly #slots: Int32Array;
  readonly #parts: Int32Array;
  count = 0;

  constructor(most: number) {
    const size = 2 ** Math.ceil(Math.log2(2 * most + 2));
    this.#mask = size - 1;
    this.#slots = new Int32Array(size).fill(-1);
    this.#parts = new Int32Array(3 * most);
  }

  /** The number of a triple, a new one the first time. */
  of(a: number, b: number, c: number): number {
    // multipliers of Teschner et al., "Optimized spatial hashing", 2003
    let slot = (Math.imul(a, 73856093) ^ Math.imul(b, 19349663) ^ Math.imul(c, 83492791)) & this.#mask;
    for (;;) {
      const held = this.#slots[slot]!;
      if (held < 0) {
        this.#parts.set([a, b, c], 3 * this.count);
        this.#slots[slot] = this.count;
        return this.count++;
      }
      if (this.#parts[3 * held] === a && this.#parts[3 * held + 1] === b && this.#parts[3 * held + 2] === c)
        return held;
      slot = (slot + 1) & this.#mask;
    }
  }
}

function edgesOf(corners: Float64Array): Edges {
  const { least, most } = meshBounds({ corners });
  const grain = Math.max(...most.map((m, i) => m - least[i]!)) * SAME_POINT || SAME_POINT;
  const sides = corners.length / 3;
  const points = new TripleIndex(sides);
  const at = (i: number, axis: 0 | 1 | 2) => Math.round((corners[i + axis]! - least[axis]) / grain);
  const edges = new TripleIndex(sides);
  const columns = {
    forward: new Uint32Array(sides),
    backward: new Uint32Array(sides),
    from: new Uint32Array(sides),
    to: new Uint32Array(sides),
  };
  const names = [0, 0, 0];
  for (let t = 0; t < corners.length; t += 9) {
    for (let k = 0; k < 3; k++) names[k] = points.of(at(t + 3 * k, 0), at(t + 3 * k, 1), at(t + 3 * k, 2));
    if (names[0] === names[1] || names[1] === names[2] || names[0] === names[2]) continue; // a sliver that rounding closed
    for (let k = 0; k < 3; k++) {
      const [from, to] = [names[k]!, names[(k + 1) % 3]!];
      const edge = edges.of(Math.min(from, to), Math.max(from, to), 0);
      columns.from[edge] = t + 3 * k;
      columns.to[edge] = t + 3 * ((k + 1) % 3);
      if (from < to) columns.forward[edge]!++;
      else columns.backward[edge]!++;
    }
  }
  return { count: edges.count, ...columns };
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
