// Makes a database when it is not there. Runs after node_modules are installed.
export async function ensureDatabase(adminUrl, name) {
  const { default: pg } = await import('pg');
  const client = new pg.Client({ connectionString: adminUrl });
  await client.connect();
  try {
    const { rowCount } = await client.query('select 1 from pg_database where datname = $1', [name]);
    if (rowCount === 0) await client.query(`create database ${client.escapeIdentifier(name)}`);
  } finally {
    await client.end();
  }
}
