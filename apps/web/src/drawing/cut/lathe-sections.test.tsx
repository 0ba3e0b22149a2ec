import { evaluate, type Groove, type Operation, type OperationContext, type TurnedThread } from '@burl/core';
import { cleanup, fireEvent, screen } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { show } from '../../../test/page.tsx';
import { grooved, threaded } from '../../../test/turned.ts';
import { CutDrawing } from './cut-drawing.tsx';
import { plungePlaces } from './groove-detail.tsx';

beforeEach(() => localStorage.clear());
afterEach(cleanup);

function draw({ op, context }: { op: Operation; context: OperationContext }) {
  const onChange = vi.fn();
  show(
    <CutDrawing
      op={op}
      context={context}
      evaluation={evaluate(op, context)}
      readOnly={false}
      onParameter={vi.fn()}
      onChange={onChange}
    />,
  );
  const text = (screen.getByRole('group', { name: /^Half-section of the/ }).textContent ?? '').replace(
    /\u00a0/g,
    ' ',
  );
  const numbers = [...document.querySelectorAll('path, rect, circle, line')]
    .map((e) => e.outerHTML)
    .join(' ');
  return { text, numbers, onChange };
}

const FACE = { way: 'face', startMm: 42, endMm: 34, lengthMm: 3, fromEndMm: 0, overhangMm: 60 } as const;
const PARTED = { way: 'part-off', startMm: 40, endMm: 0, fromEndMm: 50, overhangMm: 70 } as const;

describe('the half-section of a groove', () => {
  it.each<[string, Partial<Groove>, string, RegExp]>([
    ['outside', {}, 'groove-3', /⌀ 44 mm → 38 mm.*4 mm wide, 3 mm deep|4 mm wide, 3 mm deep/],
    ['far along, so that the larger picture stands left', { fromEndMm: 2 }, 'groove-3', /edge 3 mm wide/],
    ['with a steady rest', { support: 'steady' }, 'groove-3', /80 mm out of the jaws/],
    ['with a tailstock', { support: 'tailstock' }, 'groove-3', /80 mm out of the jaws/],
    ['in a face', FACE, 'groove-face-3-32-50', /Groove in the face/],
    [
      'in a bore',
      { way: 'inside', startMm: 30, endMm: 35, lengthMm: 3, fromEndMm: 8, overhangMm: 60 },
      'groove-in-2-bar16',
      /⌀ 30 mm → 35 mm/,
    ],
    ['parted', PARTED, 'partoff-3', /comes off with its rim at/],
    ['parted into a sub-spindle', { ...PARTED, caughtBy: 'sub-spindle' }, 'partoff-3', /centre/],
    ['a tube parted', { ...PARTED, boreMm: 30 }, 'partoff-3', /bore 30 mm/],
  ])('%s: every line has its place, and the words are there', (_, groove, cutterId, words) => {
    const { text, numbers } = draw(grooved(groove, cutterId));
    expect(text).toMatch(words);
    expect(numbers).not.toMatch(/NaN|Infinity|undefined/);
    expect(document.querySelectorAll('rect[width^="-"], rect[height^="-"]')).toHaveLength(0);
  });

  it('plunges stand from wall to wall, no farther apart than the step', () => {
    expect(plungePlaces(8, 3, 2.25)).toEqual([0, 5 / 3, 10 / 3, 5]);
    expect(plungePlaces(3, 3, 2)).toEqual([0]);
  });

  it('layers sideways are lines across it', () => {
    const { op, context } = grooved({ lengthMm: 12 });
    const plunged = draw({ op, context }).numbers;
    cleanup();
    const layered = draw({
      op: { ...op, cut: { ...op.cut, widenBy: 'side', depthMm: 1 } },
      context,
    }).numbers;
    const dashed = (of: string): number => of.split('stroke-dasharray="4 3"').length - 1;
    expect(dashed(layered) - dashed(plunged)).toBe(3);
  });

  it('the overhang moves by key, and no nearer than the groove', () => {
    const made = grooved();
    const { onChange } = draw(made);
    fireEvent.keyDown(screen.getByRole('slider', { name: 'Part overhang' }), { key: 'Home' });
    const [next, gesture] = onChange.mock.lastCall as [typeof made.op, string];
    expect([next.groove.overhangMm, gesture]).toEqual([16, 'overhang']);
  });
});

describe('the half-section of a thread', () => {
  it.each<[string, Partial<TurnedThread>, string, RegExp]>([
    ['outside', {}, 'thread-out-60-1.75-3', /M24, 20 mm long/],
    ['with a tailstock', { support: 'tailstock' }, 'thread-out-60-1.75-3', /along one flank/],
    ['in a bore', { internal: true }, 'thread-in-bar16-60-1.75-3', /M24/],
  ])('%s: every line has its place, and the passes are told', (_, turned, cutterId, words) => {
    const bar = cutterId.includes('in-bar') ? 'thread-in-bar20-60-1.75-3' : cutterId;
    const made = threaded(turned.internal ? 'M30x2' : 'M24', turned, bar);
    const { text, numbers } = draw(made);
    expect(text).toMatch(turned.internal ? /M30x2, 20 mm long/ : words);
    expect(text).toMatch(/at most, last/);
    expect(numbers).not.toMatch(/NaN|Infinity|undefined/);
  });
});
