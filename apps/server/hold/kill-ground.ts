import { spawnSync } from 'node:child_process';
import { mkdirSync, rmSync, statfsSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import pg from 'pg';
import { type Cluster, startCluster } from '../../../scripts/postgres.mjs';
import { type HeldServer, holdServer } from './held-server.ts';

/** A small disk of its own, so that it can be filled up. Null where one may not be mounted. */
export function smallDisk(folder: string): (() => void) | null {
  mkdirSync(folder, { recursive: true });
  const done = spawnSync('mount', ['-t', 'tmpfs', '-o', 'size=400m', 'tmpfs', folder]);
  return done.status === 0 ? () => void spawnSync('umount', ['-l', folder]) : null;
}

/** A server and a database of its own, each of which may be killed. */
export class Ground {
  cluster!: Cluster;
  server!: HeldServer;
  readonly database = 'burl_kill';
  /** Where the first one listens, and every one after it; 0 before. */
  port = 0;
  async startDatabase(): Promise<void> {
    for (let i = 0; ; i++) {
      try {
        this.cluster = await startCluster('pg-hold');
        return;
      } catch (error) {
        if (i >= 5) throw error;
        await pause(500);
      }
    }
  }
  get url(): string {
    return this.cluster.url(this.database);
  }
  /** Always at the same port, as behind a proxy. */
  async startServer(): Promise<void> {
    this.server = await holdServer(this.url, { PORT: String(this.port) });
    this.port = Number(new URL(this.server.url).port);
  }
}

/** What is done to server or database, and undone again; answers when the harm was over and recovery began. */
export const DEEDS: Readonly<Record<string, (g: Ground) => Promise<number>>> = {
  'server killed': async (g) => {
    g.server.process.kill('SIGKILL');
    await pause(200);
    const over = performance.now();
    await g.startServer();
    return over;
  },
  'server stopped for two seconds': async (g) => {
    g.server.process.kill('SIGSTOP');
    await pause(2000);
    g.server.process.kill('SIGCONT');
    return performance.now();
  },
  'database killed': async (g) => {
    process.kill(g.cluster.pid(), 'SIGKILL');
    await pause(300);
    const over = performance.now();
    await g.startDatabase();
    return over;
  },
  'database stopped for two seconds': async (g) => {
    const pid = g.cluster.pid();
    const backends = spawnSync('pgrep', ['-P', String(pid)], { encoding: 'utf8' })
      .stdout.split('\n')
      .filter(Boolean);
    for (const p of [pid, ...backends.map(Number)]) process.kill(p, 'SIGSTOP');
    await pause(2000);
    for (const p of [pid, ...backends.map(Number)]) process.kill(p, 'SIGCONT');
    return performance.now();
  },
  'everything locked for five seconds': async (g) => {
    const client = new pg.Client({ connectionString: g.url });
    await client.connect();
    await client.query('begin');
    await client.query('lock table variants, jobs in access exclusive mode');
    await pause(5000);
    await client.query('rollback');
    const over = performance.now();
    await client.end();
    return over;
  },
  'disk full for a second': async (g) => {
    const filler = join(g.cluster.folder, 'filler');
    const { bavail, bsize } = statfsSync(g.cluster.folder);
    try {
      writeFileSync(filler, Buffer.alloc(Math.max(0, bavail * bsize)));
    } catch {
      // As far as it goes.
    }
    await pause(1000);
    rmSync(filler, { force: true });
    const over = performance.now();
    await g.startDatabase();
    return over;
  },
};
