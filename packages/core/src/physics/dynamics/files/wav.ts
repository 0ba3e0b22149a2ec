import { WaveFile } from 'wavefile';
import { InputError } from '../../../units/input-error.ts';
import type { Recording } from '../sound/chatter-sound.ts';

/** Longest recording taken, s. */
const LONGEST_S = 120;

/** Reads a WAV file of any sample format; of several channels the mean. Throws InputError where it is none. */
export function readWav(bytes: Uint8Array): Recording {
  const file = new WaveFile();
  try {
    file.fromBuffer(bytes);
    file.toBitDepth('64');
  } catch (error) {
    throw new InputError([
      {
        field: 'sound file',
        value: (error as Error).message,
        allowed: 'a WAV file with PCM or float samples',
      },
    ]);
  }
  const { sampleRate } = file.fmt as { sampleRate: number };
  const all = file.getSamples(false) as unknown as Float64Array | Float64Array[];
  const channels = Array.isArray(all) ? all : [all];
  const length = channels[0]!.length;
  if (length / sampleRate > LONGEST_S) {
    throw new InputError([
      {
        field: 'sound file',
        value: `${(length / sampleRate).toFixed(0)} s`,
        allowed: `up to ${LONGEST_S} s`,
      },
    ]);
  }
  const samples = Float64Array.from({ length }, (_, i) => {
    let sum = 0;
    for (const c of channels) sum += c[i]!;
    return sum / channels.length;
  });
  return { rate: sampleRate, samples };
}

/** A recording as a 16-bit WAV file, scaled to its loudest sample. */
export function writeWav({ rate, samples }: Recording): Uint8Array {
  let most = 1e-12;
  for (const s of samples) most = Math.max(most, Math.abs(s));
  const file = new WaveFile();
  file.fromScratch(
    1,
    rate,
    '16',
    Int16Array.from(samples, (s) => Math.round((s / most) * 32_000)),
  );
  return file.toBuffer();
}
