import { measure, say } from '../../units/sentence.ts';
import { reamingMovables } from './reaming-movables.ts';
import { outerDiameter } from '../../crib/cutter.ts';
import { startingReaming } from './starting-reaming.ts';
import { setSpeedAndFeed } from '../set-speed-and-feed.ts';
import { checkHole } from '../holes/check-hole.ts';
import { AXIAL } from '../parameter.ts';
import { operationKind } from '../operation-kind.ts';
import type { ReamingOperation } from './reaming-operation.ts';
import { OF_ALL } from '../limits/ladder-of-all.ts';
import { reamingNumbers } from './reaming-numbers.ts';
import { reamingState, type ReamingState } from './reaming-state.ts';
import { riskOf } from '../holes/hole-risk.ts';
import { hardeningCautions } from '../holes/difficult-chips.ts';
import { holeReachLimit } from '../holes/limits/hole-reach.ts';
import { holeToleranceLimit } from '../holes/limits/hole-tolerance.ts';
import { holderGripLimit } from '../limits/holder-grip.ts';
import {
  reamAllowanceHighLimit,
  reamAllowanceLowLimit,
  reamChipsLimit,
  reamFeedLimit,
  reamOutLimit,
} from './limits/reaming.ts';

/** Reaming of a drilled hole. */
export const reamingKind = operationKind<ReamingOperation, ReamingState>({
  kind: 'reaming',
  tool: { named: 'a reamer', fits: ({ type }) => type === 'reamer' },
  verb: () => 'Ream',
  notes: (op) => [
    say('Retract feed {0}× feed in, spindle turning forwards.', measure(op.cut.outFeed, 'ratio')),
  ],
  parameters: AXIAL,
  shown: {
    set: ['n', 'vf', 'fn', 'allowance'],
    watch: ['vc', 'depth', 'change', 'size', 'M', 't'],
    follows: ['allowance', 'h', 'change', 'size', 'M', 'T', 'metres', 't'],
  },
  movables: reamingMovables,
  checks: (op, _, see) => checkHole(op, see),
  speedDiameter: (op, { cutter }) => outerDiameter(cutter) || op.hole.diameterMm,
  set: setSpeedAndFeed,
  start: startingReaming,
  state: reamingState,
  numbers: reamingNumbers,
  rests: (s) => [s.breaking, s.sizeErrorMm],
  risk: (s) => riskOf(s, { each: 2e-4, loses: 0.6 }),
  cautions: (_, context) => [...hardeningCautions(context), 'Never turn a reamer backwards in the hole.'],
  ladder: [
    ...OF_ALL.machine,
    ...OF_ALL.cutter,
    holeReachLimit,
    reamAllowanceLowLimit,
    reamAllowanceHighLimit,
    reamFeedLimit,
    reamChipsLimit,
    holderGripLimit,
    holeToleranceLimit,
    reamOutLimit,
    ...OF_ALL.life,
    ...OF_ALL.process,
  ],
});
