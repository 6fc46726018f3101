import { hoseStart, type HoseEndForm, type Seat } from './hose-end.ts';
import { gentlest, quickLook } from './hose-shape.ts';
import type { HoseEnds, Load } from './rod.ts';
import { turnBound } from './turn-bound.ts';
import { angleBetween, length, sub, times, type Vec } from './vector.ts';

/** Two hose ends, how each is clocked, and the hose between them. SI. */
export interface EndPair {
  readonly first: HoseEndForm;
  readonly firstClock: number;
  readonly second: HoseEndForm;
  readonly secondClock: number;
  /** Length of the hose over the way between its ends. */
  readonly slack: number;
  readonly long: number;
  readonly ends: HoseEnds;
  readonly leastRadius: number;
}

export interface EndSearch {
  readonly forms: readonly HoseEndForm[];
  /** Those that may go on the second port, where they are others. */
  readonly secondForms?: readonly HoseEndForm[];
  /** Lengths that are tried, over the way between the ends of the hose. */
  readonly slacks: readonly number[];
  /** Clockings that are told apart, rad. */
  readonly step?: number;
  /** The ends of the hose are no nearer to one another, m. */
  readonly leastChord: number;
  readonly count?: number;
}

const STEP = Math.PI / 36; // 5°, as close as anybody clocks a hose end
const COARSE = 3; // steps between clockings where climbing may begin
const STARTS = 4; // for each pair of ends and slack
const MARCH = 20; // steps along the hose, to compare

interface Leaving {
  readonly at: Vec;
  readonly dir: Vec;
}
interface Begin {
  readonly first: number;
  readonly second: number;
  readonly slack: number;
  readonly i: number;
  readonly j: number;
  readonly bound: number;
}
interface Found extends Begin {
  readonly leastRadius: number;
  readonly load: Load;
}

/**
 * The pairs of hose ends, with their clocking and length, between which a hose bends least tightly; the gentlest first, each pair once.
 *
 * Climbs from the clockings that a bound promises most of; whatever the bound rules out is not solved.
 */
export function bestEndPairs(a: Seat, b: Seat, search: EndSearch): EndPair[] {
  const { forms, secondForms = forms, slacks, step = STEP, leastChord, count = 5 } = search;
  const clocks = Math.round((2 * Math.PI) / step);
  const leave = (seat: Seat, form: HoseEndForm): Leaving[] =>
    Array.from({ length: form.angle === 0 ? 1 : clocks }, (_, i) => hoseStart(seat, form, i * step));
  const [firsts, seconds] = [forms.map((f) => leave(a, f)), secondForms.map((f) => leave(b, f))];
  const begins = slacks.flatMap((slack) => {
    const bound = turnBound(slack);
    return firsts.flatMap((from, first) =>
      seconds.flatMap((to, second) => promising({ first, second, slack }, from, to, bound, leastChord)),
    );
  });
  begins.sort((p, q) => q.bound - p.bound);
  const best = new Map<number, Found>();
  const last = () => [...best.values()].map((f) => f.leastRadius).sort((p, q) => q - p)[count - 1] ?? 0;
  for (const begin of begins) {
    const key = begin.first * seconds.length + begin.second;
    if (begin.bound < last()) break;
    if (begin.bound < (best.get(key)?.leastRadius ?? 0)) continue;
    const found = climb(begin, firsts[begin.first]!, seconds[begin.second]!, leastChord);
    if (found && found.leastRadius > (best.get(key)?.leastRadius ?? 0)) best.set(key, found);
  }
  return [...best.values()]
    .sort((p, q) => q.leastRadius - p.leastRadius)
    .slice(0, count)
    .map(({ first, second, slack, i, j }): EndPair => {
      const ends = endsOf(firsts[first]![i]!, seconds[second]![j]!);
      const long = slack * length(sub(ends.b, ends.a));
      return {
        first: forms[first]!,
        firstClock: i * step,
        second: secondForms[second]!,
        secondClock: j * step,
        slack,
        long,
        ends,
        leastRadius: gentlest(ends, long, MARCH)?.leastRadius ?? 0,
      };
    })
    .sort((p, q) => q.leastRadius - p.leastRadius);
}

const endsOf = (from: Leaving, to: Leaving): HoseEnds => ({
  a: from.at,
  dirA: from.dir,
  b: to.at,
  dirB: times(-1, to.dir),
});

/** Bound of the least radius, m; 0 where the ends are too near. */
function boundOf(
  { at, dir }: Leaving,
  to: Leaving,
  slack: number,
  bound: ReturnType<typeof turnBound>,
  leastChord: number,
): number {
  const way = sub(to.at, at);
  const chord = length(way);
  if (chord < leastChord) return 0;
  const turn = Math.PI - angleBetween(dir, to.dir);
  const long = slack * chord;
  const byEnds = long * bound(angleBetween(dir, way), Math.PI - angleBetween(to.dir, way));
  return turn > 1e-9 ? Math.min(byEnds, long / turn) : byEnds;
}

/** Clockings of one pair of ends that the bound promises most of, apart from one another. */
function promising(
  pair: Pick<Begin, 'first' | 'second' | 'slack'>,
  from: readonly Leaving[],
  to: readonly Leaving[],
  bound: ReturnType<typeof turnBound>,
  leastChord: number,
): Begin[] {
  const [n, m] = [Math.ceil(from.length / COARSE), Math.ceil(to.length / COARSE)];
  const bounds = new Float64Array(n * m);
  for (let i = 0; i < n; i++)
    for (let j = 0; j < m; j++)
      bounds[i * m + j] = boundOf(from[i * COARSE]!, to[j * COARSE]!, pair.slack, bound, leastChord);
  const begins: Begin[] = [];
  for (let i = 0; i < n; i++)
    for (let j = 0; j < m; j++) {
      const here = bounds[i * m + j]!;
      if (here === 0) continue;
      let isPeak = true;
      for (const [u, v] of AROUND) if (bounds[((i + u + n) % n) * m + ((j + v + m) % m)]! > here) isPeak = false;
      if (isPeak) begins.push({ ...pair, i: i * COARSE, j: j * COARSE, bound: here });
    }
  return begins.sort((p, q) => q.bound - p.bound).slice(0, STARTS);
}
const AROUND = [-1, 0, 1].flatMap((u) => [-1, 0, 1].map((v) => [u, v] as const)).filter(([u, v]) => u !== 0 || v !== 0);

/** From clocking to clocking as long as the hose gets gentler: in ever shorter steps. */
function climb(begin: Begin, from: readonly Leaving[], to: readonly Leaving[], leastChord: number): Found | undefined {
  const solved = new Map<number, Found | undefined>();
  const at = (i: number, j: number, near: Load | undefined): Found | undefined => {
    const key = i * to.length + j;
    if (solved.has(key)) return solved.get(key);
    const ends = endsOf(from[i]!, to[j]!);
    const chord = length(sub(ends.b, ends.a));
    const found = chord < leastChord ? undefined : quickLook(ends, begin.slack * chord, near, MARCH);
    const told = found && { ...begin, i, j, ...found };
    solved.set(key, told);
    return told;
  };
  let here = at(begin.i, begin.j, undefined);
  if (!here) return undefined;
  for (const stride of [8, 5, 3, 2, 1]) {
    for (let moved = true; moved;) {
      moved = false;
      for (const [u, v] of AROUND) {
        const i = wrapped(here.i + u * stride, from.length);
        const j = wrapped(here.j + v * stride, to.length);
        const next = at(i, j, here.load);
        if (next && next.leastRadius > here.leastRadius * (1 + 1e-9)) {
          here = next;
          moved = true;
          break;
        }
      }
    }
  }
  return here;
}
const wrapped = (i: number, n: number): number => ((i % n) + n) % n;
