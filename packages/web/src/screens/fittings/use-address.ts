import { useCallback } from 'react';
import { useSearchParams } from 'react-router';

/** What was typed, kept in the address: a reload, a bookmark or a colleague finds it again. */
export function useAddress(): [(key: string) => string, (key: string, value: string) => void] {
  const [search, setSearch] = useSearchParams();
  const get = useCallback((key: string) => search.get(key) ?? '', [search]);
  const set = useCallback(
    (key: string, value: string) =>
      setSearch(
        (before) => {
          if (value === '') before.delete(key);
          else before.set(key, value);
          return before;
        },
        { replace: true, flushSync: true },
      ),
    [setSearch],
  );
  return [get, set];
}
