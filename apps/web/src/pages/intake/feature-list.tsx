import { type JobPlan, type PartFeature, PLAIN_PART_FEATURE } from '@burl/core';
import { Plus, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { FeatureFields, featureLine } from '../../planning/feature-fields.tsx';
import { Button } from '../../ui/button.tsx';

/** Features of the part, and the form that adds one. */
export function FeatureList({ plan, onPut }: { plan: JobPlan; onPut: (change: Partial<JobPlan>) => void }) {
  const [feature, setFeature] = useState<PartFeature>(PLAIN_PART_FEATURE);
  return (
    <section aria-label="Features" className="space-y-3 rounded-lg border border-line bg-card p-3">
      <h2>Features</h2>
      <p className="text-[13px] text-soft">
        Each offers its operations, roughing and finishing, worked out with the best tool of the crib.
      </p>
      <ul className="space-y-1">
        {plan.features.map((f, i) => (
          <li key={i} className="flex items-center justify-between gap-2 rounded bg-accent-soft px-2 py-1">
            {featureLine(f)}
            <button
              type="button"
              aria-label={`Remove ${f.name || f.kind}`}
              onClick={() => onPut({ features: plan.features.filter((_, k) => k !== i) })}
              className="flex size-8 items-center justify-center rounded text-soft hover:text-over touch:size-11"
            >
              <Trash2 size={15} aria-hidden="true" />
            </button>
          </li>
        ))}
      </ul>
      <FeatureFields feature={feature} onChange={setFeature} />
      <Button
        onClick={() => {
          onPut({ features: [...plan.features, feature] });
          setFeature({ ...feature, name: '' });
        }}
      >
        <Plus size={15} aria-hidden="true" /> Add feature
      </Button>
    </section>
  );
}
