import { bench, describe } from 'vitest';
import { goldenCases } from '../golden/compare.ts';
import { cutOf, structureOf } from '../golden/stability.ts';
import { directionOf } from '../src/physics/dynamics/chatter-cut.ts';
import type * as Core from '../src/index.ts';
import { immersion } from '../src/physics/cutting/engagement.ts';
import { textbookMultiplier } from './textbook-semi-discretisation.ts';

// Measured on a bundle, as it ships: the test runner's own module wrapping would cost half the speed.
const bundle = new URL('../dist/bench/index.js', import.meta.url).href;
const {
  chanceMap,
  fitModes,
  frequencyGrid,
  limitDepth,
  lobeChart,
  priorBelief,
  receptanceOf,
  receptanceOfHits,
  simulatedHammer,
  stabilityMap,
} = (await import(/* @vite-ignore */ bundle)) as typeof Core;

const RAD = Math.PI / 180;
const FEW = { warmupIterations: 1, iterations: 3, time: 500 };
const TIP = {
  x: [
    { hz: 1420, damping: 0.03, stiffness: 2e7 },
    { hz: 3600, damping: 0.02, stiffness: 2.2e7 },
  ],
  y: [
    { hz: 1390, damping: 0.03, stiffness: 1.9e7 },
    { hz: 3540, damping: 0.02, stiffness: 2.1e7 },
  ],
};
const low = {
  pitch: Array.from({ length: 5 }, () => 72 * RAD),
  ...immersion(0.96, 12, 'climb'),
  tangential: 1980,
  radial: 560,
  diameterMm: 12,
  dampingNPerM: 45000,
};
const slow = { x: [TIP.x[1]!], y: [TIP.y[1]!] };

describe('overview of a measured response', () => {
  const hz = frequencyGrid(50, 4050, 1);
  const [x, y] = [receptanceOf(TIP.x, hz), receptanceOf(TIP.y, hz)];
  bench(
    'zero-order chart, 4,000 lines, two directions (wanted: under 10 ms)',
    () => {
      lobeChart(low, x, y, { fromRpm: 1000, toRpm: 24000 });
    },
    { warmupTime: 500, time: 1000 },
  );
});

describe('tap test of ten hits at 51.2 kHz (wanted: under 1 s)', () => {
  const record = simulatedHammer(TIP.x);
  bench(
    'record to fitted modes',
    () => {
      fitModes(receptanceOfHits(record, 6000).receptance, { fromHz: 300, toHz: 6000 });
    },
    FEW,
  );
});

describe('chance of stability', () => {
  const rpm = Array.from({ length: 61 }, (_, i) => 1200 + 60 * i);
  const depths = Array.from({ length: 40 }, (_, i) => 0.5 * (i + 1));
  const sigma = { hz: 0.03, damping: 0.2, stiffness: 0.2 };
  bench(
    'map of 400 samples (wanted: under 2 s)',
    () => {
      chanceMap(priorBelief(TIP, sigma, { worlds: 400 }), low, rpm, depths);
    },
    FEW,
  );
});

describe('border of the low-speed cutter, 36 waves between two teeth', () => {
  bench('periodic border at 1,200 rpm', () => void limitDepth(low, slow, 1200), FEW);
});

const run = (
  cut: Parameters<typeof stabilityMap>[0],
  tip: typeof TIP,
  wish: Parameters<typeof stabilityMap>[2],
): void => {
  const work = stabilityMap(cut, tip, wish);
  while (!work.next().done);
};

/** Points of the map the textbook way works out here: the whole map would take minutes. */
const SAMPLE = 40;

const [published] = goldenCases('sdm-bench-down-0.5');
const two = cutOf(published!);
describe(`map of the published two-flute benchmark, 200 × 100 points (the textbook way: ${SAMPLE} of 20,000 points)`, () => {
  bench(
    'Burl, all 20,000 points',
    () => {
      run(two, structureOf(published!) as typeof TIP, {
        fromRpm: 5000,
        toRpm: 25000,
        mostMm: 5,
        columns: 200,
        rows: 100,
      });
    },
    FEW,
  );
  const factor = (angle: number): number => {
    let sum = 0;
    for (let j = 0; j < 2; j++) {
      const phi = (angle + j * Math.PI) % (2 * Math.PI);
      if (phi < two.entry || phi > two.exit) continue;
      const [s, c] = [Math.sin(phi), Math.cos(phi)];
      sum += directionOf(two, s * s, s * c, c * c)[0];
    }
    return sum;
  };
  bench(
    `textbook, ${SAMPLE} points (times ${20000 / SAMPLE} for all)`,
    () => {
      for (let i = 0; i < SAMPLE; i++) {
        const rpm = 5000 + (20000 * i) / SAMPLE;
        // Steps for equal accuracy: 25 a wave, and 40 at least.
        const steps = Math.max(40, Math.ceil((25 * 922 * 60) / (2 * rpm)));
        textbookMultiplier(
          { hz: 922, damping: 0.011, massKg: 0.03993, factor, teeth: 2 },
          rpm,
          0.1 * (i + 1),
          steps,
        );
      }
    },
    FEW,
  );
});

describe('map of the low-speed cutter, 200 × 100 points (the textbook way: a tenth of the steps of one point)', () => {
  bench(
    'Burl, all 20,000 points',
    () => {
      run(low, slow, { fromRpm: 1000, toRpm: 3000, mostMm: 12, columns: 200, rows: 100 });
    },
    { warmupIterations: 0, iterations: 1, time: 1 },
  );
  bench(
    'textbook, one point of one mode with 90 steps where 900 are needed (a thousandth of its work)',
    () => {
      const one = { hz: 3600, damping: 0.02, massKg: 2e7 / (2 * Math.PI * 3600) ** 2, teeth: 5 };
      textbookMultiplier({ ...one, factor: () => 4e8 }, 1200, 4, 90);
    },
    FEW,
  );
});
