import { setTimeout as pause } from 'node:timers/promises';
import { asQuery, type JobSummary } from '@burl/contract';
import pg from 'pg';
import { jsonOf, type Visitor } from './visitor.ts';

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
