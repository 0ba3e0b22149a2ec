import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { InputError } from '../../units/input-error.ts';
import type { ThreadForm } from '../holes/hole.ts';
import { handbookTapTorque, tapTorque } from './tap-torque.ts';
import {
  basicDiameters,
  grooveOf,
  heightForPilot,
  heightFormed,
  pilotForFormed,
  pilotForHeight,
} from './thread-geometry.ts';
import { passArea, passShares, threadMillPath } from './thread-mill.ts';
import { THREAD_SERIES, threadOf } from './thread-table.ts';

const thread = (majorMm: number, pitchMm: number): ThreadForm => ({
  designation: 'test',
  majorMm,
  pitchMm,
  flankDeg: 60,
  taper: 0,
});

describe('threads by their standards', () => {
  // ISO 724, ASME B1.1 and ISO 228-1, pitch and minor diameter as printed there.
  it.each([
    ['M6', 5.35, 4.917],
    ['M8', 7.188, 6.647],
    ['M10', 9.026, 8.376],
    ['M12x1.5', 11.026, 10.376],
    ['M20', 18.376, 17.294],
    ['1/4-20 UNC', 5.524, 4.976],
    ['3/8-24 UNF', 8.837, 8.379],
    ['1/2-28 UNEF', 12.111, 11.718],
    ['G 1/4', 12.301, 11.445],
    ['G 1', 31.77, 30.291],
  ])('%s: pitch diameter %f, minor diameter %f', (name, pitch, minor) => {
    const d = basicDiameters(threadOf(name));
    expect(d.pitchMm).toBeCloseTo(pitch, 2);
    expect(d.minorMm).toBeCloseTo(minor, 2);
  });

  it('NPT pitch diameter at the pipe’s end, ASME B1.20.1: 1/4 is 12.126 mm, 1/2 is 19.264 mm', () => {
    expect(basicDiameters(threadOf('1/4 NPT')).pitchMm).toBeCloseTo(12.126, 2);
    expect(basicDiameters(threadOf('1/2 NPT')).pitchMm).toBeCloseTo(19.264, 2);
  });

  it('every thread of every table leaves core and height', () => {
    for (const t of THREAD_SERIES.flatMap((s) => s.threads)) {
      const { majorMm, pitchMm, minorMm } = basicDiameters(t);
      expect(minorMm).toBeGreaterThan(0.6 * majorMm);
      expect(pitchMm).toBeGreaterThan(minorMm);
      expect(pilotForHeight(t, 75)).toBeGreaterThan(minorMm - 0.2 * t.pitchMm);
      expect(heightForPilot(t, pilotForHeight(t, 62))).toBeCloseTo(62, 9);
    }
  });

  it.each([
    ['m6', 'M6'],
    ['M8 × 1.25', 'M8'],
    ['M8x1', 'M8x1'],
    ['1/4-20', '1/4-20 UNC'],
    ['g 1/4', 'G 1/4'],
  ])('%s is read as %s', (typed, meant) => expect(threadOf(typed).designation).toBe(meant));

  it('refuses a thread of no table with what is allowed', () => {
    expect(() => threadOf('M6.3')).toThrow(InputError);
    expect(() => threadOf('M6.3')).toThrow(/a thread of the tables/);
  });
});

describe('torque of a tap', () => {
  const duty = {
    thread: threadOf('M8'),
    holeMm: 6.8,
    depthMm: 16,
    through: false,
    forming: false,
    flankWearMm: 0,
  };

  it('is the shop formula’s at three quarters of the height, sharp', () => {
    const at75 = { ...duty, holeMm: pilotForHeight(duty.thread, 75) };
    expect(tapTorque(2000, at75).sharpNm).toBeCloseTo(handbookTapTorque(2000, duty.thread), 9);
  });

  it('grows with thread height, depth and wear, and a full thread costs far more than three quarters', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 45, max: 80, noNaN: true }),
        fc.double({ min: 1, max: 15, noNaN: true }),
        (h, more) => {
          const at = (percent: number) =>
            tapTorque(2000, { ...duty, holeMm: pilotForHeight(duty.thread, percent) }).bottomNm;
          expect(at(h + more)).toBeGreaterThan(at(h));
        },
      ),
    );
    const full = tapTorque(2000, { ...duty, holeMm: pilotForHeight(duty.thread, 100) }).sharpNm;
    const usual = tapTorque(2000, { ...duty, holeMm: pilotForHeight(duty.thread, 75) }).sharpNm;
    expect(full / usual).toBeGreaterThan(1.4);
    expect(tapTorque(2000, { ...duty, depthMm: 24 }).bottomNm).toBeGreaterThan(
      tapTorque(2000, duty).bottomNm,
    );
    expect(tapTorque(2000, { ...duty, flankWearMm: 0.3 }).wear).toBeCloseTo(2, 1);
  });

  it('forming asks for half as much again to twice', () => {
    const t = duty.thread;
    const formed = tapTorque(2000, { ...duty, forming: true, holeMm: pilotForFormed(t, 65) });
    const cut = tapTorque(2000, { ...duty, holeMm: pilotForHeight(t, 65) });
    expect(formed.sharpNm / cut.sharpNm).toBeGreaterThan(1.3);
    expect(formed.sharpNm / cut.sharpNm).toBeLessThan(2.3);
    expect(heightFormed(t, pilotForFormed(t, 65))).toBeCloseTo(65, 9);
  });
});

describe('thread mill', () => {
  it('the compensated feed at the edge is the wanted one for every hole and tool', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 3, max: 40, noNaN: true }),
        fc.double({ min: 0.3, max: 0.9, noNaN: true }),
        fc.double({ min: 20, max: 900, noNaN: true }),
        (major, share, feed) => {
          const tool = share * major;
          const { centreFeedMmMin } = threadMillPath(thread(major, 0.1 * major), tool, 5, 2 * major, feed);
          // The edge at the wall runs round the major circle while the centre runs round the smaller one.
          expect((centreFeedMmMin * major) / (major - tool)).toBeCloseTo(feed, 6);
        },
      ),
    );
  });

  it('passes share the depth and leave nothing', () => {
    for (const n of [1, 2, 3, 5]) expect(passShares(n).reduce((a, b) => a + b, 0)).toBeCloseTo(1, 12);
    expect(passShares(2)[0]).toBeGreaterThan(passShares(2)[1]!);
    const t = threadOf('M8');
    const whole = passArea(t, 6.8, 0, 1);
    expect(passArea(t, 6.8, 0, 0.65) + passArea(t, 6.8, 0.65, 1)).toBeCloseTo(whole, 12);
    expect(whole).toBeCloseTo(grooveOf(t, 6.8).areaMm2, 9);
  });

  it('a mill with all rows in the hole needs few turns, a single row climbs pitch by pitch', () => {
    const t = threadOf('M8');
    const long = threadMillPath(t, 5.9, 20, 16, 200);
    const single = threadMillPath(t, 5.9, 1.25, 16, 200);
    expect(long.turns).toBe(1);
    expect(single.turns).toBeGreaterThan(12);
    expect(single.pathMm).toBeGreaterThan(8 * long.pathMm);
  });
});
