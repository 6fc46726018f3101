// A worker thread does not take over the loader of the main one on Node 20: it registers its own.
import { workerData } from 'node:worker_threads';
import { register } from 'tsx/esm/api';

register();
await import(workerData.module);
