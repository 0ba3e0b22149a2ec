import { isTurningInsert } from '../../crib/cutter.ts';
import { wrongHolder, wrongSpindle } from '../../crib/pairing.ts';
import type { CutState } from '../cut-state.ts';
import { exact } from '../../judging/estimate.ts';
import { measure, say } from '../../units/sentence.ts';
import { input, type Limit } from '../../judging/limit.ts';

/** The shank has to fit the holder, and the holder the spindle. */
export const holderFitLimit: Limit<CutState> = {
  id: 'holder-fit',
  reads: 'setup',
  group: 'cutter',
  name: 'holder fit',
  ofCutter: true,
  assess({ context: { cutter, holder, machine } }) {
    const shank = cutter.properties.DCONMS ?? 0;
    const [, large] = holder.bore_diameter_mm;
    const wrong = wrongSpindle(holder, machine) ?? wrongHolder(cutter, holder);
    const insert = isTurningInsert(cutter);
    return {
      predicted: insert ? null : { estimate: exact(shank), unit: 'mm' },
      allowed: insert ? null : { value: large, unit: 'mm', from: `${holder.name}, bore` },
      share: null,
      verdict: wrong === null ? 'clear' : 'over',
      why: () =>
        wrong ??
        (insert
          ? say(
              'Insert on a {0} square shank; fits the block, and the block fits the machine.',
              measure(large, 'mm'),
            )
          : say('{0} shank; fits the holder, and the holder fits the spindle.', measure(shank, 'mm'))),
      formula:
        'shell mills on arbors, shanks in chucks; DCONMS within the bore; taper of the spindle among the holder’s',
      inputs: () => [input('DCONMS', 'shank', shank, 'mm')],
      source: 'cutter, holder and machine records',
    };
  },
};
