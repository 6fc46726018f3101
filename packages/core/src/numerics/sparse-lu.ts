/**
 * A square sparse system whose pattern is that of a graph and is known beforehand: analysed once, then filled and solved
 * as often as wished.
 *
 * Eliminated in order of least degree without pivoting. That is stable where every diagonal outweighs its column, as in
 * networks of conductances; a pivot that comes out as nothing is reported.
 *
 * @see George & Liu, "Computer Solution of Large Sparse Positive Definite Systems", Prentice-Hall 1981, for the ordering.
 */
export class SparseSystem {
  readonly size: number;
  /** Diagonal by unknown; filled by the caller, used up by `solve`. */
  readonly diagonal: Float64Array;
  /** Off-diagonal values by `slot`; filled by the caller, used up by `solve`. */
  readonly values: Float64Array;
  readonly rightSide: Float64Array;
  readonly #order: Int32Array;
  /** Edges of pivot k in elimination order: from `#first[k]` to `#first[k + 1]`; `#to` is the other unknown. */
  readonly #first: Int32Array;
  readonly #to: Int32Array;
  /** For every pair of edges of a pivot: where the update goes, as slots with diagonals after them. */
  readonly #updates: Int32Array;
  /** Place of each unknown in the order of elimination. */
  readonly #position: Int32Array;

  /** @param edges - pairs of unknowns that share an equation; either order, repeats allowed. */
  constructor(size: number, edges: readonly (readonly [number, number])[]) {
    this.size = size;
    this.diagonal = new Float64Array(size);
    this.rightSide = new Float64Array(size);
    const neighbours = Array.from({ length: size }, () => new Set<number>());
    for (const [a, b] of edges)
      if (a !== b) {
        neighbours[a]!.add(b);
        neighbours[b]!.add(a);
      }
    const { order, lists } = eliminate(neighbours);
    this.#order = order;
    this.#position = new Int32Array(size);
    this.#first = new Int32Array(size + 1);
    for (let k = 0; k < size; k++) {
      this.#position[order[k]!] = k;
      this.#first[k + 1] = this.#first[k]! + lists[k]!.length;
    }
    const to = new Int32Array(this.#first[size]!);
    lists.forEach((list, k) => to.set(list, this.#first[k]));
    this.#to = to;
    this.values = new Float64Array(2 * to.length);
    const updates: number[] = [];
    for (const list of lists)
      for (const i of list) for (const j of list) updates.push(i === j ? -1 - i : this.slot(i, j));
    this.#updates = Int32Array.from(updates);
  }

  /** Where the value in row i and column j stands in `values`: an edge has two, row of its pivot and column of it. */
  slot(i: number, j: number): number {
    const early = this.#position[i]! < this.#position[j]!;
    const [pivot, other] = early ? [i, j] : [j, i];
    const k = this.#position[pivot]!;
    for (let e = this.#first[k]!; e < this.#first[k + 1]!; e++)
      if (this.#to[e] === other) return 2 * e + (early ? 0 : 1);
    throw new RangeError(`no entry ${i}, ${j}`);
  }

  clear(): void {
    this.diagonal.fill(0);
    this.values.fill(0);
    this.rightSide.fill(0);
  }

  /** Leaves the answer in `rightSide`. @returns false where a pivot is nothing: there is no single answer. */
  solve(): boolean {
    const { diagonal, values, rightSide } = this;
    const order = this.#order;
    const first = this.#first;
    const to = this.#to;
    const updates = this.#updates;
    let u = 0;
    for (let k = 0; k < order.length; k++) {
      const pivotAt = order[k]!;
      const pivot = diagonal[pivotAt]!;
      if (!(Math.abs(pivot) > LEAST_PIVOT)) return false;
      const [from, end] = [first[k]!, first[k + 1]!];
      for (let i = from; i < end; i++) {
        const factor = values[2 * i + 1]! / pivot;
        if (factor === 0) {
          u += end - from;
          continue;
        }
        rightSide[to[i]!]! -= factor * rightSide[pivotAt]!;
        for (let j = from; j < end; j++) {
          const target = updates[u++]!;
          if (target < 0) diagonal[-1 - target]! -= factor * values[2 * j]!;
          else values[target]! -= factor * values[2 * j]!;
        }
      }
    }
    for (let k = order.length - 1; k >= 0; k--) {
      let sum = rightSide[order[k]!]!;
      for (let i = first[k]!; i < first[k + 1]!; i++) sum -= values[2 * i]! * rightSide[to[i]!]!;
      rightSide[order[k]!] = sum / diagonal[order[k]!]!;
    }
    return true;
  }
}

const LEAST_PIVOT = 1e-9; // of conductances that are 1 and more here

/** Takes out unknowns of least degree first, joining what they leave; buckets by degree keep the search short. */
function eliminate(neighbours: Set<number>[]): { order: Int32Array; lists: number[][] } {
  const size = neighbours.length;
  const buckets: Set<number>[] = [];
  const degrees = new Int32Array(size);
  const put = (i: number) => {
    degrees[i] = neighbours[i]!.size;
    (buckets[degrees[i]] ??= new Set()).add(i);
  };
  for (let i = 0; i < size; i++) put(i);
  const order = new Int32Array(size);
  const lists: number[][] = [];
  for (let k = 0, least = 0; k < size; k++) {
    least = Math.max(0, least - 1); // taking one out lowers a neighbour by at most one
    while (!buckets[least]?.size) least++;
    const pivot = buckets[least]!.values().next().value!;
    buckets[least]!.delete(pivot);
    const list = [...neighbours[pivot]!];
    order[k] = pivot;
    lists.push(list);
    for (const i of list) {
      buckets[degrees[i]!]!.delete(i);
      neighbours[i]!.delete(pivot);
      for (const j of list) if (j !== i) neighbours[i]!.add(j);
      put(i);
    }
  }
  return { order, lists };
}
