import { bell, caseNumbers } from '../reference/case-noise.ts';
import { listen, type Recording } from '../../src/physics/dynamics/sound/chatter-sound.ts';
import { given, type GoldenCase } from '../compare.ts';
import { type Answers, has, list } from './answer.ts';

/** The recording a worked case describes. */
export function recordingOf(c: GoldenCase): Recording {
  const rate = given(c, 'fs_Hz');
  const chatter = list<readonly [number, number]>(c, 'chatter_f_amp');
  const turn = given(c, 'n_rpm') / 60;
  const next = caseNumbers(given(c, 'seed'));
  const wave = (f: number, t: number, phase: number): number => Math.sin(2 * Math.PI * f * t + phase);
  const samples = Float64Array.from({ length: Math.round(rate * given(c, 'T_s')) }, (_, i) => {
    const t = i / rate;
    let x = 0;
    list(c, 'tooth_harmonic_amp').forEach((a, k) => (x += a * wave((k + 1) * given(c, 'N') * turn, t, 0.3 * (k + 1))));
    list(c, 'spindle_harmonic_amp').forEach((a, k) => (x += a * wave((k + 1) * turn, t, 0.7 * (k + 1))));
    chatter.forEach(([f, a]) => (x += a * wave(f, t, 1.1)));
    return x + given(c, 'noise_amp') * bell(next);
  });
  return { rate, samples };
}

export function sound(c: GoldenCase): Answers | null {
  if (!has(c, 'tooth_harmonic_amp')) return null;
  const heard = listen(recordingOf(c), { rpm: given(c, 'n_rpm'), teeth: given(c, 'N') });
  return {
    chatter: heard.chatter,
    fc_Hz: heard.chatter ? heard.hz : null,
    amplitude: heard.chatter ? heard.amplitude : null,
    recommended_n_rpm: heard.chatter ? [...heard.speedsRpm] : null,
  };
}
