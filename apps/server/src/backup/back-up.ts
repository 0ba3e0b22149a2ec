import { readdirSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import { sql } from 'drizzle-orm';
import { connect } from '../store/client.ts';
import { type Manifest, takeStock } from './manifest.ts';
import { postgresTool } from './postgres-tool.ts';

export const manifestOf = (file: string): string => `${file}.json`;

/**
 * Writes a database to a file, in PostgreSQL's own format, with what it holds beside it. Both see the same instant, whatever is
 * saved meanwhile. Throws and leaves no file behind when it does not come to its end.
 */
export async function backUp(ownerUrl: string, file: string): Promise<Manifest> {
  const connection = connect(ownerUrl);
  const part = `${file}.part`;
  try {
    const manifest = await connection.db.transaction(
      async (tx) => {
        await tx.execute(sql`set local statement_timeout = 0`);
        await tx.execute(sql`set local idle_in_transaction_session_timeout = 0`);
        const { rows } = await tx.execute<{ snapshot: string }>(sql`select pg_export_snapshot() as snapshot`);
        const stock = await takeStock(tx);
        await postgresTool('pg_dump', ownerUrl, [
          '--format=custom',
          `--snapshot=${rows[0]!.snapshot}`,
          `--file=${part}`,
        ]);
        return stock;
      },
      { isolationLevel: 'repeatable read', accessMode: 'read only' },
    );
    writeFileSync(manifestOf(file), JSON.stringify(manifest, null, 2));
    renameSync(part, file);
    return manifest;
  } catch (error) {
    rmSync(part, { force: true });
    rmSync(manifestOf(file), { force: true });
    throw error;
  } finally {
    await connection.close();
  }
}

/** Removes the oldest backups of a folder beyond so many. Returns the names of those removed. */
export function keepNewest(file: string, most: number): string[] {
  const folder = dirname(file);
  const gone = readdirSync(folder)
    .filter((name) => /^burl-[\dTZ-]+\.dump$/.test(name))
    .sort()
    .slice(0, -most)
    .filter((name) => name !== basename(file));
  for (const name of gone) {
    rmSync(join(folder, name), { force: true });
    rmSync(manifestOf(join(folder, name)), { force: true });
  }
  return gone;
}
