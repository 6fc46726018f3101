import { useEffect, useState } from 'react';
import type { Job } from '@endrel/core/job/job';
import type { PickupMap } from '@endrel/core/tanks/pickup';
import { longCalculator } from './calculator.ts';

/** The pickup's map of a job, computed in the worker; the last one stays until the next is there. */
export function usePickupMap(job: Job): PickupMap | undefined {
  const [map, setMap] = useState<PickupMap>();
  const { survey, hanger } = job;
  useEffect(() => {
    let current = true;
    void longCalculator.pickupMap(job).then((made) => current && setMap(made));
    return () => {
      current = false;
    };
  }, [survey.tank, hanger]); // eslint-disable-line react-hooks/exhaustive-deps -- nothing else of the job changes it
  return map;
}
