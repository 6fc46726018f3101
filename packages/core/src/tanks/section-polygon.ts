import { failure, success, type Result } from '../result.ts';

/** A corner of a section: across (left positive) and up, m. */
export type SectionPoint = readonly [across: number, up: number];

export type SectionFault =
  | { code: 'tooFewPoints' }
  | { code: 'notANumber'; point: number }
  /** Two of its sides cross: `sides` are numbered by their first point, `at` is where. */
  | { code: 'crosses'; sides: readonly [number, number]; at: SectionPoint }
  | { code: 'noArea' };

/** Area of a polygon, positive when it runs counter-clockwise (up and to the left being positive axes), m2. */
export function signedArea(points: readonly SectionPoint[]): number {
  let twice = 0;
  points.forEach(([x, y], i) => {
    const [nx, ny] = points[(i + 1) % points.length]!;
    twice += x * ny - nx * y;
  });
  return twice / 2;
}

/** A traced section that encloses an area once, turned counter-clockwise; or what is wrong with it and where. */
export function tracedSection(traced: readonly SectionPoint[]): Result<readonly SectionPoint[], SectionFault> {
  const bad = traced.findIndex((p) => !p.every(Number.isFinite));
  if (bad >= 0) return failure({ code: 'notANumber', point: bad });
  const points = traced.filter(([x, y], i) => {
    const [px, py] = traced[(i + traced.length - 1) % traced.length]!;
    return traced.length < 2 || x !== px || y !== py; // the same point twice, as when a trace is closed by hand
  });
  if (points.length < 3) return failure({ code: 'tooFewPoints' });
  for (let i = 0; i < points.length; i++)
    for (let j = i + 2; j < points.length; j++) {
      if (i === 0 && j === points.length - 1) continue; // neighbours
      const at = crossing(points[i]!, points[i + 1]!, points[j]!, points[(j + 1) % points.length]!);
      if (at) return failure({ code: 'crosses', sides: [i, j], at });
    }
  const area = signedArea(points);
  if (Math.abs(area) < 1e-9) return failure({ code: 'noArea' });
  return success(area > 0 ? points : points.toReversed());
}

/** Where two sides cross or touch; undefined where they do not. */
function crossing(a: SectionPoint, b: SectionPoint, c: SectionPoint, d: SectionPoint): SectionPoint | undefined {
  const [rx, ry] = [b[0] - a[0], b[1] - a[1]];
  const [sx, sy] = [d[0] - c[0], d[1] - c[1]];
  const cross = rx * sy - ry * sx;
  if (Math.abs(cross) < 1e-15) return undefined;
  const t = ((c[0] - a[0]) * sy - (c[1] - a[1]) * sx) / cross;
  const u = ((c[0] - a[0]) * ry - (c[1] - a[1]) * rx) / cross;
  return t >= 0 && t <= 1 && u >= 0 && u <= 1 ? [a[0] + t * rx, a[1] + t * ry] : undefined;
}

const FACETS = 24; // of each rounded corner

/**
 * A rectangle with rounded corners standing on `floor`, counter-clockwise, across centred on 0.
 *
 * Each quarter circle is drawn as facets whose corners stand out a hair, so that the area is exactly the rounded one.
 */
export function roundedRectangle(width: number, height: number, radius: number, floor = 0): SectionPoint[] {
  const r = Math.min(radius, width / 2, height / 2);
  const [w, top] = [width / 2, floor + height];
  if (!(r > 0))
    return [
      [-w, floor],
      [w, floor],
      [w, top],
      [-w, top],
    ];
  const stretched = r * facetStretch(FACETS);
  const centres: readonly SectionPoint[] = [
    [w - r, floor + r],
    [w - r, top - r],
    [r - w, top - r],
    [r - w, floor + r],
  ];
  return centres.flatMap(([cx, cy], corner) => {
    const ring = Array.from({ length: FACETS + 1 }, (_, i): SectionPoint => {
      const angle = ((corner - 1 + i / FACETS) * Math.PI) / 2;
      const reach = i === 0 || i === FACETS ? r : stretched; // the ends lie on the flat sides
      return [cx + reach * Math.cos(angle), cy + reach * Math.sin(angle)];
    });
    return ring;
  });
}

/** By how much inner corners of a quarter circle of n facets must stand out for its area to be the circle's. */
function facetStretch(n: number): number {
  const sine = Math.sin(Math.PI / 2 / n);
  // sum of the n triangles: (n − 2) s² + 2 s = (π/2) / sin
  const wanted = Math.PI / 2 / sine;
  return n === 1 ? 1 : (-1 + Math.sqrt(1 + (n - 2) * wanted)) / (n - 2);
}
