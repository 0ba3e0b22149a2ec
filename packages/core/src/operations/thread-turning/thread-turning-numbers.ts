import type { Quantity } from '../../judging/result.ts';
import { input } from '../../judging/limit.ts';
import { lifeAndTime, loads, quantity, speedAndFeed } from '../numbers.ts';
import type { ThreadTurningState } from './thread-turning-state.ts';

/** The numbers of a turned thread a person reads. */
export const threadTurningNumbers = (s: ThreadTurningState): Quantity[] => [
  ...speedAndFeed(s),
  quantity('vf', 'vf', 'feed', s.feedRateMmMin, 'mm/min', 'vf = n·P', 'ISO 3002-3', [
    input('P', 'pitch', s.op.thread.pitchMm, 'mm'),
  ]),
  quantity(
    'depth',
    'h',
    'depth of thread',
    s.depthMm,
    'mm',
    'h = 0.6134·P outside, 0.5413·P inside',
    'ISO 68-1',
    [],
  ),
  quantity(
    'passes',
    'i',
    'passes',
    s.passes.length + s.op.cut.springPasses,
    'pieces',
    'i of about equal section, and spring passes',
    'workshop rule',
    [],
  ),
  quantity(
    'first',
    'Δa₁',
    'deepest pass',
    s.mostMm,
    'mm',
    'aᵢ = h·√(i−1)/√(n−1), the first 0.3',
    'workshop rule',
    [],
  ),
  quantity('last', 'Δaₙ', 'last pass', s.lastMm, 'mm-fine', 'aₙ − aₙ₋₁', 'workshop rule', []),
  quantity(
    'Fc',
    'Fc',
    'cutting force',
    s.cuttingN,
    'N',
    'Fc = kc·A + wear, heaviest pass',
    'Kienzle & Victor 1957',
    [input('b', 'edge in the cut', s.edgeMm, 'mm')],
  ),
  quantity('Fp', 'Fp', 'passive force', s.passiveN, 'N', 'Fp, off the part', 'Kienzle & Victor 1957', []),
  ...loads(s),
  quantity('lead', 'λ', 'lead angle', s.leadDeg, 'deg', 'λ = atan(P/(π·d2))', 'geometry', []),
  quantity('runIn', 'lz', 'start before the thread', s.runInMm, 'mm', '(n·P)²/(2·a) + 2·P', 'geometry', [
    input('vf', 'feed', s.feedRateMmMin, 'mm/min'),
  ]),
  quantity(
    'size',
    'Δd',
    'pitch diameter may err along it by',
    s.sizeErrorMm,
    'mm-fine',
    '2·(δ most − δ least), what light and spring passes leave of it',
    'Euler–Bernoulli',
    [input('Fp', 'passive force', s.passiveN.value, 'N')],
  ),
  ...lifeAndTime(s),
];
