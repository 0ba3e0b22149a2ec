import type { CheckSettings } from '../find/check-program.ts';
import { fitArcs, type FittedArcs } from './fit-arcs.ts';
import { factsOf, type LineFacts } from './line-facts.ts';
import { type FileLine, joined, linesWithEnds } from './lines-with-ends.ts';
import { type RewriteSettings, USUAL_REWRITE } from './rewrite-settings.ts';
import { writePass } from './write-pass.ts';

/** A line that changed: what stood there and what stands there now, one line or more. */
export interface LineChange {
  /** Line of the given text. */
  readonly line: number;
  readonly before: string;
  readonly after: readonly string[];
  readonly why: string;
}

export interface Rewritten {
  readonly text: string;
  readonly changes: readonly LineChange[];
  readonly minutesBefore: number;
  readonly minutesAfter: number;
  readonly bytesBefore: number;
  readonly bytesAfter: number;
  readonly arcs: number;
  /** Rewriting the text again would change nothing. */
  readonly settled: boolean;
}

/** Passes until nothing changes: a line divided once is looked at again. */
const PASSES = 6;

/**
 * The same program with feeds that hold the released chip, or load, slowed before corners, arcs compensated; comments and all
 * else untouched. Goes over it until nothing changes.
 */
export function rewriteProgram(
  given: string,
  check: CheckSettings,
  settings: RewriteSettings = USUAL_REWRITE,
): Rewritten {
  let lines: FileLine[] = linesWithEnds(given);
  const original = lines;
  let origin = lines.map((_, i) => i + 1);
  const why = new Map<number, string>();
  let arcs = 0;
  let minutesBefore: number | null = null;
  let minutesAfter = 0;
  let settled = false;

  if (settings.arcToleranceMm !== null) {
    const before = factsOf(given, check, settings);
    minutesBefore = before.minutes;
    const fitted = fittedRuns(lines, before.facts, settings.arcToleranceMm);
    arcs = fitted.arcs;
    if (arcs > 0) {
      for (const [i, line] of fitted.lines.entries())
        if (line.text !== lines[fitted.origin[i]! - 1]!.text)
          why.set(fitted.origin[i]!, 'arc in the place of short lines');
      lines = [...fitted.lines];
      origin = [...fitted.origin];
    }
  }
  for (let pass = 0; pass < PASSES && !settled; pass++) {
    const found = factsOf(joined(lines), check, settings);
    minutesBefore ??= found.minutes;
    minutesAfter = found.minutes;
    const written = writePass(lines, found, settings);
    settled = written.changed.size === 0;
    for (const [line, reason] of written.changed)
      if (!why.has(origin[line - 1]!)) why.set(origin[line - 1]!, reason);
    origin = written.origin.map((line) => origin[line - 1]!);
    lines = [...written.lines];
  }
  const text = joined(lines);
  return {
    text,
    changes: changesOf(original, lines, origin, why),
    minutesBefore: minutesBefore ?? 0,
    minutesAfter,
    bytesBefore: given.length,
    bytesAfter: text.length,
    arcs,
    settled,
  };
}

/** Runs of short lines fitted, where the reader says they are straight feeds in XY. */
function fittedRuns(
  lines: readonly FileLine[],
  facts: ReadonlyMap<number, LineFacts>,
  toleranceMm: number,
): FittedArcs {
  const straightFeed = (line: number): boolean => {
    const m = facts.get(line)?.motion;
    return m?.kind === 'line' && m.setting.absolute && m.from[2] === m.to[2] && m.cycle === 0;
  };
  const first = [...facts.values()][0]?.motion.setting.inch ?? false;
  const unit = first ? 25.4 : 1;
  return fitArcs(
    lines,
    straightFeed,
    (line) => {
      const from = facts.get(line)!.motion.from;
      return [from[0] / unit, from[1] / unit];
    },
    toleranceMm / unit,
  );
}

/** Given lines against what stands in their place now. */
function changesOf(
  original: readonly FileLine[],
  lines: readonly FileLine[],
  origin: readonly number[],
  why: ReadonlyMap<number, string>,
): LineChange[] {
  const now = new Map<number, string[]>();
  for (const [i, line] of lines.entries()) {
    const at = origin[i]!;
    const list = now.get(at);
    if (list) list.push(line.text);
    else now.set(at, [line.text]);
  }
  return original.flatMap((line, i): LineChange[] => {
    const after = now.get(i + 1) ?? [];
    if (after.length === 1 && after[0] === line.text) return [];
    return [{ line: i + 1, before: line.text, after, why: why.get(i + 1) ?? 'part of an arc' }];
  });
}
