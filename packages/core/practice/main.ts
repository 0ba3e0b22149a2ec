import { readFileSync } from 'node:fs';
import { judgeSet, lineOf, scoreLine, scoreOf } from './judge.ts';
import type { PracticeSet } from './operation-of.ts';

// npm run practice [-- FILE] [--wear MM]: judges a set of cuts from the floor and says where Burl and the floor disagree.

/** Ends with 2 and one line that says what is wrong. */
function refuse(message: string): never {
  console.error(message);
  process.exit(2);
}

const args = process.argv.slice(2);
const at = args.indexOf('--wear');
const wear = at < 0 ? 0.1 : Number(args[at + 1]);
if (!(wear >= 0 && wear <= 0.6)) refuse(`--wear ${args[at + 1]}: must be 0 to 0.6 mm of flank wear`);
if (at >= 0) args.splice(at, 2);
const file = args[0] ?? new URL('./everyday.json', import.meta.url);

try {
  const set = JSON.parse(readFileSync(file, 'utf8')) as Partial<PracticeSet>;
  if (!Array.isArray(set.judged) || !Array.isArray(set.cuts)) {
    refuse(`${file.toString()}: needs the lists judged and cuts`);
  }
  const found = judgeSet(set as PracticeSet, { flankWearMm: wear });
  for (const f of found) console.log(lineOf(f));
  console.log(scoreLine(scoreOf(found)));
} catch (error) {
  refuse(`${file.toString()}: ${(error as Error).message}`);
}
