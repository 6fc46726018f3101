import { EARTH, type CircuitElement, type CircuitFault } from './circuit.ts';

/** What holds its two places at a fixed voltage against one another: a source, or a joint without resistance. */
export const isRigid = ({ law }: CircuitElement): boolean =>
  law.kind === 'source' || (law.kind === 'resistor' && law.ohms === 0);

/** Places joined by some elements, from one of them on. */
function reached(elements: readonly CircuitElement[], from: string): ReadonlyMap<string, readonly CircuitElement[]> {
  const ways = new Map<string, readonly CircuitElement[]>([[from, []]]);
  const wait = [from];
  for (let at = wait.pop(); at !== undefined; at = wait.pop())
    for (const e of elements) {
      const next = e.a === at ? e.b : e.b === at ? e.a : undefined;
      if (next === undefined || ways.has(next)) continue;
      ways.set(next, [...ways.get(at)!, e]);
      wait.push(next);
    }
  return ways;
}

/** Every place that some elements join to one of those, themselves among them. */
export function joinedTo(
  elements: readonly Pick<CircuitElement, 'a' | 'b'>[],
  from: Iterable<string>,
): ReadonlySet<string> {
  const neighbours = new Map<string, string[]>();
  const add = (x: string, y: string) => {
    const known = neighbours.get(x);
    if (known) known.push(y);
    else neighbours.set(x, [y]);
  };
  for (const { a, b } of elements) {
    add(a, b);
    add(b, a);
  }
  const seen = new Set(from);
  const wait = [...seen];
  for (let at = wait.pop(); at !== undefined; at = wait.pop())
    for (const next of neighbours.get(at) ?? []) {
      if (seen.has(next)) continue;
      seen.add(next);
      wait.push(next);
    }
  return seen;
}

/** A place that no source, wire or contact joins to the battery's negative, and what stands there. */
export function floatingNode(
  elements: readonly CircuitElement[],
): { readonly node: string; readonly at: readonly string[] } | undefined {
  const held = joinedTo(
    elements.filter((e) => e.law.kind === 'source' || e.law.kind === 'resistor'),
    [EARTH],
  );
  for (const { a, b } of elements)
    for (const node of [a, b])
      if (!held.has(node)) return { node, at: elements.filter((e) => e.a === node || e.b === node).map((e) => e.id) };
  return undefined;
}

/** A ring of sources with nothing between them; or the joints without resistance that only stand beside others. */
export function rigidRing(
  elements: readonly CircuitElement[],
): { readonly fault: CircuitFault } | { readonly idle: ReadonlySet<CircuitElement> } {
  const taken: CircuitElement[] = [];
  const idle = new Set<CircuitElement>();
  // sources first, so that of a ring with one of them it is the joints that are named
  for (const e of elements.filter(isRigid).sort((p, q) => rank(p) - rank(q))) {
    const way = e.a === e.b ? [] : reached(taken, e.a).get(e.b);
    if (way === undefined) {
      taken.push(e);
      continue;
    }
    const ring = [...way, e];
    const sources = ring.filter((r) => r.law.kind === 'source').map((r) => r.id);
    if (sources.length > 1) return { fault: { code: 'sourcesOppose', sources } };
    if (sources.length === 1)
      return {
        fault: { code: 'short', source: sources[0]!, by: ring.filter((r) => r.law.kind !== 'source').map((r) => r.id) },
      };
    idle.add(e);
  }
  return { idle };
}
const rank = ({ law }: CircuitElement): number => (law.kind === 'source' ? 0 : 1);
