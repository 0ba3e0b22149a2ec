import type { OperationContext } from '../context.ts';
import type { Inspection } from '../inspection.ts';
import { checkHeldPart } from '../lathe/check-held-part.ts';
import { checkProfile } from './profile/check-profile.ts';
import type { TurningOperation } from './turning-operation.ts';

/** Longest a lathe reaches, mm, and its largest part. */
const LONGEST = 5000;
const LARGEST = 3000;
/** A face is cut no nearer to a centre than this diameter, mm. */
const CENTRE = 20;

/** What a turned stretch may be. */
export function checkTurning(op: TurningOperation, context: OperationContext, see: Inspection): void {
  const { cutter } = context;
  const { stretch: s, cut } = op;
  see.above('stretch.startMm', s.startMm, 'mm');
  see.within('stretch.startMm', s.startMm, 0, LARGEST, 'mm');
  if (s.way === 'inside') see.within('stretch.endMm', s.endMm, s.startMm + 0.01, LARGEST, 'mm');
  else see.within('stretch.endMm', s.endMm, s.way === 'face' ? 0 : 0.1, s.startMm - 0.01, 'mm');
  see.above('stretch.lengthMm', s.lengthMm, 'mm');
  see.within('stretch.lengthMm', s.lengthMm, 0, LONGEST, 'mm');
  checkHeldPart('stretch', s, s.way === 'face' ? 0.5 : s.lengthMm, context, see);
  const outer = s.way === 'inside' ? LARGEST : s.way === 'face' ? s.startMm : s.endMm;
  see.within('stretch.boreMm', s.boreMm, 0, 0.98 * outer, 'mm');
  if (s.way === 'face') see.within('stretch.boreMm', s.boreMm, 0, Math.max(s.endMm, 0), 'mm');
  if (s.way === 'inside') see.measured('stretch.outerMm', s.outerMm ?? null, s.endMm + 0.1, LARGEST, 'mm');
  see.measured('stretch.toleranceMm', s.toleranceMm, 0.001, 5, 'mm');
  see.measured('stretch.raUm', s.raUm, 0.01, 50, 'um');
  // A centre stands where the tool would go.
  if (s.support === 'tailstock' && (s.way === 'inside' || (s.way === 'face' && s.endMm < CENTRE)))
    see.say('stretch.support', 'tailstock', 'the chuck alone or a steady rest: the centre stands in the way');
  checkProfile(s, see);
  const nose = cutter.properties.RE;
  if (!nose || nose <= 0) see.say('cutter.properties.RE', nose, 'above 0 mm');
  else see.within('cut.feedPerRevMm', cut.feedPerRevMm, 0, 2 * nose, 'mm/rev');
}
