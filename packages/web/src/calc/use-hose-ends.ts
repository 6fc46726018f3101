import * as Comlink from 'comlink';
import { useEffect, useRef, useState } from 'react';
import type { Job } from '@endrel/core/job/job';
import type { ShelfPart } from '@endrel/core/fittings/stock';
import { longCalculator } from './calculator.ts';
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
  const turn = useRef(0);
  useEffect(() => () => void turn.current++, []);
  return {
    // what a person just took changes the job, not what was found for its ports
    answer: state.answer,
    progress: state.progress,
    start() {
      const mine = ++turn.current;
      setState({ of: job, progress: { done: 0, of: 1 } });
      const onProgress = (done: number, of: number): boolean => {
        if (turn.current !== mine) return false;
        setState({ of: job, progress: { done, of } });
        return true;
      };
      void longCalculator.hoseEnds(job, line, shelf ?? [], Comlink.proxy(onProgress)).then((answer) => {
        if (turn.current === mine) setState({ of: job, answer });
      });
    },
    cancel() {
      turn.current++;
      setState({});
    },
  };
}
