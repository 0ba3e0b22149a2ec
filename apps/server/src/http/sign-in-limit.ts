import type pg from 'pg';
import { RateLimiterPostgres, RateLimiterRes } from 'rate-limiter-flexible';

/** Guesses at one account are slowed down, whatever number of addresses they come from. */
export interface SignInLimit {
  /** Counts an attempt before the password is looked at. Seconds to wait before another is; 0 when this one may go on. */
  attempt(email: string, address: string): Promise<number>;
  /** Forgets the attempts of this address, and knows it from now on. */
  succeeded(email: string, address: string): Promise<void>;
}

const WINDOW_S = 15 * 60;
const KNOWN_S = 30 * 24 * 3600;
/** Attempts at an account in the window from addresses it was never used from. */
const STRANGERS = 12;
/** The same from an address somebody signed in from: strangers who guess do not keep the owner out. */
const AT_HOME = 8;

/** The limit kept in PostgreSQL, so that it is one for all servers. */
export function signInLimit(pool: pg.Pool): SignInLimit {
  const of = (keyPrefix: string, points: number, duration: number): RateLimiterPostgres =>
    new RateLimiterPostgres({
      storeClient: pool,
      storeType: 'pool',
      tableName: 'sign_in_limits',
      tableCreated: true,
      keyPrefix,
      points,
      duration,
    });
  const strangers = of('account', STRANGERS, WINDOW_S);
  const home = of('home', AT_HOME, WINDOW_S);
  const known = of('known', 1_000_000, KNOWN_S);
  return {
    async attempt(email, address) {
      const account = email.toLowerCase();
      const both = `${account}|${address}`;
      const isKnown = (await known.get(both)) !== null;
      try {
        await (isKnown ? home.consume(both) : strangers.consume(account));
        return 0;
      } catch (error) {
        if (error instanceof RateLimiterRes) return error.msBeforeNext / 1000;
        throw error;
      }
    },
    async succeeded(email, address) {
      const account = email.toLowerCase();
      const both = `${account}|${address}`;
      await known.consume(both);
      await home.delete(both);
      await strangers.reward(account).catch(() => undefined);
    },
  };
}
