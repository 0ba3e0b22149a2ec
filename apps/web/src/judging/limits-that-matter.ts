import { type Evaluation, type LimitResult, worseFirst } from '@burl/core';

/** Shown beside the governing one; the rest is opened when somebody asks. */
const MOST = 3;
/** A clear limit this near to what is allowed is worth a look. */
const NEAR = 0.7;

/** The limits one has to know of, worst first, at most three; how many more are not clear, and how many are. */
export function limitsThatMatter({ limits }: Evaluation): {
  readonly matter: readonly LimitResult[];
  readonly others: readonly LimitResult[];
} {
  const worst = [...limits].sort(worseFirst);
  const matter = worst.filter((l) => l.state !== 'clear' || (l.share?.high ?? 0) >= NEAR).slice(0, MOST);
  return { matter, others: worst.filter((l) => !matter.includes(l)) };
}

/** How well the answer is known, in one sentence: measured figures against those of the library. */
export function basisOf({ sources }: Evaluation): string {
  const count = (kind: string): number => sources.filter((s) => s.kind === kind).length;
  const [measured, library] = [count('measured'), count('library')];
  const rest = sources.length - measured - library;
  return `${measured} of ${sources.length} figures measured, ${library} from the library, ${rest} assumed`;
}

/** What would narrow the answer most. */
export const measureNext = ({ sources }: Evaluation): string | null =>
  [...sources].filter((s) => s.kind !== 'measured' && s.narrowBy).sort((a, b) => b.sigma - a.sigma)[0]
    ?.narrowBy ?? null;
