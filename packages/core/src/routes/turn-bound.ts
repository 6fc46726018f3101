const PLACES = 48; // along the hose
const GRID = 60; // angles from 0 to π
const HALVINGS = 14;

/** What no hose of a slack can beat: its least radius over its length, by the angles of its two ends to the way between them. */
export type TurnBound = (angleA: number, angleB: number) => number;

/**
 * Bounds that no curve can beat whose curvature stays within 1/R: its direction at s is off the chord by no less than the end's
 * angle less s/R, so that the chord is no longer than the integral of the cosine of that; and by Schur's comparison with an arc the
 * chord is no shorter than that of the circle of radius R.
 *
 * @param slack - length over chord, more than 1.
 */
export function turnBound(slack: number): TurnBound {
  const schur = 1 / (2 * arcOf(slack));
  const size = GRID + 1;
  const table = new Float64Array(size * size);
  for (let i = 0; i < size; i++)
    for (let j = i; j < size; j++) {
      const bound = boundAt((Math.PI * i) / GRID, (Math.PI * j) / GRID, slack, schur);
      table[i * size + j] = bound;
      table[j * size + i] = bound;
    }
  // a bound falls as an angle grows: that of the next smaller angles holds between them
  return (a, b) => table[Math.floor((a / Math.PI) * GRID) * size + Math.floor((b / Math.PI) * GRID)]!;
}

/** Half the angle of the arc whose length is so many times its chord. */
function arcOf(slack: number): number {
  let [low, high] = [1e-9, Math.PI];
  for (let i = 0; i < 50; i++) {
    const middle = (low + high) / 2;
    if (Math.sin(middle) / middle > 1 / slack) low = middle;
    else high = middle;
  }
  return low;
}

function boundAt(a: number, b: number, slack: number, top: number): number {
  const reaches = (radius: number): boolean => {
    let sum = 0;
    for (let i = 0; i < PLACES; i++) {
      const s = (i + 0.5) / PLACES;
      sum += Math.cos(Math.max(0, a - s / radius, b - (1 - s) / radius));
    }
    // the sum over places is a little more than the integral
    return (sum / PLACES) * slack >= 1 - 2e-3;
  };
  if (reaches(top)) return top;
  let [low, high] = [0, top];
  for (let i = 0; i < HALVINGS; i++) {
    const middle = (low + high) / 2;
    if (reaches(Math.max(middle, 1e-6))) low = middle;
    else high = middle;
  }
  return high;
}
