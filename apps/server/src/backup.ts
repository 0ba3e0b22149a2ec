import { mkdirSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { backUp, keepNewest } from './backup/back-up.ts';
import { repositoryRoot } from './repository.ts';

const args = process.argv.slice(2);
const keepAt = args.indexOf('--keep');
const keep = keepAt < 0 ? null : Number(args.splice(keepAt, 2)[1]);
if (args.length > 1 || (keep !== null && !(Number.isInteger(keep) && keep >= 1))) {
  console.error('usage: npm run backup [-- FILE] [--keep HOW_MANY]');
  process.exit(2);
}
const stamp = new Date().toISOString().replace(/[:.]/g, '-');
const file = resolve(args[0] ?? join(repositoryRoot(), '.data/backups', `burl-${stamp}.dump`));
mkdirSync(dirname(file), { recursive: true });
try {
  const { counts, sheet } = await backUp(process.env['BURL_OWNER_URL'] ?? '', file);
  const rows = Object.values(counts).reduce((sum, n) => sum + n, 0);
  console.log(`${rows} rows of ${Object.keys(counts).length} tables are in ${file}`);
  console.log(
    sheet ? `newest sheet in force: release ${sheet.releaseId}, PDF ${sheet.pdfSha256}` : 'no sheet yet',
  );
  for (const gone of keep === null ? [] : keepNewest(file, keep)) console.log(`removed ${gone}`);
} catch (error) {
  console.error(`no backup was made: ${(error as Error).message}`);
  process.exitCode = 1;
}
