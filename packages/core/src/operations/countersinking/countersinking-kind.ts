import { checkHole } from '../holes/check-hole.ts';
import { feedMovable } from '../holes/hole-movables.ts';
import { setHole } from '../holes/set-hole.ts';
import { OF_ALL } from '../limits/ladder-of-all.ts';
import { lifeAndTime, loads, speedAndFeed } from '../numbers.ts';
import { operationKind } from '../operation-kind.ts';
import { AXIAL } from '../parameter.ts';
import type { CountersinkingOperation } from './countersinking-operation.ts';
import { countersinkingState, type CountersinkingState } from './countersinking-state.ts';

/** A cone sunk into the mouth of a hole. */
export const countersinkingKind = operationKind<CountersinkingOperation, CountersinkingState>({
  kind: 'countersinking',
  tool: { named: 'a countersink', fits: ({ type }) => type === 'chamfer_mill' },
  verb: () => 'Countersink',
  parameters: AXIAL,
  shown: { set: ['n', 'vf', 'fn'], watch: ['vc', 'M', 't'], follows: ['M', 'P', 'T', 't'] },
  movables: feedMovable,
  checks: (op, _, see) => checkHole(op, see),
  speedDiameter: (op) => op.hole.diameterMm,
  set: setHole,
  start: (op) => ({ ...op.cut, speedRpm: 200, feedPerRevMm: 0.1 }),
  state: countersinkingState,
  numbers: (s) => [...speedAndFeed(s), ...loads(s), ...lifeAndTime(s)],
  ladder: [...OF_ALL.machine, ...OF_ALL.cutter, ...OF_ALL.life, ...OF_ALL.process],
});
