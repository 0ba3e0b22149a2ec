import * as yup from 'yup';

/** What a value may be: a number from here to there, as many of them, words, or yes and no. */
export interface Allowed {
  readonly low?: number;
  readonly high?: number;
  readonly unit?: string;
  readonly whole?: true;
  /** So many numbers that rise; `any` is as many as somebody likes up to `MOST_NUMBERS`, in any order. */
  readonly count?: number | 'any';
  /** What those numbers are together. */
  readonly sum?: number;
  readonly letters?: number;
  readonly flag?: true;
}

const MOST_NUMBERS = 60;
const isNumber = (v: unknown, { low = -Infinity, high = Infinity }: Allowed): v is number =>
  typeof v === 'number' && v >= low && v <= high;

/** What is wrong about a value, as `… must be …`; null where it stands. */
function wrongAbout(value: unknown, allowed: Allowed): string | null {
  const { low, high, unit, whole, count, sum, letters, flag } = allowed;
  const range = `${low} to ${high}${unit ? ` ${unit}` : ''}`;
  if (flag) return typeof value === 'boolean' ? null : 'must be yes or no: true or false';
  if (letters !== undefined)
    return typeof value === 'string' && value.length <= letters
      ? null
      : `must be words of ${letters} letters at most`;
  if (count === undefined) {
    const kind = typeof value !== 'number' ? 'a number, ' : whole ? 'a whole number, ' : '';
    const stands = isNumber(value, allowed) && (!whole || Number.isInteger(value));
    return stands ? null : `must be ${kind}${range}`;
  }
  const many = count === 'any' ? 'numbers' : `${count} numbers`;
  if (!Array.isArray(value) || (count === 'any' ? value.length > MOST_NUMBERS : value.length !== count))
    return `must hold ${many}, ${range}`;
  const list = value as unknown[];
  if (!list.every((v): v is number => isNumber(v, allowed))) return `must hold ${many}, ${range}`;
  if (count !== 'any' && list.some((v, i) => i > 0 && v < list[i - 1]!)) return 'must rise';
  const all = list.reduce((a, b) => a + b, 0);
  return sum !== undefined && list.length > 0 && Math.abs(all - sum) >= 1
    ? `must together be ${sum}${unit ?? ''}`
    : null;
}

/**
 * An object of such values, each given or not, beside what `fields` ask; others are carried as they are. One look at all of them: a
 * schema for each of fifty values makes a file of thousands of tools wait for seconds.
 */
export const values = (
  fields: Record<string, yup.Schema>,
  allowed: Readonly<Record<string, Allowed>>,
  { empty }: { readonly empty: boolean },
): yup.ObjectSchema<Record<string, unknown>> => {
  const asked = Object.entries(allowed);
  return yup
    .object(fields)
    .required()
    .test('values', 'values', function (given) {
      const found: yup.ValidationError[] = [];
      for (const [key, may] of asked) {
        const value = (given as Record<string, unknown>)[key];
        if (value === undefined || (empty && value === null)) continue;
        const wrong = wrongAbout(value, may);
        if (wrong !== null)
          found.push(
            this.createError({
              path: `${this.path}.${key}`,
              message: `\${path} ${wrong}`,
              params: { value },
            }),
          );
      }
      return found.length === 0 || new yup.ValidationError(found);
    }) as never;
};
