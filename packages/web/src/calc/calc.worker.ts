import * as Comlink from 'comlink';
import { assess, previewAct } from '@endrel/core/assess';

/** The computation, off the main thread. */
const calculator = { assess, previewAct };
export type Calculator = typeof calculator;

Comlink.expose(calculator);
