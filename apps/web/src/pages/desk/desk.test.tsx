import { EMPTY_JOB_PLAN } from '@burl/core';
import { type Desk as DeskAnswer, JOB_STATUSES, type JobSummary } from '@burl/contract';
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { CRIB } from '../../../test/crib.ts';
import { person, pretendServer, show } from '../../../test/page.tsx';
import { Desk } from './desk.tsx';

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const job = (change: Partial<JobSummary>): JobSummary => ({
  id: 'j1',
  number: 'GW-1',
  part: 'Bonnet',
  customer: 'Geothermal wellheads',
  alloyId: '718-aged',
  machineId: 'vmc40-15kw-belt',
  quantity: 12,
  plan: EMPTY_JOB_PLAN,
  heatLot: 'G-17',
  due: null,
  notes: '',
  status: 'draft',
  revision: 1,
  revisionReason: null,
  version: 1,
  updatedAt: new Date().toISOString(),
  updatedBy: 'Ada Eder',
  alloy: 'Alloy 718, aged',
  machine: 'Vertical 40 taper',
  operations: 2,
  pending: false,
  minutes: 31.25,
  governing: { state: 'over', limit: 'wall deflection', operation: 'Rough pocket', operationId: 'o1' },
  ...change,
});
const JOBS = [
  job({}),
  job({
    id: 'j2',
    number: 'CV-2',
    part: 'Valve',
    customer: 'Cryogenic valves',
    status: 'requested',
    governing: null,
    heatLot: '',
  }),
  job({
    id: 'j3',
    number: 'TT-3',
    part: 'Hub',
    customer: 'Tidal',
    status: 'released',
    governing: { state: 'clear', limit: 'x', operation: 'y', operationId: 'z' },
  }),
];
const deskOf = (jobs: readonly JobSummary[]): DeskAnswer =>
  Object.fromEntries(
    JOB_STATUSES.map((s) => {
      const here = jobs.filter((j) => j.status === s);
      return [s, { jobs: here, total: here.length }];
    }),
  ) as unknown as DeskAnswer;
const open = (role: 'engineer' | 'floor', more: Record<string, unknown> = {}) => {
  const asked = pretendServer({
    'GET /api/desk': deskOf(JOBS),
    'GET /api/desk?search=cryo+valve': deskOf([JOBS[1]!]),
    'GET /api/desk?search=zirconium': deskOf([]),
    'GET /api/session': { person: person(role), demo: [] },
    'GET /api/crib': CRIB,
    ...more,
  });
  show(<Desk />);
  return asked;
};

describe('desk', () => {
  it('sorts jobs by what they wait for, each with its governing limit, minutes, who and when', async () => {
    open('engineer');
    const column = async (name: string) => within(await screen.findByRole('region', { name }));
    const draft = await column('Draft');
    expect(draft.getByText('wall deflection, Rough pocket')).toBeTruthy();
    expect(draft.getByText('Over limit')).toBeTruthy();
    expect(draft.getByText('31.3 min')).toBeTruthy();
    expect(draft.getByText(/Ada Eder, less than a minute ago/)).toBeTruthy();
    expect((await column('Awaiting release')).getByText('no operations yet')).toBeTruthy();
    expect((await column('Prove out')).getByText('2 operations')).toBeTruthy();
  });

  it('shows the jobs together with what the floor found, which would move them if it came later', async () => {
    open('engineer');
    cleanup();
    const answered = vi.mocked(fetch);
    let come = (): void => undefined;
    const held = new Promise<void>((resolve) => (come = resolve));
    vi.stubGlobal('fetch', async (path: string, init?: RequestInit) => {
      if (path === '/api/findings') await held;
      return answered(path, init);
    });
    show(<Desk />);
    expect(screen.getByRole('status')).toBeTruthy();
    await new Promise((resolve) => setTimeout(resolve, 50));
    expect(screen.queryByText('GW-1 Bonnet')).toBeNull();
    come();
    expect(await screen.findByText('GW-1 Bonnet')).toBeTruthy();
  });

  it('leads each role where its work is', async () => {
    open('engineer');
    const to = (name: RegExp): string | null => screen.getByRole('link', { name }).getAttribute('href');
    await screen.findByText('GW-1 Bonnet');
    expect([to(/GW-1/), to(/CV-2 Valve/), to(/^TT-3/)]).toEqual(['/jobs/j1', '/jobs/j2/release', '/jobs/j3']);
    cleanup();
    open('floor');
    await screen.findByText('GW-1 Bonnet');
    await waitFor(() => expect(to(/TT-3/)).toBe('/jobs/j3/floor'));
    expect(screen.queryByRole('button', { name: 'New job' })).toBeNull();
  });

  it('finds by number, part, customer and lot, and says when nothing matches', async () => {
    open('engineer');
    const search = await screen.findByLabelText('Search jobs');
    fireEvent.change(search, { target: { value: 'cryo valve' } });
    await waitFor(() => expect(screen.queryByText('GW-1 Bonnet')).toBeNull());
    expect(screen.getByText('CV-2 Valve')).toBeTruthy();
    fireEvent.change(search, { target: { value: 'zirconium' } });
    await waitFor(() => expect(screen.queryByText('CV-2 Valve')).toBeNull());
    expect(screen.getAllByText('Nothing here matches the search.')).toHaveLength(3);
  });

  it('says of a job whose numbers are being worked out that they are, and asks again', async () => {
    const answers: Record<string, unknown> = {
      'GET /api/session': { person: person('engineer'), demo: [] },
      'GET /api/desk': deskOf([job({ pending: true, governing: null })]),
    };
    pretendServer(answers);
    show(<Desk />);
    expect(await screen.findByText('calculating…')).toBeTruthy();
    expect(screen.queryByText(/ min$/)).toBeNull();
    answers['GET /api/desk'] = deskOf([job({})]);
    expect(await screen.findByText('31.3 min', {}, { timeout: 6000 })).toBeTruthy();
  });

  it('brings more of a column on demand, each once', async () => {
    const asked = open('engineer', {
      'GET /api/desk': { ...deskOf(JOBS), draft: { jobs: [job({})], total: 33 } },
      'GET /api/jobs?status=draft&before=j1&most=30': [
        job({}),
        ...Array.from({ length: 2 }, (_, i) => job({ id: `m${i}`, number: `GW-${50 + i}` })),
      ],
    });
    const draft = within(await screen.findByRole('region', { name: 'Draft' }));
    expect(draft.getByText('33')).toBeTruthy();
    fireEvent.click(draft.getByRole('button', { name: '30 more of 32' }));
    expect(await draft.findByText('GW-51 Bonnet')).toBeTruthy();
    expect(draft.getAllByText('GW-1 Bonnet')).toHaveLength(1);
    expect(draft.getByRole('button', { name: '30 more of 30' })).toBeTruthy();
    expect(asked.filter((a) => a.path.startsWith('/api/jobs?'))).toHaveLength(1);
  });

  it('says what failed and tries again', async () => {
    pretendServer({ 'GET /api/session': { person: person('engineer'), demo: [] } });
    show(<Desk />);
    expect(await screen.findByText('Could not load the jobs')).toBeTruthy();
    pretendServer({ 'GET /api/desk': deskOf(JOBS) });
    fireEvent.click(screen.getByRole('button', { name: 'Try again' }));
    expect(await screen.findByText('GW-1 Bonnet')).toBeTruthy();
  });
});
