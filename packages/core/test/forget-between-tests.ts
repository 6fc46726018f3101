import { forgetAll } from '../src/memory/remembered.ts';

/** For mutation runs, where the code changes between two tests of one process: no result may outlive its test. */
export const mochaHooks = { beforeEach: forgetAll };
