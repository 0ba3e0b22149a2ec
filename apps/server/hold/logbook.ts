import type { TrialPage } from '@burl/contract';
import pg from 'pg';
import type { HeldServer } from './held-server.ts';
import { below, none, percentile, type Row } from './row.ts';
import { untilWorkedOut } from './shop.ts';
import { jsonOf, signedIn } from './visitor.ts';

/** Trials of one statement. */
const AT_ONCE = 50_000;

/**
 * Trials of a made-up shop of ten years: 24 alloys, 400 cutters, 40 machines and 3,000 lots, each met as unevenly as in life, so that a
 * filter is now wide and now narrow.
 */
async function fillLogbook(databaseUrl: string, count: number): Promise<void> {
  const client = new pg.Client({ connectionString: databaseUrl });
  await client.connect();
  try {
    await client.query('set statement_timeout = 0');
    for (let first = 0; first < count; first += AT_ONCE) {
      const size = Math.min(AT_ONCE, count - first);
      await client.query(
        `insert into trials (id, at, job_number, operation, kind, alloy_id, heat_lot, machine_id, machine_serial, cutter_id,
           edge_family, edge, features, minutes, ending, speed_rpm, cutting_speed, feed_per_edge, depth, width, speed_ratio, taylor_n,
           speed_sd, expected_life, expected_load, load_percent, edge_kw, full_kw, wear_mm, seen, note, made_by)
         select gen_random_uuid(), now() - random() * interval '3650 days', 'J-' || (u.a * 9000)::int, 'Rough pocket',
           (array['milling','milling','milling','drilling','tapping'])[1 + (u.b * 5)::int % 5],
           'alloy-' || (24 * u.a * u.a)::int, 'lot-' || (3000 * u.b)::int, 'machine-' || (40 * u.c * u.c)::int,
           'SN-' || (40 * u.c * u.c)::int, 'cutter-' || (400 * u.d * u.d)::int, 'end_mill_bull/wc/' || (4 * u.d)::int,
           1, 3, 5 + 60 * u.a, (array['running','changed','changed','worn','worn','chipped','broken'])[1 + (u.c * 7)::int % 7],
           2000, 60 + 40 * u.b, 0.08, 6, 1, 0.8 + 0.4 * u.b, 0.22, 0.2, 30, 20, 15 + 10 * u.d, 2, 15, 0.2,
           '{"speedOverride":100,"feedOverride":100,"idlePercent":null,"sound":"quiet","chipForm":null,"chipColour":null,"glow":null,
             "burr":null,"finish":null,"coolantSeen":null,"brokeAt":null,"part":null}', '', 'Filled'
         from (select random() a, random() b, random() c, random() d from generate_series(1, $1)) u`,
        [size],
      );
    }
    await client.query('vacuum (analyze, freeze) trials');
  } finally {
    await client.end();
  }
}

/** Questions people ask of a logbook: one word, several, a range of days, none that fits. */
const ASKED = [
  '',
  'alloyId=alloy-3',
  'heatLot=lot-1234',
  'machineSerial=SN-7',
  'cutterId=cutter-12',
  'kind=drilling',
  'ending=broken',
  'from=2022-01-01&to=2022-03-31',
  'alloyId=alloy-20&ending=broken',
  'alloyId=alloy-3&cutterId=cutter-250',
  'machineSerial=SN-1&kind=tapping&ending=chipped',
  'heatLot=lot-77&ending=worn',
  'cutterId=cutter-399&machineSerial=SN-39',
  'alloyId=alloy-1&from=2025-06-01&to=2025-06-30',
  'kind=milling&ending=worn&from=2020-01-01',
  'alloyId=none',
];
const ROUNDS = 30;

/** A logbook of so many trials, filtered, paged, with its words and their counts. */
export async function holdLogbook(server: HeldServer, databaseUrl: string, count: number): Promise<Row[]> {
  const ask = await signedIn(server.url, 'engineer');
  await untilWorkedOut(ask, 120);
  await fillLogbook(databaseUrl, count);
  const wrong: string[] = [];
  const byQuestion = new Map<string, number[]>();
  const paged: number[] = [];
  const facets: number[] = [];
  for (let n = 0; n < ROUNDS; n++)
    for (const asked of ASKED) {
      const said = await ask('GET', `/api/trials?${asked}`);
      byQuestion.set(asked, [...(byQuestion.get(asked) ?? []), said.ms]);
      const page = jsonOf<TrialPage>(said);
      if (!page.count || (page.trials.length > page.count.n && !page.count.more))
        wrong.push(`${asked}: counted ${page.count?.n}`);
      if (page.next !== null) {
        const next = await ask('GET', `/api/trials?${asked}&before=${page.next}`);
        paged.push(next.ms);
        if (jsonOf<TrialPage>(next).trials.some((t) => page.trials.some((p) => p.id === t.id)))
          wrong.push(`${asked}: a page repeats the one before`);
      }
    }
  for (let n = 0; n < ROUNDS; n++) facets.push((await ask('GET', '/api/trial-facets')).ms);
  const all = [...byQuestion.values()].flat();
  const slowest = [...byQuestion]
    .map(([asked, ms]) => ({ asked, ms: percentile(ms, 0.95) }))
    .sort((a, b) => b.ms - a.ms)[0]!;
  const many = count.toLocaleString('en');
  return [
    below(`logbook of ${many} trials: any filter, p95`, percentile(all, 0.95), 50, 'ms'),
    below(`the slowest filter (${slowest.asked || 'none'}), p95`, slowest.ms, 50, 'ms'),
    below('the next page, p95', percentile(paged, 0.95), 50, 'ms'),
    below('words to filter by with their counts, p95', percentile(facets, 0.95), 50, 'ms'),
    none('faults of the logbook', wrong, `${all.length} questions`),
  ];
}
