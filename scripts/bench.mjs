// npm run bench [-- FILE]: speed of the judgement before and now, and the size of the first route's JavaScript.
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { build, installModules, runTool } from './install.mjs';
import { ROOT } from './postgres.mjs';

installModules();
runTool('vite', ['build', '--ssr', 'src/index.ts', '--outDir', 'dist/bench', '--logLevel', 'error'], {
  cwd: join(ROOT, 'packages/core'),
});
const measured = join(ROOT, 'packages/core/dist/bench.json');
const { status } = runTool('vitest', [
  'bench',
  '--run',
  '--project',
  'core',
  '--outputJson',
  measured,
  ...process.argv.slice(2),
]);
if (existsSync(measured)) compare(JSON.parse(readFileSync(measured, 'utf8')));
if (!existsSync(join(ROOT, 'apps/web/dist/index.html'))) build();

const dist = join(ROOT, 'apps/web/dist');
const manifest = JSON.parse(readFileSync(join(dist, '.vite/manifest.json'), 'utf8'));
const seen = new Set();
const follow = (key) => {
  if (seen.has(key)) return;
  seen.add(key);
  for (const next of manifest[key].imports ?? []) follow(next);
};
follow('index.html');
let bytes = 0;
for (const key of seen) bytes += gzipSync(readFileSync(join(dist, manifest[key].file)), { level: 9 }).length;
console.log(
  `\nfirst route: ${(bytes / 1000).toFixed(0)} kB of JavaScript, gzipped, in ${seen.size} files (wanted: 220 kB or less)`,
);
process.exitCode = status || (bytes > 220_000 ? 1 : 0);

/** Mean times beside those of the version before the judgement was rebuilt, taken on one machine: see packages/core/bench/before.json. */
function compare({ files }) {
  const before = JSON.parse(readFileSync(join(ROOT, 'packages/core/bench/before.json'), 'utf8'));
  const ms = (v) => (v === undefined ? 'new' : v.toPrecision(3)).padStart(10);
  console.log(`\n${'before, ms'.padStart(10)} ${'now, ms'.padStart(10)}`);
  for (const { groups } of files) {
    for (const { fullName, benchmarks } of groups) {
      const group = fullName.slice(fullName.indexOf(' > ') + 3);
      for (const { name, mean } of benchmarks) {
        console.log(`${ms(before[`${group} > ${name}`])} ${ms(mean)}  ${group}: ${name}`);
      }
    }
  }
}
