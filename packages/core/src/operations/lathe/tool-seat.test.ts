import { describe, expect, it } from 'vitest';
import { grooved, threaded } from '../../../fixtures/lathe-cuts.ts';
import { BORED_SEAT, turned } from '../../../fixtures/turned.ts';
import { remediesFor } from '../../deciding/remedies/remedies.ts';
import { evaluate, limitOf, numberOf } from '../../evaluation/evaluate.ts';
import { kindOf } from '../../evaluation/registry.ts';
import { speak } from '../../units/sentence.ts';
import type { OperationContext } from '../context.ts';
import type { TurnedOperation } from './turned-kinds.ts';
import { EDGE_SIDES, rotationFor, seatOf, type ToolSeat } from './tool-seat.ts';

type Case = { readonly op: TurnedOperation; readonly context: OperationContext };
const seated = ({ op, context }: Case, seat: ToolSeat, turret?: 'front' | 'rear'): Case => ({
  op: { ...op, seat },
  context: turret ? { ...context, machine: { ...context.machine, turret } } : context,
});
const state = ({ op, context }: Case, id: string) => limitOf(evaluate(op, context), id).state;

describe('how a tool sits and which way the part turns', () => {
  it('turned over on the other side of the axis the same way is right again', () => {
    for (const edge of EDGE_SIDES) expect(rotationFor(edge, 'rear')).not.toBe(rotationFor(edge, 'front'));
    expect(rotationFor('up', 'front')).toBe('forward');
  });

  it('is right where nobody states it, and over where the part meets the heel', () => {
    for (const c of [turned(), grooved(), threaded('M24'), BORED_SEAT()] as Case[]) {
      expect(state(c, 'spindle-direction')).toBe('clear');
      expect(seatOf(c.op, c.context.machine).rotation).toBe('forward');
      const wrong = seated(c, { rotation: 'forward', edge: 'up' });
      expect(state(wrong, 'spindle-direction')).toBe('over');
      expect(state(seated(c, { rotation: 'forward', edge: 'up' }, 'front'), 'spindle-direction')).toBe(
        'clear',
      );
    }
  });

  it('either the spindle turned round or the tool turned over clears it', () => {
    const wrong = seated(turned(), { rotation: 'reverse', edge: 'down' });
    const remedies = remediesFor(wrong.op, wrong.context, 'spindle-direction');
    expect(remedies.length).toBeGreaterThan(0);
    for (const id of ['rotation', 'edge-over'])
      expect(
        kindOf(wrong.op)
          .switches(wrong.op, wrong.context)
          .map((s) => s.id),
      ).toContain(id);
    for (const s of kindOf(wrong.op).switches(wrong.op, wrong.context).slice(0, 2))
      expect(state({ op: s.after as TurnedOperation, context: wrong.context }, 'spindle-direction')).toBe(
        'clear',
      );
  });

  it('reversed, it warns of a chuck that unscrews, and before the axis of a tool that is lifted', () => {
    const cautions = ({ op, context }: Case) => kindOf(op).cautions(op, context).join(' ');
    expect(cautions(turned())).not.toMatch(/screwed/);
    expect(cautions(seated(turned(), { rotation: 'reverse', edge: 'up' }))).toMatch(/screwed on comes off/);
    expect(cautions(seated(turned(), { rotation: 'reverse', edge: 'up' }))).not.toMatch(/lifts/);
    expect(cautions(seated(turned(), { rotation: 'reverse', edge: 'down' }, 'front'))).toMatch(
      /lifts the tool/,
    );
  });

  it('a left-hand thread goes from the jaws outwards, unless the part turns the other way', () => {
    const c = threaded('M24', { runOutMm: 4 });
    const left = { ...c, op: { ...c.op, turned: { ...c.op.turned, leftHand: true } } };
    expect(state(c, 'thread-run-out')).toBe('clear');
    const needs = numberOf(evaluate(left.op, left.context), 'runIn').value;
    expect(state(left, 'thread-run-out')).toBe(needs <= 4 ? 'clear' : 'over');
    const roomy = { ...left, op: { ...left.op, turned: { ...left.op.turned, runOutMm: needs + 0.1 } } };
    expect(state(roomy, 'thread-run-out')).toBe('clear');
    const none = { ...left, op: { ...left.op, turned: { ...left.op.turned, runOutMm: needs - 0.1 } } };
    expect(state(none, 'thread-run-out')).toBe('over');
    // Fewer turns come up to the pitch in less room.
    expect(remediesFor(none.op, none.context, 'thread-run-out').length).toBeGreaterThan(0);
    const words = ({ op }: { op: TurnedOperation }) =>
      kindOf(op)
        .notes(op)
        .map((n) => speak(n, 'metric'))
        .join(' ');
    expect(words(left)).toMatch(/Left-hand thread, cut from the jaws outwards/);
    const turnedRound = { op: { ...left.op, seat: { rotation: 'reverse', edge: 'up' } as const } };
    expect(words(turnedRound)).toMatch(/Left-hand thread, cut towards the jaws/);
    expect(words(c)).not.toMatch(/hand thread/);
  });
});
