import type { Operation } from '@burl/core';
import { useEffect, useState } from 'react';
import { type QuickQuestion, toSearch } from './quick-question.ts';
import { takenOf } from './taken-cut.ts';

/** How long a hand rests before the address follows, ms. */
const REST_MS = 350;

const bareOf = (q: QuickQuestion, cutterId: string): string =>
  toSearch({ ...q, what: { ...q.what, cutterId }, taken: null }).toString();

/** The question with a cut moved by hand in it: it names the tool from then on. */
export const withCut = (q: QuickQuestion, op: Operation): QuickQuestion => ({
  ...q,
  what: { ...q.what, cutterId: op.tooling.cutterId },
  taken: takenOf(op),
});

/** A cut moved by hand, as long as the question is the same; the address follows once the hand rests. */
export function useMoved(
  q: QuickQuestion,
  ask: (next: QuickQuestion) => void,
): { readonly moved: Operation | null; readonly move: (op: Operation) => void; readonly forget: () => void } {
  const [mine, setMine] = useState<{ readonly op: Operation; readonly of: string } | null>(null);
  const moved = mine && mine.of === bareOf(q, mine.op.tooling.cutterId) ? mine.op : null;
  useEffect(() => {
    if (!moved) return;
    const timer = setTimeout(() => ask(withCut(q, moved)), REST_MS);
    return () => clearTimeout(timer);
    // The question changes with what this writes.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [moved]);
  return {
    moved,
    move: (op) => setMine({ op, of: bareOf(q, op.tooling.cutterId) }),
    forget: () => setMine(null),
  };
}
