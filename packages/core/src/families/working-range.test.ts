import { describe, expect, it } from 'vitest';
import { CRIB, SHIPPED } from '../../fixtures/crib.ts';
import type { Cutter } from '../crib/cutter.ts';
import { missingMaterials } from '../crib/tool-materials.ts';
import { workingRange } from './working-range.ts';

const RANGE = workingRange();
const of = (type: string): Cutter[] => RANGE.filter((c) => c.type === type);
const size = (c: Cutter): number => c.properties.DCX ?? c.properties.DC!;
const price = (c: Cutter): number => Number(c.extended['price']);

/** Tools that differ in nothing but their diameter, thinnest first. */
function series(): Cutter[][] {
  const rows = new Map<string, Cutter[]>();
  for (const c of RANGE) {
    const key = [
      c.type,
      c.suits_iso_groups.join(''),
      c.properties.ZEFP,
      c.extended.coating,
      c.properties.FHA,
    ];
    const reach = (c.properties.LU ?? 0) / size(c) > 4.5 ? 'long' : 'usual';
    const id = [
      ...key,
      reach,
      c.properties.KAPR,
      c.properties.SIG,
      c.properties['ULDR'] && c.type === 'drill_solid' ? c.properties['ULDR'] : '',
    ].join('|');
    rows.set(id, [...(rows.get(id) ?? []), c]);
  }
  return [...rows.values()]
    .map((row) => row.sort((a, b) => size(a) - size(b)))
    .filter((row) => row.length > 2);
}

describe('the working range', () => {
  it('has each tool once, each with an id and a name of its own', () => {
    expect(RANGE.length).toBeGreaterThan(1400);
    expect(new Set(RANGE.map((c) => c.id)).size).toBe(RANGE.length);
    expect(new Set(RANGE.map((c) => c.name)).size).toBe(RANGE.length);
  });

  it('holds what a shop looks for first', () => {
    const has = (type: string, d: number, z?: number, group?: string) =>
      RANGE.some(
        (c) =>
          c.type === type &&
          c.properties.DC === d &&
          (z === undefined || c.properties.ZEFP === z) &&
          (group === undefined || c.suits_iso_groups.includes(group as 'H')),
      );
    expect(has('end_mill_flat', 6, 6, 'H')).toBe(true);
    expect(has('end_mill_flat', 12, 5, 'S')).toBe(true);
    expect(has('end_mill_flat', 1, 2, 'N')).toBe(true);
    expect(has('end_mill_flat', 25, 4, 'P')).toBe(true);
    expect(has('end_mill_ball', 20, 2)).toBe(true);
    for (const d of [40, 125]) expect(has('face_mill_45', d)).toBe(true);
    // Holes before M2 to M24 and UNC/UNF threads.
    for (const d of [1.6, 2.5, 3.3, 4.2, 5, 6.8, 8.5, 10.25, 12, 14, 17.5, 21, 3.45, 5.1])
      expect(RANGE.some((c) => c.type === 'drill_solid' && Math.abs(c.properties.DC! - d) < 0.051)).toBe(
        true,
      );
    for (const m of ['M2', 'M24', '#4-40 UNC', '1-8 UNC', '1/4-28 UNF'])
      expect(RANGE.some((c) => c.type === 'tap_spiral_point' && c.properties['TDZ'] === m)).toBe(true);
  });

  it('says of every tool that its values are typical ones, not measured', () => {
    expect(RANGE.filter((c) => c.extended['estimate'] !== true)).toEqual([]);
  });

  it('is made of what the shop knows', () => {
    expect(RANGE.flatMap((c) => missingMaterials(c, CRIB))).toEqual([]);
  });

  it('grows stiffer, roomier, dearer and slower with the diameter', () => {
    const rows = series();
    expect(rows.length).toBeGreaterThan(40);
    const wrong: string[] = [];
    for (const row of rows)
      row.slice(1).forEach((c, i) => {
        const before = row[i]!;
        if (size(c) < 1.001 * size(before)) return;
        const bends = (t: Cutter): number => (t.extended.effective_bending_diameter_ratio ?? 1) * size(t);
        if (bends(c) <= bends(before)) wrong.push(`${c.id} bends more than ${before.id}`);
        if (price(c) < price(before)) wrong.push(`${c.id} is cheaper than ${before.id}`);
        if ((c.properties.RPMX ?? 0) > (before.properties.RPMX ?? 0)) wrong.push(`${c.id} turns faster`);
        const [room, least] = [c, before].map((t) => t.extended.chip_gullet_area_mm2 ?? null);
        if (room !== null && least !== null && room! < least!) wrong.push(`${c.id} has less room`);
      });
    expect(wrong).toEqual([]);
  });

  it('has less room and a thicker core with more flutes, and pays for long tools', () => {
    const twelve = of('end_mill_flat').filter((c) => c.properties.DC === 12 && c.id.startsWith('em-steel'));
    const usual = twelve
      .filter((c) => !c.name.includes('reach'))
      .sort((a, b) => a.properties.ZEFP! - b.properties.ZEFP!);
    expect(usual.length).toBeGreaterThan(3);
    usual.slice(1).forEach((c, i) => {
      expect(c.extended.chip_gullet_area_mm2!).toBeLessThan(usual[i]!.extended.chip_gullet_area_mm2!);
      expect(c.extended.core_ratio!).toBeGreaterThan(usual[i]!.extended.core_ratio!);
      expect(c.max_slot_depth_over_d!).toBeLessThan(usual[i]!.max_slot_depth_over_d!);
    });
    for (const long of twelve.filter((c) => c.name.includes('reach'))) {
      const short = usual.find((c) => c.properties.ZEFP === long.properties.ZEFP)!;
      expect(price(long)).toBeGreaterThan(price(short));
      expect(long.properties.LU!).toBeGreaterThan(short.properties.LU!);
      expect(long.properties.OAL!).toBeGreaterThan(short.properties.OAL!);
    }
  });

  it('makes what the reference tools of the same size are, within what makers differ by', () => {
    const known = CRIB.cutters.flatMap((c) => {
      const made = RANGE.find((r) => r.id === c.id);
      return made ? [[c, made] as const] : [];
    });
    expect(known.length).toBeGreaterThan(15);
    const off: string[] = [];
    for (const [c, made] of known) {
      expect([made.id, made.properties.DC, made.properties.ZEFP]).toEqual([
        c.id,
        c.properties.DC,
        c.properties.ZEFP,
      ]);
      for (const [symbol, most] of [
        ['LU', 1.7],
        ['OAL', 1.35],
        ['RPMX', 1.35],
        ['DCONMS', 1.01],
        ['SIG', 1.05],
      ] as const) {
        const [a, b] = [Number(c.properties[symbol]), Number(made.properties[symbol])];
        if (a > 0 && b > 0 && Math.max(a / b, b / a) > most) off.push(`${c.id} ${symbol}: ${a}, made ${b}`);
      }
      const [low, high] = c.extended.fr_window_mm_per_rev ?? [];
      const [madeLow, madeHigh] = made.extended.fr_window_mm_per_rev ?? [];
      if (low && madeLow && Math.abs(low / madeLow - 1) > 0.1)
        off.push(`${c.id} feed ${low}, made ${madeLow}`);
      if (high && madeHigh && Math.abs(high / madeHigh - 1) > 0.1)
        off.push(`${c.id} feed ${high}, made ${madeHigh}`);
    }
    expect(off).toEqual([]);
  });

  // Every reference tool that turns, and each ninth of the rest.
  const looked = SHIPPED.cutters.filter(
    (c, i) => (i < CRIB.cutters.length || i % 9 === 0) && !/turning|groov|part|boring|threading/.test(c.type),
  );
  it.each(looked.map((c) => [c.id, c] as const))('%s is of one piece', (_, c) => {
    const { DC = 0, DCX = 0, APMX = 0, LU = 0, OAL = 0, LPR, DN, RE = 0, DCONMS = 0 } = c.properties;
    const widest = Math.max(DC, DCX);
    expect(APMX).toBeLessThanOrEqual(LU + 1e-9);
    expect(LU).toBeLessThan(OAL);
    if (LPR !== undefined) {
      expect(LU).toBeLessThanOrEqual(LPR);
      // A grip of twice the shank is the least anybody clamps.
      expect(OAL - LPR).toBeGreaterThanOrEqual(2 * DCONMS * (c.type.startsWith('tap') ? 0.5 : 1) - 1e-9);
    }
    // A cone is thicker than its ball, and no thicker than its shank.
    const cone = c.type === 'end_mill_ball' && c.properties['TA'];
    if (DN !== undefined) expect(DN).toBeLessThanOrEqual(cone ? DCONMS : widest);
    expect(RE).toBeLessThanOrEqual(widest / 2);
    const gullet = c.extended.chip_gullet_area_mm2;
    if (gullet) expect(gullet * (c.properties.ZEFP ?? 1)).toBeLessThan((Math.PI / 4) * widest ** 2);
    const rim = (Math.PI * widest * (c.properties.RPMX ?? 0)) / 1000;
    expect(rim).toBeLessThan(6000);
  });
});
