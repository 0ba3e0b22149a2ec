import { answersTo } from './answers/index.ts';
import { casesOf, compareAll, type Compared } from './compare.ts';

// npm run cases [-- FILE]: every expected value of a file of worked cases against Burl's answer to the same inputs.
const file = process.argv[2];
const found = casesOf(file).map((c): Compared => {
  try {
    return compareAll(c, answersTo(c));
  } catch (error) {
    const keys = Object.keys(c.expected).length;
    return { id: c.id, keys, agreed: 0, disagreements: [`refused: ${(error as Error).message}`] };
  }
});
for (const f of found) for (const d of f.disagreements) console.log(`${f.id}: ${d}`);
const sum = (of: (f: Compared) => number): number => found.reduce((s, f) => s + of(f), 0);
console.log(`VALUES ${sum((f) => f.agreed)} of ${sum((f) => f.keys)}`);
console.log(`CASES ${found.filter((f) => f.disagreements.length === 0).length} of ${found.length}`);
