import { bench, describe } from 'vitest';
import type * as Core from '../src/index.ts';
import { contextOf, LOCK_POCKET } from '../fixtures/crib.ts';

// Measured on a bundle, as it ships: the test runner's own module wrapping would cost half the speed.
const bundle = new URL('../dist/bench/index.js', import.meta.url).href;
const { limitMap, millingState, monteCarlo, oneTurn, searchCut, turnOf, wallOf } = (await import(
  /* @vite-ignore */ bundle
)) as typeof Core;

const lock = { ...LOCK_POCKET, workholding: { ...LOCK_POCKET.workholding, capacityN: 12000 } };
const context = contextOf(lock);
const state = millingState(lock, context);
const RAD = Math.PI / 180;

/** Four unequal flutes with runout, 12 mm deep: the cut of the stated goal. */
const four = (radialMm: number): Parameters<typeof oneTurn>[0] => ({
  bands: [
    {
      fromMm: 0,
      toMm: 12,
      radiusMm: 6,
      kapr: Math.PI / 2,
      arc: { entry: Math.PI - Math.acos(1 - radialMm / 6), exit: Math.PI },
    },
  ],
  pitch: [94, 86, 92.4, 87.6].map((p) => p * RAD),
  helix: [35, 38, 35, 38].map((h) => h * RAD),
  standMm: [0.002, 0, -0.002, 0],
  feedPerToothMm: 0.06,
});

const SETTLED = { warmupTime: 800, time: 1500 };
const FEW = { warmupIterations: 2, iterations: 5, time: 500 };

describe('one revolution, four flutes, 1° and 0.1 mm slices (wanted: under 1 ms)', () => {
  bench(
    'an eighth of the width, helix and runout of their own',
    () => void oneTurn(four(1.5), state.law),
    SETTLED,
  );
  bench('half the width', () => void oneTurn(four(6), state.law), SETTLED);
  bench('the whole width', () => void oneTurn(four(12), state.law), SETTLED);
  bench('the lock pocket as shown on the bench, five flutes', () => void turnOf(state), SETTLED);
});

describe('map of stepover and depth with all closed-form limits', () => {
  const wish = { x: 'ae', y: 'ap', confidence: 0.9, objective: 'metal' } as const;
  bench(
    'first coarse picture, 15 × 10 (wanted: under 100 ms)',
    () => void limitMap(lock, context, { ...wish, columns: 15, rows: 10 }),
    FEW,
  );
  bench(
    '120 × 80 points (wanted: under 1 s)',
    () => void limitMap(lock, context, { ...wish, columns: 120, rows: 80 }),
    FEW,
  );
});

describe('search over four free parameters (wanted: under 2 s)', () => {
  for (const objective of ['metal', 'life', 'cost'] as const)
    bench(
      objective,
      () => void searchCut(lock, context, { free: ['n', 'fz', 'ap', 'ae'], objective, confidence: 0.9 }),
      FEW,
    );
});

describe('the same in a combination coupled from a tapped one: the stability limit counts (wanted: under 5 s)', () => {
  const tips = [
    {
      machineSerial: 'A5-1',
      machineId: lock.machineId,
      holderId: lock.tooling.holderId,
      cutterId: lock.tooling.cutterId,
      stickOutMm: lock.tooling.stickOutMm + 6,
      source: 'measured' as const,
      structure: {
        x: [{ hz: 1400, damping: 0.03, stiffness: 9e6 }],
        y: [{ hz: 1330, damping: 0.028, stiffness: 8e6 }],
      },
      measuredOn: null,
    },
  ];
  const tapped = { ...context, resonance: { serial: null, tips, observations: [] } };
  bench(
    'cost, 1,000 cuts',
    () =>
      void searchCut(lock, tapped, {
        free: ['n', 'fz', 'ap', 'ae'],
        objective: 'cost',
        confidence: 0.9,
        budget: 1000,
      }),
    FEW,
  );
});

describe('Monte Carlo (wanted: 2,000 draws under 1.5 s)', () => {
  bench('2,000 draws', () => void monteCarlo(lock, context, { draws: 2000 }), FEW);
});

describe('wall of a cut', () => {
  bench('error along the height and spring passes', () => void wallOf(state), SETTLED);
});
