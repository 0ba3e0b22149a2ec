import {
  addressOf,
  asQuery,
  type CribKind,
  type Desk,
  type Finding,
  type JobDetail,
  type JobQuestion,
  type JobSummary,
  type Offered,
  type OperationFound,
  type PathOf,
  type TrialPage,
  type TrialQuestion,
  type Variant,
} from '@burl/contract';
import { showMoneyIn } from '@burl/core';
import useSWR, { mutate, type SWRConfiguration, type SWRResponse } from 'swr';
import { type AnswerOf, type ApiError, get } from './client.ts';

type Read = Extract<Offered, { readonly method: 'GET' }>['path'];
type Answer<P extends Read> = SWRResponse<AnswerOf<'GET', P>, ApiError>;

/** What an endpoint of the contract answers, kept and refreshed; nothing is asked while `at` is null. */
function useAnswer<P extends Read>(path: P, at: PathOf<P> | null, options: SWRConfiguration = {}): Answer<P> {
  return useSWR<AnswerOf<'GET', P>, ApiError>(at === null ? null : addressOf(path, at), get, options);
}

export const useSession = (): Answer<'/api/session'> => useAnswer('/api/session', {});
/** While numbers are being worked out a list is asked for again, so that they appear. */
const AGAIN_MS = 1500;
const whilePending = (jobs: readonly JobSummary[]): number => (jobs.some((j) => j.pending) ? AGAIN_MS : 0);

/** The first jobs of each status in which every word is found. */
export const useDesk = (search: string): SWRResponse<Desk, ApiError> =>
  useSWR<Desk, ApiError>(`/api/desk${asQuery({ search })}`, get, {
    // While one types, what was found last stays.
    keepPreviousData: true,
    refreshInterval: (desk?: Desk) => whilePending(Object.values(desk ?? {}).flatMap((c) => c.jobs)),
  });
/** Jobs in which every word is found; nothing is asked while the question is null. */
export const useJobs = (question: JobQuestion | null): SWRResponse<JobSummary[], ApiError> =>
  useSWR<JobSummary[], ApiError>(question && `/api/jobs${asQuery(question)}`, get);

/** Operations in whose name every word is found; nothing is asked while none is typed. */
export const useOperationsFound = (search: string): SWRResponse<OperationFound[], ApiError> =>
  useSWR<OperationFound[], ApiError>(search ? `/api/operations${asQuery({ search })}` : null, get);

/** Whether a key is a list of jobs, of any question. */
export const isJobList = (key: unknown): boolean =>
  typeof key === 'string' && /^\/api\/(desk|jobs)($|\?)/.test(key);
export const usePeople = (may: boolean): Answer<'/api/people'> => useAnswer('/api/people', may ? {} : null);
export function useCrib(): Answer<'/api/crib'> {
  const answer = useAnswer('/api/crib', {}, { revalidateOnFocus: false });
  // Before anything that knows the rates is drawn, so that no amount ever stands without its currency.
  if (answer.data) showMoneyIn(answer.data.rates.rates.currency);
  return answer;
}
export const useEntryHistory = (kind: CribKind, entry: string): Answer<'/api/crib/:kind/:entry/history'> =>
  useAnswer('/api/crib/:kind/:entry/history', { kind, entry });
export const useJob = (id: string): Answer<'/api/jobs/:id'> => useAnswer('/api/jobs/:id', id ? { id } : null);
export const useReleases = (id: string): Answer<'/api/jobs/:id/releases'> =>
  useAnswer('/api/jobs/:id/releases', { id });
export const useRelease = (id: string | undefined): Answer<'/api/releases/:id'> =>
  useAnswer('/api/releases/:id', id ? { id } : null);
export const useSheet = (id: string): Answer<'/api/jobs/:id/sheet'> =>
  useAnswer('/api/jobs/:id/sheet', id ? { id } : null, { shouldRetryOnError: false });
export const useEvents = (id: string): Answer<'/api/jobs/:id/events'> =>
  useAnswer('/api/jobs/:id/events', { id });
export const useTrialsOfJob = (id: string): Answer<'/api/jobs/:id/trials'> =>
  useAnswer('/api/jobs/:id/trials', { id });
export const useProveOut = (id: string | undefined): Answer<'/api/releases/:id/prove-out'> =>
  useAnswer('/api/releases/:id/prove-out', id ? { id } : null);
export const useFindings = (jobId?: string): SWRResponse<Finding[], ApiError> =>
  useSWR<Finding[], ApiError>(`/api/findings${jobId ? `?job=${jobId}` : ''}`, get);
export const useTrials = (question: TrialQuestion): SWRResponse<TrialPage, ApiError> =>
  useSWR<TrialPage, ApiError>(`/api/trials${asQuery(question)}`, get, { keepPreviousData: true });
export const useTrialFacets = (): Answer<'/api/trial-facets'> => useAnswer('/api/trial-facets', {});
export const usePrograms = (id: string): Answer<'/api/jobs/:id/programs'> =>
  useAnswer('/api/jobs/:id/programs', id ? { id } : null);
export const useFittable = (): Answer<'/api/fits'> => useAnswer('/api/fits', {});
export const useLearnt = (): Answer<'/api/learnt'> => useAnswer('/api/learnt', {});
export const useDiagnosis = (id: string | null): Answer<'/api/trials/:id/diagnosis'> =>
  useAnswer('/api/trials/:id/diagnosis', id ? { id } : null);
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
  await mutate((key) => isJobList(key) || (typeof key === 'string' && key.startsWith(`/api/jobs/${id}`)));
}

/** After a tap test or a test cut: the place and every bench judge by it. */
export async function refreshChatter(): Promise<void> {
  await Promise.all([mutate('/api/resonance'), mutate('/api/crib'), mutate(isJobList)]);
}
