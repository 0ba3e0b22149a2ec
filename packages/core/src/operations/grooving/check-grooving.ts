import type { OperationContext } from '../context.ts';
import type { Inspection } from '../inspection.ts';
import { checkHeldPart } from '../lathe/check-held-part.ts';
import { cuttingWidth, grooveWidth, type GroovingOperation } from './grooving-operation.ts';

/** Largest part a lathe swings, mm. */
const LARGEST = 3000;

/** What a groove may be. */
export function checkGrooving(op: GroovingOperation, context: OperationContext, see: Inspection): void {
  const { groove: g, cut } = op;
  const width = cuttingWidth(context.cutter);
  see.above('groove.startMm', g.startMm, 'mm');
  see.within('groove.startMm', g.startMm, 0, LARGEST, 'mm');
  if (g.way === 'inside') see.within('groove.endMm', g.endMm, g.startMm + 0.02, LARGEST, 'mm');
  else see.within('groove.endMm', g.endMm, 0, g.startMm - 0.02, 'mm');
  if (g.way !== 'part-off') {
    see.above('groove.lengthMm', g.lengthMm, 'mm');
    see.within('groove.lengthMm', g.lengthMm, 0, 500, 'mm');
  }
  see.within('groove.fromEndMm', g.fromEndMm, 0, 5000, 'mm');
  const leastOut = g.way === 'face' ? 0.5 : g.fromEndMm + grooveWidth(g, width);
  checkHeldPart('groove', g, leastOut, context, see);
  see.within('groove.boreMm', g.boreMm, 0, 0.98 * (g.way === 'inside' ? g.endMm : g.startMm), 'mm');
  see.measured('groove.cornerMm', g.cornerMm, 0.01, 100, 'mm');
  see.measured('groove.toleranceMm', g.toleranceMm, 0.001, 5, 'mm');
  see.measured('groove.raUm', g.raUm, 0.01, 50, 'um');
  if (g.support === 'tailstock' && g.way !== 'outside')
    see.say(
      'groove.support',
      'tailstock',
      g.way === 'part-off'
        ? 'the chuck alone or a steady rest: a part is never parted against a centre, it jams and is thrown'
        : 'the chuck alone or a steady rest: the centre stands in the way',
    );
  see.within('cut.slowBelowMm', cut.slowBelowMm, 0, LARGEST, 'mm');
  see.within('cut.slowShare', cut.slowShare, 0.05, 1, 'ratio');
  see.within('cut.feedPerRevMm', cut.feedPerRevMm, 0, width, 'mm/rev');
}
