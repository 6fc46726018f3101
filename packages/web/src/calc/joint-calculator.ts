import Papa from 'papaparse';
import type { Chain, ChainWants, Obstacle } from '@endrel/core/fittings/chain-search';
import { ChainSearch, obstacles } from '@endrel/core/fittings/chain-search';
import type { Port } from '@endrel/core/fittings/port';
import type { Job } from '@endrel/core/job/job';
import { ChainPlanner, type JointPlan } from '@endrel/core/joints/chain-plan';
import { commonSizes, type CommonSize } from '@endrel/core/joints/common-sizes';
import { readShelfCsv, type ShelfCsvFault } from '@endrel/core/joints/shelf-csv';
import { stockOf, type ShelfPart } from '@endrel/core/fittings/stock';
import { failure, type Result } from '@endrel/core/result';
import { findingsOf } from '@endrel/core/reckoning/findings';

/** A shelf made ready to be searched; the last one is kept, since it seldom changes. */
let kept: { readonly key: string; readonly search: ChainSearch; readonly planner: ChainPlanner } | undefined;
function made(shelf: readonly ShelfPart[]) {
  const key = JSON.stringify(shelf);
  if (kept?.key !== key) {
    const search = new ChainSearch(stockOf(shelf));
    kept = { key, search, planner: new ChainPlanner(search) };
  }
  return kept;
}

const LARGEST_CSV = 20 * 1024 * 1024; // bytes: a hundred thousand rows are read, so that it can be said why they are not taken

/** What joints ask of the worker. */
export const jointCalculator = {
  /** The best chains of every joint of a job, with what lies on the shelf first. */
  jointPlan: (job: Job, shelf: readonly ShelfPart[]): JointPlan[] => made(shelf).planner.plan(findingsOf(job)),
  /** The best chains from port to port, or what stands in their way. */
  chains(
    from: Port,
    to: Port,
    wants: ChainWants,
    shelf: readonly ShelfPart[],
  ): { chains: Chain[]; obstacles: Obstacle[]; took: number } {
    const { search } = made(shelf);
    const start = performance.now();
    const found = search.find(from, to, wants);
    const took = performance.now() - start;
    return { chains: found, obstacles: found.length > 0 ? [] : obstacles(search, from, to, wants), took };
  },
  /** Common sizes one after the other; stops when told that they are no longer wanted. */
  async commonSizes(
    job: Job,
    shelf: readonly ShelfPart[],
    onFound: (size: CommonSize) => boolean | Promise<boolean>,
  ): Promise<void> {
    for (const size of commonSizes(job, made(shelf).search)) if (!(await onFound(size))) return;
  },
  /** A shelf file, read beside the page. */
  async readShelf(file: File): Promise<Result<ShelfPart[], ShelfCsvFault[]>> {
    if (file.size > LARGEST_CSV) return failure([{ row: 0, message: 'It is too large to be a shelf.' }]);
    const text = (await file.text()).replace(/^\ufeff/, '').trim();
    return readShelfCsv(Papa.parse<string[]>(text).data);
  },
};
