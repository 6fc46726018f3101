import { use, useEffect, useState, type ComponentType, type ReactNode } from 'react';

export interface Loadable<P> {
  (props: P): ReactNode;
  /** Fetches it before it is wanted; whoever draws it tells what went wrong. */
  preload(): Promise<void>;
}

const AGAIN_AFTER = 2000; // ms

/**
 * A component in a file of its own, fetched when it is first drawn or before. Once there it is drawn at once, where `lazy` would
 * show its fallback first. A file that cannot be had, as while the server is away, is asked for again until it is there: thrown,
 * the fault would take the page down with what is typed in it.
 */
export function loadable<P extends object>(load: () => Promise<ComponentType<P>>): Loadable<P> {
  let Loaded: ComponentType<P> | undefined;
  let loading: Promise<void> | undefined;
  let failedAt = 0;
  const preload = () =>
    (loading ??= load().then(
      (component) => void (Loaded = component),
      () => void (failedAt = Date.now()),
    ));
  function Screen(props: P): ReactNode {
    const [, setTries] = useState(0);
    if (!Loaded) use(preload());
    if (!Loaded)
      return (
        <Missing
          since={failedAt}
          onAgain={() => {
            loading = undefined;
            setTries((tries) => tries + 1);
          }}
        />
      );
    return <Loaded {...props} />;
  }
  return Object.assign(Screen, { preload });
}

function Missing({ since, onAgain }: { since: number; onAgain(): void }) {
  useEffect(() => {
    const timer = setTimeout(onAgain, since + AGAIN_AFTER - Date.now());
    return () => clearTimeout(timer);
  });
  return (
    <p role="status" className="p-4 text-ink-soft">
      This part of the page could not be fetched. It is asked for again until it is there.
    </p>
  );
}
