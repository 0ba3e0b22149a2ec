import type { Quantity } from '../../judging/result.ts';
import { edgeFeed, lifeAndTime, loads, quantity, speedAndFeed } from '../numbers.ts';
import type { ChamferingState } from './chamfering-state.ts';

/** The numbers of a milled chamfer. */
export const chamferingNumbers = (s: ChamferingState): Quantity[] => [
  ...speedAndFeed(s),
  ...edgeFeed(s, s.teeth, s.speedRpm * s.teeth * s.op.cut.feedPerToothMm, null),
  quantity('width', 'c', 'width of the chamfer', s.op.cut.widthMm, 'mm', 'chosen', 'input'),
  ...loads(s),
  ...lifeAndTime(s),
];
