import type { OperationContext } from '../../operations/context.ts';
import { outerDiameter } from '../../crib/cutter.ts';
import type { MillingOperation } from '../../operations/operation.ts';
import type { Unit } from '../../units/unit.ts';

/** What a search or a map may move. */
export type FreeParameter = 'n' | 'fz' | 'ap' | 'ae' | 'stickOut';
export const FREE_PARAMETERS: readonly FreeParameter[] = ['n', 'fz', 'ap', 'ae', 'stickOut'];

export interface Freedom {
  readonly key: FreeParameter;
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

/** The range of each free parameter for this cutter and machine. */
export function freedomOf(key: FreeParameter, op: MillingOperation, context: OperationContext): Freedom {
  const { cutter, machine, holder } = context;
  const p = cutter.properties;
  const d = outerDiameter(cutter);
  switch (key) {
    case 'n': {
      const high = Math.min(machine.max_rpm, p.RPMX ?? Infinity, holder.max_rpm || Infinity);
      const low = Math.max(machine.min_rpm ?? 0, SLOWEST * high, 20);
      return { key, symbol: 'n', name: 'spindle speed', unit: 'rpm', low, high, step: 10 };
    }
    case 'fz': {
      const window = cutter.extended.fz_window_mm;
      const high = Math.max(0.02 * d, window ? 2.5 * window[1] : 0);
      return {
        key,
        symbol: 'fz',
        name: 'feed per tooth',
        unit: 'mm/tooth',
        low: high / 60,
        high,
        step: d < 3 ? 0.0005 : 0.001,
      };
    }
    case 'ap': {
      const shallow = cutter.type === 'high_feed_mill' ? Infinity : Math.min(SHALLOW * d, (p.RE ?? 0) / 2);
      const high = Math.min(
        p.APMX ?? d,
        op.tooling.stickOutMm,
        op.feature.depthMm,
        op.path.strategy === 'high-feed' ? shallow : Infinity,
      );
      return {
        key,
        symbol: 'ap',
        name: 'axial depth',
        unit: 'mm',
        low: Math.min(0.02 * d, high / 2),
        high,
        step: 0.05,
      };
    }
    case 'ae':
      return {
        key,
        symbol: 'ae',
        name: 'radial depth',
        unit: 'mm',
        ...widthsOf(op, d),
        step: d < 20 ? 0.01 : 0.05,
      };
    case 'stickOut': {
      const low = Math.max(Math.min(op.tooling.stickOutMm, p.LPR ?? d), op.feature.depthMm + 1);
      const high = Math.max(low + 1, Math.min((p.OAL ?? 100) - 10, 2 * op.tooling.stickOutMm));
      return { key, symbol: 'L', name: 'stick-out', unit: 'mm', low, high, step: 0.5 };
    }
  }
}

/** Narrowest and widest stepover that still is the strategy: wide levels are wide, light paths are light. */
function widthsOf(op: MillingOperation, d: number): { low: number; high: number } {
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

export function readFree(op: MillingOperation, key: FreeParameter): number {
  switch (key) {
    case 'n':
      return op.cut.speedRpm;
    case 'fz':
      return op.cut.feedPerToothMm;
    case 'ap':
      return op.cut.axialDepthMm;
    case 'ae':
      return op.cut.radialEngagementMm;
    case 'stickOut':
      return op.tooling.stickOutMm;
  }
}

export function writeFree(op: MillingOperation, key: FreeParameter, value: number): MillingOperation {
  switch (key) {
    case 'n':
      return { ...op, cut: { ...op.cut, speedRpm: value } };
    case 'fz':
      return { ...op, cut: { ...op.cut, feedPerToothMm: value } };
    case 'ap':
      return { ...op, cut: { ...op.cut, axialDepthMm: value } };
    case 'ae':
      return { ...op, cut: { ...op.cut, radialEngagementMm: value } };
    case 'stickOut':
      return { ...op, tooling: { ...op.tooling, stickOutMm: value } };
  }
}
