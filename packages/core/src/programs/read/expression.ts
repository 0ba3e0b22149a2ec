/** Numbered variables of a program, as they stand. */
export type Variables = Map<number, number>;

/** A text that is no number the reader can work out; `message` says what of it. */
export class ExpressionError extends Error {}

const RAD = Math.PI / 180;
const FUNCTIONS: Readonly<Record<string, (value: number) => number>> = {
  SIN: (v) => Math.sin(v * RAD),
  COS: (v) => Math.cos(v * RAD),
  TAN: (v) => Math.tan(v * RAD),
  ASIN: (v) => Math.asin(v) / RAD,
  ACOS: (v) => Math.acos(v) / RAD,
  SQRT: Math.sqrt,
  ABS: Math.abs,
  ROUND: Math.round,
  FIX: Math.trunc,
  FUP: (v) => Math.sign(v) * Math.ceil(Math.abs(v)),
  EXP: Math.exp,
  LN: Math.log,
};
/** Brackets within brackets that are followed: more is a fault of the text, and no stack is spent on it. */
const DEEPEST = 40;

/** A number as it stands in a text, and where it ends. */
export interface Read {
  readonly value: number;
  readonly end: number;
}

const isSpace = (code: number): boolean => code === 32 || code === 9 || code === 13;
const isDigit = (code: number): boolean => code >= 48 && code <= 57;

export function skipSpace(text: string, at: number): number {
  while (at < text.length && isSpace(text.charCodeAt(at))) at++;
  return at;
}

/** A plain decimal, with sign; null where none begins. */
export function readDecimal(text: string, from: number): Read | null {
  let at = from;
  const first = text.charCodeAt(at);
  if (first === 43 || first === 45) at++;
  let [digits, points] = [0, 0];
  for (; at < text.length; at++) {
    const code = text.charCodeAt(at);
    if (isDigit(code)) digits++;
    else if (code === 46 && points === 0) points++;
    else break;
  }
  return digits === 0 ? null : { value: Number(text.slice(from, at)), end: at };
}

/**
 * Reads a value: a decimal, a variable like #12 or #[…], a bracketed expression, a function of one, each with a sign. Angles in degrees.
 * Throws an ExpressionError.
 */
export function readValue(text: string, from: number, variables: Variables, depth = 0): Read {
  const at = skipSpace(text, from);
  if (depth > DEEPEST) throw new ExpressionError(`more than ${DEEPEST} brackets in one another`);
  const plain = readDecimal(text, at);
  if (plain) return plain;
  const sign = text[at];
  if (sign === '-' || sign === '+') {
    const { value, end } = readValue(text, at + 1, variables, depth + 1);
    return { value: sign === '-' ? -value : value, end };
  }
  if (sign === '#') {
    const number = readValue(text, at + 1, variables, depth + 1);
    const value = variables.get(number.value);
    if (value === undefined) throw new ExpressionError(`#${number.value} has no value here`);
    return { value, end: number.end };
  }
  if (sign === '[') return readSum(text, at, variables, depth);
  return readFunction(text, at, variables, depth);
}

function readFunction(text: string, at: number, variables: Variables, depth: number): Read {
  const name = /^[A-Za-z]+/.exec(text.slice(at, at + 6))?.[0].toUpperCase() ?? '';
  if (name === 'ATAN') {
    const first = readValue(text, at + 4, variables, depth + 1);
    const slash = skipSpace(text, first.end);
    if (text[slash] !== '/') return { value: Math.atan(first.value) / RAD, end: first.end };
    const second = readValue(text, slash + 1, variables, depth + 1);
    return { value: Math.atan2(first.value, second.value) / RAD, end: second.end };
  }
  const of = Object.hasOwn(FUNCTIONS, name) ? FUNCTIONS[name] : undefined;
  if (!of) throw new ExpressionError(name ? `${name} is no function` : 'a number is missing');
  const { value, end } = readValue(text, at + name.length, variables, depth + 1);
  return { value: of(value), end };
}

/** Binding of the operators, tightest last. */
const LOOSE = /^(\+|-)/;
const TIGHT = /^(\*(?!\*)|\/|MOD)/i;

/** What stands in square brackets, times before plus. */
function readSum(text: string, open: number, variables: Variables, depth: number): Read {
  let at = open + 1;
  const product = (): number => {
    let left = power();
    for (;;) {
      at = skipSpace(text, at);
      const operator = TIGHT.exec(text.slice(at, at + 3))?.[0].toUpperCase();
      if (!operator) return left;
      at += operator.length;
      const right = power();
      left = operator === '*' ? left * right : operator === '/' ? left / right : left % right;
    }
  };
  const power = (): number => {
    const base = readValue(text, at, variables, depth + 1);
    at = skipSpace(text, base.end);
    if (!text.startsWith('**', at)) return base.value;
    const exponent = readValue(text, at + 2, variables, depth + 1);
    at = exponent.end;
    return base.value ** exponent.value;
  };
  let value = product();
  for (;;) {
    at = skipSpace(text, at);
    if (text[at] === ']') break;
    const operator = LOOSE.exec(text.slice(at, at + 1))?.[0];
    if (!operator) throw new ExpressionError('a bracket is not closed');
    at++;
    const right = product();
    value = operator === '+' ? value + right : value - right;
  }
  if (!Number.isFinite(value)) throw new ExpressionError('comes to no finite number');
  return { value, end: at + 1 };
}
