import { describe, expect, it } from 'vitest';
import { CRIB } from '../../../fixtures/crib.ts';
import { readSpoken } from './spoken-cut.ts';
import type { SpokenKey } from './spoken-fields.ts';

const read = (said: string) => readSpoken(said, CRIB);
const numbers = (said: string): Partial<Record<SpokenKey, number>> =>
  Object.fromEntries(read(said).fields.map((f) => [f.key, Number(f.value.toFixed(3))]));

describe('what somebody says of a cut', () => {
  it.each<[string, Partial<Record<SpokenKey, number>>]>([
    [
      '12 mm five flute, 80 m/min, 0.1 a tooth, 1 mm stepover, grade 5',
      { diameterMm: 12, teeth: 5, speedMMin: 80, feedPerToothMm: 0.1, radialDepthMm: 1 },
    ],
    // The same cut in inch.
    [
      'half inch five flute, 260 sfm, .004 a tooth, .040 stepover, grade 5',
      { diameterMm: 12.7, teeth: 5, speedMMin: 79.248, feedPerToothMm: 0.102, radialDepthMm: 1.016 },
    ],
    [
      '1/2" 4 flute in 4340 38 hrc, 2,000 rpm, 24 ipm, .5 deep, 10% stepover',
      {
        diameterMm: 12.7,
        teeth: 4,
        hardnessHrc: 38,
        speedRpm: 2000,
        tableFeedMmMin: 609.6,
        axialDepthMm: 12.7,
        radialDepthMm: 1.27,
      },
    ],
    [
      'D12 z5 S2120 F1060 ap 18 ae 1.2 in 718 on the 40 taper belt',
      {
        diameterMm: 12,
        teeth: 5,
        speedRpm: 2120,
        tableFeedMmMin: 1060,
        axialDepthMm: 18,
        radialDepthMm: 1.2,
      },
    ],
    [
      '8.5 drill 316, 60 m/min, 0.12 per rev, 30 deep',
      { diameterMm: 8.5, speedMMin: 60, feedPerRevMm: 0.12, axialDepthMm: 30 },
    ],
    [
      '10 mm 3 flute aluminium 12k rpm 3000 mm/min full slot 10 deep',
      {
        diameterMm: 10,
        teeth: 3,
        speedRpm: 12000,
        tableFeedMmMin: 3000,
        axialDepthMm: 10,
        radialDepthMm: 10,
      },
    ],
    [
      '16mm 4fl d2 60 hrc vc 120 fz 0,08 ae 0,5 ap 10',
      {
        diameterMm: 16,
        teeth: 4,
        hardnessHrc: 60,
        speedMMin: 120,
        feedPerToothMm: 0.08,
        radialDepthMm: 0.5,
        axialDepthMm: 10,
      },
    ],
    [
      'ti64 20mm bull r3, 40 out, 50 m/min 0.08/tooth 2xD deep 5% radial',
      {
        diameterMm: 20,
        cornerRadiusMm: 3,
        stickOutMm: 40,
        speedMMin: 50,
        feedPerToothMm: 0.08,
        axialDepthMm: 40,
        radialDepthMm: 1,
      },
    ],
    ['1 1/4 inch face mill, 4 thou a tooth', { diameterMm: 31.75, feedPerToothMm: 0.102 }],
  ])('%s', (said, expected) => {
    expect(numbers(said)).toEqual(expected);
  });

  it.each<[string, string]>([
    ['grade 5', 'ti-6al-4v-annealed'],
    ['17-4', 's17400-h1025'],
    ['316', '316l'],
    ['4340 at 38 hrc', '4340-38hrc'],
    ['h13 54 hrc', 'h13-54hrc'],
    ['S31803', 's31803'],
    ['2.4668', '718-annealed'],
    ['aluminium', '6061-t6'],
  ])('hears the alloy of “%s”', (said, alloy) => {
    expect(read(`12 mm 4 flute, ${said}, 2000 rpm`).alloys[0]?.id).toBe(alloy);
  });

  it('hears tool, feature, machine and what is seen', () => {
    const cut = read('63 mm face mill on the hmc, facing, it squeals and breaks the corners, heavy burrs');
    expect(cut).toMatchObject({ tool: 'face mill', feature: 'face' });
    expect(cut.symptoms).toEqual(['squeal', 'broken-corner', 'burr']);
    expect(read('on the 40 taper belt').machines[0]?.id).toBe('vmc40-15kw-belt');
    // The taper of a spindle is no tapered wall.
    expect(read('on the 40 taper belt').symptoms).toEqual([]);
    expect(read('drill stalls, long chips').symptoms).toEqual(['long-chips', 'stall']);
  });

  it('says what it had to suppose, and what it made nothing of', () => {
    const cut = read('12 mm 5 flute, vc 80, 7 bananas');
    expect(cut.fields.find((f) => f.key === 'speedMMin')?.supposed).toBe('vc read in m/min');
    expect(cut.featureSupposed).toBe(true);
    expect(cut.unread.join()).toContain('7 bananas');
  });

  it('makes nothing of nothing, and keeps its head over anything typed', () => {
    expect(read('')).toMatchObject({ fields: [], alloys: [], symptoms: [], unread: [] });
    for (const junk of ['((((', '1/0 inch', '-5 mm', '999999999999999999999 rpm', '1,1,1,1', 'ap ap ap', '½'])
      for (const f of read(junk).fields) expect(Number.isFinite(f.value)).toBe(true);
  });
});
