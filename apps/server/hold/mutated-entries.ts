import type { CribDocuments, CribKind } from '@burl/contract';
import fc from 'fast-check';
import { changed, type Path, placesOf, type Tree } from '../../../packages/contract/test/tree.ts';

const valueAt = (of: unknown, path: Path): unknown =>
  path.reduce<unknown>((v, key) => (v as Record<string, unknown>)[key], of);

/** What may stand in a field by mistake or by malice: a decimal point lost, a sign, another type, far too much of it. */
const instead: fc.Arbitrary<(was: unknown) => unknown> = fc.oneof(
  {
    weight: 14,
    arbitrary: fc
      .integer({ min: -30, max: 30 })
      .map((e) => (was: unknown) => (typeof was === 'number' ? was * 10 ** (e / 15) : e)),
  },
  {
    weight: 3,
    arbitrary: fc
      .constantFrom(0, -1, 1e-9, 1e9, 1e300, -0.001, 0.5, 6000, 60000, 2 ** 31)
      .map((v) => () => v),
  },
  {
    weight: 2,
    arbitrary: fc
      .constantFrom<unknown>(null, true, '', 'ten', [], {}, [1, 2], { low: 1 }, '__proto__', 'constructor')
      .map((v) => () => v),
  },
  {
    weight: 1,
    arbitrary: fc.constant((was: unknown) =>
      Array.isArray(was) ? Array.from({ length: 3000 }, () => was[0] as unknown) : 'x'.repeat(50_000),
    ),
  },
  { weight: 1, arbitrary: fc.string({ unit: 'binary', maxLength: 20 }).map((v) => () => v) },
);

/** Entries of the crib with up to three fields changed; the same for the same seed. */
export function* mutatedEntries<K extends CribKind>(
  documents: readonly CribDocuments[K][],
  count: number,
  seed: number,
): Generator<CribDocuments[K]> {
  const places = documents.map((d) => placesOf(d));
  const change = fc.record({ at: fc.integer({ min: 0, max: 99_999 }), to: instead });
  // Evenly spread: the library would favour the ends of each range, which are refused at once.
  const entry = fc.noBias(
    fc.record({
      document: fc.integer({ min: 0, max: documents.length - 1 }),
      changes: fc.array(change, { minLength: 1, maxLength: 3 }),
    }),
  );
  const AT_ONCE = 1000;
  for (let done = 0; done < count; done += AT_ONCE) {
    for (const { document: i, changes } of fc.sample(entry, {
      numRuns: Math.min(AT_ONCE, count - done),
      seed: seed + done,
    })) {
      let document: unknown = documents[i];
      for (const { at, to } of changes) {
        const path = places[i]![Math.floor((at / 100_000) * places[i]!.length)]!;
        try {
          document = changed(document as Tree, path, to(valueAt(document, path)));
        } catch {
          // The place went with an earlier change.
        }
      }
      yield document as CribDocuments[K];
    }
  }
}
