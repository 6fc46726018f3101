import { remembered } from '../memory/remembered.ts';
import type { Graph } from '../parts/graph.ts';
import { isBypass, isConsumer, isPump, kindOf, type Part } from '../parts/kinds.ts';
import { orient, type Flow } from './flow-directions.ts';
import { lineOfZone, zonesOf, type Line, type Ports, type Zone } from './zones.ts';

/** What follows from who is joined to whom, whatever the parts measure. */
export interface Topology {
  /** By the port's key. */
  readonly zones: ReadonlyMap<string, Zone>;
  readonly flows: readonly Flow[];
  /** By joint, and by the parts that they leave and come into. */
  readonly flowOfJoint: ReadonlyMap<string, Flow>;
  readonly out: ReadonlyMap<string, readonly Flow[]>;
  readonly into: ReadonlyMap<string, readonly Flow[]>;
  /** Every part on the run in the order of the fuel: the supply branch by branch, then each return, then overflows. */
  readonly order: readonly string[];
  /** The line that each is read on. */
  readonly lines: ReadonlyMap<string, Line>;
}

const MOST = 64; // runs that are joined otherwise: the cures that are tried, and layouts

/** The same for runs that are joined alike: a measurement changes nothing of it. */
export const topologyOf = (graph: Graph, parts: readonly Part[], ports: Ports): Topology =>
  remembered('topology', keyOf(graph, parts, ports), () => new Reading(graph, parts, ports), MOST);

/** All that decides it, as text. */
function keyOf({ joints }: Graph, parts: readonly Part[], ports: Ports): string {
  let key = '';
  for (const part of parts) {
    const is = `${kindOf(part).isVessel ? 'v' : ''}${isPump(part) ? 'p' : ''}${isConsumer(part) ? 'c' : ''}${isBypass(part) ? 'b' : ''}`;
    key += `${part.id}:${is}`;
    for (const p of ports.get(part.id)!) key += `,${p.port} ${p.spec.use} ${p.state}`;
    key += '\n';
  }
  for (const { id, a, b } of Object.values(joints)) key += `${id}=${a.part}.${a.port} ${b.part}.${b.port}\n`;
  return key;
}

/** Reads a run in the order of its fuel. */
class Reading implements Topology {
  readonly zones: ReadonlyMap<string, Zone>;
  readonly flows: readonly Flow[];
  readonly flowOfJoint: ReadonlyMap<string, Flow>;
  readonly out = new Map<string, Flow[]>();
  readonly into = new Map<string, Flow[]>();
  readonly order: string[] = [];
  readonly lines = new Map<string, Line>();
  readonly #ports: Ports;

  constructor(graph: Graph, parts: readonly Part[], ports: Ports) {
    this.#ports = ports;
    this.zones = zonesOf(graph, parts, ports);
    this.flows = orient(graph, parts, ports, this.zones);
    this.flowOfJoint = new Map(this.flows.map((f) => [f.joint, f]));
    const { out, into } = this;
    for (const flow of this.flows) {
      (out.get(flow.from) ?? out.set(flow.from, []).get(flow.from)!).push(flow);
      (into.get(flow.to) ?? into.set(flow.to, []).get(flow.to)!).push(flow);
    }
    for (const list of out.values()) list.sort((a, b) => this.#rank(a) - this.#rank(b));
    this.#read(parts);
  }

  /** Instruments straight after the part they sit on, then the ports in their own order. */
  #rank(flow: Flow): number {
    const at = this.#ports.get(flow.from)!.findIndex((p) => p.port === flow.fromPort);
    const onto = this.#ports.get(flow.to)!;
    return at - (onto.length > 0 && onto.every((p) => p.spec.use === 'tap') ? 100 : 0);
  }

  #outOf = (id: string): readonly Flow[] => this.out.get(id) ?? [];
  #intoOf = (id: string): readonly Flow[] => this.into.get(id) ?? [];

  #follow(id: string, line: Line): void {
    if (this.lines.has(id)) return;
    this.order.push(id);
    this.lines.set(id, line);
    for (const flow of this.#outOf(id)) {
      if (lineOfZone(flow.zone) !== line) continue;
      const waits = this.#intoOf(flow.to).some((f) => lineOfZone(f.zone) === line && !this.lines.has(f.from));
      if (!waits) this.#follow(flow.to, line);
    }
  }

  #read(parts: readonly Part[]): void {
    const has = (flows: readonly Flow[], line: Line) => flows.some((f) => lineOfZone(f.zone) === line);
    const isRoot = (p: Part) => !has(this.#intoOf(p.id), 'supply');
    const joined = (p: Part) => this.#ports.get(p.id)!.some((port) => port.state === 'mated');
    const begins = (p: Part) => (kindOf(p).isVessel ? 0 : has(this.#outOf(p.id), 'supply') ? 1 : 2);
    const byStart = [...parts].sort((a, b) => begins(a) - begins(b));
    const isSupply = (p: Part) =>
      kindOf(p).isVessel || has(this.#outOf(p.id), 'supply') || has(this.#intoOf(p.id), 'supply');
    for (const part of byStart) if (joined(part) && isRoot(part) && isSupply(part)) this.#follow(part.id, 'supply');
    // what is left of the supply runs in a ring: it is read from its first part on
    for (const part of parts) if (joined(part) && isSupply(part)) this.#follow(part.id, 'supply');
    for (const line of ['return', 'overflow'] as const)
      for (const id of [...this.order])
        for (const flow of this.#outOf(id)) if (lineOfZone(flow.zone) === line) this.#follow(flow.to, line);
    for (const line of ['return', 'overflow'] as const)
      for (const part of parts)
        if (has(this.#outOf(part.id), line) || has(this.#intoOf(part.id), line)) this.#follow(part.id, line);
    for (const part of parts) this.#follow(part.id, 'supply');
  }
}
