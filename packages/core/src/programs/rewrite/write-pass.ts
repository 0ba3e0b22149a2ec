import type { Word } from '../read/words.ts';
import { numberText, PLAIN_DIALECT } from '../write/dialect.ts';
import { feedText } from '../write/writer.ts';
import { editable, withWord } from './edit-line.ts';
import type { LineFacts, ProgramFacts } from './line-facts.ts';
import type { FileLine } from './lines-with-ends.ts';
import type { RewriteSettings } from './rewrite-settings.ts';

/** A feed as the line would write it. */
function feedWord({ motion }: LineFacts, feedMmMin: number): string {
  const { feedMode, inch } = motion.setting;
  const dialect = { ...PLAIN_DIALECT, units: inch ? ('inch' as const) : ('mm' as const) };
  if (feedMode === 'per-minute') return feedText(dialect, feedMmMin);
  if (feedMode === 'inverse-time') return (feedMmMin / Math.max(1e-9, motion.lengthMm)).toPrecision(4);
  return (feedMmMin / Math.max(1, motion.speedRpm) / (inch ? 25.4 : 1)).toFixed(inch ? 5 : 4);
}

/** Lines as a pass leaves them, and of which line of the given text each is. */
export interface Pass {
  readonly lines: readonly FileLine[];
  readonly origin: readonly number[];
  readonly changed: ReadonlyMap<number, string>;
}

/** Words that give S another meaning than the speed in force. */
const OTHER_S = new Set([4, 50, 92, 96]);
const isOther = (words: readonly Word[], codes: ReadonlySet<number>): boolean =>
  words.some((w) => w.letter === 'G' && codes.has(w.value));

/** The line with the released speed in the place of another. */
function withSpeed(text: string, words: readonly Word[], speed: number | null): string {
  const S = words.findLast((w) => w.letter === 'S');
  if (!S || speed === null || isOther(words, OTHER_S) || Math.abs(S.value / speed - 1) <= SPEED_OFF)
    return text;
  return withWord(text, 'S', String(Math.round(speed))) ?? text;
}
const SPEED_OFF = 0.005;
const DWELL = new Set([4]);

/** One pass over the text with what each line should run. */
export function writePass(
  lines: readonly FileLine[],
  { facts, speeds }: ProgramFacts,
  settings: RewriteSettings,
): Pass {
  const out = { lines: [] as FileLine[], origin: [] as number[], changed: new Map<number, string>() };
  const speedOf = nextSpeed(lines.length, speeds);
  /** Feed written last, as in force; null where the text does not tell. */
  let inForce: number | null = null;

  const put = (i: number, texts: readonly string[], why: string): void => {
    const { text, end } = lines[i]!;
    for (const [k, now] of texts.entries()) {
      out.lines.push({ text: now, end: k < texts.length - 1 ? end || '\n' : end });
      out.origin.push(i + 1);
    }
    if (texts.length > 1 || texts[0] !== text) out.changed.set(i + 1, why);
  };

  for (const [i, line] of lines.entries()) {
    const words = editable(line.text);
    const text = settings.speeds ? withSpeed(line.text, words, speedOf(i + 1)) : line.text;
    const why = text === line.text ? '' : 'speed of the release';
    // A call, or another program of the file: what feed is in force behind it is not known from the text.
    if (/M\s*0*9[89]/i.test(text) || /^\s*O\s*\d/i.test(text)) inForce = null;
    const F = isOther(words, DWELL) ? undefined : words.findLast((w) => w.letter === 'F');
    const fact = facts.get(i + 1);
    if (!fact) {
      if (F) inForce = F.value;
      put(i, [text], why);
      continue;
    }
    const wanted = feedWord(fact, fact.target);
    const parts = fact.divide && !fact.cycle ? dividedLine(text, words, fact, wanted) : null;
    if (parts) {
      inForce = Number(wanted);
      put(i, parts, 'slows down before the contact rises');
      continue;
    }
    const changes = wanted !== feedWord(fact, fact.original);
    const relies = !F && inForce !== null && Math.abs(inForce / Number(wanted) - 1) > 1e-6;
    const edited = changes || relies ? withWord(text, 'F', wanted) : null;
    if (edited !== null) inForce = Number(wanted);
    else if (F) inForce = F.value;
    put(i, [edited ?? text], why || (changes ? fact.why : 'keeps its feed'));
  }
  return out;
}

/** The line in two parts: as it was to the division, and slower behind it; null where it cannot be written. */
function dividedLine(
  text: string,
  words: readonly Word[],
  fact: LineFacts,
  slow: string,
): [string, string] | null {
  const first = divided(text, fact, words);
  const before = first && withWord(first, 'F', feedWord(fact, fact.divide!.feed));
  const behind = withWord(text, 'F', slow);
  return before && behind ? [before, stripNumber(behind)] : null;
}

/** The released speed of the next cut at or behind a line. */
function nextSpeed(count: number, speeds: ReadonlyMap<number, number>): (line: number) => number | null {
  const next: (number | null)[] = new Array<number | null>(count + 2).fill(null);
  for (let line = count; line >= 1; line--) next[line] = speeds.get(line) ?? next[line + 1] ?? null;
  return (line) => next[line] ?? null;
}

/** The line as far as its division: same words, other end. */
function divided(text: string, fact: LineFacts, words: readonly Word[]): string | null {
  const { at } = fact.divide!;
  const { inch } = fact.motion.setting;
  let out: string | null = text;
  for (const [axis, letter] of ['X', 'Y'].entries()) {
    if (!words.some((w) => w.letter === letter) || out === null) continue;
    out = withWord(
      out,
      letter,
      numberText({ ...PLAIN_DIALECT, units: inch ? 'inch' : 'mm', pointAlways: true }, at[axis]!),
    );
  }
  return out;
}

const stripNumber = (text: string): string => text.replace(/^(\s*)N\s*\d+\s*/i, '$1');
