import type { Objective } from '@burl/core';
import { InlineChoice } from '../../../ui/inline-choice.tsx';
import { type Confidence, confidenceName, CONFIDENCES, OBJECTIVE_NAMES } from '../aims.ts';

/** What a comparison is balanced for, and how sure it has to be. */
export function Aim({
  objective,
  confidence,
  onObjective,
  onConfidence,
}: {
  objective: Objective;
  confidence: Confidence;
  onObjective: (objective: Objective) => void;
  onConfidence: (confidence: Confidence) => void;
}) {
  return (
    <>
      <InlineChoice
        label="for"
        value={objective}
        options={['cost', 'metal', 'life'] as const}
        name={(o) => OBJECTIVE_NAMES[o]}
        onTake={onObjective}
      />
      <InlineChoice
        label="Confidence"
        value={confidence}
        options={CONFIDENCES}
        name={confidenceName}
        onTake={onConfidence}
      />
    </>
  );
}
