import { randomBytes } from 'node:crypto';
import pg from 'pg';
import { bringUp, type Connection, connect } from '../src/store/client.ts';

/** A database of its own for one test file, dropped afterwards. */
export async function testDatabase(): Promise<Connection> {
  const admin = process.env['BURL_TEST_DATABASE'];
  if (!admin) throw new Error('BURL_TEST_DATABASE is not set; run npm test, which starts a cluster');
  const name = `t_${randomBytes(6).toString('hex')}`;
  await onServer(admin, `create database ${name}`);
  const url = admin.replace(/\/[^/]*$/, `/${name}`);
  await bringUp(url);
  const connection = connect(url);
  return {
    db: connection.db,
    pool: connection.pool,
    close: async () => {
      await connection.close();
      await onServer(admin, `drop database ${name} with (force)`);
    },
  };
}

async function onServer(url: string, command: string): Promise<void> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  await client.query(command).finally(() => client.end());
}
