import { blankOf, type JobPlan, type Side } from '../../deciding/job/job-plan.ts';
import type { BlankSizes } from './guess-stock.ts';

/** The job's blank along the axes of a setup in which a side of the part faces the spindle; null where the part's size is not known. */
export function blankInSetup(plan: JobPlan, up: Side): BlankSizes | null {
  const blank = blankOf(plan);
  if (!blank) return null;
  const { lengthMm: l, widthMm: w, heightMm: h } = blank;
  if (up === 'top' || up === 'bottom') return { xMm: l, yMm: w, zMm: h };
  return up === 'front' || up === 'back' ? { xMm: l, yMm: h, zMm: w } : { xMm: w, yMm: h, zMm: l };
}
