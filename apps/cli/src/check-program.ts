import { createReadStream } from 'node:fs';
import {
  type BlankSizes,
  type CheckResult,
  checkStream,
  type CheckSettings,
  type Finding,
  type GuessedStock,
  guessStockOfStream,
  InputError,
  type ProgramOperation,
  speak,
  type Stock,
  stockBlock,
  type System,
} from '@burl/core';

/** Pieces a file is read in: its bytes one by one as characters, so that whatever stands there comes out again. */
const PIECE = 1 << 20;
export const chunksOf = (path: string) => (): AsyncIterable<string> =>
  createReadStream(path, { encoding: 'latin1', highWaterMark: PIECE });

/** A block as `x0,y0,z0,x1,y1,z1` in mm. Throws an InputError. */
export function blockOf(text: string): Stock {
  const numbers = text.split(',').map(Number);
  const right = numbers.length === 6 && numbers.every(Number.isFinite);
  if (!right || [0, 1, 2].some((i) => numbers[i + 3]! <= numbers[i]!))
    throw new InputError([
      { field: '--block', value: text, allowed: 'x0,y0,z0,x1,y1,z1 in mm, each second one over its first' },
    ]);
  const [x0, y0, z0, x1, y1, z1] = numbers as [number, number, number, number, number, number];
  return stockBlock([x0, y0, z0], [x1, y1, z1]);
}

export interface CheckWish {
  readonly path: string;
  readonly operations: readonly ProgramOperation[];
  readonly stock: Stock | null;
  readonly blank: BlankSizes | null;
  readonly cellMm: number;
  readonly inheritance: CheckSettings['inheritance'];
}

/** What a program is looked at with; the job's blank or a block round its path where nobody said what it begins with. */
export async function settingsOf({
  path,
  operations,
  stock,
  blank,
  cellMm,
  inheritance,
}: CheckWish): Promise<{ settings: CheckSettings; assumed: GuessedStock['from'] | null }> {
  const guessed = stock ? null : await guessStockOfStream(chunksOf(path), blank);
  const begins = stock ?? guessed?.stock ?? null;
  const machine = operations[0]?.context.machine ?? null;
  const clear = begins ? begins.high[2] + 1 : null;
  return {
    settings: {
      operations,
      machine,
      stock: begins,
      cellMm,
      clearPlaneMm: clear,
      ...(inheritance && { inheritance }),
    },
    assumed: guessed?.from ?? null,
  };
}

/** Checks a file of any length by the piece. */
export const checkFile = (path: string, settings: CheckSettings): Promise<CheckResult> =>
  checkStream(chunksOf(path), settings);

/** 0 nothing that stops it, 1 a stop or a fault. */
export const exitCodeOfCheck = (findings: readonly Finding[]): number =>
  findings.some((f) => f.gravity === 'stop' || f.gravity === 'fault') ? 1 : 0;

/** The findings as a person reads them in a terminal. */
export function checkReport(
  result: CheckResult,
  assumed: GuessedStock['from'] | null,
  seconds: number,
  system: System,
): string {
  const { summary, findings, blocks } = result;
  const minutes = summary.feedMinutes + summary.rapidMinutes + summary.dwellMinutes;
  const words = (f: Finding): string =>
    `${f.gravity.padEnd(5)} line ${f.line}${f.count > 1 ? ` and ${f.count - 1} more` : ''}: ${f.title}. ${speak(f.what, system)} ${speak(f.remedy, system)}`;
  return [
    `${result.read.lines.toLocaleString('en')} lines, ${blocks.toLocaleString('en')} moves, ${minutes.toFixed(1)} min at ${summary.feedMm.toFixed(0)} mm of feed`,
    ...(assumed === 'blank'
      ? ['Material: the blank of the job, its zero where the path fits it; say it with --block']
      : assumed === 'path'
        ? ['Material: a block round the path, assumed; say it with --block']
        : []),
    ...(findings.length === 0 ? ['Nothing found.'] : findings.map(words)),
    `${(blocks / Math.max(seconds, 1e-3)).toFixed(0)} moves a second${result.cellMm ? `; grid ${result.cellMm.toFixed(2)} mm, ${(result.gridBytes / 1e6).toFixed(0)} MB` : ''}`,
  ].join('\n');
}
