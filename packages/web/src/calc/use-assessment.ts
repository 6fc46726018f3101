import { useEffect, useMemo, useState } from 'react';
import type { Assessment } from '@endrel/core/assess';
import type { Job } from '@endrel/core/job/job';
import { editReckoner } from './calculator.ts';
import { JobFollower } from './job-follower.ts';

/** The assessment of a job, reckoned in the worker at each edit; the last one stays until the next is there. */
export function useAssessment(job: Job): Assessment | undefined {
  const [assessment, setAssessment] = useState<Assessment>();
  const follower = useMemo(
    () =>
      new JobFollower(editReckoner, (said, since) => {
        performance.measure('endrel: edit to consequences', { start: since });
        setAssessment(said);
      }),
    [],
  );
  useEffect(() => follower.follow(job), [follower, job]);
  return assessment;
}
