import { describe, expect, it } from 'vitest';
import { contextOf } from '../../../fixtures/crib.ts';
import { grooved } from '../../../fixtures/lathe-cuts.ts';
import { ordinaryJob } from '../../../fixtures/ordinary-job.ts';
import { turned } from '../../../fixtures/turned.ts';
import { USUAL_RATES } from '../../crib/shop-rates.ts';
import { evaluate } from '../../evaluation/evaluate.ts';
import { machineFor } from '../../operations/lathe/lathe-spindle.ts';
import type { OperationContext } from '../../operations/context.ts';
import { speak } from '../../units/sentence.ts';
import { batchPlan } from './batch-plan.ts';
import { EMPTY_SETUP_PLAN } from './job-plan.ts';
import type { JudgedJob, JudgedOperation } from './judged-job.ts';
import { transferMinutes } from './transfer.ts';

const PARTED = { way: 'part-off', startMm: 40, endMm: 0, fromEndMm: 50, overhangMm: 70 } as const;
const BLADE = { cutterId: 'partoff-3', stickOutMm: 25 } as const;

function judged(
  id: string,
  { op: document, context: c }: { op: JudgedOperation['document']; context: OperationContext },
  subRpm: number | null,
): JudgedOperation {
  const machine = { ...c.machine, ...(subRpm !== null && { sub_spindle_max_rpm: subRpm }) };
  const context = { ...c, machine, rates: USUAL_RATES };
  return { id, name: id, holeId: null, document, context, evaluation: evaluate(document, context) };
}
/** A bar parted into a second spindle that faces its back. */
function millTurned({
  caughtBy = 'sub-spindle',
  subRpm = 5000,
  takenOver = true,
  gripped = 20,
}: Partial<{
  caughtBy: 'sub-spindle' | 'catcher';
  subRpm: number | null;
  takenOver: boolean;
  gripped: number;
}> = {}): JudgedJob {
  const turn = turned({ startMm: 40, endMm: 38, lengthMm: 40, overhangMm: 70 });
  return ordinaryJob({
    alloy: contextOf(turn.op).alloy,
    setups: [
      {
        id: 'a',
        name: 'Main spindle',
        plan: EMPTY_SETUP_PLAN,
        operations: [
          judged('turn', turn, subRpm),
          judged('part', grooved({ ...PARTED, caughtBy }, BLADE), subRpm),
        ],
      },
      {
        id: 'b',
        name: 'Back',
        plan: {
          ...EMPTY_SETUP_PLAN,
          takenOver,
          holding: {
            kind: 'chuck',
            values: { forceN: 20_000, diameterMm: 38, grippedMm: gripped, friction: 0.2 },
          },
        },
        operations: [
          judged(
            'face',
            turned({ way: 'face', startMm: 38, endMm: 0, lengthMm: 0.5, overhangMm: 30 }),
            subRpm,
          ),
        ],
      },
    ],
  });
}
const findings = (job: JudgedJob) =>
  Object.fromEntries(batchPlan(job, 0.9).transfers![0]!.findings.map((f) => [f.id, f.state]));

describe('a part taken over by the sub-spindle', () => {
  it('is loaded by nobody: less than a quarter of a minute, and no hand is paid', () => {
    const [taken, byHand] = [batchPlan(millTurned(), 0.9), batchPlan(millTurned({ takenOver: false }), 0.9)];
    expect(byHand.transfers).toEqual([]);
    const [report] = taken.transfers!;
    expect(report!.minutes).toBeGreaterThan(0.08);
    expect(report!.minutes).toBeLessThan(0.25);
    const saved = USUAL_RATES.loadMin - report!.minutes;
    expect(byHand.minutes.perPart - taken.minutes.perPart).toBeCloseTo(saved, 9);
    const hand = (plan: typeof taken) => plan.money.lines.find((l) => l.name === 'Loading by hand')!.batch;
    expect(hand(taken)).toBeCloseTo(hand(byHand) / 2, 9);
    expect(taken.minutes.setups[1]!.timeline[0]).toMatchObject({
      label: 'Taken over by the sub-spindle',
      minutes: transferMinutes(millTurned().setups[1]!.operations[0]!.context.machine),
    });
  });

  it('rests on parting into it, its speed and its grip', () => {
    expect(findings(millTurned())).toEqual({ parting: 'clear', speed: 'clear', grip: 'clear' });
    expect(findings(millTurned({ caughtBy: 'catcher' }))['parting']).toBe('over');
    expect(findings(millTurned({ subRpm: 500 }))['speed']).toBe('over');
    expect(findings(millTurned({ gripped: 60 }))['grip']).toBe('over');
    expect(findings(millTurned({ subRpm: null }))).toMatchObject({ 'sub-spindle': 'over' });
  });

  it('comes from an operation before, on the same machine, the parting last', () => {
    const job = millTurned();
    const [a, b] = job.setups;
    expect(findings({ ...job, setups: [b!] })).toMatchObject({ machine: 'over' });
    const elsewhere = b!.operations.map((o) => ({
      ...o,
      context: { ...o.context, machine: { ...o.context.machine, id: 'another', name: 'Another lathe' } },
    }));
    expect(findings({ ...job, setups: [a!, { ...b!, operations: elsewhere }] })['machine']).toBe('over');
    const early = { ...a!, operations: a!.operations.toReversed() };
    expect(findings({ ...job, setups: [early, b!] })['parting']).toBe('tight');
    const whole = { ...a!, operations: a!.operations.slice(0, 1) };
    const [report] = batchPlan({ ...job, setups: [whole, b!] }, 0.9).transfers!;
    expect(speak(report!.findings[0]!.why, 'metric')).toMatch(/whole blank is handed over/);
  });

  it('is proved by one part first, and warned of', () => {
    const plan = batchPlan(millTurned(), 0.9);
    expect(plan.first.steps.map((s) => speak(s, 'metric')).join(' ')).toMatch(/Back: take one part over/);
    // No half-made parts wait between the spindles.
    expect(plan.first).toMatchObject({ flagged: false, stake: 0 });
    expect(batchPlan(millTurned({ takenOver: false }), 0.9).first.flagged).toBe(true);
    expect(plan.transfers![0]!.cautions.join(' ')).toMatch(/Both spindles turn together/);
  });

  it('is turned no faster than the second spindle goes, and its driven tools as fast as before', () => {
    const { op, context } = turned();
    const machine = { ...context.machine, sub_spindle_max_rpm: 1500 };
    expect(machineFor(op, machine, true).max_rpm).toBe(1500);
    expect(machineFor(op, machine).max_rpm).toBe(context.machine.max_rpm);
    expect(machineFor(op, context.machine, true).max_rpm).toBe(context.machine.max_rpm);
  });
});
