import { use, type ComponentType, type ReactNode } from 'react';

export interface Loadable<P> {
  (props: P): ReactNode;
  /** Fetches it before it is wanted. */
  preload(): Promise<void>;
}

/**
 * A component in a file of its own, fetched when it is first drawn or before. Once there it is drawn at once, where `lazy` would
 * show its fallback first.
 */
export function loadable<P extends object>(load: () => Promise<ComponentType<P>>): Loadable<P> {
  let Loaded: ComponentType<P> | undefined;
  let loading: Promise<void> | undefined;
  const preload = () =>
    (loading ??= load().then(
      (component) => void (Loaded = component),
      (error: unknown) => {
        loading = undefined; // another try fetches it again
        throw error;
      },
    ));
  function Screen(props: P): ReactNode {
    if (!Loaded) use(preload());
    const Component = Loaded!;
    return <Component {...props} />;
  }
  return Object.assign(Screen, { preload });
}
