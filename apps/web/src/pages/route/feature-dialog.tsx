import { type Crib, type JobDetail, jobFieldsOf } from '@burl/contract';
import { type PartFeature, PLAIN_PART_FEATURE } from '@burl/core';
import { useState } from 'react';
import { toast } from 'sonner';
import { call, messageOf } from '../../api/client.ts';
import { refreshJob } from '../../api/hooks.ts';
import { FeatureFields } from '../../planning/feature-fields.tsx';
import { partShop } from '../../planning/part-shop.ts';
import { Button } from '../../ui/button.tsx';
import { FormError } from '../../ui/form-error.tsx';
import { SheetDialog } from '../../ui/sheet-dialog.tsx';
import { askWorker } from '../../workers/use-heavy.ts';

/** A feature more: its operations are worked out and stand at the end of a setup; a kind of hole comes with its plan. */
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
  const [busy, setBusy] = useState(false);
  const [failed, setFailed] = useState<string | null>(null);
  async function add(): Promise<void> {
    setBusy(true);
    setFailed(null);
    try {
      const lacks = await addFeature(detail, setupId, feature, crib);
      if (lacks.length > 0) toast.warning(lacks.join('; '));
      onClose();
    } catch (error) {
      setFailed(messageOf(error));
      setBusy(false);
    }
    await refreshJob(detail.job.id);
  }
  return (
    <SheetDialog
      open
      onClose={onClose}
      title="New feature"
      description="Its operations, roughing and finishing, are worked out with the best tools of the crib."
      size="wide"
    >
      <form
        noValidate
        className="space-y-3"
        onSubmit={(e) => {
          e.preventDefault();
          void add();
        }}
      >
        <FeatureFields feature={feature} onChange={setFeature} />
        <FormError message={failed} />
        <div className="flex justify-end gap-2">
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" look="main" disabled={busy}>
            {busy ? 'Working out' : 'Add operations'}
          </Button>
        </div>
      </form>
    </SheetDialog>
  );
}
