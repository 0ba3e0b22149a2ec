import { describe, expect, it } from 'vitest';
import { randomCut } from '../../../../fixtures/random-cut.ts';
import { freeModes } from './free-motion.ts';
import { heldBasis } from './held-basis.ts';
import { applied, type PeriodMap, periodMap } from './period-map.ts';
import { nodesOf } from './resolution.ts';
import { wavesAbout } from './waves-about.ts';

const RESOLUTION = { nodes: 8, wavesPerPiece: 1.25, turnPerPiece: 1 };
const VECTORS = 9;

const maps = [1, 2, 3, 5, 8].map((seed): [number, PeriodMap, Float64Array] => {
  const { cut, structure, rpm } = randomCut(seed);
  const modes = freeModes(structure);
  const map = periodMap(cut, modes, rpm, 2, RESOLUTION);
  return [seed, map, wavesAbout(0.6 * map.highestHz, map, modes)!];
});

const only = (j: number): number[] => Array.from({ length: VECTORS }, (_, i) => (i === j ? 1 : 0));
const dot = (a: Float64Array, b: Float64Array): number => a.reduce((sum, x, i) => sum + x * b[i]!, 0);

describe('basis of a map', () => {
  it.each(maps)('of cut %i is orthonormal, and says what the map makes of each vector', (_, map, start) => {
    const basis = heldBasis(map, VECTORS, VECTORS);
    basis.begin(start);
    const shares: number[][] = [];
    for (let j = 0; j + 1 < VECTORS; j++) {
      const { parts, rest } = basis.image(j);
      shares.push([...parts, rest]);
      basis.take(j + 1, 1 / rest);
    }
    expect(basis.applications).toBe(VECTORS - 1);
    const vectors = Array.from({ length: VECTORS }, (_, j) => basis.sum(only(j)));
    vectors.forEach((a, i) =>
      vectors.forEach((b, j) => expect(Math.abs(dot(a, b) - (i === j ? 1 : 0))).toBeLessThan(1e-9)),
    );
    shares.forEach((own, j) => {
      const { to } = applied(map, vectors[j]!);
      const size = Math.sqrt(dot(to, to));
      to.forEach((x, i) => {
        const said = own.reduce((sum, share, k) => sum + share * vectors[k]![i]!, 0);
        expect(Math.abs(x - said)).toBeLessThan(1e-9 * Math.max(1, size));
      });
    });
  });

  it('becomes sums of its vectors, and goes on with the one that comes next', () => {
    const [, map, start] = maps[0]!;
    const basis = heldBasis(map, VECTORS, 3);
    basis.begin(start);
    for (let j = 0; j < 4; j++) basis.take(j + 1, 1 / basis.image(j).rest);
    const sums = [
      [0.6, 0.8, 0, 0],
      [0, 0, 0, 1],
    ] as const;
    const wanted = [...sums.map((shares) => basis.sum(shares)), basis.sum(only(4))];
    basis.become(sums, 4);
    wanted.forEach((vector, j) => expect(basis.sum(only(j))).toEqual(vector));
  });
});

describe('nodes of a piece', () => {
  it('are an even number, and more where it holds more', () => {
    for (const nodes of [8, 12, 15, 16]) {
      const counts = [0, 0.1, 0.4, 0.8, 1.25].map((waves) => nodesOf({ ...RESOLUTION, nodes }, waves, 0.3));
      for (const count of counts) expect(count % 2).toBe(0);
      expect([...counts].sort((a, b) => a - b)).toEqual(counts);
      expect(counts[4]).toBeGreaterThanOrEqual(nodes);
      expect(counts[4]).toBeLessThanOrEqual(nodes + 3);
    }
  });
});
