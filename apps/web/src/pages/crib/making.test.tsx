import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { CRIB } from '../../../test/crib.ts';
import { pretendServer, show } from '../../../test/page.tsx';
import { toolOutline } from '@burl/core';
import { ImportDialog } from './files/import-dialog.tsx';
import { blankEntry, idFrom } from './making/blank.ts';
import { FAMILIES } from './making/family-fields.tsx';
import { NewEntryDialog } from './making/new-entry-dialog.tsx';
import { problemsOf } from './form/problems.ts';
import { ShelfCard } from './shelf-card.tsx';

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const typed = (label: string | RegExp, text: string): void => {
  const field = screen.getByLabelText(label);
  fireEvent.change(field, { target: { value: text } });
  fireEvent.blur(field);
};

describe('every family', () => {
  it('makes an entry that can be saved from nothing but its own usual numbers', () => {
    for (const kind of ['cutters', 'holders', 'machines'] as const) {
      expect(FAMILIES[kind].length).toBeGreaterThan(4);
      for (const family of FAMILIES[kind]) {
        const made = family.make({});
        expect([family.id, [...made.problems]]).toEqual([family.id, []]);
        expect([family.id, [...problemsOf(kind, made.document)]]).toEqual([family.id, []]);
        expect(made.followed.length).toBeGreaterThan(3);
        for (const f of made.fields) expect(Number(made.usual[f.key])).toBeGreaterThanOrEqual(0);
      }
    }
  });

  it('can be drawn', () => {
    for (const family of FAMILIES.cutters) {
      const outline = toolOutline(family.make({}).document as never)!;
      expect([family.id, outline === null]).toEqual([family.id, false]);
      const { points, length } = outline;
      expect(
        points.every(
          (p, i) =>
            p.heightMm >= 0 &&
            p.heightMm <= length + 1e-9 &&
            p.radiusMm >= 0 &&
            (i === 0 || p.heightMm >= points[i - 1]!.heightMm - 1e-9),
        ),
      ).toBe(true);
    }
  });
});

describe('a new cutter', () => {
  const open = () => {
    const asked = pretendServer({ 'POST /api/crib/cutters/new': { id: 'x' } });
    const made = vi.fn();
    show(<NewEntryDialog kind="cutters" crib={CRIB} onClose={vi.fn()} onMade={made} />);
    return { asked, made };
  };

  it('follows from diameter, flutes and reach, and the rules are shown', async () => {
    const { asked, made } = open();
    fireEvent.change(screen.getByLabelText('Ground for'), { target: { value: 'titanium' } });
    typed(/^Diameter/, '16');
    typed(/^Flutes/, '5');
    const follows = within(screen.getByRole('table', { name: 'What follows' }));
    expect(follows.getByText('next standard shank, DIN 6535').previousSibling!.textContent).toBe(
      '16\u00a0mm',
    );
    expect(screen.getByRole('img').getAttribute('aria-label')).toContain('16\u00a0mm');
    fireEvent.click(screen.getByRole('button', { name: 'Create' }));
    await waitFor(() => expect(made).toHaveBeenCalledWith('x'));
    expect(asked.find((a) => a.method === 'POST')!.body).toMatchObject({
      madeBy: 'from the family end mill, solid carbide',
      document: {
        properties: { DC: 16, ZEFP: 5 },
        extended: { pitch: 'variable' },
        suits_iso_groups: ['S', 'M'],
      },
    });
  });

  it('says at its field what cannot be', () => {
    open();
    typed(/^Diameter/, '900');
    expect(screen.getByRole('alert').textContent).toBe('allowed: 0.5 to 32');
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Create' }).disabled).toBe(true);
  });

  it('from scratch asks for what is needed, field by field', () => {
    open();
    fireEvent.change(screen.getByLabelText('From'), { target: { value: 'scratch' } });
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Create' }).disabled).toBe(true);
    expect(screen.getAllByRole('alert').some((a) => /needed/.test(a.textContent!))).toBe(true);
    expect(screen.getByRole('dialog').textContent).not.toMatch(/[{}]|_/);
  });

  it('gets an id of its own', () => {
    expect(idFrom('Fräser 12 × 5', new Set())).toBe('shop-fraser-12-x-5');
    expect(idFrom('A', new Set(['shop-a', 'shop-a-2']))).toBe('shop-a-3');
    expect(blankEntry('holders')).toMatchObject({ interfaces: [] });
  });
});

describe('a file', () => {
  const report = {
    rows: 2,
    added: ['A', 'B'],
    changed: [],
    counts: { added: 2, changed: 0, shelves: 0 },
    same: 0,
    problems: [],
    more: 0,
    unread: ['Colour'],
    saved: false,
  };
  const choose = async (answer: unknown) => {
    const asked = pretendServer({ 'POST /api/crib/cutters/import': answer });
    const close = vi.fn();
    show(<ImportDialog kind="cutters" onClose={close} />);
    const file = new File(['Name,DC\nA,6'], 'tools.csv', { type: 'text/csv' });
    Object.defineProperty(file, 'text', { value: async () => 'Name,DC\nA,6' });
    fireEvent.change(screen.getByLabelText('Crib file'), { target: { files: [file] } });
    await screen.findByText(/rows/);
    return { asked, close };
  };

  it('is told before anything is brought in, and brought in when asked', async () => {
    const { asked } = await choose(report);
    expect(asked.map((a) => (a.body as { dryRun: boolean }).dryRun)).toEqual([true]);
    expect(screen.getByText('Columns nobody reads here: Colour')).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Import 2 cutters' }));
    await waitFor(() => expect(asked.filter((a) => a.method === 'POST')).toHaveLength(2));
    expect((asked[1]!.body as { dryRun: boolean }).dryRun).toBe(false);
  });

  it('shows what to mend by row and column, and brings in nothing', async () => {
    await choose({
      ...report,
      counts: { added: 1, changed: 0, shelves: 0 },
      problems: [{ row: 3, column: 'DC', value: 'six', allowed: 'a number' }],
    });
    const row = within(screen.getByRole('region', { name: 'What to mend' })).getAllByRole('row')[1]!;
    expect([...row.querySelectorAll('td')].map((c) => c.textContent)).toEqual(['3', 'DC', 'six', 'a number']);
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Import' }).disabled).toBe(true);
  });
});

describe('the shelf', () => {
  it('is taken from one by one, with the version it was seen at', async () => {
    const asked = pretendServer({ 'PUT /api/crib/cutters/drill-5-8xd/stock': {} });
    const stock = { cutterId: 'drill-5-8xd', edges: 1, place: 'Drawer', price: 40, version: 3 };
    show(<ShelfCard cutterId="drill-5-8xd" stock={stock} edit />);
    fireEvent.click(screen.getByRole('button', { name: 'Take one edge' }));
    await waitFor(() => expect(asked.some((a) => a.method === 'PUT')).toBe(true));
    expect(asked.find((a) => a.method === 'PUT')!.body).toEqual({
      version: 3,
      edges: 0,
      place: 'Drawer',
      price: 40,
      reason: 'taken from the shelf',
    });
    cleanup();
    const twice = pretendServer({
      'PUT /api/crib/cutters/drill-5-8xd/stock': { ...stock, edges: 8, version: 4 },
    });
    show(<ShelfCard cutterId="drill-5-8xd" stock={{ ...stock, edges: 9 }} edit />);
    const take = screen.getByRole('button', { name: 'Take one edge' });
    fireEvent.click(take);
    fireEvent.click(take);
    await waitFor(() => expect(twice.filter((a) => a.method === 'PUT')).toHaveLength(2));
    expect(twice.filter((a) => a.method === 'PUT').map((a) => a.body)).toMatchObject([
      { version: 3, edges: 8 },
      { version: 4, edges: 7 },
    ]);
    cleanup();
    show(<ShelfCard cutterId="drill-5-8xd" stock={{ ...stock, edges: 0 }} edit />);
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Take one edge' }).disabled).toBe(true);
  });
});
