import { adaptersOf, type Adapter } from '../fittings/adapter.ts';
import { obstacles, type Chain, type ChainSearch, type ChainWants, type Obstacle } from '../fittings/chain-search.ts';
import { mate } from '../fittings/mating.ts';
import type { ActOf } from '../acts/act.ts';
import { readFrom } from '../parts/joint.ts';
import type { Findings } from '../reckoning/findings.ts';
import { joined, seals, type JointFinding } from '../run/joints.ts';
import { jointWants } from './joint-wants.ts';

/**
 * How a joint stands: its ends mate as they are, its chain is chosen and seals, it opens into the tank, an end is unknown, it wants
 * a chain, or had one that fits no more.
 */
export type JointState = 'mates' | 'chosen' | 'opens' | 'unknown' | 'wants' | 'stale';

export interface JointPlan {
  readonly joint: string;
  readonly state: JointState;
  /** Best first, from the end that fuel comes from; none where the ends mate by themselves. */
  readonly chains: readonly Chain[];
  /** What stands in the way where there is none. */
  readonly obstacles: readonly Obstacle[];
  readonly wants: ChainWants;
}

export function stateOf(joint: JointFinding): JointState {
  if (joint.opens) return 'opens';
  const sealed = seals(joint);
  if (sealed === undefined) return 'unknown';
  if (joint.chain.length > 0) return sealed ? 'chosen' : 'stale';
  return sealed ? 'mates' : 'wants';
}

/** Searches a stock, and remembers what it found: an edit asks again for the few joints that it touched only. */
export class ChainPlanner {
  readonly #search: ChainSearch;
  readonly #kept = new Map<string, Pick<JointPlan, 'chains' | 'obstacles'>>();

  constructor(search: ChainSearch) {
    this.#search = search;
  }

  /** The best chains of every joint that takes one. */
  plan({ joints, fuel, solution, job }: Pick<Findings, 'joints' | 'fuel' | 'solution' | 'job'>): JointPlan[] {
    return joints.map((joint): JointPlan => {
      const state = stateOf(joint);
      const wants = jointWants(joint, { fuel, solution, job });
      if (state === 'mates' || state === 'opens' || state === 'unknown')
        return { joint: joint.id, state, chains: [], obstacles: [], wants };
      return { joint: joint.id, state, ...this.#between(joint, wants), wants };
    });
  }

  #between({ outlet, inlet }: JointFinding, wants: ChainWants): Pick<JointPlan, 'chains' | 'obstacles'> {
    const [from, to] = [outlet.fitting!, inlet.fitting!];
    // ends that mate by themselves are pointed before they are drawn up
    if (wants.swivel && mate(from, to).mates) wants = { ...wants, swivel: false };
    const key = JSON.stringify([from, to, { ...wants, materials: [...(wants.materials ?? [])] }]);
    const kept = this.#kept.get(key);
    if (kept) return kept;
    const chains = this.#search.find(from, to, wants);
    const found = { chains, obstacles: chains.length > 0 ? [] : obstacles(this.#search, from, to, wants) };
    if (this.#kept.size >= MOST_KEPT) this.#kept.delete(this.#kept.keys().next().value!);
    this.#kept.set(key, found);
    return found;
  }
}
const MOST_KEPT = 500;

/** A chain as its joint keeps it: from the joint's own first end; of ends that mate by themselves none. */
export const keptChain = ({ joint, outlet }: JointFinding, chain: Chain): readonly Adapter[] | undefined =>
  chain.links.length === 0 ? undefined : readFrom(joint, outlet, adaptersOf(chain));

/** The best chain for a joint that has none, or one that fits no more. */
const toPutIn = (plan: JointPlan | undefined): Chain | undefined =>
  plan?.state === 'wants' || plan?.state === 'stale' ? plan.chains[0] : undefined;

/** Every joint as it is planned: what wants adapters with the best chain in it. */
export function planned(joints: readonly JointFinding[], plans: readonly JointPlan[]): JointFinding[] {
  const byId = new Map(plans.map((p) => [p.joint, p]));
  return joints.map((joint) => {
    const best = toPutIn(byId.get(joint.id));
    return best ? joined(joint, adaptersOf(best)) : joint;
  });
}

/** Fills every joint that wants a chain, or whose chain fits no more, with the best one; those that are chosen stay. */
export function fillJoints(
  joints: readonly JointFinding[],
  plans: readonly JointPlan[],
): ActOf<'setOnJoints'> | undefined {
  const byId = new Map(joints.map((j) => [j.id, j]));
  const changes = plans.flatMap((plan) => {
    const best = toPutIn(plan);
    return best ? [changeOf(byId.get(plan.joint)!, best)] : [];
  });
  if (changes.length === 0) return undefined;
  return {
    act: 'setOnJoints',
    changes,
    title: changes.length === 1 ? 'fill a joint' : `fill ${changes.length} joints`,
  };
}

/** Another chain in a joint, or none. */
export const chooseChain = (joint: JointFinding, chain: Chain | undefined): ActOf<'setOnJoints'> => ({
  act: 'setOnJoints',
  changes: [changeOf(joint, chain)],
  title: chain?.links.length ? `another chain in joint ${joint.number}` : `no adapters in joint ${joint.number}`,
});

/** A field that is absent is taken out. */
function changeOf(joint: JointFinding, chain: Chain | undefined) {
  const value = chain && keptChain(joint, chain);
  return { id: joint.id, key: 'chain', ...(value ? { value } : {}) };
}

/** Parts by code, with how many. */
export type Counts = ReadonlyMap<string, { readonly adapter: Adapter; readonly count: number }>;

export function countAdapters(adapters: Iterable<Adapter>): Counts {
  const counts = new Map<string, { adapter: Adapter; count: number }>();
  for (const adapter of adapters)
    counts.set(adapter.code, { adapter, count: (counts.get(adapter.code)?.count ?? 0) + 1 });
  return counts;
}

/** What chosen chains would become waste if every joint that no longer seals were filled anew. */
export function wasteOf(
  joints: readonly JointFinding[],
  plans: readonly JointPlan[],
): { adapter: Adapter; count: number }[] {
  const before = countAdapters(joints.flatMap((j) => j.chain));
  const after = countAdapters(planned(joints, plans).flatMap((j) => j.chain));
  return [...before.values()].flatMap(({ adapter, count }) => {
    const left = count - (after.get(adapter.code)?.count ?? 0);
    return left > 0 ? [{ adapter, count: left }] : [];
  });
}
