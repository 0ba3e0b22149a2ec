import { evaluate, type TurnedStretch } from '@burl/core';
import { cleanup, fireEvent, screen } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { show } from '../../../test/page.tsx';
import { turned } from '../../../test/turned.ts';
import { TurnedSection } from './turned-section.tsx';

beforeEach(() => localStorage.clear());
afterEach(cleanup);

function draw(stretch: Partial<TurnedStretch> = {}, cutterId?: string) {
  const { op, context } = turned(stretch, cutterId);
  const [onParameter, onChange] = [vi.fn(), vi.fn()];
  show(
    <TurnedSection
      op={op}
      context={context}
      evaluation={evaluate(op, context)}
      readOnly={false}
      onParameter={onParameter}
      onChange={onChange}
    />,
  );
  const text = screen.getByRole('group', { name: 'Half-section of the turned part' }).textContent ?? '';
  const numbers = [...document.querySelectorAll('path, rect, circle')].map((e) => e.outerHTML).join(' ');
  return { op, onParameter, onChange, text, numbers };
}

describe('the half-section of a turned part', () => {
  it.each<[string, Partial<TurnedStretch>, string | undefined, RegExp]>([
    ['outside', {}, undefined, /⌀ 55\smm → 48\smm.*80\smm out of the jaws/],
    ['a face', { way: 'face', endMm: 0, lengthMm: 1 }, 'ins-fin-55', /→ centre/],
    ['a face to a bore', { way: 'face', endMm: 20, boreMm: 20, lengthMm: 1 }, undefined, /→ 20\smm/],
    [
      'inside',
      { way: 'inside', startMm: 24, endMm: 26, lengthMm: 40 },
      'bore-steel-16-4d',
      /⌀ 24\smm → 26\smm/,
    ],
    ['with a tailstock', { support: 'tailstock' }, undefined, /part gives way/],
    ['with a steady rest', { support: 'steady' }, undefined, /part gives way/],
    ['by a round insert', {}, 'ins-round-12', /\d pass/],
  ])('%s: every line has its place, and the words are there', (_, stretch, cutterId, words) => {
    const { text, numbers } = draw(stretch, cutterId);
    expect(text.replace(/\u00a0/g, ' ')).toMatch(words);
    expect(numbers).not.toMatch(/NaN|Infinity|undefined/);
    expect(document.querySelectorAll('rect[width^="-"], rect[height^="-"]')).toHaveLength(0);
  });

  it('depth and overhang move by key, within what the insert and the cut allow', () => {
    const { op, onParameter, onChange } = draw();
    const press = (name: string, key: string): void =>
      void fireEvent.keyDown(screen.getByRole('slider', { name }), { key });
    press('Depth of cut', 'ArrowUp');
    expect(onParameter).toHaveBeenLastCalledWith('ap', expect.closeTo(op.cut.depthMm + 0.05, 2));
    press('Part overhang', 'Home');
    const [next, gesture] = onChange.mock.lastCall as [typeof op, string];
    expect([next.stretch.overhangMm, gesture]).toEqual([op.stretch.lengthMm, 'overhang']);
  });

  it('feed marks and the end of the cut move by key; a profile has its own end', () => {
    const { op, onParameter, onChange, text } = draw();
    expect(text.replace(/\u00a0/g, ' ')).toMatch(/Feed marks, height × 8.*mm\/rev, Ra [\d.]+ µm/);
    fireEvent.keyDown(screen.getByRole('slider', { name: 'Feed' }), { key: 'ArrowUp' });
    const [key, feed] = onParameter.mock.lastCall as [string, number];
    expect([key, feed > op.cut.feedPerRevMm]).toEqual(['fn', true]);
    fireEvent.keyDown(screen.getByRole('slider', { name: 'End of the cut' }), { key: 'ArrowUp' });
    const [next, gesture] = onChange.mock.lastCall as [typeof op, string];
    expect([next.stretch.lengthMm, gesture]).toEqual([op.stretch.lengthMm + 0.5, 'length']);
    fireEvent.keyDown(screen.getByRole('slider', { name: 'End of the cut' }), { key: 'End' });
    expect((onChange.mock.lastCall as [typeof op])[0].stretch.lengthMm).toBe(op.stretch.overhangMm);
    cleanup();
    draw({ way: 'face', endMm: 0, lengthMm: 1 }, 'ins-fin-55');
    expect(screen.queryByRole('slider', { name: 'End of the cut' })).toBeNull();
  });
});
