import type { Quantity } from '../../judging/result.ts';
import { input } from '../../judging/limit.ts';
import { edgeFeed, quantity, speedAndFeed } from '../numbers.ts';
import { restOfHole } from '../holes/hole-numbers.ts';
import { CUT_HEIGHT, threadHeight } from '../holes/thread-height.ts';
import type { ThreadMillingState } from './thread-milling-state.ts';

/** The numbers of a milled thread. */
export const threadMillingNumbers = (s: ThreadMillingState): Quantity[] => [
  ...speedAndFeed(s),
  ...edgeFeed(s, s.teeth, s.edgeFeedMmMin, s.path.centreFeedMmMin / s.edgeFeedMmMin),
  quantity('turns', 'k', 'turns of a pass', s.path.turns, 'pieces', 'one for every length of teeth', 'plan', [
    input('rows', 'pitches cut at once', s.path.rows, 'pieces'),
    input('passes', 'radial passes', s.op.cut.passes, 'pieces'),
  ]),
  threadHeight(s, CUT_HEIGHT),
  quantity('hex', 'hex', 'max chip thickness', s.chipMm, 'mm-fine', 'hex = fz·sin φ', 'Martellotti 1941'),
  quantity('F', 'F', 'radial force', s.sideForceN, 'N', 'F = kc·b·h·teeth engaged', 'Kienzle & Victor 1957'),
  quantity(
    'taper',
    'τ',
    'taper of the thread',
    s.taperMm,
    'mm-fine',
    '2·(δ tip − δ top row)',
    'stepped cantilever',
    [input('δ', 'deflection at tip', s.deflectionMm.value, 'mm-deflection')],
  ),
  ...restOfHole(s),
];
