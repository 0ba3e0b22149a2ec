import type { Objective } from '@burl/core';

/** What a search or a comparison may be after, in words. */
export const OBJECTIVE_NAMES: Readonly<Record<Objective, string>> = {
  metal: 'highest MRR',
  life: 'longest tool life',
  cost: 'lowest cost',
};
export const OBJECTIVES = ['metal', 'life', 'cost'] as const satisfies readonly Objective[];

/** Confidences one can ask for. */
export const CONFIDENCES = [0.5, 0.7, 0.8, 0.9, 0.95] as const;
export type Confidence = (typeof CONFIDENCES)[number];

export const confidenceName = (c: Confidence): string => `${c * 100}%`;
