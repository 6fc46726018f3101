import { useState } from 'react';
import type { Job } from '@endrel/core/job/job';
import type { PickupMap } from '@endrel/core/tanks/pickup';
import { useLong } from './use-long.ts';

/** The pickup's map of a job, computed in a worker; the last one stays until the next is there. */
export function usePickupMap(job: Job): PickupMap | undefined {
  const [map, setMap] = useState<PickupMap>();
  const { survey, hanger } = job;
  useLong((at) => at.pickupMap(job).then(setMap), [survey.tank, hanger]); // nothing else of the job changes it
  return map;
}
