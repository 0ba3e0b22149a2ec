import type { Quantity } from '../../judging/result.ts';
import { input } from '../../judging/limit.ts';
import { quantity } from '../numbers.ts';
import type { LatheState } from './lathe-state.ts';

/** How fast the part turns at most. */
export const fastestNumber = (
  s: LatheState & { readonly op: { readonly cut: { readonly capRpm: number } } },
): Quantity =>
  quantity(
    'nMax',
    'n max',
    'fastest in this cut',
    s.fastestRpm,
    'rpm',
    'n = min(cap, 1000·vc/(π·d))',
    'constant surface speed',
    [
      input('cap', 'spindle cap', s.op.cut.capRpm, 'rpm'),
      input('Dcap', 'cap reached at', s.capAtMm ?? 0, 'mm'),
    ],
  );
