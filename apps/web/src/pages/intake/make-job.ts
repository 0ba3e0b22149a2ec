import { type Crib, jobFromFeatures, type JobDetail, type JobFields, type MadeFeature } from '@burl/contract';
import type { Holding, JobPlan } from '@burl/core';
import { call } from '../../api/client.ts';
import { partShop } from '../../planning/part-shop.ts';
import { askWorker } from '../../workers/use-heavy.ts';

/** What was made, and what of its features could not be. */
export interface Made {
  readonly detail: JobDetail;
  readonly lacks: readonly string[];
}

/** Works the operations of every feature out and makes the job with them; tells how far it is. Throws what the server refuses. */
export async function makeJob(
  fields: JobFields,
  plan: JobPlan,
  holding: Holding | null,
  crib: Crib,
  onPart: (text: string) => void,
): Promise<Made> {
  if (plan.features.length === 0) {
    const made = await call('POST', '/api/jobs', {}, { ...fields, plan });
    const [first] = made.setups;
    if (holding && first)
      await call(
        'PUT',
        '/api/setups/:id',
        { id: first.id },
        {
          name: first.name,
          plan: { ...first.plan, holding },
          version: first.version,
        },
      );
    return { detail: made, lacks: [] };
  }
  const shop = partShop(crib, fields, plan.hardness, holding);
  const features: MadeFeature[] = [];
  for (const [i, f] of plan.features.entries()) {
    onPart(`Working out feature ${i + 1} of ${plan.features.length}: ${f.name || f.kind}`);
    features.push({
      side: f.side,
      offered: await askWorker('features', (api) => api.operationsFor(f, shop)),
    });
  }
  onPart('Saving');
  const file = jobFromFeatures({ ...fields, plan }, features, { holding }, crib);
  return {
    detail: await call('POST', '/api/jobs/import', {}, file),
    lacks: features.flatMap((f) => f.offered.lacks),
  };
}
