import { setImmediate } from 'node:timers/promises';
import type { Response } from 'express';

/** A list of JSON texts, so many at once: whatever is long lets others get their turn between. */
export async function sendList(res: Response, list: readonly string[], atOnce: number): Promise<void> {
  res.type('json').write('[');
  for (let i = 0; i < list.length; i += atOnce) {
    res.write(`${i > 0 ? ',' : ''}${list.slice(i, i + atOnce).join()}`);
    await setImmediate();
  }
  res.end(']');
}
