import { describe, expect, it } from 'vitest';
import { CRIB } from '../../../fixtures/crib.ts';
import {
  barrelContactShift,
  contactRadius,
  passSpacing,
  scallopHeight,
  stepoverForScallop,
  terraceHeight,
} from './scallop.ts';

const cutter = (id: string) => CRIB.cutters.find((c) => c.id === id)!;

describe('ridges', () => {
  it('a barrel of 100 mm takes four times the step of a 6 mm ball at the same ridge', () => {
    const ball = stepoverForScallop(0.005, 6);
    const barrel = stepoverForScallop(0.005, 100);
    expect(barrel / ball).toBeGreaterThan(4);
    expect(scallopHeight(barrel, 100)).toBeCloseTo(0.005, 9);
  });

  it('touches with the ball anywhere, with the barrel’s flank on walls as steep as it and with the corner of a bull nose on slopes', () => {
    expect(contactRadius(cutter('ball-6-z2'), 0)).toBe(3);
    expect(contactRadius(cutter('barrel-12-z6'), 85)).toBe(100);
    expect(contactRadius(cutter('barrel-12-z6'), 70)).toBe(1);
    expect(contactRadius(cutter('barrel-12-z6'), 20)).toBe(1);
    expect(contactRadius(cutter('em-bull-12-z4-re1-var'), 45)).toBe(1);
    expect(contactRadius(cutter('em-bull-12-z4-re1-var'), 90)).toBeNull();
  });

  it('spaces passes by the stepover on floors, by the step down on walls', () => {
    expect(passSpacing(0, 0.3, 2)).toBeCloseTo(0.3);
    expect(passSpacing(90, 0.3, 2)).toBeCloseTo(2);
    expect(passSpacing(30, 10, 1)).toBeCloseTo(2);
  });

  it('refuses a stepover wider than the edge and a ridge higher than its radius', () => {
    expect(() => scallopHeight(13, 6)).toThrow(/stepover/);
    expect(() => stepoverForScallop(7, 6)).toThrow(/scallop/);
    expect(() => passSpacing(95, 1, 1)).toThrow(/slope/);
  });

  it('moves a barrel’s contact by 0.17 mm for a tenth of a degree, and leaves terraces on slopes only', () => {
    expect(barrelContactShift(100, 0.1)).toBeCloseTo(0.1745, 3);
    expect(terraceHeight(90, 5)).toBe(0);
    expect(terraceHeight(60, 2)).toBeCloseTo(1);
  });
});
