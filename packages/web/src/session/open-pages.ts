import { newId } from './new-id.ts';

/**
 * Which pages of this browser are open, by name. The browser's locks know; on plain http from another machine there are none, and
 * the pages ask one another.
 */
interface OpenPages {
  /** Holds a name for as long as the page is open. @returns false when another page holds it. */
  hold(name: string): Promise<boolean>;
  isFree(name: string): Promise<boolean>;
}

const lockOf = (name: string) => `endrel-page-${name}`;

const byLocks = (locks: LockManager): OpenPages => ({
  hold: (name) =>
    new Promise((resolve) => {
      void locks.request(lockOf(name), { ifAvailable: true }, (lock) => {
        resolve(lock !== null);
        return lock ? new Promise(() => undefined) : undefined;
      });
    }),
  isFree: (name) => locks.request(lockOf(name), { ifAvailable: true }, (lock) => lock !== null),
});

const PATIENCE = 400; // ms in which a page that is open answers

type Said = { readonly name: string; readonly from: string; readonly kind: 'asks' | 'has' };

/** @param channel - heard by every page of this browser but the one that speaks. */
export function byAsking(channel: Pick<BroadcastChannel, 'postMessage' | 'onmessage'>, own = newId()): OpenPages {
  const held = new Set<string>();
  /** Names that are asked for, to be told by whom else. */
  const asked = new Map<string, Set<(from: string) => void>>();
  channel.onmessage = ({ data }: MessageEvent<Said>) => {
    const { name, from, kind } = data;
    if (kind === 'asks' && held.has(name)) channel.postMessage({ name, from: own, kind: 'has' } satisfies Said);
    if (kind === 'has') for (const tell of asked.get(name) ?? []) tell(from);
  };
  const isFree = (name: string): Promise<boolean> =>
    new Promise((resolve) => {
      const tellers = asked.get(name) ?? new Set();
      const end = (free: boolean) => {
        tellers.delete(tell);
        if (tellers.size === 0) asked.delete(name);
        resolve(free);
      };
      // of two pages that take one name at the same moment the one that is first by its own number has it
      const tell = (from: string) => (!held.has(name) || from < own) && end(false);
      asked.set(name, tellers.add(tell));
      channel.postMessage({ name, from: own, kind: 'asks' } satisfies Said);
      setTimeout(end, PATIENCE, true);
    });
  return {
    isFree,
    async hold(name) {
      held.add(name);
      const free = await isFree(name);
      if (!free) held.delete(name);
      return free;
    },
  };
}

let pages: OpenPages | undefined;
const openPages = (): OpenPages =>
  (pages ??= 'locks' in navigator ? byLocks(navigator.locks) : byAsking(new BroadcastChannel('endrel-pages')));

export const holdName = (name: string): Promise<boolean> => openPages().hold(name);
export const isNameFree = (name: string): Promise<boolean> => openPages().isFree(name);
