import { describe, expect, it } from 'vitest';
import { randomCut } from '../../../../fixtures/random-cut.ts';
import { type FreeModes, freeModes } from './free-motion.ts';
import { feelsDepth, periodFrame } from './period-frame.ts';
import { applied, mapAt, type PeriodMap, periodMap } from './period-map.ts';
import { wavesAbout } from './waves-about.ts';

const RESOLUTION = { nodes: 8, wavesPerPiece: 1.25, turnPerPiece: 1 };

const answer = (map: PeriodMap, modes: FreeModes): Float64Array =>
  applied(map, wavesAbout(0.8 * map.highestHz, map, modes)!).to;

/** Largest difference of two vectors as a share of the larger one's largest number. */
function apart(a: Float64Array, b: Float64Array): number {
  const most = Math.max(...a.map(Math.abs), ...b.map(Math.abs));
  return Math.max(...a.map((x, i) => Math.abs(x - b[i]!))) / most;
}

describe('frame of a period', () => {
  it('serves every depth of a cutter without a helix', () => {
    let some = 0;
    for (let seed = 1; seed <= 12; seed++) {
      const { cut, structure, rpm } = randomCut(seed);
      const straight = { ...cut, helix: cut.pitch.map(() => 0) };
      const modes = freeModes(structure);
      expect(feelsDepth(straight)).toBe(false);
      const own = periodMap(straight, modes, rpm, 3, RESOLUTION);
      if (own.size > 2000) continue;
      some++;
      const other = mapAt(periodFrame(straight, modes, rpm, 0.2, RESOLUTION), 3);
      expect(other.size).toBe(own.size);
      expect(apart(answer(other, modes), answer(own, modes))).toBeLessThan(1e-12);
      // The depth does count.
      const shallow = mapAt(periodFrame(straight, modes, rpm, 0.2, RESOLUTION), 0.2);
      expect(apart(answer(shallow, modes), answer(own, modes))).toBeGreaterThan(1e-4);
    }
    expect(some).toBeGreaterThan(5);
  });

  it('is the same to a map after another one was in its place', () => {
    const maps = [1, 2].map((seed) => {
      const { cut, structure, rpm } = randomCut(seed);
      const modes = freeModes(structure);
      return { modes, map: periodMap(cut, modes, rpm, 2, RESOLUTION) };
    });
    const [first, second, again] = [maps[0]!, maps[1]!, maps[0]!].map(({ map, modes }) => answer(map, modes));
    expect(again).toEqual(first);
    expect(second).not.toEqual(first);
  });

  it('is another one at another depth where a helix lets teeth enter bit by bit', () => {
    const { cut, structure, rpm } = randomCut(3);
    const twisted = { ...cut, helix: cut.pitch.map(() => 0.6) };
    expect(feelsDepth(twisted)).toBe(true);
    const ends = [0.5, 5].map((depthMm) =>
      periodFrame(twisted, freeModes(structure), rpm, depthMm, RESOLUTION).spans.map((s) => s.to),
    );
    expect(ends[0]).not.toEqual(ends[1]);
  });
});
