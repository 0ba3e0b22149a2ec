import { measure, say } from '../../units/sentence.ts';
import { holeMillingMovables } from './hole-milling-movables.ts';
import { diameterInCut } from '../../physics/cutting/edge-profile.ts';
import { startingHoleMilling } from './starting-hole-milling.ts';
import { setSpeedAndFeed } from '../set-speed-and-feed.ts';
import { checkHoleMilling } from './check-hole-milling.ts';
import { ROUND } from '../parameter.ts';
import { operationKind } from '../operation-kind.ts';
import type { HoleMillingOperation } from './hole-milling-operation.ts';
import { OF_ALL } from '../limits/ladder-of-all.ts';
import { holeMillingNumbers } from './hole-milling-numbers.ts';
import { holeMillingState, type HoleMillingState } from './hole-milling-state.ts';
import { riskOf } from '../holes/hole-risk.ts';
import { hardeningCautions } from '../holes/difficult-chips.ts';
import { within } from '../holes/limits/assessments.ts';
import type { Limit } from '../../judging/limit.ts';
import type { MillingState } from '../milling/milling-state.ts';
import { boreHelixFitsLimit, borePostLimit, boreRampLimit, pastFloorLimit } from './limits/hole-milling.ts';
import { holeReachLimit } from '../holes/limits/hole-reach.ts';
import { holeToleranceLimit } from '../holes/limits/hole-tolerance.ts';
import { holderGripLimit } from '../limits/holder-grip.ts';
import { bendingStressLimit } from '../milling/limits/bending-stress.ts';
import { chipSpaceLimit } from '../milling/limits/chip-space.ts';
import { maximumChipLimit } from '../milling/limits/maximum-chip-thickness.ts';
import { minimumChipLimit } from '../milling/limits/minimum-chip-thickness.ts';
import { stabilityLimit } from '../milling/limits/stability-limit.ts';

/** A limit of milling, asked of the heaviest turn of the helix. */
const inMilling = (limit: Limit<MillingState>): Limit<HoleMillingState> => within(limit, (s) => s.heaviest);

/** Milling of a hole on a helix. */
export const holeMillingKind = operationKind<HoleMillingOperation, HoleMillingState>({
  kind: 'hole-milling',
  tool: {
    named: 'an end mill with a flat or rounded corner',
    fits: ({ type }) => type === 'end_mill_flat' || type === 'end_mill_bull',
  },
  verb: () => 'Helical milling',
  notes: ({ cut }) => [
    say('Pitch {0} per revolution, climb; centre-path program.', measure(cut.pitchMm, 'mm')),
    ...(cut.pastFloorMm > 0 ? [say('Overrun {0} at the bottom.', measure(cut.pastFloorMm, 'mm'))] : []),
    ...(cut.springPasses > 0 ? [say('{0} spring passes.', measure(cut.springPasses, 'pieces'))] : []),
  ],
  parameters: [...ROUND, 'pitch'],
  shown: {
    set: ['n', 'vfc', 'pitch', 'helices'],
    watch: ['vc', 'vf', 'fz', 'ramp', 'lean', 'size', 't'],
    follows: ['vfc', 'ramp', 'helices', 'hex', 'lean', 'size', 'M', 'P', 'T', 't'],
  },
  movables: holeMillingMovables,
  checks: checkHoleMilling,
  speedDiameter: (op, { cutter }) => diameterInCut(cutter, op.cut.pitchMm),
  set: setSpeedAndFeed,
  start: startingHoleMilling,
  state: holeMillingState,
  numbers: holeMillingNumbers,
  rests: (s) => [s.breaking, s.sizeErrorMm],
  risk: (s) => riskOf(s, { each: 5e-5, loses: 0.1 }),
  cautions: (op, context) => [
    ...(op.hole.through
      ? [
          'What drops out of the open hole is loose, hot and sharp; nobody under it, spindle stopped to take it.',
        ]
      : []),
    ...hardeningCautions(context),
  ],
  ladder: [
    ...OF_ALL.machine,
    ...OF_ALL.cutter,
    holeReachLimit,
    inMilling(minimumChipLimit),
    inMilling(maximumChipLimit),
    inMilling(chipSpaceLimit),
    inMilling(bendingStressLimit),
    holderGripLimit,
    holeToleranceLimit,
    inMilling(stabilityLimit),
    ...OF_ALL.life,
    boreHelixFitsLimit,
    boreRampLimit,
    borePostLimit,
    pastFloorLimit,
    ...OF_ALL.process,
  ],
});
