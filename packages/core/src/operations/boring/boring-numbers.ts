import type { Quantity } from '../../judging/result.ts';
import { input } from '../../judging/limit.ts';
import { axialFeed, quantity, speedAndFeed } from '../numbers.ts';
import { restOfHole } from '../holes/hole-numbers.ts';
import type { BoringState } from './boring-state.ts';

/** The numbers of a bored hole. */
export const boringNumbers = (s: BoringState): Quantity[] => [
  ...speedAndFeed(s),
  ...axialFeed(s),
  quantity('ap', 'ap', 'depth on the radius', s.depthMm, 'mm', 'ap = (D − D₀)/2/passes', 'geometry', [
    input('passes', 'passes', s.op.cut.passes, 'pieces'),
  ]),
  quantity(
    'Fr',
    'Fr',
    'force across the bar',
    s.radialN,
    'N',
    'Fr = kr·kc·b·h·cos κ',
    'Kienzle & Victor 1957, lead on the nose',
    [input('h', 'chip', s.chipMm, 'mm-fine')],
  ),
  quantity(
    'lean',
    'δ',
    'bar deflection',
    s.deflectionMm,
    'mm-deflection',
    'δ = Fr·(L³/3EI + clamp)',
    'Euler–Bernoulli',
    [
      input('L', 'stick-out', s.op.tooling.stickOutMm, 'mm'),
      input('left', 'left after spring passes', s.leftShare, 'ratio'),
    ],
  ),
  quantity('Ra', 'Ra', 'feed marks', s.raUm, 'um-fine', 'Ra = f²/(18·√3·RE)', 'parabola of the nose', []),
  ...restOfHole(s),
];
