import { partsOnRun, portsOf, type Graph, type PortAsItIs } from '../job/graph.ts';
import { SparseSystem } from '../numerics/sparse-lu.ts';
import { onceFor } from '../reckoning/once-for.ts';
import { isBypass, isConsumer, isPump, isRegulator, kindOf, type Part } from '../parts/kinds.ts';
import { portKey } from '../parts/port.ts';

/**
 * A stretch of the run that is one body of fuel: what is joined without a pump, a vessel or a regulator's spill between.
 * `suction` draws from a vessel, `pressure` is fed by a pump, `return` by a spill, `overflow` by a pot, `loose` by nothing.
 */
export type ZoneKind = 'suction' | 'pressure' | 'return' | 'overflow' | 'loose';
export interface Zone {
  readonly kind: ZoneKind;
  /** Pumps that press into it, and that draw from it. */
  readonly fedBy: readonly string[];
  readonly drawnBy: readonly string[];
  /** Vessels that it comes from, and that it runs into. */
  readonly from: readonly string[];
  readonly into: readonly string[];
  /** Regulators that spill into it. */
  readonly spilledBy: readonly string[];
}

export type Line = 'supply' | 'return' | 'overflow';

/** The line that a zone belongs to. */
export const lineOfZone = ({ kind }: Zone): Line => (kind === 'return' || kind === 'overflow' ? kind : 'supply');

/** A joint with the way that fuel takes in service. */
export interface Flow {
  readonly joint: string;
  readonly from: string;
  readonly fromPort: string;
  readonly to: string;
  readonly toPort: string;
  readonly zone: Zone;
}

/** Every kind of circuit of a run, derived once: which way fuel goes, what lies behind what, in which order it is read. */
export class Circuits {
  /** Every part on the run in the order of the fuel: the supply branch by branch, then each return, then overflows. */
  readonly order: readonly string[];
  /** The same as parts. */
  readonly parts: readonly Part[];
  readonly flows: readonly Flow[];
  readonly #parts: ReadonlyMap<string, Part>;
  readonly #zoneOfPort: ReadonlyMap<string, Zone>;
  readonly #out: ReadonlyMap<string, readonly Flow[]>;
  readonly #into: ReadonlyMap<string, readonly Flow[]>;
  readonly #flowOfJoint: ReadonlyMap<string, Flow>;
  readonly #lines = new Map<string, Line>();
  readonly #ports: ReadonlyMap<string, readonly PortAsItIs[]>;
  #reached: ReadonlySet<string> | undefined;

  constructor(graph: Graph) {
    const parts = partsOnRun(graph);
    this.#parts = new Map(parts.map((p) => [p.id, p]));
    this.#ports = new Map(parts.map((p) => [p.id, portsOf(graph, p)]));
    this.#zoneOfPort = zonesOf(graph, parts, this.#ports);
    this.flows = orient(graph, parts, this.#ports, this.#zoneOfPort);
    this.#flowOfJoint = new Map(this.flows.map((f) => [f.joint, f]));
    const out = new Map<string, Flow[]>();
    const into = new Map<string, Flow[]>();
    for (const flow of this.flows) {
      (out.get(flow.from) ?? out.set(flow.from, []).get(flow.from)!).push(flow);
      (into.get(flow.to) ?? into.set(flow.to, []).get(flow.to)!).push(flow);
    }
    for (const list of out.values()) list.sort((a, b) => this.#rank(a) - this.#rank(b));
    this.#out = out;
    this.#into = into;
    this.order = this.#read(parts);
    this.parts = this.order.map((id) => this.#parts.get(id)!);
  }

  /** Instruments straight after the part they sit on, then the ports in their own order. */
  #rank(flow: Flow): number {
    const at = this.#ports.get(flow.from)!.findIndex((p) => p.port === flow.fromPort);
    return at - (this.isTap(flow.to) ? 100 : 0);
  }

  #read(parts: readonly Part[]): string[] {
    const order: string[] = [];
    const done = new Set<string>();
    const follow = (id: string, line: Line) => {
      if (done.has(id)) return;
      done.add(id);
      order.push(id);
      this.#lines.set(id, line);
      for (const flow of this.outOf(id)) {
        if (lineOfZone(flow.zone) !== line) continue;
        const waits = this.into(flow.to).some((f) => lineOfZone(f.zone) === line && !done.has(f.from));
        if (!waits) follow(flow.to, line);
      }
    };
    const isRoot = (p: Part) => !this.into(p.id).some((f) => lineOfZone(f.zone) === 'supply');
    const joined = (p: Part) => this.#ports.get(p.id)!.some((port) => port.state === 'mated');
    const begins = (p: Part) =>
      kindOf(p).isVessel ? 0 : this.outOf(p.id).some((f) => lineOfZone(f.zone) === 'supply') ? 1 : 2;
    const byStart = [...parts].sort((a, b) => begins(a) - begins(b));
    const isSupply = (p: Part) =>
      kindOf(p).isVessel || [...this.outOf(p.id), ...this.into(p.id)].some((f) => lineOfZone(f.zone) === 'supply');
    for (const part of byStart) if (joined(part) && isRoot(part) && isSupply(part)) follow(part.id, 'supply');
    // what is left of the supply runs in a ring: it is read from its first part on
    for (const part of parts) if (joined(part) && isSupply(part)) follow(part.id, 'supply');
    for (const line of ['return', 'overflow'] as const)
      for (const id of [...order])
        for (const flow of this.outOf(id)) if (lineOfZone(flow.zone) === line) follow(flow.to, line);
    for (const line of ['return', 'overflow'] as const)
      for (const part of parts)
        if ([...this.outOf(part.id), ...this.into(part.id)].some((f) => lineOfZone(f.zone) === line))
          follow(part.id, line);
    for (const part of parts) follow(part.id, 'supply');
    return order;
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
    return this.#out.get(id) ?? [];
  }
  into(id: string): readonly Flow[] {
    return this.#into.get(id) ?? [];
  }
  flow(joint: string): Flow | undefined {
    return this.#flowOfJoint.get(joint);
  }
  /** Fuel comes into the part by that port in service. */
  flowsIn(part: string, port: string): boolean {
    return this.into(part).some((f) => f.toPort === port);
  }
  /** Which line a part is read on: for a regulator the supply that it hangs on. */
  lineOf(id: string): Line {
    return this.#lines.get(id) ?? 'supply';
  }
  zoneAt(part: string, port: string): Zone | undefined {
    return this.#zoneOfPort.get(portKey(part, port));
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
    return this.order.filter((id) => this.part(id).kind === 'swirlPot');
  }

  /** Pumps that press into the zone of a consumer: those that feed the engine. */
  get feedPumps(): string[] {
    const zones = new Set(this.consumers.map((id) => this.zoneOf(id)));
    return this.pumps.filter((id) => zones.has(this.zoneOf(id)));
  }
  /** Pumps that lift into a swirl pot. */
  get liftPumps(): string[] {
    return this.pumps.filter((id) => this.zoneOf(id)?.into.some((v) => this.part(v).kind === 'swirlPot'));
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
      return (
        zone !== undefined &&
        (zone.from.some((v) => this.part(v).kind === 'swirlPot') || zone.fedBy.some((other) => from(other)))
      );
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

type Ports = ReadonlyMap<string, readonly PortAsItIs[]>;

/** Ports that hold fuel and that fuel may pass between within the part. */
const passes = (p: PortAsItIs) => p.spec.use !== 'dry' && p.spec.use !== 'spill';

function zonesOf(graph: Graph, parts: readonly Part[], ports: Ports): Map<string, Zone> {
  const parent = new Map<string, string>();
  const find = (key: string): string => {
    let at = key;
    while (parent.has(at)) at = parent.get(at)!;
    return at;
  };
  const join = (a: string, b: string) => {
    const [x, y] = [find(a), find(b)];
    if (x !== y) parent.set(x, y);
  };
  const onRun = new Set(parts.map((p) => p.id));
  for (const { a, b } of Object.values(graph.joints))
    if (onRun.has(a.part) && onRun.has(b.part)) join(portKey(a.part, a.port), portKey(b.part, b.port));
  for (const part of parts) {
    if (kindOf(part).isVessel || isPump(part)) continue;
    const wet = ports.get(part.id)!.filter(passes);
    for (const p of wet.slice(1)) join(portKey(part.id, p.port), portKey(part.id, wet[0]!.port));
  }
  interface Draft {
    fedBy: string[];
    drawnBy: string[];
    from: string[];
    into: string[];
    spilledBy: string[];
    overflow: boolean;
    wanted: boolean;
  }
  const drafts = new Map<string, Draft>();
  const draft = (key: string): Draft => {
    const root = find(key);
    let made = drafts.get(root);
    if (!made) drafts.set(root, (made = { fedBy: [], drawnBy: [], from: [], into: [], spilledBy: [], overflow: false, wanted: false })); // prettier-ignore
    return made;
  };
  for (const part of parts)
    for (const p of ports.get(part.id)!) {
      const zone = draft(portKey(part.id, p.port));
      if (isPump(part)) (p.port === 'out' ? zone.fedBy : zone.drawnBy).push(part.id);
      else if (kindOf(part).isVessel) {
        if (p.spec.use === 'in') zone.into.push(part.id);
        else zone.from.push(part.id);
        if (p.spec.use === 'spill') zone.overflow = true;
      } else if (p.spec.use === 'spill') zone.spilledBy.push(part.id);
      else if (isConsumer(part) || isBypass(part)) zone.wanted = true;
    }
  const zones = new Map<string, Zone>();
  for (const [root, d] of drafts) {
    const kind: ZoneKind =
      d.fedBy.length > 0
        ? 'pressure'
        : d.overflow
          ? 'overflow'
          : d.spilledBy.length > 0 && d.drawnBy.length === 0
            ? 'return'
            : d.drawnBy.length > 0 || d.from.length > 0 || d.wanted
              ? 'suction'
              : d.into.length > 0
                ? 'return'
                : 'loose';
    const { fedBy, drawnBy, from, into, spilledBy } = d;
    zones.set(root, { kind, fedBy, drawnBy, from, into, spilledBy });
  }
  return new Map(parts.flatMap((part) => ports.get(part.id)!.map((p) => {
    const key = portKey(part.id, p.port);
    return [key, zones.get(find(key))!] as const;
  }))); // prettier-ignore
}

const GROUND = 1e-6; // keeps the system regular where a stretch is tied to nothing
const OPEN_END = 1e3; // a vessel
const DRAWN = 0.1; // an engine, a spill

/**
 * Which way fuel takes through every joint: as a current does that pumps and spills drive through equal resistances into
 * vessels, engines and spills. Where none flows, as to an instrument, away from where it comes from.
 */
function orient(graph: Graph, parts: readonly Part[], ports: Ports, zones: ReadonlyMap<string, Zone>): Flow[] {
  const joints = Object.values(graph.joints).filter((j) => ports.has(j.a.part) && ports.has(j.b.part));
  const place = new Map<string, number>();
  joints.forEach((j, i) => place.set(j.id, i));
  const centre = new Map<string, number>();
  for (const part of parts)
    if (!kindOf(part).isVessel && !isPump(part)) centre.set(part.id, joints.length + centre.size);
  const size = joints.length + centre.size;
  const edges: [number, number][] = [];
  const wet = (part: Part) => ports.get(part.id)!.filter((p) => passes(p) && p.state === 'mated');
  for (const part of parts) {
    const at = centre.get(part.id);
    if (at !== undefined) for (const p of wet(part)) edges.push([at, place.get(p.peer!.joint.id)!]);
  }
  const system = new SparseSystem(size, edges);
  system.clear();
  for (let i = 0; i < size; i++) system.diagonal[i]! += GROUND;
  for (const [a, b] of edges) {
    system.diagonal[a]! += 1;
    system.diagonal[b]! += 1;
    system.values[system.slot(a, b)]! -= 1;
    system.values[system.slot(b, a)]! -= 1;
  }
  for (const part of parts)
    for (const p of ports.get(part.id)!) {
      if (p.state !== 'mated') continue;
      const at = place.get(p.peer!.joint.id)!;
      if (isPump(part)) system.rightSide[at]! += p.port === 'out' ? 1 : -1;
      else if (p.spec.use === 'spill') system.rightSide[at]! += 1;
      else if (kindOf(part).isVessel) system.diagonal[at]! += OPEN_END;
    }
  for (const part of parts) if (isConsumer(part) || isBypass(part)) system.diagonal[centre.get(part.id)!]! += DRAWN;
  const level = system.solve() ? Float64Array.from(system.rightSide) : new Float64Array(size);
  const steps = stepsFromSources(parts, ports, joints.length, place, centre);
  const sense = (end: { part: string; port: string }): number | undefined => {
    const part = graph.parts[end.part]!;
    const { spec } = ports.get(end.part)!.find((p) => p.port === end.port)!;
    if (isPump(part)) return end.port === 'out' ? 1 : -1;
    if (spec.use === 'spill') return 1;
    if (kindOf(part).isVessel) return spec.use === 'in' ? -1 : 1;
    return spec.use === 'tap' && isAlone(ports.get(end.part)!) ? -1 : undefined;
  };
  return joints.map((joint): Flow => {
    const { a, b } = joint;
    const [fromA, fromB] = [sense(a), sense(b)];
    const [la, lb] = [a, b].map((end) => level[centre.get(end.part) ?? place.get(joint.id)!]!);
    const [sa, sb] = [a, b].map((end) => steps[centre.get(end.part) ?? place.get(joint.id)!]!);
    const drop = la! - lb!;
    const forward =
      fromA !== undefined ? fromA > 0 : fromB !== undefined ? fromB < 0 : Math.abs(drop) > 1e-7 ? drop > 0 : sa! <= sb!;
    const [from, to] = forward ? [a, b] : [b, a];
    const zone = zones.get(portKey(a.part, a.port))!;
    return { joint: joint.id, from: from.part, fromPort: from.port, to: to.part, toPort: to.port, zone };
  });
}

const isAlone = (ports: readonly PortAsItIs[]) => ports.filter((p) => p.state === 'mated').length === 1;

/** How many steps each joint and part lies from a pump's outlet, a vessel or a spill. */
function stepsFromSources(
  parts: readonly Part[],
  ports: Ports,
  joints: number,
  place: ReadonlyMap<string, number>,
  centre: ReadonlyMap<string, number>,
): Int32Array {
  const steps = new Int32Array(joints + centre.size).fill(1 << 20);
  const neighbours: number[][] = Array.from({ length: steps.length }, () => []);
  const wait: number[] = [];
  for (const part of parts)
    for (const p of ports.get(part.id)!) {
      if (p.state !== 'mated') continue;
      const at = place.get(p.peer!.joint.id)!;
      const own = centre.get(part.id);
      const isSource = own === undefined ? p.port !== 'in' : p.spec.use === 'spill';
      if (isSource && steps[at]! > 0) {
        steps[at] = 0;
        wait.push(at);
      }
      if (own !== undefined && passes(p)) {
        neighbours[own]!.push(at);
        neighbours[at]!.push(own);
      }
    }
  for (let i = 0; i < wait.length; i++)
    for (const next of neighbours[wait[i]!]!)
      if (steps[next]! > steps[wait[i]!]! + 1) {
        steps[next] = steps[wait[i]!]! + 1;
        wait.push(next);
      }
  return steps;
}

const among = onceFor((joints: Graph['joints']) => onceFor((parts: Graph['parts']) => new Circuits({ parts, joints })));

/** The circuits of a run; the same run is derived once. */
export const circuitsOf = ({ parts, joints }: Graph): Circuits => among(joints)(parts);
