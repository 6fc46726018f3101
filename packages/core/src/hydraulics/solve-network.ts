import { solveLinear } from '../numerics/solve-linear.ts';
import { failure, success, type Result } from '../result.ts';
import { linkLoss } from './link-loss.ts';
import {
  STANDARD_GRAVITY,
  type LinkState,
  type Network,
  type NetworkFault,
  type NetworkLink,
  type NetworkSolution,
} from './network.ts';

// Inside, pressures are kPa and flows L/h, so that every unknown and every residual is of a size between 1 and 1000.
const PASCALS = 1e3;
const LITRES_PER_HOUR = 1 / 3.6e6;

const TOLERANCE = 1e-9; // kPa in a link, L/h at a node: far below any instrument
const STAGNANT = 1e-6; // a result is still accepted at this residual when rounding stops the last steps
const MOST_ITERATIONS = 80;
const MOST_ROUNDS = 40;
const STATE_SLACK = 1e-7; // kPa or L/h by which a valve's condition must be broken before it changes state

/**
 * Pressures and flows in a steady network: Newton's method on all link and node equations at once, with the regulators
 * and check valves switched between states until every one is consistent.
 *
 * @param start - an earlier solution of a like network, to start from.
 * @returns the solution, or the reason why there is none; never an unconverged number.
 * @see Todini & Pilati, "A gradient algorithm for the analysis of pipe networks", 1988, for the equations.
 */
export function solveNetwork(network: Network, start?: NetworkSolution): Result<NetworkSolution, NetworkFault> {
  const system = new NetworkSystem(network, start);
  const bad = system.structuralFault();
  if (bad) return failure(bad);
  const seen = new Set<string>();
  let iterations = 0;
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const newton = system.iterate();
    iterations += newton.iterations;
    if (newton.outcome === 'singular') return failure({ code: 'noSingleAnswer' });
    const broken = system.brokenStates();
    if (broken.length === 0) {
      if (newton.outcome === 'stalled') return failure({ code: 'notConverged', residual: newton.residual, iterations });
      return success(system.solution(iterations, newton.residual));
    }
    // switching all at once is fast; once a combination repeats, only the worst is switched, which cannot chatter
    const key = system.stateKey();
    system.switchStates(seen.has(key) ? broken.slice(0, 1) : broken);
    seen.add(key);
  }
  return failure({ code: 'valvesDidNotSettle', links: system.brokenStates().map((b) => b.link.id) });
}

interface BrokenState {
  readonly link: NetworkLink;
  readonly index: number;
  readonly state: LinkState;
  readonly by: number;
}

class NetworkSystem {
  readonly #network: Network;
  readonly #junctions: readonly number[];
  /** Unknown's place of each node, −1 where the pressure is fixed. */
  readonly #place: readonly number[];
  readonly #ends: readonly (readonly [number, number])[];
  /** Static pressure difference from `from` to `to`, kPa. */
  readonly #rise: readonly number[];
  readonly #states: LinkState[];
  readonly #x: Float64Array;
  readonly #residual: Float64Array;
  readonly #matrix: Float64Array;
  readonly #size: number;

  constructor(network: Network, start?: NetworkSolution) {
    this.#network = network;
    const index = new Map(network.nodes.map((n, i) => [n.id, i]));
    this.#junctions = network.nodes.flatMap((n, i) => (n.fixedPressure === undefined ? [i] : []));
    const place = network.nodes.map(() => -1);
    this.#junctions.forEach((node, i) => (place[node] = i));
    this.#place = place;
    this.#ends = network.links.map((l) => [index.get(l.from) ?? -1, index.get(l.to) ?? -1]);
    const weight = (network.liquid.density * STANDARD_GRAVITY) / PASCALS;
    this.#rise = this.#ends.map(
      ([a, b]) => weight * ((network.nodes[a]?.height ?? 0) - (network.nodes[b]?.height ?? 0)),
    );
    this.#states = network.links.map((l) => start?.states[l.id] ?? initialState(l));
    this.#size = this.#junctions.length + network.links.length;
    this.#x = new Float64Array(this.#size);
    this.#residual = new Float64Array(this.#size);
    this.#matrix = new Float64Array(this.#size * this.#size);
    this.#junctions.forEach((node, i) => (this.#x[i] = (start?.pressures[network.nodes[node]!.id] ?? 0) / PASCALS));
    network.links.forEach((l, i) => {
      this.#x[this.#junctions.length + i] =
        start?.flows[l.id] !== undefined ? start.flows[l.id]! / LITRES_PER_HOUR : FIRST_FLOW;
    });
  }

  structuralFault(): NetworkFault | undefined {
    const { nodes, links } = this.#network;
    for (const [i, [a, b]] of this.#ends.entries()) {
      const link = links[i]!;
      if (a < 0) return { code: 'danglingLink', link: link.id, node: link.from };
      if (b < 0) return { code: 'danglingLink', link: link.id, node: link.to };
    }
    return nodes.some((n) => n.fixedPressure !== undefined) ? undefined : { code: 'noSource' };
  }

  #pressure(node: number): number {
    const place = this.#place[node]!;
    return place < 0 ? this.#network.nodes[node]!.fixedPressure! / PASCALS : this.#x[place]!;
  }

  #flow(link: number): number {
    return this.#x[this.#junctions.length + link]!;
  }

  /** Newton's steps for the states as they stand. */
  iterate(): { outcome: 'converged' | 'stalled' | 'singular'; iterations: number; residual: number } {
    const before = new Float64Array(this.#size);
    let norm = this.#assemble();
    for (let k = 1; k <= MOST_ITERATIONS; k++) {
      if (norm < TOLERANCE) return { outcome: 'converged', iterations: k - 1, residual: norm };
      if (!solveLinear(this.#matrix, this.#residual, this.#size))
        return { outcome: 'singular', iterations: k, residual: norm };
      before.set(this.#x);
      const step = Float64Array.from(this.#residual);
      let length = 1;
      let reached = norm;
      // full steps first; shorter ones only where a kink of a curve throws Newton's method back and forth
      for (let cut = 0; cut < 12; cut++, length /= 2) {
        for (let i = 0; i < this.#size; i++) this.#x[i] = before[i]! - length * step[i]!;
        reached = this.#assemble();
        if (reached < norm || (k < 6 && cut === 0 && Number.isFinite(reached))) break;
      }
      if (!Number.isFinite(reached)) return { outcome: 'stalled', iterations: k, residual: reached };
      if (reached >= norm && norm < STAGNANT) return { outcome: 'converged', iterations: k, residual: reached };
      norm = reached;
    }
    return { outcome: norm < STAGNANT ? 'converged' : 'stalled', iterations: MOST_ITERATIONS, residual: norm };
  }

  /** Fills residual and matrix at the present point; returns the largest residual. */
  #assemble(): number {
    const n = this.#size;
    const junctions = this.#junctions.length;
    const matrix = this.#matrix.fill(0);
    const residual = this.#residual.fill(0);
    this.#junctions.forEach((node, i) => (residual[i] = -(this.#network.nodes[node]!.demand ?? 0) / LITRES_PER_HOUR));
    this.#network.links.forEach((link, l) => {
      const [a, b] = this.#ends[l]!;
      const column = junctions + l;
      const row = column * n;
      const [ia, ib] = [this.#place[a]!, this.#place[b]!];
      const q = this.#flow(l);
      if (ia >= 0) [residual[ia], matrix[ia * n + column]] = [residual[ia]! - q, -1];
      if (ib >= 0) [residual[ib], matrix[ib * n + column]] = [residual[ib]! + q, 1];
      const { law } = link;
      const state = this.#states[l]!;
      if (state === 'shut') {
        residual[column] = q;
        matrix[row + column] = 1;
        return;
      }
      if (state === 'regulating' && (law.kind === 'bypassRegulator' || law.kind === 'deadHeadRegulator')) {
        const [held, place, sense] = law.kind === 'bypassRegulator' ? [a, ia, -1] : [b, ib, 1];
        const slope = (law.slope * LITRES_PER_HOUR) / PASCALS;
        residual[column] = this.#pressure(held) - law.set / PASCALS + sense * slope * q;
        if (place >= 0) matrix[row + place] = 1;
        matrix[row + column] = sense * slope;
        return;
      }
      const { loss, slope } = linkLoss(law, q * LITRES_PER_HOUR, this.#network.liquid);
      const cracking = law.kind === 'line' ? (law.cracking ?? 0) / PASCALS : 0;
      residual[column] = this.#pressure(a) - this.#pressure(b) + this.#rise[l]! - loss / PASCALS - cracking;
      if (ia >= 0) matrix[row + ia]! += 1;
      if (ib >= 0) matrix[row + ib]! -= 1;
      matrix[row + column] = (-slope * LITRES_PER_HOUR) / PASCALS;
    });
    let largest = 0;
    for (let i = 0; i < n; i++) {
      const size = Math.abs(residual[i]!);
      if (!(size <= largest)) largest = size; // a NaN shows as NaN
    }
    return largest;
  }

  /** Valves whose state contradicts the solution, worst first, with the state they ought to have. */
  brokenStates(): BrokenState[] {
    const broken: BrokenState[] = [];
    this.#network.links.forEach((link, index) => {
      const next = this.#nextState(link, index);
      if (next && next.by > STATE_SLACK) broken.push({ link, index, ...next });
    });
    return broken.sort((a, b) => b.by - a.by);
  }

  #nextState(link: NetworkLink, l: number): { state: LinkState; by: number } | undefined {
    const [a, b] = this.#ends[l]!;
    const q = this.#flow(l);
    const { law } = link;
    const state = this.#states[l]!;
    const drop = this.#pressure(a) - this.#pressure(b) + this.#rise[l]!;
    if (law.kind === 'bypassRegulator' || law.kind === 'deadHeadRegulator') {
      const wideLoss = linkLoss(law, q * LITRES_PER_HOUR, this.#network.liquid).loss / PASCALS;
      const slope = (law.slope * LITRES_PER_HOUR) / PASCALS;
      const bypass = law.kind === 'bypassRegulator';
      // positive: the held pressure asks the valve to open further
      const asks = bypass
        ? this.#pressure(a) - law.set / PASCALS - slope * q
        : law.set / PASCALS - slope * q - this.#pressure(b);
      switch (state) {
        case 'regulating':
          if (q < 0) return { state: 'shut', by: -q };
          return { state: 'wideOpen', by: wideLoss - drop };
        case 'shut':
          return { state: 'regulating', by: bypass ? asks : Math.min(asks, drop) };
        default:
          if (q < 0) return { state: 'shut', by: -q };
          return { state: 'regulating', by: -asks };
      }
    }
    if (!link.checkValve) return undefined;
    if (state === 'open') return { state: 'shut', by: -q };
    return { state: 'open', by: drop - (law.kind === 'line' ? (law.cracking ?? 0) / PASCALS : 0) };
  }

  switchStates(broken: readonly BrokenState[]): void {
    for (const { index, state } of broken) {
      this.#states[index] = state;
      if (state !== 'shut' && this.#flow(index) <= 0) this.#x[this.#junctions.length + index] = FIRST_FLOW;
    }
  }

  stateKey(): string {
    return this.#states.join();
  }

  solution(iterations: number, residual: number): NetworkSolution {
    const { nodes, links } = this.#network;
    return {
      pressures: Object.fromEntries(nodes.map((n, i) => [n.id, this.#pressure(i) * PASCALS])),
      flows: Object.fromEntries(links.map((l, i) => [l.id, this.#flow(i) * LITRES_PER_HOUR])),
      states: Object.fromEntries(links.map((l, i) => [l.id, this.#states[i]!])),
      iterations,
      residual,
    };
  }
}

const FIRST_FLOW = 50; // L/h, a flow that every fuel line sees

function initialState({ law, startsShut }: NetworkLink): LinkState {
  if (startsShut) return 'shut';
  return law.kind === 'bypassRegulator' || law.kind === 'deadHeadRegulator' ? 'regulating' : 'open';
}
