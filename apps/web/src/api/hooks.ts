import {
  addressOf,
  type JobDetail,
  type JobSummary,
  type Offered,
  type PathOf,
  type Variant,
} from '@burl/contract';
import useSWR, { mutate, type SWRConfiguration, type SWRResponse } from 'swr';
import { type AnswerOf, type ApiError, get } from './client.ts';

type Read = Extract<Offered, { readonly method: 'GET' }>['path'];
type Answer<P extends Read> = SWRResponse<AnswerOf<'GET', P>, ApiError>;

/** What an endpoint of the contract answers, kept and refreshed; nothing is asked while `at` is null. */
function useAnswer<P extends Read>(path: P, at: PathOf<P> | null, options: SWRConfiguration = {}): Answer<P> {
  return useSWR<AnswerOf<'GET', P>, ApiError>(at === null ? null : addressOf(path, at), get, options);
}

export const useSession = (): Answer<'/api/session'> => useAnswer('/api/session', {});
/** While numbers of a job are being worked out the list is asked for again, so that they appear. */
export const useJobs = (): Answer<'/api/jobs'> =>
  useAnswer(
    '/api/jobs',
    {},
    { refreshInterval: (jobs?: JobSummary[]) => (jobs?.some((j) => j.pending) ? 1500 : 0) },
  );
export const usePeople = (may: boolean): Answer<'/api/people'> => useAnswer('/api/people', may ? {} : null);
export const useCrib = (): Answer<'/api/crib'> => useAnswer('/api/crib', {}, { revalidateOnFocus: false });
export const useJob = (id: string): Answer<'/api/jobs/:id'> => useAnswer('/api/jobs/:id', id ? { id } : null);
export const useReleases = (id: string): Answer<'/api/jobs/:id/releases'> =>
  useAnswer('/api/jobs/:id/releases', { id });
export const useRelease = (id: string | undefined): Answer<'/api/releases/:id'> =>
  useAnswer('/api/releases/:id', id ? { id } : null);
export const useSheet = (id: string): Answer<'/api/jobs/:id/sheet'> =>
  useAnswer('/api/jobs/:id/sheet', { id }, { shouldRetryOnError: false });
export const useEvents = (id: string): Answer<'/api/jobs/:id/events'> =>
  useAnswer('/api/jobs/:id/events', { id });
export const useCombinations = (): Answer<'/api/resonance'> => useAnswer('/api/resonance', {});

/** What was saved of a variant stands in the job as it is known here; nothing is asked for again. */
export async function keepSaved(jobId: string, saved: Variant): Promise<void> {
  await mutate<JobDetail>(
    `/api/jobs/${jobId}`,
    (detail) =>
      detail && {
        ...detail,
        setups: detail.setups.map((s) => ({
          ...s,
          operations: s.operations.map((o) => ({
            ...o,
            variants: o.variants.map((v) => (v.id === saved.id ? { ...v, ...saved } : v)),
          })),
        })),
      },
    { revalidate: false },
  );
}

/** Everything about a job is asked for again. */
export async function refreshJob(id: string): Promise<void> {
  await mutate(
    (key) => typeof key === 'string' && (key.startsWith(`/api/jobs/${id}`) || key === '/api/jobs'),
  );
}

/** After a tap test or a test cut: the place and every bench judge by it. */
export async function refreshChatter(): Promise<void> {
  await Promise.all([mutate('/api/resonance'), mutate('/api/crib'), mutate('/api/jobs')]);
}
