import { randomBytes } from 'node:crypto';
import pg from 'pg';
import { bringUp, type Connection, connect } from '../src/store/client.ts';

export interface EmptyDatabase {
  readonly name: string;
  readonly url: string;
  drop(): Promise<void>;
}

/** Runs a command on the cluster of the tests. */
export async function onCluster(command: string): Promise<void> {
  const client = new pg.Client({ connectionString: clusterUrl() });
  await client.connect();
  await client.query(command).finally(() => client.end());
}

export function clusterUrl(): string {
  const admin = process.env['BURL_TEST_DATABASE'];
  if (!admin) throw new Error('BURL_TEST_DATABASE is not set; run npm test, which starts a cluster');
  return admin;
}

/** A database without a table in it. */
export async function emptyDatabase(): Promise<EmptyDatabase> {
  const name = `t_${randomBytes(6).toString('hex')}`;
  await onCluster(`create database ${name}`);
  return {
    name,
    url: clusterUrl().replace(/\/[^/]*$/, `/${name}`),
    drop: () => onCluster(`drop database if exists ${name} with (force)`),
  };
}

export interface TestDatabase extends Connection {
  readonly name: string;
  readonly url: string;
}

/** A database of its own for one test file, dropped when it is closed. */
export async function testDatabase(): Promise<TestDatabase> {
  const { name, url, drop } = await emptyDatabase();
  await bringUp(url);
  const connection = connect(url);
  return {
    name,
    url,
    db: connection.db,
    pool: connection.pool,
    close: async () => {
      if (!connection.pool.ended) await connection.close();
      await drop();
    },
  };
}
