import * as Comlink from 'comlink';
import type { Calculator } from './calc.worker.ts';

const start = () =>
  Comlink.wrap<Calculator>(new Worker(new URL('./calc.worker.ts', import.meta.url), { type: 'module' }));

/** The worker that follows every edit. */
export const calculator = start();

/** The worker for what takes longer: layouts, sizes, maps, previews. It never holds up an edit. */
export const longCalculator = start();
