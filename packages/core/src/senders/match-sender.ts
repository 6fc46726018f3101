import { lastWhere } from '../numerics/last-where.ts';
import { e24Near } from './e-series.ts';
import {
  exactNetworks,
  networkResistance,
  sameSense,
  topologies,
  type ResistanceRange,
  type ResistorNetwork,
  type Topology,
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

const FINEST_SERIES = 1e-6; // ohm
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
 * The network with the smallest worst end error, where none is exact: for each parallel value the best series value is
 * known, and the parallel value is searched, from decades down to a thousandth.
 */
function nearestNetwork(sender: ResistanceRange, gauge: ResistanceRange): MatchedNetwork {
  const at = (topology: Topology, parallel: number) =>
    judge({ topology, parallel, series: bestSeries(topology, parallel, sender, gauge) }, sender, gauge);
  const nearest = (topology: Topology, parallels: readonly number[]) =>
    parallels.map((parallel) => at(topology, parallel)).reduce(closer);
  return topologies
    .map((topology) => {
      let best = nearest(topology, [Infinity, ...spread(1e-1, 1e7, 80)]);
      for (const step of [1.26, 1.02, 1.002]) {
        const { parallel } = best.network;
        if (parallel !== Infinity)
          best = nearest(topology, [parallel, ...spread(parallel / step, parallel * step, 24)]);
      }
      return best;
    })
    .reduce(closer);
}

const closer = (a: MatchedNetwork, b: MatchedNetwork): MatchedNetwork => (b.endError < a.endError ? b : a);
/** Values from one to another in even ratios. */
const spread = (from: number, to: number, steps: number): number[] =>
  Array.from({ length: steps + 1 }, (_, i) => from * (to / from) ** (i / steps));

/**
 * The series value with the smallest worst end error. More series resistance raises what the gauge sees at both ends, so
 * it is where the two misses are equal and opposite, or none at all.
 */
function bestSeries(topology: Topology, parallel: number, sender: ResistanceRange, gauge: ResistanceRange): number {
  const both = (series: number) => {
    const network = { topology, parallel, series };
    return networkResistance(network, sender.empty) + networkResistance(network, sender.full);
  };
  return lastWhere(0, gauge.empty + gauge.full, (series) => both(series) < gauge.empty + gauge.full, FINEST_SERIES);
}
