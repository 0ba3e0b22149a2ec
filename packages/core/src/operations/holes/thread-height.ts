import type { Quantity } from '../../judging/result.ts';
import { input } from '../../judging/limit.ts';
import { quantity } from '../numbers.ts';
import type { HoleState } from './hole-state.ts';

/** Height of a thread that is cut: of five eighths of the sharp V on each side. */
export const CUT_HEIGHT = '(D − hole)/(1.299·P)';

/** How high a thread stands in the hole made before, % of full. */
export const threadHeight = (s: HoleState & { readonly heightPercent: number }, formula: string): Quantity =>
  quantity('height', '%', 'percent thread', s.heightPercent, 'percent', formula, 'ISO 68-1', [
    input('hole', 'pre-hole diameter', s.op.hole.startMm, 'mm'),
  ]);
