import { useState } from 'react';
import type { Chain, ChainWants, Obstacle } from '@endrel/core/fittings/chain-search';
import type { Port } from '@endrel/core/fittings/port';
import type { Job } from '@endrel/core/job/job';
import type { JointPlan } from '@endrel/core/joints/chain-plan';
import type { CommonSize } from '@endrel/core/joints/common-sizes';
import type { ShelfPart } from '@endrel/core/fittings/stock';
import { useLong } from './use-long.ts';

/** How every joint stands and the chains for it, worked out in the worker; those of the job before stay until they are there. */
export function useJointPlan(
  job: Job,
  shelf: readonly ShelfPart[] | undefined,
): { plans: readonly JointPlan[]; of: Job | undefined } {
  const [state, setState] = useState<{ plans: readonly JointPlan[]; of: Job | undefined }>({
    plans: [],
    of: undefined,
  });
  useLong((at) => shelf && at.jointPlan(job, shelf).then((plans) => setState({ plans, of: job })), [job, shelf]);
  return state;
}

/** Common sizes one after the other; an edit starts them again. */
export function useCommonSizes(
  job: Job,
  shelf: readonly ShelfPart[] | undefined,
): { sizes: readonly CommonSize[]; working: boolean } {
  const [state, setState] = useState<{ sizes: readonly CommonSize[]; doneFor?: Job }>({ sizes: [] });
  useLong(
    (at) => {
      if (!shelf) return undefined;
      const sizes: CommonSize[] = [];
      const onFound = (size: CommonSize) => {
        sizes.push(size);
        setState({ sizes: [...sizes] });
        return true;
      };
      return at.commonSizes(job, shelf, onFound).then(() => setState({ sizes, doneFor: job }));
    },
    [job, shelf],
  );
  return { sizes: state.sizes, working: state.doneFor !== job };
}

/** What a search from port to port found. */
export interface Found {
  readonly chains: readonly Chain[];
  readonly obstacles: readonly Obstacle[];
  readonly took: number;
}

/** Chains from port to port, asked of the worker whenever what is wanted changes. */
export function useChains(
  from: Port | undefined,
  to: Port | undefined,
  wants: ChainWants,
  shelf: readonly ShelfPart[] | undefined,
): Found | undefined {
  const [found, setFound] = useState<Found>();
  const asked = JSON.stringify([from, to, { ...wants, materials: [...(wants.materials ?? [])] }]);
  // what is asked says all of it
  useLong((at) => (from && to && shelf ? at.chains(from, to, wants, shelf).then(setFound) : undefined), [asked, shelf]);
  return from && to ? found : undefined;
}
