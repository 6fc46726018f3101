import { useEffect, type DependencyList } from 'react';
import { long, type Long } from './calculator.ts';

/**
 * Asks the long workers whenever what it is asked for changes, and lets go of what was asked before.
 *
 * @param work - tells what it found only while `isWanted`; undefined where there is nothing to ask.
 */
export function useLong(
  work: (at: Long, isWanted: () => boolean) => Promise<unknown> | undefined,
  deps: DependencyList,
): void {
  useEffect(() => {
    const control = new AbortController();
    const isWanted = () => !control.signal.aborted;
    work(long(control.signal), isWanted)?.catch((fault: unknown) => {
      if (isWanted()) reportError(fault);
    });
    return () => control.abort();
  }, deps); // eslint-disable-line react-hooks/exhaustive-deps -- whoever asks says what it depends on
}
