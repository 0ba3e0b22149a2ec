import type { CribEntry, ImportReport } from '@burl/contract';
import type { HeldServer } from './held-server.ts';
import { watchHealth } from './health-watch.ts';
import { below, none, percentile, type Row } from './row.ts';
import { untilWorkedOut } from './shop.ts';
import { jsonOf, signedIn } from './visitor.ts';

/** Tools of one spreadsheet. */
const AT_ONCE = 5000;
const TYPES = ['flat end mill', 'ball nose', 'carbide drill', 'bull nose'] as const;
const GROUPS = 'PMNSH';

/** A spreadsheet of a shop: every tool its own, from `first` on. */
function sheetOf(first: number, count: number): string {
  const rows = Array.from({ length: count }, (_, k) => {
    const i = first + k;
    const d = (3 + ((i * 7) % 170) / 10).toFixed(1);
    const teeth = TYPES[i % 4] === 'carbide drill' ? '' : String(2 + (i % 4));
    return `Shop tool ${i},${TYPES[i % 4]},${d},${teeth},${GROUPS[i % 5]},${i % 30},Drawer ${i % 40},${20 + (i % 90)}`;
  });
  return ['Name,Type,Diameter,Flutes,Groups,Edges in stock,Place,Price of an edge', ...rows].join('\n');
}

const ASKED = [
  '12 5fl',
  'drill 8.5',
  'ball 6',
  'shop tool 1234',
  '10 titanium',
  'M8',
  'bull 16 re2',
  '4',
  'zzz',
];
const SEARCHES = 180;

/** Fills a crib from spreadsheets, and searches it. */
export async function holdFilledCrib(
  server: HeldServer,
  { tools }: { readonly tools: number },
): Promise<Row[]> {
  const ask = await signedIn(server.url, 'engineer');
  const send = (first: number, count: number, dryRun: boolean, text = sheetOf(first, count)) =>
    ask('POST', '/api/crib/cutters/import', { format: 'csv', text, dryRun });
  // A server that has just begun works its jobs out first.
  await untilWorkedOut(ask, 120);
  const health = watchHealth(server.url);
  const size = Math.min(tools, AT_ONCE);
  const told = await send(0, size, true);
  const kept: number[] = [];
  const wrong: string[] = [];
  for (let first = 0; first < tools; first += AT_ONCE) {
    const count = Math.min(AT_ONCE, tools - first);
    const said = await send(first, count, false);
    kept.push(said.ms);
    const report = jsonOf<ImportReport>(said);
    if (!report.saved || report.counts.added !== count) wrong.push(JSON.stringify(report).slice(0, 200));
  }
  const full = await send(0, size, true);
  const bad = await send(0, size, true, sheetOf(0, size).replace(/,(\d+\.\d),/g, ',x$1,'));
  const searched: number[] = [];
  for (let i = 0; i < SEARCHES; i++) {
    const said = await ask(
      'GET',
      `/api/crib/cutters/search?q=${encodeURIComponent(ASKED[i % ASKED.length]!)}`,
    );
    searched.push(said.ms);
    if (ASKED[i % ASKED.length] === '12 5fl' && jsonOf<CribEntry[]>(said).length === 0)
      wrong.push('12 5fl: nothing');
  }
  const whole = await ask('GET', '/api/crib');
  const again: number[] = [];
  for (let i = 0; i < 10; i++) again.push((await ask('GET', '/api/crib')).ms);
  const { longestMs } = await health();
  return [
    below(`file of ${size} tools told`, told.ms, 2000, 'ms'),
    below(`the same, ${tools} in the crib`, full.ms, 2000, 'ms'),
    below(
      `the same, wrong in every row (${jsonOf<ImportReport>(bad).problems.length} listed)`,
      bad.ms,
      2000,
      'ms',
    ),
    none(
      'files brought in whole',
      wrong,
      `${kept.length}, the longest in ${Math.round(Math.max(...kept))} ms`,
    ),
    below(`search among ${tools} shop tools, p95`, percentile(searched, 0.95), 50, 'ms'),
    below(`the whole crib, first (${(whole.text.length / 1e6).toFixed(1)} MB)`, whole.ms, 5000, 'ms'),
    below('the whole crib, again, p95', percentile(again, 0.95), 1000, 'ms'),
    below('health meanwhile, longest', longestMs, 1000, 'ms'),
  ];
}
