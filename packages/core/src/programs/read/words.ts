import { ExpressionError, readDecimal, readValue, skipSpace, type Variables } from './expression.ts';

/** A letter with its number, and where it stands in the line. */
export interface Word {
  /** Upper case. */
  readonly letter: string;
  readonly value: number;
  readonly start: number;
  readonly end: number;
  /** Written with a decimal point. */
  readonly point: boolean;
}

export interface Line {
  /** Begins with a slash: left out where block delete is on. */
  readonly deleted: boolean;
  readonly words: readonly Word[];
  readonly comments: readonly string[];
  /** Values given to variables, done in the order written. */
  readonly sets: readonly { readonly variable: number; readonly value: number }[];
  /** First thing that cannot be read; the rest of the line is left. */
  readonly trouble: string | null;
  /** Words of the control language, like IF or GOTO. */
  readonly control: string | null;
  /** File named in angle brackets, as a call of it does. */
  readonly file: string | null;
}

/** A line is far shorter; what is longer is no program. */
const LONGEST = 4000;
const CONTROL = /^(IF|WHILE|GOTO|THEN|DO|END|ELSE|CALL|RETURN)\b/i;

/**
 * Cuts a line of NC text into words. Blanks do not count, letters may be small, comments stand in round brackets (not in one
 * another) or behind a semicolon. Never throws: what cannot be read is `trouble`.
 */
export function wordsOf(text: string, variables: Variables): Line {
  const words: Word[] = [];
  const comments: string[] = [];
  const sets: { variable: number; value: number }[] = [];
  let deleted = false;
  let file: string | null = null;
  const made = (trouble: string | null, control: string | null = null): Line => ({
    deleted,
    words,
    comments,
    sets,
    trouble,
    control,
    file,
  });
  if (text.length > LONGEST) return made(`a line of ${text.length} characters`);
  let at = 0;
  for (;;) {
    at = skipSpace(text, at);
    if (at >= text.length) return made(null);
    const sign = text[at]!;
    if (sign === ';') {
      comments.push(text.slice(at + 1).trim());
      return made(null);
    }
    if (sign === '(') {
      const close = text.indexOf(')', at);
      if (close < 0) return made('a comment that is not closed');
      comments.push(text.slice(at + 1, close).trim());
      at = close + 1;
      continue;
    }
    // A colon stands for O with some controls; what it names was seen when the file was gone through first.
    if (sign === '%' || sign === ':') {
      at = sign === ':' ? (readDecimal(text, at + 1)?.end ?? at + 1) : at + 1;
      continue;
    }
    if (sign === '/' && words.length === 0) {
      deleted = true;
      at = readDecimal(text, at + 1)?.end ?? at + 1;
      continue;
    }
    if (sign === '<') {
      const close = text.indexOf('>', at);
      if (close < 0) return made('a file name that is not closed');
      file = text.slice(at + 1, close).trim();
      at = close + 1;
      continue;
    }
    try {
      if (sign === '#') {
        const number = readValue(text, at + 1, variables);
        const equals = skipSpace(text, number.end);
        if (text[equals] !== '=') return made(`${text.slice(at, number.end)} without = and a value`);
        const bracketed = sumAfter(text, equals + 1, variables);
        variables.set(number.value, bracketed.value);
        sets.push({ variable: number.value, value: bracketed.value });
        at = bracketed.end;
        continue;
      }
      const control = CONTROL.exec(text.slice(at, at + 8))?.[0];
      if (control) return made(null, control.toUpperCase());
      if (!/[A-Za-z]/.test(sign)) return made(`“${sign}”`);
      const start = at;
      const { value, end } = readValue(text, at + 1, variables);
      words.push({
        letter: sign.toUpperCase(),
        value,
        start,
        end,
        point: text.slice(start, end).includes('.'),
      });
      at = end;
    } catch (error) {
      if (!(error instanceof ExpressionError)) throw error;
      return made(`“${text.slice(at, at + 20).trim()}”: ${error.message}`);
    }
  }
}

/** Behind an equals sign an expression may stand without brackets. */
function sumAfter(text: string, from: number, variables: Variables): { value: number; end: number } {
  const comment = /[(;]/.exec(text.slice(from));
  const stop = comment ? from + comment.index : text.length;
  const wrapped = `[${text.slice(from, stop)}]`;
  const { value, end } = readValue(wrapped, 0, variables);
  if (end !== wrapped.length) throw new ExpressionError('something stands behind the value');
  return { value, end: stop };
}
