import type { Chain } from '../fittings/chain-search.ts';
import { describePort } from '../fittings/port.ts';
import type { Findings } from '../reckoning/findings.ts';
import type { JointFinding } from '../run/joints.ts';
import { ChainPlanner } from './chain-plan.ts';
import { genericSearch } from '../fittings/stock.ts';

let planner: ChainPlanner | undefined;

/** The best chain of generic parts for a joint; undefined where there is none. What was found is remembered. */
export function bestChain(
  joint: JointFinding,
  { fuel, solution, job }: Pick<Findings, 'fuel' | 'solution' | 'job'>,
): Chain | undefined {
  planner ??= new ChainPlanner(genericSearch());
  return planner.plan({ joints: [joint], fuel, solution, job })[0]?.chains[0];
}

/** “elbow, then hose end” */
export const sayChain = ({ links }: Chain): string =>
  links.length === 0
    ? 'nothing between'
    : links
        .map(
          ({ adapter, in: a, out: b }) =>
            `${adapter.name} (${describePort(adapter.ports[a]!)} to ${describePort(adapter.ports[b]!)})`,
        )
        .join(', then ');
