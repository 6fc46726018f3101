import { useEffect, useState } from 'react';
import type { Job } from '@endrel/core/job/job';
import type { OperatingPoint } from '@endrel/core/run/operating-point';
import type { SystemPoint } from '@endrel/core/run/system-curve';
import { longCalculator } from './calculator.ts';

const none: readonly SystemPoint[] = [];

/** What the run asks of a pump, computed in the worker; the last one stays until the next is there. */
export function useSystemCurve(job: Job, pump: string, point: OperatingPoint): readonly SystemPoint[] {
  const [curve, setCurve] = useState(none);
  useEffect(() => {
    let current = true;
    void longCalculator.systemCurve(job, pump, point).then((made) => current && setCurve(made));
    return () => {
      current = false;
    };
  }, [job, pump, point]);
  return curve;
}
