import { measure, say } from '../../units/sentence.ts';
import { chamferingMovables } from './chamfering-movables.ts';
import { speedDiameterOfChamfer } from './chamfering-state.ts';
import { startingChamfering } from './starting-chamfering.ts';
import { setSpeedAndFeed } from '../set-speed-and-feed.ts';
import { checkHole } from '../holes/check-hole.ts';
import { ROUND } from '../parameter.ts';
import { operationKind } from '../operation-kind.ts';
import type { ChamferingOperation } from './chamfering-operation.ts';
import { OF_ALL } from '../limits/ladder-of-all.ts';
import { chamferingNumbers } from './chamfering-numbers.ts';
import { chamferingState, type ChamferingState } from './chamfering-state.ts';
import { riskOf } from '../holes/hole-risk.ts';
import { chamferFeedLimit, chamferFitsLimit } from './limits/chamfering.ts';

/** Chamfering of the rim of a hole. */
export const chamferingKind = operationKind<ChamferingOperation, ChamferingState>({
  kind: 'chamfering',
  tool: { named: 'a chamfer mill', fits: ({ type }) => type === 'chamfer_mill' },
  verb: () => 'Chamfer',
  notes: (op) => [say('Width {0}.', measure(op.cut.widthMm, 'mm'))],
  parameters: ROUND,
  shown: {
    set: ['n', 'vfc', 'width', 'vf'],
    watch: ['vc', 'fz', 'P', 't'],
    follows: ['vfc', 'width', 'M', 'P', 'T', 't'],
  },
  movables: chamferingMovables,
  checks: (op, _, see) => checkHole(op, see),
  speedDiameter: speedDiameterOfChamfer,
  set: setSpeedAndFeed,
  start: startingChamfering,
  state: chamferingState,
  numbers: chamferingNumbers,
  rests: (s) => [s.breaking, s.sizeErrorMm],
  risk: (s) => riskOf(s, { each: 2e-5, loses: 0.1 }),
  ladder: [
    ...OF_ALL.machine,
    ...OF_ALL.cutter,
    chamferFeedLimit,
    ...OF_ALL.life,
    chamferFitsLimit,
    ...OF_ALL.process,
  ],
});
