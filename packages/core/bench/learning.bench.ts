import { bench, describe } from 'vitest';
import type * as Core from '../src/index.ts';
import type { EdgeTrial, LoadTrial } from '../src/index.ts';

// Measured on a bundle, as it ships: the test runner's own module wrapping would cost half the speed.
const bundle = new URL('../dist/bench/index.js', import.meta.url).href;
const { fitEdgeLife, fitLoad, seededNormal, seededUniform } = (await import(
  /* @vite-ignore */ bundle
)) as typeof Core;

const FEW = { warmupIterations: 1, iterations: 3, time: 500 };
const uniform = seededUniform(5);
const normal = seededNormal(uniform);

/** Edges of thirty lots on eight machines, a third of them changed in time. */
const edges = (count: number): EdgeTrial[] =>
  Array.from({ length: count }, (_, i) => {
    const speedRatio = 0.8 + 0.5 * uniform();
    return {
      id: String(i),
      heatLot: `L${i % 30}`,
      machineId: `M${i % 8}`,
      speedRatio,
      minutes: 30 * Math.exp(-4 * Math.log(speedRatio) + 0.3 * normal()),
      ended: uniform() < 2 / 3,
      readingSd: 0,
    };
  });
const loads = (count: number): LoadTrial[] =>
  Array.from({ length: count }, (_, i) => {
    const edgeKw = 1 + 8 * uniform();
    return {
      id: String(i),
      alloyId: `a${i % 6}`,
      heatLot: `L${i % 30}`,
      machineId: `M${i % 8}`,
      edgeKw,
      fullKw: 20,
      percent: 4 + 5 * (edgeKw / 0.8) * Math.exp(0.08 * normal()),
      idlePercent: i % 4 === 0 ? 4 : null,
    };
  });

const [few, many] = [edges(50), edges(5000)];
const readings = loads(5000);

describe('what trials teach', () => {
  bench('life of 50 edges', () => void fitEdgeLife(few, { speedSd: 0.2, taylorN: 0.25 }), FEW);
  bench(
    'life of 5,000 edges: wanted in 1 s',
    () => void fitEdgeLife(many, { speedSd: 0.2, taylorN: 0.25 }),
    FEW,
  );
  bench('force and drives from 5,000 readings: wanted in 1 s', () => void fitLoad(readings, () => 0.1), FEW);
});
