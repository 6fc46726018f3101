import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useMemo } from 'react';
import type { ShopPump } from '@endrel/core/contract/api';
import type { PumpTable } from '@endrel/core/pumps/pump-table';
import { pumpLibrary } from '@endrel/core/pumps/library';
import type { LibraryPump } from '@endrel/core/sizing/proposals';
import { call } from './client.ts';

const generic: LibraryPump[] = Object.entries(pumpLibrary).map(([key, pump]) => ({ key, ...pump }));

export const useShopPumps = () => useQuery({ queryKey: ['pumps'], queryFn: () => call<ShopPump[]>('GET', '/pumps') });

/** Generic pumps and the shop's own; without a server the generic ones. */
export function usePumpLibrary(): readonly LibraryPump[] {
  const { data } = useShopPumps();
  return useMemo(
    () => [...generic, ...(data ?? []).map(({ id, name, tables }) => ({ key: id, name, tables }))],
    [data],
  );
}

export function useKeepPump() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (pump: { name: string; tables: readonly PumpTable[] }) => call<ShopPump>('POST', '/pumps', pump),
    onSuccess: () => client.invalidateQueries({ queryKey: ['pumps'] }),
  });
}

export function useDropPump() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (id: string) => call('DELETE', `/pumps/${id}`),
    onSuccess: () => client.invalidateQueries({ queryKey: ['pumps'] }),
  });
}
