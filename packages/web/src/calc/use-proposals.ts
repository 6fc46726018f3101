import * as Comlink from 'comlink';
import { useEffect, useState } from 'react';
import type { Job } from '@endrel/core/job/job';
import type { LibraryPump, Proposal } from '@endrel/core/sizing/proposals';
import { longCalculator } from './calculator.ts';

export interface Proposing {
  /** As they are found; those of the job before stay until the first of this one. */
  readonly found: readonly Proposal[];
  readonly working: boolean;
}

/** Sizes worked out in the worker, one after the other; an edit starts them again. */
export function useProposals(job: Job, library: readonly LibraryPump[]): Proposing {
  const [state, setState] = useState<{ found: readonly Proposal[]; doneFor?: Job }>({ found: [] });
  useEffect(() => {
    let current = true;
    const found: Proposal[] = [];
    const onFound = (proposal: Proposal) => {
      if (!current) return false;
      found.push(proposal);
      setState({ found: [...found] });
      return true;
    };
    void longCalculator.proposals(job, library, Comlink.proxy(onFound)).then(() => {
      if (current) setState({ found, doneFor: job });
    });
    return () => {
      current = false;
    };
  }, [job, library]);
  return { found: state.found, working: state.doneFor !== job };
}
