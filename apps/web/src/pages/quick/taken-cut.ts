import type { Operation } from '@burl/core';
import type { Taken } from './quick-question.ts';

/** Numbers of a cut as a link carries them. */
export function takenOf(op: Operation): Partial<Record<Taken, number>> {
  const { cut } = op;
  return {
    n: cut.speedRpm,
    ...('feedPerToothMm' in cut ? { feed: cut.feedPerToothMm } : {}),
    ...('feedPerRevMm' in cut ? { feed: cut.feedPerRevMm } : {}),
    ...('axialDepthMm' in cut ? { ap: cut.axialDepthMm } : {}),
    ...('radialEngagementMm' in cut ? { ae: cut.radialEngagementMm } : {}),
    out: op.tooling.stickOutMm,
  };
}

/** The operation with numbers of a link in place of its own. */
export function withTaken(op: Operation, taken: Partial<Record<Taken, number>>): Operation {
  const { cut } = op;
  return {
    ...op,
    tooling: { ...op.tooling, stickOutMm: taken.out ?? op.tooling.stickOutMm },
    cut: {
      ...cut,
      speedRpm: taken.n ?? cut.speedRpm,
      ...('feedPerToothMm' in cut ? { feedPerToothMm: taken.feed ?? cut.feedPerToothMm } : {}),
      ...('feedPerRevMm' in cut ? { feedPerRevMm: taken.feed ?? cut.feedPerRevMm } : {}),
      ...('axialDepthMm' in cut ? { axialDepthMm: taken.ap ?? cut.axialDepthMm } : {}),
      ...('radialEngagementMm' in cut ? { radialEngagementMm: taken.ae ?? cut.radialEngagementMm } : {}),
    },
  } as Operation;
}
