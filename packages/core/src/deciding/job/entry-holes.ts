import { outerDiameter } from '../../crib/cutter.ts';
import type { JudgedJob, JudgedOperation } from './judged-job.ts';

/** A hole a cutter is to go down in, that nothing before it drills. Lengths in mm. */
export interface MissingEntryHole {
  readonly setupId: string;
  /** Operation that enters through it. */
  readonly operationId: string;
  readonly name: string;
  /** Least diameter that lets the cutter down, and how deep. */
  readonly diameterMm: number;
  readonly depthMm: number;
  readonly count: number;
}

/** The hole over the cutter: it goes down in it without touching; rule G-41. */
const OVER_CUTTER = 1.05;
/** Left above the floor, so that the point of the drill leaves no cone in it, mm. */
const ABOVE_FLOOR = 0.3;

const lets = (before: JudgedOperation, diameterMm: number, depthMm: number): boolean =>
  (before.document.kind === 'drilling' || before.document.kind === 'hole-milling') &&
  before.document.hole.diameterMm >= diameterMm - 0.05 &&
  (before.document.hole.through || before.document.hole.depthMm >= depthMm - 1);

/** Entries through a drilled hole whose hole nobody drills before, in their own setup or an earlier one. */
export function missingEntryHoles(job: Pick<JudgedJob, 'setups'>): MissingEntryHole[] {
  const before: JudgedOperation[] = [];
  const missing: MissingEntryHole[] = [];
  for (const setup of job.setups)
    for (const o of setup.operations) {
      const op = o.document;
      if (op.kind === 'milling' && op.path.entry.method === 'predrilled') {
        const diameterMm = Number((OVER_CUTTER * outerDiameter(o.context.cutter)).toFixed(1));
        const depthMm = Number(Math.max(0.5, op.feature.depthMm - ABOVE_FLOOR).toFixed(2));
        if (!before.some((b) => lets(b, diameterMm, depthMm)))
          missing.push({
            setupId: setup.id,
            operationId: o.id,
            name: o.name,
            diameterMm,
            depthMm,
            count: op.featuresPerPart,
          });
      }
      before.push(o);
    }
  return missing;
}
