import { seededUniform } from '@burl/core';
import type { JobDetail, Variant } from '@burl/contract';
import { filledJobs, untilWorkedOut } from './shop.ts';
import type { HeldServer } from './held-server.ts';
import { percentile } from './row.ts';
import { jsonOf, signedIn } from './visitor.ts';

/** How long a server that does nothing else takes for each kind of request, ms: samples to draw from. */
export interface Services {
  readonly desk: readonly number[];
  readonly job: readonly number[];
  readonly save: readonly number[];
}

const SAMPLES = 60;

/** Asks for each kind in turn, one at a time. */
export async function measureServices(server: HeldServer): Promise<Services> {
  const ask = await signedIn(server.url, 'engineer');
  const [first] = await filledJobs(ask);
  const at = `/api/jobs/${first!.id}`;
  let variant: Variant = jsonOf<JobDetail>(await ask('GET', at)).setups[0]!.operations[0]!.variants[0]!;
  const [desk, job, save]: number[][] = [[], [], []];
  for (let i = 0; i < SAMPLES; i++) {
    const { id, document, version } = variant;
    const cut = { ...document.cut, speedRpm: document.cut.speedRpm + (i % 2 ? 0.1 : -0.1) };
    const said = await ask('PUT', `/api/variants/${id}`, { document: { ...document, cut }, version });
    save!.push(said.ms);
    variant = { ...variant, ...jsonOf<Variant>(said) };
  }
  // What was changed is worked out beside: a desk is timed that waits for nothing.
  await untilWorkedOut(ask, 60);
  for (let i = 0; i < SAMPLES; i++) {
    desk!.push((await ask('GET', '/api/desk')).ms);
    job!.push((await ask('GET', at)).ms);
  }
  return { desk: desk!, job: job!, save: save! };
}

/** Mixture of somebody at work, as in the load that is measured. */
const SHARES = [
  ['desk', 0.25],
  ['job', 0.5],
  ['save', 1],
] as const;
const THINKS_S = { least: 1, most: 3 };
const SIMULATED_S = 600;

/**
 * So many people at work with so many servers, each of which answers one request after the other: the time within which 95 % of a
 * kind are answered, ms. Somebody thinks, asks, waits for the answer, thinks again; the proxy takes the servers in turn.
 */
export function simulate(
  services: Services,
  people: number,
  servers: number,
  seed = 1,
): Record<keyof Services, number> {
  const next = seededUniform(seed);
  const free = new Array<number>(servers).fill(0);
  const think = (): number => 1000 * (THINKS_S.least + (THINKS_S.most - THINKS_S.least) * next());
  const due = Array.from({ length: people }, think);
  const took: Record<keyof Services, number[]> = { desk: [], job: [], save: [] };
  for (let turn = 0; ; turn++) {
    let who = 0;
    for (let i = 1; i < people; i++) if (due[i]! < due[who]!) who = i;
    const at = due[who]!;
    if (at > SIMULATED_S * 1000) break;
    const dice = next();
    const [kind] = SHARES.find(([, below]) => dice < below)!;
    const samples = services[kind];
    const server = turn % servers;
    const done = Math.max(at, free[server]!) + samples[Math.floor(next() * samples.length)]!;
    free[server] = done;
    took[kind].push(done - at);
    due[who] = done + think();
  }
  return {
    desk: percentile(took.desk, 0.95),
    job: percentile(took.job, 0.95),
    save: percentile(took.save, 0.95),
  };
}

/** People and servers side by side, as a table. */
export function growthTable(services: Services): string {
  const mean = (list: readonly number[]): string =>
    (list.reduce((a, b) => a + b, 0) / list.length).toFixed(0);
  const lines = [50, 100, 200, 400, 800].flatMap((people) =>
    [1, 2, 4, 8].map((servers) => {
      const p95 = simulate(services, people, servers);
      return `| ${people} | ${servers} | ${p95.desk.toFixed(0)} ms | ${p95.job.toFixed(0)} ms | ${p95.save.toFixed(0)} ms |`;
    }),
  );
  return [
    `measured alone: desk ${mean(services.desk)} ms, job ${mean(services.job)} ms, save ${mean(services.save)} ms`,
    '',
    '| people editing | servers | desk, p95 | job, p95 | save, p95 |',
    '| --- | --- | --- | --- | --- |',
    ...lines,
  ].join('\n');
}
