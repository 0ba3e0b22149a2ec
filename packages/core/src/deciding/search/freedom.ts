import type { OperationContext } from '../../operations/context.ts';
import { outerDiameter } from '../../crib/cutter.ts';
import { movableOf } from '../../evaluation/set-parameter.ts';
import type { FreeParameter } from '../../operations/milling/milling-movables.ts';
import type { MillingOperation } from '../../operations/milling/milling-operation.ts';
import type { Unit } from '../../units/unit.ts';

/** Range of a number that is free; of a milling cut unless another's keys are given. */
export interface Freedom<K extends string = FreeParameter> {
  readonly key: K;
  readonly symbol: string;
  readonly name: string;
  readonly unit: Unit;
  readonly low: number;
  readonly high: number;
  /** What a person would enter: values are rounded to it. */
  readonly step: number;
}

/** Wider stepovers leave webs between passes, mm over the diameter. */
const OVERLAP = 0.8;
/** Below this share of the diameter stock and runout decide the chip, not the formula (rule G-01). */
const BELIEVED = 0.03;
/** Border between light stepovers and wide ones, depth of the high-feed school, width of a plunge, over the diameter. */
const LIGHT = 0.25;
const SHALLOW = 0.06;
const PLUNGE = 0.5;
/** Slowest speed looked at, over what the machine and the tool stand. */
const SLOWEST = 0.01;
const SLOWEST_RPM = 20;

const SYMBOLS: Readonly<Record<FreeParameter, string>> = {
  n: 'n',
  fz: 'fz',
  ap: 'ap',
  ae: 'ae',
  stickOut: 'L',
};

/** The range of each free parameter for this cutter and machine: its own, as far as it still is the same way of cutting. */
export function freedomOf(key: FreeParameter, op: MillingOperation, context: OperationContext): Freedom {
  const { name, unit, step, low, high } = movableOf(op, context, key);
  const range = narrowed(key, { low, high }, op, context);
  return { key, symbol: SYMBOLS[key], name: name.toLowerCase(), unit, step, ...range };
}

interface Span {
  readonly low: number;
  readonly high: number;
}

function narrowed(key: FreeParameter, of: Span, op: MillingOperation, { cutter }: OperationContext): Span {
  const d = outerDiameter(cutter);
  const p = cutter.properties;
  switch (key) {
    case 'n':
      return { low: Math.max(of.low, SLOWEST * of.high, SLOWEST_RPM), high: of.high };
    case 'fz': {
      const window = cutter.extended.fz_window_mm;
      const high = Math.max(0.02 * d, window ? 2.5 * window[1] : 0);
      return { low: high / 60, high };
    }
    case 'ap': {
      const shallow = cutter.type === 'high_feed_mill' ? Infinity : Math.min(SHALLOW * d, (p.RE ?? 0) / 2);
      const high = Math.min(
        of.high || d,
        op.feature.depthMm,
        op.path.strategy === 'high-feed' ? shallow : Infinity,
      );
      return { low: Math.min(0.02 * d, high / 2), high };
    }
    case 'ae':
      return widthsOf(op, d);
    case 'stickOut': {
      // What does not reach the floor is no stick-out for this feature.
      const low = Math.max(of.low, op.feature.depthMm + 1);
      return { low, high: Math.max(low + 1, of.high) };
    }
  }
}

/** Narrowest and widest stepover that still is the strategy: wide levels are wide, light paths are light. */
function widthsOf(op: MillingOperation, d: number): Span {
  const { kind, widthMm } = op.feature;
  const ae = op.cut.radialEngagementMm;
  const low = Math.min(BELIEVED * d, ae);
  if (kind === 'side') return { low, high: Math.min(d, widthMm) };
  if (kind !== 'pocket') return { low, high: OVERLAP * d };
  switch (op.path.strategy) {
    case 'levels':
    case 'high-feed':
      return { low: Math.min(LIGHT * d, ae), high: OVERLAP * d };
    case 'plunge':
      return { low, high: PLUNGE * d };
    default:
      return { low, high: Math.max(LIGHT * d, ae) };
  }
}
