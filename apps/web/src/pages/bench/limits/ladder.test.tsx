import { evaluate, type Remedy } from '@burl/core';
import { cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { useState } from 'react';
import { MemoryRouter } from 'react-router';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { example } from '../../../../test/crib.ts';
import { PreferencesProvider } from '../../../frame/preferences.tsx';
import { Governing, groupedRemedies } from './governing.tsx';
import { Ladder } from './ladder.tsx';
import { Numbers } from '../numbers.tsx';
import { Parameters } from '../parameters.tsx';

beforeEach(() => {
  localStorage.clear();
  localStorage.setItem('burl.theme', 'light');
});
afterEach(cleanup);

const { op, context } = example('Rough seal pocket A');
const evaluation = evaluate(op, context);

function Opened() {
  const [opened, setOpened] = useState<string | null>(null);
  return (
    <PreferencesProvider>
      <Ladder evaluation={evaluation} opened={opened} onOpen={setOpened} />
    </PreferencesProvider>
  );
}

describe('ladder', () => {
  it('shows at most three that matter, worst first, and folds the others behind their count', () => {
    render(<Opened />);
    const rungs = within(screen.getByRole('list', { name: 'Limits that matter' })).getAllByRole('button');
    expect(rungs).toHaveLength(3);
    expect(rungs[0]!.textContent).toMatch(/^wall deflection: Over limit/);
    const clear = evaluation.limits.filter((l) => l.state === 'clear').length;
    expect(screen.getByRole('button', { name: new RegExp(`${clear} clear$`) })).toBeTruthy();
    expect(screen.queryByRole('button', { name: /^spindle speed/ })).toBeNull();
  });

  it('lists every limit in its fixed order, with state in words and share in per cent', () => {
    render(<Opened />);
    fireEvent.click(screen.getByRole('button', { name: /clear$/ }));
    const rungs = screen.getAllByRole('button').slice(1);
    expect(rungs.map((r) => r.textContent!.split(':')[0])).toEqual(evaluation.limits.map((l) => l.name));
    const lean = rungs.find((r) => r.textContent!.startsWith('wall deflection'))!;
    const { share } = evaluation.limits.find((l) => l.id === 'wall-error')!;
    expect(lean.textContent).toBe(`wall deflection: Over limit${(share!.value * 100).toFixed(0)}%`);
  });

  it('opens a rung with sentence, allowed value, formula, band and source, and closes it', () => {
    render(<Opened />);
    const rung = screen.getByRole('button', { name: /^wall deflection/ });
    expect(rung.getAttribute('aria-expanded')).toBe('false');
    fireEvent.click(rung);
    const item = within(rung.closest('li')!);
    expect(item.getByText(/Deflection off the wall 0\.\d+/)).toBeTruthy();
    expect(item.getByText(/stock to leave\.$/)).toBeTruthy();
    expect(item.getByText('δ = Fn·(beam + clamp + holder + spindle)')).toBeTruthy();
    expect(item.getByText(/80% range/)).toBeTruthy();
    expect(item.getByText(/What would narrow it most/)).toBeTruthy();
    fireEvent.click(rung);
    expect(item.queryByText(/80% range/)).toBeNull();
  });
});

describe('governing limit', () => {
  const remedy = {
    id: 'depth',
    title: {
      text: 'Reduce axial depth {0} → {1}',
      measures: [
        { value: 24, unit: 'mm' },
        { value: 6, unit: 'mm' },
      ],
    },
    operation: op,
    state: 'clear',
    minutesMore: 4.24,
    costMore: 6.36,
    lifeFactor: 0.5,
    pushesOver: ['minimum chip thickness'],
    tightens: ['chip space'],
    size: 1,
  } as const;

  function show(previewing: string | null, onPreview = vi.fn(), onApply = vi.fn(), readOnly = false) {
    render(
      <PreferencesProvider>
        <Governing
          evaluation={evaluation}
          limitId="wall-error"
          remedies={[remedy]}
          stale={false}
          previewing={previewing}
          readOnly={readOnly}
          onPreview={onPreview}
          onApply={onApply}
          chatter="/resonance"
        />
      </PreferencesProvider>,
    );
    return { onPreview, onApply };
  }

  it('says in a sentence what governs, and what each remedy costs and pushes over', () => {
    show(null);
    expect(screen.getByText('Governs: wall deflection')).toBeTruthy();
    expect(screen.getByText('Over limit')).toBeTruthy();
    expect(screen.getByText('Reduce axial depth 24 mm → 6 mm')).toBeTruthy();
    expect(
      screen.getByText(
        /^Cycle time \+4\.2 min, cost \+6\.36.*, −50% features per edge\. Also: minimum chip thickness becomes Over, chip space becomes Tight\.$/,
      ),
    ).toBeTruthy();
  });

  it('previews before it applies, and goes back', () => {
    const { onPreview, onApply } = show(null);
    fireEvent.click(screen.getByRole('button', { name: /^Preview/ }));
    expect(onPreview).toHaveBeenCalledWith(remedy);
    expect(onApply).not.toHaveBeenCalled();
    cleanup();
    const second = show('depth');
    fireEvent.click(screen.getByRole('button', { name: 'Back' }));
    expect(second.onPreview).toHaveBeenCalledWith(null);
    fireEvent.click(screen.getByRole('button', { name: 'Apply' }));
    expect(second.onApply).toHaveBeenCalledWith(remedy);
  });

  it('changes nothing for someone who may only read', () => {
    const { onPreview } = show(null, vi.fn(), vi.fn(), true);
    const button = screen.getByRole<HTMLButtonElement>('button', { name: /^Preview/ });
    expect(button.disabled).toBe(true);
    fireEvent.click(button);
    expect(onPreview).not.toHaveBeenCalled();
  });
});

describe('remedies that come to the same', () => {
  const holder = (id: string, lifeFactor = 1): Remedy => ({
    id: `holder-${id}`,
    title: { text: `Use ${id}`, measures: [] },
    operation: op,
    state: 'clear',
    minutesMore: 0,
    costMore: null,
    lifeFactor,
    pushesOver: [],
    tightens: [],
    size: 0.5,
  });

  it('are one line with a choice; another effect is another line', () => {
    const groups = groupedRemedies([
      holder('a'),
      holder('b'),
      holder('c', 1.5),
      { ...holder('d'), id: 'ap' },
    ]);
    expect(groups.map((g) => g.map((r) => r.id))).toEqual([['holder-a', 'holder-b'], ['holder-c'], ['ap']]);
  });

  it('previews the one that is chosen of them', () => {
    const onPreview = vi.fn();
    render(
      <PreferencesProvider>
        <MemoryRouter>
          <Governing
            evaluation={evaluation}
            limitId="wall-error"
            remedies={[holder('a'), holder('b')]}
            stale={false}
            previewing={null}
            readOnly={false}
            onPreview={onPreview}
            onApply={vi.fn()}
            chatter=""
          />
        </MemoryRouter>
      </PreferencesProvider>,
    );
    fireEvent.change(screen.getByLabelText('One of 2 alike'), { target: { value: 'holder-b' } });
    fireEvent.click(screen.getByRole('button', { name: 'Preview: Use b' }));
    expect(onPreview.mock.calls[0]![0]).toMatchObject({ id: 'holder-b' });
  });
});

describe('parameters', () => {
  it('are typed and pinned by name', () => {
    const [set, pin] = [vi.fn(), vi.fn()];
    render(
      <PreferencesProvider>
        <Parameters
          op={op}
          context={context}
          evaluation={evaluation}
          compared={null}
          readOnly={false}
          onSet={set}
          onPin={pin}
        />
      </PreferencesProvider>,
    );
    const depth = screen.getByLabelText<HTMLInputElement>('axial depth');
    fireEvent.change(depth, { target: { value: '10' } });
    fireEvent.keyDown(depth, { key: 'Enter' });
    expect(set).toHaveBeenCalledWith('ap', 10);
    // Arrows go by the step a person enters, with Shift by ten of them.
    fireEvent.keyDown(depth, { key: 'ArrowUp' });
    fireEvent.keyDown(depth, { key: 'ArrowDown', shiftKey: true });
    expect(set.mock.calls.slice(1)).toEqual([
      ['ap', 24.05],
      ['ap', 23.5],
    ]);
    fireEvent.click(screen.getByRole('button', { name: 'Pin max chip thickness' }));
    expect(pin).toHaveBeenCalledWith('hex');
    // What follows from all the others is typed, not pinned.
    expect(screen.getByLabelText(evaluation.numbers.find((q) => q.key === 'Q')!.name)).toBeTruthy();
    expect(screen.queryByRole('button', { name: /^Pin .*(MRR|removal)/ })).toBeNull();
  });

  it('tint what a preview would change, and only that', () => {
    const other = evaluate({ ...op, cut: { ...op.cut, speedRpm: 900 } } as typeof op, context);
    const { container } = render(
      <PreferencesProvider>
        <Parameters
          op={op}
          context={context}
          evaluation={evaluation}
          compared={other}
          readOnly
          onSet={vi.fn()}
          onPin={vi.fn()}
        />
      </PreferencesProvider>,
    );
    const tinted = [...container.querySelectorAll('section > div')].filter((d) =>
      d.className.includes('bg-accent-soft'),
    );
    expect(tinted.map((d) => d.querySelector('span')!.textContent)).toEqual([
      'spindle speed n',
      'cutting speed vc',
      'table feed vf',
      'metal removal rate Q',
    ]);
  });

  it('show a hole its own numbers', () => {
    const drilled = example('Drill 6.8');
    const result = evaluate(drilled.op, drilled.context);
    render(
      <PreferencesProvider>
        <Parameters
          op={drilled.op}
          context={drilled.context}
          evaluation={result}
          compared={null}
          readOnly
          onSet={vi.fn()}
          onPin={vi.fn()}
        />
        <Numbers op={drilled.op} evaluation={result} />
      </PreferencesProvider>,
    );
    expect(screen.getByLabelText('feed per revolution')).toBeTruthy();
    expect(screen.queryByLabelText('radial depth')).toBeNull();
    expect(screen.getByRole('region', { name: 'Results' }).textContent).toMatch(
      /thrust.*torque at full depth.*hole drift/,
    );
  });
});
