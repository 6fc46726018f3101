import { useEffect, useRef, useState } from 'react';
import type { Assessment } from '@endrel/core/assess';
import type { Job } from '@endrel/core/job/job';
import { calculator } from './calculator.ts';

/** The assessment of a job, recomputed in the worker at each edit; the last one stays until the next is there. */
export function useAssessment(job: Job): Assessment | undefined {
  const [assessment, setAssessment] = useState<Assessment>();
  const newest = useRef(0);
  useEffect(() => {
    const turn = ++newest.current;
    const started = performance.now();
    void calculator.assess(job).then((result) => {
      if (turn !== newest.current) return; // a later edit has overtaken it
      performance.measure('endrel: edit to consequences', { start: started });
      setAssessment(result);
    });
  }, [job]);
  return assessment;
}
