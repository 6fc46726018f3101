import { gaugeArea } from '../units/wire-gauge.ts';

/** What copper with 105 °C insulation carries in an engine space, A by AWG: lower ends of the usual bands. Typical, from memory. */
const table = [
  [18, 16],
  [16, 20],
  [14, 30],
  [12, 40],
  [10, 55],
] as const;

/** Gauges that the table knows, thinnest first. */
export const ratedGauges: readonly number[] = table.map(([awg]) => awg);

/** A that a conductor carries, between the table's gauges by the logarithm of its area, beyond them along its last pair. @param area - m2. */
export function ampacity(area: number): number {
  const points = table.map(([awg, amps]) => [Math.log(gaugeArea(awg)), Math.log(amps)] as const);
  const x = Math.log(area);
  const next = points.findIndex(([at]) => at >= x);
  const i = next < 0 ? points.length - 2 : Math.max(0, next - 1);
  const [[x0, y0], [x1, y1]] = [points[i]!, points[i + 1]!];
  return Math.exp(y0 + ((y1 - y0) * (x - x0)) / (x1 - x0));
}

/** A fuse of so many A passes more than a conductor carries; a fuse at its very limit does not. */
export const passesMore = (fuse: number, area: number): boolean => fuse > ampacity(area) * (1 + 1e-9);

/** The thinnest gauge of the table that carries so much. */
export const gaugeFor = (amps: number): number | undefined =>
  ratedGauges.find((awg) => ampacity(gaugeArea(awg)) >= amps * (1 - 1e-9));
