import type { Objective } from '@burl/core';
import { Choice, CONFIDENCES, OBJECTIVE_NAMES } from '../panels/window-panel.tsx';

export type Confidence = (typeof CONFIDENCES)[number];

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
      <Choice
        label="for"
        value={objective}
        options={['cost', 'metal', 'life'] as const}
        name={(o) => OBJECTIVE_NAMES[o]}
        onTake={onObjective}
      />
      <Choice
        label="Confidence"
        value={confidence}
        options={CONFIDENCES}
        name={(c) => `${c * 100}%`}
        onTake={onConfidence}
      />
    </>
  );
}
