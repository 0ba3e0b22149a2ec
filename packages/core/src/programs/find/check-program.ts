import { capital } from '../../units/capital.ts';
import { say } from '../../units/sentence.ts';
import type { Machine } from '../../crib/machine.ts';
import { AIR, type Engagement, makeEngager } from '../engage/engage.ts';
import type { BlankSizes } from '../engage/guess-stock.ts';
import { makeHeightField } from '../engage/height-field.ts';
import type { Stock } from '../engage/stock.ts';
import type { Chunks } from '../read/lines.ts';
import type { Motion, Note } from '../read/motion.ts';
import type { CycleHole, Sink } from '../read/control.ts';
import { PLAIN_SETTINGS, readProgram, readStream, type ReadResult } from '../read/read-program.ts';
import { makeSummary, type ProgramSummary, USUAL_RAPID } from '../read/summary.ts';
import type { Block } from './block.ts';
import { cutOf, NO_LOAD } from './cut-model.ts';
import { type Expected, expectedFor, expectedOf, type ProgramOperation } from './expected.ts';
import { type Finding, GRAVITIES } from './finding.ts';
import { inheritedFindings, type Inheritance } from './inherited.ts';
import { RULES } from './rules.ts';

/** What turns the part is followed as motion only: its tool has no outline from above. */
const isMilled = ({ document }: ProgramOperation): boolean => document.kind !== 'turning';

/** What a program is looked at with. */
export interface CheckSettings {
  readonly operations: readonly ProgramOperation[];
  readonly machine: Machine | null;
  /** Material before the program; null leaves contact and load out. */
  readonly stock: Stock | null;
  /** The job's blank, for who looks for material nobody stated. */
  readonly blank?: BlankSizes | null;
  /** Cells of the material's grid, mm. */
  readonly cellMm: number;
  readonly clearPlaneMm: number | null;
  readonly speedsOnPurpose?: readonly number[];
  /** Whose numbers these may be instead. */
  readonly inheritance?: Inheritance;
}

export interface CheckResult {
  readonly read: ReadResult;
  readonly summary: ProgramSummary;
  /** Worst first. */
  readonly findings: readonly Finding[];
  readonly blocks: number;
  readonly cellMm: number | null;
  /** Bytes of the material's grid. */
  readonly gridBytes: number;
}

interface Checker {
  readonly sink: Sink;
  finish(read: ReadResult): CheckResult;
}

function makeChecker(settings: CheckSettings, each: (block: Block) => void): Checker {
  const { machine, stock } = settings;
  const rapidMmMin = machine?.axes.x.max_feed_mm_min ?? USUAL_RAPID;
  const expected: readonly Expected[] = settings.operations.filter(isMilled).map(expectedOf);
  const byTool = new Map<number, Expected | null>();
  const of = (tool: number): Expected | null => {
    let known = byTool.get(tool);
    if (known === undefined) byTool.set(tool, (known = expectedFor(tool, expected)));
    return known;
  };
  const field = stock && makeHeightField(stock, settings.cellMm);
  const engager = field && makeEngager(field, (tool) => of(tool)?.shape ?? null);
  const rules = RULES.map((make) =>
    make({
      expected,
      machine,
      stock,
      clearPlaneMm: settings.clearPlaneMm,
      speedsOnPurpose: settings.speedsOnPurpose ?? [],
    }),
  );
  const summary = makeSummary(rapidMmMin);
  let index = 0;

  function blockOf(motion: Motion): Block {
    const engagement: Engagement = engager?.run(motion) ?? AIR;
    const toolsExpected = of(motion.setting.tool);
    const feed = motion.kind === 'rapid' ? rapidMmMin : motion.feedMmMin;
    const minutes = motion.seconds / 60 + (feed ? motion.lengthMm / feed : 0);
    const load =
      toolsExpected && motion.feedMmMin && (engagement.most.arc > 0 || engagement.plungeShare > 0)
        ? toolsExpected.model.load(cutOf(engagement, minutes, motion.feedMmMin, motion.speedRpm))
        : NO_LOAD;
    return { index: index++, motion, engagement, load, minutes, expected: toolsExpected };
  }

  return {
    sink: {
      motion(motion) {
        summary.motion(motion);
        const block = blockOf(motion);
        for (const rule of rules) rule.see(block);
        each(block);
      },
      hole: (hole: CycleHole) => summary.hole!(hole),
    },
    finish(read) {
      const found = rules.flatMap((rule) => rule.findings());
      const findings = [
        ...found,
        ...(settings.inheritance ? inheritedFindings(found, expected, settings.inheritance) : []),
        ...read.notes.map(noteFinding),
      ];
      return {
        read,
        summary: summary.result(),
        findings: findings.sort(worstFirst),
        blocks: index,
        cellMm: field?.cellMm ?? null,
        gridBytes: field?.bytes ?? 0,
      };
    },
  };
}

const worstFirst = (a: Finding, b: Finding): number =>
  GRAVITIES.indexOf(a.gravity) - GRAVITIES.indexOf(b.gravity) || b.weight - a.weight || a.line - b.line;

/** How what the reader says of itself stands among the findings. */
const NOTE_LOOKS = {
  error: { rule: 'unread', gravity: 'look', weight: 3, title: 'Cannot be read' },
  assumed: { rule: 'assumed', gravity: 'note', weight: 0.5, title: 'Assumed' },
  'not followed': { rule: 'not-followed', gravity: 'note', weight: 0.5, title: 'Not followed' },
} as const satisfies Record<Note['kind'], Pick<Finding, 'rule' | 'gravity' | 'weight' | 'title'>>;

/** What the reader could not follow stands among the findings: it bears on all others. */
const noteFinding = ({ kind, what, means, count, lines }: Note): Finding => ({
  ...NOTE_LOOKS[kind],
  title: `${NOTE_LOOKS[kind].title}: ${what}`,
  what: say(`${capital(means)}.`),
  remedy: say('Look at the line by eye.'),
  line: lines[0]!,
  count,
  lines,
  block: null,
  at: null,
});

/** Reads, engages and judges a program held as one text; `each` gets every block as it is worked out. */
export function checkProgram(
  text: string,
  settings: CheckSettings,
  each: (block: Block) => void = () => undefined,
): CheckResult {
  const checker = makeChecker(settings, each);
  return checker.finish(readProgram(text, PLAIN_SETTINGS, checker.sink));
}

/** The same by the piece, for files of any length. `pause` is awaited between pieces, with the line reached. */
export async function checkStream(
  chunks: Chunks,
  settings: CheckSettings,
  each: (block: Block) => void = () => undefined,
  pause: (line: number) => Promise<void> | void = () => undefined,
): Promise<CheckResult> {
  const checker = makeChecker(settings, each);
  return checker.finish(await readStream(chunks, PLAIN_SETTINGS, checker.sink, pause));
}
