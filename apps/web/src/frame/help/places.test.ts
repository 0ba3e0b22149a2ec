import { describe, expect, it } from 'vitest';
import { HELP, placeOf } from './places.ts';

describe('help by place', () => {
  it.each([
    ['/', 'desk'],
    ['/jobs/x', 'route'],
    ['/jobs/x/ops/y', 'bench'],
    ['/jobs/x/batch', 'batch'],
    ['/jobs/x/holes', 'holes'],
    ['/jobs/x/release', 'release'],
    ['/jobs/x/floor', 'floor'],
    ['/resonance/z', 'chatter'],
    ['/quick', 'quick'],
    ['/programs', 'programs'],
    ['/crib/cutters', 'crib'],
    ['/people', 'people'],
  ])('%s is helped by the page of %s', (path, place) => {
    expect(placeOf(path)).toBe(place);
    expect(HELP.some((h) => h.id === place)).toBe(true);
  });

  it('every page says what it is for, what to do first, and is told once', () => {
    expect(new Set(HELP.map((h) => h.id)).size).toBe(HELP.length);
    for (const h of HELP) {
      expect(h.purpose.length).toBeGreaterThan(20);
      expect(h.first.length).toBeGreaterThan(0);
    }
  });
});
