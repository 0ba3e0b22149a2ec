import type { HoleOperation } from '../hole-operation.ts';
import type { Inspection } from '../inspection.ts';

/** What every hole may be. */
export function checkHole(op: HoleOperation, see: Inspection): void {
  const { hole } = op;
  see.above('hole.diameterMm', hole.diameterMm, 'mm');
  see.above('hole.depthMm', hole.depthMm, 'mm');
  see.within('hole.depthMm', hole.depthMm, 0, 60 * Math.max(hole.diameterMm, 0.1), 'mm');
  see.within('hole.entryAngleDeg', hole.entryAngleDeg, 0, 60, 'deg');
  see.within('hole.exitAngleDeg', hole.exitAngleDeg, 0, 80, 'deg');
  see.within('hole.crossHoles', hole.crossHoles, 0, 50, 'ratio');
  see.within('hole.startMm', hole.startMm, 0, Infinity, 'mm');
  see.measured('hole.startDepthMm', hole.startDepthMm, 0, 5000, 'mm');
  see.measured('hole.toleranceMm', hole.toleranceMm, 0.001, 5, 'mm');
  see.measured('hole.straightnessMm', hole.straightnessMm, 0.001, 10, 'mm');
  see.measured('hole.raUm', hole.raUm, 0.01, 50, 'um');
  see.measured('hole.partValue', hole.partValue, 0, 1e8, 'ratio');
  see.within('hole.betweenMm', hole.betweenMm, 0, 5000, 'mm');
}
