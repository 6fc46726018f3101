import { newId } from './new-id.ts';
import { holdName, isNameFree } from './open-pages.ts';

const KEY = 'endrel:page';

let named: Promise<string> | undefined;

/** A name for this page that survives a reload; a copy of a tab gets its own. */
export const pageName = (): Promise<string> =>
  (named ??= (async () => {
    const before = sessionStorage.getItem(KEY);
    if (before !== null && (await holdName(before))) return before;
    const made = newId();
    sessionStorage.setItem(KEY, made);
    await holdName(made);
    return made;
  })());

/** No page of that name is open in this browser. */
export const isPageGone = (client: string): Promise<boolean> => isNameFree(client);
