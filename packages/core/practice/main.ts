import { readFileSync } from 'node:fs';
import { judgeSet, lineOf, scoreLine, scoreOf } from './judge.ts';
import type { PracticeSet } from './operation-of.ts';

// npm run practice [-- FILE] [--wear MM]: judges a set of cuts from the floor and says where Burl and the floor disagree.
const args = process.argv.slice(2);
const at = args.indexOf('--wear');
const wear = at < 0 ? 0.1 : Number(args[at + 1]);
if (!(wear >= 0 && wear <= 0.6)) {
  console.error(`--wear ${args[at + 1]}: must be 0 to 0.6 mm of flank wear`);
  process.exit(2);
}
if (at >= 0) args.splice(at, 2);
const file = args[0] ?? new URL('./everyday.json', import.meta.url);
const set = JSON.parse(readFileSync(file, 'utf8')) as PracticeSet;
const found = judgeSet(set, { flankWearMm: wear });
for (const f of found) console.log(lineOf(f));
console.log(scoreLine(scoreOf(found)));
