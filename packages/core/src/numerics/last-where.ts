const MOST_HALVINGS = 60; // a double has no more digits

/**
 * The largest place between two at which a condition still holds, by bisection: it holds from `low` on, and from some
 * place on no more. Where it never holds the answer is `low`, where it always does `high`, each within the tolerance.
 */
export function lastWhere(low: number, high: number, holds: (at: number) => boolean, tolerance = 0): number {
  for (let i = 0; i < MOST_HALVINGS && high - low > tolerance; i++) {
    const middle = (low + high) / 2;
    if (holds(middle)) low = middle;
    else high = middle;
  }
  return low;
}
