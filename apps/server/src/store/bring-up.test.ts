import { join } from 'node:path';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { type EmptyDatabase, emptyDatabase } from '../../test/database.ts';
import { repositoryRoot } from '../repository.ts';
import { seedCrib } from '../seed/crib-seed.ts';
import { seedDemo } from '../seed/demo.ts';
import { bringUp, connect } from './client.ts';
import { isAway } from './database-error.ts';
import { jobs } from './schema/jobs.ts';
import { people } from './schema/people.ts';

let database: EmptyDatabase;
afterEach(() => database.drop());

it('a connection that dies between two questions of a transaction is told, and takes nothing else down', async () => {
  database = await emptyDatabase();
  const told: string[] = [];
  const [shop, other] = [connect(database.url, (e) => told.push(e.message)), connect(database.url)];
  const held = await shop.pool.connect();
  const { rows } = await held.query<{ pid: number }>('select pg_backend_pid() as pid');
  await other.pool.query('select pg_terminate_backend($1)', [rows[0]!.pid]);
  await vi.waitFor(() => expect(told.length).toBeGreaterThan(0));
  held.release(true);
  expect((await shop.pool.query('select 1 as one')).rows).toEqual([{ one: 1 }]);
  await Promise.all([shop.close(), other.close()]);
});

describe('a database is brought up', () => {
  it('by five servers at once: all come up, and each thing is there once', async () => {
    database = await emptyDatabase();
    const up = () =>
      bringUp(database.url, async (db) => {
        await seedCrib(db, join(repositoryRoot(), 'packages/core/data'));
        await seedDemo(db);
      });
    await Promise.all(Array.from({ length: 5 }, up));
    const connection = connect(database.url);
    try {
      expect(await connection.db.select().from(people)).toHaveLength(4);
      const numbers = (await connection.db.select().from(jobs)).map((j) => j.number);
      expect(new Set(numbers).size).toBe(numbers.length);
    } finally {
      await connection.close();
    }
  });

  it('not by code older than it is', async () => {
    database = await emptyDatabase();
    await bringUp(database.url);
    const connection = connect(database.url);
    await connection.pool.query(
      `insert into drizzle.__drizzle_migrations (hash, created_at) values ('of tomorrow', $1)`,
      [Date.now() + 86_400_000],
    );
    await connection.close();
    await expect(bringUp(database.url)).rejects.toThrow(/belongs to a newer Burl/);
  });

  it('or not yet: one that is not there is told from one that refuses', async () => {
    database = await emptyDatabase();
    const nowhere = new URL(database.url);
    nowhere.port = '1';
    expect(isAway(await bringUp(nowhere.href).catch((e: unknown) => e))).toBe(true);
    const wrong = new URL(database.url);
    wrong.password = 'wrong';
    expect(isAway(await bringUp(wrong.href).catch((e: unknown) => e))).toBe(false);
  });
});
