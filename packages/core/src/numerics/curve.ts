/** A function of one variable with its slope. */
export interface Curve {
  value(x: number): number;
  slope(x: number): number;
  /** Where straight pieces meet, for a curve that is made of them. */
  readonly knots?: readonly number[];
}

export type Point = readonly [x: number, y: number];

function requireAscending(points: readonly Point[]): void {
  if (points.length < 2) throw new RangeError('a curve needs two points');
  for (let i = 1; i < points.length; i++)
    if (!(points[i]![0] > points[i - 1]![0])) throw new RangeError('points must ascend in x');
}

/** Which interval holds x: the end intervals carry on outside. */
function intervalOf(points: readonly Point[], x: number): number {
  let i = 0;
  while (i < points.length - 2 && x > points[i + 1]![0]) i++;
  return i;
}

/** Straight lines between points, the end lines carried on. */
export function piecewiseCurve(points: readonly Point[]): Curve {
  requireAscending(points);
  const slopeAt = (i: number) => (points[i + 1]![1] - points[i]![1]) / (points[i + 1]![0] - points[i]![0]);
  return {
    knots: points.map(([x]) => x),
    slope: (x) => slopeAt(intervalOf(points, x)),
    value: (x) => {
      const i = intervalOf(points, x);
      return points[i]![1] + slopeAt(i) * (x - points[i]![0]);
    },
  };
}

/**
 * Monotone piecewise cubic through the points, straight beyond the ends.
 *
 * Never rises between two falling points, so that a pump table gives one flow for one pressure.
 * @see Fritsch & Butland, "A method for constructing local monotone piecewise cubic interpolants",
 * SIAM J. Sci. Stat. Comput. 5, 1984, p. 300.
 */
export function monotoneCurve(points: readonly Point[]): Curve {
  requireAscending(points);
  const n = points.length;
  const step = Array.from({ length: n - 1 }, (_, i) => points[i + 1]![0] - points[i]![0]);
  const secant = step.map((h, i) => (points[i + 1]![1] - points[i]![1]) / h);
  const tangent = points.map((_, i) => {
    if (i === 0) return secant[0]!;
    if (i === n - 1) return secant[n - 2]!;
    const [before, after] = [secant[i - 1]!, secant[i]!];
    if (before * after <= 0) return 0;
    const [h0, h1] = [step[i - 1]!, step[i]!];
    const weight = (h0 + 2 * h1) / (3 * (h0 + h1)); // Fritsch & Butland, equation 5
    return (before * after) / (weight * after + (1 - weight) * before);
  });
  const evaluate = (x: number): [value: number, slope: number] => {
    const first = points[0]!;
    const last = points[n - 1]!;
    if (x <= first[0]) return [first[1] + tangent[0]! * (x - first[0]), tangent[0]!];
    if (x >= last[0]) return [last[1] + tangent[n - 1]! * (x - last[0]), tangent[n - 1]!];
    const i = intervalOf(points, x);
    const h = step[i]!;
    const t = (x - points[i]![0]) / h;
    const [y0, y1, m0, m1] = [points[i]![1], points[i + 1]![1], tangent[i]! * h, tangent[i + 1]! * h];
    const a = 2 * y0 - 2 * y1 + m0 + m1;
    const b = -3 * y0 + 3 * y1 - 2 * m0 - m1;
    return [((a * t + b) * t + m0) * t + y0, ((3 * a * t + 2 * b) * t + m0) / h];
  };
  return { value: (x) => evaluate(x)[0], slope: (x) => evaluate(x)[1] };
}

/**
 * y = y0 − a xⁿ through three points, the first at x = 0; odd in x, so that reverse flow raises the pressure.
 * This is the usual three-point form of a pump curve.
 */
export function powerCurve([first, middle, last]: readonly [Point, Point, Point]): Curve {
  if (first[0] !== 0) throw new RangeError('the first point must be at zero');
  const exponent = Math.log((first[1] - last[1]) / (first[1] - middle[1])) / Math.log(last[0] / middle[0]);
  const factor = (first[1] - middle[1]) / middle[0] ** exponent;
  return {
    value: (x) => first[1] - Math.sign(x) * factor * Math.abs(x) ** exponent,
    slope: (x) => -factor * exponent * Math.max(Math.abs(x), 1e-12) ** (exponent - 1),
  };
}
