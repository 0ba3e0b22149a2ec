import { measure, say } from '../../units/sentence.ts';
import { boringMovables } from './boring-movables.ts';
import { startingBoring } from './starting-boring.ts';
import { setSpeedAndFeed } from '../set-speed-and-feed.ts';
import { checkHole } from '../holes/check-hole.ts';
import { AXIAL } from '../parameter.ts';
import { operationKind } from '../operation-kind.ts';
import type { BoringOperation } from './boring-operation.ts';
import { OF_ALL } from '../limits/ladder-of-all.ts';
import { boringNumbers } from './boring-numbers.ts';
import { boringState, type BoringState } from './boring-state.ts';
import { riskOf } from '../holes/hole-risk.ts';
import { hardeningCautions } from '../holes/difficult-chips.ts';
import { barRatioLimit, boreDepthLimit, boreFeedLimit, boreRoughnessLimit } from './limits/boring.ts';
import { holeReachLimit } from '../holes/limits/hole-reach.ts';
import { holeToleranceLimit } from '../holes/limits/hole-tolerance.ts';

/** Boring with a single point. */
export const boringKind = operationKind<BoringOperation, BoringState>({
  kind: 'boring',
  tool: {
    // A bar has a nose, not teeth on a diameter.
    toothless: true,
    named: 'a boring bar',
    fits: ({ type }) => type === 'boring_bar',
  },
  verb: () => 'Bore',
  notes: (op) => [
    say(
      '{0} passes, {1} spring passes; set the bar after measuring the first bore.',
      measure(op.cut.passes, 'pieces'),
      measure(op.cut.springPasses, 'pieces'),
    ),
  ],
  parameters: AXIAL,
  shown: {
    set: ['n', 'vf', 'fn', 'ap'],
    watch: ['vc', 'Fr', 'lean', 'size', 'Ra', 't'],
    follows: ['ap', 'Fr', 'lean', 'size', 'Ra', 'M', 'P', 'T', 't'],
  },
  movables: boringMovables,
  checks: (op, _, see) => checkHole(op, see),
  speedDiameter: (op) => op.hole.diameterMm,
  set: setSpeedAndFeed,
  start: startingBoring,
  state: boringState,
  numbers: boringNumbers,
  rests: (s) => [s.breaking, s.sizeErrorMm],
  risk: (s) => riskOf(s, { each: 1e-4, loses: 0.5 }),
  cautions: (_, context) => hardeningCautions(context),
  ladder: [
    ...OF_ALL.machine,
    ...OF_ALL.cutter,
    holeReachLimit,
    boreFeedLimit,
    boreDepthLimit,
    holeToleranceLimit,
    boreRoughnessLimit,
    barRatioLimit,
    ...OF_ALL.life,
    ...OF_ALL.process,
  ],
});
