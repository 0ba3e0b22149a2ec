import { InputError } from '../../../units/input-error.ts';
import type { Receptance } from '../tip-structure.ts';
import { readNumberTable } from './number-table.ts';
import { requireResponse, type ResponseKind, toReceptance } from './response-file.ts';

/** A table of a response as it was read. */
export interface ResponseTable {
  readonly receptance: Receptance;
  readonly kind: ResponseKind;
  /** Columns understood as. */
  readonly columns: 'real and imaginary' | 'amplitude and phase';
  readonly notes: readonly string[];
}

export interface CsvWish {
  /** What the numbers are, where the heading does not say. */
  readonly kind?: ResponseKind;
  /** Displacements in this many metres, where the heading does not say: 1e-6 for µm/N. */
  readonly unitM?: number;
}

const UNITS: readonly (readonly [RegExp, ResponseKind, number])[] = [
  [/(µm|μm|um)\s*\/\s*n/i, 'receptance', 1e-6],
  [/nm\s*\/\s*n/i, 'receptance', 1e-9],
  [/mm\s*\/\s*s(2|²|\^2)\s*\/\s*n|\(mm\/s(2|²|\^2)\)\s*\/\s*n/i, 'accelerance', 1e-3],
  [/m\s*\/\s*s(2|²|\^2)\s*\/\s*n|\(m\/s(2|²|\^2)\)\s*\/\s*n|1\/kg|m\/\(?n\s*s(2|²)/i, 'accelerance', 1],
  [/\bg\s*\/\s*n/i, 'accelerance', 9.80665],
  [/mm\s*\/\s*s\s*\/\s*n|\(mm\/s\)\s*\/\s*n/i, 'mobility', 1e-3],
  [/m\s*\/\s*s\s*\/\s*n|\(m\/s\)\s*\/\s*n|s\/kg/i, 'mobility', 1],
  [/mm\s*\/\s*n/i, 'receptance', 1e-3],
  [/m\s*\/\s*n/i, 'receptance', 1],
];

/**
 * Reads a table of a frequency response: frequency, then real and imaginary part or amplitude and phase, with units and
 * kind from the heading where it names them. Delimiters comma, semicolon, tab or blanks; decimal comma or point.
 * Phase in degrees, or in rad where no value exceeds 2π. Throws InputError naming the line that is wrong.
 */
export function readResponseCsv(text: string, wish: CsvWish = {}): ResponseTable {
  const table = readNumberTable(text, 2, 'frequency and two numbers');
  const heading = table.heading.join(' ');
  const rows = table.rows.map((r) => r.numbers);
  if (rows.length === 0 || rows[0]!.length < 3) {
    throw new InputError([
      { field: 'table', value: `${rows.length} rows of numbers`, allowed: 'frequency and two numbers a row' },
    ]);
  }
  const notes: string[] = [];
  const unit = UNITS.find(([pattern]) => pattern.test(heading));
  const named: ResponseKind | null = /acceleran|inertan/i.test(heading)
    ? 'accelerance'
    : /mobilit/i.test(heading)
      ? 'mobility'
      : /receptan|complian|dynamic flex/i.test(heading)
        ? 'receptance'
        : null;
  const kind = named ?? unit?.[1] ?? wish.kind ?? 'receptance';
  const factor = unit?.[2] ?? wish.unitM ?? 1;
  if (!named && !unit && wish.kind === undefined)
    notes.push('no unit in the heading: read as receptance in m/N');
  const polar = /phase|deg|°|arg\b/i.test(heading) || (!/imag/i.test(heading) && looksPolar(rows));
  const kilo = /khz/i.test(heading);
  const hz = Float64Array.from(rows, (r) => r[0]! * (kilo ? 1000 : 1));
  const second = rows.map((r) => r[2]!);
  const radians = polar && (/\brad/i.test(heading) || second.every((v) => Math.abs(v) <= 2 * Math.PI + 0.01));
  const angle = (v: number): number => (radians ? v : (v * Math.PI) / 180);
  const re = Float64Array.from(rows, (r) => factor * (polar ? r[1]! * Math.cos(angle(r[2]!)) : r[1]!));
  const im = Float64Array.from(rows, (r) => factor * (polar ? r[1]! * Math.sin(angle(r[2]!)) : r[2]!));
  if (polar) notes.push(`phase read in ${radians ? 'rad' : 'degrees'}`);
  let receptance = toReceptance(kind, { hz, re, im });
  requireResponse(receptance);
  // A tip gives way behind its force: where the sum of the imaginary part is above zero its sign was the other one.
  if (receptance.im.reduce((a, v) => a + v, 0) > 0) {
    receptance = { ...receptance, im: receptance.im.map((v) => -v) };
    notes.push('sign of the imaginary part turned: a tip lags its force');
  }
  return { receptance, kind, columns: polar ? 'amplitude and phase' : 'real and imaginary', notes };
}

/** Amplitudes are never below zero, and a phase keeps within a few turns while it spans more than amplitudes do. */
function looksPolar(rows: readonly (readonly number[])[]): boolean {
  const most = Math.max(...rows.map((r) => Math.abs(r[1]!)));
  return (
    rows.every((r) => r[1]! >= 0) &&
    rows.some((r) => Math.abs(r[2]!) > 20 * most) &&
    rows.every((r) => Math.abs(r[2]!) <= 400)
  );
}

/** A receptance as a table: Hz, real and imaginary part in m/N. */
export function writeResponseCsv({ hz, re, im }: Receptance): string {
  const rows = Array.from(hz, (f, i) => `${f},${re[i]!.toPrecision(10)},${im[i]!.toPrecision(10)}`);
  return ['frequency (Hz),receptance real (m/N),receptance imaginary (m/N)', ...rows, ''].join('\n');
}
