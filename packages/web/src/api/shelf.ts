import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import type { ShelfPart } from '@endrel/core/fittings/stock';
import { call } from './client.ts';

const none: readonly ShelfPart[] = [];

export const useShelfQuery = () =>
  useQuery({ queryKey: ['shelf'], queryFn: () => call<readonly ShelfPart[]>('GET', '/shelf') });

/**
 * What lies on the shop's shelf; nothing while the server is away. Undefined until it has answered, so that no list is shown that
 * the shelf then turns round under somebody's hand.
 */
export function useShelf(): readonly ShelfPart[] | undefined {
  const { data, isPending } = useShelfQuery();
  return data ?? (isPending ? undefined : none);
}

export function useKeepOnShelf() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (parts: readonly ShelfPart[]) => call<{ kept: number }>('POST', '/shelf', { parts }),
    onSuccess: () => client.invalidateQueries({ queryKey: ['shelf'] }),
  });
}

export function useDropFromShelf() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (code: string) => call('DELETE', `/shelf?${new URLSearchParams({ code }).toString()}`),
    onSuccess: () => client.invalidateQueries({ queryKey: ['shelf'] }),
  });
}
