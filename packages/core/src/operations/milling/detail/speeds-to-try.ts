import type { OperationContext } from '../../context.ts';
import type { MillingOperation } from '../milling-operation.ts';
import { fastestOfEdge, millingState } from '../milling-state.ts';

/** A speed at which the teeth come in step with a heard frequency. */
export interface SpeedToTry {
  readonly rpm: number;
  /** Depth at which chatter is as likely as not there, mm along the tool; null where no depth chatters. */
  readonly depthMm: number | null;
}

/** No more pockets than this are asked for, and this many are shown. */
const MOST_POCKETS = 40;
const SHOWN = 4;
/** The pocket lies a little under the speed that puts the teeth on the heard frequency. */
const UNDER = 0.98;

/**
 * Speeds 60·f/(z·k) for a heard frequency f, Hz, that the machine, the cutter's rating and the edge's cutting speed allow;
 * most metal first: depth by the border there times speed, at the same width and chip. The border is the lobes' own.
 */
export function speedsToTry(hz: number, op: MillingOperation, context: OperationContext): SpeedToTry[] {
  const state = millingState(op, context);
  const { properties } = context.cutter;
  const teeth = properties.ZEFP ?? properties.NOF ?? 1;
  const most = Math.min(context.machine.max_rpm, properties.RPMX ?? Infinity, fastestOfEdge(state));
  const least = context.machine.min_rpm ?? 0;
  const deepest = Math.min(properties.APMX ?? op.tooling.stickOutMm, op.tooling.stickOutMm);
  const found: SpeedToTry[] = [];
  for (let k = 1; k <= MOST_POCKETS; k++) {
    const rpm = Math.round((UNDER * 60 * hz) / (teeth * k));
    if (rpm > most) continue;
    if (rpm < least || found.length >= 2 * SHOWN) break;
    found.push({ rpm, depthMm: state.stability.borderAt(rpm).depthMm });
  }
  const metal = (s: SpeedToTry): number => s.rpm * Math.min(s.depthMm ?? deepest, deepest);
  return found.sort((a, b) => metal(b) - metal(a)).slice(0, SHOWN);
}
