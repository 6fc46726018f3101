import { useEffect, useLayoutEffect, useMemo, useState } from 'react';
import { flushSync } from 'react-dom';
import type { Assessment } from '@endrel/core/assessment/assess';
import type { JobSession } from '../session/job-session.ts';
import { editReckoner } from './calculator.ts';
import { JobFollower } from './job-follower.ts';

/**
 * What is known of a job: nothing yet, what was found at the last visit, what was judged now, or that it cannot be judged here. The
 * page never says that all is well before it has judged.
 */
export type Reckoning =
  | { readonly state: 'reckoning' }
  | { readonly state: 'kept'; readonly assessment: Assessment }
  | { readonly state: 'judged'; readonly assessment: Assessment; readonly since: number }
  | { readonly state: 'failed'; readonly why: string; again(): void };

/**
 * The assessment of the job being edited, reckoned in the worker at each edit; the last one stays until the next is there. The
 * worker is told before the edit is drawn, so that both go on side by side.
 *
 * @param kept - what was said of the job as it is opened, at the last visit.
 */
export function useFollowed(session: JobSession, kept: Assessment | undefined): Reckoning {
  const [said, setSaid] = useState<Reckoning>(kept ? { state: 'kept', assessment: kept } : { state: 'reckoning' });
  const follower = useMemo(
    () =>
      new JobFollower(editReckoner, (assessment, since) => {
        flushSync(() => setSaid({ state: 'judged', assessment, since })); // drawn before whatever else waits for its turn
      }),
    [],
  );
  const follow = useMemo(() => {
    const go = (): void => {
      void follower.follow(session.getSnapshot().job).catch((fault: unknown) => {
        const again = () => {
          setSaid({ state: 'reckoning' });
          follower.forget();
          go();
        };
        // nothing is said rather than what was true before
        setSaid({ state: 'failed', why: fault instanceof Error ? fault.message : String(fault), again });
      });
    };
    return go;
  }, [follower, session]);
  useEffect(() => {
    follow();
    return session.subscribe(follow);
  }, [follow, session]);
  useLayoutEffect(() => {
    if (said.state === 'judged') performance.measure('endrel: edit to consequences', { start: said.since });
  }, [said]);
  return said;
}
