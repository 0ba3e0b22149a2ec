import type { ThreadOperation } from '../hole-operation.ts';
import type { Cutter } from '../../crib/cutter.ts';
import { round } from '../../units/input-error.ts';
import type { Inspection } from '../inspection.ts';

/** What a thread may be, and the pitch of its tool. */
export function checkThread({ thread }: ThreadOperation, cutter: Cutter, see: Inspection): void {
  see.above('thread.majorMm', thread.majorMm, 'mm');
  see.within('thread.pitchMm', thread.pitchMm, 0.1, 0.4 * Math.max(0.3, thread.majorMm), 'mm');
  see.within('thread.flankDeg', thread.flankDeg, 20, 120, 'deg');
  see.within('thread.taper', thread.taper, 0, 0.25, 'ratio');
  const pitch = cutter.properties['TP'];
  if (typeof pitch === 'number' && Math.abs(pitch - thread.pitchMm) > 0.002)
    see.say('tooling.cutterId', cutter.name, `a tool of pitch ${round(thread.pitchMm)} mm`);
}
