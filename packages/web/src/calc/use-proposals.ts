import { useState } from 'react';
import type { Job } from '@endrel/core/job/job';
import type { LibraryPump, Proposal } from '@endrel/core/sizing/proposals';
import { useLong } from './use-long.ts';

export interface Proposing {
  /** As they are found; those of the job before stay until the first of this one. */
  readonly found: readonly Proposal[];
  readonly working: boolean;
}

/** Sizes worked out in the worker, one after the other; an edit starts them again. */
export function useProposals(job: Job, library: readonly LibraryPump[]): Proposing {
  const [state, setState] = useState<{ found: readonly Proposal[]; doneFor?: Job }>({ found: [] });
  useLong(
    (at) => {
      const found: Proposal[] = [];
      const onFound = (proposal: Proposal) => {
        found.push(proposal);
        setState({ found: [...found] });
        return true;
      };
      return at.proposals(job, library, onFound).then(() => setState({ found, doneFor: job }));
    },
    [job, library],
  );
  return { found: state.found, working: state.doneFor !== job };
}
