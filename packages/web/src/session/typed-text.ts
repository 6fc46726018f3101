import type { FieldPath } from '@endrel/core/fields/field-path';
import type { TypedText } from './browser-database.ts';
import { keepTyped } from './kept-store.ts';
import { Listeners } from './listeners.ts';

const texts = new Map<string, TypedText>();
const listeners = new Listeners();
/** How often text came into a field from elsewhere, by field. */
const brought = new Map<string, number>();
const keyOf = (job: string, path: FieldPath) => `${job}/${path.join('/')}`;

/**
 * Text in fields that the job does not have yet, since it is no value or the pause after the last key is not over. Kept with every
 * key, so that leaving a stage, closing the page or a crash loses none of it.
 */
export const typedText = {
  get: (job: string, path: FieldPath): TypedText | undefined => texts.get(keyOf(job, path)),

  /** @param was - what stood in the field before. */
  set(job: string, path: FieldPath, text: string | undefined, was = ''): void {
    const key = keyOf(job, path);
    if (text === undefined && !texts.has(key)) return;
    if (text === undefined) texts.delete(key);
    else texts.set(key, { path, text, was });
    keepTyped(job, path, texts.get(key));
  },

  /** Drops what was typed into all the fields under a path, such as a row that is in the job now. */
  dropUnder(job: string, path: FieldPath): void {
    const under = `${keyOf(job, path)}/`;
    for (const [key, typed] of texts) if (key.startsWith(under)) this.set(job, typed.path, undefined);
  },

  /** Takes over what this page or one that is gone had kept. @returns those that were not here yet. */
  bring(job: string, kept: readonly TypedText[]): TypedText[] {
    const fresh = kept.filter(({ path }) => !texts.has(keyOf(job, path)));
    for (const { path, text, was } of fresh) {
      const key = keyOf(job, path);
      texts.set(key, { path, text, was });
      keepTyped(job, path, texts.get(key)); // under this page's own name
      brought.set(key, (brought.get(key) ?? 0) + 1);
    }
    if (fresh.length > 0) listeners.tell();
    return fresh;
  },

  timesBrought: (job: string, path: FieldPath): number => brought.get(keyOf(job, path)) ?? 0,
  subscribe: listeners.subscribe,
};
