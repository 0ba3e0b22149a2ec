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
}

/** Metres of a length, and for g the acceleration, m/s². */
const MOVED: Readonly<Record<string, number>> = {
  nm: 1e-9,
  µm: 1e-6,
  μm: 1e-6,
  um: 1e-6,
  mm: 1e-3,
  cm: 1e-2,
  m: 1,
  in: 0.0254,
  inch: 0.0254,
  mil: 2.54e-5,
  mils: 2.54e-5,
  µin: 2.54e-8,
  μin: 2.54e-8,
  uin: 2.54e-8,
  g: 9.80665,
};
/** Newtons of a force. */
const FORCES: Readonly<Record<string, number>> = {
  n: 1,
  kn: 1000,
  dan: 10,
  lb: 4.4482216152605,
  lbf: 4.4482216152605,
  kgf: 9.80665,
};
/** A motion, its time where it is a speed (s) or an acceleration (s²), and a force: m/N, (mm/s²)/N, g/lbf. */
const UNIT = /([a-zµμ]+)\s*(?:\/\s*s\s*(2|²|\^2)?\s*\)?\s*)?\/\s*(kn|n|dan|lbf?|kgf)(?![a-z0-9])/i;
/** The same in base units, a newton being a kg·m/s². */
const PER_MASS: readonly (readonly [RegExp, ResponseKind])[] = [
  [/1\/kg|m\/\(?n\s*s(2|²)/i, 'accelerance'],
  [/s\/kg/i, 'mobility'],
];

/** Kind and size of the unit in a heading; null where it names none. Throws on one that is none of a motion per force. */
function unitIn(heading: string): readonly [ResponseKind, number] | null {
  const plain = PER_MASS.find(([pattern]) => pattern.test(heading));
  if (plain) return [plain[1], 1];
  const found = UNIT.exec(heading);
  if (!found) return null;
  const [text, motion, square, force] = found;
  const moved = MOVED[motion!.toLowerCase()];
  if (moved === undefined) {
    const allowed = 'm, mm, µm, nm, in, mil or µin, such a length per s or s², or g, per N, kN or lbf';
    throw new InputError([{ field: 'unit in the heading', value: text, allowed }]);
  }
  const timed = /\/\s*s/i.test(text.slice(motion!.length));
  const kind = motion!.toLowerCase() === 'g' || square ? 'accelerance' : timed ? 'mobility' : 'receptance';
  return [kind, moved / FORCES[force!.toLowerCase()]!];
}

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
  const unit = unitIn(heading);
  const named: ResponseKind | null = /acceleran|inertan/i.test(heading)
    ? 'accelerance'
    : /mobilit/i.test(heading)
      ? 'mobility'
      : /receptan|complian|dynamic flex/i.test(heading)
        ? 'receptance'
        : null;
  const kind = named ?? unit?.[0] ?? wish.kind ?? 'receptance';
  const factor = unit?.[1] ?? 1;
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
