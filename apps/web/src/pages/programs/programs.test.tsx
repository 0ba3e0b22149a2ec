import { describe, expect, it } from 'vitest';
import { checkText } from '../../workers/program-work.ts';
import { endOfLines } from './program-editor.tsx';
import { charactersOf } from '../../ui/file-text.ts';
import { fileOfText } from './source.ts';
import { placesOf } from './write-dialog.tsx';

const EVERY_BYTE = String.fromCharCode(...Array.from({ length: 256 }, (_, i) => i));

describe('text of a program', () => {
  it('comes out of a file, and goes into one, byte for byte', async () => {
    const file = fileOfText(EVERY_BYTE);
    expect(new Uint8Array(await file.arrayBuffer())).toEqual(Uint8Array.from({ length: 256 }, (_, i) => i));
    expect(await charactersOf(file)).toBe(EVERY_BYTE);
  });

  it.each([
    ['a\r\nb', '\r\n'],
    ['a\nb', '\n'],
    ['a\rb', '\r'],
    ['a', '\n'],
  ])('%j ends its lines by %j', (text, end) => expect(endOfLines(text)).toBe(end));
});

describe('places to write at', () => {
  it('are X and Y, one a line or behind a semicolon', () => {
    expect(placesOf('0 0\n 30, -12.5 ;48 0')).toEqual([
      { x: 0, y: 0 },
      { x: 30, y: -12.5 },
      { x: 48, y: 0 },
    ]);
  });

  it.each(['5', '1 2 3', 'x y'])('%s is told to be none', (text) => {
    expect(() => placesOf(text)).toThrow(`“${text}”`);
  });
});

describe('a program in the worker', () => {
  it('assumes a block round its path where nobody says the material, and tells how far it is', async () => {
    const text = `G21 G90\nT1 M6\nS900 M3\nG0 X0 Y0 Z5\nG1 Z-2 F100\n${Array.from({ length: 400 }, (_, i) => `X${i / 10} Y${(i % 7) / 10}`).join('\n')}\nM30\n`;
    const parts: number[] = [];
    const picture = await checkText(
      text,
      { operations: [], machine: null, stock: null, cellMm: 0.5, clearPlaneMm: null },
      () => undefined,
      (part) => parts.push(part),
    );
    expect(picture.stockAssumed).toBe('path');
    expect(picture.stock).toMatchObject({ low: [0, 0, -7], high: [39.9, 0.6, 0] });
    expect(picture.table.count).toBe(402);
    expect(picture.result!.summary.feedMinutes).toBeGreaterThan(0.3);
    expect(Math.max(...parts)).toBeGreaterThan(0.9);
  });

  it('shows the path of a long one before anything is worked out on it', async () => {
    const text = `G21 G90\nT1 M6\nS900 M3\nG0 X0 Y0 Z5\nG1 Z-2 F100\n${Array.from({ length: 4000 }, (_, i) => `X${i / 100} Y${(i % 7) / 10}`).join('\n')}\nM30\n`;
    const early: { blocks: number; done: boolean }[] = [];
    const picture = await checkText(
      text,
      { operations: [], machine: null, stock: null, cellMm: 0.5, clearPlaneMm: null },
      ({ table, result }) => early.push({ blocks: table.count, done: result !== null }),
      () => undefined,
    );
    expect(early[0]!.done).toBe(false);
    expect(early[0]!.blocks).toBeGreaterThan(500);
    expect(picture.table.count).toBe(4002);
    expect(picture.result).not.toBeNull();
  });
});
