import type { Quantity } from '../../judging/result.ts';
import { input } from '../../judging/limit.ts';
import { fastestNumber } from '../lathe/lathe-numbers.ts';
import { axialFeed, lifeAndTime, loads, quantity, speedAndFeed } from '../numbers.ts';
import type { GroovingState } from './grooving-state.ts';

/** The numbers of a groove a person reads. */
export const groovingNumbers = (s: GroovingState): Quantity[] => [
  ...speedAndFeed(s),
  ...axialFeed(s),
  quantity(
    'ap',
    'ap',
    'plunge depth between lifts',
    Math.min(s.op.cut.depthMm, s.depthMm),
    'mm',
    'ap ≤ depth',
    'geometry',
    [],
  ),
  quantity(
    'plunges',
    'i',
    s.plunges.layers > 0 ? 'layers widened sideways' : 'plunges',
    s.plunges.layers > 0 ? s.plunges.layers : s.plunges.count,
    'pieces',
    'i = 1 + (width − CW)/step, rounded up',
    'geometry',
    [input('CW', 'cutting width', s.bladeMm, 'mm'), input('step', 'step beside', s.op.cut.stepMm, 'mm')],
  ),
  fastestNumber(s),
  quantity(
    'Fc',
    'Fc',
    'cutting force',
    s.cuttingN,
    'N',
    'Fc = kc1.1·CW·f^(1−mc) + wear',
    'Kienzle & Victor 1957',
    [
      input('CW', 'cutting width', s.bladeMm, 'mm'),
      input('fn', 'feed per revolution', s.op.cut.feedPerRevMm, 'mm/rev'),
    ],
  ),
  quantity('Ff', 'Ff', 'feed force', s.feedN, 'N', 'Ff = Fn, along the plunge', 'Kienzle & Victor 1957', []),
  ...loads(s),
  quantity('Q', 'Q', 'metal removal rate', s.removalCm3Min, 'cm3/min', 'Q = CW·f·vc', 'ISO 3002-3', [
    input('vc', 'cutting speed', s.cuttingSpeedMMin, 'm/min'),
  ]),
  quantity(
    'aside',
    'δ',
    'blade bends aside',
    s.asideMm,
    'mm-deflection',
    'δ = F aside·L³/(3·E·I)',
    'Euler–Bernoulli',
    [input('L', 'blade overhang', s.bladeOutMm, 'mm')],
  ),
  ...(s.rimMMin === null
    ? [
        quantity(
          'Ra',
          'Ra',
          'wall roughness',
          s.raUm,
          'um-fine',
          'Ra = f²/(18·√3·RE) times 1.2 to 1.7',
          'judgement rule G-82',
          [],
        ),
      ]
    : [
        quantity(
          'rim',
          'vr',
          'rim of the part as it comes off',
          s.rimMMin,
          'm/min',
          'vr = π·D·cap',
          'geometry',
          [input('cap', 'fastest in this cut', s.fastestRpm, 'rpm')],
        ),
      ]),
  ...lifeAndTime(s),
];
