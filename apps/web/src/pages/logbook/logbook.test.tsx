import { NOTHING_SEEN } from '@burl/core';
import type { Proposal, Trial } from '@burl/contract';
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { CRIB } from '../../../test/crib.ts';
import { person, pretendServer, show } from '../../../test/page.tsx';
import { Learning } from './learning.tsx';
import LogbookPage from './logbook-page.tsx';

afterEach(() => {
  cleanup();
  localStorage.clear();
  vi.unstubAllGlobals();
});

const FAMILY = 'end_mill_bull/wc-fine-10co/altin';
const trial = (id: string, change: Partial<Trial> = {}): Trial => ({
  ...NOTHING_SEEN,
  id,
  at: '2026-11-20T09:30:00.000Z',
  receivedAt: '2026-11-20T09:30:01.000Z',
  jobId: 'j1',
  jobNumber: 'TT-0412',
  releaseId: 'r1',
  operationId: 'o1',
  operation: 'Rough lock pocket',
  kind: 'milling',
  alloyId: 'ti-6al-4v-sta',
  heatLot: 'T-0883',
  machineId: 'axis5-24k',
  machineSerial: 'A5-0117',
  cutterId: 'em-bull-12-z5-re0.5-var',
  edgeFamily: FAMILY,
  expectedRaUm: 1.1,
  edge: 1,
  features: 3,
  minutes: 44.7,
  ending: 'worn',
  speedRpm: 1700,
  cuttingSpeedMMin: 64.1,
  feedPerEdgeMm: 0.11,
  depthMm: 6,
  widthMm: 0.8,
  speedRatio: 0.7,
  taylorN: 0.2,
  speedSd: 0.25,
  expectedLife: 165,
  expectedLifeLow: 32,
  expectedLifeHigh: 850,
  expectedLoad: 7,
  edgeKw: 0.3,
  fullKw: 10,
  note: '',
  corrects: null,
  correctedBy: null,
  files: [],
  madeBy: 'Mira Fontaine',
  ...change,
});
const session = { person: person('engineer'), demo: [], demoAccounts: false };
const NO_WORDS = { alloyId: [], heatLot: [], machineSerial: [], cutterId: [], kind: [], ending: [] };

describe('the logbook', () => {
  const open = (answers: Record<string, unknown>) => {
    const asked = pretendServer({
      'GET /api/session': session,
      'GET /api/crib': CRIB,
      'GET /api/trial-facets': { ...NO_WORDS, ending: [{ key: 'worn', trials: 2 }] },
      ...answers,
    });
    show(<LogbookPage />);
    return asked;
  };

  it('names things by the crib, tells edges that were still good, and asks again when filtered', async () => {
    const asked = open({
      'GET /api/trials': {
        trials: [trial('a'), trial('b', { ending: 'changed', minutes: 99 })],
        count: { n: 2, more: false },
        next: null,
      },
      'GET /api/trials?ending=worn': { trials: [trial('a')], count: { n: 1, more: false }, next: null },
    });
    const rows = await screen.findAllByRole('row', { name: /TT-0412/ });
    expect(rows[0]!.textContent).toContain(
      'Corner-radius end mill 12 mm, 5 flutes, variable pitch and helix',
    );
    expect(rows[0]!.textContent).toMatch(/45\smin170\smin expected/);
    expect(rows[1]!.textContent).toMatch(/> 99\smin/);
    expect(screen.getByText('2 trials')).toBeTruthy();
    fireEvent.change(await screen.findByLabelText('Outcome'), { target: { value: 'worn' } });
    await waitFor(() => expect(screen.getByText('1 trials')).toBeTruthy());
    expect(asked.some((a) => a.path === '/api/trials?ending=worn')).toBe(true);
  });

  it('shows what was measured on the surface beside what was expected, and how far the size was off', async () => {
    const measured = trial('a', { ending: 'changed', raUm: 1.4, rzUm: 7.2, sizeErrorMm: -0.012 });
    open({
      'GET /api/trials': { trials: [measured], count: { n: 1, more: false }, next: null },
      'GET /api/trials/a/diagnosis': { trial: measured, suspects: [], missing: null },
    });
    fireEvent.click(await screen.findByRole('button', { name: /20 Nov 2026/ }));
    const dialog = await screen.findByRole('dialog');
    await waitFor(() => expect(dialog.textContent).toMatch(/Surface/));
    const text = dialog.textContent!.replaceAll('\u00a0', ' ');
    expect(text).toMatch(/Ra 1\.4 µm; Rz 7\.2 µm; Ra 1\.1 µm expected/);
    expect(text).toMatch(/0\.012 mm off/);
  });

  it('says what ended an edge, likeliest first, with what would tell; the unlikely is folded', async () => {
    open({
      'GET /api/trials': {
        trials: [trial('a', { ending: 'broken', brokeAt: 'corner' })],
        count: { n: 1, more: false },
        next: null,
      },
      'GET /api/trials/a/diagnosis': {
        trial: trial('a', { ending: 'broken', brokeAt: 'corner' }),
        suspects: [
          {
            id: 'spike',
            name: 'Load spike',
            chance: 0.7,
            because: ['it broke in a corner'],
            against: [],
            test: 'Watch the meter',
          },
          {
            id: 'heat',
            name: 'Too hot: speed',
            chance: 0.03,
            because: [],
            against: ['silver chips'],
            test: 'Run slower',
          },
        ],
        missing: null,
      },
    });
    fireEvent.click(await screen.findByRole('button', { name: /20 Nov 2026/ }));
    const found = within(await screen.findByRole('region', { name: 'What happened' }));
    expect(found.getAllByRole('listitem')).toHaveLength(1);
    expect(found.getByText('70%')).toBeTruthy();
    expect(found.getByText(/For it: it broke in a corner/)).toBeTruthy();
    expect(found.getByText(/Unlikely here: too hot \(3%\)/)).toBeTruthy();
  });
});

describe('learning', () => {
  const names = {
    alloy: (id: string) => id,
    cutter: (id: string) => id,
    machine: (id: string) => id,
    family: () => 'Bull-nose end mill',
  };
  const proposal: Proposal = {
    question: { kind: 'life', alloyId: 'ti-6al-4v-sta', edgeFamily: FAMILY, leftOut: [] },
    numbers: [
      {
        name: '30-minute speed over the library’s',
        unit: '×',
        before: [0.65, 1, 1.54],
        after: [0.74, 0.87, 1.02],
      },
    ],
    trials: [{ trial: trial('11111111-2222-4333-8444-555555555555'), z: -2.9, outlier: true, leftOut: null }],
    lots: [{ heatLot: 'T-9', factor: [0.7, 0.8, 0.9], departs: true, trials: 4 }],
    changes: [
      {
        jobId: 'j2',
        jobNumber: 'TT-0420',
        operationId: 'o2',
        operation: 'Rough plate pocket',
        before: 'tight',
        after: 'clear',
        limit: 'cutting speed',
        lifeBefore: 61,
        lifeAfter: 29,
      },
    ],
    judged: 3,
    constants: [],
    stamp: 's',
  };

  it('shows what would change and which lot departs; a trial left out takes a reason and is asked without', async () => {
    const asked = pretendServer({
      'GET /api/fits': [{ alloyId: 'ti-6al-4v-sta', edgeFamily: FAMILY, trials: 34 }],
      'GET /api/learnt': [],
      'POST /api/fits': proposal,
    });
    show(<Learning names={names} edit />);
    fireEvent.click(await screen.findByRole('button', { name: /^Tool life: Bull-nose end mill/ }));
    const card = within(await screen.findByRole('region', { name: 'Proposal' }));
    expect(card.getByText('0.87 × (0.74–1.02)')).toBeTruthy();
    expect(card.getByText(/Lot T-9: speed 0.80 × the alloy’s .* departs from its alloy/)).toBeTruthy();
    expect(card.getByRole('link', { name: 'TT-0420 Rough plate pocket' })).toBeTruthy();
    expect(card.getByText(/^61\smin → 29\smin$/)).toBeTruthy();
    expect(card.getByText('outlier')).toBeTruthy();
    fireEvent.click(card.getByRole('button', { name: 'Leave out' }));
    const dialog = within(screen.getByRole('dialog'));
    expect(dialog.getByRole('button', { name: 'Leave out' }).hasAttribute('disabled')).toBe(true);
    fireEvent.change(dialog.getByRole('textbox'), { target: { value: 'coolant line was off' } });
    fireEvent.click(dialog.getByRole('button', { name: 'Leave out' }));
    await waitFor(() =>
      expect(asked.filter((a) => a.method === 'POST').at(-1)!.body).toMatchObject({
        leftOut: [{ trial: '11111111-2222-4333-8444-555555555555', reason: 'coolant line was off' }],
      }),
    );
  });
});
