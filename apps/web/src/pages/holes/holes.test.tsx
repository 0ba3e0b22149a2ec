import { type HoleDemand, PLAIN_DEMAND, planHole } from '@burl/core';
import { cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { M6, shopOf } from '../../../test/steps.ts';
import { PreferencesProvider } from '../../frame/preferences.tsx';
import { AlternativeCard } from './alternative-card.tsx';
import { asPattern, DemandForm } from './demand-form.tsx';
import { planOf } from './plan-of.ts';
import { demandInWords, shareOfParts } from '../../judging/hole-words.ts';

afterEach(cleanup);

const shop = shopOf('s32750');

describe('one way to the holes', () => {
  const plan = planHole(shop, M6);
  const tap = plan.alternatives.find((a) => a.id === 'tap')!;
  const open = () => {
    const [onChoose, onStep] = [vi.fn(), vi.fn()];
    render(
      <PreferencesProvider>
        <AlternativeCard
          alternative={tap}
          count={plan.count}
          recommended={false}
          chosen={false}
          readOnly={false}
          onChoose={onChoose}
          onStep={onStep}
        />
      </PreferencesProvider>,
    );
    return { onChoose, onStep };
  };

  it('shows every step with its limit, and what the tap puts at risk and why', () => {
    open();
    const steps = screen.getAllByRole('listitem');
    expect(steps).toHaveLength(3);
    expect(within(steps[2]!).getByText('Tap M6')).toBeTruthy();
    expect(within(steps[2]!).getByText(/of parts at risk: .*a blind hole keeps its chips/)).toBeTruthy();
    expect(within(steps[2]!).getByText(tap.steps[2]!.governing.name, { exact: false })).toBeTruthy();
  });

  it('a step takes another tool, another feed, or is left out; the tap has no feed of its own', () => {
    const { onStep, onChoose } = open();
    const other = tap.steps[0]!.choices[1]!;
    fireEvent.change(screen.getByLabelText('Tool for: Drill 5.2 mm'), { target: { value: other.id } });
    expect(onStep).toHaveBeenLastCalledWith('drill', { cutterId: other.id });
    const feed = screen.getByLabelText('Feed of: Drill 5.2 mm');
    fireEvent.change(feed, { target: { value: '0.07' } });
    fireEvent.keyDown(feed, { key: 'Enter' });
    expect(onStep).toHaveBeenLastCalledWith('drill', { feedMm: 0.07 });
    fireEvent.click(screen.getByRole('checkbox', { name: 'keep this step' }));
    expect(onStep).toHaveBeenLastCalledWith('chamfer', { leftOut: true });
    expect(screen.queryByLabelText('Feed of: Tap M6')).toBeNull();
    fireEvent.click(screen.getByRole('button', { name: /^Use: drill and tap/ }));
    expect(onChoose).toHaveBeenCalled();
  });
});

describe('what is asked', () => {
  const open = (demand: HoleDemand) => {
    const onChange = vi.fn();
    render(
      <PreferencesProvider>
        <DemandForm demand={demand} readOnly={false} onChange={onChange} />
      </PreferencesProvider>,
    );
    return onChange;
  };

  it('a thread has no diameter and no grade to state; choosing one drops the grade', () => {
    const onChange = open({ ...PLAIN_DEMAND, grade: 7 });
    expect(screen.getByLabelText('Diameter')).toBeTruthy();
    fireEvent.change(screen.getByLabelText('Thread'), { target: { value: 'G 1/4' } });
    expect(onChange).toHaveBeenLastCalledWith({ ...PLAIN_DEMAND, thread: 'G 1/4', grade: null });
    cleanup();
    open(M6);
    expect(screen.queryByLabelText('Diameter')).toBeNull();
    expect(screen.getByLabelText('Full-thread depth')).toBeTruthy();
  });

  it('a name is taken when it is left, an empty one is not', () => {
    const onChange = open(M6);
    const name = screen.getByLabelText('Name');
    fireEvent.blur(name, { target: { value: ' Cover threads ' } });
    expect(onChange).toHaveBeenLastCalledWith({ ...M6, name: 'Cover threads' });
    fireEvent.blur(name, { target: { value: '  ' } });
    expect(onChange).toHaveBeenCalledTimes(1);
  });

  it('blind threads may be drilled only so deep; through ones and plain holes have no such field', () => {
    const onChange = open(M6);
    const deepest = screen.getByLabelText('Max drilled depth');
    fireEvent.change(deepest, { target: { value: '16' } });
    fireEvent.blur(deepest);
    expect(onChange).toHaveBeenLastCalledWith({ ...M6, drilledDepthMm: 16 });
    for (const other of [{ ...M6, through: true }, PLAIN_DEMAND]) {
      cleanup();
      open(other);
      expect(screen.queryByLabelText('Max drilled depth')).toBeNull();
    }
  });

  it.each([
    [
      'row',
      { kind: 'row', count: 6, pitchMm: 32 },
      { 'How many': ['8', 'count', 8], Pitch: ['25', 'pitchMm', 25] },
    ],
    [
      'circle',
      { kind: 'circle', count: 6, diameterMm: 90 },
      { 'How many': ['0', 'count', null], 'Bolt-circle diameter': ['70', 'diameterMm', 70] },
    ],
    [
      'grid',
      { kind: 'grid', columns: 3, rows: 2, columnPitchMm: 20, rowPitchMm: 25 },
      { Columns: ['4.4', 'columns', 4], Rows: ['3', 'rows', 3], 'Between rows': ['18', 'rowPitchMm', 18] },
    ],
    [
      'scattered',
      { kind: 'scattered', count: 5, betweenMm: 60 },
      { 'Distance between': ['45', 'betweenMm', 45] },
    ],
  ] as const)('holes in a %s: its numbers, and none of another pattern', (_, pattern, fields) => {
    for (const [label, [typed, key, became]] of Object.entries(fields)) {
      const onChange = open({ ...PLAIN_DEMAND, pattern });
      const field = screen.getByLabelText(label);
      fireEvent.change(field, { target: { value: typed } });
      fireEvent.blur(field);
      // Nought of them is not taken.
      if (became === null) expect(onChange).not.toHaveBeenCalled();
      else
        expect(onChange).toHaveBeenLastCalledWith({
          ...PLAIN_DEMAND,
          pattern: { ...pattern, [key]: became },
        });
      cleanup();
    }
    open({ ...PLAIN_DEMAND, pattern });
    const all = [
      'How many',
      'Pitch',
      'Bolt-circle diameter',
      'Columns',
      'Rows',
      'Between columns',
      'Between rows',
      'Distance between',
    ];
    const numbers = Object.values(pattern).filter((v) => typeof v === 'number').length;
    expect(all.filter((l) => screen.queryByLabelText(l))).toHaveLength(numbers);
  });

  it('grade, finish, chamfer and worth can be asked for and dropped again', () => {
    const asked: HoleDemand = { ...PLAIN_DEMAND, grade: 7, raUm: 0.8, chamferMm: 0.5, partValue: 900 };
    const onChange = open(asked);
    for (const [label, key, none] of [
      ['Tolerance grade, IT', 'grade', null],
      ['Ra required', 'raUm', null],
      ['Chamfer', 'chamferMm', 0],
      ['Part value at this step', 'partValue', null],
    ] as const) {
      const field = screen.getByLabelText(label);
      fireEvent.change(field, { target: { value: '' } });
      fireEvent.blur(field);
      expect(onChange).toHaveBeenLastCalledWith({ ...asked, [key]: none });
    }
  });

  it('another pattern keeps how many there are', () => {
    expect(asPattern('row', M6.pattern)).toEqual({ kind: 'row', count: 12, pitchMm: 30 });
    expect(asPattern('grid', M6.pattern)).toMatchObject({ columns: 12, rows: 2 });
    expect(asPattern('single', M6.pattern)).toEqual({ kind: 'single' });
  });
});

describe('words', () => {
  it('a kind of hole in short, in mm and inch', () => {
    expect(demandInWords(M6, 'metric')).toMatch(/^12 × M6, 12.mm blind$/);
    expect(demandInWords({ ...PLAIN_DEMAND, grade: 7, through: true }, 'inch')).toMatch(
      /^1 × ⌀ 0\.315.in IT7, .* through$/,
    );
  });

  it('chances to two digits, small ones as such', () => {
    expect([shareOfParts(0.0169), shareOfParts(0.0021), shareOfParts(0.0001)]).toEqual([
      '1.7%',
      '0.21%',
      'under 0.05%',
    ]);
  });

  it('an impossible demand comes back as what is wrong with it', () => {
    expect(planOf(shop, { ...M6, depthMm: 0 }, {}, 'metric')).toEqual({
      wrong: expect.stringMatching(/^Depth is 0; allowed: 0\.2 to/) as string,
    });
  });
});
