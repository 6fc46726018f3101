// What keeps a running Endrel running: its PostgreSQL is started again when it dies, and its log stays small.
import { copyFileSync, existsSync, statSync, truncateSync } from 'node:fs';

const LOOK_EVERY = 250; // ms
const LOG_EVERY = 60; // looks
const LARGEST_LOG = 5 * 1024 * 1024; // bytes; one older file of that size is kept beside it

/**
 * Watches until `end` is called. `isUp` says whether PostgreSQL runs, `start` starts it where it was; `onLost` hears when it
 * cannot be started.
 */
export function keepRunning({ isUp, start, log, onLost }) {
  let ended = false;
  let wake = () => undefined;
  const pause = () =>
    new Promise((resolve) => {
      wake = resolve;
      setTimeout(resolve, LOOK_EVERY).unref(); // holds nothing open by itself
    });
  const watching = (async () => {
    for (let i = 0; !ended; i++, await pause()) {
      if (i % LOG_EVERY === 0) bound(log);
      if (isUp()) continue;
      console.log('PostgreSQL has ended; starting it again ...');
      try {
        await start();
        console.log('PostgreSQL runs again.');
      } catch (error) {
        if (!ended) onLost(error);
        return;
      }
    }
  })();
  return {
    async end() {
      ended = true;
      wake();
      await watching; // it may be starting one at this moment
    },
  };
}

/** PostgreSQL appends to its log, so that it can be cut while it is written. */
export function bound(log, largest = LARGEST_LOG) {
  if (!existsSync(log) || statSync(log).size <= largest) return;
  copyFileSync(log, `${log}.1`);
  truncateSync(log);
}
