import type { Cutter } from '../../../crib/cutter.ts';
import type { InputProblem } from '../../../units/input-error.ts';
import type { Machine } from '../../../crib/machine.ts';
import { type Observation, trueSpeed } from '../resonance-book.ts';

/** What of a logged cut cannot have been: a speed beyond the machine, a width beyond the cutter, a depth beyond the stick-out. */
export function impossibleIn(
  cut: Pick<Observation, 'rpm' | 'overridePercent' | 'axialDepthMm' | 'radialEngagementMm'>,
  machine: Machine,
  cutter: Cutter,
  stickOutMm: number,
): InputProblem[] {
  const { DC } = cutter.properties;
  return [
    {
      field: 'rpm',
      value: Math.round(trueSpeed(cut)),
      most: machine.max_rpm,
      of: 'rpm, what the machine has',
    },
    {
      field: 'radialEngagementMm',
      value: cut.radialEngagementMm,
      most: DC ?? Infinity,
      of: 'mm, the cutter’s diameter',
    },
    { field: 'axialDepthMm', value: cut.axialDepthMm, most: stickOutMm, of: 'mm, the stick-out' },
  ]
    .filter((p) => p.value > p.most)
    .map(({ field, value, most, of }) => ({ field, value, allowed: `up to ${most} ${of}` }));
}
