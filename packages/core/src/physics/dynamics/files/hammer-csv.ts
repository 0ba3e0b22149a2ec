import { InputError } from '../../../units/input-error.ts';
import type { HammerRecord, Hit, Sensor } from '../measure/hammer-record.ts';
import { readNumberTable, type NumberRow } from './number-table.ts';

const SENSORS: readonly Sensor[] = ['acceleration', 'velocity', 'displacement'];

/** What a unit of a column is in SI units. */
const TIME: readonly (readonly [RegExp, number])[] = [
  [/(µs|μs|us)\b/i, 1e-6],
  [/\bms\b/i, 1e-3],
];
const FORCE: readonly (readonly [RegExp, number])[] = [
  [/\bkN\b/i, 1e3],
  [/\blbf?\b/i, 4.4482216],
];
const RESPONSE: readonly (readonly [RegExp, Sensor, number])[] = [
  [/\bmm\s*\/\s*s(2|²|\^2)/i, 'acceleration', 1e-3],
  [/\bm\s*\/\s*s(2|²|\^2)/i, 'acceleration', 1],
  [/(^|[\s([])g($|[\s)\]])/, 'acceleration', 9.80665],
  [/\bmm\s*\/\s*s/i, 'velocity', 1e-3],
  [/\bm\s*\/\s*s/i, 'velocity', 1],
  [/(µm|μm|\bum\b)/i, 'displacement', 1e-6],
  [/\bmm\b/i, 'displacement', 1e-3],
  [/(^|[\s([])m($|[\s)\]])/, 'displacement', 1],
];
const VOLTS = /(^|[\s([])m?V(olts?)?($|[\s)\]])/;

/** How far a sample may stand from its place in an even row, in steps: a missing sample moves one by half a step. */
const UNEVEN = 0.49;

/** What the three columns hold, by the lowest line of the heading that has as many. */
function columnsOf(heading: readonly string[], cellsOf: (line: string) => string[]) {
  // A unit may be parted from its name by a blank, so commas, semicolons and tabs part first.
  const split = (line: string): string[] => {
    const cells = line.split(/[,;\t]/).map((c) => c.trim());
    return cells.length >= 3 ? cells : cellsOf(line);
  };
  const titles = heading.map(split).findLast((cells) => cells.length >= 3) ?? [];
  const [time = '', force = '', response = ''] = titles;
  for (const title of [force, response]) {
    if (VOLTS.test(title))
      throw new InputError([
        { field: title, value: 'volts', allowed: 'a calibrated column: N, and m/s², m/s or m' },
      ]);
  }
  const unit = RESPONSE.find(([pattern]) => pattern.test(response));
  const named = SENSORS.find((s) => heading.join(' ').toLowerCase().includes(s));
  if (named && unit && unit[1] !== named) {
    throw new InputError([{ field: response, value: named, allowed: `a unit of ${named}` }]);
  }
  return {
    toSeconds: TIME.find(([pattern]) => pattern.test(time))?.[1] ?? 1,
    toNewtons: FORCE.find(([pattern]) => pattern.test(force))?.[1] ?? 1,
    sensor: unit?.[1] ?? named ?? ('acceleration' as Sensor),
    toSi: unit?.[2] ?? 1,
  };
}

/** Rows of each hit: parted by an empty line or by time going back. */
function hitsOf(rows: readonly NumberRow[]): NumberRow[][] {
  const hits: NumberRow[][] = [];
  let last = -Infinity;
  for (const row of rows) {
    const time = row.numbers[0]!;
    if (row.apart || time < last) hits.push([]);
    hits.at(-1)!.push(row);
    last = time;
  }
  return hits;
}

/**
 * Reads a raw tap test: a heading, then rows of time, force and response; hits are parted by an empty line or by time
 * going back. The heading names the sensor (acceleration, velocity or displacement) and the units: s, ms or µs; N, kN or
 * lbf; m/s², mm/s², g, m/s, mm/s, m, mm or µm; SI where it names none. Columns and decimals as in `readNumberTable`.
 * Throws InputError naming the line that is wrong, a column in volts, or the line where time is not even.
 */
export function readHammerCsv(text: string): HammerRecord {
  const { heading, rows, cellsOf } = readNumberTable(text, 3, 'time, force, response');
  const { toSeconds, toNewtons, sensor, toSi } = columnsOf(heading, cellsOf);
  const hits = hitsOf(rows);
  const first = hits[0] ?? [];
  // Over the whole hit, since written times are rounded.
  const step =
    first.length > 1 ? (first.at(-1)!.numbers[0]! - first[0]!.numbers[0]!) / (first.length - 1) : 0;
  if (!(step > 0)) {
    throw new InputError([
      { field: 'tap test', value: `${hits.length} hits`, allowed: 'rows of time, force, response' },
    ]);
  }
  for (const hit of hits) {
    const uneven = hit.find(
      ({ numbers }, i) => Math.abs(numbers[0]! - hit[0]!.numbers[0]! - i * step) > UNEVEN * step,
    );
    if (uneven) {
      throw new InputError([
        {
          field: `line ${uneven.line}`,
          value: uneven.numbers[0]!,
          allowed: `time in even steps of ${Number(step.toPrecision(4))}`,
        },
      ]);
    }
  }
  return {
    rate: Math.round(1 / (step * toSeconds)),
    sensor,
    hits: hits.map((hit): Hit => ({
      force: Float64Array.from(hit, (r) => r.numbers[1]! * toNewtons),
      response: Float64Array.from(hit, (r) => r.numbers[2]! * toSi),
    })),
  };
}

/** Whether a table is a raw tap test: the column it begins with is time. */
export function isHammerCsv(text: string): boolean {
  const lines = text.replace(/^\uFEFF/, '').split(/\r\n|\r|\n/, 60);
  const rows = lines.findIndex((l) => /^\s*[-+.\d]/.test(l));
  const titles = lines.slice(0, Math.max(0, rows)).findLast((l) => l.trim() !== '') ?? '';
  return /^\W*(time|t)\b/i.test(titles);
}

const UNIT: Readonly<Record<Sensor, string>> = { acceleration: 'm/s2', velocity: 'm/s', displacement: 'm' };

/** A tap test as such a table. */
export function writeHammerCsv({ rate, sensor, hits }: HammerRecord): string {
  const rows = [`time (s),force (N),${sensor} (${UNIT[sensor]})`];
  hits.forEach((h, n) => {
    if (n > 0) rows.push('');
    h.force.forEach((f, i) =>
      rows.push(`${(i / rate).toFixed(8)},${f.toPrecision(7)},${h.response[i]!.toPrecision(7)}`),
    );
  });
  return [...rows, ''].join('\n');
}
