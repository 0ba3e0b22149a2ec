import { describe, expect, it } from 'vitest';
import { randomCut } from '../../../../fixtures/random-cut.ts';
import { limitDepth } from './limit-depth.ts';

/** Cuts looked at; BURL_RANDOM_CUTS asks for more of them. */
const CUTS = Number(process.env['BURL_RANDOM_CUTS'] ?? 500);
/** Far finer than any level Burl goes to. */
const CONVERGED = [
  { nodes: 12, wavesPerPiece: 1.25, turnPerPiece: 0.6 },
  { nodes: 15, wavesPerPiece: 0.9, turnPerPiece: 0.3 },
];
const WANTED = 1e-3;

describe('stability limit of cuts nobody chose', () => {
  const judged = Array.from({ length: CUTS }, (_, i) => {
    const { cut, structure, rpm } = randomCut(i + 1);
    const found = limitDepth(cut, structure, rpm);
    const quick = limitDepth(cut, structure, rpm, { fromMm: 1, tolerance: 0.003 });
    const converged = limitDepth(cut, structure, rpm, { tolerance: 1e-6, levels: CONVERGED });
    return { i, found, quick, converged };
  });
  const off = (a: number | null, b: number | null): number =>
    a === null || b === null ? (a === b ? 0 : Infinity) : Math.abs(Math.log(a / b));

  it('is within a thousandth of the converged one, or says by how much it may not be', () => {
    // Where nothing is handed on from tooth to tooth the converged one is none.
    const told = judged.filter(({ converged }) => converged.error <= WANTED);
    const wrong = told.filter(
      ({ found, converged }) => off(found.depthMm, converged.depthMm) > WANTED && found.error <= WANTED,
    );
    expect(wrong.map(({ i, found, converged }) => [i, found, converged])).toEqual([]);
  });

  it('is sure of nearly all of them', () => {
    const sure = judged.filter(({ found }) => found.error <= WANTED);
    expect(sure.length).toBeGreaterThan(0.93 * CUTS);
  });

  it('begun near the overview finds the same border but for a few islands', () => {
    const same = judged.filter(({ quick, converged }) => off(quick.depthMm, converged.depthMm) < 0.01);
    expect(same.length).toBeGreaterThan(0.9 * CUTS);
  });

  it('is heard at the same frequency', () => {
    const other = judged.filter(
      ({ found, converged }) => found.error <= WANTED && off(found.hz, converged.hz) > 0.02,
    );
    expect(other.length).toBeLessThan(0.05 * CUTS);
  });
});
