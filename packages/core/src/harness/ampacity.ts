import { celsius } from '../units/quick.ts';
import { gaugeArea } from '../units/wire-gauge.ts';
import type { Wire } from './harness.ts';
import { insulations, USUAL_AROUND, wirePlaces } from './wire-kinds.ts';
import { atLeastOne } from './wire.ts';

/** What copper with 105 °C insulation carries in an engine space, A by AWG: lower ends of the usual bands. Typical, from memory. */
const table = [
  [18, 16],
  [16, 20],
  [14, 30],
  [12, 40],
  [10, 55],
] as const;
/** What the table is for: engine spaces of boats are reckoned at 50 °C (ABYC E-11, from memory). K. */
const TABLE_AROUND = celsius(50);
const TABLE_MOST = insulations.pvc105.most;

/**
 * A that a conductor carries as the table has it, between its gauges by the logarithm of the area, beyond them along its last pair.
 * @param area - m2.
 */
function ampacity(area: number): number {
  const points = table.map(([awg, amps]) => [Math.log(gaugeArea(awg)), Math.log(amps)] as const);
  const x = Math.log(area);
  const next = points.findIndex(([at]) => at >= x);
  const i = next < 0 ? points.length - 2 : Math.max(0, next - 1);
  const [[x0, y0], [x1, y1]] = [points[i]!, points[i + 1]!];
  return Math.exp(y0 + ((y1 - y0) * (x - x0)) / (x1 - x0));
}

/** How much less wires carry that lie together: share by how many of them carry current. NEC 310.15(C)(1), from memory. */
const bundles = [
  [3, 1],
  [6, 0.8],
  [9, 0.7],
  [20, 0.5],
  [30, 0.45],
  [40, 0.4],
  [Infinity, 0.35],
] as const;
export const bundleShare = (wires: number): number => bundles.find(([most]) => wires <= most)![1];

/** K around a wire: as it was set, else by where it lies. */
export const aroundOf = ({ temperature, lies }: Pick<Wire, 'temperature' | 'lies'>): number =>
  temperature?.si ?? (lies ? wirePlaces[lies].around : USUAL_AROUND);

/**
 * A that one conductor of a wire carries where it lies: the heat I²R that warms its insulation to what it stands goes with the
 * degrees between the two, so that the table is taken by their square root, and less in a bundle. Nothing where it is hotter around.
 */
export function ampacityIn(area: number, wire: Pick<Wire, 'temperature' | 'lies' | 'insulation' | 'bundled'>): number {
  const most = insulations[wire.insulation ?? 'pvc105'].most;
  const left = Math.max(0, most - aroundOf(wire)) / (TABLE_MOST - TABLE_AROUND);
  return ampacity(area) * Math.sqrt(left) * bundleShare(wire.bundled ?? 1);
}

/** A that a wire carries, its conductors together; undefined while its gauge is unknown. */
export const carries = (wire: Wire): number | undefined =>
  wire.area && ampacityIn(wire.area.si, wire) * atLeastOne(wire.conductors);

/** More than what carries it, but for rounding; a fuse at the very limit is none. */
export const isMore = (amps: number, carried: number): boolean => amps > carried * (1 + 1e-9);
