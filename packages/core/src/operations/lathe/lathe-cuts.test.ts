import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CRIB, SHIPPED } from '../../../fixtures/crib.ts';
import { grooved, threaded } from '../../../fixtures/lathe-cuts.ts';
import { BORED_SEAT, FACED_STEM, FINISHED_STEM, turned } from '../../../fixtures/turned.ts';
import { costBasis } from '../cost.ts';
import { wrongHolder } from '../../crib/pairing.ts';
import { evaluate, limitOf, numberOf } from '../../evaluation/evaluate.ts';
import { problemsOf } from '../../evaluation/check-operation.ts';
import { remediesFor } from '../../deciding/remedies/remedies.ts';
import { KINDS } from '../../evaluation/registry.ts';
import { stepNotes } from '../../evaluation/step-notes.ts';
import { basicDiameters } from '../../physics/threads/thread-geometry.ts';
import { speak } from '../../units/sentence.ts';
import type { GroovingOperation } from '../grooving/grooving-operation.ts';
import { groovingState } from '../grooving/grooving-state.ts';
import { threadTurningState } from '../thread-turning/thread-turning-state.ts';
import type { TurnedProfile } from '../turning/profile/turned-profile.ts';
import { turnedSentence } from './turned-sentence.ts';

const STEM_GROOVE = { startMm: 30, endMm: 25, lengthMm: 3.6, fromEndMm: 12, overhangMm: 150 } as const;
const PARTED = { way: 'part-off', startMm: 40, endMm: 0, fromEndMm: 50, overhangMm: 70 } as const;
const BLADE = { cutterId: 'partoff-3', stickOutMm: 25 } as const;
const FACE = { way: 'face', startMm: 42, endMm: 34, lengthMm: 3, fromEndMm: 0, overhangMm: 60 } as const;
const CURVED = { cutterId: 'groove-face-3-32-50' } as const;
const IN_BORE = { way: 'inside', startMm: 30, endMm: 35, lengthMm: 3, fromEndMm: 8, overhangMm: 60 } as const;
const BAR = { cutterId: 'groove-in-2-bar16', holderId: 'bore-block-25', stickOutMm: 32 } as const;
const NUT_BAR = { cutterId: 'thread-in-bar20-60-1.75-3', holderId: 'bore-block-25', stickOutMm: 30 } as const;

/** A bearing ring bored in three jaws. */
const RING = () =>
  turned(
    {
      way: 'inside',
      startMm: 91,
      endMm: 92,
      outerMm: 112,
      lengthMm: 28,
      overhangMm: 30,
      toleranceMm: 0.035,
    },
    { cutterId: 'bore-steel-16-3d', holderId: 'bore-block-25', stickOutMm: 34 },
  );

const all = {
  groove: grooved({ toleranceMm: 0.2, raUm: 3.2, cornerMm: 0.4 }),
  'slender groove': grooved(STEM_GROOVE),
  'wide recess': grooved({ lengthMm: 20, endMm: 34 }, { cut: { widenBy: 'side', depthMm: 1.5 } }),
  'parted bar': grooved(PARTED, BLADE),
  'groove in a face': grooved(FACE, CURVED),
  'groove in a bore': grooved(IN_BORE, BAR),
  thread: threaded('M24'),
  'nut thread': threaded('M30x2', { internal: true }, NUT_BAR),
};

/** These wait for a shelf that was counted, or a holder with a speed on it. */
const WAITING = ['edges-on-shelf', 'rated-speed'];

describe('what a lathe makes beside diameters', () => {
  it.each(Object.entries(all))(
    '%s: first numbers are allowed, and every number has a value',
    (_, { op, context }) => {
      expect(problemsOf(op, context)).toEqual([]);
      const e = evaluate(op, context);
      for (const n of e.numbers) expect(Number.isFinite(n.value), n.key).toBe(true);
      for (const l of e.limits) expect(l.state, `${l.id}: ${speak(l.why, 'metric')}`).not.toBe('unproven');
      expect(e.time.perPart).toBeGreaterThan(0.02);
      expect(speak(turnedSentence(op), 'metric')).toMatch(/mm/);
      expect(stepNotes(op).length).toBeGreaterThan(0);
    },
  );

  it('every limit of their ladders is met by one of them', () => {
    const cuts = [
      ...Object.values(all),
      turned({ toleranceMm: 0.1, raUm: 3.2 }),
      FINISHED_STEM(),
      FACED_STEM(),
      BORED_SEAT(),
      turned({}, { alloyId: '718-aged', cutterId: 'ins-s-med' }),
      RING(),
      turned({ startMm: 40, endMm: 30, lengthMm: 30, profile: SHOULDERED }),
    ];
    const met = new Set(cuts.flatMap(({ op, context }) => evaluate(op, context).limits.map((l) => l.id)));
    const asked = [KINDS.turning, KINDS.grooving, KINDS['thread-turning']].flatMap((k) =>
      k.ladder.map((l) => l.id),
    );
    expect(asked.filter((id) => !met.has(id) && !WAITING.includes(id))).toEqual([]);
  });
});

const SHOULDERED: TurnedProfile = {
  startMm: 30,
  elements: [
    { kind: 'step', toMm: 30, lengthMm: 20, radiusMm: null, side: 'bulging' },
    { kind: 'arc', toMm: 36, lengthMm: 10, radiusMm: 20, side: 'hollow' },
  ],
  skinMm: null,
  cornerMm: 1.2,
};

describe('what an edge of a lathe costs where nobody says', () => {
  it.each([turned(), BORED_SEAT(), grooved(), threaded('M24'), grooved(PARTED, BLADE)])(
    'is a few euros and never nothing: $op.tooling.cutterId',
    ({ op, context }) => {
      const { edgePrice } = costBasis(op, context);
      expect(edgePrice).toBeGreaterThan(2);
      expect(edgePrice).toBeLessThan(40);
    },
  );
});

describe('a thin ring', () => {
  it('springs out of round by what its chuck presses; one nobody stated is at most tight', () => {
    const { op, context } = RING();
    const share = (liftN: number) => {
      const held = { kind: 'chuck' as const, slideN: liftN, liftN, releaseC: null };
      return limitOf(evaluate(op, { ...context, held }), 'ring-distortion');
    };
    expect(share(12_000).state).toBe('over');
    expect(share(400).state).not.toBe('over');
    expect(limitOf(evaluate(op, context), 'ring-distortion').state).toBe('tight');
    const stout = { ...op, stretch: { ...op.stretch, outerMm: 200 } };
    expect(evaluate(stout, context).limits.map((l) => l.id)).not.toContain('ring-distortion');
  });
});

describe('a groove in a slender stem', () => {
  it('chatters at the free end, and a remedy cures it', () => {
    const { op, context } = grooved(STEM_GROOVE);
    const e = evaluate(op, context);
    expect(limitOf(e, 'groove-chatter').state).toBe('over');
    const cures = remediesFor(op, context, 'groove-chatter');
    const centre = cures.find((r) => r.id === 'tailstock')!;
    expect(limitOf(evaluate(centre.operation, context), 'groove-chatter').state).not.toBe('over');
  });

  it('the nearer to the jaws and the narrower the blade, the calmer', () => {
    const share = (fromEndMm: number, cutterId: string): number => {
      const { op, context } = grooved({ ...STEM_GROOVE, fromEndMm }, { cutterId });
      return limitOf(evaluate(op, context), 'groove-chatter').share!.value;
    };
    expect(share(12, 'groove-3')).toBeGreaterThan(share(80, 'groove-3'));
    expect(share(12, 'groove-3')).toBeGreaterThan(share(12, 'groove-1.5-r0.1'));
  });
});

describe('grooves', () => {
  const { op, context } = grooved({ lengthMm: 8 });

  it('force grows with the width of the blade, and with the feed to the power 1 − mc', () => {
    const force = (feedPerRevMm: number, cutterId = 'groove-3'): number => {
      const g = grooved({ lengthMm: 8 }, { cutterId, cut: { feedPerRevMm } });
      return groovingState({ ...g.op, flankWearMm: 0 }, g.context).cuttingN.value;
    };
    const mc = context.alloy.kienzle.mc.typical;
    expect(force(0.1) / force(0.05)).toBeCloseTo(2 ** (1 - mc), 6);
    expect(force(0.1, 'groove-6-r0.4') / force(0.1)).toBeCloseTo(2, 6);
  });

  it('a wide one is made of overlapping plunges, or of layers', () => {
    expect(groovingState(op, context).plunges).toMatchObject({ count: 4, layers: 0 });
    const side: GroovingOperation = { ...op, cut: { ...op.cut, widenBy: 'side', depthMm: 1.5 } };
    expect(groovingState(side, context).plunges).toMatchObject({ count: 1, layers: 2 });
    const apart = { ...op, cut: { ...op.cut, stepMm: 2.9 } };
    expect(limitOf(evaluate(apart, context), 'widening').state).toBe('over');
  });

  it('a thin blade buckles before a wide one, a long one before a short one', () => {
    const buckles = (cutterId: string): number => {
      const g = grooved({ startMm: 44, endMm: 40, lengthMm: 3 }, { cutterId });
      return groovingState(g.op, g.context).bucklingN;
    };
    expect(buckles('groove-2-r0.2')).toBeLessThan(buckles('groove-4-r0.3') / 2);
    const blade = (stickOutMm: number) => {
      const g = grooved(PARTED, { ...BLADE, stickOutMm });
      return groovingState(g.op, g.context).bucklingN;
    };
    expect(blade(50) / blade(25)).toBeCloseTo(1 / 4, 6);
  });

  it('a blade into a face fits a range of first plunges; begun at the other end another diameter counts', () => {
    const at = (startMm: number, endMm: number, firstPlunge: 'outer' | 'inner') => {
      const g = grooved({ ...FACE, startMm, endMm }, { ...CURVED, cut: { firstPlunge } });
      return limitOf(evaluate(g.op, g.context), 'first-plunge').state;
    };
    expect(at(42, 34, 'outer')).toBe('clear');
    expect(at(60, 40, 'outer')).toBe('over');
    expect(at(60, 40, 'inner')).toBe('clear');
    const g = grooved({ ...FACE, startMm: 60, endMm: 40 }, CURVED);
    expect(remediesFor(g.op, g.context, 'first-plunge').map((r) => r.id)).toContain('inner-first');
  });

  it('a face and a bore want their own tools', () => {
    for (const groove of [FACE, IN_BORE]) {
      const g = grooved(groove);
      expect(problemsOf(g.op, g.context).map((p) => p.field)).toContain('tooling.cutterId');
    }
  });
});

describe('parting', () => {
  it('starts with a cap at which nothing is thrown; the spindle’s own speed throws the part, a catcher takes more', () => {
    const { op, context } = grooved(PARTED, BLADE);
    expect(limitOf(evaluate(op, context), 'part-thrown').state).not.toBe('over');
    const fast: GroovingOperation = { ...op, cut: { ...op.cut, capRpm: 2000 } };
    expect(limitOf(evaluate(fast, context), 'part-thrown').state).toBe('over');
    const caught = (caughtBy: 'catcher' | 'sub-spindle') =>
      limitOf(evaluate({ ...fast, groove: { ...fast.groove, caughtBy } }, context), 'part-thrown').state;
    expect(caught('catcher')).not.toBe('over');
    expect(caught('sub-spindle')).toBe('clear');
  });

  it('takes longer with a lower cap and with a slower feed at the centre', () => {
    const minutes = (cut: Partial<GroovingOperation['cut']>): number => {
      const g = grooved(PARTED, { ...BLADE, cut });
      return evaluate(g.op, g.context).time.cutting;
    };
    expect(minutes({ capRpm: 600 })).toBeGreaterThan(minutes({ capRpm: 1200 }));
    expect(minutes({ slowShare: 0.5 })).toBeGreaterThan(minutes({ slowShare: 1 }));
  });

  it('never against a centre, never far from the jaws, never with a long part hanging', () => {
    const centre = grooved({ ...PARTED, support: 'tailstock' }, BLADE);
    expect(problemsOf(centre.op, centre.context)[0]!.allowed).toContain('never parted against a centre');
    const far = grooved({ ...PARTED, overhangMm: 190 }, BLADE);
    expect(limitOf(evaluate(far.op, far.context), 'parting-place').state).toBe('over');
    const long = grooved({ ...PARTED, fromEndMm: 200, overhangMm: 215 }, BLADE);
    expect(limitOf(evaluate(long.op, long.context), 'parted-length').state).toBe('over');
  });
});

describe('turned threads', () => {
  it('passes follow the rule of equal sections', () => {
    const { op, context } = threaded('M24', {}, { cut: { passes: 10 } });
    const { passes, depthMm } = threadTurningState(op, context);
    expect(passes).toHaveLength(10);
    expect(passes.at(-1)!.toMm).toBeCloseTo(depthMm, 9);
    expect(depthMm).toBeCloseTo(0.6134 * 3, 9);
    expect(passes[0]!.toMm).toBeCloseTo(depthMm * Math.sqrt(0.3 / 9), 9);
    for (let i = 2; i < 10; i++) expect(passes[i]!.addsMm).toBeLessThan(passes[i - 1]!.addsMm);
    const areas = passes.slice(2).map((p) => p.areaMm2);
    expect(Math.max(...areas) / Math.min(...areas)).toBeLessThan(1.3);
  });

  it('sections add up to the groove, whatever the number of passes', () => {
    fc.assert(
      fc.property(fc.integer({ min: 3, max: 40 }), (count) => {
        const { op, context } = threaded('M24', {}, { cut: { passes: count } });
        const { passes, depthMm } = threadTurningState(op, context);
        const whole = depthMm * (3 / 8 + Math.tan(Math.PI / 6) * depthMm);
        expect(passes.reduce((sum, p) => sum + p.areaMm2, 0)).toBeCloseTo(whole, 6);
      }),
      { numRuns: 20, seed: 3 },
    );
  });

  it('along one flank half the edge cuts; straight in a slender part chatters sooner', () => {
    const share = (infeed: 'radial' | 'flank'): number => {
      const { op, context } = threaded('M30x2', { overhangMm: 120 }, { cut: { infeed, passes: 10 } });
      return limitOf(evaluate(op, context), 'thread-chatter').share!.value;
    };
    expect(share('radial')).toBeGreaterThan(1.3 * share('flank'));
  });

  it('more passes clear the deepest one and bring the last one to rub', () => {
    const states = (passes: number) => {
      const { op, context } = threaded('M20', {}, { cut: { passes } });
      const e = evaluate(op, context);
      return [limitOf(e, 'thread-pass').state, limitOf(e, 'thread-last-pass').state];
    };
    expect(states(3)).toEqual(['over', 'clear']);
    expect(states(40)).toEqual(['clear', 'over']);
  });

  it('is measured at its own diameters: outside the major one, inside the minor one', () => {
    const nut = all['nut thread'];
    expect(threadTurningState(nut.op, nut.context).diameterInCutMm).toBeCloseTo(
      basicDiameters(nut.op.thread).minorMm,
      9,
    );
    const fast = threaded('M24', {}, { cut: { speedRpm: 3400 } });
    expect(numberOf(evaluate(fast.op, fast.context), 'runIn').value).toBeGreaterThan(
      numberOf(evaluate(all.thread.op, all.thread.context), 'runIn').value,
    );
  });

  it('an insert on a shank does not go into a bore, nor a fine one make a coarse pitch', () => {
    const inside = threaded('M30x2', { internal: true });
    expect(problemsOf(inside.op, inside.context).map((p) => p.field)).toContain('tooling.cutterId');
    const coarse = threaded('M36', {});
    expect(limitOf(evaluate(coarse.op, coarse.context), 'thread-insert').state).toBe('over');
  });
});

it('every tool of a lathe has a block that takes it', () => {
  const lathe = CRIB.machines.find((m) => m.id === 'lathe-15kw')!;
  const tools = SHIPPED.cutters.filter((c) => /groov|part|threading/.test(c.type));
  expect(tools.length).toBeGreaterThan(30);
  const blocks = SHIPPED.holders.filter((h) => h.interfaces.includes(lathe.spindle_interface));
  for (const cutter of tools)
    expect(
      blocks.some((holder) => wrongHolder(cutter, holder) === null),
      cutter.id,
    ).toBe(true);
});
