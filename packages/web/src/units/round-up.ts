/** The next number with two figures, the second of them 0 or 5: an axis ends there. @param value - positive. */
export function roundUp(value: number): number {
  const step = 10 ** (Math.floor(Math.log10(value)) - 1) * 5;
  return Math.ceil(value / step) * step;
}
