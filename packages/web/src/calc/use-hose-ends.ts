import { useEffect, useRef, useState } from 'react';
import type { Job } from '@endrel/core/job/job';
import type { ShelfPart } from '@endrel/core/fittings/stock';
import { long } from './calculator.ts';
import type { HoseAnswer } from './route-calculator.ts';

export interface HoseEndSearch {
  readonly answer?: HoseAnswer;
  readonly progress?: { readonly done: number; readonly of: number };
  start(): void;
  cancel(): void;
}

/** The search for a hose's ends in the worker, when it is asked for; the answer of another state of the job is not shown. */
export function useHoseEnds(job: Job, line: string, shelf: readonly ShelfPart[] | undefined): HoseEndSearch {
  const [state, setState] = useState<{ of?: Job; answer?: HoseAnswer; progress?: { done: number; of: number } }>({});
  const control = useRef<AbortController>(undefined);
  useEffect(() => () => control.current?.abort(), []);
  return {
    // what a person just took changes the job, not what was found for its ports
    answer: state.answer,
    progress: state.progress,
    start() {
      control.current?.abort();
      const { signal } = (control.current = new AbortController());
      setState({ of: job, progress: { done: 0, of: 1 } });
      const onProgress = (done: number, of: number): boolean => {
        setState({ of: job, progress: { done, of } });
        return true;
      };
      void long(signal)
        .hoseEnds(job, line, shelf ?? [], onProgress)
        .then((answer) => setState({ of: job, ...(answer ? { answer } : {}) }))
        .catch((fault: unknown) => signal.aborted || reportError(fault));
    },
    cancel() {
      control.current?.abort();
      setState({});
    },
  };
}
