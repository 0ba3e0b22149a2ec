import FFT from 'fft.js';
import { InputError, requirePositive } from '../../../units/input-error.ts';

/** A sound, or any vibration, sampled. */
export interface Recording {
  readonly rate: number;
  readonly samples: Float64Array;
}

/** A line of the spectrum that stands out. */
export interface SoundLine {
  readonly hz: number;
  /** Amplitude of the line, in the recording's own unit. */
  readonly amplitude: number;
  /** What it is. */
  readonly kind: 'tooth' | 'spindle' | 'chatter' | 'chatter sidebands';
  /** Multiple of the tooth-passing or spindle frequency, where it is one. */
  readonly multiple?: number;
}

export interface SoundVerdict {
  readonly chatter: boolean;
  /** Speed the recording itself tells, rpm: the stated one unless its own comb of lines lies a little off. */
  readonly rpm: number;
  /** Whether most lines are in their places at that speed; false where it was another cut's, and nothing said is sure then. */
  readonly speedFits: boolean;
  /** Frequency and amplitude of the strongest line that no turning explains. */
  readonly hz: number | null;
  readonly amplitude: number | null;
  /** How much the line stands out over what noise does, 0 to 1. */
  readonly confidence: number;
  readonly lines: readonly SoundLine[];
  /** Half the width round each multiple of the spindle frequency that is not looked at, Hz: chatter in there is not found. */
  readonly blindHz: number;
  /** Lines at odd halves of the tooth-passing frequency: the wave comes round every second tooth. */
  readonly flip: boolean;
  /** Speeds whose tooth-passing frequency is the heard one, a half, a third of it…, rpm. */
  readonly speedsRpm: readonly number[];
}

export interface SoundWish {
  readonly rpm: number;
  readonly teeth: number;
  readonly fromHz?: number;
  readonly toHz?: number;
  /** Speeds suggested. */
  readonly suggestions?: number;
}

export interface Spectrum {
  readonly hz: Float64Array;
  readonly amplitude: Float64Array;
}

/** Amplitude spectrum through a Hann window, the record filled up with zeros to a power of two. */
export function spectrumOf({ rate, samples }: Recording, minimum = 0): Spectrum {
  requirePositive('sample rate', rate);
  if (samples.length < 256) {
    throw new InputError([{ field: 'recording', value: samples.length, allowed: 'at least 256 samples' }]);
  }
  const size = 2 ** Math.ceil(Math.log2(Math.max(samples.length, minimum)));
  const fft = new FFT(size);
  const input = new Array<number>(size).fill(0);
  let weight = 0;
  const last = samples.length - 1;
  for (let i = 0; i <= last; i++) {
    const w = 0.5 - 0.5 * Math.cos((2 * Math.PI * i) / last);
    input[i] = samples[i]! * w;
    weight += w;
  }
  const out = fft.createComplexArray() as number[];
  fft.realTransform(out, input);
  const n = size / 2;
  const hz = new Float64Array(n);
  const amplitude = new Float64Array(n);
  for (let k = 0; k < n; k++) {
    hz[k] = (k * rate) / size;
    amplitude[k] = (2 * Math.hypot(out[2 * k]!, out[2 * k + 1]!)) / weight;
  }
  return { hz, amplitude };
}

/** Amplitudes over time and frequency, one row a moment. */
export interface TimeFrequency {
  readonly seconds: Float64Array;
  readonly hz: Float64Array;
  /** Row by row, dB under the largest. */
  readonly level: Float64Array;
}

/** Time–frequency picture by short spectra that overlap by half. */
export function timeFrequency({ rate, samples }: Recording, toHz = 8000, windowS = 0.04): TimeFrequency {
  const length = 2 ** Math.round(Math.log2(windowS * rate));
  const rows = Math.max(1, Math.floor((samples.length - length) / (length / 2)) + 1);
  const one = spectrumOf({ rate, samples: samples.slice(0, Math.max(256, length)) });
  const columns = one.hz.findIndex((f) => f > toHz);
  const count = columns < 0 ? one.hz.length : columns;
  const level = new Float64Array(rows * count);
  let most = 1e-12;
  for (let r = 0; r < rows; r++) {
    const start = (r * length) / 2;
    const { amplitude } = spectrumOf({ rate, samples: samples.slice(start, start + length) });
    for (let c = 0; c < count; c++) {
      level[r * count + c] = amplitude[c]!;
      if (amplitude[c]! > most) most = amplitude[c]!;
    }
  }
  for (let i = 0; i < level.length; i++) level[i] = Math.max(-80, 20 * Math.log10(level[i]! / most + 1e-9));
  return {
    seconds: Float64Array.from({ length: rows }, (_, r) => ((r + 1) * length) / 2 / rate),
    hz: one.hz.slice(0, count),
    level,
  };
}

/** Peak between lines: parabola through the logarithms of three. */
function peakAt({ hz, amplitude }: Spectrum, k: number): { hz: number; amplitude: number } {
  const [a, b, c] = [amplitude[k - 1]!, amplitude[k]!, amplitude[k + 1]!].map((v) =>
    Math.log(v + 1e-300),
  ) as [number, number, number];
  const bend = a - 2 * b + c;
  const off = bend === 0 ? 0 : Math.max(-0.5, Math.min(0.5, (a - c) / (2 * bend)));
  return { hz: hz[k]! + off * (hz[1]! - hz[0]!), amplitude: Math.exp(b - ((a - c) * off) / 4) };
}

/** A line must stand this many times over the noise around it; twelve hundred lines of noise reach some 4.5. */
const STANDS_OUT = 6;

/** Shortest recording that tells two lines apart, s. */
const SHORTEST_S = 0.2;
/** Nothing louder than this is a recording of anything, of a full scale of 1. */
const SILENT = 1e-4;
/** How far a stated speed may be off the true one: a tachometer, a slipping override, a typing slip. */
const SPEED_OFF = 0.03;
const SPEED_STEP = 1e-4;
/** A comb must explain this much more than the stated speed's own before it is believed instead. */
const CLEARLY_BETTER = 1.12;

/**
 * Frequency of a turn as the recording tells it, Hz: of speeds round the stated one that whose multiples carry most lines. Each
 * line counts with the logarithm of its height, so that many lines in their places outweigh one loud chatter line.
 */
function turnFrequencyOf(
  { hz, amplitude }: Spectrum,
  stated: number,
  teeth: number,
  noise: number,
  toHz: number,
): number {
  const step = hz[1]! - hz[0]!;
  const score = (turn: number): number => {
    let sum = 0;
    for (let m = 1; m * turn < toHz && m <= 10 * teeth; m++) {
      const k = Math.round((m * turn) / step);
      const here = Math.max(amplitude[k - 1] ?? 0, amplitude[k] ?? 0, amplitude[k + 1] ?? 0);
      // The teeth's own lines are there in every cut, a spindle's in most.
      sum += (m % teeth === 0 ? 3 : 1) * Math.log(1 + here / (STANDS_OUT * noise));
    }
    return sum;
  };
  let best = stated;
  let most = score(stated);
  const asStated = most;
  for (let off = -SPEED_OFF; off <= SPEED_OFF; off += SPEED_STEP) {
    const turn = stated * (1 + off);
    const s = score(turn);
    if (s > most) [most, best] = [s, turn];
  }
  return refinedTurn({ hz, amplitude }, most > CLEARLY_BETTER * asStated ? best : stated, teeth, noise, toHz);
}

/**
 * The same frequency finer: weighted median of what each line near its multiple says. High multiples tell it more sharply, and
 * a median does not follow the one chatter line that happens to lie near a multiple.
 */
function refinedTurn(spectrum: Spectrum, turn: number, teeth: number, noise: number, toHz: number): number {
  const { hz, amplitude } = spectrum;
  const step = hz[1]! - hz[0]!;
  const said: { turn: number; weight: number }[] = [];
  for (let m = 1; m * turn < toHz && m <= 10 * teeth; m++) {
    const reach = Math.min(
      Math.round((0.15 * turn) / step),
      Math.max(4, Math.ceil((SPEED_STEP * 10 * m * turn) / step)),
    );
    const centre = Math.round((m * turn) / step);
    let top = Math.max(1, centre - reach);
    for (let k = top; k <= centre + reach; k++) if ((amplitude[k] ?? 0) > amplitude[top]!) top = k;
    // A slope towards a line farther off is no line of this multiple.
    const line =
      top > 1 && amplitude[top]! > amplitude[top - 1]! && amplitude[top]! >= (amplitude[top + 1] ?? 0);
    if (!line || amplitude[top]! < STANDS_OUT * noise) continue;
    const weight = m * Math.log(amplitude[top]! / noise) * (m % teeth === 0 ? 3 : 1);
    said.push({ turn: peakAt(spectrum, top).hz / m, weight });
  }
  if (said.length === 0) return turn;
  said.sort((a, b) => a.turn - b.turn);
  let half = said.reduce((sum, l) => sum + l.weight, 0) / 2;
  return said.find((l) => (half -= l.weight) <= 0)?.turn ?? turn;
}

/**
 * What a recording of a cut tells: which lines turning explains (every multiple of the spindle frequency, tooth-passing
 * among them), and which are left. What is left is chatter, since a forced vibration can have no other frequency.
 * Delio, Tlusty & Smith 1992. The suggestions n = 60·f/(N·k) put the tooth-passing frequency on the heard one and its
 * parts; the true pocket lies a few per cent below. Throws InputError on a recording too short to tell.
 */
export function listen(recording: Recording, wish: SoundWish): SoundVerdict {
  const { rpm, teeth, suggestions = 4 } = wish;
  requirePositive('spindle speed', rpm);
  requirePositive('number of teeth', teeth);
  const seconds = recording.samples.length / recording.rate;
  if (seconds < SHORTEST_S) {
    throw new InputError([
      { field: 'recording', value: `${seconds.toFixed(2)} s`, allowed: `${SHORTEST_S} s or longer` },
    ]);
  }
  if (recording.samples.every((v) => Math.abs(v) < SILENT)) {
    throw new InputError([{ field: 'recording', value: 'silence', allowed: 'the sound of a cut' }]);
  }
  const spectrum = spectrumOf(recording, 4 * recording.samples.length);
  const { hz, amplitude } = spectrum;
  const highest = Math.min(wish.toHz ?? 0.45 * recording.rate, 0.45 * recording.rate);
  const quiet = medianIn(amplitude, 1, hz.length - 1);
  const turn = turnFrequencyOf(spectrum, rpm / 60, teeth, quiet, highest);
  // A Hann window spreads a line over two of its widths.
  const blindHz = Math.min(0.3 * turn, 3 / seconds);
  const fromHz = wish.fromHz ?? Math.max(1.5 * turn, 60);
  const toHz = highest;
  const first = Math.max(
    1,
    hz.findIndex((f) => f >= fromHz),
  );
  let last = hz.findIndex((f) => f > toHz);
  if (last < 0) last = hz.length - 1;
  const noise = medianIn(amplitude, first, last);
  const peaks: { hz: number; amplitude: number; multiple: number; near: boolean }[] = [];
  for (let k = first; k < last; k++) {
    if (!(amplitude[k]! > amplitude[k - 1]! && amplitude[k]! >= amplitude[k + 1]!)) continue;
    if (amplitude[k]! < STANDS_OUT * noise) continue;
    const p = peakAt(spectrum, k);
    const multiple = Math.round(p.hz / turn);
    peaks.push({ ...p, multiple, near: Math.abs(p.hz - multiple * turn) <= blindHz });
  }
  // Side lobes of a strong line's window are not lines of their own.
  const real = peaks.filter(
    (p) =>
      !peaks.some((q) => q !== p && q.amplitude > 20 * p.amplitude && Math.abs(q.hz - p.hz) < 8 / seconds),
  );
  const free = real.filter((p) => !p.near).sort((a, b) => b.amplitude - a.amplitude);
  const strongest = free[0] ?? null;
  const tooth = teeth * turn;
  const forced = Math.max(noise, ...real.filter((p) => p.near).map((p) => p.amplitude));
  const lines: SoundLine[] = real
    .map((p): SoundLine => {
      if (p.near) {
        const kind = p.multiple % teeth === 0 ? 'tooth' : 'spindle';
        return {
          hz: p.hz,
          amplitude: p.amplitude,
          kind,
          multiple: kind === 'tooth' ? p.multiple / teeth : p.multiple,
        };
      }
      const apart = strongest ? (p.hz - strongest.hz) / tooth : 0;
      const mirrored = strongest ? (p.hz + strongest.hz) / tooth : 0;
      const side =
        p !== strongest &&
        (Math.abs(apart - Math.round(apart)) * tooth < 2 * blindHz ||
          Math.abs(mirrored - Math.round(mirrored)) * tooth < 2 * blindHz);
      return { hz: p.hz, amplitude: p.amplitude, kind: side ? 'chatter sidebands' : 'chatter' };
    })
    .sort((a, b) => b.amplitude - a.amplitude);
  // Flip: for an even number of teeth its lines are multiples of the spindle's; they then outgrow the tooth lines.
  const halves = real.filter((p) => {
    const at = p.hz / tooth - Math.floor(p.hz / tooth);
    return Math.abs(at - 0.5) * tooth < blindHz;
  });
  const half = halves.sort((a, b) => b.amplitude - a.amplitude)[0];
  const teethLine = Math.max(noise, ...lines.filter((l) => l.kind === 'tooth').map((l) => l.amplitude));
  const flip = half !== undefined && half.amplitude > 0.5 * teethLine;
  const heard = strongest && (!flip || strongest.amplitude > half.amplitude) ? strongest : flip ? half : null;
  const strange = lines.filter((l) => l.kind === 'chatter' && l.hz !== strongest?.hz).length;
  const teethHeard = lines.some((l) => l.kind === 'tooth' && l.multiple! <= FIRST_OF_TEETH);
  const speedFits = teethHeard && (strange < MANY_STRANGE || strange <= lines.length / 2);
  const margin = heard ? heard.amplitude / (STANDS_OUT * noise) : 0;
  const share = heard ? heard.amplitude / forced : 0;
  const chatter = heard !== null && share > LEAST_SHARE;
  return {
    chatter,
    rpm: speedFits ? 60 * turn : rpm,
    speedFits,
    hz: heard?.hz ?? null,
    amplitude: heard?.amplitude ?? null,
    confidence: Math.min(
      speedFits ? 1 : UNSURE,
      chatter
        ? Math.min(0.99, 1 - Math.exp(-margin * Math.min(1, 3 * share)))
        : Math.min(0.95, 1 - share / 2),
    ),
    lines: lines.slice(0, 40),
    blindHz,
    flip,
    speedsRpm: heard
      ? Array.from({ length: suggestions }, (_, k) => (60 * heard.hz) / (teeth * (k + 1)))
      : [],
  };
}

/** So many lines that are neither forced nor of one chatter, and more than half of all, say that the speed is wrong. */
const MANY_STRANGE = 3;
/** One of so many first multiples of the teeth's own frequency is heard in every cut. */
const FIRST_OF_TEETH = 3;
/** What is said then is no better than a guess. */
const UNSURE = 0.5;

/** A line under this share of the strongest forced one does no harm yet. */
const LEAST_SHARE = 0.04;

function medianIn(a: Float64Array, from: number, to: number): number {
  return a.slice(from, to).sort()[(to - from) >> 1] ?? 0;
}
