import { describe, expect, it } from 'vitest';
import { receptanceAt } from '../tip-structure.ts';
import { receptanceOfHits, withoutWindow } from './hammer-record.ts';
import { fitModes } from './modal-fit.ts';
import { simulatedHammer } from './simulated-hammer.ts';

const HIDDEN = [
  { hz: 780, damping: 0.035, stiffness: 3.2e7 },
  { hz: 1650, damping: 0.022, stiffness: 2.4e7 },
  { hz: 3420, damping: 0.018, stiffness: 1.5e7 },
];

describe('a simulated tap test', () => {
  it.each(['acceleration', 'velocity', 'displacement'] as const)(
    'by %s gives the hidden modes back',
    (sensor) => {
      const record = simulatedHammer(HIDDEN, { sensor });
      const { receptance, verdicts } = receptanceOfHits(record, 6000);
      expect(verdicts.map((v) => v.fault)).toEqual(
        Array.from({ length: 10 }, (_, i) => (i === 3 ? 'double hit' : i === 6 ? 'cable fault' : null)),
      );
      const { modes } = fitModes(receptance, { fromHz: 300, toHz: 6000 });
      expect(modes).toHaveLength(3);
      modes.forEach((m, i) => {
        const truth = HIDDEN[i]!;
        expect(m.hz / truth.hz).toBeCloseTo(1, 2);
        expect(withoutWindow(m.damping, m.hz, record) / truth.damping).toBeGreaterThan(0.93);
        expect(withoutWindow(m.damping, m.hz, record) / truth.damping).toBeLessThan(1.07);
        expect(m.stiffness / truth.stiffness).toBeGreaterThan(0.93);
        expect(m.stiffness / truth.stiffness).toBeLessThan(1.07);
      });
    },
  );

  it('has a coherence near one where the hammer excites, and says how far that is', () => {
    const { coherence, receptance, excitedToHz } = receptanceOfHits(simulatedHammer(HIDDEN), 6000);
    const at = receptance.hz.findIndex((f) => f > 1650);
    expect(coherence[at]).toBeGreaterThan(0.99);
    expect(excitedToHz).toBeGreaterThan(4000);
    const g = receptanceAt(HIDDEN, receptance.hz[at]!);
    expect(receptance.im[at]! / g.im).toBeGreaterThan(0.8);
  });

  it('leaves out an overloaded hit, and refuses a record in which none is good', () => {
    const record = simulatedHammer(HIDDEN, { faults: {} });
    const range = record.responseRange!;
    // Hit three times as hard as the others, beyond what the channel can show.
    const hard = {
      force: record.hits[2]!.force.map((f) => 2 * f),
      response: record.hits[2]!.response.map((r) => Math.max(-range, Math.min(range, 3 * r))),
    };
    const { verdicts } = receptanceOfHits({ ...record, hits: [hard, ...record.hits.slice(3)] });
    expect(verdicts[0]!.fault).toBe('response overload');
    const all = Object.fromEntries(Array.from({ length: 10 }, (_, i) => [i, 'double hit' as const]));
    expect(() => receptanceOfHits(simulatedHammer(HIDDEN, { faults: all }))).toThrow(/double hit/);
  });

  it('a hit on another part is left out by its answer', () => {
    const record = simulatedHammer(HIDDEN, { faults: {} });
    const stranger = simulatedHammer([{ hz: 2300, damping: 0.05, stiffness: 9e6 }], {
      faults: {},
      hits: 1,
      seed: 3,
    });
    const { verdicts } = receptanceOfHits({
      ...record,
      hits: [...record.hits.slice(0, 6), stranger.hits[0]!],
    });
    expect(verdicts.map((v) => v.fault)).toEqual([null, null, null, null, null, null, 'unlike the others']);
  });

  it('refuses channels of unequal length', () => {
    const record = simulatedHammer(HIDDEN, { hits: 1, faults: {} });
    const cut = { force: record.hits[0]!.force, response: record.hits[0]!.response.slice(0, 900) };
    expect(() => receptanceOfHits({ ...record, hits: [cut] })).toThrow(/hit 1/);
  });
});
