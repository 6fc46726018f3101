import * as Comlink from 'comlink';
import type { Calculator } from './calc.worker.ts';

/** The one worker that computes for this page. */
export const calculator = Comlink.wrap<Calculator>(
  new Worker(new URL('./calc.worker.ts', import.meta.url), { type: 'module' }),
);
