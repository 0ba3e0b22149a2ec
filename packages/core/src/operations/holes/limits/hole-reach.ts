import type { HoleState } from '../hole-state.ts';
import { measure, say } from '../../../units/sentence.ts';
import { input, type Limit } from '../../../judging/limit.ts';
import { held } from './assessments.ts';

/** What goes further than the depth: chamfer of a tap, corner of a mill. */
const past = ({ op }: HoleState): number =>
  op.kind === 'hole-milling'
    ? op.hole.through
      ? op.cut.pastFloorMm
      : 0
    : op.kind === 'tapping'
      ? 1.5 * op.thread.pitchMm
      : op.hole.through
        ? 1
        : 0;

/** The tool reaches the bottom and its holder stays full retract. */
export const holeReachLimit: Limit<HoleState> = {
  id: 'hole-reach',
  group: 'cutter',
  name: 'reach',
  assess(state) {
    const { op, context } = state;
    const depth = op.hole.depthMm + past(state);
    const usable = Number(context.cutter.properties.LU ?? op.tooling.stickOutMm);
    const reach = Math.max(0, Math.min(usable, op.tooling.stickOutMm - 2));
    return held(depth, reach, 'mm', 'the shorter of usable length and stick-out less 2 mm', {
      why: () => say('Depth {0}; reach {1}.', measure(depth, 'mm'), measure(reach, 'mm')),
      formula: 'depth + what goes past it ≤ smaller of LU and stick-out − 2',
      inputs: () => [input('LU', 'usable length', usable, 'mm')],
      source: 'cutter record (ISO 13399)',
    });
  },
};
