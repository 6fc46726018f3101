import * as Comlink from 'comlink';
import type { EditReckoner } from './edit-reckoner.ts';
import type { LongCalculator } from './long-calculator.ts';

const thread = () => new Worker(new URL('./calc.worker.ts', import.meta.url), { type: 'module' });

/** The worker that holds the job and follows every edit. */
export const editReckoner = Comlink.wrap<EditReckoner>(thread());

/** The worker for what takes longer: layouts, sizes, maps, previews. It never holds up an edit. */
export const longCalculator = Comlink.wrap<LongCalculator>(thread());
