import { describe, expect, it } from 'vitest';
import { PLAIN_SETTINGS, readProgram } from '../read/read-program.ts';
import { cornerArc, straightArc } from '../../physics/path/corner-engagement.ts';
import { type CutterShape, squareCutter } from './cutter-shape.ts';
import { type Engagement, makeEngager, rampDegrees } from './engage.ts';
import { makeHeightField } from './height-field.ts';
import { block, type Stock } from './stock.ts';
import type { Motion } from '../read/motion.ts';

const DEG = 180 / Math.PI;
const ball = (diameter: number): CutterShape => ({
  radiusMm: diameter / 2,
  flatMm: 0,
  cornerMm: diameter / 2,
  slope: 0,
});

/** Engagement of each motion of a program, in order. */
function engage(
  text: string,
  stock: Stock,
  shape: CutterShape,
  cell = 0.1,
): { motion: Motion; e: Engagement }[] {
  const engager = makeEngager(makeHeightField(stock, cell), () => shape);
  const out: { motion: Motion; e: Engagement }[] = [];
  readProgram(text, PLAIN_SETTINGS, { motion: (motion) => out.push({ motion, e: engager.run(motion) }) });
  return out;
}
const PLATE = block([0, 0, -30], [80, 50, 0]);
const HEAD = 'G21 G90\nT1 M6\nS1500 M3\n';
const last = (all: readonly { e: Engagement }[]): Engagement => all.at(-1)!.e;

describe('contact of a cutter along its path', () => {
  it.each([0.2, 1.5, 3, 6, 10])(
    'side milling %f wide is the arc of its width, whatever the grid',
    (width) => {
      const wanted = Math.acos(1 - width / 6) * DEG;
      for (const [cell, shift] of [
        [0.1, 0],
        [0.25, 0.13],
        [0.5, 0.31],
      ] as const) {
        const stock = block([0, shift, -30], [80, 50, 0]);
        const e = last(
          engage(`${HEAD}G0 X-12 Y${shift - 6 + width} Z-8.6\nG1 X92 F300`, stock, squareCutter(12), cell),
        );
        expect(e.most.arc * DEG).toBeCloseTo(wanted, 1);
        expect(e.most.depthMm).toBeCloseTo(8.6, 5);
        expect(e.widthMm).toBeCloseTo(width, 2);
      }
    },
  );

  it('stands on the left for up milling and on the right for climb', () => {
    const right = last(engage(`${HEAD}G0 X92 Y-4.5 Z-5\nG1 X-12 F300`, PLATE, squareCutter(12)));
    const left = last(engage(`${HEAD}G0 X-12 Y-4.5 Z-5\nG1 X92 F300`, PLATE, squareCutter(12)));
    // To the left (−x) the plate lies on the right of the way: climb, and the tooth leaves at the wall.
    expect(right.most.exit).toBeCloseTo(Math.PI, 3);
    expect(left.most.entry).toBeCloseTo(0, 3);
  });

  it.each([
    [20, 24, 12],
    [30, 33, 16],
    [50, 51, 10],
  ])('opening a hole from %d to %d with a cutter of %d is the circles’ own angle', (from, to, tool) => {
    const stock = block([-40, -40, -20], [40, 40, 0], [{ x: 0, y: 0, diameterMm: from, floor: null }]);
    const r = (to - tool) / 2;
    const e = last(engage(`${HEAD}G0 X${r} Y0 Z-5\nG1 F100\nG3 X${r} I${-r}`, stock, squareCutter(tool)));
    const wanted = Math.acos(1 - (2 * (to ** 2 - from ** 2)) / (4 * (to - tool)) / tool);
    expect(e.usualArc / wanted).toBeCloseTo(1, 2);
  });

  it('outside round a boss the contact is less than on the straight', () => {
    const boss: Stock = { low: [-20, -20, -20], high: [20, 20, 0], barMm: 40, holes: [] };
    const r = 18 + 6;
    const e = last(engage(`${HEAD}G0 X${r} Y0 Z-5\nG2 X${r} I${-r} F100`, boss, squareCutter(12)));
    const width = (40 ** 2 - 36 ** 2) / (4 * (36 + 12));
    expect(e.usualArc / Math.acos(1 - width / 6)).toBeCloseTo(1, 1.5);
  });

  it.each([0.5, 1, 2])('jumps in a sharp corner, %f wide, to the angle the closed form tells', (width) => {
    const ring = (k: number): string => `G0 Z20\nX-60 Y${k * width}\nZ-5\nG1 X${-k * width} F300\nY40\n`;
    const rings = Array.from({ length: 8 }, (_, i) => ring(8 - i)).join('');
    const all = engage(`${HEAD}${rings}${ring(0)}`, block([-70, -15, -20], [15, 50, 0]), squareCutter(12));
    const [along, up] = all.slice(-2).map(({ e }) => e);
    const corner = { toolDiameterMm: 12, radialMm: width, pathRadiusMm: 0 };
    expect(along!.usualArc / straightArc(corner)).toBeCloseTo(1, 2);
    expect(Math.max(along!.most.arc, up!.most.arc) / cornerArc(corner)).toBeCloseTo(1, 1.7);
  });

  it('takes away what it should: a slot, a ring, a plunge', () => {
    const slot = last(engage(`${HEAD}G0 X-12 Y25 Z-8\nG1 X92 F300`, PLATE, squareCutter(12)));
    expect(slot.removedMm3).toBeCloseTo(80 * 12 * 8, -2);
    expect(slot.most.arc).toBeCloseTo(Math.PI, 6);
    const plunge = engage(`${HEAD}G0 X40 Y25 Z1\nG1 Z-10 F50`, PLATE, squareCutter(12)).at(-1)!;
    expect(plunge.e.removedMm3 / (36 * Math.PI * 10)).toBeCloseTo(1, 1.7);
    expect(plunge.e.plungeShare).toBe(1);
    expect(rampDegrees(plunge.motion)).toBe(90);
  });

  it('a second pass on the same path meets nothing, straight or round', () => {
    const straight = engage(`${HEAD}G0 X-12 Y-4 Z-5\nG1 X92 F300\nX-12`, PLATE, squareCutter(12));
    expect(last(straight).most.arc).toBe(0);
    const hole = block([-40, -40, -20], [40, 40, 0], [{ x: 0, y: 0, diameterMm: 30, floor: null }]);
    const round = engage(
      `${HEAD}G0 X10.333 Y0 Z-5\nG3 I-10.333 F99\nG3 I-10.333`,
      hole,
      squareCutter(12),
      0.25,
    );
    expect(round.at(-2)!.e.most.arc).toBeGreaterThan(0.3);
    expect(last(round).most.arc).toBe(0);
  });

  it('levels that share a wall cut each their own depth and no more', () => {
    const pass = 'G0 X-12 Y-4\nG1 X92 F300\nG0 Z20\n';
    const all = engage(
      `${HEAD}G0 Z20\nG0 X-12 Y-4 Z-4\n${pass}G0 X-12 Y-4\nZ-8\n${pass}`,
      PLATE,
      squareCutter(12),
      0.25,
    );
    expect(
      all.filter(({ motion }) => motion.kind === 'line').map(({ e }) => Math.round(e.most.depthMm * 1000)),
    ).toEqual([4000, 4000]);
  });

  it('a helix cuts its pitch, all of its end, into solid', () => {
    const all = engage(
      `${HEAD}G0 X44 Y25 Z0\nG3 X44 I-4 Z-1 F90\nG3 X44 I-4 Z-2\nG3 X44 I-4 Z-3\nG3 I-4`,
      PLATE,
      squareCutter(12),
    );
    expect(all[2]!.e.most.depthMm).toBeCloseTo(1, 1);
    expect(all[2]!.e.most.arc * DEG).toBeGreaterThan(170);
    expect(all[2]!.e.plungeShare).toBeGreaterThan(0.5);
    expect(rampDegrees(all[2]!.motion)).toBeCloseTo(2.28, 2);
    expect(all.at(-1)!.e.plungeShare).toBe(0);
  });

  it('a ball engages by what its round end reaches at its depth', () => {
    // 1 mm deep into a plane the ball of 12 is 2√(1·11) = 6.6 mm wide.
    const e = last(engage(`${HEAD}G0 X-12 Y25 Z-1\nG1 X92 F300`, PLATE, ball(12)));
    expect(e.most.arc).toBeGreaterThan(3);
    expect(e.removedMm3 / (80 * (36 * Math.acos(5 / 6) - 5 * Math.sqrt(11)))).toBeCloseTo(1, 1.5);
  });

  it('tells where a straight line’s contact rises, and nothing of an even one', () => {
    const even = last(engage(`${HEAD}G0 X-12 Y-4 Z-5\nG1 X50 F300`, PLATE, squareCutter(12)));
    expect(even.risesAt).toBeNull();
    const step: Stock = block([0, 0, -30], [80, 50, 0]);
    const all = engage(
      `${HEAD}G0 X-12 Y3 Z-5\nG1 X50 F300\nG0 Z20\nX-12 Y4\nZ-5\nG1 X58`,
      step,
      squareCutter(12),
    );
    expect(last(all).risesAt).toBeGreaterThan(0.7);
  });

  it('keeps the grid within bounds however large the part', () => {
    const field = makeHeightField(block([0, 0, -1], [4000, 3000, 0]), 0.05);
    expect(field.columns * field.rows).toBeLessThanOrEqual(12_100_000);
    expect(field.cellMm).toBeGreaterThan(0.05);
    expect(field.bytes).toBeLessThan(150e6);
  });
});

describe('lines far shorter than the cutter', () => {
  /** The same way across a plate's corner, once in short lines and once in long ones. */
  const across = (step: number, dive: number): Engagement[] => {
    const lines = ['G0 X-7 Y-2 Z-2', 'G1 F500'];
    for (let way = step; way <= 60 + 1e-9; way += step) {
      const x = Math.min(way, 40) - 7;
      lines.push(
        `X${x.toFixed(4)} Y${(-2 + Math.max(0, way - 40)).toFixed(4)} Z${(-2 - dive * way).toFixed(5)}`,
      );
    }
    return engage(`${HEAD}${lines.join('\n')}`, PLATE, ball(12)).map(({ e }) => e);
  };
  it.each([0, 0.02])('meet what longer ones meet, also where the way turns and goes down by %f', (dive) => {
    const [short, long] = [across(0.1, dive), across(1, dive)];
    const [removedShort, removedLong] = [short, long].map((all) =>
      all.reduce((sum, e) => sum + e.removedMm3, 0),
    );
    expect(removedShort! / removedLong!).toBeCloseTo(1, 3);
    const arcs = (all: readonly Engagement[], every: number) =>
      all
        .slice(2)
        .filter((_, k) => k % every === every - 1)
        .map((e) => e.most.arc);
    const [a, b] = [arcs(short, 10), arcs(long, 1)];
    expect(a.length).toBe(b.length);
    // While it enters, and where it turns, the long line sees its larger end; a short one misses a hair at the flank that the one before cleared.
    for (let k = 0; k < a.length; k++)
      if ((k > 13 && k < 39) || k > 46) expect(Math.abs(a[k]! - b[k]!)).toBeLessThan(0.07);
    expect(Math.abs(Math.max(...a) - Math.max(...b))).toBeLessThan(0.07);
  });
});
