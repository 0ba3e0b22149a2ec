import { seededNormal, seededUniform } from '../../../numerics/random.ts';
import { freeModes, freePropagator } from '../periodic/free-motion.ts';
import type { TipMode } from '../tip-structure.ts';
import type { Fault, HammerRecord, Hit, Sensor } from './hammer-record.ts';

/** How the simulated kit behaves. */
export interface HammerKit {
  readonly rate?: number;
  readonly seconds?: number;
  readonly hits?: number;
  readonly sensor?: Sensor;
  /** Noise of a channel, as a share of its largest value. */
  readonly noise?: number;
  /** Faults by hit number, from 0. */
  readonly faults?: Readonly<
    Record<number, Extract<Fault, 'double hit' | 'response overload' | 'cable fault'>>
  >;
  readonly seed?: number;
}

/**
 * A hammer and an accelerometer that ship with Burl in place of real ones: a hidden structure is hit and rings, with
 * noise in both channels, hits of unequal strength, and the faults asked for. The pulse is a half sine as of a
 * nylon tip; modes move exactly from sample to sample.
 */
export function simulatedHammer(hidden: readonly TipMode[], kit: HammerKit = {}): HammerRecord {
  const {
    rate = 51_200,
    seconds = 0.32,
    hits = 10,
    sensor = 'acceleration',
    noise = 0.002,
    faults = { 3: 'double hit', 6: 'cable fault' },
    seed = 7,
  } = kit;
  const next = seededUniform(seed);
  const normal = seededNormal(next);
  const modes = freeModes({ x: hidden, y: [] });
  const step = 1 / rate;
  const propagator = freePropagator(modes, step);
  const samples = Math.round(seconds * rate);
  const made = Array.from({ length: hits }, (_, number): Hit => {
    const strength = 140 + 80 * next();
    const width = 0.00011 + 0.00003 * next();
    const start = 0.01 + 0.002 * next();
    const fault = faults[number];
    const pulse = (t: number): number => (t > 0 && t < width ? Math.sin((Math.PI * t) / width) : 0);
    const force = Float64Array.from({ length: samples }, (_, i) => {
      const t = i * step - start;
      const again = fault === 'double hit' ? 0.35 * pulse(t - 0.0042) : 0;
      return strength * (pulse(t) + again);
    });
    const q = new Float64Array(modes.count);
    const v = new Float64Array(modes.count);
    const response = new Float64Array(samples);
    for (let i = 0; i < samples; i++) {
      const f = force[i]!;
      let out = 0;
      for (let m = 0; m < modes.count; m++) {
        const w = modes.omega[m]!;
        if (sensor === 'displacement') out += q[m]!;
        else if (sensor === 'velocity') out += v[m]! * w;
        else out += f / modes.mass[m]! - w * w * q[m]! - 2 * modes.damping[m]! * w * w * v[m]!;
        // Force held half before and half after the sample: no delay between the channels.
        const rest = (f + (force[i + 1] ?? 0)) / 2 / (modes.mass[m]! * w * w);
        const off = q[m]! - rest;
        const p = m * 4;
        const now = propagator[p]! * off + propagator[p + 1]! * v[m]!;
        v[m] = propagator[p + 2]! * off + propagator[p + 3]! * v[m]!;
        q[m] = rest + now;
      }
      response[i] = out;
    }
    const most = response.reduce((a, r) => Math.max(a, Math.abs(r)), 0);
    for (let i = 0; i < samples; i++) {
      force[i]! += noise * strength * normal();
      response[i]! += noise * most * normal();
    }
    if (fault === 'cable fault') {
      const from = Math.round((start + 0.004) * rate);
      response.fill(response[from]!, from, from + Math.round(0.02 * rate));
    }
    if (fault === 'response overload') {
      const cap = 0.6 * most;
      for (let i = 0; i < samples; i++) response[i] = Math.max(-cap, Math.min(cap, response[i]!));
    }
    return { force, response };
  });
  const largest = Math.max(...made.flatMap((h) => [Math.max(...h.response)]));
  return { rate, sensor, hits: made, forceRangeN: 500, responseRange: largest * 1.5 };
}
