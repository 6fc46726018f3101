import type { Job } from '@endrel/core/job/job';
import type { ShelfPart } from '@endrel/core/fittings/stock';
import { findingsOf } from '@endrel/core/reckoning/findings';
import { proposeHose, type HoseSearch } from '@endrel/core/routes/hose-proposals';
import { allowedRadius } from '@endrel/core/routes/lines';
import { placings, type Placing } from '@endrel/core/sizing/placing';
import { tubeInstead, type TubeInstead } from '@endrel/core/routes/tube-instead';

/** What a search for the ends of a hose came to. */
export interface HoseAnswer extends HoseSearch {
  readonly tube?: TubeInstead;
  /** ms that it took. */
  readonly took: number;
}

/** What routes ask of the worker. */
export const routeCalculator = {
  /** Ends, clockings and length of a hose, pair by pair; stops when told that they are no longer wanted. */
  async hoseEnds(
    job: Job,
    line: string,
    shelf: readonly ShelfPart[],
    onProgress: (done: number, of: number) => boolean | Promise<boolean>,
  ): Promise<HoseAnswer | undefined> {
    const start = performance.now();
    const routed = findingsOf(job).routes.lines.find((l) => l.part === line);
    const hose = job.parts[line];
    const allowed = hose?.kind === 'hose' ? allowedRadius(hose) : undefined;
    if (!routed || hose?.kind !== 'hose' || allowed === undefined) return undefined;
    const steps = proposeHose(job, routed, allowed, shelf);
    for (;;) {
      const { done, value } = steps.next();
      if (done) {
        const tube = tubeInstead(routed, hose, allowed, value.proposals.length > 0);
        return { ...value, ...(tube ? { tube } : {}), took: performance.now() - start };
      }
      if (!(await onProgress(value.done, value.of))) return undefined;
    }
  },
  /** Places one after the other; stops when told that they are no longer wanted. */
  async placings(job: Job, onFound: (placing: Placing) => boolean | Promise<boolean>): Promise<void> {
    for (const placing of placings(job)) if (!(await onFound(placing))) return;
  },
};
