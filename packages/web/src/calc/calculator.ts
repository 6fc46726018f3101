import * as Comlink from 'comlink';
import type { EditReckoner } from './edit.worker.ts';
import type { LongCalculator } from './long.worker.ts';

/** The worker that holds the job and follows every edit. */
export const editReckoner = Comlink.wrap<EditReckoner>(
  new Worker(new URL('./edit.worker.ts', import.meta.url), { type: 'module' }),
);

/** The worker for what takes longer: layouts, sizes, maps, previews. It never holds up an edit. */
export const longCalculator = Comlink.wrap<LongCalculator>(
  new Worker(new URL('./long.worker.ts', import.meta.url), { type: 'module' }),
);
