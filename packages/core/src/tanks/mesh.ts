import { failure, success, type Result } from '../result.ts';
import type { FuelPlane } from './fuel-plane.ts';

/** A closed surface of triangles, corners counter-clockwise seen from outside. Nine numbers a triangle, m. */
export interface Mesh {
  readonly corners: Float64Array;
}

export type MeshFault =
  | { code: 'empty' }
  /** Edges that do not have exactly two triangles: the surface has a hole, or sheets that are no solid. */
  | { code: 'notClosed'; openEdges: number };

/**
 * Volume of a closed mesh below a plane, m3.
 *
 * Each triangle is clipped to below the plane and spans a tetrahedron with one point of the plane; the cut itself then
 * spans nothing, so that no lid has to be made and concave or separate lobes come out right.
 */
export function meshVolume({ corners }: Mesh, plane: FuelPlane): number {
  let six = 0;
  const above = (x: number, y: number, z: number) => z - (plane.height + plane.slopeX * x + plane.slopeY * y);
  const apexZ = plane.height; // the plane's point over the origin: (0, 0, height)
  const polygon: number[] = [];
  for (let t = 0; t < corners.length; t += 9) {
    polygon.length = 0;
    for (let i = 0; i < 3; i++) {
      const [a, b] = [t + 3 * i, t + 3 * ((i + 1) % 3)];
      const [ax, ay, az] = [corners[a]!, corners[a + 1]!, corners[a + 2]!];
      const [bx, by, bz] = [corners[b]!, corners[b + 1]!, corners[b + 2]!];
      const [da, db] = [above(ax, ay, az), above(bx, by, bz)];
      if (da <= 0) polygon.push(ax, ay, az);
      if (da < 0 !== db < 0 && da !== 0 && db !== 0) {
        const s = da / (da - db);
        polygon.push(ax + s * (bx - ax), ay + s * (by - ay), az + s * (bz - az));
      }
    }
    for (let k = 3; k + 5 < polygon.length; k += 3)
      six += tripleProduct(
        polygon[0]!,
        polygon[1]!,
        polygon[2]! - apexZ,
        polygon[k]!,
        polygon[k + 1]!,
        polygon[k + 2]! - apexZ,
        polygon[k + 3]!,
        polygon[k + 4]!,
        polygon[k + 5]! - apexZ,
      );
  }
  return Math.max(0, six / 6);
}

const tripleProduct = (
  ax: number,
  ay: number,
  az: number,
  bx: number,
  by: number,
  bz: number,
  cx: number,
  cy: number,
  cz: number,
): number => ax * (by * cz - bz * cy) + ay * (bz * cx - bx * cz) + az * (bx * cy - by * cx);

export function meshBounds({ corners }: Mesh): { least: [number, number, number]; most: [number, number, number] } {
  const least: [number, number, number] = [Infinity, Infinity, Infinity];
  const most: [number, number, number] = [-Infinity, -Infinity, -Infinity];
  for (let i = 0; i < corners.length; i++) {
    const axis = i % 3;
    least[axis] = Math.min(least[axis]!, corners[i]!);
    most[axis] = Math.max(most[axis]!, corners[i]!);
  }
  return { least, most };
}

const SAME_POINT = 1e-6; // of the mesh's size: corners nearer than this are one, as rounded files have them

/** A mesh that encloses a volume, turned so that its triangles face outwards; or why it does not. */
export function closedMesh(corners: Float64Array): Result<Mesh, MeshFault> {
  if (corners.length < 36) return failure({ code: 'empty' });
  const { least, most } = meshBounds({ corners });
  const grain = Math.max(...most.map((m, i) => m - least[i]!)) * SAME_POINT || SAME_POINT;
  const names = new Map<string, number>();
  const pointAt = (i: number): number => {
    const key = [0, 1, 2].map((k) => Math.round((corners[i + k]! - least[k]!) / grain)).join();
    const known = names.get(key);
    if (known !== undefined) return known;
    names.set(key, names.size);
    return names.size - 1;
  };
  // each directed edge of a closed, consistently wound surface is met by its reverse
  const edges = new Map<string, number>();
  for (let t = 0; t < corners.length; t += 9) {
    const [a, b, c] = [pointAt(t), pointAt(t + 3), pointAt(t + 6)];
    if (a === b || b === c || c === a) continue; // a sliver that rounding closed
    for (const [from, to] of [
      [a, b],
      [b, c],
      [c, a],
    ] as const) {
      const sign = from < to ? 1 : -1;
      const key = from < to ? `${from}:${to}` : `${to}:${from}`;
      edges.set(key, (edges.get(key) ?? 0) + sign);
    }
  }
  const openEdges = [...edges.values()].filter((balance) => balance !== 0).length;
  if (openEdges > 0) return failure({ code: 'notClosed', openEdges });
  const whole = { height: most[2] + 1, slopeX: 0, slopeY: 0 };
  const outwards = signedVolume(corners) >= 0;
  const mesh = { corners: outwards ? corners : turned(corners) };
  return meshVolume(mesh, whole) > 0 ? success(mesh) : failure({ code: 'empty' });
}

function signedVolume(corners: Float64Array): number {
  let six = 0;
  for (let t = 0; t < corners.length; t += 9)
    six += tripleProduct(
      corners[t]!,
      corners[t + 1]!,
      corners[t + 2]!,
      corners[t + 3]!,
      corners[t + 4]!,
      corners[t + 5]!,
      corners[t + 6]!,
      corners[t + 7]!,
      corners[t + 8]!,
    );
  return six / 6;
}

function turned(corners: Float64Array): Float64Array {
  const result = corners.slice();
  for (let t = 0; t < corners.length; t += 9)
    for (let k = 0; k < 3; k++) [result[t + 3 + k], result[t + 6 + k]] = [corners[t + 6 + k]!, corners[t + 3 + k]!];
  return result;
}
