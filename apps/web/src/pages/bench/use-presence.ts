import useSWR from 'swr';
import { call } from '../../api/client.ts';

const EVERY_MS = 10_000;

/** Tells the server that one is here, and shows who else is. */
export function usePresence(operationId: string): readonly string[] {
  const { data } = useSWR(
    `presence/${operationId}`,
    () => call('PUT', '/api/operations/:id/presence', { id: operationId }),
    { refreshInterval: EVERY_MS },
  );
  return data?.others ?? [];
}
