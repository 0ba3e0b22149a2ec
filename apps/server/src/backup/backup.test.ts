import { existsSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { eq } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { startTestServer, type TestServer } from '../../test/client.ts';
import { onCluster } from '../../test/database.ts';
import { connect } from '../store/client.ts';
import { jobs } from '../store/schema/jobs.ts';
import { sessions } from '../store/schema/people.ts';
import { backUp, keepNewest, manifestOf } from './back-up.ts';
import { restore } from './restore.ts';

describe('backup and restore', () => {
  let server: TestServer;
  let file: string;
  const folder = mkdtempSync(join(tmpdir(), 'burl-backup-'));
  const urls = () => ({ owner: server.connection.url, application: server.connection.url });

  beforeAll(async () => {
    server = await startTestServer();
    file = join(folder, 'burl-2026-11-28T00-00-00-000Z.dump');
  });
  afterAll(() => server.stop());

  it('holds one instant, whatever is saved meanwhile', async () => {
    let going = true;
    const shop = (async () => {
      const engineer = await server.as('engineer');
      for (let i = 0; going && i < 200; i++)
        await engineer('POST', '/api/jobs', {
          number: `B-${i}`,
          part: 'Ring',
          customer: '',
          alloyId: 'ti-6al-4v-annealed',
          machineId: 'axis5-24k',
          quantity: 1,
          heatLot: '',
          due: null,
          notes: '',
        });
    })();
    const manifest = await backUp(server.connection.url, file);
    going = false;
    await shop;
    expect(manifest.counts['jobs']).toBeGreaterThan(3);
    expect(manifest.sheet?.pdfSha256).toMatch(/^[\da-f]{64}$/);
    // Read back: what the file holds is what stands beside it, though the shop went on.
    await expect(restore(urls(), file, { checkOnly: true })).resolves.toMatchObject({ kept: null });
  });

  it('refuses a backup that does not hold what it should, and changes nothing', async () => {
    const other = join(folder, 'other.dump');
    writeFileSync(other, readFileSync(file));
    const manifest = JSON.parse(readFileSync(manifestOf(file), 'utf8')) as { counts: Record<string, number> };
    writeFileSync(
      manifestOf(other),
      JSON.stringify({
        ...manifest,
        counts: { ...manifest.counts, variants: manifest.counts['variants']! + 1 },
      }),
    );
    await expect(restore(urls(), other)).rejects.toThrow(/variants has \d+ rows; the backup was made of/);
    writeFileSync(other, readFileSync(file).subarray(0, 30_000));
    await expect(restore(urls(), other)).rejects.toThrow(/pg_restore/);
    await expect(restore(urls(), join(folder, 'nothing.dump'))).rejects.toThrow(/is not there/);
    const { rows } = await server.connection.pool.query<{ n: string }>(
      `select count(*) as n from pg_database where datname like $1`,
      [`${server.connection.name}_%`],
    );
    expect(rows[0]!.n).toBe('0');
  });

  it('leaves no file behind when it does not come to its end', async () => {
    const lost = join(folder, 'missing', 'burl.dump');
    await expect(backUp(server.connection.url, lost)).rejects.toThrow(/pg_dump/);
    expect(existsSync(lost)).toBe(false);
  });

  it('keeps the newest so many', () => {
    const old = join(folder, 'burl-2026-11-01T00-00-00-000Z.dump');
    writeFileSync(old, '');
    expect(keepNewest(file, 1)).toEqual(['burl-2026-11-01T00-00-00-000Z.dump']);
    expect(existsSync(old)).toBe(false);
    expect(existsSync(file)).toBe(true);
  });

  it('waits for Burl to be stopped, then takes the place of what is there; nobody stays signed in', async () => {
    await expect(restore(urls(), file)).rejects.toThrow(/stop Burl first/);
    const { db } = server.connection;
    const [job] = await db.select().from(jobs).where(eq(jobs.number, 'GW-1187'));
    await db.delete(jobs).where(eq(jobs.id, job!.id));
    await server.app.close();
    await server.connection.pool.end();
    const { kept } = await restore(urls(), file);
    expect(kept).toMatch(/_before_/);
    const again = connect(server.connection.url);
    try {
      expect(await again.db.select().from(jobs).where(eq(jobs.number, 'GW-1187'))).toHaveLength(1);
      expect(await again.db.select().from(sessions)).toHaveLength(0);
    } finally {
      await again.close();
      await onCluster(`drop database ${kept} with (force)`);
    }
  });
});
