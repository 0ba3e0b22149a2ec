import type { MillingOperation } from '@burl/core';
import { cleanup, fireEvent, screen, within } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { BATCH, CRIB, example } from '../../../../test/crib.ts';
import { useDirectly } from '../../../../test/direct-work.ts';
import { show } from '../../../../test/page.tsx';
import CutterView from './cutter-view.tsx';
import StrategiesView from './strategies-view.tsx';
import VariantsView from './variants-view.tsx';

vi.mock('../../../workers/use-heavy.ts', () => ({ useHeavy: useDirectly }));
vi.mock('comlink', () => ({ proxy: (f: unknown) => f }));
afterEach(cleanup);

const { op, context } = example('Rough seal pocket A');
const pocket = op as MillingOperation;
const LONG = { timeout: 30_000 };

describe('strategies side by side', LONG, () => {
  const laidOut = async (onTake = vi.fn(), onKeep = vi.fn()) => {
    show(
      <StrategiesView
        op={pocket}
        context={context}
        crib={CRIB}
        readOnly={false}
        onTake={onTake}
        onKeep={onKeep}
      />,
    );
    await screen.findByRole('button', { name: 'Use column 2 in the operation' }, LONG);
  };

  it('marks the least minutes as best, and says in words who wins on what', async () => {
    await laidOut();
    const cells = within(screen.getByRole('row', { name: /^Cycle time per feature/ })).getAllByRole('cell');
    const minutes = cells.map((c) => parseFloat(c.textContent!) || Infinity);
    const best = minutes.indexOf(Math.min(...minutes));
    expect(cells[best]!.textContent).toContain('best');
    expect(screen.getByText(/wins on/).textContent).toMatch(/cycle time/);
    expect(screen.getByRole('region', { name: 'Why one wins' }).textContent!.length).toBeGreaterThan(40);
  });

  it('says why a strategy cannot be run instead of leaving its column empty', async () => {
    await laidOut();
    expect(
      await screen.findByText(/Not possible: this end face is not made to plunge/, {}, LONG),
    ).toBeTruthy();
  });

  it('takes a column to the bench with its path and cutter, or keeps it as a variant', async () => {
    const [take, keep] = [vi.fn<(o: MillingOperation) => void>(), vi.fn<(o: MillingOperation) => void>()];
    await laidOut(take, keep);
    fireEvent.click(screen.getByRole('button', { name: 'Use column 1 in the operation' }));
    expect(take.mock.calls[0]![0].path.strategy).toBe('levels');
    fireEvent.click(screen.getByRole('button', { name: 'Keep column 2 as a variant' }));
    expect(keep.mock.calls[0]![0].path.strategy).toBe('constant-engagement');
    expect(keep.mock.calls[0]![0].workedOutFor.cutterId).toBe(pocket.tooling.cutterId);
  });

  it('grows to four columns and shrinks again', async () => {
    await laidOut();
    fireEvent.click(screen.getByRole('button', { name: 'Another column' }));
    expect(screen.getByLabelText('Strategy of column 4')).toBeTruthy();
    expect(screen.getByRole('button', { name: 'Another column' }).hasAttribute('disabled')).toBe(true);
    fireEvent.click(screen.getByRole('button', { name: 'Remove column 4' }));
    expect(screen.queryByLabelText('Strategy of column 4')).toBeNull();
  });
});

describe('choosing the cutter', LONG, () => {
  it('ranks, names what is on the shelf, and gives the reasons against the others', async () => {
    const take = vi.fn<(o: MillingOperation) => void>();
    show(
      <CutterView
        op={pocket}
        context={context}
        crib={CRIB}
        shelf={new Map([[pocket.tooling.cutterId, 9]])}
        readOnly={false}
        onTake={take}
      />,
    );
    const buttons = await screen.findAllByRole('button', { name: /^Use .* in the operation$/ }, LONG);
    expect(buttons.length).toBeGreaterThan(0);
    expect(buttons.length).toBeLessThanOrEqual(5);
    fireEvent.click(buttons[0]!);
    const taken = take.mock.calls[0]![0];
    expect(taken.edgesOnShelf).toBe(taken.tooling.cutterId === pocket.tooling.cutterId ? 9 : null);
    expect(screen.getByRole('region', { name: 'Ruled out' })).toBeTruthy();
  });
});

describe('variants side by side', () => {
  const variant = (label: 'A' | 'B', document: MillingOperation) => ({
    id: label,
    label,
    document,
    version: 1,
    updatedAt: '',
    updatedBy: 'Ada Eder',
  });

  it('marks what differs from the chosen one, and nothing else', () => {
    const other: MillingOperation = { ...pocket, cut: { ...pocket.cut, axialDepthMm: 6 } };
    show(
      <VariantsView
        operation={
          {
            id: 'o',
            name: 'Rough seal pocket',
            selected: 'A',
            variants: [variant('A', pocket), variant('B', other)],
          } as never
        }
        current={pocket}
        crib={CRIB}
        batch={BATCH}
      />,
    );
    expect(screen.getByRole('row', { name: /^axial depth/ }).textContent).toMatch(/6\smm−75%$/);
    expect(screen.getByRole('row', { name: /^metal removal rate/ }).textContent).toMatch(/−75%▼ worse$/);
    expect(screen.getByRole('row', { name: /^deflection at tip/ }).textContent).toMatch(/▲ better$/);
    // Rows that are equal come when asked for.
    expect(screen.queryByRole('row', { name: /^spindle speed/ })).toBeNull();
    fireEvent.click(screen.getByRole('button', { name: /^Show \d+ equal rows/ }));
    expect(screen.getByRole('row', { name: /^spindle speed/ }).textContent).not.toMatch(/better|worse|%$/);
    expect(screen.getByRole('row', { name: /^Cutter/ })).toBeTruthy();
  });

  it('says so where there is only one', () => {
    show(
      <VariantsView
        operation={
          { id: 'o', name: 'Rough seal pocket', selected: 'A', variants: [variant('A', pocket)] } as never
        }
        current={pocket}
        crib={CRIB}
        batch={BATCH}
      />,
    );
    expect(screen.getByText(/There is one variant only/)).toBeTruthy();
  });
});
