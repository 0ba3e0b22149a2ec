import { evaluate } from '@burl/core';
import type { Release } from '@burl/contract';
import { cleanup, render, screen } from '@testing-library/react';
import { createMemoryRouter, RouterProvider } from 'react-router';
import { SWRConfig } from 'swr';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { example } from '../../../test/crib.ts';
import { pretendServer } from '../../../test/page.tsx';
import { PreferencesProvider } from '../../frame/preferences.tsx';
import FloorPage from './floor-page.tsx';

afterEach(() => {
  cleanup();
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

function open(answers: Record<string, unknown>, units: 'metric' | 'inch' = 'metric'): void {
  localStorage.setItem('burl.theme', 'light');
  localStorage.setItem('burl.units', units);
  pretendServer(answers);
  const router = createMemoryRouter([{ path: '/jobs/:job/floor', element: <FloorPage /> }], {
    initialEntries: ['/jobs/j1/floor'],
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
    expect(screen.getByRole('region', { name: 'Prove-out' }).querySelectorAll('li').length).toBeGreaterThan(
      4,
    );
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

  it('warns off a job that was never released', async () => {
    open({});
    expect((await screen.findByRole('alert')).textContent).toMatch(
      /Nothing is released for this job\. Do not run from a draft\./,
    );
  });
});
