import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import type { ChangeRow, SaveAnswer, StoredJob } from '@endrel/core/contract/api';
import type { JobSummary } from '@endrel/core/contract/summary';
import type { Job } from '@endrel/core/job/job';
import { call } from './client.ts';

export const readJob = (id: string) => call<StoredJob>('GET', `/jobs/${id}`);
export const saveJob = (id: string, baseRevision: number, document: Job, summary: string) =>
  call<SaveAnswer>('PUT', `/jobs/${id}`, { baseRevision, document, summary });

export const useJobList = () => useQuery({ queryKey: ['jobs'], queryFn: () => call<JobSummary[]>('GET', '/jobs') });
export const useShop = () =>
  useQuery({ queryKey: ['shop'], queryFn: () => call<{ name: string }>('GET', '/shop'), staleTime: Infinity });
export const useChanges = (id: string, revision: number) =>
  useQuery({ queryKey: ['changes', id, revision], queryFn: () => call<ChangeRow[]>('GET', `/jobs/${id}/changes`) });

export function useCreateJob() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (request: { name: string; vehicle: string } | { document: Job }) =>
      call<StoredJob>('POST', '/jobs', request),
    onSuccess: () => client.invalidateQueries({ queryKey: ['jobs'] }),
  });
}
