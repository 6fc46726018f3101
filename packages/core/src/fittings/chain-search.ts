import type { Adapter } from './adapter.ts';
import { sealLimits } from './allowed-here.ts';
import { jointCost, partCost, referenceLoss } from './chain-cost.ts';
import type { FittingMaterial } from '../ratings/fitting-material.ts';
import { mate } from './mating.ts';
import { portFormKeys, type PortFormKey, type Seal } from './port-form.ts';
import { portSizes } from './port-size.ts';
import type { Port } from './port.ts';

/** One adapter that can be had, and how. */
export interface Stocked {
  readonly adapter: Adapter;
  /** How many lie on the shelf. */
  readonly onShelf: number;
  /** What one costs here; the adapter's own where absent. */
  readonly price?: number;
}

/** What a chain must keep to; absent: anything goes. */
export interface ChainWants {
  /** Smallest hole, m. */
  readonly minimumBore?: number;
  /** How far the fuel is to turn in all, rad. */
  readonly angle?: number;
  /** Something on it turns freely, so that a bent end can be pointed. */
  readonly swivel?: boolean;
  /** No tapered thread but those of the two ports themselves. */
  readonly noTaper?: boolean;
  /** Longest that all parts together may be, m, and widest across flats. */
  readonly maximumLength?: number;
  readonly maximumFlats?: number;
  /** Pa that every joint and part must hold. */
  readonly pressure?: number;
  /** Materials that the fuel leaves alone; absent: all. */
  readonly materials?: ReadonlySet<FittingMaterial>;
}
export type ChainWant = keyof ChainWants;

export interface ChainLink {
  readonly adapter: Adapter;
  /** Port on the side of the first end, and of the second. */
  readonly in: number;
  readonly out: number;
  readonly onShelf: boolean;
  /** As the shop pays it, else the typical one. */
  readonly price: number;
}

export interface Chain {
  readonly links: readonly ChainLink[];
  /** How each joint seals, from the first end on: one more than parts. */
  readonly seals: readonly Seal[];
  readonly cost: number;
  readonly bore: number;
  readonly length: number;
  /** Pa at the reference flow. */
  readonly loss: number;
  readonly price: number;
}

export const MOST_PARTS = 4;
const HOW_MANY = 5;
const ANGLE_STEP = Math.PI / 180;

interface Edge extends ChainLink {
  readonly cost: number;
  readonly to: number;
  readonly turn: number; // whole degrees
  readonly swivels: boolean;
}
interface Label {
  readonly key: number;
  readonly cost: number;
  readonly length: number;
  readonly turn: number;
  readonly swivels: boolean;
  readonly depth: number;
  readonly before?: Label;
  readonly edge?: Edge;
  readonly seal: Seal;
  readonly done?: true;
}

/** Ports that mate alike have one key. */
const keyOf = ({ form, size, gender }: Port): string => `${form} ${size} ${gender}`;
const keys: readonly Port[] = portFormKeys.flatMap((form: PortFormKey) =>
  Object.keys(portSizes(form)).flatMap((size): Port[] => [
    { form, size, gender: 'male' },
    { form, size, gender: 'female' },
  ]),
);
const indexOf = new Map(keys.map((port, i) => [keyOf(port), i]));

let partnersMade: (readonly { readonly to: number; readonly seal: Seal }[])[] | undefined;
/** What each key mates with. */
const partners = () =>
  (partnersMade ??= keys.map((a) => {
    // only what stands in one of the seatings can: the rest need not be asked
    return keys.flatMap((b, to) => {
      if (a.size !== b.size) return [];
      const mating = mate(a, b);
      return mating.mates ? [{ to, seal: mating.seal }] : [];
    });
  }));

/** One way through a part of the stock, whatever is wanted. */
interface Way extends Edge {
  readonly from: number;
}

/** An assortment made ready to be searched many times. */
export class ChainSearch {
  /** Ways that begin at each key, cheapest first. */
  readonly #ways: readonly (readonly Way[])[];
  /** Cheapest way between two keys, by its end: what each leads back to. */
  readonly #back: ReadonlyMap<number, readonly { readonly from: number; readonly cost: number }[]>;
  readonly #turns: readonly number[];

  constructor(stock: readonly Stocked[]) {
    const ways = keys.map((): Way[] => []);
    const cheapest = new Map<number, Map<number, number>>();
    const turns = new Set<number>();
    for (const { adapter, onShelf, price } of stock) {
      if (adapter.ports.length !== 2) continue;
      const [a, b] = adapter.ports as [Port, Port];
      const cost = partCost(adapter, onShelf > 0, price);
      const turn = Math.round(adapter.angle / ANGLE_STEP);
      turns.add(turn);
      const swivels = a.swivel === true || b.swivel === true;
      for (const [inlet, outlet] of keyOf(a) === keyOf(b) ? ONE_WAY : BOTH_WAYS) {
        const [from, to] = [indexOf.get(keyOf(adapter.ports[inlet]!)), indexOf.get(keyOf(adapter.ports[outlet]!))];
        if (from === undefined || to === undefined) continue;
        ways[from]!.push({
          adapter,
          in: inlet,
          out: outlet,
          onShelf: onShelf > 0,
          price: price ?? adapter.price,
          cost,
          from,
          to,
          turn,
          swivels,
        });
        const back = cheapest.get(to) ?? cheapest.set(to, new Map<number, number>()).get(to)!;
        back.set(from, Math.min(back.get(from) ?? Infinity, cost));
      }
    }
    for (const list of ways) list.sort((p, q) => p.cost - q.cost);
    this.#ways = ways;
    this.#back = new Map(
      [...cheapest].map(([to, from]) => [to, [...from].map(([key, cost]) => ({ from: key, cost }))]),
    );
    this.#turns = [...turns];
  }

  /**
   * The best chains from one port to another, best first; with no part at all where the two mate.
   *
   * @param most - how many at most.
   * @returns none where no chain of up to four parts does.
   */
  find(from: Port, to: Port, wants: ChainWants = {}, most = HOW_MANY): Chain[] {
    const start = indexOf.get(keyOf(from));
    const target = indexOf.get(keyOf(to));
    if (start === undefined || target === undefined) return [];
    const least = this.#leastTo(target);
    if (least[start] === Infinity) return [];
    const edges = this.#edges(wants, most);
    const wanted = wants.angle === undefined ? undefined : Math.round(wants.angle / ANGLE_STEP);
    const canTurn = wanted === undefined ? undefined : this.#canTurn(wanted);
    const mates = partners();
    const lasts = new Map(mates[target]!.map((p) => [p.to, p.seal]));
    const heap = new Heap();
    const settled = new Map<string, Label[]>();
    const found: Chain[] = [];
    const isFree = wants.swivel !== true || from.swivel === true || to.swivel === true;
    const holds = (seal: Seal) => wants.pressure === undefined || sealLimits[seal].pressure >= wants.pressure;
    const put = (label: Label, rest: number) => heap.push(label, label.cost + rest);
    put({ key: start, cost: 0, length: 0, turn: 0, swivels: isFree, depth: 0, seal: 'metalCone' }, least[start]!);
    for (let at = heap.pop(); at && found.length < most; at = heap.pop()) {
      if (at.done) {
        found.push(chainOf(at));
        continue;
      }
      const state = `${at.key} ${wanted === undefined ? '' : at.turn} ${at.swivels} ${at.depth}`;
      const before = settled.get(state) ?? settled.set(state, []).get(state)!;
      const { length } = at;
      if (before.filter((l) => wants.maximumLength === undefined || l.length <= length).length >= most) continue;
      before.push(at);
      const last = lasts.get(at.key);
      if (last !== undefined && holds(last) && at.swivels && (wanted === undefined || wanted === at.turn))
        put({ ...at, cost: at.cost + jointCost(last), before: at, edge: undefined, seal: last, done: true }, 0);
      if (at.depth === MOST_PARTS) continue;
      for (const { to: port, seal } of mates[at.key]!) {
        // the two ports themselves are as they are: a taper there cannot be helped
        if (!holds(seal) || (wants.noTaper === true && seal === 'taperedThread' && at.depth > 0)) continue;
        for (const edge of edges(port)) {
          const rest = least[edge.to]!;
          if (rest === Infinity) continue;
          const turn = at.turn + edge.turn;
          const total = at.length + edge.adapter.length;
          const depth = at.depth + 1;
          if (canTurn && !canTurn[MOST_PARTS - depth]!.has(turn)) continue;
          if (wants.maximumLength !== undefined && total > wants.maximumLength) continue;
          const cost = at.cost + jointCost(seal) + edge.cost;
          put(
            {
              key: edge.to,
              cost,
              length: total,
              turn,
              swivels: at.swivels || edge.swivels,
              depth,
              before: at,
              edge,
              seal,
            },
            rest,
          );
        }
      }
    }
    return found;
  }

  /** The least that it costs to come from each open port to the target, whatever is wanted: never more than it turns out. */
  #leastTo(target: number): Float64Array {
    const mates = partners();
    const least = new Float64Array(keys.length).fill(Infinity);
    const open = new Set<number>();
    const lower = (key: number, cost: number) => {
      if (cost >= least[key]!) return;
      least[key] = cost;
      open.add(key);
    };
    for (const { to, seal } of mates[target]!) lower(to, jointCost(seal));
    while (open.size > 0) {
      let at = -1;
      for (const key of open) if (at < 0 || least[key]! < least[at]!) at = key;
      open.delete(at);
      for (const { from, cost } of this.#back.get(at) ?? [])
        for (const { to, seal } of mates[from]!) lower(to, least[at]! + cost + jointCost(seal));
    }
    return least;
  }

  /** From which turns so far the wanted one can be made, by how many parts may still come. */
  #canTurn(wanted: number): ReadonlySet<number>[] {
    const sets: Set<number>[] = [new Set([wanted])];
    for (let parts = 1; parts <= MOST_PARTS; parts++)
      sets.push(new Set([...sets[parts - 1]!].flatMap((t) => [t, ...this.#turns.map((turn) => t - turn)])));
    return sets;
  }

  /** What leads on from each port as it is wanted; of parallel ways only the best few: no more are ever taken. */
  #edges(wants: ChainWants, most: number): (key: number) => readonly Edge[] {
    const { minimumBore = 0, maximumFlats = Infinity, materials, pressure = 0, maximumLength } = wants;
    const made = new Map<number, readonly Edge[]>();
    const select = (key: number) => {
      const taken = new Map<string, number>();
      return this.#ways[key]!.filter(({ adapter, to, turn, swivels }) => {
        if (adapter.bore < minimumBore || adapter.flats > maximumFlats) return false;
        // of an end made on tube the fuel meets the tube only
        if (materials && adapter.shape !== 'tubeEnd' && !materials.has(adapter.material)) return false;
        if ((adapter.maximumPressure ?? Infinity) < pressure) return false;
        if (maximumLength !== undefined) return true; // a dearer one may be shorter
        const way = `${to} ${turn} ${swivels}`;
        const count = (taken.get(way) ?? 0) + 1;
        taken.set(way, count);
        return count <= most;
      });
    };
    return (key) => made.get(key) ?? made.set(key, select(key)).get(key)!;
  }
}
const ONE_WAY = [[0, 1]] as const;
const BOTH_WAYS = [
  [0, 1],
  [1, 0],
] as const;

function chainOf(end: Label): Chain {
  const links: ChainLink[] = [];
  const seals: Seal[] = [];
  for (let at: Label | undefined = end; at?.before; at = at.before) {
    seals.unshift(at.seal);
    if (at.edge) {
      const { adapter, in: inlet, out, onShelf, price } = at.edge;
      links.unshift({ adapter, in: inlet, out, onShelf, price });
    }
  }
  return {
    links,
    seals,
    cost: end.cost,
    bore: Math.min(Infinity, ...links.map((l) => l.adapter.bore)),
    length: links.reduce((sum, l) => sum + l.adapter.length, 0),
    loss: links.reduce((sum, l) => sum + referenceLoss(l.adapter), 0),
    price: links.reduce((sum, l) => sum + (l.onShelf ? 0 : l.price), 0),
  };
}

/** What promises the least cost first. */
class Heap {
  readonly #items: { readonly label: Label; readonly rank: number }[] = [];

  push(label: Label, rank: number): void {
    const items = this.#items;
    const item = { label, rank };
    let at = items.push(item) - 1;
    while (at > 0) {
      const up = (at - 1) >> 1;
      if (items[up]!.rank <= rank) break;
      items[at] = items[up]!;
      at = up;
    }
    items[at] = item;
  }

  pop(): Label | undefined {
    const items = this.#items;
    const top = items[0];
    const last = items.pop();
    if (top === undefined || last === undefined || items.length === 0) return top?.label;
    let at = 0;
    for (;;) {
      let next = 2 * at + 1;
      if (next >= items.length) break;
      if (next + 1 < items.length && items[next + 1]!.rank < items[next]!.rank) next++;
      if (items[next]!.rank >= last.rank) break;
      items[at] = items[next]!;
      at = next;
    }
    items[at] = last;
    return top.label;
  }
}

/** Which of the wants kills every chain, and the best chain without it. */
export interface Obstacle {
  /** `together`: no single one does, but all of them do. */
  readonly want: ChainWant | 'together';
  readonly nearest: Chain;
}

/** Why there is no chain: each want that alone stands in the way, with what would do without it; none: no such adapters exist. */
export function obstacles(search: ChainSearch, from: Port, to: Port, wants: ChainWants): Obstacle[] {
  const alone = (Object.keys(wants) as ChainWant[]).flatMap((want): Obstacle[] => {
    if (wants[want] === undefined) return [];
    const { [want]: _dropped, ...rest } = wants;
    const nearest = search.find(from, to, rest, 1)[0];
    return nearest ? [{ want, nearest }] : [];
  });
  if (alone.length > 0) return alone;
  const [free] = search.find(from, to, {}, 1);
  return free ? [{ want: 'together', nearest: free }] : [];
}
