import type { Quantity } from '../../judging/result.ts';
import { input } from '../../judging/limit.ts';
import { axialFeed, quantity, speedAndFeed } from '../numbers.ts';
import { restOfHole } from '../holes/hole-numbers.ts';
import type { ReamingState } from './reaming-state.ts';

/** The numbers of a reamed hole a person reads. */
export const reamingNumbers = (s: ReamingState): Quantity[] => [
  ...speedAndFeed(s),
  ...axialFeed(s),
  quantity(
    'allowance',
    'a',
    'allowance on the diameter',
    s.allowanceMm,
    'mm',
    'a = DC − hole before',
    'judgement rule G-66',
    [input('D₀', 'pre-hole diameter', s.op.hole.startMm, 'mm')],
  ),
  quantity('h', 'h', 'chip per tooth', s.chipMm, 'mm-fine', 'h = fn/z·sin κ', 'ISO 3002-1', [
    input('fn', 'feed per revolution', s.op.cut.feedPerRevMm, 'mm/rev'),
  ]),
  quantity(
    'change',
    'δ',
    'hole against reamer',
    s.size.changeMm,
    'mm-fine',
    'δ = runout/2 + built-up edge − 0.15·Re/E·D',
    'judgement rule G-66; magnitude assumed',
    [
      input('spring', 'springs back', s.size.springBackMm, 'mm-fine'),
      input('runout', 'runout widens', s.size.runoutMm, 'mm-fine'),
      input('edge', 'built-up edge', s.size.buildUpMm, 'mm-fine'),
    ],
  ),
  ...restOfHole(s),
];
