import { contourOf, profileSizes, type ProfileElement, type TurnedProfile } from '@burl/core';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { arc, dxf, line, polyline } from '../../test/dxf.ts';
import { profileCsv } from './profile-from-csv.ts';
import { readProfileFile } from './read-profile-file.ts';

const read = (name: string, text: string, inside = false): TurnedProfile => {
  const result = readProfileFile(name, text, inside);
  if (!result.ok) throw new Error(result.error);
  return result.profile;
};
const why = (name: string, text: string, inside = false): string => {
  const result = readProfileFile(name, text, inside);
  return result.ok ? '' : result.error;
};
const short = ({ startMm, elements }: TurnedProfile) => [
  startMm,
  ...elements.map(
    (e) => `${e.kind} ${e.toMm} ${e.lengthMm}${e.kind === 'arc' ? ` ${e.radiusMm} ${e.side}` : ''}`,
  ),
];

/** Free end at the right: a guide, a quarter fillet up to a collar. */
const QUARTER = Math.tan(Math.PI / 8);

describe('a profile from a drawing', () => {
  it('a line without numbers is refused, and holds nobody up', () => {
    expect(why('n.dxf', dxf(line(Number.NaN, 5, 10, 5)))).toMatch(/point without numbers|do not join/);
  });

  it('is read from a polyline: cylinder, cone, shoulder and arc', () => {
    const p = read(
      'stem.dxf',
      dxf(
        polyline([
          [100, 10],
          [80, 10],
          [70, 15],
          [70, 18],
          [60, 18],
          [57, 21, 0],
          [40, 21],
        ]),
      ),
    );
    expect(short(p)).toEqual([20, 'step 20 20', 'cone 30 10', 'step 36 10', 'cone 42 3', 'step 42 17']);
  });

  it('tells an arc that bulges from a hollow one, whichever way it was drawn, and the other way round inside', () => {
    // From (10, 10) to (7, 13): centre at (10, 13) is hollow; clockwise from right to left.
    const hollow = [
      [40, 10],
      [10, 10, -QUARTER],
      [7, 13],
      [0, 13],
    ] as const;
    expect(short(read('a.dxf', dxf(polyline(hollow))))).toEqual([
      20,
      'step 20 30',
      'arc 26 3 3 hollow',
      'step 26 7',
    ]);
    const backwards = [
      [0, 13],
      [7, 13, QUARTER],
      [10, 10],
      [40, 10],
    ] as const;
    expect(short(read('a.dxf', dxf(polyline(backwards))))).toEqual(
      short(read('a.dxf', dxf(polyline(hollow)))),
    );
    const bulging = [
      [40, 10],
      [10, 10, QUARTER],
      [7, 13],
      [0, 13],
    ] as const;
    expect(short(read('a.dxf', dxf(polyline(bulging))))[2]).toBe('arc 26 3 3 bulging');
    expect(short(read('a.dxf', dxf(polyline(bulging)), true))[2]).toBe('arc 26 3 3 hollow');
    // Drawn below its axis it is the same part.
    const below = hollow.map(([x, y, b]) => [x, -y, b ? -b : 0] as const);
    expect(short(read('a.dxf', dxf(polyline(below))))).toEqual(short(read('a.dxf', dxf(polyline(hollow)))));
  });

  it('is joined from lines and arcs in any order, and read in inches', () => {
    const p = read(
      'b.dxf',
      dxf([...line(0, 0.5, 0.9, 0.5), ...arc(0.9, 0.4, 0.1, 0, 90), ...line(2, 0.4, 1, 0.4)], 1),
    );
    expect(short(p)).toEqual([20.32, 'step 20.32 25.4', 'arc 25.4 2.54 2.54 bulging', 'step 25.4 22.86']);
  });

  it('leaves away the axis and the faces of a closed half', () => {
    const half = [
      [0, 0],
      [50, 0],
      [50, 10],
      [30, 10],
      [30, 15],
      [0, 15],
    ] as const;
    expect(short(read('c.dxf', dxf(polyline(half, true))))).toEqual([20, 'step 20 20', 'step 30 30']);
  });

  it.each([
    ['no drawing', 'hello', /no DXF drawing|no polyline/],
    ['nothing in it', dxf([]), /no polyline, lines or arcs/],
    ['lines apart', dxf([...line(0, 5, 10, 5), ...line(20, 9, 30, 9)]), /do not join: 1 of 2/],
    [
      'both sides',
      dxf(
        polyline([
          [0, 5],
          [10, -5],
        ]),
      ),
      /crosses its axis/,
    ],
    [
      'a way back',
      dxf(
        polyline([
          [30, 10],
          [20, 10],
          [25, 8],
          [0, 8],
        ]),
      ),
      /⌀20 mm, 10 mm from the free end.*goes back/,
    ],
    [
      'a curve of corners',
      dxf(polyline(Array.from({ length: 90 }, (_, i) => [90 - i, 10 + i * i * 0.001] as const))),
      /60 steps, cones and arcs/,
    ],
  ])('says what is wrong with %s', (_, text, message) => {
    expect(why('x.dxf', text)).toMatch(message);
  });
});

describe('a profile as a table', () => {
  it('is read from points, z below the face or above it, diameter or radius', () => {
    const expected = [20, 'step 20 15', 'cone 30 5', 'step 34 10'];
    expect(short(read('p.csv', 'Z,D\n0,20\n-15,20\n-20,30\n-20,34\n-30,34\n'))).toEqual(expected);
    expect(short(read('p.csv', 'z;r\n0;10\n15;10\n20;15\n20;17\n30;17\n'))).toEqual(expected);
  });

  it.each([
    ['a,b\n1,2\n', /columns are a, b; allowed: z with d or r/],
    ['z,d\n0,20\n5,\n', /line 3: z and d must be numbers/],
    ['z,d\n0,20\n', /two points or more/],
    ['kind,to diameter mm,length mm\nknob,20,5\n', /line 2: kind is knob; allowed: step, cone, arc/],
    ['kind,to diameter mm,length mm\narc,20,5\n', /line 2: “radius mm” of an arc/],
    ['kind,to diameter mm,length mm\nstep,wide,5\n', /line 2: “to diameter mm” must be a number/],
    ['', /columns are missing/],
  ])('says what is wrong: %j', (text, message) => {
    expect(why('p.csv', text)).toMatch(message);
  });

  const pieces = fc.array(
    fc.record({
      kind: fc.constantFrom('step', 'cone', 'arc'),
      toMm: fc.integer({ min: 20, max: 400 }).map((v) => v / 8),
      lengthMm: fc.integer({ min: 8, max: 200 }).map((v) => v / 8),
      radiusMm: fc.integer({ min: 60, max: 90 }),
      side: fc.constantFrom('hollow', 'bulging'),
    }),
    { minLength: 1, maxLength: 12 },
  );
  it('comes back as it went out', () => {
    fc.assert(
      fc.property(pieces, (list) => {
        const profile: TurnedProfile = {
          startMm: 25,
          elements: list.map((e) =>
            e.kind === 'arc' ? e : { ...e, radiusMm: null, side: 'bulging' },
          ) as ProfileElement[],
          skinMm: null,
          cornerMm: null,
        };
        const back = read('p.csv', profileCsv(profile));
        expect(back).toEqual(profile);
        expect(profileSizes(back, false)).toEqual(profileSizes(profile, false));
        expect(contourOf(back, true)).toEqual(contourOf(profile, true));
      }),
      { seed: 3, numRuns: 60 },
    );
  });

  it('holds nothing up and throws nothing, whatever it is given', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 400 }), fc.boolean(), (text, drawing) => {
        const result = readProfileFile(drawing ? 'a.dxf' : 'a.csv', text, false);
        expect(result.ok || result.error.length > 5).toBe(true);
      }),
      { seed: 9, numRuns: 300 },
    );
  });
});

describe('a drawing cut off or scrambled', () => {
  const whole = dxf([
    ...polyline([
      [100, 10],
      [80, 10],
      [70, 15],
    ]),
    ...line(0, 5, 10, 5),
    ...arc(0.9, 0.4, 0.1, 0, 90),
  ]);
  it('is refused or read, wherever it ends', () => {
    for (let n = 0; n <= whole.length; n += 3) {
      const result = readProfileFile('cut.dxf', whole.slice(0, n), false);
      expect(result.ok || result.error.length > 5).toBe(true);
    }
  });
  it('is refused or read, whatever lines it loses', () => {
    const lines = whole.split('\n');
    fc.assert(
      fc.property(fc.array(fc.nat(lines.length - 1), { maxLength: 8 }), (lost) => {
        const left = lines.filter((_, i) => !lost.includes(i)).join('\n');
        const result = readProfileFile('lost.dxf', left, false);
        expect(result.ok || result.error.length > 5).toBe(true);
      }),
      { seed: 5, numRuns: 300 },
    );
  });
});
