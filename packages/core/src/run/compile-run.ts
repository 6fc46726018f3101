import type { Job } from '../job/job.ts';
import { kindOf, type Part } from '../parts/kinds.ts';
import { SURFACE, type LawAt, type Lowered, type LoweredPump, type MomentPoint, type Place } from '../parts/lower.ts';
import { portKey } from '../parts/port.ts';
import { chainLaw } from './chain-law.ts';
import { circuitsOf, type Circuits } from './circuits.ts';
import type { Flow } from './flow-directions.ts';
import { readFrom } from '../parts/joint.ts';
import type { CompiledLink, CompiledPart, CompiledRun } from './compiled-run.ts';
import { HeightFill } from './heights.ts';
import { injectorsOf, siteOf } from './site.ts';

/**
 * The network of a run, compiled once.
 *
 * The caller has made sure that the run has no fault and that nothing that stops the flow is unknown.
 */
export function compileRun(job: Pick<Job, 'parts' | 'joints' | 'survey' | 'hanger' | 'brief'>): CompiledRun {
  return new Compiler(job).compile();
}

interface LoweredPart {
  readonly part: Part;
  readonly low: Lowered;
}

class Compiler {
  readonly #job: Pick<Job, 'parts' | 'joints' | 'survey' | 'hanger' | 'brief'>;
  readonly #circuits: Circuits;
  readonly #alias = new Map<string, string>();
  /** Names that stand for fixed or inner places: they keep their name when tied to a joint. */
  readonly #strong = new Map<string, number>();
  readonly #index = new Map<string, number>();
  readonly #nodes: string[] = [];
  /** Parts that are tried with other measurements. */
  #changed: ReadonlyMap<string, Part> = new Map();

  constructor(job: Pick<Job, 'parts' | 'joints' | 'survey' | 'hanger' | 'brief'>) {
    this.#job = job;
    this.#circuits = circuitsOf(job);
  }

  compile(): CompiledRun {
    const circuits = this.#circuits;
    // what is joined to nothing of the run has no pressure
    const lowered = circuits.parts
      .filter((part) => circuits.isReached(part.id))
      .map((part) => ({ part, low: kindOf(part).lower(part, siteOf(part, this.#circuits, this.#job, this.#changed)) }));
    this.#strong.set('surface', 3);
    for (const { part, low } of lowered)
      for (const { place } of low.open ?? []) this.#strong.set(this.#name(part.id, place), 2);
    for (const { part, low } of lowered)
      for (const [port, place] of low.ties ?? []) this.#tie(this.#name(part.id, port), this.#name(part.id, place));
    const node = (part: string, place: Place): number => this.#node(this.#name(part, place));
    const surface = this.#node('surface');
    const { links, linkIndex, leaving } = this.#links(lowered);
    const chains = this.#chains(links);
    const linksOf = new Map(lowered.map(({ part, low }) => [part.id, linkNames(low)]));
    const parts = lowered.map(({ part, low }) => this.#part(part, low, linkIndex));
    const open = [
      { node: surface, height: ({ point }: MomentPoint) => (this.#job.survey.tank.depth?.si ?? 0) * point.level },
      ...lowered.flatMap(({ part, low }) =>
        (low.open ?? []).map(({ place, height }) => ({ node: node(part.id, place), height })),
      ),
    ];
    const joints = new Map<string, number>(
      circuits.flows.flatMap((f): [string, number][] => {
        const at = chains.get(f.joint)?.after ?? this.#known(f.joint);
        return at === undefined ? [] : [[f.joint, at]];
      }),
    );
    const draws = this.#draws(lowered);
    const sensor = lowered.find(({ part }) => kindOf(part).isSensor)?.part;
    const spills = new Map(
      lowered.flatMap(({ part, low }) => {
        const at = low.spill === undefined ? undefined : linkIndex.get(low.spill);
        return at === undefined ? [] : [[part.id, at] as const];
      }),
    );
    const openNodes = new Set(open.map((o) => o.node));
    const known = this.#heights(lowered, openNodes);
    const spilling = new Set(spills.values());
    const fill = this.#fill(links, spilling, known, open);
    const feeds = new Set(circuits.feedPumps);
    return {
      circuits,
      nodes: this.#nodes,
      links,
      parts,
      joints,
      chains,
      leaving,
      pumps: lowered.flatMap(({ part, low }) => {
        if (!low.pump) return [];
        const inlet = node(part.id, 'in');
        const suction = this.#suction(part.id, inlet, { joints, chains, openNodes, lowered });
        const place = linkIndex.get(low.pump.link)!;
        return [{ ...low.pump, id: part.id, linkIndex: place, inlet, suction, feeds: feeds.has(part.id) }];
      }),
      draws,
      held: draws.filter((d, i) => draws[i - 1]?.part !== d.part).map((d) => d.node),
      spills,
      sensor: sensor && this.#known(this.#name(sensor.id, 'port')),
      open,
      lowerAgain: (changed, now) => this.#lowerAgain(changed, now, linkIndex, linksOf, chains),
      heightsAt: fill(),
      heightsWith: fill,
    };
  }

  /** Links of the parts, and which of them leave a port. */
  #links(lowered: readonly LoweredPart[]) {
    const node = (part: string, place: Place): number => this.#node(this.#name(part, place));
    const links: CompiledLink[] = [];
    const leaving = new Map<string, (readonly [number, 1 | -1])[]>();
    const linkIndex = new Map<string, number>();
    const leave = (part: string, place: Place, link: number, sign: 1 | -1) => {
      if (place.startsWith('.') || place === SURFACE) return;
      const key = portKey(part, place);
      (leaving.get(key) ?? leaving.set(key, []).get(key)!).push([link, sign]);
    };
    for (const { part, low } of lowered)
      for (const link of low.links) {
        linkIndex.set(link.id, links.length);
        leave(part.id, link.from, links.length, -1);
        leave(part.id, link.to, links.length, 1);
        links.push({
          id: link.id,
          from: node(part.id, link.from),
          to: node(part.id, link.to),
          law: link.law,
          checkValve: link.checkValve === true,
          startsShut: link.startsShut === true,
        });
      }
    return { links, linkIndex, leaving };
  }

  /** Links of the adapters in joints, put behind those of the parts. */
  #chains(links: CompiledLink[]) {
    const node = (part: string, place: Place): number => this.#node(this.#name(part, place));
    const chains = new Map<string, { before: number; after: number; link: number }>();
    for (const flow of this.#circuits.flows) {
      if (!this.#hasChain(flow.joint) || !this.#circuits.isReached(flow.from)) continue;
      const [before, after] = [node(flow.from, flow.fromPort), node(flow.to, flow.toPort)];
      chains.set(flow.joint, { before, after, link: links.length });
      links.push({
        id: chainLink(flow.joint),
        from: before,
        to: after,
        law: this.#chainLaw(flow),
        checkValve: false,
        startsShut: false,
      });
    }
    return chains;
  }

  /** Heights of every node, at the compiled lengths of the links or at others. */
  #fill(
    links: readonly CompiledLink[],
    spilling: ReadonlySet<number>,
    known: Map<number, number>,
    open: CompiledRun['open'],
  ) {
    const edges = links.map((l, i) => ({
      from: l.from,
      to: l.to,
      length: lengthOf(l.law),
      hangs: l.startsShut ? undefined : spilling.has(i),
    }));
    return (lengths?: ReadonlyMap<number, number>) => {
      const now = lengths ? edges.map((e, i) => ({ ...e, length: lengths.get(i) ?? e.length })) : edges;
      const filled = new HeightFill(
        this.#nodes.length,
        now,
        known,
        open.map((o) => o.node),
      );
      return (at: MomentPoint) => filled.at(open.map((o) => o.height(at)));
    };
  }

  #suction(
    id: string,
    inlet: number,
    made: Pick<CompiledRun, 'joints' | 'chains'> & { openNodes: ReadonlySet<number>; lowered: readonly LoweredPart[] },
  ): number[] {
    const zone = this.#circuits.zoneAt(id, 'in');
    if (zone?.kind !== 'suction') return [];
    const nodes = this.#circuits.flows.flatMap((f) =>
      f.zone === zone ? [made.joints.get(f.joint) ?? [], made.chains.get(f.joint)?.before ?? []].flat() : [],
    );
    // and where a line on the way humps
    const inner = made.lowered
      .filter(({ part }) => this.#circuits.zoneOf(part.id) === zone)
      .flatMap(({ part, low }) =>
        (low.heights ?? []).flatMap(([place]) =>
          place.startsWith('.') ? (this.#known(this.#name(part.id, place)) ?? []) : [],
        ),
      );
    return [...new Set([...nodes, ...inner])].filter((n) => n !== inlet && !made.openNodes.has(n));
  }

  #lowerAgain(
    changed: ReadonlyMap<string, Part>,
    now: readonly string[],
    linkIndex: ReadonlyMap<string, number>,
    linksOf: ReadonlyMap<string, string>,
    chains: CompiledRun['chains'],
  ) {
    this.#changed = changed;
    const circuits = this.#circuits;
    const met = new Set(now);
    for (const id of now) {
      for (const flow of circuits.outOf(id)) met.add(flow.to);
      for (const flow of circuits.into(id)) met.add(flow.from);
    }
    const laws = new Map<number, LawAt>();
    const pumps = new Map<string, LoweredPump>();
    const lowered = new Map<string, Lowered>();
    for (const id of met) {
      if (!circuits.isReached(id)) continue;
      const part = changed.get(id) ?? circuits.part(id);
      const low = kindOf(part).lower(part, siteOf(part, this.#circuits, this.#job, this.#changed));
      lowered.set(id, low);
      if (low.pump) pumps.set(id, low.pump);
      if (linkNames(low) !== linksOf.get(id))
        throw new RangeError(`“${id}” becomes another piece of network: compile the run anew`);
      for (const link of low.links) laws.set(linkIndex.get(link.id)!, link.law);
    }
    for (const id of now)
      for (const flow of [...circuits.into(id), ...circuits.outOf(id)]) {
        const link = chains.get(flow.joint)?.link;
        if (link !== undefined) laws.set(link, this.#chainLaw(flow));
      }
    return { laws, pumps, lowered };
  }

  #part(part: Part, lowered: Lowered, linkIndex: ReadonlyMap<string, number>): CompiledPart {
    const ports = this.#circuits.ports(part.id).filter((p) => p.spec.use !== 'dry');
    const nodes = new Map(
      ports.flatMap((p): [string, number][] => {
        const at = this.#known(this.#name(part.id, p.port));
        return at === undefined ? [] : [[p.port, at]];
      }),
    );
    const first = (flows: readonly { port: string }[], otherwise: string) =>
      nodes.get(flows[0]?.port ?? otherwise) ?? [...nodes.values()][0] ?? 0;
    const into = this.#circuits.into(part.id).map((f) => ({ port: f.toPort }));
    // what a part lets go or shows on a tap is not where its fuel goes on
    const out = this.#circuits
      .outOf(part.id)
      .filter((f) => !this.#circuits.isTap(f.to) && nodes.has(f.fromPort))
      .filter((f) => this.#circuits.ports(part.id).find((p) => p.port === f.fromPort)?.spec.use !== 'spill')
      .map((f) => ({ port: f.fromPort }));
    // a tank and a pot are told by where their fuel leaves
    const inlet = kindOf(part).isVessel ? first(out, 'in') : first(into, 'in');
    const outlet = out.length > 0 ? first(out, 'out') : (nodes.get('out') ?? inlet);
    const through = lowered.through === undefined ? undefined : linkIndex.get(lowered.through);
    return { id: part.id, lowered, nodes, inlet, outlet, through };
  }

  /** A tank's surface, a port's joint, or a place of its own. */
  #name(part: string, place: Place): string {
    if (place === SURFACE) return 'surface';
    if (place.startsWith('.')) {
      const name = `${part}:${place.slice(1)}`;
      if (!this.#strong.has(name)) this.#strong.set(name, 1);
      return name;
    }
    const port = this.#circuits.ports(part).find((p) => p.port === place);
    if (!port?.peer || !this.#circuits.has(port.peer.part)) return portKey(part, place);
    const { id } = port.peer.joint;
    // adapters keep the two ends of a joint apart
    return this.#hasChain(id) ? portKey(part, place) : id;
  }

  #hasChain(joint: string): boolean {
    return this.#job.joints[joint]?.chain !== undefined;
  }

  #chainLaw(flow: Flow): LawAt {
    const joint = this.#job.joints[flow.joint]!;
    const chain = readFrom(joint, { part: flow.from, port: flow.fromPort }, joint.chain ?? []);
    const meets = (id: string) => {
      const part = this.#changed.get(id) ?? this.#circuits.part(id);
      return { bore: kindOf(part).bore?.(part), isVessel: kindOf(part).isVessel === true };
    };
    return chainLaw(chain, meets(flow.from), meets(flow.to));
  }

  #find(name: string): string {
    let at = name;
    for (let next = this.#alias.get(at); next !== undefined; next = this.#alias.get(at)) at = next;
    return at;
  }

  #tie(a: string, b: string): void {
    const [x, y] = [this.#find(a), this.#find(b)];
    if (x === y) return;
    const [weak, strong] = (this.#strong.get(x) ?? 0) > (this.#strong.get(y) ?? 0) ? [y, x] : [x, y];
    this.#alias.set(weak, strong);
  }

  #node(name: string): number {
    const found = this.#find(name);
    let at = this.#index.get(found);
    if (at === undefined) this.#index.set(found, (at = this.#nodes.push(found) - 1));
    return at;
  }

  /** The same, but no place is made that no link leads to: it would have no pressure. */
  #known(name: string): number | undefined {
    return this.#index.get(this.#find(name));
  }

  #heights(lowered: readonly LoweredPart[], open: ReadonlySet<number>): Map<number, number> {
    const known = new Map<number, number>();
    const set = (node: number | undefined, height: number | undefined) => {
      if (node !== undefined && height !== undefined && !open.has(node) && !known.has(node)) known.set(node, height);
    };
    const give = ({ part, low }: LoweredPart, only?: readonly Place[]) => {
      for (const [place, height] of low.heights ?? [])
        if (!only || only.includes(place)) set(this.#known(this.#name(part.id, place)), height);
    };
    // a vessel and the engine know where they stand; then comes what was measured at a joint, then what hangs on parts
    for (const entry of lowered) if (kindOf(entry.part).isVessel || entry.low.draws) give(entry, entry.low.draws);
    for (const flow of this.#circuits.flows) set(this.#known(flow.joint), this.#job.joints[flow.joint]?.height?.si);
    for (const entry of lowered) give(entry);
    return known;
  }

  #draws(lowered: readonly LoweredPart[]) {
    const drawn = lowered.filter(({ low }) => low.draws);
    const weight = (part: Part) => (part.kind === 'rail' ? injectorsOf(part, this.#circuits, this.#job) : 1);
    const total = drawn.reduce((sum, { part }) => sum + weight(part), 0);
    return drawn.flatMap(({ part, low }) =>
      low.draws!.map((place) => ({
        part: part.id,
        node: this.#node(this.#name(part.id, place)),
        share: weight(part) / total / low.draws!.length,
      })),
    );
  }
}

/** The link of the adapters in a joint. */
const chainLink = (joint: string): string => `joint:${joint}`;

/** Of a piece of line, m; 0 of all else. */
export const lengthOf = (law: LawAt): number => (typeof law === 'object' && law.kind === 'line' ? law.length : 0);

const linkNames = ({ links }: Lowered): string => links.map((l) => l.id).join(' ');
