import { bench, describe } from 'vitest';
import type * as Core from '../src/index.ts';
import { DEEP_8, demand, DOWEL_10, DUPLEX, M6_BLIND, stepOf } from '../fixtures/holes.ts';

// Measured on a bundle, as it ships: the test runner's own module wrapping would cost half the speed.
const bundle = new URL('../dist/bench/index.js', import.meta.url).href;
const { evaluate, planPart } = (await import(/* @vite-ignore */ bundle)) as typeof Core;

const five = { kind: 'row', count: 5, pitchMm: 20 } as const;
const plain = [8, 8.5, 6.8].map((diameterMm) => demand({ diameterMm, depthMm: 24, pattern: five }));
const threads = ['M5', 'M8', 'M10'].map((thread) => demand({ thread, depthMm: 10, pattern: five }));
const kinds = [{ ...M6_BLIND, pattern: five }, { ...DOWEL_10, pattern: five }, ...threads, ...plain].map(
  (wanted, i) => ({ id: String(i), demand: wanted, chosen: null, changes: {} }),
);

describe('plan of a part: 40 holes of 8 kinds, every way to each (wanted: under 200 ms)', () => {
  bench('all kinds with their ways', () => void planPart(DUPLEX, kinds), { warmupTime: 800, time: 3000 });
});

describe('a step of a hole with all limits', () => {
  const SETTLED = { warmupTime: 800, time: 1500 };
  for (const [name, way, key, wanted] of [
    ['deep drill', 'peck', 'drill', DEEP_8],
    ['tap', 'tap', 'tap', M6_BLIND],
    ['thread mill', 'thread-mill', 'thread-mill', M6_BLIND],
  ] as const) {
    const { op, context } = stepOf(DUPLEX, wanted, way, key);
    bench(name, () => void evaluate(op, context), SETTLED);
  }
});
