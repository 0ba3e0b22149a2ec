import type { Limit } from '../../judging/limit.ts';
import type { CutState } from '../cut-state.ts';
import { axisFeedLimit } from './axis-feed.ts';
import { coolantMatchLimit } from './coolant-match.ts';
import { cuttingSpeedLimit } from './cutting-speed.ts';
import { edgeLifeLimit } from './edge-life.ts';
import { edgesOnShelfLimit } from './edges-on-shelf.ts';
import { holderFitLimit } from './holder-fit.ts';
import { inheritedNumbersLimit } from './inherited-numbers.ts';
import { materialMatchLimit } from './material-match.ts';
import { ratedSpeedLimit } from './rated-speed.ts';
import { spindlePowerLimit } from './spindle-power.ts';
import { spindleSpeedLimit } from './spindle-speed.ts';
import { spindleTorqueLimit } from './spindle-torque.ts';

/** Limits every cut has, by what they look at: a kind's ladder begins and ends with them. */
export const OF_ALL = {
  machine: [spindleSpeedLimit, spindlePowerLimit, spindleTorqueLimit, axisFeedLimit],
  cutter: [ratedSpeedLimit, holderFitLimit, materialMatchLimit],
  life: [cuttingSpeedLimit, edgeLifeLimit, edgesOnShelfLimit, coolantMatchLimit],
  process: [inheritedNumbersLimit],
} as const satisfies Record<string, readonly Limit<CutState>[]>;
