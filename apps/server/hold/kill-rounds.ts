import { spawnSync } from 'node:child_process';
import { existsSync, rmSync } from 'node:fs';
import { connect } from 'node:net';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { type JobDetail, type Release, releaseChecks, type Variant } from '@burl/contract';
import { seededUniform } from '@burl/core';
import pg from 'pg';
import { ensureDatabase } from '../../../scripts/database.mjs';
import { ROOT } from '../../../scripts/postgres.mjs';
import { filledJobs, fillShop } from './shop.ts';
import { DEEDS, Ground, smallDisk } from './kill-ground.ts';
import { below, none, type Row } from './row.ts';
import { jsonOf, signedIn, type Visitor } from './visitor.ts';

interface Saver {
  /** Highest value the server said is saved, and the highest that was sent. */
  acknowledged: number;
  sent: number;
  readonly variantId: string;
}

/** Signs in as soon as there is somebody to sign in to. */
async function signedInAtLast(
  g: Ground,
  role: 'engineer' | 'approver',
  going: () => boolean,
): Promise<Visitor | null> {
  while (going()) {
    const person = await signedIn(g.server.url, role).catch(() => null);
    if (person) return person;
    await pause(150);
  }
  return null;
}

/** Saves again and again what was counted, whatever becomes of the server meanwhile. */
async function save(g: Ground, saver: Saver, going: () => boolean): Promise<void> {
  let visitor = await signedInAtLast(g, 'engineer', going);
  let variant: Variant | null = null;
  while (visitor && going()) {
    const now: Visitor = visitor;
    if (!variant) {
      const detail = await now('GET', `/api/jobs/${saver.variantId.split('/')[0]}`);
      if (detail.status === 200) variant = jsonOf<JobDetail>(detail).setups[0]!.operations[0]!.variants[0]!;
      else if (detail.status === 401) visitor = await signedInAtLast(g, 'engineer', going);
      else await pause(100);
      continue;
    }
    const value = ++saver.sent;
    const { id, document, version } = variant;
    const cut = { ...document.cut, speedRpm: 1000 + value / 100 };
    const said = await now('PUT', `/api/variants/${id}`, { document: { ...document, cut }, version });
    if (said.status === 200) {
      saver.acknowledged = value;
      variant = { ...variant, ...jsonOf<Variant>(said) };
    } else {
      variant = null;
      await pause(50);
    }
    await pause(20);
  }
}

/** Asks for release and releases, one job after the other, until told to stop. Counts what was acknowledged. */
async function releaseAll(g: Ground, jobs: readonly string[], going: () => boolean): Promise<string[]> {
  const released: string[] = [];
  let engineer: Visitor | null = null;
  let approver: Visitor | null = null;
  for (let i = 0; going() && i < jobs.length;) {
    engineer ??= await signedInAtLast(g, 'engineer', going);
    approver ??= await signedInAtLast(g, 'approver', going);
    if (!engineer || !approver) break;
    const asked = await engineer('POST', `/api/jobs/${jobs[i]}/release-requests`, { note: 'as discussed' });
    const list = await engineer('GET', `/api/jobs/${jobs[i]}/releases`);
    const open =
      list.status === 200 ? jsonOf<Release[]>(list).find((r) => r.state === 'requested') : undefined;
    if (open) {
      const { snapshot } = jsonOf<Release>(await approver('GET', `/api/releases/${open.id}`));
      const given = await approver('POST', `/api/releases/${open.id}/decision`, {
        decision: 'release',
        reason: '',
        checks: releaseChecks(snapshot).map((c) => c.id),
      });
      if (given.status === 200) released.push(open.id);
      i++;
    } else if (asked.status === 401) engineer = approver = null;
    else if (asked.status > 0 && asked.status < 500) i++;
    else await pause(100);
  }
  return released;
}

const portOpen = (port: number): Promise<boolean> =>
  new Promise((done) => {
    const socket = connect(port, '127.0.0.1', () => {
      socket.destroy();
      done(true);
    });
    socket.on('error', () => done(false));
  });

const SAVERS = 6;
const MOST_RECOVERY_S = 10;

/** What the database holds now, against what the server said is saved. */
async function whatIsLost(
  g: Ground,
  savers: readonly Saver[],
  released: readonly string[],
): Promise<string[]> {
  const client = new pg.Client({ connectionString: g.url });
  await client.connect();
  const wrong: string[] = [];
  try {
    for (const s of savers) {
      const { rows } = await client.query<{ rpm: number }>(
        `select (v.document -> 'cut' ->> 'speedRpm')::float8 as rpm from variants v where v.id = $1`,
        [s.variantId.split('/')[1]],
      );
      const value = Math.round((rows[0]!.rpm - 1000) * 100);
      if (s.acknowledged > 0 && (value < s.acknowledged || value > s.sent))
        wrong.push(`saved ${s.acknowledged}, there is ${value} (sent ${s.sent})`);
    }
    const half = await client.query<{ id: string }>(
      `select r.id from releases r where
         (r.state in ('released', 'superseded', 'returned')) <> (r.decided_by_id is not null)
         or jsonb_array_length(r.snapshot -> 'operations') = 0
         or (r.state = 'released' and (select count(*) from audit_events e where e.action = 'released' and e.job_id = r.job_id) < 1)
         or (r.state = 'released' and (select status from jobs j where j.id = r.job_id) <> 'released')`,
    );
    for (const { id } of half.rows) wrong.push(`release ${id} is half written`);
    const { rows } = await client.query<{ id: string }>(
      `select id from releases where state in ('released', 'superseded')`,
    );
    const there = new Set(rows.map((r) => r.id));
    for (const id of released)
      if (!there.has(id)) wrong.push(`release ${id} was acknowledged and is not there`);
  } finally {
    await client.end();
  }
  return wrong;
}

/** Kills, stops, locks and fills up, while people save and release. */
export async function holdKillRounds(rounds: number): Promise<Row[]> {
  const folder = join(ROOT, '.data', 'pg-hold');
  if (existsSync(folder)) rmSync(folder, { recursive: true, force: true });
  const unmount = smallDisk(folder);
  const g = new Ground();
  const lost: string[] = [];
  const late: string[] = [];
  let [longest, during, saves, releasesGiven] = [0, '', 0, 0];
  const left: string[] = [];
  try {
    await g.startDatabase();
    await ensureDatabase(g.cluster.url('postgres'), g.database);
    await g.startServer();
    await fillShop(g.url, 40 + rounds * 3);
    const engineer = await signedIn(g.server.url, 'engineer');
    const jobs = await filledJobs(engineer);
    const deeds = Object.keys(DEEDS).filter((d) => unmount !== null || d !== 'disk full for a second');
    const next = seededUniform(rounds);
    let nextJob = SAVERS;
    const savers: Saver[] = [];
    for (const { id } of jobs.slice(0, SAVERS)) {
      const detail = jsonOf<JobDetail>(await engineer('GET', `/api/jobs/${id}`));
      savers.push({
        acknowledged: 0,
        sent: 0,
        variantId: `${id}/${detail.setups[0]!.operations[0]!.variants[0]!.id}`,
      });
    }
    for (let round = 0; round < rounds; round++) {
      const deed = deeds[round % deeds.length]!;
      let going = true;
      const mine = jobs.slice(nextJob, nextJob + 3).map((j) => j.id);
      nextJob += 3;
      const before = savers.map((s) => s.acknowledged);
      const writing = savers.map((s) => save(g, s, () => going));
      const releasing = releaseAll(g, mine, () => going);
      // Never at the same moment of what they do.
      await pause(300 + 600 * next());
      const over = await DEEDS[deed]!(g);
      const at = savers.map((s) => s.acknowledged);
      // Back when everybody has saved again.
      const end = Date.now() + 30_000;
      while (Date.now() < end && savers.some((s, i) => s.acknowledged <= at[i]!)) await pause(25);
      const took = (performance.now() - over) / 1000;
      if (took > longest) [longest, during] = [took, deed];
      if (took > MOST_RECOVERY_S) late.push(`round ${round}, ${deed}: ${took.toFixed(1)} s`);
      going = false;
      await Promise.all(writing);
      const released = await releasing;
      lost.push(...(await whatIsLost(g, savers, released)).map((w) => `round ${round}, ${deed}: ${w}`));
      saves += savers.reduce((n, s, i) => n + s.acknowledged - before[i]!, 0);
      releasesGiven += released.length;
    }
  } finally {
    const pid = g.server?.process.pid;
    await g.server?.stop();
    if (pid !== undefined && spawnSync('kill', ['-0', String(pid)]).status === 0) left.push(`process ${pid}`);
    if (g.port > 0 && (await portOpen(g.port))) left.push(`port ${g.port}`);
    g.cluster?.stop();
    unmount?.();
  }
  const disk = unmount === null ? ' (without a full disk: it needs the right to mount one)' : '';
  return [
    none(
      `rounds of killing, stopping, locking, filling up${disk}: acknowledged writes lost, releases half written`,
      lost,
      `${rounds} rounds, ${saves} saves, ${releasesGiven} releases`,
    ),
    {
      ...below('longest until everybody saves again', longest, MOST_RECOVERY_S, 's'),
      measured: `${longest.toFixed(1)} s (${during})`,
    },
    none('rounds that took longer', late, `${rounds}`),
    none('left after stopping', left, 'processes and ports'),
  ];
}
