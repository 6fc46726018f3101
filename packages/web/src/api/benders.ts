import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import type { BenderRow } from '@endrel/core/job/bender';
import { call } from './client.ts';

export const useBenders = () =>
  useQuery({ queryKey: ['benders'], queryFn: () => call<readonly BenderRow[]>('GET', '/benders') });

export function useKeepBender() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (bender: BenderRow) => call('POST', '/benders', bender),
    onSuccess: () => client.invalidateQueries({ queryKey: ['benders'] }),
  });
}

export function useDropBender() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (id: string) => call('DELETE', `/benders/${encodeURIComponent(id)}`),
    onSuccess: () => client.invalidateQueries({ queryKey: ['benders'] }),
  });
}
