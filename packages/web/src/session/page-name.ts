const KEY = 'endrel:page';
const lockOf = (client: string) => `endrel-page-${client}`;

/** Holds a lock for as long as the page is open. @returns false when another page holds it. */
const hold = (client: string): Promise<boolean> =>
  new Promise((resolve) => {
    void navigator.locks.request(lockOf(client), { ifAvailable: true }, (lock) => {
      resolve(lock !== null);
      return lock ? new Promise(() => undefined) : undefined;
    });
  });

let named: Promise<string> | undefined;

/** A name for this page that survives a reload; a copy of a tab gets its own. */
export const pageName = (): Promise<string> =>
  (named ??= (async () => {
    const before = sessionStorage.getItem(KEY);
    if (before !== null && (await hold(before))) return before;
    const made = crypto.randomUUID();
    sessionStorage.setItem(KEY, made);
    await hold(made);
    return made;
  })());

/** No page of that name is open in this browser. */
export const isPageGone = (client: string): Promise<boolean> =>
  navigator.locks.request(lockOf(client), { ifAvailable: true }, (lock) => lock !== null);
