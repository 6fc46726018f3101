import { keepPreviousData, useInfiniteQuery, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import type { ActsAnswer, ActsRequest, ChangeList, JobList, PutBack, StoredJob } from '@endrel/core/contract/api';
import { forgetJob, jobsAtHand } from '../session/kept-jobs.ts';
import { ApiError, call, callText, isAway } from './client.ts';

export const readJob = (id: string) => call<StoredJob>('GET', `/jobs/${id}`);
export const sendActs = (id: string, request: ActsRequest) => call<ActsAnswer>('POST', `/jobs/${id}/acts`, request);
export const actsSince = (id: string, known: number) => call<ActsAnswer>('GET', `/jobs/${id}/acts?since=${known}`);

const SOON = 700; // ms until what is still being reckoned is asked for again
const AWAY = 3000; // ms until a server that did not answer is asked again

/** Jobs of which name or vehicle hold every word, page by page; those found before stay until the next are there. */
export const useJobList = (find: string, away: boolean) =>
  useInfiniteQuery({
    queryKey: ['jobs', find, away],
    queryFn: ({ pageParam }) =>
      call<JobList>(
        'GET',
        `/jobs?${new URLSearchParams({ find, away: String(away), ...(pageParam ? { after: pageParam } : {}) }).toString()}`,
      ),
    initialPageParam: '',
    getNextPageParam: (last) => last.after,
    placeholderData: keepPreviousData,
    refetchInterval: ({ state }) =>
      isAway(state.error) ? AWAY : state.data?.pages.some(({ jobs }) => jobs.some((j) => j.isBehind)) ? SOON : false,
  });
/** Jobs that this browser can open by itself. */
export const useJobsAtHand = () => useQuery({ queryKey: ['jobsAtHand'], queryFn: jobsAtHand });
export const useShop = () =>
  useQuery({ queryKey: ['shop'], queryFn: () => call<{ name: string }>('GET', '/shop'), staleTime: Infinity });
/** What was done to a job, the last first, page by page. */
export const useChanges = (id: string, revision: number) =>
  useInfiniteQuery({
    queryKey: ['changes', id, revision],
    queryFn: ({ pageParam }) =>
      call<ChangeList>('GET', `/jobs/${id}/changes${pageParam === 0 ? '' : `?before=${pageParam}`}`),
    initialPageParam: 0,
    getNextPageParam: (last) => last.before,
  });
/** The document of a job as it is stored, readable or not. */
export const readStored = (id: string) => callText('GET', `/jobs/${id}/stored`);

/** Goes back to the last revision of a job that can be read. */
export function usePutBack() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (id: string) => call<PutBack>('POST', `/jobs/${id}/put-back`),
    onSuccess: () => client.invalidateQueries({ queryKey: ['jobs'] }),
  });
}

/** Puts a job away or takes it out again. */
export function usePutAway() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ id, away }: { id: string; away: boolean }) => call('PUT', `/jobs/${id}/away`, { away }),
    onSuccess: () => client.invalidateQueries({ queryKey: ['jobs'] }),
  });
}

/** Deletes for good a job that was put away. */
export function useDeleteJob() {
  const client = useQueryClient();
  return useMutation({
    // gone already is as good: the answer to a first try may have been lost
    mutationFn: (id: string) =>
      call('DELETE', `/jobs/${id}`)
        .catch((error: unknown) => {
          if (!(error instanceof ApiError && error.status === 404)) throw error;
        })
        .then(() => forgetJob(id)),
    onSuccess: () => client.invalidateQueries({ queryKey: ['jobs'] }),
  });
}

/** Makes a job under an id that the page made: trying again after a lost answer makes no second one. */
export function useCreateJob() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (request: { id: string } & ({ name: string; vehicle: string } | { document: unknown })) =>
      call<StoredJob>('POST', '/jobs', request),
    onSuccess: () => client.invalidateQueries({ queryKey: ['jobs'] }),
  });
}
