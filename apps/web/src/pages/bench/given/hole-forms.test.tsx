import { evaluate, type HoleOperation } from '@burl/core';
import { cleanup, fireEvent, screen } from '@testing-library/react';
import { useState } from 'react';
import { afterEach, describe, expect, it } from 'vitest';
import { show } from '../../../../test/page.tsx';
import { KINDS, stepOf } from '../../../../test/steps.ts';
import { FeatureForm } from './given-forms.tsx';

afterEach(cleanup);

/** The form of a planned step as the bench holds it; returns a reader of what the operation became. */
function open<K extends HoleOperation['kind']>(kind: K, change: object = {}, readOnly = false) {
  const step = stepOf(kind);
  const start: HoleOperation = { ...step.op, cut: { ...step.op.cut, ...change } } as typeof step.op;
  let now: HoleOperation = start;
  function Holder() {
    const [op, setOp] = useState<HoleOperation>(start);
    now = op;
    return (
      <FeatureForm
        op={op}
        context={step.context}
        readOnly={readOnly}
        onChange={(next) => setOp(next as HoleOperation)}
      />
    );
  }
  show(<Holder />);
  return () => now as typeof step.op;
}
const take = (label: string, value: string): void => {
  const field = screen.getByLabelText(label);
  fireEvent.change(field, { target: { value } });
  fireEvent.blur(field);
};
const labels = (): string[] => [...document.querySelectorAll('label')].map((l) => l.textContent ?? '');

/** Fields one kind of step has and others have not. */
const OWN = {
  drilling: ['Step type', 'Pecks', 'Feed at breakthrough', 'Entry face'],
  reaming: ['Retract feed (× feed in)'],
  'hole-milling': ['Radial passes', 'Overrun at bottom'],
  boring: ['Ra required'],
  chamfering: ['Chamfer width'],
  tapping: ['Rigid tapping'],
} as const;

describe('the form of a hole’s step', () => {
  it.each(KINDS)('%s: asks for what this step has, and for nothing of the others', (kind) => {
    open(kind);
    const there = labels();
    for (const [other, fields] of Object.entries(OWN))
      for (const field of fields) expect([field, there.includes(field)]).toEqual([field, other === kind]);
    expect(there.includes('Diameter')).toBe(kind !== 'tapping' && kind !== 'thread-milling');
    expect(there.includes('Full-thread depth')).toBe(kind === 'tapping' || kind === 'thread-milling');
    expect(there.includes('Depth')).toBe(there.includes('Diameter') && kind !== 'chamfering');
    expect(there.includes('Diameter tolerance')).toBe(kind !== 'chamfering');
    expect(there).toContain('Holes per part');
  });

  it.each(KINDS)('%s: the size, depth and number of holes are taken and recalculated', (kind) => {
    const now = open(kind);
    const before = now();
    const { context } = stepOf(kind);
    const depth = labels().find((l) => /^(Full-thread d|D)epth/.test(l) || l === 'Chamfer width')!;
    take(depth, String(before.hole.depthMm * 0.9));
    take('Distance to next hole', '55');
    take('Holes per part', '7.4');
    take('Part value at this step', '');
    expect(now().hole.depthMm).toBeCloseTo(before.hole.depthMm * 0.9, 9);
    expect(now().hole).toMatchObject({ betweenMm: 55, partValue: null });
    expect(now().featuresPerPart).toBe(7);
    expect(evaluate(now(), context).time.perPart).not.toBeCloseTo(evaluate(before, context).time.perPart, 6);
  });

  it('a number that has to be there is not taken as nothing or zero, and whole ones are made whole', () => {
    const now = open('hole-milling');
    const before = now();
    take('Diameter', '0');
    take('Diameter', '');
    take('Radial passes', '0');
    expect(now().hole.diameterMm).toBe(before.hole.diameterMm);
    take('Radial passes', '2.6');
    take('Spring passes', '1.2');
    take('Overrun at bottom', '');
    expect(now().cut).toMatchObject({ stepovers: 3, springPasses: 1, pastFloorMm: 0 });
    take('Spring passes', '');
    expect(now().cut.springPasses).toBe(0);
  });

  it('a hole in solid has no diameter before it; empty puts it back to solid', () => {
    const now = open('drilling');
    const field = screen.getByLabelText<HTMLInputElement>('Pre-hole diameter');
    expect(field.value).toBe('');
    take('Pre-hole diameter', '4');
    expect(now().hole.startMm).toBe(4);
    take('Pre-hole diameter', '');
    expect(now().hole.startMm).toBe(0);
  });

  it('pecks become a list that starts from the plan, grows, shrinks and stays in order', () => {
    const now = open('drilling');
    const planned = evaluate(now(), stepOf('drilling').context).pecks;
    take('Pecks', 'listed');
    const listed = () => now().cut.peck as { toMm: readonly number[]; retract: string };
    // The last stroke ends at the bottom by itself.
    expect(listed().toMm).toEqual(planned.slice(0, -1).map((k) => k.toMm));
    const count = listed().toMm.length;
    take('One more peck to', '10');
    expect(listed().toMm).toHaveLength(count + 1);
    expect([...listed().toMm].sort((a, b) => a - b)).toEqual(listed().toMm);
    take('Peck 1 to', '');
    expect(listed().toMm).toHaveLength(count);
    take('Between pecks', 'chip-break retract');
    expect(listed().retract).toBe('chip-break');
    take('Between pecks', 'full retract');
    expect(listed().retract).toBe('full');
    take('Pecks', 'none');
    expect(now().cut.peck).toBe('none');
    take('Pecks', 'even');
    expect(now().cut.peck).toBe(now().hole.diameterMm);
  });

  it('surfaces met on the way: slopes, curved faces, cross holes, straightness', () => {
    const now = open('drilling');
    take('Entry face', 'curved');
    take('Entry-face angle', '6');
    take('Exit-face angle', '12');
    take('Cross holes', '1.7');
    take('Drift allowed', '0.05');
    expect(now().hole).toMatchObject({
      entrySurface: 'curved',
      entryAngleDeg: 6,
      exitAngleDeg: 12,
      crossHoles: 2,
      straightnessMm: 0.05,
    });
    take('Cross holes', '');
    take('Drift allowed', '');
    expect([now().hole.crossHoles, now().hole.straightnessMm]).toEqual([0, null]);
  });

  it('a tap may be held without synchronous feed; a reamer pulled out as fast as it went in', () => {
    const tap = open('tapping');
    take('Rigid tapping', 'no');
    expect(tap().cut.synchronous).toBe(false);
    cleanup();
    const ream = open('reaming');
    take('Retract feed (× feed in)', '1');
    expect(ream().cut.outFeed).toBe(1);
    cleanup();
    const chamfer = open('chamfering');
    take('Chamfer width', '0.8');
    expect([chamfer().cut.widthMm, chamfer().hole.depthMm]).toEqual([0.8, 0.8]);
  });

  it('nothing moves for a reader', () => {
    open('drilling', { peck: { toMm: [10, 20], retract: 'full' } }, true);
    for (const field of document.querySelectorAll('input')) expect(field.readOnly).toBe(true);
    for (const list of document.querySelectorAll('select')) expect(list.disabled).toBe(true);
    expect(labels()).toContain('Peck 2 to');
  });
});
