import { Workbox } from 'workbox-window';
import { Listeners } from '../session/listeners.ts';

type State = 'current' | 'newer' | 'replaced';

let state: State = 'current';
let workbox: Workbox | undefined;
let isAccepted = false;
const listeners = new Listeners();
function tell(next: State): void {
  state = next;
  listeners.tell();
}

/**
 * Whether a newer version of the application is there: it waits (`newer`), or another page of this browser took it over already
 * (`replaced`). A page is never loaded anew by itself: somebody may be typing in it.
 */
export const version = {
  get: (): State => state,
  subscribe: listeners.subscribe,
  /** Loads the newer version into this page. */
  load(): void {
    if (state === 'replaced' || !workbox) return location.reload();
    isAccepted = true;
    workbox.messageSkipWaiting();
  },
};

/** Keeps the application in this browser, so that it opens without the server. Does nothing where the browser cannot or may not. */
export async function keepApplication(): Promise<void> {
  if (!('serviceWorker' in navigator)) return;
  workbox = new Workbox('/service-worker.js');
  workbox.addEventListener('waiting', () => tell('newer'));
  workbox.addEventListener('controlling', ({ isUpdate }) => {
    if (isAccepted) location.reload();
    else if (isUpdate) tell('replaced');
  });
  try {
    await workbox.register();
    setInterval(() => void workbox!.update().catch(() => undefined), LOOK_EVERY);
  } catch {
    // not over plain http from another machine, or forbidden: everything but opening without the server works
  }
}

const LOOK_EVERY = 10 * 60_000; // ms
