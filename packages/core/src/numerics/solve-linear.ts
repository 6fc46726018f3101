const LEAST_PIVOT = 1e-13; // of its row's scale: what is left of it is rounding

/**
 * Solves A x = b in place by Gaussian elimination with partial pivoting.
 *
 * @param a - row-major n x n, overwritten.
 * @param b - length n, overwritten with x.
 * @returns false if a pivot is smaller than 1e-13 of its row's scale: the system has no single answer.
 */
export function solveLinear(a: Float64Array, b: Float64Array, n: number): boolean {
  const scales = new Float64Array(n);
  for (let i = 0; i < n; i++) {
    let scale = 0;
    for (let j = 0; j < n; j++) {
      const size = Math.abs(a[i * n + j]!);
      if (size > scale) scale = size;
    }
    scales[i] = scale;
  }
  for (let k = 0; k < n; k++) {
    let pivotRow = k;
    let largest = Math.abs(a[k * n + k]!);
    for (let i = k + 1; i < n; i++) {
      const size = Math.abs(a[i * n + k]!);
      if (size > largest) [largest, pivotRow] = [size, i];
    }
    if (!(largest > LEAST_PIVOT * scales[pivotRow]!)) return false;
    if (pivotRow !== k) {
      for (let j = k; j < n; j++) {
        const held = a[k * n + j]!;
        a[k * n + j] = a[pivotRow * n + j]!;
        a[pivotRow * n + j] = held;
      }
      const held = b[k]!;
      b[k] = b[pivotRow]!;
      b[pivotRow] = held;
      scales[pivotRow] = scales[k]!;
    }
    const pivot = a[k * n + k]!;
    for (let i = k + 1; i < n; i++) {
      const factor = a[i * n + k]! / pivot;
      if (factor === 0) continue; // network rows hold a handful of entries: most of the work is skipped here
      for (let j = k + 1; j < n; j++) a[i * n + j]! -= factor * a[k * n + j]!;
      b[i]! -= factor * b[k]!;
    }
  }
  for (let i = n - 1; i >= 0; i--) {
    let sum = b[i]!;
    for (let j = i + 1; j < n; j++) sum -= a[i * n + j]! * b[j]!;
    b[i] = sum / a[i * n + i]!;
  }
  return true;
}
