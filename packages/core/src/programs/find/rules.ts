import type { RuleMaker } from './finding.ts';
import { arcFeedRule } from './rules/arc-feed.ts';
import { collisionsRule } from './rules/collisions.ts';
import { controlRule } from './rules/control.ts';
import { loadRule } from './rules/load.ts';
import { numbersRule } from './rules/numbers.ts';
import { spikeRule } from './rules/spike.ts';
import { spindleAndCoolantRule } from './rules/spindle-and-coolant.ts';
import { toolsAndOffsetsRule } from './rules/tools-and-offsets.ts';
import { wayInRule } from './rules/way-in.ts';

/** Everything a program is looked at for. */
export const RULES: readonly RuleMaker[] = [
  toolsAndOffsetsRule,
  collisionsRule,
  spindleAndCoolantRule,
  numbersRule,
  loadRule,
  spikeRule,
  arcFeedRule,
  wayInRule,
  controlRule,
];
