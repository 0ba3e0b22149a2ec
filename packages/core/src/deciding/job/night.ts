import { hazardsIn } from '../batch/exposure.ts';
import { aliveAfter } from '../batch/edge-plan.ts';
import { failureCosts } from '../batch/failure-cost.ts';
import type { HoldingReport } from './holding-report.ts';
import type { JobMinutes } from './job-minutes.ts';
import type { JudgedOperation, JudgedSetup } from './judged-job.ts';
import { plannedEdge } from './planned-edge.ts';

/** A tool in a stretch with nobody there. */
export interface NightTool {
  readonly cutterId: string;
  readonly name: string;
  /** Edges the stretch uses, and those on the shelf; null where nobody counted. */
  readonly needed: number;
  readonly onShelf: number | null;
}

export interface NightStretch {
  readonly parts: number;
  readonly minutes: number;
  /** Chance that something stops it, and what does, likeliest first. */
  readonly trouble: number;
  readonly by: readonly { readonly name: string; readonly chance: number }[];
  readonly expectedLoss: number;
  readonly tools: readonly NightTool[];
}

/** What a setup risks while nobody looks. */
export interface NightReport {
  readonly setupId: string;
  readonly setup: string;
  /** Somebody marked that it may run with nobody there. */
  readonly marked: boolean;
  readonly confidence: number;
  /** The longest stretch within the confidence, of whole parts; null where not even one part is. */
  readonly safe: NightStretch | null;
  /** One night of this setup. */
  readonly night: NightStretch;
  /** What ends the safe stretch. */
  readonly endedBy: string;
}

/** From the last look in the evening to the first in the morning, minutes. */
export const NIGHT_MIN = 600;
/** Parts looked at: a stretch is not longer than a pallet's magazine. */
const MOST_PARTS = 400;

const keeps = (chances: readonly number[]): number => chances.reduce((kept, c) => kept * (1 - c), 1);

/** Chances that each kind of trouble comes in so many parts. */
function troublesIn(
  parts: number,
  operations: readonly JudgedOperation[],
  holding: ReadonlyMap<string, number>,
) {
  const by = new Map<string, number>();
  const add = (name: string, chance: number): void => {
    by.set(name, 1 - (1 - (by.get(name) ?? 0)) * (1 - chance));
  };
  let loss = 0;
  for (const o of operations) {
    const features = parts * o.document.featuresPerPart;
    const edge = plannedEdge(o);
    const lasts = o.evaluation.featuresPerEdge;
    const chances: number[] = [];
    if (lasts) {
      // Sister tools come in where the edge is changed; each fails by its own survival until then.
      const whole = Math.floor(features / edge.features);
      const alive = (1 - edge.failsEarlier) ** whole * aliveAfter(features - whole * edge.features, lasts);
      add('an edge fails', 1 - alive);
      chances.push(1 - alive);
    }
    for (const h of hazardsIn(o.document, o.evaluation, features)) {
      if (h.id === 'edge') continue;
      add(h.name, h.chance);
      chances.push(h.chance);
    }
    const moves = holding.get(o.id) ?? 0;
    if (moves > 1e-6) {
      // A holding that is too weak shows at the first part; half of it is still in doubt at every one.
      add('the part moves', moves);
      chances.push(moves);
    }
    loss += (1 - keeps(chances)) * failureCosts(o.document, o.context, false).failure;
  }
  return { by, trouble: 1 - keeps([...by.values()]), loss };
}

/** What a setup risks with nobody there: one night, and the longest stretch of whole parts at a confidence. */
export function nightReport(
  setup: JudgedSetup,
  minutes: JobMinutes,
  holding: HoldingReport | undefined,
  confidence: number,
): NightReport | null {
  const own = minutes.setups.find((s) => s.id === setup.id);
  if (!own || setup.operations.length === 0 || !(own.perPart > 0)) return null;
  const moves = new Map((holding?.operations ?? []).map((h) => [h.id, h.chance]));
  const stretch = (parts: number): NightStretch => {
    const { by, trouble, loss } = troublesIn(parts, setup.operations, moves);
    const tools = new Map<string, NightTool>();
    for (const o of setup.operations) {
      const { cutter, shelf } = o.context;
      const before = tools.get(cutter.id);
      tools.set(cutter.id, {
        cutterId: cutter.id,
        name: cutter.name,
        needed: (before?.needed ?? 0) + plannedEdge(o).perPart * parts,
        onShelf: o.document.edgesOnShelf ?? shelf?.edges ?? null,
      });
    }
    return {
      parts,
      minutes: parts * own.perPart,
      trouble,
      by: [...by].map(([name, chance]) => ({ name, chance })).sort((a, b) => b.chance - a.chance),
      expectedLoss: loss,
      tools: [...tools.values()].map((t) => ({ ...t, needed: Math.max(1, Math.ceil(t.needed - 1e-9)) })),
    };
  };
  const fits = (s: NightStretch): boolean =>
    s.trouble <= 1 - confidence && s.tools.every((t) => t.onShelf === null || t.needed <= t.onShelf);
  // Trouble and tools only grow with the parts: the border is found by halving.
  let [low, high] = [0, Math.min(MOST_PARTS, Math.max(1, minutes.blanks))];
  if (fits(stretch(high))) low = high;
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    if (fits(stretch(middle))) low = middle;
    else high = middle;
  }
  const safe = low > 0 ? stretch(low) : null;
  const next = stretch(low + 1);
  const short = next.tools.find((t) => t.onShelf !== null && t.needed > t.onShelf);
  const nightParts = Math.max(1, Math.min(minutes.blanks, Math.floor(NIGHT_MIN / own.perPart)));
  return {
    setupId: setup.id,
    setup: setup.name,
    marked: setup.plan.alone,
    confidence,
    safe,
    night: stretch(nightParts),
    endedBy:
      low >= minutes.blanks
        ? 'the batch is done'
        : short
          ? `edges of ${short.name} run out`
          : (next.by[0]?.name ?? 'nothing'),
  };
}
