import { describe, expect, it } from 'vitest';
import { contextOf, CRIB, SEAL_POCKET } from '../../../../fixtures/crib.ts';
import type { OperationContext } from '../../context.ts';
import type { LimitState } from '../../../judging/result.ts';
import type { Operation } from '../../operation.ts';
import { evaluate, limitOf } from '../../../evaluation/evaluate.ts';
import { millingState } from '../milling-state.ts';
import { otherCutters } from '../../../deciding/remedies/other-cutters.ts';
import { periodicVerdict } from '../../../evaluation/periodic-verdict.ts';
import { remediesFor } from '../../../deciding/remedies/remedies.ts';
import { stateOfChance } from './stability-limit.ts';

const stateOf = (op: Operation, id: string, context: OperationContext): LimitState =>
  limitOf(evaluate(op, context), id).state;

/** The pocket's own cut, logged in the notebook. */
const LOGGED = {
  machineSerial: 'SN-1',
  machineId: SEAL_POCKET.machineId,
  holderId: SEAL_POCKET.tooling.holderId,
  cutterId: SEAL_POCKET.tooling.cutterId,
  stickOutMm: SEAL_POCKET.tooling.stickOutMm,
  alloyId: SEAL_POCKET.alloyId,
  rpm: 1060,
  overridePercent: 100,
  axialDepthMm: 12,
  radialEngagementMm: 1,
  feedPerToothMm: 0.06,
  direction: 'climb',
  hz: null,
} as const;

/** The pocket's own combination, tap-tested: one mode a direction. */
const tapped = (stiffness: number): OperationContext => ({
  ...contextOf(SEAL_POCKET),
  resonance: {
    serial: null,
    observations: [],
    tips: [
      {
        machineSerial: 'SN-1',
        machineId: SEAL_POCKET.machineId,
        holderId: SEAL_POCKET.tooling.holderId,
        cutterId: SEAL_POCKET.tooling.cutterId,
        stickOutMm: SEAL_POCKET.tooling.stickOutMm,
        source: 'measured',
        measuredOn: null,
        structure: {
          x: [{ hz: 900, damping: 0.03, stiffness }],
          y: [{ hz: 850, damping: 0.03, stiffness }],
        },
      },
    ],
  },
});

describe('stability limit where the tip was measured', () => {
  it.each([
    ['clear', 3e8, 12],
    ['over', 8e6, 12],
    ['clear', 2.5e7, 0.5],
  ] as const)('is %s at %s N/m and %s mm', (state, stiffness, axialDepthMm) => {
    const op = { ...SEAL_POCKET, cut: { ...SEAL_POCKET.cut, axialDepthMm } };
    expect(stateOf(op, 'limit-depth', tapped(stiffness))).toBe(state);
  });

  it('a remedy moves the speed into a pocket of the lobes or takes less depth, and does clear it', () => {
    const context = tapped(1.4e7);
    const fast = { ...SEAL_POCKET, cut: { ...SEAL_POCKET.cut, speedRpm: 6400, axialDepthMm: 5 } };
    expect(stateOf(fast, 'limit-depth', context)).not.toBe('clear');
    const remedies = remediesFor(fast, context, 'limit-depth');
    expect(remedies.length).toBeGreaterThan(0);
    for (const r of remedies) expect(stateOf(r.operation, 'limit-depth', context)).toBe('clear');
    expect(remedies.some((r) => r.id === 'ap' || r.id.startsWith('pocket'))).toBe(true);
  });

  it('offers a cutter that differs in what chatter cares about, where it clears', () => {
    const op = {
      ...SEAL_POCKET,
      flankWearMm: 0,
      cut: { ...SEAL_POCKET.cut, speedRpm: 3000, axialDepthMm: 3 },
    };
    const context = tapped(1.1e7);
    expect(stateOf(op, 'limit-depth', context)).not.toBe('clear');
    const found = remediesFor(op, context, 'limit-depth', [], CRIB).filter((r) => r.id.startsWith('cutter-'));
    for (const r of found) {
      const cutter = CRIB.cutters.find((c) => c.id === r.operation.tooling.cutterId)!;
      expect(cutter.properties.DC).toBe(12);
      const at = {
        ...context,
        cutter,
        substrate: CRIB.substrates[cutter.extended.substrate]!,
        coating: CRIB.coatings[cutter.extended.coating]!,
      };
      expect(stateOf(r.operation, 'limit-depth', at)).toBe('clear');
    }
    const offered = otherCutters(op, context, CRIB);
    expect(offered.length).toBeGreaterThan(0);
    for (const o of offered) expect(o.title).toMatch(/teeth/);
  });

  it('teeth that meet a mode are a matter of care', () => {
    const met = { ...SEAL_POCKET, cut: { ...SEAL_POCKET.cut, speedRpm: (900 * 60) / 5 / 3 } };
    expect(stateOf(met, 'tooth-passing', tapped(2e7))).toBe('tight');
  });
});

describe('the number that is approved', () => {
  const context = tapped(1.1e7);

  it('is the periodic solution where it was worked out for this very cut, and the averaged one elsewhere', () => {
    const periodic = periodicVerdict(SEAL_POCKET, context);
    const settled = limitOf(evaluate(SEAL_POCKET, { ...context, periodic }), 'limit-depth');
    expect(settled.allowed!.from).toContain('periodic');
    const doubt = (c: OperationContext): number =>
      millingState(SEAL_POCKET, c).stability.chatter().spread.model;
    expect(doubt({ ...context, periodic })).toBeLessThan(0.5 * doubt(context));
    const other = { ...SEAL_POCKET, cut: { ...SEAL_POCKET.cut, speedRpm: 1300 } };
    expect(limitOf(evaluate(other, { ...context, periodic }), 'limit-depth').allowed!.from).toContain(
      'averaged',
    );
  });

  it('test cuts that chattered lower it, stable ones lift it, and one of each leaves it between', () => {
    const seen = (...cuts: (readonly ['stable' | 'chatter', number])[]): OperationContext => ({
      ...contextOf(SEAL_POCKET),
      resonance: {
        serial: null,
        tips: [],
        observations: cuts.map(([heard, axialDepthMm]) => ({ ...LOGGED, heard, axialDepthMm })),
      },
    });
    // A fresh edge: a worn one damps so much at this speed that the border has a cliff.
    const fresh = { ...SEAL_POCKET, flankWearMm: 0 };
    const limit = (c: OperationContext) => limitOf(evaluate(fresh, c), 'limit-depth');
    const guess = limit(contextOf(SEAL_POCKET));
    const [calm, wild] = [limit(seen(['stable', 8])), limit(seen(['chatter', 3]))];
    expect(calm.share!.value).toBeLessThan(guess.share!.value);
    expect(wild.share!.value).toBeGreaterThan(guess.share!.value);
    const both = limit(seen(['stable', 2], ['chatter', 3]));
    expect(both.share!.value).toBeLessThan(wild.share!.value);
    expect(wild.state).toBe('over');
  });
});

describe('what was logged of this very cut', () => {
  const logged = (heard: 'stable' | 'chatter', change: object = {}): OperationContext => ({
    ...contextOf(SEAL_POCKET),
    resonance: {
      serial: null,
      tips: [],
      observations: [{ ...LOGGED, heard, ...change }],
    },
  });
  const at = (change: object): Operation => ({ ...SEAL_POCKET, cut: { ...SEAL_POCKET.cut, ...change } });

  it('chatter at the very speed and depth is over at once, whatever the model says', () => {
    expect(stateOf(SEAL_POCKET, 'limit-depth', contextOf(SEAL_POCKET))).toBe('clear');
    const limit = limitOf(evaluate(SEAL_POCKET, logged('chatter')), 'limit-depth');
    expect(limit.state).toBe('over');
    expect(limit.why.text).toContain('Chatter was logged here');
    expect(stateOf(at({ axialDepthMm: 14, radialEngagementMm: 1.2 }), 'limit-depth', logged('chatter'))).toBe(
      'over',
    );
  });

  it('it says so of that cut only: not of a shallower one, another alloy or the other direction', () => {
    const settled = (op: Operation, context: OperationContext): boolean =>
      limitOf(evaluate(op, context), 'limit-depth').why.text.includes('logged');
    expect(settled(SEAL_POCKET, logged('chatter'))).toBe(true);
    expect(settled(at({ axialDepthMm: 10 }), logged('chatter'))).toBe(false);
    expect(settled(at({ speedRpm: 1100 }), logged('chatter'))).toBe(false);
    expect(settled(SEAL_POCKET, logged('chatter', { alloyId: '316l' }))).toBe(false);
    expect(settled(SEAL_POCKET, logged('chatter', { direction: 'conventional' }))).toBe(false);
  });

  it('a calm cut at no less is at worst tight', () => {
    const slot = at({ axialDepthMm: 8, radialEngagementMm: 12 });
    expect(stateOf(slot, 'limit-depth', contextOf(slot))).not.toBe('clear');
    const calm = logged('stable', { axialDepthMm: 8, radialEngagementMm: 12 });
    expect(['clear', 'tight']).toContain(stateOf(slot, 'limit-depth', calm));
  });
});

describe('chance of chatter', () => {
  it('sets the state: 10 and 50% part it everywhere, 90% only where nobody has measured', () => {
    const states = (measured: boolean) => [0.05, 0.3, 0.7, 0.95].map((p) => stateOfChance(p, measured));
    expect(states(false)).toEqual(['clear', 'tight', 'unproven', 'over']);
    expect(states(true)).toEqual(['clear', 'tight', 'over', 'over']);
  });

  it('grows with depth through all four states', () => {
    const order = ['clear', 'tight', 'unproven', 'over'];
    const seen = [0.5, 2, 3, 4, 5, 6, 8, 10, 14, 20].map((axialDepthMm) =>
      order.indexOf(
        stateOf(
          { ...SEAL_POCKET, cut: { ...SEAL_POCKET.cut, axialDepthMm, radialEngagementMm: 12 } },
          'limit-depth',
          contextOf(SEAL_POCKET),
        ),
      ),
    );
    expect(seen).toEqual([...seen].sort());
    expect(new Set(seen).size).toBeGreaterThanOrEqual(3);
  });
});

describe('a cut that is run every day', () => {
  it('is not called hopeless: five unequal flutes, three diameters out, two deep, a twelfth wide, in annealed Ti-6Al-4V', () => {
    const op: Operation = {
      ...SEAL_POCKET,
      alloyId: 'ti-6al-4v-annealed',
      machineId: 'axis5-24k',
      tooling: { ...SEAL_POCKET.tooling, stickOutMm: 36 },
      cut: { ...SEAL_POCKET.cut, speedRpm: 2122, axialDepthMm: 24, radialEngagementMm: 0.96 },
    };
    const limit = limitOf(evaluate(op, contextOf(op)), 'limit-depth');
    expect(['clear', 'tight']).toContain(limit.state);
  });
});
