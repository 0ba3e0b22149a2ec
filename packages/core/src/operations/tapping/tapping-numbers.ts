import type { Quantity } from '../../judging/result.ts';
import { input } from '../../judging/limit.ts';
import { quantity, speedAndFeed } from '../numbers.ts';
import { restOfHole } from '../holes/hole-numbers.ts';
import { CUT_HEIGHT, threadHeight } from '../holes/thread-height.ts';
import type { TappingState } from './tapping-state.ts';

/** The numbers of a tapped thread. */
export const tappingNumbers = (s: TappingState): Quantity[] => [
  ...speedAndFeed(s),
  quantity('vf', 'vf', 'feed', s.feedRateMmMin, 'mm/min', 'vf = n·P', 'synchronous feed', [
    input('P', 'pitch', s.op.thread.pitchMm, 'mm'),
  ]),
  threadHeight(s, s.forming ? '(D − hole)/(0.68·P)' : CUT_HEIGHT),
  quantity(
    'Mbreak',
    'Mb',
    'breaking torque',
    s.breakNm,
    'Nm',
    'Mb = τ·π·(0.47·D)³/16',
    'Saint-Venant torsion',
    [],
  ),
  ...restOfHole(s),
];
