import { describe, expect, it } from 'vitest';
import { EMPTY_JOB_PLAN } from '../../deciding/job/job-plan.ts';
import { blankInSetup } from './blank-in-setup.ts';
import { guessStock } from './guess-stock.ts';

/** A path round a rectangle at a height. */
const round = (x0: number, y0: number, x1: number, y1: number, z: number): string =>
  `G21 G90\nT1 M6\nS1000 M3\nG0 X${x0} Y${y0} Z${z + 10}\nG1 Z${z} F200\nX${x1}\nY${y1}\nX${x0}\nY${y0}\nG0 Z${z + 60}`;
const BLANK = { xMm: 120, yMm: 80, zMm: 30 };

describe('material nobody stated', () => {
  it.each([
    ['the middle of its top', round(-40, -25, 40, 25, -12), [-60, -40, -30], [60, 40, 0]],
    ['its left front corner', round(10, 10, 110, 70, -12), [0, 0, -30], [120, 80, 0]],
    ['its right rear corner', round(-110, -70, -10, -10, -12), [-120, -80, -30], [0, 0, 0]],
    ['the middle of its front', round(-50, 5, 50, 78, -12), [-60, 0, -30], [60, 80, 0]],
    ['its underside', round(-40, -25, 40, 25, 18), [-60, -40, 0], [60, 40, 30]],
  ])('is the blank of the job, with its zero at %s', (_, text, low, high) => {
    expect(guessStock(text, BLANK)).toMatchObject({ from: 'blank', stock: { low, high } });
  });

  it('lets the cutter run out over the blank’s edges', () => {
    const guessed = guessStock(round(-70, -44, 70, 44, -5), BLANK);
    expect(guessed).toMatchObject({ from: 'blank', stock: { low: [-60, -40, -30], high: [60, 40, 0] } });
  });

  it.each([
    ['without a blank', round(10, 10, 110, 70, -12), null],
    ['where the path lies far beside it', round(300, 10, 380, 70, -12), BLANK],
    ['where it goes far below it', round(-40, -25, 40, 25, -60), BLANK],
  ])('is a block round the path %s', (_, text, blank) => {
    const guessed = guessStock(text, blank)!;
    expect(guessed.from).toBe('path');
    expect(guessed.stock.high[0] - guessed.stock.low[0]).toBeLessThan(101);
  });

  it('is nothing where nothing is fed to', () => {
    expect(guessStock('G21 G90\nG0 X5\nM30', BLANK)).toBeNull();
  });
});

describe('the blank of a job in a setup', () => {
  const plan = {
    ...EMPTY_JOB_PLAN,
    part: { lengthMm: 100, widthMm: 60, heightMm: 20 },
    stock: { top: 2, bottom: 3, left: 1, right: 1, front: 0, back: 4 },
  };
  it('is turned as the part stands', () => {
    expect(blankInSetup(plan, 'top')).toEqual({ xMm: 102, yMm: 64, zMm: 25 });
    expect(blankInSetup(plan, 'front')).toEqual({ xMm: 102, yMm: 25, zMm: 64 });
    expect(blankInSetup(plan, 'left')).toEqual({ xMm: 64, yMm: 25, zMm: 102 });
    expect(blankInSetup({ ...plan, part: null }, 'top')).toBeNull();
  });
});
