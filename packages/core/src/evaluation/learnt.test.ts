import { describe, expect, it } from 'vitest';
import { contextOf, DOWEL_HOLE, LOCK_POCKET } from '../../fixtures/crib.ts';
import { type Accepted, edgeFamilyOf, learntFor, type LearntConstant } from '../learning/learnt.ts';
import type { Operation } from '../operations/operation.ts';
import { asRun, edgeTrialOf, trialBasis } from './as-run.ts';
import { evaluate, numberOf } from './evaluate.ts';
import { expectedLoad } from './expected-load.ts';

const accepted = (constant: LearntConstant): Accepted => ({
  ...constant,
  id: 'a',
  acceptedAt: '2026-11-01T10:00:00.000Z',
  acceptedBy: 'Ada Eder',
});

const plain = contextOf(LOCK_POCKET);
const life = accepted({
  kind: 'life',
  alloyId: LOCK_POCKET.alloyId,
  edgeFamily: edgeFamilyOf(plain.cutter),
  shifts: [
    { heatLot: null, machineId: null, shift: -0.1, sd: 0.1 },
    { heatLot: 'T-9', machineId: null, shift: -0.3, sd: 0.05 },
  ],
  slope: { shift: 0.1, sd: 0.05 },
  edgeSigma: 0.25,
  trials: 12,
  ended: 7,
});
const force = accepted({
  kind: 'force',
  alloyId: LOCK_POCKET.alloyId,
  lots: [{ heatLot: null, shift: 0.2, sd: 0.04 }],
  trials: 9,
});
const drive = accepted({
  kind: 'drive',
  machineId: LOCK_POCKET.machineId,
  efficiency: 0.7,
  efficiencySd: 0.03,
  idleKw: 0.9,
  idleSd: 0.1,
  trials: 9,
});

const learntOf = (constants: readonly Accepted[], heatLot = '') =>
  learntFor(constants, {
    alloyId: LOCK_POCKET.alloyId,
    edgeFamily: edgeFamilyOf(plain.cutter),
    machineId: LOCK_POCKET.machineId,
    heatLot,
  })!;
const judged = (constants: readonly Accepted[], heatLot = '', op: Operation = LOCK_POCKET) =>
  evaluate(op, { ...plain, learnt: learntOf(constants, heatLot) });

describe('what was learnt, in an evaluation', () => {
  const before = evaluate(LOCK_POCKET, plain);

  it('life follows the edges run here, narrower than the library, and says what it rests on', () => {
    const after = judged([life]);
    const [a, b] = [numberOf(before, 'T'), numberOf(after, 'T')];
    const n = plain.alloy.taylor_milling_coated_carbide!.n;
    const slope = Math.exp(0.1) / n;
    const ratio = Math.exp(Math.log(a.value / 30) * n);
    expect(b.value).toBeCloseTo(30 * (ratio * Math.exp(-0.1)) ** slope, 6);
    expect(b.high / b.low).toBeLessThan(a.high / a.low);
    const source = after.sources.find((s) => s.id === 'life-speed')!;
    expect(source.kind).toBe('measured');
    expect(source.label).toMatch(
      /0\.90 × the library.*12 edges, 7 with end seen or read from wear, accepted 1 Nov 2026/,
    );
  });

  it('the job’s own lot goes before any lot, and an own figure of the operation before both', () => {
    expect(numberOf(judged([life], 'T-9'), 'T').value).toBeLessThan(numberOf(judged([life]), 'T').value);
    const own = { ...LOCK_POCKET, measured: { ...LOCK_POCKET.measured, lifeSpeed30MMin: 50 } };
    expect(numberOf(judged([life], 'T-9', own), 'T').value).toBe(numberOf(evaluate(own, plain), 'T').value);
  });

  it('force and drive move power, torque and the meter; another alloy and machine are left alone', () => {
    const after = judged([force, drive]);
    const times = (key: string): number => numberOf(after, key).value / numberOf(before, key).value;
    expect(times('P')).toBeGreaterThan(1.1 * (0.8 / 0.7));
    expect(after.sources.filter((s) => s.kind === 'measured').map((s) => s.id)).toEqual(
      expect.arrayContaining(['kc', 'drive-efficiency']),
    );
    const load = expectedLoad(LOCK_POCKET, { ...plain, learnt: learntOf([drive]) }, after);
    expect(load.value).toBeGreaterThan(expectedLoad(LOCK_POCKET, plain, before).value);
    const elsewhere = learntFor([life, force, drive], {
      alloyId: '718-aged',
      edgeFamily: edgeFamilyOf(plain.cutter),
      machineId: 'vmc40-15kw-belt',
      heatLot: '',
    });
    expect(elsewhere).toBeUndefined();
  });

  it('what trials are held against stays the library’s, whatever was learnt since', () => {
    const op = asRun(LOCK_POCKET, { speedOverride: 90, feedOverride: 90 });
    expect(trialBasis(op, { ...plain, learnt: learntOf([life, force, drive]) })).toEqual(
      trialBasis(op, plain),
    );
  });
});

describe('a cut as it was run', () => {
  it('feed goes with its own override and against that of the speed; a tap keeps its pitch', () => {
    const run = asRun(LOCK_POCKET, { speedOverride: 80, feedOverride: 100 });
    expect(run.cut.speedRpm).toBeCloseTo(1920, 9);
    expect((run as typeof LOCK_POCKET).cut.feedPerToothMm).toBeCloseTo(0.05 / 0.8, 12);
    const hole = asRun(DOWEL_HOLE, { speedOverride: 100, feedOverride: 50 }) as typeof DOWEL_HOLE;
    expect(hole.cut.feedPerRevMm).toBeCloseTo(0.045, 12);
  });
});

describe('an edge read from its wear', () => {
  const edge = { id: '1', heatLot: '', machineId: '', speedRatio: 1, minutes: 10, criterionMm: 0.3 };

  it('says its life where it has worn enough, the surer the more; else it was still good then', () => {
    const half = edgeTrialOf({ ...edge, ending: 'running', wearMm: 0.18 });
    expect(half.ended).toBe(true);
    expect(half.minutes).toBeGreaterThan(15);
    const most = edgeTrialOf({ ...edge, ending: 'running', wearMm: 0.27 });
    expect(most.minutes).toBeLessThan(half.minutes);
    expect(most.readingSd).toBeLessThan(half.readingSd);
    expect(edgeTrialOf({ ...edge, ending: 'running', wearMm: 0.05 })).toMatchObject({
      ended: false,
      minutes: 10,
    });
    expect(edgeTrialOf({ ...edge, ending: 'changed', wearMm: null })).toMatchObject({ ended: false });
    expect(edgeTrialOf({ ...edge, ending: 'broken', wearMm: 0.1 })).toMatchObject({
      ended: true,
      minutes: 10,
    });
  });
});
