import { describe, expect, it } from 'vitest';
import { immersion } from '../../cutting/engagement.ts';
import { readWav, writeWav } from '../files/wav.ts';
import { limitDepth } from '../periodic/limit-depth.ts';
import { listen } from './chatter-sound.ts';
import { soundOf } from './simulated-sound.ts';

const RAD = Math.PI / 180;
const TIP = {
  x: [{ hz: 1480, damping: 0.03, stiffness: 1.6e7 }],
  y: [{ hz: 1390, damping: 0.028, stiffness: 1.5e7 }],
};
const CUT = {
  pitch: Array.from({ length: 5 }, () => 72 * RAD),
  ...immersion(1, 12, 'climb'),
  tangential: 1950,
  radial: 560,
  diameterMm: 12,
  dampingNPerM: 20000,
};

describe('sound of a simulated cut', () => {
  const { depthMm, hz } = limitDepth(CUT, TIP, 2400);
  const heardAt = (share: number) =>
    listen(soundOf(CUT, TIP, { rpm: 2400, depthMm: depthMm! * share, feedPerToothMm: 0.06, seconds: 0.8 }), {
      rpm: 2400,
      teeth: 5,
    });

  it('under the border nothing but the teeth is heard', () => {
    expect(heardAt(0.5).chatter).toBe(false);
  });

  it('over it chatter is, near the frequency the border was worked out for', () => {
    const heard = heardAt(2);
    expect(heard.chatter).toBe(true);
    // Lines a tooth-passing frequency apart belong to one chatter.
    const apart = Math.abs(heard.hz! - hz!) / 200;
    expect(Math.abs(apart - Math.round(apart)) * 200).toBeLessThan(60);
    expect(heard.speedsRpm[0]).toBeGreaterThan(heard.speedsRpm[1]!);
  });
});

describe('sound files', () => {
  const sound = { rate: 8000, samples: Float64Array.from({ length: 4000 }, (_, i) => Math.sin(i / 3)) };

  it('go out and come back, scaled to their loudest sample', () => {
    const back = readWav(writeWav(sound));
    expect(back.rate).toBe(8000);
    expect(back.samples).toHaveLength(4000);
    const ratio = back.samples[700]! / sound.samples[700]!;
    expect(back.samples[1500]! / sound.samples[1500]!).toBeCloseTo(ratio, 2);
  });

  it('are refused where they are none', () => {
    expect(() => readWav(new Uint8Array([1, 2, 3, 4]))).toThrow(/WAV/);
  });
});
