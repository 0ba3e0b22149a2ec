import { type Crib, type JobDetail, jobFieldsOf } from '@burl/contract';
import { type PartFeature, PLAIN_PART_FEATURE } from '@burl/core';
import { useState } from 'react';
import { toast } from 'sonner';
import { call } from '../../api/client.ts';
import { refreshJob } from '../../api/hooks.ts';
import { FeatureFields } from '../../planning/feature-fields.tsx';
import { partShop } from '../../planning/part-shop.ts';
import { FormDialog } from '../../ui/form-dialog.tsx';
import { askWorker } from '../../workers/use-heavy.ts';

/** A feature more: its operations are worked out and stand at the end of a setup. A hole's steps stand there by themselves: its group is made on Holes. */
async function addFeature(
  { job, setups }: JobDetail,
  setupId: string,
  feature: PartFeature,
  crib: Crib,
): Promise<readonly string[]> {
  const setup = setups.find((s) => s.id === setupId)!;
  const shop = partShop(
    crib,
    { ...job, machineId: setup.plan.machineId ?? job.machineId },
    job.plan.hardness,
    setup.plan.holding,
  );
  const { operations, lacks } = await askWorker('features', (api) => api.operationsFor(feature, shop));
  if (operations.length === 0) throw new Error(lacks.join('; ') || 'Nothing of the crib makes this feature.');
  for (const { name, document } of operations)
    await call('POST', '/api/jobs/:id/operations', { id: job.id }, { setupId, name, document });
  await call(
    'PUT',
    '/api/jobs/:id',
    { id: job.id },
    {
      ...jobFieldsOf(job),
      plan: { ...job.plan, features: [...job.plan.features, feature] },
      version: job.version,
    },
  );
  return lacks;
}

/** States a feature of the part; Burl works out the operations that make it with the best tools of the crib. */
export function FeatureDialog({
  detail,
  crib,
  setupId,
  onClose,
}: {
  detail: JobDetail;
  crib: Crib;
  setupId: string;
  onClose: () => void;
}) {
  const { up } = detail.setups.find((s) => s.id === setupId)!.plan;
  const [feature, setFeature] = useState<PartFeature>({ ...PLAIN_PART_FEATURE, side: up });
  const add = async (): Promise<void> => {
    try {
      const lacks = await addFeature(detail, setupId, feature, crib);
      if (lacks.length > 0) toast.warning(lacks.join('; '));
    } finally {
      await refreshJob(detail.job.id);
    }
  };
  return (
    <FormDialog
      title="New feature"
      description="Its operations, roughing and finishing, are worked out with the best tools of the crib."
      size="wide"
      does="Add operations"
      save={add}
      onClose={onClose}
    >
      <FeatureFields feature={feature} onChange={setFeature} />
    </FormDialog>
  );
}
