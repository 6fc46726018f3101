import { useEffect } from 'react';
import { readJob } from '../../api/jobs.ts';
import { whenQuiet } from '../../components/when-quiet.ts';
import { loadJob } from '../../session/kept-jobs.ts';

/** While somebody reads the list: what opens a job is fetched, and what reckons it has reckoned one already. */
export function useWarmUp(first: string | undefined): void {
  useEffect(() => {
    if (first === undefined) return;
    let isWanted = true;
    const leave = whenQuiet(async () => {
      const [{ editReckoner }, job] = await Promise.all([
        import('../../calc/calculator.ts'),
        loadJob(first).then((kept) => kept ?? readJob(first)),
        import('../job/JobScreen.tsx').then((m) => m.preloadJob()),
      ]);
      if (isWanted) await editReckoner.warm(job.document);
    });
    return () => {
      isWanted = false;
      leave();
    };
  }, [first]);
}
