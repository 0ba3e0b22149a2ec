import type { Quantity } from '../../judging/result.ts';
import { input } from '../../judging/limit.ts';
import { fastestNumber } from '../lathe/lathe-numbers.ts';
import { axialFeed, lifeAndTime, loads, quantity, speedAndFeed } from '../numbers.ts';
import type { TurningState } from './turning-state.ts';

/** The numbers of a turned stretch a person reads. */
export const turningNumbers = (s: TurningState): Quantity[] => [
  ...speedAndFeed(s),
  ...axialFeed(s),
  quantity('ap', 'ap', 'depth of cut', s.depthMm, 'mm', 'ap ≤ stock/passes', 'ISO 3002-3', []),
  quantity('passes', 'i', 'passes', s.passes, 'pieces', 'i = stock/ap, rounded up', 'geometry', [
    input('ap', 'depth of cut', s.op.cut.depthMm, 'mm'),
  ]),
  fastestNumber(s),
  quantity(
    'h',
    'h',
    'equivalent chip',
    s.chip.equivalentMm,
    'mm-fine',
    'h = A/b over the nose',
    'Woxén 1932',
    [input('A', 'chip section', s.chip.areaMm2, 'mm2-fine'), input('b', 'engaged edge', s.chip.edgeMm, 'mm')],
  ),
  quantity(
    'Fc',
    'Fc',
    'cutting force',
    s.cuttingN,
    'N',
    'Fc = kc1.1·b·h^(1−mc) + wear',
    'Kienzle & Victor 1957',
    [
      input('b', 'engaged edge', s.chip.edgeMm, 'mm'),
      input('h', 'equivalent chip', s.chip.equivalentMm, 'mm-fine'),
    ],
  ),
  quantity('Ff', 'Ff', 'feed force', s.feedN, 'N', 'Ff = Fn·sin κ of the chip flow', 'Colwell 1954', [
    input('κ', 'chip flow', s.chip.flowLeadDeg, 'deg'),
  ]),
  quantity('Fp', 'Fp', 'passive force', s.passiveN, 'N', 'Fp = Fn·cos κ of the chip flow', 'Colwell 1954', [
    input('κ', 'chip flow', s.chip.flowLeadDeg, 'deg'),
  ]),
  ...loads(s),
  quantity('Q', 'Q', 'metal removal rate', s.removalCm3Min, 'cm3/min', 'Q = A·vc', 'ISO 3002-3', [
    input('A', 'chip section', s.chip.areaMm2, 'mm2-fine'),
    input('vc', 'cutting speed', s.cuttingSpeedMMin, 'm/min'),
  ]),
  quantity(
    'Ra',
    'Ra',
    'roughness',
    s.raUm,
    'um-fine',
    'Ra = f²/(18·√3·RE) times 1.2 to 1.7, or what the rounded edge squeezes',
    'Brammertz 1961; judgement rule G-82',
    [input('theory', 'feed marks alone', s.theoreticalRaUm, 'um-fine')],
  ),
  quantity(
    'lean',
    'δ',
    'part deflection',
    s.partMm,
    'mm-deflection',
    'δ from Fp, chuck, tailstock or steady',
    'Euler–Bernoulli',
    [
      input('Fp', 'passive force', s.passiveN.value, 'N'),
      input('L/D', 'overhang over diameter', s.slenderness, 'ratio'),
    ],
  ),
  quantity(
    'size',
    'ΔD',
    'diameter may err along the cut by',
    s.sizeErrorMm,
    'mm-fine',
    'ΔD = 2·(δ most − δ least) + what of the tool varies, and 2 µm of spindle, heat and wear',
    'Euler–Bernoulli',
    [input('tool', 'tool deflection', s.toolMm.value, 'mm-deflection')],
  ),
  ...lifeAndTime(s),
];
