import 'fake-indexeddb/auto';
import { evaluate, NOTHING_SEEN } from '@burl/core';
import type { Release } from '@burl/contract';
import { cleanup, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { createMemoryRouter, RouterProvider } from 'react-router';
import { SWRConfig } from 'swr';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { example } from '../../../test/crib.ts';
import { person, pretendServer } from '../../../test/page.tsx';
import { PreferencesProvider } from '../../frame/preferences.tsx';
import { box } from '../../outbox/store.ts';
import FloorPage from './floor-page.tsx';

afterEach(async () => {
  cleanup();
  await box.waiting.clear();
  localStorage.clear();
  vi.unstubAllGlobals();
});

const released = ['Rough seal pocket A', 'Drill 6.8'].map((name, i) => {
  const { op, context } = example(name);
  return {
    operationId: `o${i}`,
    setup: 'Setup 1',
    name,
    variant: 'A',
    document: op,
    context,
    evaluation: evaluate(op, context),
    ...(i === 0 && {
      atMachine: {
        operationId: 'o0',
        program: '4711',
        programRevision: 'C',
        workOffset: 'G55',
        pocket: '3',
        gaugeLengthMm: 120,
      },
    }),
  };
});
const release = {
  id: 'r1',
  jobId: 'j1',
  revision: 3,
  state: 'released',
  requestedBy: 'Ada Eder',
  requestedAt: '2026-11-20T08:00:00.000Z',
  decidedBy: 'Leo Lindqvist',
  decidedAt: '2026-11-21T09:30:00.000Z',
  reason: 'first piece attended',
  snapshot: { job: { number: 'GW-1', part: 'Bonnet', quantity: 12, heatLot: 'G-17' }, operations: released },
} as unknown as Release;

function open(
  answers: Record<string, unknown>,
  units: 'metric' | 'inch' = 'metric',
  at = '/jobs/j1/floor',
): void {
  localStorage.setItem('burl.theme', 'light');
  localStorage.setItem('burl.units', units);
  pretendServer(answers);
  const router = createMemoryRouter([{ path: '/jobs/:job/floor', element: <FloorPage /> }], {
    initialEntries: [at],
  });
  render(
    <PreferencesProvider>
      <SWRConfig value={{ provider: () => new Map() }}>
        <RouterProvider router={router} />
      </SWRConfig>
    </PreferencesProvider>,
  );
}

describe('sheet on the floor', () => {
  it('carries revision, who released it, prove-out, big numbers and cautions of each operation', async () => {
    open({ 'GET /api/jobs/j1/sheet': release });
    expect(await screen.findByRole('heading', { level: 1, name: 'GW-1 Bonnet' })).toBeTruthy();
    expect(screen.getByText(/released by Leo Lindqvist on 21 Nov 2026/)).toBeTruthy();
    const tools = within(screen.getByRole('region', { name: 'Tools' }));
    expect(tools.getByText('T3')).toBeTruthy();
    expect(screen.getAllByText('not entered').length).toBeGreaterThan(1);
    for (const { name } of released) {
      const cautions = screen.getByRole('region', { name: `Cautions of ${name}` });
      expect(cautions.textContent).toMatch(/Guards closed.*qualified person decide/);
    }
    expect(screen.getByText('1,060 rpm')).toBeTruthy();
    expect(screen.getByText(/Pecks to 26\.01/)).toBeTruthy();
    expect(screen.getByText('Over limit')).toBeTruthy();
  });

  it('speaks inch when inch is set, on the page and in the PDF’s address', async () => {
    open({ 'GET /api/jobs/j1/sheet': release }, 'inch');
    expect(await screen.findByText('12.5 ipm')).toBeTruthy();
    expect(screen.getByRole('link', { name: /Letter/ }).getAttribute('href')).toBe(
      '/api/releases/r1/sheet.pdf?paper=letter&units=inch',
    );
  });

  it('prove-out steps are signed one by one, kept here first, and one that fails needs a word', async () => {
    open({ 'GET /api/jobs/j1/sheet': release, 'GET /api/session': { person: person('floor'), demo: [] } });
    const proof = within(await screen.findByRole('region', { name: 'Prove-out of Drill 6.8' }));
    fireEvent.click(proof.getByRole('button', { name: /^Done: Tool number/ }));
    await waitFor(() => expect(proof.getByText(/1 of 6 done/)).toBeTruthy());
    expect(proof.getByText(/waits to be sent/)).toBeTruthy();
    fireEvent.click(proof.getByRole('button', { name: /^Stop: You know which axis/ }));
    const dialog = within(screen.getByRole('dialog'));
    expect(dialog.getByRole('button', { name: 'Report' }).hasAttribute('disabled')).toBe(true);
    fireEvent.change(dialog.getByRole('textbox'), { target: { value: 'C axis moves first' } });
    fireEvent.click(dialog.getByRole('button', { name: 'Report' }));
    await waitFor(() => expect(proof.getByText(/Stopped: C axis moves first/)).toBeTruthy());
    expect(
      (await box.waiting.orderBy('order').toArray()).map((w) => w.kind === 'step' && w.body.result),
    ).toEqual(['done', 'failed']);
  });

  it('a trial takes the numbers as they were really run, and the next edge goes on from it', async () => {
    localStorage.setItem('burl.serial.vmc40-15kw-belt', 'SN-9');
    open({ 'GET /api/jobs/j1/sheet': release, 'GET /api/session': { person: person('floor'), demo: [] } });
    const log = await screen.findByRole('button', { name: /Log trial of Drill 6.8/ });
    fireEvent.click(log);
    const dialog = within(screen.getByRole('dialog'));
    fireEvent.click(dialog.getByRole('button', { name: 'Broken' }));
    expect(dialog.queryByRole('button', { name: 'Corner' })).toBeNull();
    fireEvent.click(dialog.getByRole('button', { name: 'Pecking' }));
    fireEvent.click(dialog.getByRole('button', { name: 'Speed override less' }));
    fireEvent.click(dialog.getByRole('button', { name: 'Speed override less' }));
    expect(dialog.getByRole('status').textContent).toMatch(/Really run: 594\srpm/);
    fireEvent.change(dialog.getByLabelText('Machine serial'), { target: { value: '' } });
    fireEvent.click(dialog.getByRole('button', { name: 'Log' }));
    expect(dialog.getByRole('alert').textContent).toMatch(/Machine serial is empty/);
    fireEvent.change(dialog.getByLabelText('Machine serial'), { target: { value: 'SN-9' } });
    fireEvent.click(dialog.getByRole('button', { name: 'Log' }));
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
    const [kept] = await box.waiting.toArray();
    expect(kept).toMatchObject({
      kind: 'trial',
      personId: 'floor',
      body: {
        operationId: 'o1',
        ending: 'broken',
        brokeAt: 'pecking',
        speedOverride: 90,
        machineSerial: 'SN-9',
      },
    });
    fireEvent.click(log);
    expect(within(screen.getByRole('dialog')).getByText('Edge 2')).toBeTruthy();
  });

  it('opens the form of just one operation by a link, for the edge that comes next', async () => {
    const before = { ...NOTHING_SEEN, id: 't1', operationId: 'o0', edge: 4, features: 2, ending: 'worn' };
    const last = {
      ...before,
      at: '2026-11-22T10:00:00.000Z',
      machineSerial: 'SN-9',
      heatLot: 'G-17',
      correctedBy: null,
    };
    open(
      {
        'GET /api/jobs/j1/sheet': release,
        'GET /api/jobs/j1/trials': [{ ...last, minutes: 12, madeBy: 'Mira' }],
      },
      'metric',
      '/jobs/j1/floor?log=o0',
    );
    const dialog = within(await screen.findByRole('dialog', { name: 'Log trial: Rough seal pocket A' }));
    expect(dialog.getByText('Edge 5')).toBeTruthy();
    expect(dialog.getByLabelText<HTMLInputElement>('Machine serial').value).toBe('SN-9');
    fireEvent.click(dialog.getByRole('button', { name: 'Cancel' }));
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
  });

  it('warns off a job that was never released', async () => {
    open({});
    expect((await screen.findByRole('alert')).textContent).toMatch(
      /Nothing is released for this job\. Do not run from a draft\./,
    );
  });
});
