import { InputError } from '../../domain/input-error.ts';
import type { HammerRecord, Hit, Sensor } from '../measure/hammer-record.ts';

const SENSORS: readonly Sensor[] = ['acceleration', 'velocity', 'displacement'];

/**
 * Reads a raw tap test: a heading, then rows of time (s), force (N) and response; hits are parted by an empty line or by
 * time going back. The heading's third column names the sensor: acceleration (m/s²), velocity (m/s) or displacement (m).
 * Throws InputError naming the line that is wrong.
 */
export function readHammerCsv(text: string): HammerRecord {
  const lines = text.replace(/^\uFEFF/, '').split(/\r\n|\r|\n/);
  const heading = lines.find((l) => /[a-z]/i.test(l)) ?? '';
  const sensor = SENSORS.find((s) => heading.toLowerCase().includes(s)) ?? 'acceleration';
  const hits: { force: number[]; response: number[] }[] = [];
  let open = false;
  let last = -Infinity;
  let first: number | null = null;
  let step = 0;
  lines.forEach((line, i) => {
    if (line.trim() === '') {
      open = false;
      return;
    }
    const cells = line.split(/[,;\t]/).map((c) => Number(c));
    if (cells.length < 3 || cells.slice(0, 3).some((c) => !Number.isFinite(c))) {
      if (hits.length === 0) return;
      throw new InputError([
        { field: `line ${i + 1}`, value: line.slice(0, 60), allowed: 'time, force, response' },
      ]);
    }
    const [t, f, r] = cells as [number, number, number];
    if (!open || t < last) {
      hits.push({ force: [], response: [] });
      open = true;
      first = t;
    } else if (step === 0 && first !== null) step = t - first;
    last = t;
    hits[hits.length - 1]!.force.push(f);
    hits[hits.length - 1]!.response.push(r);
  });
  if (hits.length === 0 || !(step > 0)) {
    throw new InputError([
      { field: 'tap test', value: `${hits.length} hits`, allowed: 'rows of time, force, response' },
    ]);
  }
  return {
    rate: Math.round(1 / step),
    sensor,
    hits: hits.map((h): Hit => ({
      force: Float64Array.from(h.force),
      response: Float64Array.from(h.response),
    })),
  };
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
