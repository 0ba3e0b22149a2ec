import { setTimeout as pause } from 'node:timers/promises';
import { seededUniform } from '@burl/core';
import pg from 'pg';
import { asQuery, type JobDetail, type JobSummary, type Role, type Variant } from '@burl/contract';
import type { HeldServer } from './held-server.ts';
import { below, none, percentile, type Row } from './row.ts';
import { jsonOf, type Said, signedIn, type Visitor } from './visitor.ts';

/** Fills a shop's database: jobs of so many operations each, copied from the demo's. */
export async function fillShop(url: string, jobs: number, operations = 10): Promise<void> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  try {
    await client.query(
      `insert into jobs (number, part, customer, alloy_id, machine_id, quantity, heat_lot, notes, updated_by)
       select 'HL-' || n, 'Ring ' || n, 'Tidal-stream turbines', j.alloy_id, j.machine_id, 12, 'L-' || n, '', 'Ada Eder'
       from generate_series(1, $1) n, (select * from jobs where number = 'TT-0420') j`,
      [jobs],
    );
    await client.query(
      `insert into setups (job_id, name, position) select id, 'First side', 0 from jobs where number like 'HL-%'`,
    );
    await client.query(
      `insert into operations (setup_id, name, position)
       select s.id, 'Operation ' || n, n from setups s join jobs j on j.id = s.job_id, generate_series(1, $1) n
       where j.number like 'HL-%'`,
      [operations],
    );
    await client.query(
      `with known as (
         select v.document, row_number() over (order by o.id) - 1 as k, count(*) over () as many
         from variants v join operations o on o.id = v.operation_id join setups s on s.id = o.setup_id
         join jobs j on j.id = s.job_id where j.number not like 'HL-%' and o.selected = v.label)
       insert into variants (operation_id, label, document, updated_by)
       select o.id, 'A', known.document, 'Ada Eder' from operations o join setups s on s.id = o.setup_id
       join jobs j on j.id = s.job_id
       join known on known.k = (o.position + substring(j.number from 4)::int) % known.many
       where j.number like 'HL-%'`,
    );
    await client.query('analyze');
  } finally {
    await client.end();
  }
}

/** Gives every job numbers as if they had been worked out: how soon a list is read does not hang on what they are. */
export async function fillSummaries(url: string): Promise<void> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  await client
    .query(
      `insert into job_summaries (job_id, physics, operations, minutes, governing)
       select id, 'held', 6, 31.5, '{"state":"tight","limit":"wall deflection","operation":"Rough plate pocket","operationId":""}'
       from jobs on conflict do nothing`,
    )
    .finally(() => client.end());
}

/** Jobs of the shop that was filled in, page after page. */
export async function filledJobs(ask: Visitor): Promise<JobSummary[]> {
  const all: JobSummary[] = [];
  for (;;) {
    const before = all.at(-1)?.id;
    const next = jsonOf<JobSummary[]>(await ask('GET', `/api/jobs${asQuery({ search: 'HL-', before })}`));
    if (next.length === 0) return all;
    all.push(...next);
  }
}

/** Waits until every job has its numbers. Throws when that takes longer than `seconds`. */
export async function untilWorkedOut(ask: Visitor, seconds: number): Promise<void> {
  for (const end = Date.now() + seconds * 1000; Date.now() < end; await pause(2000))
    if ((await filledJobs(ask)).every((j) => !j.pending)) return;
  throw new Error(`not all jobs were worked out within ${seconds} s`);
}

/** What a crowd was answered, by what it asked. */
class Answers {
  readonly #times = new Map<string, number[]>();
  readonly faults: string[] = [];
  take(what: string, { status, ms }: Said): void {
    const list = this.#times.get(what) ?? [];
    if (list.length === 0) this.#times.set(what, list);
    list.push(ms);
    // Somebody else's save is told, and is no fault.
    if (status === 0 || status >= 500) this.faults.push(`${what}: ${status}`);
  }
  p95 = (what: string): number => percentile(this.#times.get(what) ?? [], 0.95);
  get count(): number {
    return [...this.#times.values()].reduce((n, l) => n + l.length, 0);
  }
}

/** One person at work: looks at the list, opens a job, turns a number of an operation of their own. */
async function work(
  ask: Visitor,
  jobId: string,
  until: number,
  seen: Answers,
  next: () => number,
): Promise<void> {
  const detail = jsonOf<JobDetail>(await ask('GET', `/api/jobs/${jobId}`));
  let variant: Variant = detail.setups[0]!.operations[0]!.variants[0]!;
  while (Date.now() < until) {
    await pause(1000 + 2000 * next());
    const dice = next();
    if (dice < 0.25) seen.take('desk', await ask('GET', '/api/desk'));
    else if (dice < 0.5) seen.take('job', await ask('GET', `/api/jobs/${jobId}`));
    else {
      const { id, document, version } = variant;
      const speedRpm = Math.round(document.cut.speedRpm * (1 + 0.002 * (next() - 0.5)) * 10) / 10;
      const said = await ask('PUT', `/api/variants/${id}`, {
        document: { ...document, cut: { ...document.cut, speedRpm } },
        version,
      });
      seen.take('save', said);
      if (said.status === 200) variant = { ...variant, ...jsonOf<Variant>(said) };
    }
  }
}

/** Signs in so many times: at once, one account would be taken for guessed at. */
async function oneAfterTheOther(server: HeldServer, role: Role, count: number): Promise<Visitor[]> {
  const all: Visitor[] = [];
  while (all.length < count) all.push(await signedIn(server.url, role));
  return all;
}

const SAMPLE_MS = 10_000;

/** Fifty people edit a shop of a thousand jobs. */
export async function holdLoad(
  server: HeldServer,
  { people, seconds }: { readonly people: number; readonly seconds: number },
): Promise<Row[]> {
  const first = await signedIn(server.url, 'engineer');
  const jobs = await filledJobs(first);
  const all = await oneAfterTheOther(server, 'engineer', people);
  const seen = new Answers();
  const until = Date.now() + seconds * 1000;
  await server.measure();
  const memory: number[] = [];
  let [p99, most] = [0, 0];
  const watching = (async () => {
    while (Date.now() < until) {
      await pause(Math.min(SAMPLE_MS, Math.max(0, until - Date.now())));
      const m = await server.measure();
      memory.push(m.memoryMb);
      p99 = Math.max(p99, m.loopP99Ms);
      most = Math.max(most, m.loopMostMs);
    }
  })();
  await Promise.all(all.map((ask, i) => work(ask, jobs[i]!.id, until, seen, seededUniform(i + 1))));
  await watching;
  // Flat: what is taken in the last third is what was taken in the middle one.
  const third = Math.max(1, Math.floor(memory.length / 3));
  const mean = (list: readonly number[]): number => list.reduce((a, b) => a + b, 0) / list.length;
  const growth =
    mean(memory.slice(-third)) /
    mean(memory.slice(third, 2 * third).length ? memory.slice(third, 2 * third) : memory);
  const name = `${jobs.length} jobs, ${people} people editing, ${seconds} s`;
  return [
    below(`${name}: desk, p95`, seen.p95('desk'), 300, 'ms'),
    below(`${name}: save, p95`, seen.p95('save'), 150, 'ms'),
    below(`${name}: event-loop delay, p99 of the worst 10 s`, p99, 50, 'ms'),
    below(`${name}: event-loop delay, most`, most, 200, 'ms'),
    below(`${name}: memory, most`, Math.max(...memory), 600, 'MB'),
    below(`${name}: memory, last third over the middle one`, growth, 1.1, '×'),
    none(`${name}: faults`, seen.faults, `${seen.count} requests`),
  ];
}

/** Three hundred people who are signed in and mostly read. */
export async function holdReaders(
  server: HeldServer,
  { people, seconds }: { readonly people: number; readonly seconds: number },
): Promise<Row[]> {
  const first = await signedIn(server.url, 'engineer');
  const jobs = await filledJobs(first);
  const all = await oneAfterTheOther(server, 'floor', people);
  const seen = new Answers();
  const until = Date.now() + seconds * 1000;
  await Promise.all(
    all.map(async (ask, i) => {
      const next = seededUniform(i + 7);
      await pause(6000 * next());
      while (Date.now() < until) {
        const job = jobs[Math.floor(next() * jobs.length)]!;
        const dice = next();
        const path =
          dice < 0.5
            ? `/api/jobs/${job.id}`
            : dice < 0.6
              ? '/api/desk'
              : dice < 0.8
                ? '/api/session'
                : `/api/jobs/${job.id}/releases`;
        seen.take('read', await ask('GET', path));
        await pause(4000 + 4000 * next());
      }
    }),
  );
  return [
    below(`${people} people reading, ${seconds} s: p95`, seen.p95('read'), 200, 'ms'),
    none(`${people} people reading: faults`, seen.faults, `${seen.count} requests`),
  ];
}

/** Ten thousand jobs on the desk, and everybody looks: at the first page, and for a word. */
export async function holdDesk(
  server: HeldServer,
  { people, seconds }: { readonly people: number; readonly seconds: number },
): Promise<Row[]> {
  const all = await oneAfterTheOther(server, 'engineer', people);
  const seen = new Answers();
  const until = Date.now() + seconds * 1000;
  await Promise.all(
    all.map(async (ask, i) => {
      const next = seededUniform(i + 11);
      await pause(2000 * next());
      while (Date.now() < until) {
        seen.take('desk', await ask('GET', '/api/desk'));
        await pause(1000 + 1000 * next());
        const search = `HL-${Math.floor(next() * 999)}`;
        seen.take('search', await ask('GET', `/api/desk${asQuery({ search })}`));
        await pause(1000 + 1000 * next());
      }
    }),
  );
  return [
    below(`${people} people looking at a desk of 10,000 jobs: first page, p95`, seen.p95('desk'), 100, 'ms'),
    below(`${people} people looking at a desk of 10,000 jobs: search, p95`, seen.p95('search'), 100, 'ms'),
    none(`${people} people looking at a desk of 10,000 jobs: faults`, seen.faults, `${seen.count} requests`),
  ];
}
