import * as yup from 'yup';

/** A number from here to there: what nothing of its kind goes beyond, with room for the unusual. */
export const within = (low: number, high: number, unit = ''): yup.NumberSchema<number> => {
  const allowed = `\${path} must be ${low} to ${high}${unit && ` ${unit}`}`;
  return yup.number().strict().required().min(low, allowed).max(high, allowed);
};
