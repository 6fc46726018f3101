/** E24 preferred values of a decade. IEC 60063. */
const e24 = [10, 11, 12, 13, 15, 16, 18, 20, 22, 24, 27, 30, 33, 36, 39, 43, 47, 51, 56, 62, 68, 75, 82, 91] as const;

/** Below this a resistor is no more than its connectors: a plain wire does. Common practice. */
const LEAST = 1; // ohm

/** The E24 values around a resistance, nearest by ratio first: up to `count` of them. 0 stays 0 (a wire), Infinity open. */
export function e24Near(resistance: number, count = 1): number[] {
  if (resistance === Infinity) return [Infinity];
  if (!(resistance >= 0)) throw new RangeError(`resistance ${resistance}`);
  if (resistance < LEAST) return [0];
  const decade = Math.floor(Math.log10(resistance)) - 1;
  const values = [decade - 1, decade, decade + 1].flatMap((d) => e24.map((v) => Number((v * 10 ** d).toPrecision(3))));
  return values
    .filter((v) => v >= LEAST)
    .sort((a, b) => Math.abs(Math.log(a / resistance)) - Math.abs(Math.log(b / resistance)))
    .slice(0, count);
}
