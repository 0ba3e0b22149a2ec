import { isIndexable } from '../crib/cutter.ts';
import type { OperationContext } from './context.ts';
import { type Movable, movable, numberAt, type NumberAt } from './movable.ts';
import type { Operation } from './operation.ts';

/** Where the numbers stand that every operation has. */
export const SPEED: NumberAt = numberAt('cut.speedRpm');
export const STICK_OUT: NumberAt = numberAt('tooling.stickOutMm');
const INSPECTED: NumberAt = numberAt('featuresPerEdge');

/** Fastest spindle there is, rpm. */
const FASTEST = 500_000;
/** Length of a shank that stays in the holder whatever happens, mm; and what one keeps there. */
const LEAST_GRIPPED = 5;
const USUALLY_GRIPPED = 10;
/** Stick-out of an indexable tool at most, and where its length is not on record, mm. */
const LONGEST = 400;

/** Fastest speed machine, tool and holder stand together, rpm. */
export const fastestOf = ({ cutter, machine, holder }: OperationContext): number =>
  Math.min(machine.max_rpm, cutter.properties.RPMX ?? Infinity, holder.max_rpm || Infinity);

/** Speed, stick-out and the interval of inspection: what can be moved in every operation. */
export function commonMovables(op: Operation, context: OperationContext): Movable[] {
  const { cutter, machine } = context;
  const p = cutter.properties;
  const out = op.tooling.stickOutMm;
  return [
    movable(
      {
        key: 'n',
        name: 'Spindle speed',
        unit: 'rpm',
        at: SPEED,
        heldBy: ['n', 'vc', 'vf'],
        ofTheCut: true,
        ...('feedPerToothMm' in op.cut ? { keeps: 'at the same chip load' } : {}),
      },
      {
        least: 1,
        most: FASTEST,
        low: Math.max(10, machine.min_rpm ?? 0),
        high: fastestOf(context),
        step: 10,
      },
    ),
    movable(
      {
        key: 'stickOut',
        name: 'Stick-out',
        unit: 'mm',
        at: STICK_OUT,
        ofTheCut: true,
        verbs: ['Lengthen', 'Shorten'],
      },
      {
        least: Math.min(p.LPR ?? p.APMX ?? 1, 0.5 * (p.DC ?? 10)),
        most: isIndexable(cutter) ? LONGEST : (p.OAL ?? LONGEST + LEAST_GRIPPED) - LEAST_GRIPPED,
        low: Math.min(out, p.LPR ?? out),
        high: Math.max(out, Math.min((p.OAL ?? LONGEST) - USUALLY_GRIPPED, out * 2)),
        step: 0.5,
      },
    ),
    movable(
      {
        key: 'featuresPerEdge',
        name: `${'hole' in op ? 'Holes' : 'Features'} per edge inspection`,
        unit: 'pieces',
        at: INSPECTED,
      },
      { least: 1, most: 100_000, low: 1, high: op.featuresPerEdge, step: 1 },
    ),
  ];
}
