import type { StrategyLayout } from '@burl/core';

/** What kept the search from going further, or from finding any cut; null where nothing did. */
export const stoppedBy = ({ blockedBy, stoppedBy: by }: StrategyLayout): string | null =>
  blockedBy.length > 0 ? `nothing holds ${blockedBy.join(', ')}` : by.join(', ') || null;
