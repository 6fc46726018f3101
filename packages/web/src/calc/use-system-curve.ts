import { useState } from 'react';
import type { Job } from '@endrel/core/job/job';
import type { OperatingPoint } from '@endrel/core/run/operating-point';
import type { SystemPoint } from '@endrel/core/run/system-curve';
import { useLong } from './use-long.ts';

const none: readonly SystemPoint[] = [];

/** What the run asks of a pump, computed in a worker; the last one stays until the next is there. */
export function useSystemCurve(job: Job, pump: string, point: OperatingPoint): readonly SystemPoint[] {
  const [curve, setCurve] = useState(none);
  useLong((at) => at.systemCurve(job, pump, point).then(setCurve), [job, pump, point]);
  return curve;
}
