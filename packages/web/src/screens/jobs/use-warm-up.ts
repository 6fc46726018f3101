import { useEffect } from 'react';
import { readJob } from '../../api/jobs.ts';
import { loadJob } from '../../session/kept-jobs.ts';

const QUIET = 1500; // ms after the list is there: what it needs itself comes first

/** While somebody reads the list: what opens a job is fetched, and what reckons it has reckoned one already. */
export function useWarmUp(first: string | undefined): void {
  useEffect(() => {
    if (first === undefined) return;
    let isWanted = true;
    const timer = setTimeout(() => {
      void (async () => {
        const [{ editReckoner }, job] = await Promise.all([
          import('../../calc/calculator.ts'),
          loadJob(first).then((kept) => kept ?? readJob(first)),
          import('../job/JobScreen.tsx').then((m) => m.preloadJob()),
        ]);
        if (isWanted) await editReckoner.warm(job.document);
      })().catch(() => undefined); // it is done when a job is opened, too
    }, QUIET);
    return () => {
      isWanted = false;
      clearTimeout(timer);
    };
  }, [first]);
}
