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
const confidence = (field: string): string => {
  const row = screen.getAllByRole('row').find((r) => r.querySelector('td')?.textContent === field)!;
  return row.querySelectorAll('td')[2]!.textContent!;
};

describe('crib entry', () => {
  it('says for each value how far it is to be trusted and where it is from', () => {
    open(builtIn);
    expect(confidence('density kg m3')).toBe('high: metals-handbook property tables');
    expect(confidence('kienzle')).toMatch(
      /machining textbook kc tables.*; estimate: radial to tangential, wear force$/,
    );
    expect(confidence('taylor milling coated carbide')).toMatch(/; estimate$/);
    expect(confidence('hazards')).toBe('high');
    expect(confidence('iso513 group')).toBe('ISO 513');
  });

  it('shows a span as middle and ends', () => {
    open(builtIn);
    expect(screen.getByText('2700 (2350 to 3100)')).toBeTruthy();
  });

  it('lets a built-in be copied but not changed, and a reader do neither', () => {
    open(builtIn);
    const buttons = (): string[] =>
      within(screen.getByRole('dialog'))
        .getAllByRole('button')
        .map((b) => b.textContent || b.getAttribute('aria-label')!);
    expect(buttons()).toEqual(['Close', 'Copy to shop crib']);
    cleanup();
    open(own, false);
    expect(buttons()).toEqual(['Close']);
    cleanup();
    open(own);
    expect(buttons()).toEqual(['Close', 'Copy to shop crib', 'Change', 'Remove']);
  });

  it('sends a change with its version and keeps the text when it is refused', async () => {
    const asked = open(own, true, { 'PUT /api/crib/alloys/our-718': new Error('kc11 must rise') });
    fireEvent.click(screen.getByRole('button', { name: 'Change' }));
    const record = screen.getByLabelText<HTMLTextAreaElement>('Record as JSON');
    fireEvent.change(record, { target: { value: '{ not json' } });
    fireEvent.click(screen.getByRole('button', { name: 'Save' }));
    expect((await screen.findByRole('alert')).textContent).toMatch(/JSON/);
    expect(asked).toEqual([]);
    fireEvent.change(record, { target: { value: '{"id":"our-718"}' } });
    fireEvent.click(screen.getByRole('button', { name: 'Save' }));
    await waitFor(() => expect(screen.getByRole('alert').textContent).toBe('kc11 must rise'));
    expect(asked[0]!.body).toEqual({ version: 4, document: { id: 'our-718' } });
    expect(record.value).toBe('{"id":"our-718"}');
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
