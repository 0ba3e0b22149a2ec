import type { OperationContext } from '../context.ts';
import type { HoleMillingOperation } from './hole-milling-operation.ts';
import { feedMovable, preHole, SPRING_PASSES } from '../holes/hole-movables.ts';
import { type Movable, movable, numberAt } from '../movable.ts';

/** What can be moved in a hole milled on a helix: feed, pitch, passes, how far it goes past the floor. */
export function holeMillingMovables(op: HoleMillingOperation, { cutter }: OperationContext): Movable[] {
  const edge = Math.min(cutter.properties.APMX ?? 1, op.tooling.stickOutMm);
  const { startMm, diameterMm, through } = op.hole;
  return [
    ...feedMovable(op),
    movable(
      {
        key: 'pitch',
        name: 'Pitch per revolution',
        unit: 'mm',
        at: numberAt('cut.pitchMm'),
        heldBy: ['pitch'],
        ofTheCut: true,
      },
      { least: 0, above: true, most: edge, low: 0.02, high: edge, step: 0.02 },
    ),
    movable(
      { key: 'stepovers', name: 'Radial passes', unit: 'pieces', at: numberAt('cut.stepovers') },
      { least: 1, most: 40, low: 1, high: 8, step: 1 },
    ),
    SPRING_PASSES,
    movable(
      { key: 'pastFloor', name: 'Overrun at bottom', unit: 'mm', at: numberAt('cut.pastFloorMm') },
      { least: 0, most: 20, low: 0, high: through ? 5 : 0, step: 0.1 },
    ),
    preHole({ least: 0, most: diameterMm - 0.01, low: startMm, high: startMm }),
  ];
}
