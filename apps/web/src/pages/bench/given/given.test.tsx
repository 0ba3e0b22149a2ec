import { type DrillingOperation, evaluate, type MillingOperation, type Operation } from '@burl/core';
import { cleanup, fireEvent, screen } from '@testing-library/react';
import { useState } from 'react';
import { afterEach, describe, expect, it } from 'vitest';
import { BATCH, CRIB, example } from '../../../../test/crib.ts';
import { show } from '../../../../test/page.tsx';
import { contextOf } from '../../../judging/context.ts';
import { FeatureForm, HoldingForm, MeasuredForm, WearForm } from './given-forms.tsx';
import { Given } from './given.tsx';

afterEach(cleanup);

const pocket = example('Rough seal pocket A');
const hole = example('Drill 6.8');

/** Holds an operation as the bench does and shows a form on it; returns a reader of what it became. */
function hold<O extends Operation>(
  start: O,
  form: (op: O, onChange: (next: Operation) => void) => React.ReactNode,
): () => O {
  let now = start;
  function Holder() {
    const [op, setOp] = useState(start);
    now = op;
    return form(op, (next) => setOp(next as O));
  }
  show(<Holder />);
  return () => now;
}
const take = (label: RegExp | string, value: string): void => {
  const input = screen.getByLabelText(label);
  fireEvent.change(input, { target: { value } });
  fireEvent.blur(input);
};

describe('forms of what is given', () => {
  it('a feature: sizes, none left for the finisher, no corners, counts', () => {
    const now = hold(pocket.op as MillingOperation, (op, onChange) => (
      <FeatureForm op={op} readOnly={false} onChange={onChange} />
    ));
    take('Length', '120');
    take('Corner radius', '');
    take('Stock to leave', '');
    take('Features per part', '3.4');
    take('Edges in stock', '');
    take('Kind', 'side');
    expect(now().feature).toMatchObject({
      kind: 'side',
      lengthMm: 120,
      cornerRadiusMm: null,
      allowanceMm: 0,
    });
    expect([now().featuresPerPart, now().edgesOnShelf]).toEqual([3, null]);
    expect(screen.getByLabelText('Stock on the side')).toBeTruthy();
  });

  it('a hole: through, piloted, even pecks of a length', () => {
    const now = hold(hole.op as DrillingOperation, (op, onChange) => (
      <FeatureForm op={op} readOnly={false} onChange={onChange} />
    ));
    expect(screen.queryByLabelText('Peck depth')).toBeNull();
    take('Bottom', 'through');
    take('Pilot or spot', 'yes');
    take('Pecks', 'even');
    take('Peck depth', '4');
    expect(now().hole).toMatchObject({ through: true, piloted: true });
    expect(now().cut.peck).toBe(4);
    take('Pecks', 'plan');
    expect(now().cut.peck).toBe('plan');
  });

  it('holding, coolant, wear and force law', () => {
    const now = hold(pocket.op as MillingOperation, (op, onChange) => (
      <>
        <HoldingForm op={op} readOnly={false} onChange={onChange} />
        <WearForm op={op} readOnly={false} onChange={onChange} />
      </>
    ));
    take('Holding force', '');
    take('Coolant', 'air');
    take('Flank wear for the forces', '0.2');
    take('Force law', 'linear-edge');
    expect(now()).toMatchObject({
      workholding: { capacityN: null },
      coolant: 'air',
      flankWearMm: 0.2,
      forceLaw: 'linear-edge',
    });
  });

  it('what was measured, and taken back', () => {
    const now = hold(pocket.op, (op, onChange) => (
      <MeasuredForm op={op} context={pocket.context} readOnly={false} onChange={onChange} />
    ));
    take('Hardness, HRC', '41');
    take('kc1.1 from spindle power', '2650');
    take('Runout at tool tip (TIR)', '');
    expect(now().measured).toEqual({ hardness: 41, runoutUm: null, lifeSpeed30MMin: null, kc11NMm2: 2650 });
  });
});

describe('given', () => {
  function open(op: Operation, readOnly = false): () => Operation {
    return hold(op, (present, onChange) => (
      <Given
        op={present}
        context={contextOf(CRIB, present, BATCH)!}
        crib={CRIB}
        evaluation={evaluate(present, contextOf(CRIB, present, BATCH)!)}
        readOnly={readOnly}
        onChange={onChange}
      />
    ));
  }
  const pick = (card: RegExp, entry: string): void => {
    fireEvent.click(screen.getByRole('button', { name: card }));
    fireEvent.click(screen.getByRole('option', { name: entry }));
  };

  it('says what the numbers rest on and what to measure next', () => {
    open(pocket.op);
    const card = screen.getByRole('button', { name: /^Based on/ });
    expect(card.textContent).toMatch(/1 measured, \d library, \d assumed/);
    expect(card.textContent).toMatch(/measure next: /);
  });

  it('another alloy forgets what was measured on the last, and its numbers are flagged', () => {
    const now = open({ ...pocket.op, measured: { ...pocket.op.measured, hardness: 42, kc11NMm2: 2700 } });
    pick(/^Alloy/, 'Super duplex stainless');
    expect(now().alloyId).toBe('s32750');
    expect(now().measured).toMatchObject({ hardness: null, kc11NMm2: null, runoutUm: 6 });
    const e = evaluate(now(), contextOf(CRIB, now(), BATCH)!);
    expect(e.limits.find((l) => l.id === 'inherited-numbers')!.state).toBe('over');
  });

  it('a smaller cutter keeps depth and stepover possible and finds a holder', () => {
    const now = open(pocket.op);
    fireEvent.click(screen.getByRole('button', { name: /^Cutter in holder/ }));
    fireEvent.click(screen.getByRole('option', { name: /^Flat end mill 6 mm, 4 flutes/ }));
    const op = now() as MillingOperation;
    expect(op.tooling.cutterId).toBe('em-flat-6-z4');
    expect(op.cut.axialDepthMm).toBeCloseTo(13.2, 9);
    expect(() => evaluate(op, contextOf(CRIB, op, BATCH)!)).not.toThrow();
  });

  it('changes nothing for a reader', () => {
    const now = open(pocket.op, true);
    pick(/^Alloy/, 'Alloy 625, annealed');
    expect(now().alloyId).toBe('718-aged');
  });
});
