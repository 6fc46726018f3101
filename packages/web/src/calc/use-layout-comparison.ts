import { useEffect, useState } from 'react';
import type { Assessment } from '@endrel/core/assess';
import { applyAct } from '@endrel/core/job/acts/apply-act';
import type { Job } from '@endrel/core/job/job';
import { layouts, type LayoutKey } from '@endrel/core/job/layout';
import { calculator } from './calculator.ts';

export interface LaidOut {
  readonly job: Job;
  readonly assessment: Assessment;
}

/** The same job in each school, solved: what each would come to with the parts there are. */
export function useLayoutComparison(job: Job): Partial<Record<LayoutKey, LaidOut>> {
  const [comparison, setComparison] = useState<Partial<Record<LayoutKey, LaidOut>>>({});
  useEffect(() => {
    let current = true;
    void (async () => {
      for (const key of Object.keys(layouts) as LayoutKey[]) {
        const laid =
          job.layout.key === key && job.run.supply.length > 0 ? job : applyAct(job, { act: 'chooseLayout', key });
        const assessment = await calculator.assess(laid);
        if (!current) return;
        setComparison((known) => ({ ...known, [key]: { job: laid, assessment } }));
      }
    })();
    return () => {
      current = false;
    };
  }, [job]);
  return comparison;
}
