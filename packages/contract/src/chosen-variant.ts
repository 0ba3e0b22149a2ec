import type { JobOperation, Variant } from './jobs.ts';

/** The variant of an operation that is run: the chosen one, else its first; none where it has none yet. */
export const chosenVariant = ({
  variants,
  selected,
}: Pick<JobOperation, 'variants' | 'selected'>): Variant | undefined =>
  variants.find((v) => v.label === selected) ?? variants[0];
