import type { Limit } from '../../judging/limit.ts';
import type { CutState } from '../cut-state.ts';
import { axisFeedLimit } from './axis-feed.ts';
import { coolantMatchLimit } from './coolant-match.ts';
import { cuttingSpeedLimit } from './cutting-speed.ts';
import { toolLifeLimit } from './tool-life.ts';
import { edgesInStockLimit } from './edges-in-stock.ts';
import { holderFitLimit } from './holder-fit.ts';
import { numbersConfirmedLimit } from './numbers-confirmed.ts';
import { materialMatchLimit } from './material-match.ts';
import { ratedSpeedLimit } from './rated-speed.ts';
import { spindlePowerLimit } from './spindle-power.ts';
import { spindleSpeedLimit } from './spindle-speed.ts';
import { spindleTorqueLimit } from './spindle-torque.ts';

/** Limits every cut has, by what they look at: a kind's ladder begins and ends with them. */
export const OF_ALL = {
  machine: [spindleSpeedLimit, spindlePowerLimit, spindleTorqueLimit, axisFeedLimit],
  cutter: [ratedSpeedLimit, holderFitLimit, materialMatchLimit],
  life: [cuttingSpeedLimit, toolLifeLimit, edgesInStockLimit, coolantMatchLimit],
  process: [numbersConfirmedLimit],
} as const satisfies Record<string, readonly Limit<CutState>[]>;
