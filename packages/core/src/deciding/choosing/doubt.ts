import type { Evaluation } from '../../evaluation/evaluation.ts';

/** What a cut without a doubtful limit may cost more than one with it. */
const WORTH_A_QUARTER = 1.25;
/** What the corner leaves is taken by a smaller tool: its change and its pass are in nobody’s minutes yet. */
const REST_PASS = 1.6;

/**
 * How many times its cost a cut is taken at when cuts are put in order: a quarter more for each limit that may be exceeded, more
 * where a second tool has to follow. What nobody measured weighs the same for all and counts for none.
 */
export const doubtOf = ({ limits }: Pick<Evaluation, 'limits'>): number =>
  limits.reduce(
    (times, l) => times * (l.state !== 'tight' ? 1 : l.id === 'corner-fit' ? REST_PASS : WORTH_A_QUARTER),
    1,
  );

/** Clear cuts first, cuts over a limit last; between them the price with its doubt decides. */
export const placeOf = (state: Evaluation['state']): number =>
  state === 'clear' ? 0 : state === 'over' ? 2 : 1;
