import { type DrillingOperation, evaluate, type MillingOperation } from '@burl/core';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { CRIB, example } from '../../../test/crib.ts';
import { PreferencesProvider } from '../../frame/preferences.tsx';
import { ElevationView } from './elevation-view.tsx';
import { HoleSection } from './hole-section.tsx';
import { PlanView } from './plan-view.tsx';

beforeEach(() => {
  localStorage.clear();
  localStorage.setItem('burl.theme', 'light');
});
afterEach(cleanup);

const pocket = example('Rough seal pocket A') as { op: MillingOperation } & ReturnType<typeof example>;
const hole = example('Drill 6.8') as { op: DrillingOperation } & ReturnType<typeof example>;
const press = (name: string, key: string, shiftKey = false): void => {
  fireEvent.keyDown(screen.getByRole('slider', { name }), { key, shiftKey });
};

describe('the cut from above', () => {
  function show(op: MillingOperation, readOnly = false) {
    const onParameter = vi.fn();
    const { container } = render(
      <PreferencesProvider>
        <PlanView
          op={op}
          context={pocket.context}
          evaluation={evaluate(op, pocket.context)}
          readOnly={readOnly}
          onParameter={onParameter}
          onChange={vi.fn()}
        />
      </PreferencesProvider>,
    );
    return { container, onParameter };
  }

  it('has a handle on the stepover that moves by keyboard and stays inside the cutter', () => {
    const { onParameter } = show(pocket.op);
    press('Radial depth', 'ArrowUp');
    press('Radial depth', 'ArrowDown', true);
    press('Radial depth', 'End');
    press('Radial depth', 'Home');
    press('Radial depth', 'x');
    expect(onParameter.mock.calls).toEqual([
      ['ae', 1.62],
      ['ae', 1.4],
      ['ae', 12],
      ['ae', 0.24],
    ]);
    expect(screen.getByRole('slider').getAttribute('aria-valuetext')).toBe('1.6\u00a0mm');
  });

  it('draws one edge a flute and turns the work round for conventional', () => {
    const climb = show(pocket.op).container;
    expect(climb.querySelectorAll('line[stroke-width="3"]')).toHaveLength(5);
    expect(climb.innerHTML).toContain('scale(1 1)');
    cleanup();
    const other = show({ ...pocket.op, cut: { ...pocket.op.cut, direction: 'conventional' } }).container;
    expect(other.innerHTML).toContain('scale(1 -1)');
  });

  it('shades what is engaged ahead of the cutter, on the side of the work', () => {
    const path = show(pocket.op).container.querySelector('[data-engaged]')!.getAttribute('d')!;
    const numbers = path.match(/-?[\d.]+(?:e-?\d+)?/g)!.map(Number);
    // Starts where teeth come in: ahead of the axis, towards the wall below.
    expect(numbers[0]!).toBeGreaterThan(0);
    expect(numbers[1]!).toBeGreaterThan(0);
  });

  it('has nothing to drag in a slot, and does not move for a reader', () => {
    show({
      ...pocket.op,
      feature: { ...pocket.op.feature, kind: 'slot' },
      cut: { ...pocket.op.cut, radialEngagementMm: 12 },
    });
    expect(screen.queryByRole('slider')).toBeNull();
    expect(screen.getByText(/full width/)).toBeTruthy();
    cleanup();
    const { onParameter } = show(pocket.op, true);
    press('Radial depth', 'ArrowUp');
    expect(onParameter).not.toHaveBeenCalled();
  });
});

describe('the cut from the side', () => {
  it.each([
    ['ball-10-z4-var', 30],
    ['em-bull-12-z4-re1-var', 30],
    ['em-flat-12-z2', 20],
  ])('draws the end of %s as it is shaped', (id, points) => {
    const cutter = CRIB.cutters.find((c) => c.id === id)!.document;
    render(
      <PreferencesProvider>
        <ElevationView
          op={pocket.op}
          context={{ ...pocket.context, cutter }}
          evaluation={evaluate(pocket.op, pocket.context)}
          readOnly
          onParameter={vi.fn()}
          onChange={vi.fn()}
        />
      </PreferencesProvider>,
    );
    const end = document.querySelector(`[data-end="${cutter.type}"]`)!;
    const corners = end.getAttribute('d')!.match(/L/g)!.length;
    // Round ends have the corners of their arcs beside those of the bent flank.
    if (points > 20) expect(corners).toBeGreaterThan(points);
    else expect(corners).toBeLessThanOrEqual(points);
    expect(end.getAttribute('d')).not.toMatch(/NaN|Infinity/);
  });

  it('shows depth, stick-out and lean, and has handles on the first two', () => {
    const [onParameter, onChange] = [vi.fn(), vi.fn()];
    render(
      <PreferencesProvider>
        <ElevationView
          op={pocket.op}
          context={pocket.context}
          evaluation={evaluate(pocket.op, pocket.context)}
          readOnly={false}
          onParameter={onParameter}
          onChange={onChange}
        />
      </PreferencesProvider>,
    );
    expect(screen.getByText(/deflects 0\.\d+\smm, drawn ×\d+/)).toBeTruthy();
    expect(screen.getByText('3.2×D')).toBeTruthy();
    press('Axial depth', 'ArrowDown');
    press('Stick-out', 'ArrowUp', true);
    expect(onParameter).toHaveBeenCalledWith('ap', 23.95);
    const { tooling } = pocket.op;
    expect(onChange).toHaveBeenCalledWith(
      { ...pocket.op, tooling: { ...tooling, stickOutMm: 43 } },
      'stick-out',
    );
  });
});

describe('section of a hole', () => {
  it('marks every stroke’s end it has room for, the last always, and the torque at full depth', () => {
    render(
      <PreferencesProvider>
        <HoleSection
          op={hole.op}
          context={hole.context}
          evaluation={evaluate(hole.op, hole.context)}
          readOnly={false}
          onParameter={vi.fn()}
          onChange={vi.fn()}
        />
      </PreferencesProvider>,
    );
    expect(screen.getByText('26.01 mm')).toBeTruthy();
    expect(screen.getByText('34 mm')).toBeTruthy();
    expect(screen.getByText('4 pecks, chip-break retract between')).toBeTruthy();
    expect(screen.getByText(/N·m/)).toBeTruthy();
  });

  it('says one stroke where one is enough', () => {
    const short: DrillingOperation = { ...hole.op, hole: { ...hole.op.hole, depthMm: 12 } };
    render(
      <PreferencesProvider>
        <HoleSection
          op={short}
          context={hole.context}
          evaluation={evaluate(short, hole.context)}
          readOnly
          onParameter={vi.fn()}
          onChange={vi.fn()}
        />
      </PreferencesProvider>,
    );
    expect(screen.getByText('one peck')).toBeTruthy();
  });
});
