import { norm2 } from '../numerics/norm.ts';
import earcut from 'earcut';
import { facingOutwards, type Mesh } from '../meshes/mesh.ts';
import type { SectionPoint } from './section-polygon.ts';

/** One section of a tank at its place along x, m. Every section of a loft has the same number of points. */
export interface Station {
  readonly x: number;
  readonly points: readonly SectionPoint[];
}

/** A section, counter-clockwise, carried along x from one end to the other, closed with flat ends. */
export function extrudedMesh(points: readonly SectionPoint[], [x1, x2]: readonly [number, number]): Mesh {
  return ruledMesh([
    { x: x1, points },
    { x: x2, points },
  ]);
}

/**
 * A closed surface ruled between sections, ascending in x, with flat ends.
 *
 * Points of the same number are joined; the sides between are split by the diagonal from the first section's point.
 */
export function ruledMesh(stations: readonly Station[]): Mesh {
  const corners: number[] = [];
  const push = (x: number, [y, z]: SectionPoint) => corners.push(x, y, z);
  for (let s = 0; s + 1 < stations.length; s++) {
    const [near, far] = [stations[s]!, stations[s + 1]!];
    near.points.forEach((_, i) => {
      const next = (i + 1) % near.points.length;
      const [a, b, c, d] = [near.points[i]!, near.points[next]!, far.points[next]!, far.points[i]!];
      // y to the left, z up, x towards the eye: a counter-clockwise section has its outside on the right
      push(near.x, a);
      push(near.x, b);
      push(far.x, d);
      push(near.x, b);
      push(far.x, c);
      push(far.x, d);
    });
  }
  cap(stations[0]!, false);
  cap(stations.at(-1)!, true);
  // turned as a whole when inside out: which hand a section runs is the caller's affair
  return facingOutwards(Float64Array.from(corners)) ?? { corners: new Float64Array(0) };

  function cap({ x, points }: Station, forward: boolean): void {
    const triangles = earcut(points.flat());
    for (let t = 0; t < triangles.length; t += 3) {
      const [i, j, k] = [triangles[t]!, triangles[t + 1]!, triangles[t + 2]!].map((n) => points[n]!) as [
        SectionPoint,
        SectionPoint,
        SectionPoint,
      ];
      const counterClockwise = (j[0] - i[0]) * (k[1] - i[1]) - (k[0] - i[0]) * (j[1] - i[1]) > 0;
      for (const p of counterClockwise === forward ? [i, j, k] : [i, k, j]) push(x, p);
    }
  }
}

const FACETS = 96; // round a cylinder
const RINGS = 24; // from a dished end's rim to its pole
/** Radius of facets with the circle's own area. */
const facetRadius = (radius: number) => radius / Math.sqrt(Math.sin((2 * Math.PI) / FACETS) / ((2 * Math.PI) / FACETS));

function circle(radius: number, centreY: number, centreZ: number): SectionPoint[] {
  const r = facetRadius(radius);
  return Array.from({ length: FACETS }, (_, i): SectionPoint => {
    const angle = (2 * Math.PI * i) / FACETS;
    return [centreY + r * Math.cos(angle), centreZ + r * Math.sin(angle)];
  });
}

interface CylinderShape {
  readonly x: readonly [number, number];
  readonly centreY: number;
  readonly centreZ: number;
  readonly radius: number;
}

export const cylinderMesh = ({ x, centreY, centreZ, radius }: CylinderShape): Mesh =>
  extrudedMesh(circle(radius, centreY, centreZ), x);

/**
 * A lying cylinder with half-ellipsoidal dished ends that stand out by `dish` beyond each end, m.
 *
 * The rings are cones between circles; the dish is drawn a hair longer so that its volume is the ellipsoid's.
 */
export function dishedCylinderMesh({ x: [x1, x2], centreY, centreZ, radius }: CylinderShape, dish: number): Mesh {
  const angles = Array.from({ length: RINGS }, (_, i) => ((RINGS - i) / RINGS) * (Math.PI / 2)); // from pole to rim
  const shares = angles.map((a) => ({ out: Math.sin(a), r: Math.max(Math.cos(a), 1e-4) }));
  const volume = [...shares, { out: 0, r: 1 }].reduce((sum, far, i, all) => {
    const near = all[i - 1];
    return near ? sum + ((near.out - far.out) * (near.r ** 2 + near.r * far.r + far.r ** 2)) / 3 : sum;
  }, 0); // of cones, in pi r2 dish; the ellipsoid's is 2/3
  const ends = shares.map(({ out, r }) => ({ out: (out * dish * 2) / 3 / volume, r: r * radius }));
  const ring = (r: number) => circle(r, centreY, centreZ);
  return ruledMesh([
    ...ends.map(({ out, r }) => ({ x: x1 - out, points: ring(r) })),
    { x: x1, points: ring(radius) },
    { x: x2, points: ring(radius) },
    ...ends.toReversed().map(({ out, r }) => ({ x: x2 + out, points: ring(r) })),
  ]);
}

const AROUND = 96; // points of a resampled section

/** A section as equally many points along its outline, beginning at its lowest middle, so that unlike sections can be joined. */
export function resampled(points: readonly SectionPoint[], count = AROUND): SectionPoint[] {
  const lowest = Math.min(...points.map(([, up]) => up));
  const bottoms = points.flatMap((p, i) => {
    const q = points[(i + 1) % points.length]!;
    return p[1] - lowest < 1e-9 ? [{ i, at: q[1] - lowest < 1e-9 ? ([(p[0] + q[0]) / 2, lowest] as const) : p }] : [];
  });
  const middle = bottoms.reduce((best, b) => (Math.abs(b.at[0]) < Math.abs(best.at[0]) ? b : best));
  const ring = [middle.at, ...points.slice(middle.i + 1), ...points.slice(0, middle.i + 1), middle.at];
  const along = [0];
  for (let i = 1; i < ring.length; i++)
    along.push(along[i - 1]! + norm2(ring[i]![0] - ring[i - 1]![0], ring[i]![1] - ring[i - 1]![1]));
  const total = along.at(-1)!;
  let side = 0;
  return Array.from({ length: count }, (_, k): SectionPoint => {
    const at = (k / count) * total;
    while (side < ring.length - 2 && along[side + 1]! <= at) side++;
    const share = along[side + 1]! === along[side]! ? 0 : (at - along[side]!) / (along[side + 1]! - along[side]!);
    const [p, q] = [ring[side]!, ring[side + 1]!];
    return [p[0] + share * (q[0] - p[0]), p[1] + share * (q[1] - p[1])];
  });
}
