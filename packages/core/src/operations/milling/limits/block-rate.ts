import type { MillingState } from '../milling-state.ts';
import { chordLength, feedOfBlocks } from '../../../physics/path/block-rate.ts';
import { exact } from '../../../judging/estimate.ts';
import { measure, say } from '../../../units/sentence.ts';
import { input, type Limit, used } from '../../../judging/limit.ts';

/** Arcs written as short lines: a control that reads them slower than the feed runs them starves the tool of chip. */
export const blockRateLimit: Limit<MillingState> = {
  id: 'block-rate',
  group: 'machine',
  name: 'block processing rate',
  assess({ op: { path }, plan, feedRateMmMin, context: { machine, cutter } }) {
    if (path.blocks === 'arcs') return null;
    const loop = path.strategy === 'trochoidal' || path.strategy === 'constant-engagement';
    const radius = Math.max(0.05, plan.corner?.pathRadiusMm ?? (loop ? (cutter.properties.DC ?? 10) / 4 : 5));
    const block = chordLength(radius, path.toleranceMm);
    const allowed = feedOfBlocks(block, machine.block_processing_ms);
    return {
      predicted: { estimate: exact(feedRateMmMin), unit: 'mm/min' },
      allowed: { value: allowed, unit: 'mm/min', from: `${machine.name}, time of a block` },
      ...used(exact(feedRateMmMin), allowed),
      why: () =>
        say(
          'Blocks {1} long at {0} tolerance; at {2} per block the control keeps up to {3}.',
          measure(path.toleranceMm, 'mm-fine'),
          measure(block, 'mm'),
          measure(machine.block_processing_ms / 1000, 's'),
          measure(allowed, 'mm/min'),
        ),
      formula: 'vf ≤ √(8·r·t)/t block',
      inputs: () => [
        input('r', 'path radius', radius, 'mm'),
        input('t', 'path tolerance', path.toleranceMm, 'mm-fine'),
      ],
      source: 'chord and sagitta; judgement rule G-106',
    };
  },
};
