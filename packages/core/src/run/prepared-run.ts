import type { Graph } from '../parts/graph.ts';
import { NetworkSolver } from '../hydraulics/network-solver.ts';
import type { Liquid, LinkLaw, LinkState, Network, NetworkFault } from '../hydraulics/network.ts';
import { success, type Result } from '../result.ts';
import type { FuelAt } from './fuel-at.ts';
import type { Conditions, Lowered, Moment } from '../parts/lower.ts';
import type { Part } from '../parts/kinds.ts';
import { circuitsOf } from './circuits.ts';
import { lengthOf } from './compile-run.ts';
import type { CompiledRun } from './compiled-run.ts';
import { networkOfRun } from './network-of-run.ts';

/** One solved state of a run, by place of node and link. Pa gauge and m3/s. */
export interface SolvedRun {
  readonly run: CompiledRun;
  readonly moment: Moment;
  readonly pressures: Float64Array;
  readonly flows: Float64Array;
  readonly states: readonly LinkState[];
  readonly iterations: number;
}

const MOST_TURNS = 30;
const BOILS = 1; // Pa: as close as a high place in a suction line is kept to boiling

/** What the engine does: it burns that much, or its rails are held at a pressure to see what can be delivered. */
export type Draw = { readonly demand: number } | { readonly hold: number };

/**
 * A compiled run in a solver: set to a moment and solved as often as wished, into the same arrays. Nothing is built again for
 * another demand, voltage, temperature or level.
 */
export class PreparedRun {
  #run: CompiledRun;
  /** Parts whose measurements are others than those that the run was compiled with. */
  readonly #changed = new Map<string, Part>();
  /** Links with another law than they were compiled with. */
  readonly #set = new Set<number>();
  readonly #lengths = new Map<number, number>();
  /** What changed parts and their neighbours were lowered to. */
  readonly #lowered = new Map<string, Lowered>();
  /** What passed each regulator when it was set; found by `settleRegulators`. Unknown again with other parts. */
  setFlows: ReadonlyMap<string, number> | undefined;
  /** V that the wiring took of each pump when it was last solved: where the next moment begins. */
  readonly taken = new Map<string, number>();
  #burning: NetworkSolver | undefined;
  #held: NetworkSolver | undefined;

  constructor(run: CompiledRun) {
    this.#run = run;
  }

  get run(): CompiledRun {
    return this.#run;
  }

  /** Other measurements of parts of the run from now on: a bore, a length, another pump. @throws RangeError as `lowerAgain` does. */
  setParts(parts: readonly Part[]): void {
    this.setFlows = undefined;
    for (const part of parts) this.#changed.set(part.id, part);
    const { laws, pumps, lowered } = this.#run.lowerAgain(
      this.#changed,
      parts.map((p) => p.id),
    );
    for (const at of laws.keys()) this.#set.add(at);
    for (const [id, low] of lowered) this.#lowered.set(id, low);
    for (const [at, law] of laws) this.#lengths.set(at, lengthOf(law));
    this.#run = {
      ...this.#run,
      heightsAt: this.#run.heightsWith(this.#lengths),
      links: this.#run.links.map((link, i) => (laws.has(i) ? { ...link, law: laws.get(i)! } : link)),
      pumps: this.#run.pumps.map((pump) => (pumps.has(pump.id) ? { ...pump, ...pumps.get(pump.id)! } : pump)),
    };
  }

  /**
   * The run of another job, of which only measurements of parts are others: they are set, and from now on it reads as that job's.
   *
   * @throws RangeError where more than that is another: then it has to be compiled anew.
   */
  become(graph: Graph): void {
    const circuits = circuitsOf(graph);
    const before = this.#run.circuits;
    if (circuits.order.join() !== before.order.join()) throw new RangeError('it is another run: compile it anew');
    this.setParts(
      circuits.parts.filter((part) => part !== before.part(part.id) && part !== this.#changed.get(part.id)),
    );
    const parts = this.#run.parts.map((p) => ({ ...p, lowered: this.#lowered.get(p.id) ?? p.lowered }));
    this.#run = { ...this.#run, circuits, parts };
  }

  /** @param cold - not from the last solution. */
  solve(
    point: Conditions,
    fuel: FuelAt,
    voltages: ReadonlyMap<string, number>,
    draw: Draw,
    cold = false,
  ): Result<SolvedRun, NetworkFault> {
    const { boiling } = fuel;
    /** How far above boiling the inlet of a pump has to be kept, so that no place before it boils. Pa. */
    const kept = new Map<string, number>();
    const limit = (id: string) => (boiling === undefined ? undefined : boiling + (kept.get(id) ?? 0));
    const solve = () => this.#solveOnce(point, fuel, voltages, limit, draw, cold);
    let solved = solve();
    if (boiling === undefined) return solved;
    const before = new Map<string, { readonly kept: number; readonly short: number }>();
    for (let turn = 0; turn < MOST_TURNS && solved.ok; turn++) {
      const { pressures, states } = solved.value;
      let moved = false;
      for (const pump of this.#run.pumps) {
        const short = boiling - Math.min(Infinity, ...pump.suction.map((n) => pressures[n]!));
        const now = kept.get(pump.id) ?? 0;
        const isKept = now > 0 && states[pump.linkIndex] === 'choked';
        if (!(short > BOILS) && !(isKept && short < -BOILS)) continue;
        // only part of what the pump gives way shows at the high place: by how much, the last turn tells
        const last = before.get(pump.id);
        const rate = last && last.short !== short ? (now - last.kept) / (last.short - short) : 1;
        before.set(pump.id, { kept: now, short });
        kept.set(pump.id, Math.max(0, now + short * (rate > 0 && Number.isFinite(rate) ? rate : 1)));
        moved = true;
      }
      if (!moved) break;
      solved = solve();
    }
    return solved;
  }

  #solveOnce(
    point: Conditions,
    liquid: Liquid,
    voltages: ReadonlyMap<string, number>,
    limit: (id: string) => number | undefined,
    draw: Draw,
    cold: boolean,
  ): Result<SolvedRun, NetworkFault> {
    const moment: Moment = {
      point,
      liquid,
      voltageAt: (id) => voltages.get(id) ?? point.voltage,
      boilingAt: limit,
      setFlow: (id) => this.setFlows?.get(id) ?? 0,
    };
    const { run } = this;
    const solver = this.#solverFor(moment, draw);
    const heights = run.heightsAt(moment);
    const laws = run.links.map((l, i): LinkLaw | undefined =>
      typeof l.law === 'function' ? l.law(moment) : this.#set.has(i) ? l.law : undefined,
    );
    solver.change(liquid, heights, laws);
    if ('demand' in draw) for (const { node, share } of run.draws) solver.setDemandAt(node, draw.demand * share);
    else for (const node of run.held) solver.setFixedPressure(node, draw.hold);
    for (const { node } of run.open) solver.setFixedPressure(node, point.tankPressure);
    let solved = solver.solve(cold);
    // the valves of a like moment can lead astray: a relief that was open, a check valve that shut with it
    if (!solved.ok && !cold) solved = solver.solve(true);
    if (!solved.ok) return solved;
    // by plain loops: Float64Array.from with a function takes longer than the solution
    const pressures = new Float64Array(run.nodes.length);
    for (let i = 0; i < pressures.length; i++) pressures[i] = solver.pressure(i);
    const flows = new Float64Array(run.links.length);
    for (let i = 0; i < flows.length; i++) flows[i] = solver.flow(i);
    const states = run.links.map((_, i) => solver.state(i));
    return success({ run, moment, pressures, flows, states, iterations: solved.value.iterations });
  }

  #solverFor(moment: Moment, draw: Draw): NetworkSolver {
    if ('demand' in draw) return (this.#burning ??= new NetworkSolver(this.#network(moment)));
    return (this.#held ??= new NetworkSolver(this.#heldNetwork(moment)));
  }

  #network(moment: Moment): Network {
    return networkOfRun(this.run, moment, moment.liquid, () => undefined);
  }

  #heldNetwork(moment: Moment): Network {
    const network = this.#network(moment);
    const held = new Set(this.run.held);
    return { ...network, nodes: network.nodes.map((n, i) => (held.has(i) ? { ...n, fixedPressure: 0 } : n)) };
  }
}

/** What flows into the places where the engine's pressure is held, m3/s. */
export function inflow({ run, flows }: Pick<SolvedRun, 'run' | 'flows'>): number {
  const held = new Set(run.held);
  return run.links.reduce(
    (sum, link, i) => sum + (held.has(link.to) ? flows[i]! : 0) - (held.has(link.from) ? flows[i]! : 0),
    0,
  );
}

/** What leaves a part by one of its ports, m3/s; what comes in is negative. */
export function flowOut({ run, flows }: Pick<SolvedRun, 'run' | 'flows'>, part: string, port: string): number {
  const sum = (key: string) => run.leaving.get(key)?.reduce((total, [link, sign]) => total + sign * flows[link]!, 0);
  const own = sum(`${part}.${port}`);
  if (own !== undefined) return own;
  // a vessel or a junction without loss has no link there: then by what is joined to it
  const peer = run.circuits.ports(part).find((p) => p.port === port)?.peer;
  const other = peer && sum(`${peer.part}.${peer.port}`);
  return other === undefined ? 0 : -other;
}
