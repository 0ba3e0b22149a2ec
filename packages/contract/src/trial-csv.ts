import { ENDINGS } from '@burl/core';
import Papa from 'papaparse';
import { harmless, withoutApostrophe } from './crib-files/cell-text.ts';
import type { Trial, TrialProblem } from './trials.ts';
import { isUuid } from './uuid.ts';

/** A column of a file of trials: its heading and what of a trial it holds. */
interface Column {
  readonly head: string;
  readonly of: (t: Trial) => string | number | null;
}

/** Columns in their order; units in the heads. */
const COLUMNS: readonly Column[] = [
  { head: 'id', of: (t) => t.id },
  { head: 'at', of: (t) => t.at },
  { head: 'job', of: (t) => t.jobNumber },
  { head: 'operation', of: (t) => t.operation },
  { head: 'kind', of: (t) => t.kind },
  { head: 'alloy', of: (t) => t.alloyId },
  { head: 'heat lot', of: (t) => t.heatLot },
  { head: 'machine', of: (t) => t.machineId },
  { head: 'machine serial', of: (t) => t.machineSerial },
  { head: 'cutter', of: (t) => t.cutterId },
  { head: 'edge family', of: (t) => t.edgeFamily },
  { head: 'edge', of: (t) => t.edge },
  { head: 'n rpm', of: (t) => round(t.speedRpm) },
  { head: 'vc m/min', of: (t) => round(t.cuttingSpeedMMin) },
  { head: 'f mm', of: (t) => round(t.feedPerEdgeMm) },
  { head: 'ap mm', of: (t) => t.depthMm },
  { head: 'ae mm', of: (t) => t.widthMm },
  { head: 'features', of: (t) => t.features },
  { head: 'minutes', of: (t) => round(t.minutes) },
  { head: 'ending', of: (t) => t.ending },
  { head: 'broke at', of: (t) => t.brokeAt },
  { head: 'wear VB mm', of: (t) => t.wearMm },
  { head: 'Ra um', of: (t) => t.raUm },
  { head: 'Rz um', of: (t) => t.rzUm },
  { head: 'size error mm', of: (t) => t.sizeErrorMm },
  { head: 'Ra expected um', of: (t) => (t.expectedRaUm === null ? null : round(t.expectedRaUm)) },
  { head: 'load %', of: (t) => t.loadPercent },
  { head: 'idle %', of: (t) => t.idlePercent },
  { head: 'sound', of: (t) => t.sound },
  { head: 'chip form', of: (t) => t.chipForm },
  { head: 'chip colour', of: (t) => t.chipColour },
  { head: 'coolant seen', of: (t) => t.coolantSeen },
  { head: 'part', of: (t) => t.part },
  { head: 'vc over vc30', of: (t) => (t.speedRatio === null ? null : round(t.speedRatio)) },
  { head: 'life expected min', of: (t) => (t.expectedLife === null ? null : round(t.expectedLife)) },
  { head: 'load expected %', of: (t) => (t.expectedLoad === null ? null : round(t.expectedLoad)) },
  { head: 'by', of: (t) => t.madeBy },
  { head: 'note', of: (t) => t.note },
];

const round = (value: number): number => Number(value.toPrecision(5));

/** The line of heads a file of trials begins with. */
export const trialCsvHead = (): string => `${Papa.unparse([COLUMNS.map((c) => c.head)])}\r\n`;

/** Trials as CSV lines, without the heads. */
export const trialCsvLines = (trials: readonly Trial[]): string =>
  trials.length === 0
    ? ''
    : `${Papa.unparse(
        trials.map((t) =>
          COLUMNS.map((c) => {
            const value = c.of(t);
            return typeof value === 'string' ? harmless(value) : (value ?? '');
          }),
        ),
        { newline: '\r\n' },
      )}\r\n`;

/** A row of a file, as far as an edge has to say where and how it was run. */
export interface TrialRow {
  /** Of a trial written by Burl: brought in once. Null makes a new one. */
  readonly id: string | null;
  readonly at: string;
  readonly alloyId: string;
  readonly heatLot: string;
  readonly machineId: string;
  readonly machineSerial: string;
  readonly cutterId: string;
  readonly speedRpm: number;
  readonly feedMm: number;
  /** Axial and radial depth of a mill; depth of a hole, null. */
  readonly depthMm: number;
  readonly widthMm: number | null;
  readonly features: number;
  readonly minutes: number;
  readonly ending: (typeof ENDINGS)[number];
  readonly wearMm: number | null;
  readonly raUm: number | null;
  readonly rzUm: number | null;
  readonly sizeErrorMm: number | null;
  readonly loadPercent: number | null;
  readonly idlePercent: number | null;
  readonly job: string;
  readonly operation: string;
  readonly note: string;
}

type Read = (text: string) => unknown;
const word =
  (most: number, needed = true): Read =>
  (text) => {
    if (needed && text === '') throw new Error('is missing');
    if (text.length > most) throw new Error(`is longer than ${most} characters`);
    return text;
  };
const number =
  (low: number, high: number, needed = true): Read =>
  (text) => {
    if (text === '') {
      if (needed) throw new Error('is missing');
      return null;
    }
    const value = Number(text);
    if (!Number.isFinite(value) || value < low || value > high)
      throw new Error(`is “${text.slice(0, 40)}”; allowed: ${low} to ${high}`);
    return value;
  };
const moment: Read = (text) => {
  const at = Date.parse(text);
  if (!(at > Date.UTC(1990, 0, 1) && at < Date.now() + 86_400_000))
    throw new Error(`is “${text.slice(0, 40)}”; allowed: a moment like 2026-11-28T09:30:00Z, not to come`);
  return new Date(at).toISOString();
};
const uuidOrNone: Read = (text) => {
  if (text !== '' && !isUuid(text))
    throw new Error(`is “${text.slice(0, 40)}”; allowed: what Burl wrote, or nothing`);
  return text === '' ? null : text;
};
const ending: Read = (text) => {
  if (!(ENDINGS as readonly string[]).includes(text))
    throw new Error(`is “${text.slice(0, 40)}”; allowed: ${ENDINGS.join(', ')}`);
  return text;
};

/** What a file must say of an edge, by heading. */
const READ: readonly { readonly head: string; readonly key: keyof TrialRow; readonly read: Read }[] = [
  { head: 'id', key: 'id', read: uuidOrNone },
  { head: 'at', key: 'at', read: moment },
  { head: 'alloy', key: 'alloyId', read: word(120) },
  { head: 'heat lot', key: 'heatLot', read: word(80, false) },
  { head: 'machine', key: 'machineId', read: word(120) },
  { head: 'machine serial', key: 'machineSerial', read: word(60) },
  { head: 'cutter', key: 'cutterId', read: word(120) },
  { head: 'n rpm', key: 'speedRpm', read: number(1, 200_000) },
  { head: 'f mm', key: 'feedMm', read: number(0.0005, 20) },
  { head: 'ap mm', key: 'depthMm', read: number(0.005, 1000) },
  { head: 'ae mm', key: 'widthMm', read: number(0.005, 1000, false) },
  { head: 'features', key: 'features', read: number(0.01, 100_000) },
  { head: 'minutes', key: 'minutes', read: number(0.001, 100_000) },
  { head: 'ending', key: 'ending', read: ending },
  { head: 'wear VB mm', key: 'wearMm', read: number(0, 3, false) },
  { head: 'Ra um', key: 'raUm', read: number(0.005, 200, false) },
  { head: 'Rz um', key: 'rzUm', read: number(0.02, 1000, false) },
  { head: 'size error mm', key: 'sizeErrorMm', read: number(-5, 5, false) },
  { head: 'load %', key: 'loadPercent', read: number(0, 300, false) },
  { head: 'idle %', key: 'idlePercent', read: number(0, 300, false) },
  { head: 'job', key: 'job', read: word(40, false) },
  { head: 'operation', key: 'operation', read: word(200, false) },
  { head: 'note', key: 'note', read: word(2000, false) },
];
/** Headings a file may leave out. */
const OPTIONAL = new Set([
  'id',
  'heat lot',
  'ae mm',
  'wear VB mm',
  'Ra um',
  'Rz um',
  'size error mm',
  'load %',
  'idle %',
  'job',
  'operation',
  'note',
]);

const MOST_PROBLEMS = 50;

/** Rows of a file of trials, or what is wrong with it by row and column. Rows are counted from 1, heads not counted. */
export function readTrialCsv(
  text: string,
  mostRows: number,
): { readonly rows: readonly TrialRow[]; readonly problems: readonly TrialProblem[] } {
  const parsed = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' });
  const [heads = [], ...lines] = parsed.data;
  const at = new Map(heads.map((h, i) => [h.trim().toLowerCase(), i]));
  const problems: TrialProblem[] = READ.filter(
    (r) => !OPTIONAL.has(r.head) && !at.has(r.head.toLowerCase()),
  ).map((r) => ({ row: 0, column: r.head, problem: 'no column has this heading' }));
  if (lines.length > mostRows)
    problems.push({ row: 0, column: '', problem: `${lines.length} rows; allowed: ${mostRows}` });
  if (problems.length > 0) return { rows: [], problems };
  const rows = lines.map((cells, i): TrialRow => {
    const row: Record<string, unknown> = {};
    for (const { head, key, read } of READ) {
      try {
        row[key] = read(withoutApostrophe(cells[at.get(head.toLowerCase()) ?? -1] ?? '').trim());
      } catch (error) {
        if (problems.length < MOST_PROBLEMS)
          problems.push({ row: i + 1, column: head, problem: (error as Error).message });
      }
    }
    return row as unknown as TrialRow;
  });
  return problems.length > 0 ? { rows: [], problems } : { rows, problems };
}
