import { describe, expect, it } from 'vitest';
import { orthogonalDataFor, TITANIUM_6AL_4V } from './oblique.ts';

describe('orthogonal data through the oblique transform', () => {
  it('lends no alloy another alloy’s data', () => {
    expect(() => orthogonalDataFor('718-aged')).toThrow(/Ti-6Al-4V only/);
    expect(orthogonalDataFor('ti-6al-4v-sta')).toBe(TITANIUM_6AL_4V);
  });
});
