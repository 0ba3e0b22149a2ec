import type { FastifyInstance } from 'fastify';
import pg from 'pg';
import type { Connection } from '../store/client.ts';

const ASK_EVERY_MS = 2000;
const ANSWER_MS = 1500;

/**
 * Says that the server answers, and whether the database did when it was last asked. Asked on a connection of its own, and answered
 * without waiting: a database that hangs must not make a watchdog restart a server that is well.
 */
export function healthRoute(app: FastifyInstance, { pool }: Connection): void {
  let answers: boolean | null = null;
  let asking = false;
  async function ask(): Promise<void> {
    if (asking) return;
    asking = true;
    const client = new pg.Client({
      connectionString: pool.options.connectionString,
      connectionTimeoutMillis: ANSWER_MS,
      query_timeout: ANSWER_MS,
    });
    client.on('error', () => undefined);
    try {
      await client.connect();
      await client.query('select 1');
      answers = true;
    } catch {
      answers = false;
    } finally {
      asking = false;
      await client.end().catch(() => undefined);
    }
  }
  let last = 0;
  app.get(
    '/api/health',
    {
      config: { access: 'public' },
      schema: { summary: 'The server is there; whether the database is', tags: ['server'] },
    },
    () => {
      // Nobody asks a database nobody asks about.
      if (Date.now() - last > ASK_EVERY_MS) {
        last = Date.now();
        void ask();
      }
      return {
        ok: true,
        database: answers === null ? 'not asked yet' : answers ? 'answers' : 'does not answer',
      };
    },
  );
}
