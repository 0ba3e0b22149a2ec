import type { OperationContext } from '../../operations/context.ts';
import type { HoleOperation } from '../../operations/hole-operation.ts';
import type { Operation } from '../../operations/operation.ts';
import { pilotForHeight } from '../../physics/threads/thread-geometry.ts';
import type { Unit } from '../../units/unit.ts';
import type { Lever } from './lever.ts';

type Cut = Readonly<Record<string, unknown>>;

/** A lever on one number of the cut. */
const inCut = (
  key: string,
  of: {
    readonly id: string;
    readonly label: string;
    readonly unit: Unit;
    readonly low: number;
    readonly high: number;
    readonly step: number;
  },
): Lever => ({
  ...of,
  read: (op) => Number((op.cut as unknown as Cut)[key]),
  write: (op, value) => ({ ...op, cut: { ...op.cut, [key]: value } }) as Operation,
});

/** A lever on the hole that was made before. */
const holeBefore = (low: number, high: number): Lever => ({
  id: 'hole-before',
  label: 'Pre-hole diameter',
  unit: 'mm',
  low,
  high,
  step: 0.05,
  read: (op) => (op.kind === 'milling' ? 0 : op.hole.startMm),
  write: (op, value) => (op.kind === 'milling' ? op : { ...op, hole: { ...op.hole, startMm: value } }),
});

const spring = inCut('springPasses', {
  id: 'spring',
  label: 'Spring passes',
  unit: 'pieces',
  low: 0,
  high: 2,
  step: 1,
});

/** What can be moved in a step of a hole besides speed, stick-out and looks. */
export function holeLevers(op: HoleOperation, { cutter }: OperationContext): Lever[] {
  const feed = inCut('feedPerRevMm', {
    id: 'feed',
    label: 'Feed',
    unit: 'mm/rev',
    low: 0.005,
    high: 1.5,
    step: 0.002,
  });
  const tooth = inCut('feedPerToothMm', {
    id: 'feed',
    label: 'Feed per tooth',
    unit: 'mm/tooth',
    low: 0.002,
    high: 0.5,
    step: 0.001,
  });
  const own = cutter.properties.DC ?? op.hole.diameterMm;
  switch (op.kind) {
    case 'drilling':
      return [
        feed,
        inCut('breakthroughFeed', {
          id: 'breakthrough',
          label: 'Feed at breakthrough',
          unit: 'ratio',
          low: 0.3,
          high: 1,
          step: 0.05,
        }),
      ];
    case 'reaming':
      return [
        feed,
        holeBefore(0.9 * own, own - 0.05),
        inCut('outFeed', { id: 'out', label: 'Retract feed', unit: 'ratio', low: 1, high: 3, step: 0.1 }),
      ];
    case 'boring':
      return [
        feed,
        spring,
        holeBefore(0.9 * op.hole.diameterMm, op.hole.diameterMm - 0.1),
        inCut('passes', { id: 'passes', label: 'Passes', unit: 'pieces', low: 1, high: 6, step: 1 }),
      ];
    case 'hole-milling':
      return [
        tooth,
        inCut('pitchMm', {
          id: 'pitch',
          label: 'Pitch per revolution',
          unit: 'mm',
          low: 0.02,
          high: Math.min(cutter.properties.APMX ?? 1, op.tooling.stickOutMm),
          step: 0.02,
        }),
        inCut('stepovers', {
          id: 'helices',
          label: 'Radial passes',
          unit: 'pieces',
          low: 1,
          high: 8,
          step: 1,
        }),
        spring,
        ...(op.hole.through
          ? [
              inCut('pastFloorMm', {
                id: 'past-floor',
                label: 'Overrun at bottom',
                unit: 'mm',
                low: 0,
                high: 5,
                step: 0.1,
              }),
            ]
          : []),
      ];
    case 'chamfering':
      return [tooth];
    case 'tapping':
      return [holeBefore(pilotForHeight(op.thread, 85), pilotForHeight(op.thread, 50))];
    case 'thread-milling':
      return [
        tooth,
        inCut('passes', { id: 'passes', label: 'Radial passes', unit: 'pieces', low: 1, high: 6, step: 1 }),
        spring,
        holeBefore(pilotForHeight(op.thread, 85), pilotForHeight(op.thread, 50)),
      ];
  }
}
