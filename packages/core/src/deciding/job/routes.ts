import { isMillingCutter } from '../../crib/cutter.ts';
import { toolFits } from '../../evaluation/check-operation.ts';
import { evaluate } from '../../evaluation/evaluate.ts';
import { InputError } from '../../units/input-error.ts';
import { firstCut, type FirstCut, firstCuts } from '../choosing/first-cuts.ts';
import { placeOf } from '../choosing/doubt.ts';
import { contextWith, type Offer } from '../choosing/rank-cutters.ts';
import { isLaidOut, layOut, type LayOutWish } from '../strategies/lay-out.ts';
import type { MillingOperation } from '../../operations/milling/milling-operation.ts';
import { SEVERITY } from '../../judging/severity.ts';
import { type BatchPlan, batchPlan } from './batch-plan.ts';
import { type JudgedJob, type JudgedOperation, operationsOfJob } from './judged-job.ts';

export const ROUTE_IDS = ['as-planned', 'best-each', 'one-tool', 'light-radial', 'levels'] as const;
export type RouteId = (typeof ROUTE_IDS)[number];

/** A whole job run another way. */
export interface RouteChoice {
  readonly id: RouteId;
  readonly name: string;
  /** Operations that differ from what is planned. */
  readonly changed: readonly {
    readonly id: string;
    readonly name: string;
    readonly document: MillingOperation;
  }[];
  readonly minutesPerPart: number;
  readonly minutesBatch: number;
  readonly costPerPart: number;
  readonly costBatch: number;
  readonly tools: number;
  readonly edges: number;
  readonly lost: number;
  /** Limits over or tight, over all operations. */
  readonly over: number;
  readonly tight: number;
}

const NAMES: Readonly<Record<RouteId, string>> = {
  'as-planned': 'As planned',
  'best-each': 'Best tool for each feature',
  'one-tool': 'One tool for all it can',
  'light-radial': 'Light radial at full depth',
  levels: 'Levels with a wide stepover',
};

type Milled = JudgedOperation & { readonly document: MillingOperation };
const isMilled = (o: JudgedOperation): o is Milled => o.document.kind === 'milling';

function summed(
  job: JudgedJob,
  id: RouteId,
  changes: ReadonlyMap<string, MillingOperation>,
  offer: Offer,
  confidence: number,
): RouteChoice | null {
  const changed: RouteChoice['changed'][number][] = [];
  const operation = (o: JudgedOperation): JudgedOperation | null => {
    const document = changes.get(o.id);
    if (!document || !isMilled(o)) return o;
    const cutter = offer.cutters.find((c) => c.id === document.tooling.cutterId);
    const holder = offer.holders.find((h) => h.id === document.tooling.holderId);
    const at = cutter && contextWith(o.document, o.context, cutter, offer);
    if (!at || !holder) return null;
    const context = { ...at, holder };
    changed.push({ id: o.id, name: o.name, document });
    return { ...o, document, context, evaluation: evaluate(document, context) };
  };
  try {
    const setups = job.setups.map((s) => ({ ...s, operations: s.operations.map(operation) }));
    if (setups.some((s) => s.operations.includes(null))) return null;
    const whole = {
      ...job,
      setups: setups.map((s) => ({ ...s, operations: s.operations as JudgedOperation[] })),
    };
    return facts(id, changed, whole, batchPlan(whole, confidence));
  } catch (error) {
    if (error instanceof InputError) return null;
    throw error;
  }
}

function facts(id: RouteId, changed: RouteChoice['changed'], job: JudgedJob, plan: BatchPlan): RouteChoice {
  const limits = operationsOfJob(job).flatMap((o) => o.evaluation.limits);
  return {
    id,
    name: NAMES[id],
    changed,
    minutesPerPart: plan.minutes.perPart,
    minutesBatch: plan.minutes.batch,
    costPerPart: plan.money.perPart,
    costBatch: plan.money.batch,
    tools: plan.tools.length,
    edges: plan.tools.reduce((sum, t) => sum + t.edges, 0),
    lost: plan.risk.lost,
    over: limits.filter((l) => l.state === 'over').length,
    tight: limits.filter((l) => l.state === 'tight').length,
  };
}

/** The cutter that makes all of these features it can in the least time, with its cuts; null where none makes two. */
function oneTool(milled: readonly Milled[], offer: Offer): ReadonlyMap<string, MillingOperation> | null {
  let best: {
    readonly cuts: Map<string, MillingOperation>;
    readonly minutes: number;
    readonly made: number;
  } | null = null;
  for (const cutter of offer.cutters.filter(isMillingCutter)) {
    const cuts = new Map<string, MillingOperation>();
    let minutes = 0;
    for (const o of milled) {
      if (!toolFits(o.document, cutter)) continue;
      const cut: FirstCut | null = firstCut(o.document, o.context, cutter, offer);
      if (!cut || cut.state === 'over') continue;
      minutes += cut.minutes * o.document.featuresPerPart;
      cuts.set(o.id, kept(cut.operation, o.document));
    }
    const better = !best || cuts.size > best.made || (cuts.size === best.made && minutes < best.minutes);
    if (cuts.size > 1 && better) best = { cuts, minutes, made: cuts.size };
  }
  return best?.cuts ?? null;
}

/** A clearing cut as a school would run it, with the cutter it would take; null for what it has nothing to say of. */
function ofSchool(
  o: Milled,
  school: 'light-radial' | 'levels',
  offer: Offer,
  wish: LayOutWish,
): MillingOperation | null {
  const { feature, path } = o.document;
  // A face has no school, and what finishes a wall takes what was left for it.
  if (feature.kind === 'face' || (feature.kind === 'side' && feature.allowanceMm === 0)) return null;
  // Nor have a groove under a wall and a finished face.
  if (feature.undercut || feature.finishing) return null;
  const light = feature.kind === 'slot' ? 'trochoidal' : 'constant-engagement';
  const strategy = school === 'levels' ? 'levels' : light;
  if (path.strategy === strategy) return null;
  const asked: MillingOperation = { ...o.document, path: { ...path, strategy, cornerPathRadiusMm: null } };
  const [best] = firstCuts(asked, o.context, offer);
  if (!best) return null;
  const cutter = offer.cutters.find((c) => c.id === best.cutterId)!;
  const at = best.state === 'over' ? contextWith(asked, o.context, cutter, offer) : null;
  const row = at && layOut(best.operation, at, strategy, wish);
  return row && isLaidOut(row) && row.state !== 'over' ? row.operation : best.operation;
}

/** A new cut with what the operation says of its batch. */
const kept = (cut: MillingOperation, of: MillingOperation): MillingOperation => ({
  ...cut,
  featuresPerPart: of.featuresPerPart,
  featuresPerEdge: of.featuresPerEdge,
  economics: of.economics,
  notes: of.notes,
});

/**
 * The same job run other ways, each worked out as a whole: as planned, the best first cut of the crib for every feature, one tool
 * for all it can, and the two schools of clearing. Ways that change nothing or cannot be run are left out. Tells `onPart` how far it is.
 */
export function routesOf(
  job: JudgedJob,
  offer: Offer,
  confidence: number,
  wish: LayOutWish,
  onPart: (part: number) => void = () => undefined,
): RouteChoice[] {
  const milled = operationsOfJob(job).filter(isMilled);
  const found: RouteChoice[] = [];
  const put = (choice: RouteChoice | null): void => {
    if (choice && (choice.id === 'as-planned' || choice.changed.length > 0)) found.push(choice);
  };
  put(summed(job, 'as-planned', new Map(), offer, confidence));
  const each = new Map<string, MillingOperation>();
  milled.forEach((o, i) => {
    const cuts = firstCuts(o.document, o.context, offer);
    const [best] = [...cuts].sort((a, b) => placeOf(a.state) - placeOf(b.state) || a.minutes - b.minutes);
    const worse = best && (best.state === 'over' || SEVERITY[best.state] > SEVERITY[o.evaluation.state]);
    if (best && !worse && best.minutes < o.evaluation.time.cutting + o.evaluation.time.linking)
      each.set(o.id, kept(best.operation, o.document));
    onPart((0.3 * (i + 1)) / milled.length);
  });
  put(summed(job, 'best-each', each, offer, confidence));
  const single = oneTool(milled, offer);
  if (single) put(summed(job, 'one-tool', single, offer, confidence));
  onPart(0.5);
  for (const [k, id] of (['light-radial', 'levels'] as const).entries()) {
    const cuts = new Map<string, MillingOperation>();
    milled.forEach((o, i) => {
      const cut = ofSchool(o, id, offer, wish);
      if (cut) cuts.set(o.id, kept(cut, o.document));
      onPart(0.5 + 0.25 * (k + (i + 1) / milled.length));
    });
    put(summed(job, id, cuts, offer, confidence));
  }
  return found;
}
