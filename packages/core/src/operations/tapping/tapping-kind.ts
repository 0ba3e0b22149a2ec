import { measure, say } from '../../units/sentence.ts';
import { tappingMovables } from './tapping-movables.ts';
import { startingTapping } from './starting-tapping.ts';
import { setSpeedAndFeed } from '../set-speed-and-feed.ts';
import { checkTapping } from './check-tapping.ts';
import { isTap } from '../../crib/cutter.ts';
import { operationKind } from '../operation-kind.ts';
import type { TappingOperation } from './tapping-operation.ts';
import { OF_ALL } from '../limits/ladder-of-all.ts';
import { tappingNumbers } from './tapping-numbers.ts';
import { tappingState, type TappingState } from './tapping-state.ts';
import { riskOf } from '../holes/hole-risk.ts';
import { hardeningCautions } from '../holes/difficult-chips.ts';
import type { Circumstance } from '../holes/hole-risk.ts';
import { holeReachLimit } from '../holes/limits/hole-reach.ts';
import { holderGripLimit } from '../limits/holder-grip.ts';
import {
  tapAlloyLimit,
  tapBreakingLimit,
  tapChipsLimit,
  tapRunOutLimit,
  tapSynchronousLimit,
  threadHeightLimit,
} from './limits/tapping.ts';

function whatMakesWorse({ op: { hole } }: TappingState): Circumstance[] {
  const list: Circumstance[] = [];
  const depth = hole.depthMm / hole.diameterMm;
  if (!hole.through) list.push({ factor: 2, because: 'a blind hole keeps its chips' });
  if (depth > 1.5) list.push({ factor: depth / 1.5, because: 'deep for a tap' });
  if (hole.diameterMm < 6) list.push({ factor: 2, because: 'a thin tap' });
  return list;
}

/** Tapping, cut or formed. */
export const tappingKind = operationKind<TappingOperation, TappingState>({
  kind: 'tapping',
  tool: { named: 'a tap', fits: isTap },
  // Its feed is its pitch.
  verb: () => 'Tap',
  notes: (op) => [
    say(
      op.cut.synchronous ? 'Rigid tapping, pitch {0}.' : 'Floating holder, pitch {0}.',
      measure(op.thread.pitchMm, 'mm'),
    ),
  ],
  parameters: ['n', 'vc'],
  shown: {
    set: ['n', 'vf', 'height', 'Mbreak'],
    watch: ['vc', 'depth', 'M', 'P', 't'],
    follows: ['vf', 'height', 'M', 'Mbreak', 'depth', 'T', 'metres', 't'],
  },
  movables: tappingMovables,
  switches: (op) =>
    op.cut.synchronous
      ? []
      : [
          {
            id: 'synchronous',
            title: say('Use rigid tapping'),
            after: { ...op, cut: { ...op.cut, synchronous: true } },
          },
        ],
  checks: checkTapping,
  speedDiameter: (op) => op.hole.diameterMm,
  set: setSpeedAndFeed,
  start: startingTapping,
  state: tappingState,
  numbers: tappingNumbers,
  rests: (s) => [s.breaking, s.sizeErrorMm],
  risk: (s) => riskOf(s, { each: 2e-4, loses: 0.7 }, whatMakesWorse(s)),
  cautions: (_, context) => [
    ...hardeningCautions(context),
    'A tap that jams is under load: stop, relieve by hand in the cutting direction, never reach in while it turns.',
  ],
  ladder: [
    ...OF_ALL.machine,
    tapSynchronousLimit,
    ...OF_ALL.cutter,
    holeReachLimit,
    tapAlloyLimit,
    tapChipsLimit,
    tapBreakingLimit,
    holderGripLimit,
    threadHeightLimit,
    ...OF_ALL.life,
    tapRunOutLimit,
    ...OF_ALL.process,
  ],
});
