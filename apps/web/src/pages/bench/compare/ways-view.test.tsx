import type { GroovingOperation } from '@burl/core';
import { cleanup, fireEvent, screen, within } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { useDirectly } from '../../../../test/direct-work.ts';
import { show } from '../../../../test/page.tsx';
import { grooved, LATHE_CRIB, threaded, turned } from '../../../../test/turned.ts';
import LatheWindowPanel from '../panels/lathe-window-panel.tsx';
import PassesPanel from '../panels/passes-panel.tsx';
import WaysView from './ways-view.tsx';

vi.mock('../../../workers/use-heavy.ts', () => ({ useHeavy: useDirectly }));
vi.mock('comlink', () => ({ proxy: (f: unknown) => f }));
afterEach(cleanup);

const view = (of: Parameters<typeof WaysView>[0]) => show(<WaysView {...of} />);
const SLENDER = { startMm: 30, endMm: 25, lengthMm: 6, fromEndMm: 12, overhangMm: 150 } as const;

describe('ways side by side', () => {
  const shown = async (onTake = vi.fn(), onKeep = vi.fn()) => {
    const { op, context } = grooved(SLENDER);
    view({ op, context, crib: LATHE_CRIB, readOnly: false, onTake, onKeep });
    return screen.findByRole('region', { name: 'Ways side by side' });
  };

  it('a slender groove: what breaks a limit wins nothing, and why stands below', async () => {
    const table = await shown();
    const head = within(table).getByRole('columnheader', { name: /Plunge beside plunge/ });
    expect(head.textContent).toContain('Over limit');
    expect(head.textContent).not.toContain('shortest');
    expect(within(table).getByRole('columnheader', { name: /With the tailstock/ }).textContent).not.toContain(
      'Over limit',
    );
    expect(screen.getByRole('region', { name: 'Why' }).textContent).toMatch(
      /over at any speed and feed tried/,
    );
  });

  it('takes a way to the bench and keeps one as a variant', async () => {
    const [take, keep] = [vi.fn(), vi.fn()];
    await shown(take, keep);
    fireEvent.click(screen.getByRole('button', { name: 'Use: With the tailstock' }));
    expect((take.mock.lastCall as [GroovingOperation])[0].groove.support).toBe('tailstock');
    fireEvent.click(screen.getByRole('button', { name: 'Keep as a variant: Sideways in layers' }));
    expect((keep.mock.lastCall as [GroovingOperation])[0].cut.widenBy).toBe('side');
  });

  it('by cost as well', async () => {
    await shown();
    fireEvent.change(screen.getByLabelText('Best by'), { target: { value: 'cost' } });
    expect(await screen.findByRole('row', { name: /^Cost per feature/ })).toBeTruthy();
    expect(screen.getAllByText('cheapest').length).toBe(1);
  });
});

describe('panels of a lathe cut', () => {
  it('the window is bounded by its limits, over other numbers when asked', async () => {
    const { op, context } = turned();
    show(<LatheWindowPanel op={op} context={context} readOnly={false} onMove={vi.fn()} />);
    const map = await screen.findByRole('group', { name: /^Map of feed and depth of cut; bounded by/ });
    expect(map.getAttribute('aria-label')).toMatch(/insert feed|depth of cut|cutting speed|tool life/);
    fireEvent.change(screen.getByLabelText('up'), { target: { value: 'n' } });
    expect(await screen.findByRole('group', { name: /^Map of feed and spindle speed/ })).toBeTruthy();
  });

  it('passes of a thread are told one by one', () => {
    const { op, context } = threaded();
    show(<PassesPanel {...({ op, context } as Parameters<typeof PassesPanel>[0])} />);
    const said = screen.getByRole('region', { name: 'Passes' }).textContent ?? '';
    expect(said.split(',').length).toBeGreaterThanOrEqual(op.cut.passes);
    expect(said).toMatch(/then 1 without infeed/);
  });
});
