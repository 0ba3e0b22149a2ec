import { describe, expect, it } from 'vitest';
import { ExpressionError, readValue } from './expression.ts';

const value = (text: string): number => readValue(text, 0, new Map([[1, 4]])).value;

describe('numbers of a program', () => {
  it.each([
    ['12', 12],
    ['-.5', -0.5],
    ['+3.', 3],
    ['#1', 4],
    ['-#1', -4],
    ['[1+2*3]', 7],
    ['[2**3-1]', 7],
    ['[7 MOD 4]', 3],
    ['SIN[30]', 0.5],
    ['FUP[1.2]', 2],
    ['FIX[-1.7]', -1],
    ['[[#1+1]/[2]]', 2.5],
    ['ATAN[1]/[-1]', 135],
  ])('%s is %f', (text, wanted) => expect(value(text)).toBeCloseTo(wanted, 12));

  it.each([
    ['', 'a number is missing'],
    ['#7', '#7 has no value here'],
    ['[1', 'a bracket is not closed'],
    ['[1/0]', 'comes to no finite number'],
    ['ABC[1]', 'ABC is no function'],
    ['['.repeat(60) + '1', 'brackets in one another'],
  ])('%s: %s', (text, message) => {
    expect(() => value(text)).toThrow(ExpressionError);
    expect(() => value(text)).toThrow(message);
  });
});
