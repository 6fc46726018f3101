const GOLDEN = (Math.sqrt(5) - 1) / 2;
const SECTIONS = 44; // each leaves 0.618 of the one before: 6e-10 of the range

/**
 * Where a function that falls and then rises is least between two places, by golden sections (Kiefer 1953), an end included.
 *
 * Where it is level at its least any place of that level will do.
 */
export function leastOf(f: (x: number) => number, low: number, high: number, sections = SECTIONS): number {
  let [from, to] = [low, high];
  let [u, v] = [to - GOLDEN * (to - from), from + GOLDEN * (to - from)];
  let [fu, fv] = [f(u), f(v)];
  for (let i = 0; i < sections; i++) {
    if (fu <= fv) {
      [to, v, fv] = [v, u, fu];
      u = to - GOLDEN * (to - from);
      fu = f(u);
    } else {
      [from, u, fu] = [u, v, fv];
      v = from + GOLDEN * (to - from);
      fv = f(v);
    }
  }
  const middle = (from + to) / 2;
  return [low, high, middle].reduce((a, b) => (f(b) < f(a) ? b : a));
}
