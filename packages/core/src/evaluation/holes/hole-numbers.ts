import type { Quantity } from '../../domain/evaluation.ts';
import { input } from '../../limits/limit.ts';
import { hasThread } from '../../domain/hole-operation.ts';
import { axialFeed, edgeFeed, lifeAndTime, loads, quantity, speedAndFeed } from '../numbers.ts';
import type { BoringState } from './boring-state.ts';
import type { ChamferingState } from './chamfering-state.ts';
import type { HoleMillingState } from './hole-milling-state.ts';
import type { HoleState } from './hole-state.ts';
import type { ReamingState } from './reaming-state.ts';
import type { TappingState } from './tapping-state.ts';
import type { ThreadMillingState } from './thread-milling-state.ts';

/** What follows for every step: depth, load, size, life in holes and in metres, time. */
function rest(s: HoleState): Quantity[] {
  const { hole } = s.op;
  return [
    quantity(
      'depth',
      'L/D',
      'depth in diameters',
      hole.depthMm / hole.diameterMm,
      'ratio',
      'L/D',
      'geometry',
      [
        input('L', 'depth', hole.depthMm, 'mm'),
        input('D', hasThread(s.op) ? 'thread' : 'hole', hole.diameterMm, 'mm'),
      ],
    ),
    ...loads(s),
    ...(s.sizeErrorMm
      ? [
          quantity(
            'size',
            'ΔD',
            'size may be off',
            s.sizeErrorMm,
            'mm-fine',
            'what tool and machine do to the diameter',
            'ISO 286-1; judgement rules G-66, G-81',
          ),
        ]
      : []),
    ...lifeAndTime(s),
  ];
}

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
    [input('D₀', 'hole before', s.op.hole.startMm, 'mm')],
  ),
  quantity('h', 'h', 'chip of a tooth', s.chipMm, 'mm-fine', 'h = fn/z·sin κ', 'ISO 3002-1', [
    input('fn', 'feed per turn', s.op.cut.feedPerRevMm, 'mm/rev'),
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
  ...rest(s),
];

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
    'lean of the bar',
    s.leanMm,
    'mm-fine',
    'δ = Fr·(L³/3EI + clamp)',
    'Euler–Bernoulli',
    [
      input('L', 'stick-out', s.op.tooling.stickOutMm, 'mm'),
      input('left', 'left after spring passes', s.leftShare, 'ratio'),
    ],
  ),
  quantity('Ra', 'Ra', 'feed marks', s.raUm, 'um-fine', 'Ra = f²/(18·√3·RE)', 'parabola of the nose', []),
  ...rest(s),
];

/** The numbers of a hole milled on a helix. */
export const holeMillingNumbers = (s: HoleMillingState): Quantity[] => {
  const { bore } = s;
  const lastHelix = bore.helices.at(-1)!;
  return [
    ...speedAndFeed(s),
    ...edgeFeed(s, s.teeth, s.last.feedRateMmMin, lastHelix.centreShare),
    quantity('pitch', 'p', 'depth a turn', s.op.cut.pitchMm, 'mm', 'chosen', 'input'),
    quantity(
      'ramp',
      'α',
      'slope of the helix',
      bore.helices[0]!.rampDeg,
      'deg',
      'α = atan(p/(π·(Dm − Dc)))',
      'helix on the centre’s path',
      [input('p', 'depth a turn', s.op.cut.pitchMm, 'mm')],
    ),
    quantity('helices', 'k', 'helices', bore.helices.length, 'pieces', 'from the middle outwards', 'plan', [
      input('post', 'post left', bore.postMm, 'mm'),
    ]),
    quantity('hex', 'hex', 'thickest chip', s.chipMm, 'mm-fine', 'hex = fz·sin φ', 'Martellotti 1941', [
      input('ae', 'same arc as a straight', lastHelix.stepoverMm, 'mm'),
    ]),
    quantity('lean', 'δ', 'lean at the tip', s.last.leanMm, 'mm-fine', 'δ = Fn·compliance', 'stepped beam', [
      input('left', 'left after spring passes', s.leftShare, 'ratio'),
    ]),
    ...rest(s),
  ];
};

/** The numbers of a milled chamfer. */
export const chamferingNumbers = (s: ChamferingState): Quantity[] => [
  ...speedAndFeed(s),
  ...edgeFeed(s, s.teeth, s.speedRpm * s.teeth * s.op.cut.feedPerToothMm, null),
  quantity('width', 'c', 'width of the chamfer', s.op.cut.widthMm, 'mm', 'chosen', 'input'),
  ...loads(s),
  ...lifeAndTime(s),
];

const CUT_HEIGHT = '(D − hole)/(1.299·P)';
const threadHeight = (s: TappingState | ThreadMillingState, formula: string): Quantity =>
  quantity('height', '%', 'height of the thread', s.heightPercent, 'percent', formula, 'ISO 68-1', [
    input('hole', 'hole before', s.op.hole.startMm, 'mm'),
  ]);

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
    'twists off at',
    s.breakNm,
    'Nm',
    'Mb = τ·π·(0.47·D)³/16',
    'Saint-Venant torsion',
    [],
  ),
  ...rest(s),
];

/** The numbers of a milled thread. */
export const threadMillingNumbers = (s: ThreadMillingState): Quantity[] => [
  ...speedAndFeed(s),
  ...edgeFeed(s, s.teeth, s.edgeFeedMmMin, s.path.centreFeedMmMin / s.edgeFeedMmMin),
  quantity('turns', 'k', 'turns of a pass', s.path.turns, 'pieces', 'one for every length of teeth', 'plan', [
    input('rows', 'pitches cut at once', s.path.rows, 'pieces'),
    input('passes', 'radial passes', s.op.cut.passes, 'pieces'),
  ]),
  threadHeight(s, CUT_HEIGHT),
  quantity('hex', 'hex', 'thickest chip', s.chipMm, 'mm-fine', 'hex = fz·sin φ', 'Martellotti 1941'),
  quantity('F', 'F', 'side force', s.sideForceN, 'N', 'F = kc·b·h·teeth engaged', 'Kienzle & Victor 1957'),
  quantity(
    'taper',
    'τ',
    'taper of the thread',
    s.taperMm,
    'mm-fine',
    '2·(δ tip − δ top row)',
    'stepped cantilever',
    [input('δ', 'lean at the tip', s.leanMm.value, 'mm-fine')],
  ),
  ...rest(s),
];
