import { evaluate, type MillingOperation, type Operation, problemsOf, strategyName } from '@burl/core';
import { cleanup, fireEvent, screen } from '@testing-library/react';
import { useState } from 'react';
import { afterEach, describe, expect, it } from 'vitest';
import { example } from '../../../../test/crib.ts';
import { show } from '../../../../test/page.tsx';
import { FeatureForm } from './given-forms.tsx';
import { CostForm, PathForm } from './path-form.tsx';

afterEach(cleanup);

const pocket = example('Rough seal pocket A') as { op: MillingOperation } & ReturnType<typeof example>;

/** A form on the pocket as the bench holds it; returns a reader of what the operation became. */
function hold(form: (op: MillingOperation, onChange: (next: Operation) => void) => React.ReactNode) {
  let now = pocket.op;
  function Holder() {
    const [op, setOp] = useState(pocket.op);
    now = op;
    return form(op, (next) => setOp(next as MillingOperation));
  }
  show(<Holder />);
  return () => now;
}
const take = (label: string, value: string): void => {
  const field = screen.getByLabelText(label);
  fireEvent.change(field, { target: { value } });
  fireEvent.blur(field);
};
const shown = (label: string): string => screen.getByLabelText<HTMLInputElement>(label).value;

describe('the path of a cut', () => {
  const open = () => hold((op, onChange) => <PathForm op={op} readOnly={false} onChange={onChange} />);

  it('takes strategy, way in and what the program holds', () => {
    const now = open();
    take('Strategy', strategyName.trochoidal);
    take('Entry', 'plunge');
    take('Program uses', 'lines');
    expect(now().path).toMatchObject({
      strategy: 'trochoidal',
      entry: { method: 'plunge' },
      blocks: 'lines',
    });
  });

  it.each([
    ['Ramp angle', '2', ['entry', 'rampAngleDeg'], 2, null],
    ['Helix diameter', '18', ['entry', 'helixDiameterMm'], 18, null],
    ['Taper of the ramp', '1.5', ['entry', 'taperDeg'], 1.5, 0],
    ['Corner path radius', '6', ['cornerPathRadiusMm'], 6, null],
    ['Lead-in radius', '4', ['leadInRadiusMm'], 4, null],
    ['Spring passes', '1', ['springPasses'], 1, 0],
  ] as const)('%s is stated, and empty it is worked out again', (label, typed, path, became, empty) => {
    const now = open();
    const at = () => path.reduce<unknown>((t, k) => (t as Record<string, unknown>)[k], now().path);
    take(label, typed);
    expect(at()).toBe(became);
    expect(problemsOf(now(), pocket.context)).toEqual([]);
    take(label, '');
    expect(at()).toBe(empty);
  });

  it('feed may start on the face; a path tolerance has to be there', () => {
    const now = open();
    take('Feed-start height', '0');
    expect(now().path.entry.startHeightMm).toBe(0);
    const before = now().path.toleranceMm;
    take('Path tolerance', '');
    take('Path tolerance', '0');
    expect(now().path.toleranceMm).toBe(before);
    take('Path tolerance', '0.02');
    expect(now().path.toleranceMm).toBe(0.02);
  });
});

describe('the rest of a feature', () => {
  const open = () => hold((op, onChange) => <FeatureForm op={op} readOnly={false} onChange={onChange} />);

  it('only a pocket has an island; it is as wide as long until its width is stated', () => {
    const now = open();
    expect(screen.queryByLabelText('Island, width')).toBeNull();
    take('Island, length', '20');
    expect(now().feature.island).toEqual({ lengthMm: 20, widthMm: 20 });
    take('Island, width', '12');
    expect(now().feature.island).toEqual({ lengthMm: 20, widthMm: 12 });
    const minutes = evaluate(now(), pocket.context).time.perPart;
    expect(minutes).toBeLessThan(evaluate(pocket.op, pocket.context).time.perPart);
    take('Kind', 'slot');
    expect(now().feature.island).toBeNull();
    expect(screen.queryByLabelText('Island, length')).toBeNull();
  });

  it('a boss has stock around it, from a usual amount', () => {
    const now = open();
    take('Kind', 'boss');
    expect(now().feature.stockMm).toBe(5);
    expect(screen.getByLabelText('Width of the boss')).toBeTruthy();
    take('Stock on each side', '8');
    expect(now().feature.stockMm).toBe(8);
    take('Kind', 'pocket');
    expect(now().feature.stockMm).toBeNull();
  });

  it('an open floor, a slope from zero, finish and ridges asked for and dropped', () => {
    const now = open();
    take('Floor', 'open below');
    take('Slope of the surface', '0');
    take('Ra required', '1.6');
    take('Scallop height allowed', '0.01');
    expect(now().feature).toMatchObject({ through: true, slopeDeg: 0, raUm: 1.6, scallopMm: 0.01 });
    take('Floor', 'closed');
    take('Ra required', '');
    take('Scallop height allowed', '');
    expect(now().feature).toMatchObject({ through: false, raUm: null, scallopMm: null });
  });

  it('nothing left for the finisher is an empty field, not a nought', () => {
    const now = open();
    expect(shown('Stock to leave')).toBe('0.3');
    take('Stock to leave', '0');
    expect(now().feature.allowanceMm).toBe(0);
    expect(shown('Stock to leave')).toBe('');
  });
});

describe('what it costs', () => {
  it('stated prices are the shop’s own; empty takes a usual figure again', () => {
    const now = hold((op, onChange) => <CostForm op={op} readOnly={false} onChange={onChange} />);
    take('Machine, per hour', '120');
    take('Cost per edge', '0');
    take('Edge change time', '4');
    expect(now().economics).toMatchObject({ machinePerHour: 120, edgePrice: 0, edgeChangeMin: 4 });
    expect(problemsOf(now(), pocket.context)).toEqual([]);
    take('Machine, per hour', '');
    take('Edge change time', '');
    expect(now().economics).toEqual({
      machinePerHour: null,
      edgePrice: 0,
      edgeChangeMin: null,
      partWorth: null,
      hoursLost: null,
    });
  });
});

describe('how inserts of a face mill stand', () => {
  const open = (bs: number) => {
    const cutter = { ...pocket.context.cutter, properties: { ...pocket.context.cutter.properties, BS: bs } };
    const context = { ...pocket.context, cutter };
    return hold((op, onChange) => (
      <FeatureForm op={op} readOnly={false} onChange={onChange} context={context} />
    ));
  };

  it('is told of a face only, and goes with it', () => {
    const now = open(1.6);
    expect(screen.queryByLabelText('Axial runout')).toBeNull();
    take('Kind', 'face');
    expect(screen.queryByLabelText('Slope of the surface')).toBeNull();
    expect(screen.getByLabelText('Flatness')).toBeTruthy();
    take('Wiper inserts', '1');
    take('Wipers above the others', '40');
    take('Axial runout', '12');
    take('Spindle lean along feed, per m', '50');
    expect(now().face).toEqual({
      wipers: 1,
      wiperUm: 40,
      axialRunoutUm: 12,
      alongUmPerM: 50,
      acrossUmPerM: 0,
    });
    take('Axial runout', '');
    expect(now().face?.axialRunoutUm).toBeNull();
    take('Kind', 'side');
    expect(now().face).toBeUndefined();
  });

  it('asks of wipers only where an insert has a flat', () => {
    open(0);
    take('Kind', 'face');
    expect(screen.queryByLabelText('Wiper inserts')).toBeNull();
    expect(screen.getByLabelText('Axial runout')).toBeTruthy();
  });
});
