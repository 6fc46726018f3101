import { SparseSystem } from '../numerics/sparse-lu.ts';

interface Edge {
  readonly from: number;
  readonly to: number;
  /** true: only what hangs below it takes its height from above (a spill); undefined: it says nothing about height. */
  readonly hangs: boolean | undefined;
  /** Of the line between them, m; what has none counts as next to nothing. */
  readonly length: number;
}

const SHORTEST = 1e-3; // m, of what has no length of its own
const LEAST = 1e-7; // ties a stretch without any known height to the tank floor

/**
 * Heights of places that nobody measured, set between their known neighbours: along a line in proportion to its length, where
 * lines meet nearer to what lies nearer.
 *
 * A height in the middle of a run moves no rail pressure, only the pressure shown at that place, so that an even slope is a
 * harmless stand-in.
 */
export class HeightFill {
  readonly #size: number;
  readonly #edges: readonly Edge[];
  readonly #known: ReadonlyMap<number, number>;
  readonly #open: readonly number[];
  #last: { open: readonly number[]; heights: Float64Array } | undefined;

  constructor(size: number, edges: readonly Edge[], known: ReadonlyMap<number, number>, open: readonly number[]) {
    this.#size = size;
    this.#edges = edges.filter((e) => e.hangs !== undefined);
    this.#known = known;
    this.#open = open;
  }

  /** @param open - heights of the open places, in their order. */
  at(open: readonly number[]): Float64Array {
    if (this.#last && open.every((h, i) => h === this.#last!.open[i])) return this.#last.heights;
    const heights = new Float64Array(this.#size).fill(NaN);
    for (const [node, height] of this.#known) heights[node] = height;
    this.#open.forEach((node, i) => (heights[node] = open[i]!));
    // first all that is held up by the supply, then what hangs on a spill
    const hanging = this.#hanging();
    this.#fill(
      heights,
      this.#edges.filter((e) => !e.hangs),
      (i) => !hanging[i],
    );
    this.#fill(heights, this.#edges, () => true);
    this.#last = { open: [...open], heights };
    return heights;
  }

  /** Places that are reached only over a spill. */
  #hanging(): boolean[] {
    const seen = Array<boolean>(this.#size).fill(false);
    const wait = this.#edges.filter((e) => e.hangs).map((e) => e.to);
    const open = new Set(this.#open);
    while (wait.length > 0) {
      const at = wait.pop()!;
      if (seen[at] || this.#known.has(at) || open.has(at)) continue;
      seen[at] = true;
      for (const e of this.#edges)
        if (!e.hangs) {
          if (e.from === at) wait.push(e.to);
          if (e.to === at) wait.push(e.from);
        }
    }
    return seen;
  }

  #fill(heights: Float64Array, edges: readonly Edge[], isWanted: (node: number) => boolean): void {
    const place = new Map<number, number>();
    for (let i = 0; i < this.#size; i++) if (Number.isNaN(heights[i]!) && isWanted(i)) place.set(i, place.size);
    if (place.size === 0) return;
    const pairs = edges.flatMap(({ from, to }): [number, number][] => {
      const [a, b] = [place.get(from), place.get(to)];
      return a !== undefined && b !== undefined && a !== b ? [[a, b]] : [];
    });
    const system = new SparseSystem(place.size, pairs);
    system.clear();
    for (let i = 0; i < place.size; i++) system.diagonal[i]! += LEAST;
    for (const { from, to, length } of edges) {
      const weight = 1 / Math.max(length, SHORTEST);
      const [a, b] = [place.get(from), place.get(to)];
      if (a === undefined && b === undefined) continue;
      if (a !== undefined && b !== undefined) {
        if (a === b) continue;
        system.values[system.slot(a, b)]! -= weight;
        system.values[system.slot(b, a)]! -= weight;
      }
      const [ha, hb] = [heights[from]!, heights[to]!];
      if (a !== undefined && (b !== undefined || !Number.isNaN(hb))) {
        system.diagonal[a]! += weight;
        if (b === undefined) system.rightSide[a]! += weight * hb;
      }
      if (b !== undefined && (a !== undefined || !Number.isNaN(ha))) {
        system.diagonal[b]! += weight;
        if (a === undefined) system.rightSide[b]! += weight * ha;
      }
    }
    system.solve();
    for (const [node, i] of place) heights[node] = system.rightSide[i]!;
  }
}
