/** What the server says: a job has a later revision or was deleted for good, or something may have been missed. */
export type Heard = { readonly job: string; readonly revision?: number; readonly isGone?: true } | 'look';

type Listener = (heard: Heard) => void;
const listeners = new Set<Listener>();
let leave: (() => void) | undefined;

const tell = (text: string): void => {
  const heard = JSON.parse(text) as Heard;
  for (const listener of listeners) listener(heard);
};

/** One stream for all tabs of this browser; where there is no shared worker, each tab has its own while it is seen. */
function listen(): () => void {
  if (typeof SharedWorker === 'undefined') return listenWhileSeen();
  const { port } = new SharedWorker(new URL('./feed.worker.ts', import.meta.url), {
    type: 'module',
    name: 'endrel feed',
  });
  port.onmessage = ({ data }: MessageEvent<string>) => tell(data);
  const left = () => port.postMessage('left');
  window.addEventListener('pagehide', left);
  return () => {
    window.removeEventListener('pagehide', left);
    left();
    port.close();
  };
}

function listenWhileSeen(): () => void {
  let source: EventSource | undefined;
  const look = () => {
    if (document.visibilityState === 'hidden') {
      source?.close();
      source = undefined;
    } else if (!source || source.readyState === EventSource.CLOSED) {
      source = new EventSource('/api/feed');
      source.onmessage = ({ data }: MessageEvent<string>) => tell(data);
    }
  };
  look();
  document.addEventListener('visibilitychange', look);
  return () => {
    document.removeEventListener('visibilitychange', look);
    source?.close();
  };
}

/** @returns what ends it. */
export function followChanges(listener: Listener): () => void {
  listeners.add(listener);
  leave ??= listen();
  return () => {
    listeners.delete(listener);
    if (listeners.size > 0) return;
    leave?.();
    leave = undefined;
  };
}
