import { kindOf } from '../../evaluation/registry.ts';
import { withStartingCut } from '../../evaluation/starting-cut.ts';
import type { OperationContext } from '../../operations/context.ts';
import type { GroovingOperation } from '../../operations/grooving/grooving-operation.ts';
import { cuttingWidth, grooveWidth } from '../../operations/grooving/grooving-operation.ts';
import { isTurnedOperation, type TurnedOperation } from '../../operations/lathe/turned-kinds.ts';
import { problemsOf } from '../../evaluation/check-operation.ts';
import { contourOf, steepest } from '../../operations/turning/profile/contour.ts';
import { profilingEdge } from '../../operations/turning/profile/reach.ts';
import { stockOf, type TurningOperation } from '../../operations/turning/turning-operation.ts';
import { INFEEDS } from '../../physics/threads/turned-passes.ts';
import type { ThreadTurningOperation } from '../../operations/thread-turning/thread-turning-operation.ts';
import type { Way } from '../ways/way.ts';
import { quickest, type TurnedAim } from './quickest.ts';

/** A way to make the same feature, with the best numbers for it. */
export type TurnedWay = Way<TurnedOperation>;

/** A way that is to be worked out. */
interface Draft {
  readonly id: string;
  readonly name: string;
  readonly op: TurnedOperation;
  readonly context: OperationContext;
}

/** Shares of the depth an insert is made for: deep, and shallow. */
const DEEP = 0.9;
const SHALLOW = 0.35;
/** A round insert goes no deeper than this share of its diameter, so that its edge stays flat to the part. Rule G-118. */
const ROUND = 0.2;

/** Depth that takes a stock off in equal passes none deeper than one. */
const even = (stockMm: number, mostMm: number): number =>
  stockMm / Math.max(1, Math.ceil(stockMm / mostMm - 1e-6));

function turningWays(
  op: TurningOperation,
  context: OperationContext,
  others: readonly OperationContext[],
): Draft[] {
  const stock = stockOf(op.stretch);
  const [, deepest] = context.cutter.extended.ap_window_mm ?? [0.2, context.cutter.properties.APMX ?? 2];
  const at = (depthMm: number, varied = false): TurningOperation => ({
    ...op,
    cut: { ...op.cut, depthMm, varied },
  });
  const finishes = op.stretch.toleranceMm !== null || op.stretch.raUm !== null;
  const list: Draft[] = [{ id: 'as-it-is', name: 'As it is, best numbers', op, context }];
  const deep = even(stock, DEEP * deepest);
  if (finishes && stock <= deepest) {
    list.push({ id: 'one-cut', name: 'One finishing cut', op: at(stock), context });
    list.push({ id: 'two-cuts', name: 'Two cuts, 60 and 40', op: at(0.6 * stock), context });
  } else {
    list.push({ id: 'deep', name: 'Deep, few passes', op: at(deep), context });
    list.push({ id: 'shallow', name: 'Shallow and fast', op: at(even(stock, SHALLOW * deepest)), context });
  }
  if (context.alloy.ratings_0_3.notch >= 2 && stock > deep)
    list.push({
      id: 'varied',
      name: 'Depth varied from pass to pass',
      op: at(DEEP * deepest, true),
      context,
    });
  if (op.stretch.way === 'outside' && op.stretch.boreMm > 0)
    list.push({
      id: 'before-bore',
      name: 'Before the bore is made',
      op: { ...op, stretch: { ...op.stretch, boreMm: 0 } },
      context,
    });
  const slim = slimmer(op, context, others);
  if (slim) list.push({ id: 'slim', name: 'Slimmer insert', op: withTool(op, slim), context: slim });
  const round = others.find(
    ({ cutter }) =>
      cutter.type === 'turning_insert' && cutter.properties['EPSR'] === 0 && cutter.id !== context.cutter.id,
  );
  if (round && op.stretch.way !== 'inside' && !finishes)
    list.push({
      id: 'round',
      name: 'Round insert',
      op: withTool(at(even(stock, ROUND * (round.cutter.properties.IC ?? 12))), round),
      context: round,
    });
  return list;
}

/** The insert nearest to the one at hand that follows the whole profile, where that one does not. */
function slimmer(
  op: TurningOperation,
  { cutter }: OperationContext,
  others: readonly OperationContext[],
): OperationContext | undefined {
  const { profile, way } = op.stretch;
  if (!profile) return undefined;
  const { fallDeg } = steepest(contourOf(profile, way === 'inside'), way === 'inside');
  if (fallDeg <= profilingEdge(cutter).backDeg) return undefined;
  return others
    .filter((o) => kindOf(op).tool.fits(o.cutter, op) && profilingEdge(o.cutter).backDeg >= fallDeg)
    .sort((a, b) => profilingEdge(a.cutter).backDeg - profilingEdge(b.cutter).backDeg)[0];
}

function groovingWays(
  op: GroovingOperation,
  context: OperationContext,
  others: readonly OperationContext[],
): Draft[] {
  const { groove: g } = op;
  const width = grooveWidth(g, cuttingWidth(context.cutter));
  const cut = (change: Partial<GroovingOperation['cut']>): GroovingOperation => ({
    ...op,
    cut: { ...op.cut, ...change },
  });
  const list: Draft[] = [{ id: 'as-it-is', name: 'As it is, best numbers', op, context }];
  const blade = cuttingWidth(context.cutter);
  if (g.way !== 'part-off' && width > blade + 0.05) {
    list.push({ id: 'plunges', name: 'Plunge beside plunge', op: cut({ widenBy: 'plunges' }), context });
    list.push({
      id: 'sideways',
      name: 'Sideways in layers',
      op: cut({ widenBy: 'side', depthMm: Math.min(op.cut.depthMm, 0.5 * blade) }),
      context,
    });
  }
  if (g.way === 'face')
    for (const end of ['outer', 'inner'] as const)
      list.push({ id: `${end}-first`, name: `From the ${end} end`, op: cut({ firstPlunge: end }), context });
  const fit = others
    .filter(({ cutter }) => cutter.id !== context.cutter.id && kindOf(op).tool.fits(cutter, op))
    .filter(({ cutter }) => g.way === 'part-off' || cuttingWidth(cutter) <= width + 1e-6)
    .sort((a, b) => cuttingWidth(a.cutter) - cuttingWidth(b.cutter));
  for (const other of new Set([fit[0], fit.at(-1)]))
    if (other)
      list.push({
        id: `blade-${other.cutter.id}`,
        name: `Blade ${cuttingWidth(other.cutter)} mm`,
        op: withTool(op, other) as GroovingOperation,
        context: other,
      });
  return list;
}

const IN = { radial: 'Straight in', flank: 'Along one flank', alternating: 'Flanks in turn' } as const;
const threadWays = (op: ThreadTurningOperation, context: OperationContext): Draft[] =>
  INFEEDS.map((infeed) => ({
    id: infeed,
    name: IN[infeed],
    op: { ...op, cut: { ...op.cut, infeed } },
    context,
  }));

/** The operation with the tool of another context. */
const withTool = (op: TurnedOperation, { cutter, holder }: OperationContext): TurnedOperation => ({
  ...op,
  tooling: { ...op.tooling, cutterId: cutter.id, holderId: holder.id },
});

/** The part held otherwise, as the first of its drafts is cut. */
function heldWays(op: TurnedOperation, context: OperationContext): Draft[] {
  return kindOf(op)
    .switches(op, context)
    .filter((s) => s.id === 'tailstock' || s.id === 'steady')
    .map((s) => ({
      id: s.id,
      name: s.id === 'tailstock' ? 'With the tailstock' : 'With a steady rest',
      op: s.after as TurnedOperation,
      context,
    }));
}

/** Ways to make the same feature on a lathe, each with its best numbers; `others` are the contexts of other tools of the crib. */
export function turnedWays(
  op: TurnedOperation,
  context: OperationContext,
  others: readonly OperationContext[],
  aim: TurnedAim,
): TurnedWay[] {
  const own =
    op.kind === 'turning'
      ? turningWays(op, context, others)
      : op.kind === 'grooving'
        ? groovingWays(op, context, others)
        : threadWays(op, context);
  return [...own, ...heldWays(op, context)]
    .map((draft) => {
      const begun = draft.context === context ? draft.op : restarted(draft);
      return { ...draft, op: begun };
    })
    .filter((draft) => problemsOf(draft.op, draft.context).length === 0)
    .map((draft) => ({ ...draft, ...quickest(draft.op, draft.context, aim) }));
}

/** Speed and feed of another tool from its own first cut; depth and way stay. */
function restarted({ op, context }: Draft): TurnedOperation {
  const first = withStartingCut(op, context);
  if (!isTurnedOperation(first)) return op;
  const { speedRpm } = first.cut;
  const feed = 'feedPerRevMm' in first.cut ? { feedPerRevMm: first.cut.feedPerRevMm } : {};
  const step = 'stepMm' in first.cut ? { stepMm: first.cut.stepMm } : {};
  return {
    ...op,
    workedOutFor: first.workedOutFor,
    cut: { ...op.cut, ...feed, ...step, speedRpm },
  } as TurnedOperation;
}
