import type { CribEntry } from '@burl/contract';
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { CRIB } from '../../../test/crib.ts';
import { pretendServer, show } from '../../../test/page.tsx';
import { COLUMNS } from './columns.ts';
import { EntryDialog } from './entry-dialog.tsx';

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const builtIn = CRIB.alloys.find((a) => a.id === '718-aged')!;
const own: CribEntry<'alloys'> = {
  ...builtIn,
  id: 'our-718',
  origin: 'shop',
  copiedFrom: '718-aged',
  version: 4,
  document: { ...builtIn.document, id: 'our-718' },
};
const open = (entry: CribEntry<'alloys'>, edit = true, answers: Record<string, unknown> = {}) => {
  const asked = pretendServer(answers);
  show(
    <EntryDialog entry={entry} kind="alloys" crib={CRIB} edit={edit} onCopy={vi.fn()} onClose={vi.fn()} />,
  );
  return asked;
};
const confidence = (field: RegExp): string => {
  const row = screen.getAllByRole('row').find((r) => field.test(r.querySelector('td')?.textContent ?? ''))!;
  return row.querySelectorAll('td')[2]!.textContent!;
};

describe('crib entry', () => {
  it('says for each value how far it is to be trusted and where it is from', () => {
    open(builtIn);
    expect(confidence(/^Density/)).toBe('high: metals-handbook property tables');
    expect(confidence(/^kc1\.1/)).toMatch(/machining textbook kc tables/);
    expect(confidence(/^taylor milling/i)).toMatch(/; estimate$/);
    expect(confidence(/^hazards/i)).toBe('high');
    expect(confidence(/^ISO 513/)).toBe('ISO 513');
  });

  it('shows a span as middle and ends, and no key of the record', () => {
    open(builtIn);
    expect(screen.getByText('2700 (2350 to 3100)')).toBeTruthy();
    expect(screen.getByRole('dialog').textContent).not.toMatch(/_|[{}]/);
  });

  it('says who set a value, and tells what was changed from what to what', async () => {
    const deed = {
      at: '2026-11-20T10:00:00.000Z',
      person: 'Ada Eder',
      action: 'changed crib entry',
      reason: 'from our own cuts',
      changes: [{ path: 'kienzle.kc11_n_mm2.typical', before: 2600, after: 2700 }],
    };
    open(own, true, { 'GET /api/crib/alloys/our-718/history': [deed] });
    await waitFor(() => expect(confidence(/^kc1\.1/)).toBe('Ada Eder, 20 Nov 2026: from our own cuts'));
    expect(screen.getByText('kc1.1: 2600 → 2700')).toBeTruthy();
  });

  it('lets a built-in be copied and retired but not changed, and a reader do neither', () => {
    open(builtIn);
    const buttons = (): string[] =>
      within(screen.getByRole('dialog'))
        .getAllByRole('button')
        .map((b) => b.textContent || b.getAttribute('aria-label')!);
    expect(buttons()).toEqual(['Close', 'Copy to shop crib', 'Retire']);
    cleanup();
    open(own, false);
    expect(buttons()).toEqual(['Close']);
    cleanup();
    open(own);
    expect(buttons()).toEqual(['Close', 'Copy to shop crib', 'Edit', 'Retire', 'Remove']);
  });

  it('is changed in a form: what cannot be is said at its field, what can goes with its version and reason', async () => {
    const asked = open(own, true, { 'PUT /api/crib/alloys/our-718': { ...own, version: 5 } });
    fireEvent.click(screen.getByRole('button', { name: 'Edit' }));
    const usual = screen.getByLabelText<HTMLInputElement>('kc1.1, usual');
    const type = (text: string): void => {
      fireEvent.change(usual, { target: { value: text } });
      fireEvent.blur(usual);
    };
    type('9');
    expect(screen.getByRole('alert').textContent).toMatch(/must rise|allowed/);
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Save' }).disabled).toBe(true);
    type('2800');
    fireEvent.change(screen.getByLabelText('Why (kept with the change)'), { target: { value: 'own cuts' } });
    fireEvent.click(screen.getByRole('button', { name: 'Save' }));
    await waitFor(() => expect(asked.some((a) => a.method === 'PUT')).toBe(true));
    expect(asked.find((a) => a.method === 'PUT')!.body).toMatchObject({
      version: 4,
      reason: 'own cuts',
      document: {
        kienzle: { kc11_n_mm2: { low: 2350, typical: 2800, high: 3100 } },
        density_kg_m3: builtIn.document.density_kg_m3,
      },
    });
  });

  it('puts together what two people changed, and asks where both changed one value', async () => {
    const theirs = {
      ...own,
      version: 5,
      document: { ...own.document, notes: 'theirs', density_kg_m3: 8200 },
    };
    let answer: unknown = null;
    const asked: { version: number; document: { notes: string; density_kg_m3: number } }[] = [];
    vi.stubGlobal('fetch', async (_path: string, init: { method?: string; body?: string } = {}) => {
      if (init.method !== 'PUT') return new Response('[]', { status: 200 });
      asked.push(JSON.parse(init.body!) as (typeof asked)[number]);
      answer = asked.length === 1 ? { error: 'stale', message: 'meanwhile', current: theirs } : theirs;
      return new Response(JSON.stringify(answer), { status: asked.length === 1 ? 409 : 200 });
    });
    show(<EntryDialog entry={own} kind="alloys" crib={CRIB} edit onCopy={vi.fn()} onClose={vi.fn()} />);
    fireEvent.click(screen.getByRole('button', { name: 'Edit' }));
    const note = screen.getByLabelText('Note');
    fireEvent.change(note, { target: { value: 'mine' } });
    fireEvent.click(screen.getByRole('button', { name: 'Save' }));
    expect((await screen.findByRole('button', { name: 'Mine: mine' })).textContent).toBeTruthy();
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Save' }).disabled).toBe(true);
    fireEvent.click(screen.getByRole('button', { name: 'Theirs: theirs' }));
    fireEvent.click(screen.getByRole('button', { name: 'Save' }));
    await waitFor(() => expect(asked).toHaveLength(2));
    expect(asked[1]).toMatchObject({ version: 5, document: { notes: 'theirs', density_kg_m3: 8200 } });
  });
});

describe('columns', () => {
  it('have a cell for every head in every table, for every entry shipped', () => {
    for (const kind of ['alloys', 'machines', 'cutters', 'holders'] as const) {
      for (const entry of CRIB[kind]) {
        const { cells } = COLUMNS[kind].row(entry as never, 'metric');
        expect([entry.id, cells.length]).toEqual([entry.id, COLUMNS[kind].heads('metric').length]);
        expect([entry.id, cells.includes(undefined as never)]).toEqual([entry.id, false]);
      }
    }
  });

  it('say where an entry comes from', () => {
    expect(COLUMNS.alloys.row(builtIn, 'metric').cells.at(-1)).toBe('built-in');
    expect(COLUMNS.alloys.row(own, 'metric').cells.at(-1)).toBe('shop, from 718-aged');
  });
});
