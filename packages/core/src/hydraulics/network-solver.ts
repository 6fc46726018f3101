import { SparseSystem } from '../numerics/sparse-lu.ts';
import { structuralFault } from './structural-fault.ts';
import { failure, success, type Result } from '../result.ts';
import { compileLoss, type CompiledLoss, type LossAt } from './compiled-loss.ts';
import {
  STANDARD_GRAVITY,
  STOPPED_PUMP,
  type LinkLaw,
  type LinkState,
  type Liquid,
  type Network,
  type NetworkFault,
  type NetworkLink,
  type NetworkSolution,
} from './network.ts';

// Inside, pressures are kPa and flows L/h, so that every unknown and every residual is of a size between 1 and 1000.
const PASCALS = 1e3;
const LITRES_PER_HOUR = 1 / 3.6e6;

const TOLERANCE = 1e-6; // kPa in a link, L/h at a node: a thousand times finer than any instrument reads
const STAGNANT = 1e-6; // a result is still accepted at this residual when rounding stops the last steps
const MOST_ITERATIONS = 80;
const MOST_ROUNDS = 40;
const STATE_SLACK = 1e-7; // kPa or L/h by which a valve's condition must be broken before it changes state
const LEAST_REGULATOR_SLOPE = 1e-5; // kPa per L/h, in Newton's matrix only: one that holds exactly gives it no slope
const DRY_SLOPE = (STOPPED_PUMP * LITRES_PER_HOUR) / PASCALS; // kPa per L/h through a pump that draws vapour
const FIRST_FLOW = 50; // L/h, a flow that every fuel line sees

const enum State {
  open,
  regulating,
  wideOpen,
  shut,
  /** A pump holds its inlet where the liquid boils. */
  choked,
  /** Its inlet would lie below that even at no flow: it makes no pressure. */
  dry,
}
const stateNames: readonly LinkState[] = ['open', 'regulating', 'wideOpen', 'shut', 'choked', 'choked'];

interface Broken {
  readonly link: number;
  readonly state: State;
  readonly by: number;
}

/**
 * A steady network made ready once and solved as often as wished, with other demands each time.
 *
 * The global gradient method: flows are eliminated from Newton's equations of links and nodes, which leaves a sparse
 * system in the junction pressures; regulators and check valves are switched between states until every one is
 * consistent.
 *
 * @see Todini & Pilati, "A gradient algorithm for the analysis of pipe networks", 1988.
 */
export class NetworkSolver {
  readonly #network: Network;
  readonly #structure: NetworkFault | undefined;
  readonly #nodeIndex: Map<string, number>;
  readonly #junctions: number[] = [];
  /** Place of each node among the unknowns, −1 where its pressure is fixed. */
  readonly #place: Int32Array;
  readonly #from: Int32Array;
  readonly #to: Int32Array;
  readonly #slotFromTo: Int32Array;
  readonly #slotToFrom: Int32Array;
  /** Static pressure difference from `from` to `to`, kPa, less what a check valve takes to crack. */
  readonly #rise: Float64Array;
  readonly #losses: CompiledLoss[];
  readonly #laws: LinkLaw[];
  readonly #heights: Float64Array;
  #liquid: Liquid;
  readonly #states: State[];
  readonly #pressures: Float64Array;
  readonly #flows: Float64Array;
  readonly #demands: Float64Array;
  readonly #imbalance: Float64Array; // of links, kPa
  readonly #slopes: Float64Array;
  readonly #system: SparseSystem;
  readonly #at: LossAt = { loss: 0, slope: 0 };
  #warm = false;
  /** The links' imbalances are those of the present flows, pressures and states: only demands have changed since. */
  #linksCurrent = false;

  constructor(network: Network) {
    const { nodes, links, liquid, friction } = network;
    this.#network = network;
    this.#nodeIndex = new Map(nodes.map((n, i) => [n.id, i]));
    this.#place = new Int32Array(nodes.length).fill(-1);
    nodes.forEach((n, i) => {
      if (n.fixedPressure === undefined) this.#place[i] = this.#junctions.push(i) - 1;
    });
    this.#from = Int32Array.from(links, (l) => this.#nodeIndex.get(l.from) ?? -1);
    this.#to = Int32Array.from(links, (l) => this.#nodeIndex.get(l.to) ?? -1);
    this.#structure = structuralFault(network);
    this.#states = links.map(initialState);
    this.#pressures = Float64Array.from(nodes, (n) => (n.fixedPressure ?? 0) / PASCALS);
    this.#flows = new Float64Array(links.length);
    this.#demands = Float64Array.from(nodes, (n) => (n.demand ?? 0) / LITRES_PER_HOUR);
    this.#imbalance = new Float64Array(links.length);
    this.#slopes = new Float64Array(links.length);
    this.#liquid = liquid;
    this.#laws = links.map((l) => l.law);
    this.#losses = links.map((l) => compileLoss(l.law, liquid, friction));
    this.#heights = Float64Array.from(nodes, (n) => n.height);
    this.#rise = new Float64Array(links.length);
    this.#weigh();
    const edges: [number, number][] = [];
    links.forEach((_, l) => {
      const [a, b] = [this.#place[this.#from[l]!] ?? -1, this.#place[this.#to[l]!] ?? -1];
      if (a >= 0 && b >= 0 && a !== b) edges.push([a, b]);
    });
    this.#system = new SparseSystem(this.#junctions.length, this.#structure ? [] : edges);
    const slot = (one: Int32Array, other: Int32Array) =>
      Int32Array.from(links, (_, l) => {
        const [a, b] = [this.#place[one[l]!] ?? -1, this.#place[other[l]!] ?? -1];
        return this.#structure || a < 0 || b < 0 || a === b ? -1 : this.#system.slot(a, b);
      });
    this.#slotFromTo = slot(this.#from, this.#to);
    this.#slotToFrom = slot(this.#to, this.#from);
  }

  /** Static pressure along every link, for the heights and the liquid as they are. */
  #weigh(): void {
    const weight = (this.#liquid.density * STANDARD_GRAVITY) / PASCALS;
    for (let l = 0; l < this.#rise.length; l++) {
      const law = this.#laws[l]!;
      const cracking = law.kind === 'line' ? (law.cracking ?? 0) / PASCALS : 0;
      this.#rise[l] = weight * ((this.#heights[this.#from[l]!] ?? 0) - (this.#heights[this.#to[l]!] ?? 0)) - cracking;
    }
  }

  /**
   * Another liquid, other heights and other laws from now on, by place in the network; the places themselves stay. Links that
   * had no other law than before are given as undefined.
   */
  change(liquid: Liquid, heights: ArrayLike<number>, laws: readonly (LinkLaw | undefined)[]): void {
    const same = liquid.density === this.#liquid.density && liquid.viscosity === this.#liquid.viscosity;
    this.#liquid = liquid;
    for (let l = 0; l < laws.length; l++) {
      const law = laws[l];
      if (law) this.#laws[l] = law;
      if (law ?? !same) this.#losses[l] = compileLoss(this.#laws[l]!, liquid, this.#network.friction);
    }
    for (let n = 0; n < this.#heights.length; n++) this.#heights[n] = heights[n]!;
    this.#weigh();
    this.#linksCurrent = false;
  }

  /** Pressure that is held at a node whose pressure is fixed, Pa. */
  setFixedPressure(node: number, pressure: number): void {
    if (this.#place[node] !== -1) throw new RangeError(`node ${node} has no fixed pressure`);
    this.#pressures[node] = pressure / PASCALS;
    this.#linksCurrent = false;
  }
  /** What is drawn at a node from now on, by its place, m3/s. */
  setDemandAt(node: number, demand: number): void {
    this.#demands[node] = demand / LITRES_PER_HOUR;
  }

  /** What is drawn at a node from now on, m3/s. */
  setDemand(node: string, demand: number): void {
    const index = this.#nodeIndex.get(node);
    if (index === undefined) throw new RangeError(`no node ${node}`);
    this.#demands[index] = demand / LITRES_PER_HOUR;
  }

  /** Takes a solution of a like network as the place to start from. */
  startFrom(solution: NetworkSolution): void {
    this.#reset();
    this.#network.nodes.forEach((n, i) => {
      const known = solution.pressures[n.id];
      if (known !== undefined && this.#place[i]! >= 0) this.#pressures[i] = known / PASCALS;
    });
    this.#network.links.forEach((l, i) => {
      const [flow, state] = [solution.flows[l.id], solution.states[l.id]];
      if (flow !== undefined) this.#flows[i] = flow / LITRES_PER_HOUR;
      if (state !== undefined) this.#states[i] = stateNames.indexOf(state);
    });
    this.#warm = true;
  }

  /**
   * Solves from where the last solution left off, or from the beginning.
   *
   * @returns steps taken and the residual that is left (kPa, L/h), or why there is no solution; never an unconverged number.
   */
  solve(cold = false): Result<{ iterations: number; residual: number }, NetworkFault> {
    if (this.#structure) return failure(this.#structure);
    if (cold || !this.#warm) this.#reset();
    let seen: Set<string> | undefined;
    let iterations = 0;
    let switched: readonly Broken[] = [];
    let former: State[] = [];
    for (let round = 0; round < MOST_ROUNDS; round++) {
      const newton = this.#iterate();
      iterations += newton.iterations;
      if (newton.outcome === 'singular') {
        if (switched.length < 2) return this.#fail({ code: 'noSingleAnswer' });
        // valves at both ends of a stretch were shut at once: the regulators first, the rest may then stay open
        switched.forEach(({ link }, i) => (this.#states[link] = former[i]!));
        const regulators = switched.filter(({ link }) => this.#laws[link]!.kind.endsWith('Regulator'));
        switched = regulators.length > 0 && regulators.length < switched.length ? regulators : switched.slice(0, 1);
        former = switched.map(({ link }) => this.#states[link]!);
        for (const { link, state } of switched) this.#states[link] = state;
        this.#linksCurrent = false;
        continue;
      }
      const broken = this.#brokenStates();
      if (broken.length === 0) {
        if (newton.outcome === 'stalled')
          return this.#fail({ code: 'notConverged', residual: newton.residual, iterations });
        this.#warm = true;
        return success({ iterations, residual: newton.residual });
      }
      // switching all at once is fast; once a combination repeats, only the worst is switched, which cannot chatter
      seen ??= new Set();
      const key = this.#states.join('');
      const chattering = seen.has(key);
      seen.add(key);
      switched = chattering ? broken.slice(0, 1) : broken;
      former = switched.map(({ link }) => this.#states[link]!);
      for (const { link, state } of switched) {
        this.#states[link] = state;
        if (state !== State.shut && this.#flows[link]! <= 0) this.#flows[link] = FIRST_FLOW;
        this.#linksCurrent = false;
      }
    }
    return this.#fail({
      code: 'valvesDidNotSettle',
      links: this.#brokenStates().map((b) => this.#network.links[b.link]!.id),
    });
  }

  #fail(fault: NetworkFault): Result<never, NetworkFault> {
    this.#warm = false; // what is left over is no place to start from
    return failure(fault);
  }

  /** Gauge pressure of a node, Pa, by its place in the network. */
  pressure(node: number): number {
    return this.#pressures[node]! * PASCALS;
  }
  /** Flow of a link, m3/s, by its place in the network. */
  flow(link: number): number {
    return this.#flows[link]! * LITRES_PER_HOUR;
  }
  state(link: number): LinkState {
    return stateNames[this.#states[link]!]!;
  }

  #reset(): void {
    this.#linksCurrent = false;
    this.#network.links.forEach((l, i) => {
      this.#states[i] = initialState(l);
      this.#flows[i] = FIRST_FLOW;
    });
    for (const node of this.#junctions) this.#pressures[node] = 0;
  }

  /** Newton's steps for the states as they stand. */
  #iterate(): { outcome: 'converged' | 'stalled' | 'singular'; iterations: number; residual: number } {
    const pressures = this.#pressures;
    const flows = this.#flows;
    let norm = this.#evaluate();
    let pressureStep: Float64Array | undefined;
    let flowStep: Float64Array | undefined;
    for (let k = 1; k <= MOST_ITERATIONS; k++) {
      if (norm < TOLERANCE) return { outcome: 'converged', iterations: k - 1, residual: norm };
      this.#assemble();
      if (!this.#system.solve()) return { outcome: 'singular', iterations: k, residual: norm };
      pressureStep ??= new Float64Array(pressures.length);
      flowStep ??= new Float64Array(flows.length);
      this.#steps(pressureStep, flowStep);
      let length = 1;
      let taken = 0;
      let reached = norm;
      // full steps first; shorter ones only where a kink of a curve throws Newton's method back and forth
      for (let cut = 0; cut < 12; cut++, length /= 2) {
        for (let i = 0; i < pressures.length; i++) pressures[i]! += (length - taken) * pressureStep[i]!;
        for (let i = 0; i < flows.length; i++) flows[i]! += (length - taken) * flowStep[i]!;
        taken = length;
        this.#linksCurrent = false;
        reached = this.#evaluate();
        if (reached < norm || (k < 6 && cut === 0 && Number.isFinite(reached))) break;
      }
      if (!Number.isFinite(reached)) return { outcome: 'stalled', iterations: k, residual: reached };
      if (reached >= norm && norm < STAGNANT) return { outcome: 'converged', iterations: k, residual: reached };
      norm = reached;
    }
    return { outcome: norm < STAGNANT ? 'converged' : 'stalled', iterations: MOST_ITERATIONS, residual: norm };
  }

  /** Imbalance of every link and node; returns the largest. The nodes' are left on the system's right side. */
  #evaluate(): number {
    if (!this.#linksCurrent) this.#evaluateLinks();
    const system = this.#system;
    system.clear();
    const nodes = system.rightSide;
    for (let i = 0; i < nodes.length; i++) nodes[i] = -this.#demands[this.#junctions[i]!]!;
    let largest = 0;
    for (let l = 0; l < this.#flows.length; l++) {
      const [a, b] = [this.#place[this.#from[l]!]!, this.#place[this.#to[l]!]!];
      const flow = this.#flows[l]!;
      if (a >= 0) nodes[a]! -= flow;
      if (b >= 0) nodes[b]! += flow;
      const size = Math.abs(this.#imbalance[l]!);
      if (!(size <= largest)) largest = size; // a NaN shows as NaN
    }
    for (let i = 0; i < nodes.length; i++) {
      const size = Math.abs(nodes[i]!);
      if (!(size <= largest)) largest = size;
    }
    return largest;
  }

  /** Imbalance and slope of every link at the present flows and pressures. */
  #evaluateLinks(): void {
    const { links } = this.#network;
    for (let l = 0; l < links.length; l++) {
      const flow = this.#flows[l]!;
      const state = this.#states[l]!;
      if (state === State.shut) this.#imbalance[l] = -flow;
      else if (state === State.dry) {
        this.#slopes[l] = DRY_SLOPE;
        this.#imbalance[l] = this.#drop(l) - DRY_SLOPE * flow;
      } else if (state === State.choked) {
        this.#slopes[l] = LEAST_REGULATOR_SLOPE;
        this.#imbalance[l] = this.#pressures[this.#from[l]!]! - this.#inletMinimum(l);
      } else if (state === State.regulating) {
        const law = this.#laws[l] as { kind: string; set: number; slope: number };
        const slope = (law.slope * LITRES_PER_HOUR) / PASCALS;
        this.#slopes[l] = Math.max(slope, LEAST_REGULATOR_SLOPE);
        const set = law.set / PASCALS;
        this.#imbalance[l] =
          law.kind === 'bypassRegulator'
            ? this.#pressures[this.#from[l]!]! - set - slope * flow
            : set - slope * flow - this.#pressures[this.#to[l]!]!;
      } else {
        this.#losses[l]!(flow, this.#at);
        this.#slopes[l] = this.#at.slope;
        this.#imbalance[l] = this.#drop(l) - this.#at.loss;
      }
    }
    this.#linksCurrent = true;
  }

  /** The system in the junction pressures; `#evaluate` has left the nodes' imbalance on its right side. */
  #assemble(): void {
    const { diagonal, values, rightSide } = this.#system;
    const { links } = this.#network;
    for (let l = 0; l < links.length; l++) {
      const [a, b] = [this.#place[this.#from[l]!]!, this.#place[this.#to[l]!]!];
      const state = this.#states[l]!;
      if (state === State.shut) {
        if (a >= 0) rightSide[a]! -= this.#imbalance[l]!;
        if (b >= 0) rightSide[b]! += this.#imbalance[l]!;
        continue;
      }
      const g = 1 / this.#slopes[l]!;
      const pushed = g * this.#imbalance[l]!;
      const bypass = this.#holdsInlet(l);
      const deadHead = state === State.regulating && !bypass;
      // a link's flow follows both its ends; one that regulates or is choked only the end that it holds
      if (a >= 0) {
        rightSide[a]! -= pushed;
        if (!deadHead) diagonal[a]! += g;
        if (b >= 0 && a !== b && !bypass) values[this.#slotFromTo[l]!]! -= g;
      }
      if (b >= 0) {
        rightSide[b]! += pushed;
        if (!bypass) diagonal[b]! += g;
        if (a >= 0 && a !== b && !deadHead) values[this.#slotToFrom[l]!]! -= g;
      }
    }
  }

  /** Its flow follows the pressure before it alone. */
  #holdsInlet(l: number): boolean {
    const state = this.#states[l];
    return state === State.choked || (state === State.regulating && this.#laws[l]!.kind === 'bypassRegulator');
  }

  #inletMinimum(l: number): number {
    return ((this.#laws[l] as { inletMinimum?: number }).inletMinimum ?? -Infinity) / PASCALS;
  }

  /** Newton's step of pressures and of the flows that follow them. */
  #steps(pressureStep: Float64Array, flowStep: Float64Array): void {
    const solved = this.#system.rightSide;
    for (let i = 0; i < solved.length; i++) pressureStep[this.#junctions[i]!] = solved[i]!;
    const { links } = this.#network;
    for (let l = 0; l < links.length; l++) {
      const state = this.#states[l]!;
      const imbalance = this.#imbalance[l]!;
      if (state === State.shut) {
        flowStep[l] = imbalance;
        continue;
      }
      const [dpFrom, dpTo] = [pressureStep[this.#from[l]!]!, pressureStep[this.#to[l]!]!];
      const dp = this.#holdsInlet(l) ? dpFrom : state === State.regulating ? -dpTo : dpFrom - dpTo;
      flowStep[l] = (imbalance + dp) / this.#slopes[l]!;
    }
  }

  /** Valves whose state contradicts the solution, worst first, with the state they ought to have. */
  #brokenStates(): Broken[] {
    const broken: Broken[] = [];
    const { links } = this.#network;
    for (let l = 0; l < links.length; l++) {
      const link = links[l]!;
      const { kind } = this.#laws[l]!;
      const regulator = kind === 'bypassRegulator' || kind === 'deadHeadRegulator';
      const limited = kind === 'pump' && this.#inletMinimum(l) > -Infinity;
      if (!regulator && !link.checkValve && !limited) continue;
      const next = regulator
        ? this.#nextRegulatorState(l)
        : limited
          ? this.#nextPumpState(l, link.checkValve === true)
          : this.#nextCheckState(l);
      if (next.by > STATE_SLACK) broken.push({ link: l, ...next });
    }
    return broken.sort((a, b) => b.by - a.by);
  }

  #nextPumpState(l: number, hasCheckValve: boolean): { state: State; by: number } {
    const short = this.#inletMinimum(l) - this.#pressures[this.#from[l]!]!;
    switch (this.#states[l]) {
      case State.choked:
        if (this.#flows[l]! < 0) return { state: State.dry, by: -this.#flows[l]! };
        // the curve no longer makes what stands behind the pump: then that limits it, not its inlet
        this.#losses[l]!(this.#flows[l]!, this.#at);
        return { state: State.open, by: this.#at.loss - this.#drop(l) };
      case State.dry:
        return { state: State.choked, by: -short };
      case State.shut: {
        const opens = this.#nextCheckState(l);
        return { state: State.open, by: Math.min(opens.by, -short) };
      }
      default: {
        const shuts = hasCheckValve ? this.#nextCheckState(l) : undefined;
        return shuts && shuts.by > Math.max(short, 0) ? shuts : { state: State.choked, by: short };
      }
    }
  }

  #nextCheckState(l: number): { state: State; by: number } {
    if (this.#states[l] === State.open) return { state: State.shut, by: -this.#flows[l]! };
    this.#losses[l]!(0, this.#at); // what a pump makes at no flow helps to open it
    return { state: State.open, by: this.#drop(l) - this.#at.loss };
  }

  #drop(l: number): number {
    return this.#pressures[this.#from[l]!]! - this.#pressures[this.#to[l]!]! + this.#rise[l]!;
  }

  #nextRegulatorState(l: number): { state: State; by: number } {
    const { kind, set, slope } = this.#laws[l] as { kind: string; set: number; slope: number };
    const flow = this.#flows[l]!;
    const follow = ((slope * LITRES_PER_HOUR) / PASCALS) * flow;
    const bypass = kind === 'bypassRegulator';
    // positive: the held pressure asks the valve to open further
    const asks = bypass
      ? this.#pressures[this.#from[l]!]! - set / PASCALS - follow
      : set / PASCALS - follow - this.#pressures[this.#to[l]!]!;
    switch (this.#states[l]) {
      case State.regulating:
        if (flow < 0) return { state: State.shut, by: -flow };
        this.#losses[l]!(flow, this.#at);
        return { state: State.wideOpen, by: this.#at.loss - this.#drop(l) };
      case State.shut:
        return { state: State.regulating, by: bypass ? asks : Math.min(asks, this.#drop(l)) };
      default:
        if (flow < 0) return { state: State.shut, by: -flow };
        return { state: State.regulating, by: -asks };
    }
  }
}

function initialState({ law, startsShut }: NetworkLink): State {
  if (startsShut) return State.shut;
  return law.kind === 'bypassRegulator' || law.kind === 'deadHeadRegulator' ? State.regulating : State.open;
}
