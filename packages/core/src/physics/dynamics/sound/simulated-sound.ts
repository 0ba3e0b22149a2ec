import type { ChatterCut } from '../chatter-cut.ts';
import { seededNormal, seededUniform } from '../../../numerics/random.ts';
import { simulateCut } from '../time-domain.ts';
import type { TipStructure } from '../tip-structure.ts';
import type { Recording } from './chatter-sound.ts';

/** What a cut would sound like: the tip's speed in the time-domain run, brought to an audio rate, with shop noise. */
export function soundOf(
  cut: ChatterCut,
  structure: TipStructure,
  wish: {
    readonly rpm: number;
    readonly depthMm: number;
    readonly feedPerToothMm: number;
    readonly seconds?: number;
    readonly rate?: number;
    readonly noise?: number;
    readonly seed?: number;
  },
): Recording {
  const { rpm, seconds = 1.2, rate = 22_050, noise = 0.02, seed = 9 } = wish;
  const settle = 8;
  const turns = Math.ceil((seconds * rpm) / 60) + settle;
  const run = simulateCut(cut, structure, { ...wish, turns, perWave: 30 });
  const normal = seededNormal(seededUniform(seed));
  const start = settle * run.perTurn;
  const speed = (i: number): number =>
    (run.xMm[i]! - run.xMm[i - 1]! + 0.6 * (run.yMm[i]! - run.yMm[i - 1]!)) / run.step;
  const samples = Float64Array.from({ length: Math.floor(seconds * rate) }, (_, k) => {
    // Mean over what falls into one audio sample, so that higher tones do not fold back.
    const from = start + Math.floor(k / rate / run.step);
    const to = Math.min(
      run.xMm.length - 1,
      Math.max(from + 1, start + Math.floor((k + 1) / rate / run.step)),
    );
    let sum = 0;
    for (let i = from; i < to; i++) sum += speed(i);
    return sum / (to - from);
  });
  const size = Math.sqrt(samples.reduce((a, v) => a + v * v, 0) / samples.length) || 1;
  return { rate, samples: samples.map((v) => v + noise * size * normal()) };
}
