// A worker thread does not take over the loader of the main one on Node 20: it registers its own.
import { register } from 'tsx/esm/api';

register();
await import('./bench-designs.ts');
