import * as yup from 'yup';

/** A list of numbers of a response or a curve, looked at in one go: twenty thousand of them are one check, not twenty thousand. */
export const numberList = (
  least: number,
  most: number,
  range: { readonly low?: number; readonly high?: number } = {},
): yup.MixedSchema<number[]> =>
  yup
    .mixed<number[]>((value): value is number[] => Array.isArray(value))
    .typeError('${path} must be a list of numbers')
    .required()
    .test('numbers', '${path} must be a list of numbers', function (value) {
      const { low = -Infinity, high = Infinity } = range;
      if (!Array.isArray(value)) return true;
      if (value.length < least || value.length > most)
        return this.createError({
          message: `\${path} holds ${value.length}; allowed are ${least} to ${most}`,
        });
      const wrong = value.findIndex(
        (x) => typeof x !== 'number' || !Number.isFinite(x) || x < low || x > high,
      );
      return wrong < 0
        ? true
        : this.createError({
            message: `\${path}[${wrong}] must be a number${range.low === undefined ? '' : `, ${low} to ${high}`}`,
            params: { value: value[wrong] },
          });
    });
