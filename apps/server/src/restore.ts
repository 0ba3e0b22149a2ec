import { resolve } from 'node:path';
import { restore } from './backup/restore.ts';

const args = process.argv.slice(2);
const checkOnly = args.includes('--check');
const [file, ...more] = args.filter((a) => a !== '--check');
if (!file || more.length > 0) {
  console.error(
    'usage: npm run restore -- FILE [--check]   (--check reads it, verifies it and changes nothing)',
  );
  process.exit(2);
}
const owner = process.env['BURL_OWNER_URL'] ?? '';
try {
  const urls = { owner, application: process.env['DATABASE_URL'] ?? owner };
  const { manifest, kept } = await restore(urls, resolve(file), { checkOnly });
  console.log(`backup of ${manifest.at}: every table has its rows, the newest sheet prints the same bytes`);
  if (checkOnly) console.log('Nothing was changed.');
  else console.log(kept ? `It is in force. What was there is kept as database ${kept}.` : 'It is in force.');
} catch (error) {
  console.error(`nothing was changed: ${(error as Error).message}`);
  process.exitCode = 1;
}
