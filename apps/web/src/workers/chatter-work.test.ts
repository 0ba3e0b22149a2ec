import {
  frequencyGrid,
  type MillingOperation,
  receptanceOf,
  simulatedHammer,
  type TipMode,
} from '@burl/core';
import { describe, expect, it, vi } from 'vitest';
import { BATCH, CRIB, example } from '../../test/crib.ts';
import { contextOf } from '../judging/context.ts';
import { hearRecording, simulatedRunOf, simulatedTap, stabilityOf, tapTestOf } from './chatter-work.ts';

const LONG = { timeout: 60_000 };
const RATE = 22_050;
/** A recording of tones, with a little noise of its own that is the same each time. */
function tones(parts: readonly (readonly [hz: number, level: number])[], seconds = 1.5) {
  let s = 7;
  const samples = Float32Array.from({ length: Math.round(seconds * RATE) }, (_, i) => {
    s = (Math.imul(1664525, s) + 1013904223) >>> 0;
    const noise = 0.01 * (s / 2 ** 31 - 1);
    return noise + parts.reduce((a, [hz, level]) => a + level * Math.sin((2 * Math.PI * hz * i) / RATE), 0);
  });
  return { rate: RATE, samples: Float64Array.from(samples) };
}

describe('a recording heard', LONG, () => {
  const wish = { rpm: 2400, teeth: 4 };

  it('keeps every line of the spectrum that stands out, though the picture has fewer points', () => {
    const lines = [160, 320, 1237, 3011, 6543] as const;
    const { spectrum } = hearRecording(tones(lines.map((hz) => [hz, 0.2] as const)), wish);
    expect(spectrum.hz.length).toBeLessThan(2000);
    const strong = [...spectrum.amplitude].sort((a, b) => b - a)[0]!;
    for (const hz of lines) {
      const at = spectrum.hz.reduce(
        (best, f, i) => (Math.abs(f - hz) < Math.abs(spectrum.hz[best]! - hz) ? i : best),
        0,
      );
      const near = Math.max(...spectrum.amplitude.slice(Math.max(0, at - 1), at + 2));
      expect([hz, near > 0.4 * strong]).toEqual([hz, true]);
    }
    expect(Math.max(...spectrum.hz)).toBeLessThanOrEqual(8000);
  });

  it('the picture over time has a level for every moment and frequency', () => {
    const { picture } = hearRecording(tones([[160, 0.3]]), wish);
    expect(picture.level).toHaveLength(picture.seconds.length * picture.hz.length);
    expect(Math.max(...picture.hz)).toBeLessThanOrEqual(8000);
  });

  it('tooth passing alone is calm, a loud tone between its harmonics is not', () => {
    const teeth = [160, 320, 480, 640].map((hz, i) => [hz, 0.3 / (i + 1)] as const);
    const calm = hearRecording(tones(teeth), wish).verdict;
    const loud = hearRecording(tones([...teeth, [1187, 0.6]]), wish).verdict;
    expect([calm.chatter, loud.chatter]).toEqual([false, true]);
    expect(Math.abs(loud.hz! - 1187)).toBeLessThan(5);
  });
});

describe('hits to modes', LONG, () => {
  const hidden: readonly TipMode[] = [
    { hz: 940, damping: 0.03, stiffness: 1.6e7 },
    { hz: 2380, damping: 0.02, stiffness: 3.1e7 },
  ];

  it.each(['acceleration', 'velocity', 'displacement'] as const)('by a sensor of %s', (sensor) => {
    const test = tapTestOf(simulatedHammer(hidden, { sensor, seed: 11, faults: {} }));
    for (const m of hidden) {
      const near = test.modes.find((f) => Math.abs(f.hz / m.hz - 1) < 0.01)!;
      expect(Math.abs(near.stiffness / m.stiffness - 1)).toBeLessThan(0.08);
      expect(Math.abs(near.damping / m.damping - 1)).toBeLessThan(0.15);
    }
    expect(test.misfit).toBeLessThan(0.1);
  });

  it('faulty hits are named, the picture is of a good one, and the fit repeats the response', () => {
    const test = tapTestOf(
      simulatedHammer(hidden, { seed: 11, faults: { 0: 'double hit', 4: 'cable fault' } }),
    );
    expect(test.hits.map((h) => h.fault).filter((f) => f !== null)).toEqual(['double hit', 'cable fault']);
    expect([test.hit.ms.length, test.hit.force.length, test.hit.response.length]).toEqual([400, 400, 400]);
    expect(Math.max(...test.hit.response.map(Math.abs))).toBeLessThanOrEqual(1);
    const again = receptanceOf(test.modes, frequencyGrid(700, 2600, 20));
    const peak = (a: { hz: Float64Array; re: Float64Array; im: Float64Array }, from: number, to: number) =>
      Math.max(...[...a.hz].map((f, i) => (f >= from && f <= to ? Math.hypot(a.re[i]!, a.im[i]!) : 0)));
    expect(peak(again, 800, 1100) / peak(test.receptance, 800, 1100)).toBeCloseTo(1, 0);
  });
});

describe('the simulated hammer on a bull nose in a shrink holder', LONG, () => {
  const parts = {
    machine: CRIB.machines.find((m) => m.id === 'axis5-24k')!.document,
    holder: CRIB.holders.find((h) => h.id === 'shrink-12-80')!.document,
    cutter: CRIB.cutters.find((c) => c.id === 'em-bull-12-z4-re1-var')!.document,
    substrate: CRIB.materials.substrates['wc-fine-10co']!,
  };

  // Its lowest mode lies below what the accelerometer tells: by noise alone it rang at 0.01 to 0.4% here, and lobes took hours.
  it.each([
    ['y', 183],
    ['x', 249],
    ['x', 250],
    ['x', 361],
    ['y', 406],
    ['x', 652],
    ['x', 730],
    ['x', 874],
    ['x', 5],
    ['y', 5],
  ] as const)('along %s with seed %s gives modes a tip can have, and no others', (axis, seed) => {
    const { modes } = simulatedTap(parts, 48, axis, seed);
    for (const m of modes) {
      expect(m.damping, `${m.hz} Hz`).toBeGreaterThan(0.015);
      expect(m.damping, `${m.hz} Hz`).toBeLessThan(0.12);
      expect(m.stiffness / 1e6, `${m.hz} Hz`).toBeLessThan(300);
    }
    expect(modes.length).toBeGreaterThanOrEqual(3);
  });
});

describe('a cut of the demo job followed in time', LONG, () => {
  const { op } = example('Rough seal pocket A') as { op: MillingOperation };
  const shallow: MillingOperation = { ...op, cut: { ...op.cut, axialDepthMm: 0.2 } };
  const context = contextOf(CRIB, op, BATCH)!;

  it('a map goes up to the depth asked for, tells how far it is, and settles at its foot', () => {
    const equal = CRIB.cutters.find(
      ({ document: c }) => c.type === 'end_mill_flat' && (c.properties.DC ?? 0) === 12,
    )!;
    const plain = { ...shallow, tooling: { ...op.tooling, cutterId: equal.id } };
    const told = vi.fn();
    const range = { fromRpm: 2600, toRpm: 3000, mostMm: 0.3 };
    const map = stabilityOf(plain, contextOf(CRIB, plain, BATCH)!, range, told);
    expect([map.rpm[0], map.rpm.at(-1)]).toEqual([2600, 3000]);
    expect(map.growth).toHaveLength(map.rpm.length * map.depthMm.length);
    expect(map.depthMm.at(-1)).toBeCloseTo(0.3, 9);
    const shares = told.mock.calls.flat() as number[];
    expect([...shares].sort((a, b) => a - b)).toEqual(shares);
    const foot = [...map.growth.slice(0, map.rpm.length)];
    expect(foot.every((g) => g < 0)).toBe(true);
  });

  it('the simulation shows the last turns of a cut, once per revolution marked', () => {
    const run = simulatedRunOf(shallow, context, op.cut.speedRpm, 0.05);
    expect(run.stable).toBe(true);
    expect(run.growthPerTurn).toBeLessThan(1);
    expect(run.xMm).toHaveLength(run.ms.length);
    expect(run.chipMm).toHaveLength(run.ms.length);
    const turns = (run.ms.at(-1)! - run.ms[0]!) / (60_000 / op.cut.speedRpm);
    expect(turns).toBeGreaterThan(2.5);
    expect(turns).toBeLessThan(3.1);
    // Settled: it passes the same place each turn.
    const spread = Math.max(...run.onceX.slice(-10)) - Math.min(...run.onceX.slice(-10));
    expect(spread).toBeLessThan(0.05 * (Math.max(...run.xMm) - Math.min(...run.xMm)) + 1e-6);
  });
});
