import type { Crib } from '@burl/contract';
import type { DemoJob } from './demo-job.ts';
import { valveBonnet } from './demo-bonnets.ts';
import { demoOperations } from './demo-operations.ts';
import { wearPlates } from './demo-plates.ts';
import { valveStem } from './demo-stems.ts';
import { lockPlate, oilManifold, pitchLockHub } from './demo-turbines.ts';
import { valveBody } from './demo-valves.ts';
import { throttleSeat, wellheadBonnet } from './demo-wellheads.ts';

/** Operations are worked out by the core like a person's, then changed where the scenario wants it. */
export function demoJobs(crib: Crib, due: (days: number) => string): DemoJob[] {
  const tools = demoOperations(crib);
  return [
    wellheadBonnet,
    valveBody,
    pitchLockHub,
    lockPlate,
    oilManifold,
    throttleSeat,
    wearPlates,
    valveStem,
    valveBonnet,
  ].map((make) => make(tools, due));
}
