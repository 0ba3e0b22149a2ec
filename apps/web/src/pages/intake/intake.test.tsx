import type { JobFile } from '@burl/contract';
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { CRIB } from '../../../test/crib.ts';
import { person, pretendServer, show } from '../../../test/page.tsx';
import IntakePage from './intake-page.tsx';

vi.mock('../../workers/use-heavy.ts', async (original) => ({
  ...(await original<object>()),
  // The worker's own work, here and now.
  askWorker: async (_lane: string, ask: (api: unknown) => unknown) => {
    const { heavyApi } = await import('../../workers/heavy-api.ts');
    return ask(heavyApi);
  },
}));

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

function open(answers: Record<string, unknown> = {}) {
  const asked = pretendServer({
    'GET /api/session': { person: person('engineer'), demo: [] },
    'GET /api/crib': CRIB,
    ...answers,
  });
  show(<IntakePage />);
  return asked;
}
const fill = (label: string | RegExp, value: string): void => {
  const field = screen.getByLabelText(label);
  fireEvent.change(field, { target: { value } });
  fireEvent.blur(field);
};
const take = (label: string, words: string): void => {
  const field = screen.getByRole('combobox', { name: label });
  fireEvent.focus(field);
  fireEvent.change(field, { target: { value: words } });
  fireEvent.keyDown(field, { key: 'Enter' });
};
const create = (): void => void fireEvent.click(screen.getByRole('button', { name: 'Create job' }));

describe('a new job', () => {
  it('is made only when number, part, alloy and machine are there', async () => {
    const asked = open({ 'POST /api/jobs': { job: { id: 'new' }, setups: [] } });
    await screen.findByLabelText('Number');
    create();
    expect(await screen.findByText('Choose the alloy with its condition')).toBeTruthy();
    expect(asked.filter((a) => a.method === 'POST')).toEqual([]);
    fill('Number', 'GW-9');
    fill('Part', 'Choke');
    take('Alloy', 'N06625');
    take('Machine', 'horizontal');
    fill('Quantity', '7');
    fill(/^Spare blanks/, '2');
    create();
    await waitFor(() => expect(asked.some((a) => a.method === 'POST')).toBe(true));
    expect(asked.find((a) => a.method === 'POST')!.body).toMatchObject({
      number: 'GW-9',
      quantity: 7,
      plan: { spares: 2, part: null, features: [] },
    });
  });

  it('flags a hardness outside the alloy’s table', async () => {
    open();
    await screen.findByLabelText('Number');
    take('Alloy', 'N07718 aged');
    fill(/^Hardness/, '62');
    expect((await screen.findByText(/Outside the alloy’s table/)).textContent).toMatch(/HRC/);
    fill(/^Hardness/, '42');
    await waitFor(() => expect(screen.queryByText(/Outside the alloy’s table/)).toBeNull());
  });

  it('its features bring their operations, by side in setups, and go in as one file', async () => {
    const asked = open({ 'POST /api/jobs/import': { job: { id: 'new' }, setups: [] } });
    await screen.findByLabelText('Number');
    fill('Number', 'GW-10');
    fill('Part', 'Seat');
    take('Alloy', 'S32750');
    take('Machine', 'horizontal');
    fireEvent.change(screen.getByLabelText('Feature'), { target: { value: 'slot' } });
    fill(/^Width/, '12');
    fill(/^Depth/, '6');
    fireEvent.click(screen.getByRole('button', { name: 'Add feature' }));
    fireEvent.change(screen.getByLabelText('Feature'), { target: { value: 'hole' } });
    fireEvent.change(screen.getByLabelText('From'), { target: { value: 'bottom' } });
    fill('Thread', 'M8');
    fill(/^Depth/, '16');
    fireEvent.click(screen.getByRole('button', { name: 'Add feature' }));
    create();
    await waitFor(() => expect(asked.some((a) => a.path === '/api/jobs/import')).toBe(true), {
      timeout: 15_000,
    });
    const file = asked.find((a) => a.path === '/api/jobs/import')!.body as JobFile;
    expect(file.setups.map((s) => s.plan.up)).toEqual(['top', 'bottom']);
    expect(file.setups[0]!.operations.map((o) => o.name)).toEqual(['Mill slot']);
    expect(file.setups[1]!.operations.length).toBeGreaterThanOrEqual(2);
    expect(file.setups[1]!.operations.every((o) => o.hole === 0)).toBe(true);
    expect(file.holes[0]!.demand.thread).toBe('M8');
    const named = file.setups.flatMap((s) =>
      s.operations.flatMap((o) => o.variants.map((v) => v.document.tooling.cutterId)),
    );
    expect(file.crib.cutters.map((c) => c.id).sort()).toEqual([...new Set(named)].sort());
  }, 30_000);
});
