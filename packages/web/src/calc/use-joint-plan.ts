import * as Comlink from 'comlink';
import { useEffect, useState } from 'react';
import type { Chain, ChainWants, Obstacle } from '@endrel/core/fittings/chain-search';
import type { Port } from '@endrel/core/fittings/port';
import type { Job } from '@endrel/core/job/job';
import type { JointPlan } from '@endrel/core/joints/chain-plan';
import type { CommonSize } from '@endrel/core/joints/common-sizes';
import type { ShelfPart } from '@endrel/core/fittings/stock';
import { longCalculator } from './calculator.ts';

/** How every joint stands and the chains for it, worked out in the worker; those of the job before stay until they are there. */
export function useJointPlan(
  job: Job,
  shelf: readonly ShelfPart[] | undefined,
): { plans: readonly JointPlan[]; of: Job | undefined } {
  const [state, setState] = useState<{ plans: readonly JointPlan[]; of: Job | undefined }>({
    plans: [],
    of: undefined,
  });
  useEffect(() => {
    if (!shelf) return;
    let current = true;
    void longCalculator.jointPlan(job, shelf).then((plans) => {
      if (current) setState({ plans, of: job });
    });
    return () => {
      current = false;
    };
  }, [job, shelf]);
  return state;
}

/** Common sizes one after the other; an edit starts them again. */
export function useCommonSizes(
  job: Job,
  shelf: readonly ShelfPart[] | undefined,
): { sizes: readonly CommonSize[]; working: boolean } {
  const [state, setState] = useState<{ sizes: readonly CommonSize[]; doneFor?: Job }>({ sizes: [] });
  useEffect(() => {
    if (!shelf) return;
    let current = true;
    const sizes: CommonSize[] = [];
    const onFound = (size: CommonSize) => {
      if (!current) return false;
      sizes.push(size);
      setState({ sizes: [...sizes] });
      return true;
    };
    void longCalculator.commonSizes(job, shelf, Comlink.proxy(onFound)).then(() => {
      if (current) setState({ sizes, doneFor: job });
    });
    return () => {
      current = false;
    };
  }, [job, shelf]);
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
  useEffect(() => {
    if (!from || !to || !shelf) return;
    let current = true;
    void longCalculator.chains(from, to, wants, shelf).then((answer) => {
      if (current) setFound(answer);
    });
    return () => {
      current = false;
    };
    // what is asked says all of it
  }, [asked, shelf]); // eslint-disable-line react-hooks/exhaustive-deps
  return from && to ? found : undefined;
}
