import { useState } from 'react';
import type { Job } from '@endrel/core/job/job';
import type { LayoutKey } from '@endrel/core/job/layout';
import type { LaidOut } from '@endrel/core/layouts/compare-layouts';
import { useLong } from './use-long.ts';

/** The same job in each of some schools, solved in the worker one after the other. */
export function useLayoutComparison(job: Job, keys: readonly LayoutKey[]): Partial<Record<LayoutKey, LaidOut>> {
  const [comparison, setComparison] = useState<Partial<Record<LayoutKey, LaidOut>>>({});
  const wanted = keys.join();
  useLong(
    async (at) => {
      for (const key of wanted.split(',') as LayoutKey[]) {
        const laid = await at.layOutAndSolve(job, key); // a later edit that overtakes it throws here
        setComparison((before) => ({ ...before, [key]: laid }));
      }
    },
    [job, wanted],
  );
  return comparison;
}
