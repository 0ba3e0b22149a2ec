import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type TestDatabase, testDatabase } from '../../test/database.ts';
import { type SignInLimit, signInLimit } from './sign-in-limit.ts';

let database: TestDatabase;
let limit: SignInLimit;
beforeAll(async () => {
  database = await testDatabase();
  limit = signInLimit(database.pool);
});
afterAll(() => database.close());

const address = (i: number): string => `198.51.100.${i % 250}`;

describe('guesses', () => {
  it('from a hundred addresses at one account are slowed down together, and the owner’s own address is not', async () => {
    await limit.succeeded('owner@shop.example', '192.0.2.1');
    let let_in = 0;
    for (let i = 0; i < 200; i++) if ((await limit.attempt('owner@shop.example', address(i))) === 0) let_in++;
    expect(let_in).toBeLessThanOrEqual(20);
    expect(await limit.attempt('OWNER@shop.example', '192.0.2.1')).toBe(0);
    // Somebody else, from one of those addresses.
    expect(await limit.attempt('other@shop.example', address(3))).toBe(0);
  });

  it('from the owner’s address end too, and a right password begins anew', async () => {
    await limit.succeeded('home@shop.example', '192.0.2.2');
    const tries = async () => {
      for (let n = 0; ; n++) if ((await limit.attempt('home@shop.example', '192.0.2.2')) > 0) return n;
    };
    expect(await tries()).toBe(8);
    await limit.succeeded('home@shop.example', '192.0.2.2');
    expect(await limit.attempt('home@shop.example', '192.0.2.2')).toBe(0);
  });

  it('are counted once for all servers, and are told how long to wait', async () => {
    const another = signInLimit(database.pool);
    for (let i = 0; i < 6; i++) {
      await limit.attempt('two@shop.example', address(i));
      await another.attempt('two@shop.example', address(i));
    }
    const wait = await another.attempt('two@shop.example', address(99));
    expect(wait).toBeGreaterThan(600);
    expect(wait).toBeLessThanOrEqual(900);
  });
});
