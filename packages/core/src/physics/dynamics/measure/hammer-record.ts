import FFT from 'fft.js';
import { InputError, requirePositive } from '../../../units/input-error.ts';
import { DAMPING, type Receptance } from '../tip-structure.ts';

/** What a response sensor told. */
export type Sensor = 'acceleration' | 'velocity' | 'displacement';

/** One hit as recorded: force and response against time. */
export interface Hit {
  /** N. */
  readonly force: Float64Array;
  /** m/s², m/s or m by the sensor. */
  readonly response: Float64Array;
}

export interface HammerRecord {
  /** Samples a second. */
  readonly rate: number;
  readonly sensor: Sensor;
  readonly hits: readonly Hit[];
  /** Largest values the channels can show; a signal that reaches one was cut off. */
  readonly forceRangeN?: number;
  readonly responseRange?: number;
}

/** Why a hit is not used. */
export type Fault =
  'double hit' | 'force overload' | 'response overload' | 'no hit' | 'cable fault' | 'unlike the others';

export interface HitVerdict {
  readonly fault: Fault | null;
  readonly peakN: number;
}

export interface HammerResult {
  /** Averaged H1 receptance, m/N. */
  readonly receptance: Receptance;
  /** Coherence of each line, 0 to 1; of fewer than two hits it tells nothing and is 1. */
  readonly coherence: Float64Array;
  readonly verdicts: readonly HitVerdict[];
  /** Highest frequency the hammer still excites: 20 dB under its lowest lines. */
  readonly excitedToHz: number;
}

/** Second peak over the first from which a hit was a double one. */
const DOUBLE = 0.06;
const OVERLOAD = 0.985;
/** Coherence of a hit with the mean of the others under which it is left out. */
const UNLIKE = 0.75;
const LEAST_HZ = 40;

function peakAt(a: Float64Array): number {
  let at = 0;
  for (let i = 1; i < a.length; i++) if (Math.abs(a[i]!) > Math.abs(a[at]!)) at = i;
  return at;
}

/** Root mean square of the samples before the hit: noise of the channel. */
function noiseBefore(a: Float64Array, upto: number): number {
  const n = Math.max(8, upto);
  let mean = 0;
  for (let i = 0; i < n; i++) mean += a[i]! / n;
  let sum = 0;
  for (let i = 0; i < n; i++) sum += (a[i]! - mean) ** 2;
  return Math.sqrt(sum / n);
}

/** Judges a hit by itself: was it one, single, and inside the ranges? */
export function judgeHit(hit: Hit, record: HammerRecord): HitVerdict {
  const { force, response } = hit;
  const at = peakAt(force);
  const peak = Math.abs(force[at]!);
  const verdict = (fault: Fault | null): HitVerdict => ({ fault, peakN: peak });
  const quiet = Math.max(1, at - Math.round(record.rate * 0.001));
  const noise = noiseBefore(force, Math.min(quiet, Math.floor(force.length / 4)));
  if (peak < 8 * noise || peak === 0) return verdict('no hit');
  if (record.forceRangeN && peak >= OVERLOAD * record.forceRangeN) return verdict('force overload');
  const most = Math.abs(response[peakAt(response)]!);
  if (record.responseRange && most >= OVERLOAD * record.responseRange) return verdict('response overload');
  // A loose cable holds its value or jumps: many equal samples in a row where the tool should ring.
  let held = 0;
  let longest = 0;
  for (let i = at; i < Math.min(response.length, at + Math.round(record.rate * 0.05)); i++) {
    held = response[i] === response[i - 1] ? held + 1 : 0;
    longest = Math.max(longest, held);
  }
  if (longest > record.rate * 0.002) return verdict('cable fault');
  // After the pulse has fallen to a tenth it must not rise again.
  let i = at;
  while (i < force.length && Math.abs(force[i]!) > 0.1 * peak) i++;
  const clear = i + Math.round(record.rate * 0.0003);
  for (let k = clear; k < force.length; k++) {
    if (Math.abs(force[k]!) > Math.max(DOUBLE * peak, 10 * noise)) return verdict('double hit');
  }
  return verdict(null);
}

interface Spectrum {
  readonly re: Float64Array;
  readonly im: Float64Array;
}

function spectrum(signal: Float64Array, fft: FFT, size: number): Spectrum {
  const input = new Array<number>(size).fill(0);
  for (let i = 0; i < Math.min(size, signal.length); i++) input[i] = signal[i]!;
  const out = fft.createComplexArray() as number[];
  fft.realTransform(out, input);
  const n = size / 2;
  const re = new Float64Array(n);
  const im = new Float64Array(n);
  for (let k = 0; k < n; k++) {
    re[k] = out[2 * k]!;
    im[k] = out[2 * k + 1]!;
  }
  return { re, im };
}

/**
 * Receptance of the tip from hammer hits: force window around the pulse, exponential window on the answer (the same on
 * both channels, so that it cancels but for a known damping), faulty hits left out, H1 from averaged spectra.
 * Ewins 2000, 3.7; Halvorsen & Brown 1977. Sensors other than displacement are divided by (iω)² or iω.
 * Throws InputError when channels differ in length or no hit can be used.
 */
export function receptanceOfHits(record: HammerRecord, toHz = 8000): HammerResult {
  requirePositive('sample rate', record.rate);
  if (record.hits.length === 0) throw new InputError([{ field: 'hits', value: 0, allowed: 'at least one' }]);
  record.hits.forEach((h, i) => {
    if (h.force.length !== h.response.length || h.force.length < 64) {
      throw new InputError([
        {
          field: `hit ${i + 1}`,
          value: [h.force.length, h.response.length],
          allowed: 'two channels of one length, 64 samples or more',
        },
      ]);
    }
  });
  const longest = Math.max(...record.hits.map((h) => h.force.length));
  const size = 2 ** Math.ceil(Math.log2(longest));
  const fft = new FFT(size);
  const alone = record.hits.map((h) => judgeHit(h, record));
  // Windows and their known extra damping.
  const decay = decayFor(record);
  const spectra = record.hits.map((hit) => {
    const at = peakAt(hit.force);
    const before = Math.round(record.rate * 0.002);
    const after = Math.round(record.rate * 0.003);
    const quiet = Math.max(0, at - before);
    const offset = mean(hit.force, quiet);
    const offsetResponse = mean(hit.response, quiet);
    const force = hit.force.map((f, i) => (i >= quiet && i <= at + after ? f - offset : 0));
    const response = hit.response.map((r) => r - offsetResponse);
    for (let i = quiet; i < response.length; i++) {
      const w = Math.exp((-decay * (i - quiet)) / record.rate);
      force[i]! *= w;
      response[i]! *= w;
    }
    response.fill(0, 0, quiet);
    return { f: spectrum(force, fft, size), x: spectrum(response, fft, size) };
  });
  const verdicts = leaveOutStrangers(spectra, alone);
  const used = spectra.filter((_, i) => verdicts[i]!.fault === null);
  if (used.length === 0) {
    throw new InputError([
      {
        field: 'hits',
        value: verdicts.map((v) => v.fault),
        allowed: 'at least one single hit inside the ranges',
      },
    ]);
  }
  const per = record.rate / size;
  const first = Math.ceil(LEAST_HZ / per);
  const last = Math.min(size / 2 - 1, Math.floor(toHz / per));
  const lines = last - first + 1;
  const hz = new Float64Array(lines);
  const re = new Float64Array(lines);
  const im = new Float64Array(lines);
  const coherence = new Float64Array(lines);
  let excited = 0;
  let low = 0;
  for (let n = 0; n < lines; n++) {
    const k = first + n;
    let [ff, xx, xfre, xfim] = [0, 0, 0, 0];
    for (const { f, x } of used) {
      const [fr, fi, xr, xi] = [f.re[k]!, f.im[k]!, x.re[k]!, x.im[k]!];
      ff += fr * fr + fi * fi;
      xx += xr * xr + xi * xi;
      xfre += xr * fr + xi * fi;
      xfim += xi * fr - xr * fi;
    }
    hz[n] = k * per;
    const w = 2 * Math.PI * hz[n]!;
    const [hr, hi] = toDisplacement(record.sensor, xfre / ff, xfim / ff, w, decay);
    re[n] = hr;
    im[n] = hi;
    coherence[n] = used.length < 2 ? 1 : (xfre * xfre + xfim * xfim) / (ff * xx);
    if (n < 40) low += ff / Math.min(40, lines);
    else if (ff > low / 100) excited = hz[n]!;
  }
  return { receptance: { hz, re, im }, coherence, verdicts, excitedToHz: excited };
}

function mean(a: Float64Array, upto: number): number {
  if (upto < 4) return 0;
  let sum = 0;
  for (let i = 0; i < upto; i++) sum += a[i]!;
  return sum / upto;
}

/** Exponential window: a thousandth left at the end of the record. */
const decayFor = (record: HammerRecord): number =>
  Math.log(1000) / (Math.max(...record.hits.map((h) => h.force.length)) / record.rate);

/**
 * Receptance from the sensor's response; the exponential window moves the transform off the axis, s = d + iω, at which
 * the derivative is taken, and the damping it adds is taken out when modes are read (`withoutWindow`).
 */
function toDisplacement(
  sensor: Sensor,
  re: number,
  im: number,
  w: number,
  d: number,
): readonly [number, number] {
  if (sensor === 'displacement') return [re, im];
  const times = sensor === 'velocity' ? 1 : 2;
  let [a, b] = [re, im];
  for (let i = 0; i < times; i++) {
    const size = d * d + w * w;
    [a, b] = [(a * d + b * w) / size, (b * d - a * w) / size];
  }
  return [a, b];
}

/** Damping ratio a mode really has, the exponential window's share of σ/ω taken out. */
export const withoutWindow = (damping: number, hz: number, record: HammerRecord): number =>
  Math.max(DAMPING.least, damping - decayFor(record) / (2 * Math.PI * hz));

/** A hit whose response does not follow from its force as the others' do is left out: coherence with their mean. */
function leaveOutStrangers(
  spectra: readonly { f: Spectrum; x: Spectrum }[],
  verdicts: readonly HitVerdict[],
): HitVerdict[] {
  const good = spectra.map((s, i) => ({ s, i })).filter(({ i }) => verdicts[i]!.fault === null);
  if (good.length < 3) return [...verdicts];
  const lines = good[0]!.s.f.re.length;
  const step = Math.max(1, Math.floor(lines / 400));
  return verdicts.map((v, i) => {
    if (v.fault !== null) return v;
    let [same, mine, theirs] = [0, 0, 0];
    for (let k = step; k < lines / 3; k += step) {
      let [ff, xfre, xfim] = [0, 0, 0];
      for (const { s, i: other } of good) {
        if (other === i) continue;
        ff += s.f.re[k]! ** 2 + s.f.im[k]! ** 2;
        xfre += s.x.re[k]! * s.f.re[k]! + s.x.im[k]! * s.f.im[k]!;
        xfim += s.x.im[k]! * s.f.re[k]! - s.x.re[k]! * s.f.im[k]!;
      }
      const f = { re: spectra[i]!.f.re[k]!, im: spectra[i]!.f.im[k]! };
      const x = { re: spectra[i]!.x.re[k]!, im: spectra[i]!.x.im[k]! };
      const [hr, hi] = [xfre / ff, xfim / ff];
      const expected = { re: hr * f.re - hi * f.im, im: hr * f.im + hi * f.re };
      same += expected.re * x.re + expected.im * x.im;
      mine += x.re * x.re + x.im * x.im;
      theirs += expected.re ** 2 + expected.im ** 2;
    }
    return same / Math.sqrt(mine * theirs) < UNLIKE ? { ...v, fault: 'unlike the others' as const } : v;
  });
}
