import { e24Near } from './e-series.ts';
import {
  exactNetworks,
  networkResistance,
  sameSense,
  topologies,
  type ResistanceRange,
  type ResistorNetwork,
} from './resistor-network.ts';

/** How a gauge linear in ohms reads through a network: shares of its scale, 0 empty and 1 full. */
export interface Readings {
  readonly empty: number;
  readonly full: number;
  /** With the sender at the middle of its resistance; 0.5 would be true. */
  readonly middle: number;
}

export interface MatchedNetwork {
  readonly network: ResistorNetwork;
  readonly readings: Readings;
  /** Worst of the two end errors, as a share of the scale. */
  readonly endError: number;
}

export type SenderMatch =
  /** The sender suits the gauge as it is. */
  | { kind: 'direct' }
  /** Exact at both ends; `practical` is the same in E24 values. */
  | { kind: 'network'; exact: MatchedNetwork; practical: MatchedNetwork; watts: { series: number; parallel: number } }
  /** No network is exact: the nearest one, and why. */
  | { kind: 'nearest'; reason: 'gaugeSpanTooWide' | 'resistorsWouldBeNegative'; nearest: MatchedNetwork }
  /** No network of resistors turns a sender round. */
  | { kind: 'impossible'; reason: 'oppositeSense' };

const SAME_ENDS = 0.02; // of the gauge's span: as close as gauges are made, common practice

/** How a sender is brought to a gauge with resistors alone. @param supply - V across gauge and network, for the wattage. */
export function matchSender(sender: ResistanceRange, gauge: ResistanceRange, supply = 14): SenderMatch {
  if (sender.empty === sender.full || gauge.empty === gauge.full)
    throw new RangeError('a range needs two different ends');
  const span = Math.abs(gauge.full - gauge.empty);
  if (Math.max(Math.abs(sender.empty - gauge.empty), Math.abs(sender.full - gauge.full)) <= SAME_ENDS * span)
    return { kind: 'direct' };
  if (!sameSense(sender, gauge)) return { kind: 'impossible', reason: 'oppositeSense' };
  const judged = exactNetworks(sender, gauge).map((network) => judge(network, sender, gauge));
  const exact = judged.sort((a, b) => Math.abs(a.readings.middle - 0.5) - Math.abs(b.readings.middle - 0.5))[0];
  if (exact) {
    const practical = practicalNetwork(exact.network, sender, gauge);
    return { kind: 'network', exact, practical, watts: dissipation(practical.network, sender, supply) };
  }
  const tooWide = span > Math.abs(sender.full - sender.empty);
  return {
    kind: 'nearest',
    reason: tooWide ? 'gaugeSpanTooWide' : 'resistorsWouldBeNegative',
    nearest: nearestNetwork(sender, gauge),
  };
}

function judge(network: ResistorNetwork, sender: ResistanceRange, gauge: ResistanceRange): MatchedNetwork {
  const read = (s: number) => (networkResistance(network, s) - gauge.empty) / (gauge.full - gauge.empty);
  const readings = {
    empty: read(sender.empty),
    full: read(sender.full),
    middle: read((sender.empty + sender.full) / 2),
  };
  return { network, readings, endError: Math.max(Math.abs(readings.empty), Math.abs(readings.full - 1)) };
}

/** The pair of E24 values near the exact ones that reads best at both ends. */
function practicalNetwork(exact: ResistorNetwork, sender: ResistanceRange, gauge: ResistanceRange): MatchedNetwork {
  const pairs = e24Near(exact.series, 5).flatMap((series) =>
    e24Near(exact.parallel, 5).map((parallel) => judge({ ...exact, series, parallel }, sender, gauge)),
  );
  return pairs.sort((a, b) => a.endError - b.endError)[0]!;
}

/** Most that each resistor turns to heat anywhere on the sweep, W, if all of the supply stood across the network. */
function dissipation({ topology, series, parallel }: ResistorNetwork, sender: ResistanceRange, supply: number) {
  const at = (s: number) => {
    if (topology === 'parallelAcross')
      return {
        series: series === 0 ? 0 : (supply / (series + s)) ** 2 * series,
        parallel: parallel === Infinity ? 0 : supply ** 2 / parallel,
      };
    const lower = networkResistance({ topology, series: 0, parallel }, s);
    const current = supply / (series + lower);
    return { series: current ** 2 * series, parallel: parallel === Infinity ? 0 : (current * lower) ** 2 / parallel };
  };
  const ends = [at(sender.empty), at(sender.full)];
  return { series: Math.max(...ends.map((e) => e.series)), parallel: Math.max(...ends.map((e) => e.parallel)) };
}

/**
 * The network with the smallest worst end error, where none is exact: for each parallel value the best series value lies
 * where both end errors are equal and opposite, and the parallel value is searched.
 */
function nearestNetwork(sender: ResistanceRange, gauge: ResistanceRange): MatchedNetwork {
  const candidates = topologies.flatMap((topology) => {
    const parallels = [Infinity, ...Array.from({ length: 400 }, (_, i) => 10 ** (-1 + (i * 8) / 399))];
    return parallels.map((parallel) =>
      judge({ topology, parallel, series: bestSeries(topology, parallel, sender, gauge) }, sender, gauge),
    );
  });
  return candidates.sort((a, b) => a.endError - b.endError)[0]!;
}

function bestSeries(
  topology: ResistorNetwork['topology'],
  parallel: number,
  sender: ResistanceRange,
  gauge: ResistanceRange,
): number {
  const error = (series: number) => judge({ topology, parallel, series }, sender, gauge).endError;
  let [low, high] = [0, 3 * Math.max(sender.empty, sender.full, gauge.empty, gauge.full)];
  const golden = (Math.sqrt(5) - 1) / 2;
  for (let i = 0; i < 80; i++) {
    const [a, b] = [high - golden * (high - low), low + golden * (high - low)];
    if (error(a) <= error(b)) high = b;
    else low = a;
  }
  const found = (low + high) / 2;
  return error(0) <= error(found) ? 0 : found;
}
