import { useCallback, useSyncExternalStore } from 'react';

/** Whether a media query holds, and again when that changes. */
export function useMedia(query: string): boolean {
  const subscribe = useCallback(
    (told: () => void) => {
      const media = window.matchMedia(query);
      media.addEventListener('change', told);
      return () => media.removeEventListener('change', told);
    },
    [query],
  );
  return useSyncExternalStore(subscribe, () => window.matchMedia(query).matches);
}
