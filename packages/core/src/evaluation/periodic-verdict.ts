import type { OperationContext, PeriodicVerdict } from '../operations/context.ts';
import type { MillingOperation } from '../operations/milling/milling-operation.ts';
import type { Operation } from '../operations/operation.ts';
import { depthAlongTool, depthAtTip, modeHeardAt, structureAtDepth } from '../physics/dynamics/along-tool.ts';
import { forPeriodic } from '../physics/dynamics/tip-structure.ts';
import { limitDepth } from '../physics/dynamics/periodic/limit-depth.ts';
import { kindOf } from './registry.ts';
import { problemsOf } from './check-operation.ts';
import { millingState } from '../operations/milling/milling-state.ts';

/** Beyond this many times the cut's own depth nobody asks. */
const DEEP = 6;
const LEAST_DEEP = 1.5;
/** And beyond this many times the stick-out nothing cuts. */
const BEYOND_TOOL = 1.25;
/** Share of the depth the border may be off: stiffness and force are in doubt by ten times as much. */
const TOLERANCE = 0.01;

/** What the periodic solution is asked of a milling cut: the structure as felt at its depth, and how deep anybody looks. */
export function borderAsked(op: MillingOperation, context: OperationContext) {
  const { stability } = millingState(op, context);
  const { axialDepthMm: depthMm, speedRpm: rpm } = op.cut;
  const stickOut = op.tooling.stickOutMm;
  return {
    stability,
    felt: forPeriodic(structureAtDepth(stability.structure, depthMm, stickOut)),
    rpm,
    wish: {
      fromMm: depthMm,
      mostMm: Math.max(LEAST_DEEP * depthMm, Math.min(DEEP * depthMm, BEYOND_TOOL * stickOut)),
      tolerance: TOLERANCE,
    },
  };
}

/**
 * The periodic solution at one cut: the number that is approved. Some hundredths of a second, so it is worked out by a
 * worker or the server and handed to `evaluate` in the context. Throws InputError on an impossible operation.
 */
export function periodicVerdict(op: MillingOperation, context: OperationContext): PeriodicVerdict {
  const { stability, felt, rpm, wish } = borderAsked(op, context);
  const { fromMm: depth, mostMm } = wish;
  const stickOut = op.tooling.stickOutMm;
  const averaged = stability.borderAt(rpm).depthMm;
  const here = limitDepth(stability.cut, felt, rpm, wish);
  // Deeper than anybody looks on both accounts: they agree as far as it matters.
  const ratio = (here.depthMm ?? mostMm) / Math.min(averaged ?? mostMm, mostMm);
  const mode = here.hz === null ? null : modeHeardAt(felt, here.hz);
  const own = mode && [...stability.structure.x, ...stability.structure.y].find((m) => m.hz === mode.hz);
  const along =
    here.depthMm !== null && own
      ? depthAlongTool(own, (here.depthMm * depthAtTip(own, depth, stickOut)) / depth, stickOut)
      : Infinity;
  return {
    key: stability.key(),
    depthMm: along > stickOut ? null : along,
    hz: here.hz,
    overAveraged: Math.log(ratio),
  };
}

/** The context with the periodic verdict of this very cut: what a release is judged on. Unchanged for holes and plunging. */
export function withPeriodic(op: Operation, context: OperationContext): OperationContext {
  const cut = kindOf(op).turning(op);
  if (!cut || problemsOf(op, context).length > 0) return context;
  return { ...context, periodic: periodicVerdict(cut, context) };
}
