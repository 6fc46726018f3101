import { useEffect, useState } from 'react';
import type { Job } from '@endrel/core/job/job';
import type { LayoutKey } from '@endrel/core/job/layout';
import type { LaidOut } from '@endrel/core/layouts/compare-layouts';
import { longCalculator } from './calculator.ts';

/** The same job in each of some schools, solved in the worker one after the other. */
export function useLayoutComparison(job: Job, keys: readonly LayoutKey[]): Partial<Record<LayoutKey, LaidOut>> {
  const [comparison, setComparison] = useState<Partial<Record<LayoutKey, LaidOut>>>({});
  const wanted = keys.join();
  useEffect(() => {
    let current = true;
    void (async () => {
      for (const key of wanted.split(',') as LayoutKey[]) {
        const laid = await longCalculator.layOutAndSolve(job, key);
        if (!current) return; // a later edit has overtaken it
        setComparison((before) => ({ ...before, [key]: laid }));
      }
    })();
    return () => {
      current = false;
    };
  }, [job, wanted]);
  return comparison;
}
