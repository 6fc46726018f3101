import { serve } from '../src/threads/serve.ts';

export type Counting = { readonly to: number; readonly dies?: boolean };

/** A thread for tests: says each number on the way, lets a cancel in between two, and may die on the way. */
serve<Counting>(async ({ to, dies }, { say, signal }) => {
  let at = 0;
  for (; at < to && !signal.aborted; at++) {
    say(at);
    await new Promise((resolve) => setImmediate(resolve));
    if (dies && at === 2) process.exit(3);
  }
  return at;
});
