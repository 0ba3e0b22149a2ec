import type { OperationContext } from '../context.ts';

/** Strings or work hardening: the alloys whose chips do not fall out by themselves. */
export const isDifficultToClear = ({ alloy }: OperationContext): boolean =>
  alloy.iso513_group === 'S' || alloy.iso513_group === 'M';

/** What a hole in an alloy that hardens needs beside all else. */
export const hardeningCautions = ({ alloy }: OperationContext): readonly string[] =>
  alloy.work_hardening.tendency === 'high' || alloy.work_hardening.tendency === 'severe'
    ? ['No dwell at the bottom and no feed hold in the hole: rubbing hardens it for the next edge.']
    : [];
