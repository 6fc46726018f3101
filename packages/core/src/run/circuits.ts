import { partsOnRun, portsOf, type Graph, type PortAsItIs } from '../parts/graph.ts';
import { onceFor } from '../memory/once-for.ts';
import { isBypass, isConsumer, isPump, isRegulator, kindOf, type Part } from '../parts/kinds.ts';
import { portKey } from '../parts/port.ts';
import type { Flow } from './flow-directions.ts';
import { topologyOf, type Topology } from './topology.ts';
import type { Line, Ports, Zone } from './zones.ts';

/** Every kind of circuit of a run, derived once: which way fuel goes, what lies behind what, in which order it is read. */
export class Circuits {
  /** As parts, in the order of the fuel. */
  readonly parts: readonly Part[];
  readonly #parts: ReadonlyMap<string, Part>;
  readonly #ports: Ports;
  readonly #topology: Topology;
  #reached: ReadonlySet<string> | undefined;

  constructor(graph: Graph) {
    const parts = partsOnRun(graph);
    this.#parts = new Map(parts.map((p) => [p.id, p]));
    this.#ports = new Map(parts.map((p) => [p.id, portsOf(graph, p)]));
    this.#topology = topologyOf(graph, parts, this.#ports);
    this.parts = this.order.map((id) => this.#parts.get(id)!);
  }

  /** Every part on the run in the order of the fuel: the supply branch by branch, then each return, then overflows. */
  get order(): readonly string[] {
    return this.#topology.order;
  }
  get flows(): readonly Flow[] {
    return this.#topology.flows;
  }
  part(id: string): Part {
    return this.#parts.get(id)!;
  }
  has(id: string): boolean {
    return this.#parts.has(id);
  }
  ports(id: string): readonly PortAsItIs[] {
    return this.#ports.get(id) ?? [];
  }
  /** Joints by which fuel leaves a part, and by which it comes in. */
  outOf(id: string): readonly Flow[] {
    return this.#topology.out.get(id) ?? [];
  }
  into(id: string): readonly Flow[] {
    return this.#topology.into.get(id) ?? [];
  }
  flow(joint: string): Flow | undefined {
    return this.#topology.flowOfJoint.get(joint);
  }
  /** Fuel comes into the part by that port in service. */
  flowsIn(part: string, port: string): boolean {
    return this.into(part).some((f) => f.toPort === port);
  }
  /** Which line a part is read on: for a regulator the supply that it hangs on. */
  lineOf(id: string): Line {
    return this.#topology.lines.get(id) ?? 'supply';
  }
  zoneAt(part: string, port: string): Zone | undefined {
    return this.#topology.zones.get(portKey(part, port));
  }
  /** The zone that a part lies in; of a pump the one that it presses into, of a vessel none. */
  zoneOf(id: string): Zone | undefined {
    const part = this.#parts.get(id);
    if (!part || kindOf(part).isVessel) return undefined;
    const ports = this.ports(id).filter((p) => p.spec.use !== 'dry' && p.spec.use !== 'spill');
    const port = isPump(part)
      ? ports.find((p) => p.port === 'out')
      : (ports.find((p) => p.state === 'mated') ?? ports[0]);
    return port && this.zoneAt(id, port.port);
  }
  /** It is joined, by whatever way, to the tank. */
  isReached(id: string): boolean {
    if (!this.#reached) {
      const reached = new Set<string>();
      const wait = [...this.#parts.values()].flatMap((p) => (p.kind === 'tank' ? [p.id] : []));
      while (wait.length > 0) {
        const at = wait.pop()!;
        if (reached.has(at)) continue;
        reached.add(at);
        wait.push(...this.outOf(at).map((f) => f.to), ...this.into(at).map((f) => f.from));
      }
      this.#reached = reached;
    }
    return this.#reached.has(id);
  }
  /** A part by which nothing passes: an instrument, a damper, a service valve. */
  isTap(id: string): boolean {
    const ports = this.ports(id);
    return ports.length > 0 && ports.every((p) => p.spec.use === 'tap');
  }

  isPot(id: string): boolean {
    return kindOf(this.part(id)).isPot === true;
  }
  /** The pump whose controller holds the pressure. */
  get controlled(): Part | undefined {
    return this.parts.find((p) => kindOf(p).isControlled?.(p));
  }
  get hasElectricPump(): boolean {
    return this.parts.some((p) => kindOf(p).isElectric);
  }

  isOnSuction(id: string): boolean {
    return this.zoneOf(id)?.kind === 'suction';
  }
  isOnPressure(id: string): boolean {
    return this.zoneOf(id)?.kind === 'pressure' && !isPump(this.part(id));
  }
  /** Between a pump and the first regulator: a blocked line there sees what the pump makes at no flow. */
  isPumpSide(id: string): boolean {
    return (
      this.isOnPressure(id) && !this.isRegulator(id) && !this.upstream(id).some((other) => this.isRegulator(other))
    );
  }
  /** The same, and what lies behind a bypass regulator: one that sticks shut holds nothing back. A dead-head one does. */
  seesDeadHead(id: string): boolean {
    const blocks = (other: string) => {
      const part = this.part(other);
      return isRegulator(part) && !isBypass(part);
    };
    return this.isOnPressure(id) && !this.isRegulator(id) && !this.upstream(id).some(blocks);
  }
  isRegulator(id: string): boolean {
    return isRegulator(this.part(id));
  }

  /** Everything that fuel passes on from a part within its zones: not through vessels, pumps and spills. */
  downstream(id: string): string[] {
    return this.#reach(
      id,
      (at) => this.outOf(at),
      (f) => f.to,
    );
  }
  /** Everything that it passed before, back to the pump or the vessel that it comes from. */
  upstream(id: string): string[] {
    return this.#reach(
      id,
      (at) => this.into(at),
      (f) => f.from,
    );
  }
  #reach(start: string, step: (at: string) => readonly Flow[], end: (f: Flow) => string): string[] {
    const seen = new Set<string>();
    const wait = [start];
    while (wait.length > 0) {
      const at = wait.pop()!;
      if (at !== start && this.#ends(at)) continue;
      for (const flow of step(at)) {
        const next = end(flow);
        if (seen.has(next) || next === start) continue;
        if (!this.#ends(start) && flow.zone !== this.zoneOf(start)) continue;
        seen.add(next);
        wait.push(next);
      }
    }
    return [...seen];
  }
  #ends(id: string): boolean {
    const part = this.part(id);
    return kindOf(part).isVessel === true || isPump(part);
  }

  get tank(): Part | undefined {
    return this.parts.find((p) => p.kind === 'tank');
  }
  get pumps(): string[] {
    return this.order.filter((id) => isPump(this.part(id)));
  }
  get consumers(): string[] {
    return this.order.filter((id) => isConsumer(this.part(id)));
  }
  get bypasses(): string[] {
    return this.order.filter((id) => isBypass(this.part(id)));
  }
  get pots(): string[] {
    return this.order.filter((id) => this.isPot(id));
  }

  /** Pumps that press into the zone of a consumer: those that feed the engine. */
  get feedPumps(): string[] {
    const zones = new Set(this.consumers.map((id) => this.zoneOf(id)));
    return this.pumps.filter((id) => zones.has(this.zoneOf(id)));
  }
  /** Pumps that lift into a swirl pot. */
  get liftPumps(): string[] {
    return this.pumps.filter((id) => this.zoneOf(id)?.into.some((v) => this.isPot(v)));
  }
  /** Another pump presses into the same zone. */
  isBeside(id: string): boolean {
    return (this.zoneOf(id)?.fedBy.length ?? 0) > 1;
  }
  /** The vessel that a pump's fuel comes from, or the pumps that press into its inlet. */
  zoneBefore(pump: string): Zone | undefined {
    return this.zoneAt(pump, 'in');
  }
  /** Whether a pump draws, straight or through other pumps, from a swirl pot. */
  drawsFromPot(pump: string): boolean {
    const seen = new Set<string>();
    const from = (id: string): boolean => {
      if (seen.has(id)) return false;
      seen.add(id);
      const zone = this.zoneBefore(id);
      return zone !== undefined && (zone.from.some((v) => this.isPot(v)) || zone.fedBy.some((other) => from(other)));
    };
    return from(pump);
  }
  /** The pot whose overflow runs into the tank at that port, or whose return comes in there. */
  potBehind(port: string): string | undefined {
    const tank = this.tank;
    const zone = tank && this.zoneAt(tank.id, port);
    return zone?.kind === 'overflow' ? zone.from[0] : undefined;
  }
}

const among = onceFor((joints: Graph['joints']) => onceFor((parts: Graph['parts']) => new Circuits({ parts, joints })));

/** The circuits of a run; the same run is derived once. */
export const circuitsOf = ({ parts, joints }: Graph): Circuits => among(joints)(parts);
