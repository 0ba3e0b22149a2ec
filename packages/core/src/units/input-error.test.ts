import { describe, expect, it } from 'vitest';
import { describeProblem, fieldInWords, outOfRange, problemInWords, problemSentence } from './input-error.ts';
import { speak } from './sentence.ts';

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

  const tooNarrow = outOfRange('feature.widthMm', 8, { least: 12, most: Infinity, unit: 'mm' });

  it('says value and range after it', () => {
    expect(problemInWords(tooNarrow, 'metric')).toBe('Width is 8; allowed: 12 mm or more');
    expect(describeProblem(tooNarrow)).toBe('feature.widthMm is 8; allowed: 12 mm or more');
  });

  it.each([
    [tooNarrow, 'Width is 0.315; allowed: 0.4724 in or more'],
    [
      outOfRange('cut.axialDepthMm', 60, { least: 0, most: 26.4, unit: 'mm' }),
      'Axial depth is 2.3622; allowed: 0 to 1.0394 in',
    ],
    [outOfRange('feature.depthMm', -1, { above: 0, unit: 'mm' }), 'Depth is -0.0394; allowed: above 0 in'],
    [
      outOfRange('workholding.releaseC', 10, { least: 25, most: 1000, unit: 'degC' }),
      'Release is 50; allowed: 77 to 1832 °F',
    ],
    [{ field: 'pins', value: 'x', allowed: 'speed, feed' }, 'Pins is "x"; allowed: speed, feed'],
  ])('speaks inch where the page does', (problem, words) =>
    expect(problemInWords(problem, 'inch')).toBe(words),
  );

  it('is a sentence in both systems', () => {
    expect(speak(problemSentence(tooNarrow), 'metric')).toBe(
      'Width is 8\u00a0mm; allowed: 12\u00a0mm or more',
    );
    expect(speak(problemSentence(tooNarrow), 'inch')).toBe(
      'Width is 0.315\u00a0in; allowed: 0.472\u00a0in or more',
    );
  });
});
