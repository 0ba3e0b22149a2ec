import type { JobDetail } from '@burl/contract';
import type { RouteChoice } from '@burl/core';
import { call } from '../../api/client.ts';

/** Puts the cuts of a route into new variants of their operations and chooses those; what was planned stays beside them. */
export async function takeRoute({ setups }: JobDetail, route: RouteChoice): Promise<void> {
  const operations = setups.flatMap((s) => s.operations);
  for (const { id, document } of route.changed) {
    const operation = operations.find((o) => o.id === id);
    if (!operation) continue;
    const copy = await call('POST', '/api/operations/:id/variants', { id });
    await call('PUT', '/api/variants/:id', { id: copy.id }, { document, version: copy.version });
    await call(
      'PUT',
      '/api/operations/:id',
      { id },
      {
        name: operation.name,
        selected: copy.label,
        version: operation.version,
      },
    );
  }
}
