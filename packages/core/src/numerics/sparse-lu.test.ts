import { expect } from 'chai';
import fc from 'fast-check';
import { SparseSystem } from './sparse-lu.ts';
import { solveLinear } from './solve-linear.ts';

/** A random connected graph: a tree, and a few edges more. */
const graphs = fc.integer({ min: 1, max: 30 }).chain((size) =>
  fc.record({
    size: fc.constant(size),
    tree: fc.array(fc.double({ min: 0, max: 0.999, noNaN: true }), { minLength: size, maxLength: size }),
    more: fc.array(fc.tuple(fc.nat(size - 1), fc.nat(size - 1)), { maxLength: size }),
    weights: fc.array(fc.double({ min: 0.1, max: 50, noNaN: true }), { minLength: 3 * size, maxLength: 3 * size }),
  }),
);
type Graph = { size: number; tree: number[]; more: [number, number][]; weights: number[] };

const edgesOf = ({ size, tree, more }: Graph): [number, number][] => [
  ...Array.from({ length: size - 1 }, (_, i): [number, number] => [i + 1, Math.floor(tree[i]! * (i + 1))]),
  ...more.filter(([a, b]) => a !== b),
];

/** Conductances between unknowns and to ground, filled into both the sparse system and a full matrix. */
function filled(graph: Graph) {
  const edges = edgesOf(graph);
  const system = new SparseSystem(graph.size, edges);
  const full = new Float64Array(graph.size ** 2);
  const add = (i: number, j: number, value: number) => (full[i * graph.size + j]! += value);
  edges.forEach(([a, b], e) => {
    const g = graph.weights[e % graph.weights.length]!;
    for (const [i, j] of [
      [a, b],
      [b, a],
    ] as const) {
      system.diagonal[i]! += g;
      system.values[system.slot(i, j)]! -= g;
      add(i, i, g);
      add(i, j, -g);
    }
  });
  for (let i = 0; i < graph.size; i++) {
    const ground = graph.weights[(2 * i) % graph.weights.length]!;
    system.diagonal[i]! += ground;
    add(i, i, ground);
    system.rightSide[i] = Math.sin(i + 1) * 10;
  }
  return { system, full, right: system.rightSide.slice() };
}

describe('a sparse system', () => {
  it('has the answer that full elimination with pivoting finds, on any connected graph', () => {
    fc.assert(
      fc.property(graphs, (graph) => {
        const { system, full, right } = filled(graph);
        expect(system.solve()).to.equal(true);
        expect(solveLinear(full, right, graph.size)).to.equal(true);
        right.forEach((value, i) => expect(system.rightSide[i]).to.be.closeTo(value, 1e-9 * (1 + Math.abs(value))));
      }),
      { seed: 101, numRuns: 80 },
    );
  });
  it('solves unlike values in both directions of an edge, as regulators have', () => {
    // x0 = 2; −3 x0 + x1 = 1: the second follows the first and not the other way
    const system = new SparseSystem(2, [[0, 1]]);
    system.diagonal.set([1, 1]);
    system.values[system.slot(1, 0)] = -3;
    system.rightSide.set([2, 1]);
    expect(system.solve()).to.equal(true);
    expect([...system.rightSide]).to.deep.equal([2, 7]);
  });
  it('says so when a part hangs on nothing', () => {
    const system = new SparseSystem(3, [[0, 1]]);
    system.diagonal.set([1, 1, 0]);
    expect(system.solve()).to.equal(false);
  });
  it('is filled anew after being cleared', () => {
    const { system } = filled({ size: 4, tree: [0, 0, 0, 0], more: [], weights: [1, 2, 3, 4, 5, 6, 7, 8, 9, 1, 2, 3] });
    system.solve();
    system.clear();
    system.diagonal.fill(2);
    system.rightSide.fill(6);
    expect(system.solve()).to.equal(true);
    expect([...system.rightSide]).to.deep.equal([3, 3, 3, 3]);
  });
  it('knows no entry between unknowns that share no equation', () => {
    expect(() => new SparseSystem(3, [[0, 1]]).slot(0, 2)).to.throw(RangeError);
  });
  it('fills in little along a chain: as many entries as edges, whatever its length', () => {
    const chain = Array.from({ length: 500 }, (_, i): [number, number] => [i, i + 1]);
    expect(new SparseSystem(501, chain).values.length).to.equal(1000);
  });
});
