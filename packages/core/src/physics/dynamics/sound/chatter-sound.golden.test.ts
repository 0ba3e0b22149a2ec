import { describe, expect, it } from 'vitest';
import { recordingOf } from '../../../../golden/answers/sound.ts';
import { disagreements, given, type GoldenCase, goldenCases } from '../../../../golden/compare.ts';
import { seededNormal, seededUniform } from '../../../numerics/random.ts';
import { listen, type Recording, timeFrequency } from './chatter-sound.ts';

describe('sound of a cut, worked cases', () => {
  it.each(goldenCases('chatter-sound').map((c) => [c.id, c] as const))('%s', (_, c) => {
    const recording = recordingOf(c);
    const first = c.inputs['first_samples'] as unknown as number[];
    first.forEach((v, i) => expect(recording.samples[i]).toBeCloseTo(v, 6));
    const heard = listen(recording, { rpm: given(c, 'n_rpm'), teeth: given(c, 'N') });
    expect(heard.chatter).toBe(c.expected['chatter']);
    if (heard.chatter) {
      const close = { ...c, tolerance: { ...c.tolerance, rel: 1e-3 } } as GoldenCase;
      expect(
        disagreements(close, {
          fc_Hz: heard.hz!,
          amplitude: heard.amplitude!,
          recommended_n_rpm: [...heard.speedsRpm],
        }),
      ).toEqual([]);
    }
  });
});

describe('sound of a cut', () => {
  const rate = 20000;
  const tones = (parts: readonly (readonly [number, number])[], seconds = 0.6, noise = 0.05): Recording => {
    const normal = seededNormal(seededUniform(5));
    return {
      rate,
      samples: Float64Array.from({ length: seconds * rate }, (_, i) =>
        parts.reduce((x, [f, a]) => x + a * Math.sin((2 * Math.PI * f * i) / rate), noise * normal()),
      ),
    };
  };

  it('does not take speed times teeth for chatter, nor runout', () => {
    const heard = listen(
      tones([
        [300, 1],
        [600, 0.6],
        [900, 0.5],
        [100, 0.3],
        [200, 0.2],
      ]),
      { rpm: 6000, teeth: 3 },
    );
    expect(heard.chatter).toBe(false);
    expect(heard.lines[0]).toMatchObject({ kind: 'tooth', multiple: 1 });
    expect(heard.lines.filter((l) => l.kind === 'spindle').length).toBeGreaterThan(0);
  });

  it('takes lines a tooth-passing frequency apart for one chatter', () => {
    const heard = listen(
      tones([
        [300, 1],
        [1137, 0.6],
        [1437, 0.2],
        [837, 0.25],
      ]),
      { rpm: 6000, teeth: 3 },
    );
    expect(heard.hz).toBeCloseTo(1137, 0);
    expect(heard.lines.filter((l) => l.kind === 'chatter')).toHaveLength(1);
    expect(heard.lines.filter((l) => l.kind === 'chatter sidebands')).toHaveLength(2);
  });

  it('hears a wave that comes round every second tooth, though an even cutter hides it among the spindle lines', () => {
    const heard = listen(
      tones([
        [400, 1],
        [600, 0.9],
        [200, 0.4],
      ]),
      { rpm: 6000, teeth: 4 },
    );
    expect(heard).toMatchObject({ chatter: true, flip: true });
    expect(heard.hz).toBeCloseTo(600, 0);
  });

  it('finds 50 of 60 lines at random speeds, and takes noise for chatter never', () => {
    const next = seededUniform(21);
    let [found, alarms] = [0, 0];
    for (let i = 0; i < 60; i++) {
      const rpm = 3000 + 9000 * next();
      const tooth = rpm / 15;
      const hz = 500 + 2500 * next();
      const forced = [
        [tooth, 1],
        [2 * tooth, 0.5],
        [rpm / 60, 0.2],
      ] as const;
      const heard = listen(tones([...forced, [hz, 0.3]], 0.5, 0.15), { rpm, teeth: 4 });
      if (heard.chatter && Math.abs(heard.hz! - hz) < 1) found++;
      if (listen(tones(forced, 0.5, 0.15), { rpm, teeth: 4 }).chatter) alarms++;
    }
    expect(found).toBeGreaterThanOrEqual(50);
    expect(alarms).toBe(0);
  });

  it('shows when the chatter began', () => {
    const calm = tones([[400, 1]], 0.4, 0.02).samples;
    const wild = tones(
      [
        [400, 1],
        [1510, 0.8],
      ],
      0.4,
      0.02,
    ).samples;
    const picture = timeFrequency({ rate, samples: Float64Array.from([...calm, ...wild]) }, 4000);
    const column = picture.hz.findIndex((f) => f >= 1510);
    const level = (row: number): number => picture.level[row * picture.hz.length + column]!;
    expect(level(2)).toBeLessThan(-40);
    expect(level(picture.seconds.length - 3)).toBeGreaterThan(-12);
  });

  it('refuses a click', () => {
    expect(() => listen({ rate, samples: new Float64Array(80) }, { rpm: 6000, teeth: 3 })).toThrow(
      /recording/,
    );
  });
});

describe('speed told by the recording', () => {
  const [loud, calm] = ['chatter-sound-1', 'chatter-sound-2'].map((id) => goldenCases(id)[0]!);
  const teeth = given(calm!, 'N');
  const rpm = given(calm!, 'n_rpm');

  it.each([0.99, 0.9987, 1, 1.0013, 1.01])(
    'a calm cut stays calm with the speed typed as %s of the true one',
    (off) => {
      const heard = listen(recordingOf(calm!), { rpm: off * rpm, teeth });
      expect(heard.chatter).toBe(false);
      expect(Math.abs(heard.rpm / rpm - 1)).toBeLessThan(6e-4);
    },
  );

  it.each([0.99, 1, 1.01])(
    'chatter stays chatter, at its own frequency, with the speed typed as %s',
    (off) => {
      const heard = listen(recordingOf(loud!), { rpm: off * given(loud!, 'n_rpm'), teeth });
      expect(heard.chatter).toBe(true);
      expect(heard.hz!).toBeCloseTo(871.3, 0);
      expect(Math.abs(heard.rpm / given(loud!, 'n_rpm') - 1)).toBeLessThan(6e-4);
    },
  );

  it("with another cut's speed it says that the lines do not fit, and is not sure of anything", () => {
    for (const known of [calm!, loud!]) {
      const ranAt = given(known, 'n_rpm');
      const say = (off: number) => listen(recordingOf(known), { rpm: off * ranAt, teeth: given(known, 'N') });
      expect(say(1).speedFits).toBe(true);
      for (const off of [0.823, 1.21, 1.7]) {
        expect(say(off)).toMatchObject({ speedFits: false, rpm: off * ranAt });
        expect(say(off).confidence).toBeLessThanOrEqual(0.5);
      }
    }
  });

  it('silence and a clip too short say so', () => {
    const { rate, samples } = recordingOf(calm!);
    expect(() => listen({ rate, samples: new Float64Array(rate) }, { rpm, teeth })).toThrow(/silence/);
    expect(() => listen({ rate, samples: samples.slice(0, 0.1 * rate) }, { rpm, teeth })).toThrow(
      /0\.2 s or longer/,
    );
  });
});
