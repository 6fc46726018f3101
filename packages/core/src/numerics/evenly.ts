/** Numbers from one to another in even steps, both ends among them. */
export const evenly = (from: number, to: number, steps: number): number[] =>
  Array.from({ length: steps + 1 }, (_, i) => from + (i / steps) * (to - from));
