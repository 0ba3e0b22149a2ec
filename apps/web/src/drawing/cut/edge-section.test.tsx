import { type EdgeMillingOperation, evaluate, type MillingOperation } from '@burl/core';
import { cleanup, render } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { madeOf } from '../../../test/made.ts';
import { PreferencesProvider } from '../../frame/preferences.tsx';
import { EdgeSection } from './edge-section.tsx';
import { ElevationView } from './elevation-view.tsx';

beforeEach(() => localStorage.clear());
afterEach(cleanup);

const nothing = { readOnly: false, onParameter: vi.fn(), onChange: vi.fn() };

function drawn(made: 'edge break' | 'back edge' | 'rounded edge' | 'engraving', change = {}) {
  const { op: first, context } = madeOf<EdgeMillingOperation>(made, '316l');
  const op = { ...first, edge: { ...first.edge, ...change } };
  const { container } = render(
    <PreferencesProvider>
      <EdgeSection op={op} context={context} evaluation={evaluate(op, context)} {...nothing} />
    </PreferencesProvider>,
  );
  const [whole, close] = [...container.querySelectorAll('polygon')].map((p) =>
    p
      .getAttribute('points')!
      .split(' ')
      .map((q) => q.split(',').map(Number) as [number, number]),
  );
  const [part] = [...container.querySelectorAll('path[data-part]')].map((p) => p.getAttribute('d')!);
  return { container, op, context, whole: whole!, close: close!, part: part! };
}
const slopes = (points: readonly (readonly [number, number])[]): number[] =>
  points
    .slice(1)
    .map(([x, y], i) => Math.abs(Math.atan2(y - points[i]![1], x - points[i]![0]) * (180 / Math.PI)));

describe('an edge in section', () => {
  it('a chamfer mill is a cone at 45°, drawn alike at both scales', () => {
    const { whole, close } = drawn('edge break');
    for (const points of [whole, close])
      expect(slopes(points).some((a) => Math.abs(a - 45) < 0.5 || Math.abs(a - 135) < 0.5)).toBe(true);
    const width = (p: typeof whole): number =>
      Math.max(...p.map(([x]) => x)) - Math.min(...p.map(([x]) => x));
    expect(width(close)).toBeGreaterThan(3 * width(whole));
  });

  it('a head that cuts from behind is thicker at its end than where it goes through', () => {
    const { whole, context, container } = drawn('back edge');
    expect(container.querySelector('[data-end]')!.getAttribute('data-end')).toBe(context.cutter.type);
    const lowest = Math.max(...whole.map(([, y]) => y));
    const axis = (Math.max(...whole.map(([x]) => x)) + Math.min(...whole.map(([x]) => x))) / 2;
    const half = (at: (y: number) => boolean): number =>
      Math.max(...whole.filter(([, y]) => at(y)).map(([x]) => Math.abs(x - axis)));
    const { DC = 0, LU = 0 } = context.cutter.properties;
    const perMm = half(() => true) / (Math.max(DC, context.cutter.properties.DCONMS ?? 0) / 2);
    // Within a diameter of the tip its widest, above that the neck.
    expect(half((y) => y > lowest - DC * perMm)).toBeCloseTo((DC / 2) * perMm, 0);
    expect(LU).toBeGreaterThan(DC);
  });

  it('a rounded edge is an arc, a broken one a line, an engraved one as flat as its tip', () => {
    expect(drawn('rounded edge').part).toMatch(/ A[\d.]+ /);
    cleanup();
    expect(drawn('edge break').part).not.toMatch(/A/);
    cleanup();
    const { part, op } = drawn('engraving');
    const [, from, to] = /L([\d.-]+) [\d.-]+ H([\d.-]+) L/.exec(part)!.map(Number);
    expect(to! - from!).toBeGreaterThan(0);
    const [, left] = /H([\d.-]+) L/.exec(part)!.map(Number);
    // The flat is the tip's share of the line.
    expect((to! - from!) / (2 * ((from! + to!) / 2 - left!))).toBeCloseTo(0.2 / op.edge.sizeMm, 2);
  });

  it('says where tip and axis go', () => {
    const { container } = drawn('back edge');
    expect(container.textContent).toMatch(/tip [\d.]+.mm below the near face/);
    expect(container.textContent).toMatch(/off the hole’s wall/);
    cleanup();
    expect(drawn('engraving').container.textContent).toMatch(/line 0\.4.mm wide, 0\.1.mm deep/);
  });
});

describe('a groove from the side', () => {
  const grooved = (made: 'T-slot' | 'dovetail' | 'groove in a wall' | 'finish wall') => {
    const { op, context } = madeOf<MillingOperation>(made, '1045');
    const { container } = render(
      <PreferencesProvider>
        <ElevationView op={op} context={context} evaluation={evaluate(op, context)} {...nothing} />
      </PreferencesProvider>,
    );
    const work = container.querySelector('g[data-groove]');
    return {
      work,
      walls: [...(work?.querySelectorAll('path') ?? [])].map((p) => p.getAttribute('d')!),
      container,
    };
  };

  it('a T-slot goes under two walls, a groove in a wall under one, a plain wall under none', () => {
    expect(grooved('T-slot').walls).toHaveLength(2);
    cleanup();
    expect(grooved('groove in a wall').walls).toHaveLength(1);
    cleanup();
    expect(grooved('finish wall').work).toBeNull();
  });

  it('a dovetail’s walls slope by its angle', () => {
    const [wall] = grooved('dovetail').walls;
    const [, x1, y1, x2, y2] = /H([\d.]+) V([\d.]+) L([\d.]+) ([\d.]+)/.exec(wall!)!.map(Number);
    expect((Math.atan2(y2! - y1!, x2! - x1!) * 180) / Math.PI).toBeCloseTo(60, 0);
  });

  it('the head is drawn as wide as it is, its neck thinner', () => {
    const { container } = grooved('groove in a wall');
    expect(container.querySelector('[data-end="disc_slot_cutter"]')).not.toBeNull();
  });
});
