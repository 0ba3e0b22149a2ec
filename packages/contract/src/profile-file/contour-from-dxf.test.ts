import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { arc, circle, dxf, line, polyline } from '../../test/dxf.ts';
import { contourFromDxf, type DrawnContour } from './contour-from-dxf.ts';

const QUARTER = Math.tan(Math.PI / 8);
const read = (...entities: (readonly [number, string | number])[][]): DrawnContour => {
  const result = contourFromDxf(dxf(entities.flat()));
  if (!result.ok) throw new Error(result.error);
  return result.contour;
};
const why = (text: string): string => {
  const result = contourFromDxf(text);
  return result.ok ? '' : result.error;
};
/** A rectangle with round corners, counter-clockwise. */
const rounded = (x: number, y: number, w: number, h: number, r: number) =>
  polyline(
    [
      [x + r, y],
      [x + w - r, y, QUARTER],
      [x + w, y + r],
      [x + w, y + h - r, QUARTER],
      [x + w - r, y + h],
      [x + r, y + h, QUARTER],
      [x, y + h - r],
      [x, y + r, QUARTER],
    ],
    true,
  );
const around = (w: number, h: number, r: number): number => 2 * (w + h) - 8 * r + 2 * Math.PI * r;

describe('the contour of a drawing', () => {
  it('is as long as its lines and arcs; outside corners are no inside ones', () => {
    expect(read(rounded(0, 0, 60, 40, 5))).toEqual({
      lengthMm: Number(around(60, 40, 5).toFixed(2)),
      contours: 1,
      insideRadiusMm: null,
      sharp: 0,
    });
  });

  it('an opening within it has its corners inside, whichever way it is drawn', () => {
    const outside = rounded(0, 0, 100, 80, 10);
    const inside = rounded(20, 20, 40, 30, 4);
    const found = read(outside, inside);
    expect(found.insideRadiusMm).toBe(4);
    expect(found.contours).toBe(2);
    expect(found.lengthMm).toBeCloseTo(around(100, 80, 10) + around(40, 30, 4), 1);
    // An island in the opening is an outside again.
    expect(read(outside, inside, rounded(30, 30, 10, 10, 1)).insideRadiusMm).toBe(4);
  });

  it('a hole is an opening in a part, and a boss where it stands alone', () => {
    expect(read(rounded(0, 0, 60, 40, 5), circle(30, 20, 6))).toMatchObject({
      insideRadiusMm: 6,
      contours: 2,
    });
    expect(read(circle(30, 20, 6)).insideRadiusMm).toBeNull();
    expect(read(circle(30, 20, 6)).lengthMm).toBeCloseTo(12 * Math.PI, 2);
  });

  it('counts corners no tool goes into: of a notch two, of the outside none', () => {
    const notched = polyline(
      [
        [0, 0],
        [60, 0],
        [60, 40],
        [40, 40],
        [40, 30],
        [20, 30],
        [20, 40],
        [0, 40],
      ],
      true,
    );
    expect(read(notched)).toMatchObject({ sharp: 2, insideRadiusMm: null });
    expect(read(notched).lengthMm).toBeCloseTo(220, 6);
  });

  it('joins lines and arcs, and takes several contours that stand apart', () => {
    const slot = [
      ...line(0, 0, 20, 0),
      ...arc(20, 5, 5, 270, 90),
      ...line(20, 10, 0, 10),
      ...arc(0, 5, 5, 90, 270),
    ];
    const found = read(slot as [number, string | number][], line(100, 0, 130, 0));
    expect(found.contours).toBe(2);
    expect(found.lengthMm).toBeCloseTo(40 + 10 * Math.PI + 30, 2);
  });

  it('is read in inches', () => {
    const result = contourFromDxf(dxf(circle(0, 0, 1), 1));
    expect(result.ok && result.contour.lengthMm).toBeCloseTo(2 * Math.PI * 25.4, 1);
  });

  it('a rectangle inside another has the smaller one’s radius, of any size', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 30, max: 300, noNaN: true }),
        fc.double({ min: 0.5, max: 4, noNaN: true }),
        (size, r) => {
          const found = read(rounded(0, 0, size, size, 5), rounded(5, 5, size - 15, size - 15, r));
          expect(found.insideRadiusMm).toBeCloseTo(r, 3);
          expect(found.sharp).toBe(0);
        },
      ),
    );
  });

  it('says what is wrong with a file', () => {
    expect(why('solid')).toMatch(/no DXF drawing/);
    expect(why(dxf([]))).toMatch(/no polyline, circle, lines or arcs/);
    expect(why(dxf(circle(0, 0, Number.NaN)))).toMatch(/point without numbers|no DXF|damaged/);
    expect(why(dxf(line(5, 5, 5, 5)))).toMatch(/no length/);
    expect(why(dxf([...line(0, 0, 1, 0), ...line(Number.NaN, 0, 1, 1)]))).toMatch(/point without numbers/);
    expect(why(`0\nSECTION${' '.repeat(4_000_001)}`)).toMatch(/larger than 4 MB: save the contour alone/);
  });
});
