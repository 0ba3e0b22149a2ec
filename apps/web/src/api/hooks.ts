import type {
  Crib,
  JobDetail,
  JobSummary,
  Person,
  Release,
  ReleaseSummary,
  Role,
  Variant,
} from '@burl/contract';
import useSWR, { mutate, type SWRResponse } from 'swr';
import { type ApiError, get } from './client.ts';

export interface SessionInfo {
  readonly person: Person | null;
  readonly demo: readonly { readonly name: string; readonly email: string; readonly role: Role }[];
}

type Answer<T> = SWRResponse<T, ApiError>;

export const useSession = (): Answer<SessionInfo> => useSWR<SessionInfo, ApiError>('/api/session', get);
export const useJobs = (): Answer<JobSummary[]> => useSWR<JobSummary[], ApiError>('/api/jobs', get);
export const useCrib = (): Answer<Crib> =>
  useSWR<Crib, ApiError>('/api/crib', get, { revalidateOnFocus: false });
export const useJob = (id: string): Answer<JobDetail> =>
  useSWR<JobDetail, ApiError>(id ? `/api/jobs/${id}` : null, get);
export const useReleases = (id: string): Answer<ReleaseSummary[]> =>
  useSWR<ReleaseSummary[], ApiError>(`/api/jobs/${id}/releases`, get);
export const useRelease = (id: string | undefined): Answer<Release> =>
  useSWR<Release, ApiError>(id ? `/api/releases/${id}` : null, get);
export const useSheet = (jobId: string): Answer<Release> =>
  useSWR<Release, ApiError>(`/api/jobs/${jobId}/sheet`, get, { shouldRetryOnError: false });

export interface AuditEvent {
  readonly id: number;
  readonly at: string;
  readonly person: string;
  readonly action: string;
  readonly subject: string;
}
export const useEvents = (jobId: string): Answer<AuditEvent[]> =>
  useSWR<AuditEvent[], ApiError>(`/api/jobs/${jobId}/events`, get);

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
