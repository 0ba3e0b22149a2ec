import { describe, expect, it } from 'vitest';
import { contextOf, DOWEL_HOLE, LOCK_POCKET, SEAL_POCKET } from '../../../fixtures/crib.ts';
import { asRun } from '../../evaluation/as-run.ts';
import { evaluate } from '../../evaluation/evaluate.ts';
import { NOTHING_SEEN, type Seen } from '../../learning/trial.ts';
import type { Operation } from '../../operations/operation.ts';
import { diagnose } from './diagnose.ts';

const NOTHING: Seen = { ...NOTHING_SEEN, ending: 'broken' };

const suspectsOf = (
  document: Operation,
  seen: Partial<Seen>,
  minutes = 5,
  earlier: { lifeShare: number; ended: boolean }[] = [],
) => {
  const all = { ...NOTHING, ...seen };
  const op = asRun(document, all);
  const context = contextOf(op);
  return diagnose({ seen: all, minutes, op, context, evaluation: evaluate(op, context), earlier });
};
const first = (...given: Parameters<typeof suspectsOf>): string => suspectsOf(...given)[0]!.id;

describe('what ended an edge, by what a practitioner would say first', () => {
  it.each<[string, string, Parameters<typeof suspectsOf>]>([
    ['blue chips, glow, worn', 'heat', [LOCK_POCKET, { ending: 'worn', chipColour: 'blue', glow: true }]],
    [
      'a squeal and chipped teeth',
      'chatter',
      [LOCK_POCKET, { ending: 'chipped', sound: 'squeal', finish: 'poor' }],
    ],
    ['broke in the corner, quiet', 'spike', [SEAL_POCKET, { brokeAt: 'corner', sound: 'quiet' }]],
    [
      'a nest of chips, weak jet, at the floor',
      'recut',
      [SEAL_POCKET, { chipForm: 'nest', coolantSeen: 'weak', brokeAt: 'floor' }],
    ],
    [
      'coolant came and went, chipped',
      'thermal-cracks',
      [LOCK_POCKET, { ending: 'chipped', coolantSeen: 'interrupted', sound: 'quiet' }],
    ],
    [
      'far beyond its life, dull, heavy burr',
      'worn-out',
      [
        LOCK_POCKET,
        { ending: 'worn', wearMm: 0.4, burr: 'heavy', sound: 'quiet', chipColour: 'silver' },
        400,
      ],
    ],
    [
      'numbers set for another alloy',
      'inherited',
      [
        { ...LOCK_POCKET, workedOutFor: { ...LOCK_POCKET.workedOutFor, alloyId: '718-aged' } },
        { sound: 'quiet', brokeAt: 'straight' },
        1,
      ],
    ],
    [
      'speed turned down by feel, feed left: the chip doubles',
      'thick-chip',
      [LOCK_POCKET, { speedOverride: 40, sound: 'quiet', brokeAt: 'straight' }, 1],
    ],
    [
      'powder, a hum, feed turned down',
      'thin-chip',
      [LOCK_POCKET, { ending: 'worn', chipForm: 'powder', feedOverride: 40, sound: 'hum' }],
    ],
    [
      'much runout, one tooth chipped',
      'runout',
      [
        { ...LOCK_POCKET, measured: { ...LOCK_POCKET.measured, runoutUm: 30 } },
        { ending: 'chipped', sound: 'quiet', finish: 'poor', coolantSeen: 'as stated' },
      ],
    ],
  ])('%s', (_, cause, given) => {
    expect(first(...given)).toBe(cause);
  });

  it('chances sum to one, each has a look that would tell, reasons stand with their side', () => {
    for (const op of [LOCK_POCKET, DOWEL_HOLE]) {
      const suspects = suspectsOf(op, { brokeAt: 'straight', sound: 'quiet' });
      expect(suspects.reduce((s, c) => s + c.chance, 0)).toBeCloseTo(1, 9);
      for (const s of suspects) expect(s.test.length).toBeGreaterThan(20);
      expect(suspects.find((s) => s.id === 'chatter')!.against).toContain('it was quiet');
    }
  });

  it('a row of sound edges before makes an accident likelier, a row of failures less', () => {
    const chance = (ended: boolean): number =>
      suspectsOf(LOCK_POCKET, {}, 5, [
        { lifeShare: 1, ended },
        { lifeShare: 1, ended },
      ]).find((s) => s.id === 'accident')!.chance;
    expect(chance(false)).toBeGreaterThan(2 * chance(true));
  });
});
