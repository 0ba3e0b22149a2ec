import type { OperationContext } from '../context.ts';
import type { Inspection } from '../inspection.ts';
import { checkHeldPart } from '../lathe/check-held-part.ts';
import type { ThreadTurningOperation } from './thread-turning-operation.ts';

/** What a turned thread may be. */
export function checkThreadTurning(
  { thread, turned: t }: ThreadTurningOperation,
  context: OperationContext,
  see: Inspection,
): void {
  see.above('thread.majorMm', thread.majorMm, 'mm');
  see.within('thread.majorMm', thread.majorMm, 0, 3000, 'mm');
  see.within('thread.pitchMm', thread.pitchMm, 0.1, 0.4 * Math.max(0.3, thread.majorMm), 'mm');
  see.within('thread.flankDeg', thread.flankDeg, 20, 120, 'deg');
  if (thread.taper > 0) see.say('thread.taper', thread.taper, '0: taper threads are not turned here');
  see.above('turned.lengthMm', t.lengthMm, 'mm');
  see.within('turned.lengthMm', t.lengthMm, 0, 1000, 'mm');
  see.within('turned.fromEndMm', t.fromEndMm, 0, 5000, 'mm');
  see.within('turned.runOutMm', t.runOutMm, 0, 500, 'mm');
  see.within('turned.boreMm', t.boreMm, 0, 0.95 * thread.majorMm, 'mm');
  checkHeldPart('turned', t, t.fromEndMm + t.lengthMm, context, see);
  if (t.support === 'tailstock' && t.internal)
    see.say('turned.support', 'tailstock', 'the chuck alone or a steady rest: the centre stands in the way');
  const bar = context.cutter.properties.DCONMS !== undefined;
  if (bar !== t.internal)
    see.say(
      'tooling.cutterId',
      context.cutter.name,
      t.internal ? 'a threading insert on a round bar' : 'a threading insert on a square shank',
    );
}
