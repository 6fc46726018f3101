import { useEffect, useLayoutEffect, useMemo, useState } from 'react';
import { flushSync } from 'react-dom';
import type { Assessment } from '@endrel/core/assess';
import type { JobSession } from '../session/job-session.ts';
import { editReckoner } from './calculator.ts';
import { JobFollower } from './job-follower.ts';

interface Said {
  readonly assessment: Assessment;
  readonly since: number;
}

/**
 * The assessment of the job being edited, reckoned in the worker at each edit; the last one stays until the next is there. The
 * worker is told before the edit is drawn, so that both go on side by side.
 */
export function useFollowed(session: JobSession): Assessment | undefined {
  const [said, setSaid] = useState<Said>();
  const follower = useMemo(
    () =>
      new JobFollower(editReckoner, (assessment, since) => {
        flushSync(() => setSaid({ assessment, since })); // drawn before whatever else waits for its turn
      }),
    [],
  );
  useEffect(() => {
    const follow = () =>
      follower.follow(session.getSnapshot().job).catch((fault: unknown) => {
        setSaid(undefined); // nothing is said rather than what was true before
        throw fault;
      });
    void follow();
    return session.subscribe(() => void follow());
  }, [follower, session]);
  useLayoutEffect(() => {
    if (said) performance.measure('endrel: edit to consequences', { start: said.since });
  }, [said]);
  return said?.assessment;
}
