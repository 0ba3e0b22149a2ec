import { describe, expect, it } from 'vitest';
import { fieldInWords, problemInWords } from './input-error.ts';

describe('a field in words', () => {
  it.each([
    ['cut.axialDepthMm', 'Axial depth'],
    ['cut.feedPerToothMm', 'Feed per tooth'],
    ['measured.kc11NMm2', 'Kc11'],
    ['tooling.cutterId', 'Cutter'],
    ['workholding.releaseC', 'Release'],
    ['cutter.properties.DC', 'DC'],
    ['hole.crossHoles', 'Cross holes'],
    ['modes.0.hz', 'Hz'],
    ['modes.0', 'Modes'],
    ['pins', 'Pins'],
  ])('%s is %s', (field, words) => expect(fieldInWords(field)).toBe(words));

  it('says value and range after it', () => {
    expect(problemInWords({ field: 'feature.widthMm', value: 8, allowed: '12 mm or more' })).toBe(
      'Width is 8; allowed: 12 mm or more',
    );
  });
});
