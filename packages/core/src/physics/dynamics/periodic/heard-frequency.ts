import FFT from 'fft.js';
import { receptanceAt, type TipStructure } from '../tip-structure.ts';
import type { Multiplier } from './dominant.ts';
import { applied, type PeriodMap } from './period-map.ts';
import { readAt, spanAt } from './span.ts';

const TURN = 2 * Math.PI;
/** Frequencies looked at reach this far beyond the highest one the nodes follow. */
const BEYOND = 1.5;
/** Samples of the period for each line looked at. */
const SAMPLES_PER_LINE = 4;

/**
 * The frequency chatter is heard at, Hz: of all f = (k ± arg μ/2π)/T that its vibration has, the one at which the tip moves most.
 * The forces of what grows are known at every node of the period; their spectrum times the receptance is the tip's.
 */
export function heardFrequency(
  map: PeriodMap,
  { angle, vector }: Multiplier,
  structure: TipStructure,
): number {
  const { spans, period } = map;
  const dims = map.directions.length;
  const { forces: re } = applied(map, vector.re);
  const { forces: im } = applied(map, vector.im);
  const highest = map.highestHz * BEYOND;
  const lines = Math.ceil(highest * period) + 1;
  const size = 2 ** Math.ceil(Math.log2(SAMPLES_PER_LINE * lines + 16));
  const fft = new FFT(size);
  const axes = [structure.x, structure.y];
  const shares = new Float64Array(64);
  const power = new Float64Array(2 * lines);
  // From sample to sample what grows turns by this much: taken out, the force repeats with the period.
  const forced = fft.createComplexArray();
  const spectrum = fft.createComplexArray();
  for (let d = 0; d < dims; d++) {
    forced.fill(0);
    for (let i = 0; i < size; i++) {
      const place = ((i / size) * period) / map.perRadian;
      const span = spanAt(spans, place);
      if (place < span.from || place > span.to) continue;
      readAt(span, place, shares);
      const { count } = span.nodes;
      const u = span.first * dims + d * count;
      let [a, b] = [0, 0];
      for (let k = 0; k < count; k++) {
        a += shares[k]! * re[u + k]!;
        b += shares[k]! * im[u + k]!;
      }
      const phase = (angle * i) / size;
      const [c, s] = [Math.cos(phase), Math.sin(phase)];
      forced[2 * i] = a * c + b * s;
      forced[2 * i + 1] = b * c - a * s;
    }
    fft.transform(spectrum, forced);
    // Line k turns by k + angle/2π times a period; a negative one is heard at its absolute frequency.
    for (let k = 0; k < lines; k++) {
      for (let side = 0; side < 2; side++) {
        const sign = 1 - 2 * side;
        const at = side === 0 ? k : (size - k) % size;
        const hz = Math.abs((sign * k + angle / TURN) / period);
        if (hz === 0) continue;
        const g = receptanceAt(axes[map.directions[d]!]!, hz);
        power[2 * k + side]! +=
          (spectrum[2 * at]! ** 2 + spectrum[2 * at + 1]! ** 2) * (g.re * g.re + g.im * g.im);
      }
    }
  }
  let best = 0;
  for (let i = 1; i < power.length; i++) if (power[i]! > power[best]!) best = i;
  return Math.abs(((best % 2 === 1 ? -1 : 1) * (best >> 1) + angle / TURN) / period);
}
