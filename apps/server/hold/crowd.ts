import { setTimeout as pause } from 'node:timers/promises';
import { asQuery, type JobDetail, type Role, type Variant } from '@burl/contract';
import { seededUniform } from '@burl/core';
import { Answers } from './answers.ts';
import type { HeldServer } from './held-server.ts';
import { below, none, type Row } from './row.ts';
import { filledJobs } from './shop.ts';
import { jsonOf, signedIn, type Visitor } from './visitor.ts';

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
