/** Resistances at both ends of a sender's sweep, or of what a gauge expects. Ohm. */
export interface ResistanceRange {
  readonly empty: number;
  readonly full: number;
}

/**
 * One series and one parallel resistor between sender and gauge.
 *
 * `parallelAcross`: the parallel resistor bridges sender and series together (R = Rp ‖ (Rs + S)).
 * `seriesAfter`: it bridges the sender alone, the series resistor follows (R = Rs + Rp ‖ S).
 */
export type Topology = 'parallelAcross' | 'seriesAfter';
export const topologies: readonly Topology[] = ['parallelAcross', 'seriesAfter'];

export interface ResistorNetwork {
  readonly topology: Topology;
  readonly series: number;
  /** Infinity: no parallel resistor. */
  readonly parallel: number;
}

const inParallel = (a: number, b: number): number =>
  b === Infinity ? a : a === Infinity ? b : a + b === 0 ? 0 : (a * b) / (a + b);

/** What the gauge sees for a sender resistance. */
export function networkResistance({ topology, series, parallel }: ResistorNetwork, sender: number): number {
  return topology === 'parallelAcross' ? inParallel(series + sender, parallel) : series + inParallel(sender, parallel);
}

/**
 * Networks that make a sender look exactly right at both ends, by the closed form of the two end equations.
 *
 * @returns none where resistors would have to be negative, where the gauge's span exceeds the sender's, or where the two
 * run in opposite senses: no passive network does that.
 */
export function exactNetworks(sender: ResistanceRange, gauge: ResistanceRange): ResistorNetwork[] {
  if (!sameSense(sender, gauge)) return [];
  return [...parallelAcrossPairs(sender, gauge), ...seriesAfterPairs(sender, gauge)]
    .filter(({ series, parallel }) => series >= -1e-9 && parallel > 0)
    .map((n) => ({ ...n, series: Math.max(0, n.series) }));
}

export const sameSense = (sender: ResistanceRange, gauge: ResistanceRange): boolean =>
  (sender.full - sender.empty) * (gauge.full - gauge.empty) > 0;

/** 1/Re − 1/Rf = (Sf − Se) / ((Rs + Se)(Rs + Sf)): a quadratic for Rs. */
function parallelAcrossPairs(sender: ResistanceRange, gauge: ResistanceRange): ResistorNetwork[] {
  if (gauge.empty <= 0 || gauge.full <= 0) return [];
  const difference = 1 / gauge.empty - 1 / gauge.full;
  const product = (sender.full - sender.empty) / difference;
  const roots = quadraticRoots(1, sender.empty + sender.full, sender.empty * sender.full - product);
  return roots
    .filter((series) => series + sender.empty > 0)
    .map((series) => {
      const conductance = 1 / gauge.empty - 1 / (series + sender.empty);
      return {
        topology: 'parallelAcross',
        series,
        parallel: Math.abs(conductance) < 1e-12 ? Infinity : 1 / conductance,
      };
    });
}

/** With m = (Rf − Re)/(Sf − Se): (m − 1) Rp² + m (Se + Sf) Rp + m Se Sf = 0. */
function seriesAfterPairs(sender: ResistanceRange, gauge: ResistanceRange): ResistorNetwork[] {
  const ratio = (gauge.full - gauge.empty) / (sender.full - sender.empty);
  const parallels =
    Math.abs(ratio - 1) < 1e-12
      ? [Infinity]
      : quadraticRoots(ratio - 1, ratio * (sender.empty + sender.full), ratio * sender.empty * sender.full);
  return parallels.map((parallel) => ({
    topology: 'seriesAfter',
    series: gauge.empty - inParallel(sender.empty, parallel),
    parallel,
  }));
}

function quadraticRoots(a: number, b: number, c: number): number[] {
  const discriminant = b * b - 4 * a * c;
  if (discriminant < 0) return [];
  return [1, -1].map((sign) => (-b + sign * Math.sqrt(discriminant)) / (2 * a));
}
