import type { CombinationDetail } from '@burl/contract';
import useSWR, { mutate, type SWRResponse } from 'swr';
import { type ApiError, get } from '../../api/client.ts';

export const useCombinations = (): SWRResponse<CombinationDetail[], ApiError> =>
  useSWR<CombinationDetail[], ApiError>('/api/resonance', get);

/** After a tap test or a test cut: the place and every bench judge by it. */
export async function refreshResonance(): Promise<void> {
  await Promise.all([mutate('/api/resonance'), mutate('/api/crib'), mutate('/api/jobs')]);
}
