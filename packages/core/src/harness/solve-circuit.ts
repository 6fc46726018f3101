import { solveLinear } from '../numerics/solve-linear.ts';
import { failure, success, type Result } from '../result.ts';
import { EARTH, type CircuitElement, type CircuitFault, type SolvedCircuit } from './circuit.ts';
import { floatingNode, isRigid, rigidRing } from './circuit-shape.ts';

/** A through anything while no load runs: more than that is a short, or sources that press against one another. */
const SHORT = 100;
const CLOSE = 1e-11; // V and A, of what is solved
const MOST_ROUNDS = 60;
const LEAST_STEP = 1e-5; // of the loads, by which they are still turned up

/**
 * Node voltages and currents, by nodal analysis with the sources' currents beside the voltages (modified nodal analysis: Ho,
 * Ruehli and Brennan, 1975) and Newton's method.
 *
 * Loads are turned up from nothing: where a load draws the more the lower its voltage, there are two answers, and that is the upper.
 */
export function solveCircuit(elements: readonly CircuitElement[]): Result<SolvedCircuit, CircuitFault> {
  if (!elements.some((e) => e.a === EARTH || e.b === EARTH)) return failure({ code: 'noEarth' });
  const floating = floatingNode(elements);
  if (floating) return failure({ code: 'floating', ...floating });
  const rings = rigidRing(elements);
  if ('fault' in rings) return failure(rings.fault);
  const system = new System(elements, rings.idle);
  const idle = system.solve(0, undefined);
  if (!idle) throw new RangeError('a circuit of sources and resistors without rings of sources has an answer');
  const fault = system.overloaded(idle);
  if (fault) return failure(fault);
  let [share, x] = [0, idle];
  for (let step = 1; share < 1;) {
    const next = Math.min(1, share + step);
    const found = system.solve(next, x);
    if (found) {
      [share, x] = [next, found];
      step *= 2;
    } else if ((step /= 4) < LEAST_STEP) return failure({ code: 'noOperatingPoint', load: system.lowest(x), share });
  }
  const short = system.belowLeast(x);
  return short === undefined ? success(system.told(x)) : failure({ code: 'noOperatingPoint', load: short, share });
}

/** Volts of the places but earth, then amperes of the sources. */
type Unknowns = Float64Array;

class System {
  readonly #elements: readonly CircuitElement[];
  readonly #index = new Map<string, number>();
  /** Sources, and joints without resistance: their currents are unknowns of their own. */
  readonly #rigid: readonly CircuitElement[];
  readonly #size: number;

  /** @param idle - joints without resistance beside others: nothing is said to pass through them. */
  constructor(elements: readonly CircuitElement[], idle: ReadonlySet<CircuitElement>) {
    this.#elements = elements;
    for (const { a, b } of elements)
      for (const node of [a, b]) if (node !== EARTH && !this.#index.has(node)) this.#index.set(node, this.#index.size);
    this.#rigid = elements.filter((e) => isRigid(e) && !idle.has(e));
    this.#size = this.#index.size + this.#rigid.length;
  }

  #at(x: Unknowns, node: string): number {
    const i = this.#index.get(node);
    return i === undefined ? 0 : x[i]!;
  }

  #across = (x: Unknowns, { a, b }: CircuitElement): number => this.#at(x, a) - this.#at(x, b);

  /** With so much of every load; undefined where that has no answer near the start. */
  solve(share: number, start: Unknowns | undefined): Unknowns | undefined {
    const n = this.#size;
    const x = start ? start.slice() : new Float64Array(n);
    const matrix = new Float64Array(n * n);
    const right = new Float64Array(n);
    let last = Infinity;
    for (let round = 0; round < MOST_ROUNDS; round++) {
      const size = this.#linearise(x, share, matrix, right);
      if (!Number.isFinite(size)) return undefined;
      if (size < CLOSE || (round > 4 && size < 1e-8 && size >= last)) return x;
      last = size;
      if (!solveLinear(matrix, right, n)) return undefined;
      for (let i = 0; i < n; i++) x[i]! += right[i]!;
      if (start && this.#hasFallen(x, start)) return undefined;
    }
    return undefined;
  }

  /** A load turned round: past the last of its operating points. */
  #hasFallen(x: Unknowns, start: Unknowns): boolean {
    return this.#elements.some((e) => e.law.kind === 'load' && this.#across(start, e) > 0 && !(this.#across(x, e) > 0));
  }

  /** Kirchhoff's laws at x: what is left over, against it, and how it changes. @returns its size. */
  #linearise(x: Unknowns, share: number, matrix: Float64Array, right: Float64Array): number {
    const n = this.#size;
    matrix.fill(0);
    right.fill(0);
    for (const e of this.#elements) {
      if (isRigid(e)) continue;
      const [i, j] = [this.#index.get(e.a), this.#index.get(e.b)];
      const v = this.#across(x, e);
      const [amps, slope] = flowOf(e, v, share);
      if (i !== undefined) {
        right[i]! -= amps;
        matrix[i * n + i]! += slope;
        if (j !== undefined) matrix[i * n + j]! -= slope;
      }
      if (j !== undefined) {
        right[j]! += amps;
        matrix[j * n + j]! += slope;
        if (i !== undefined) matrix[j * n + i]! -= slope;
      }
    }
    this.#rigid.forEach((e, k) => {
      const row = this.#index.size + k;
      const [i, j] = [this.#index.get(e.a), this.#index.get(e.b)];
      const volts = e.law.kind === 'source' ? e.law.volts : 0;
      right[row] = volts - this.#across(x, e);
      for (const [node, sign] of [
        [i, 1],
        [j, -1],
      ] as const) {
        if (node === undefined) continue;
        right[node]! -= sign * x[row]!;
        matrix[node * n + row]! += sign;
        matrix[row * n + node]! += sign;
      }
    });
    return right.reduce((most, r) => (Math.abs(r) > most || Number.isNaN(r) ? Math.abs(r) : most), 0);
  }

  told(x: Unknowns): SolvedCircuit {
    const volts = new Map<string, number>();
    for (const { a, b } of this.#elements) for (const node of [a, b]) volts.set(node, this.#at(x, node));
    volts.delete(EARTH);
    return { volts, amps: this.#amps(x, 1) };
  }

  #amps(x: Unknowns, share: number): Map<string, number> {
    return new Map(
      this.#elements.map((e) => {
        if (!isRigid(e)) return [e.id, flowOf(e, this.#across(x, e), share)[0]];
        const k = this.#rigid.indexOf(e);
        return [e.id, k < 0 ? 0 : x[this.#index.size + k]!];
      }),
    );
  }

  /** What carries far too much while no load runs. */
  overloaded(x: Unknowns): CircuitFault | undefined {
    const amps = this.#amps(x, 0);
    const over = this.#elements.filter((e) => Math.abs(amps.get(e.id)!) > SHORT);
    if (over.length === 0) return undefined;
    const most = Math.max(...over.map((e) => Math.abs(amps.get(e.id)!)));
    const ids = (kind: CircuitElement['law']['kind']) => over.filter((e) => e.law.kind === kind).map((e) => e.id);
    const sources = ids('source');
    if (sources.length > 1) return { code: 'sourcesOppose', sources, amps: most };
    return { code: 'short', source: sources[0] ?? '', by: ids('resistor'), amps: most };
  }

  /** The load that keeps least of what it had when nothing ran. */
  lowest(x: Unknowns): string {
    const loads = this.#elements.filter((e) => e.law.kind === 'load');
    return loads.reduce((a, b) => (this.#across(x, b) < this.#across(x, a) ? b : a)).id;
  }

  belowLeast(x: Unknowns): string | undefined {
    return this.#elements.find(
      (e) => e.law.kind === 'load' && e.law.least !== undefined && this.#across(x, e) < e.law.least,
    )?.id;
  }
}

/** A through an element that is no source, and how that changes with its voltage. */
function flowOf({ law }: CircuitElement, volts: number, share: number): readonly [amps: number, slope: number] {
  switch (law.kind) {
    case 'resistor':
      return [volts / law.ohms, 1 / law.ohms];
    case 'current':
      return [law.amps * share, 0];
    case 'load':
      return [law.law.current(volts) * share, law.law.slope(volts) * share];
    case 'source':
      return [0, 0];
  }
}
