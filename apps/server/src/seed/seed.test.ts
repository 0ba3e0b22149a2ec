import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { isTurnedOperation } from '@burl/core';
import { eq, sql } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { testDatabase } from '../../test/database.ts';
import type { Connection } from '../store/client.ts';
import { alloys } from '../store/schema/crib.ts';
import { jobs, variants } from '../store/schema/jobs.ts';
import { people } from '../store/schema/people.ts';
import { repositoryRoot } from '../repository.ts';
import { seedCrib } from './crib-seed.ts';
import { seedDemo } from './demo.ts';

const folder = join(repositoryRoot(), 'packages/core/data');
let connection: Connection;
beforeAll(async () => {
  connection = await testDatabase();
});
afterAll(() => connection.close());

const count = async (table: typeof jobs | typeof people | typeof alloys): Promise<number> =>
  (await connection.db.select({ n: sql<number>`count(*)::int` }).from(table as typeof jobs))[0]!.n;

describe('migrations and seeds', () => {
  it('may run at every start and add nothing the second time', async () => {
    for (let start = 0; start < 2; start++) {
      await seedCrib(connection.db, folder);
      await seedDemo(connection.db);
      expect([await count(alloys), await count(people), await count(jobs)]).toEqual([51, 4, 9]);
    }
  });

  it('bring built-in entries up to date and leave the shop’s alone', async () => {
    const { db } = connection;
    const [row] = await db.select().from(alloys).where(eq(alloys.id, '718-aged'));
    await db.insert(alloys).values({
      id: 'our-718',
      origin: 'shop',
      copiedFrom: '718-aged',
      document: { ...row!.document, id: 'our-718', name: 'Ours' },
    });
    await db
      .update(alloys)
      .set({ document: { ...row!.document, name: 'spoilt' } })
      .where(eq(alloys.id, '718-aged'));
    await seedCrib(db, folder);
    const names = await db
      .select({ id: alloys.id, name: sql<string>`${alloys.document} ->> 'name'` })
      .from(alloys);
    expect(names.find((n) => n.id === '718-aged')!.name).toBe(row!.document.name);
    expect(names.find((n) => n.id === 'our-718')!.name).toBe('Ours');
  });

  it('make no demo people where somebody is already', async () => {
    const own = await testDatabase();
    await own.db
      .insert(people)
      .values({ name: 'First', email: 'first@shop.example', role: 'engineer', passwordHash: 'x' });
    await seedCrib(own.db, folder);
    await seedDemo(own.db);
    expect((await own.db.select().from(people)).map((p) => p.email)).toEqual(['first@shop.example']);
    await own.close();
  });

  it('bring operations of the first form up to today: what they did not say is not stated', async () => {
    const later = [
      'island',
      'stockMm',
      'through',
      'slopeDeg',
      'raUm',
      'scallopMm',
      'liftCapacityN',
      'releaseC',
    ];
    const strip = (value: unknown): unknown =>
      typeof value !== 'object' || value === null || Array.isArray(value)
        ? value
        : Object.fromEntries(
            Object.entries(value)
              .filter(([key]) => !['economics', 'path', ...later].includes(key) || 'diameterMm' in value)
              .map(([key, v]) => [key, strip(v)]),
          );
    const old = await testDatabase();
    await seedCrib(old.db, folder);
    await seedDemo(old.db);
    // What states how hot its bond may get, how smooth its face, or a slope says more than the first form could; what is turned had none.
    const today = (await old.db.select().from(variants)).filter(({ document: d }) =>
      d.kind === 'milling'
        ? d.workholding.releaseC === null && d.feature.raUm === null && d.feature.slopeDeg === 90
        : !isTurnedOperation(d),
    );
    for (const v of today)
      await old.db
        .update(variants)
        .set({ document: strip(v.document) as never })
        .where(eq(variants.id, v.id));
    const [one] = await old.db.select().from(variants).where(eq(variants.id, today[0]!.id));
    expect(one!.document).not.toHaveProperty('economics');
    const migration = (name: string): string[] =>
      readFileSync(join(repositoryRoot(), `apps/server/drizzle/${name}.sql`), 'utf8').split(
        '--> statement-breakpoint',
      );
    const worth = migration('0013_floor-and-learning').filter((s) => s.includes('UPDATE "variants"'));
    for (const statement of [...migration('0002_paths-and-economics'), ...worth])
      await old.db.execute(sql.raw(statement));
    const after = new Map((await old.db.select().from(variants)).map((v) => [v.id, v.document]));
    for (const v of today) expect(after.get(v.id)).toEqual(v.document);
    await old.close();
  });

  it('keep passwords only as Argon2id', async () => {
    for (const p of await connection.db.select().from(people))
      expect(p.passwordHash).toMatch(/^\$argon2id\$v=19\$m=\d{5,},t=\d,p=\d\$/);
  });
});
