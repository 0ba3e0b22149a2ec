import type { Evaluation } from '../../evaluation/evaluation.ts';
import { outerDiameter } from '../../crib/cutter.ts';
import { chamferDiameter } from '../../operations/chamfering/chamfering-state.ts';
import { speedDiameterOfEdge } from '../../operations/edge-milling/edge-milling-state.ts';
import type { OperationContext } from '../../operations/context.ts';
import type { Operation } from '../../operations/operation.ts';
import { entrySteepness } from '../../physics/path/entry-plan.ts';
import { type CutterShape, shapeOf, squareCutter } from '../engage/cutter-shape.ts';
import { type CutModel, cutModelOf, feedPerTurn } from './cut-model.ts';

/** An operation a program is held against, with what the sheet says of it at the machine. */
export interface ProgramOperation {
  readonly id: string;
  readonly name: string;
  readonly document: Operation;
  readonly context: OperationContext;
  readonly evaluation: Evaluation;
  /** Tool number it has in the magazine; null where nobody said. */
  readonly tool: number | null;
  /** Like G54; empty where nobody said. */
  readonly workOffset: string;
}

/** What an operation asks of a program's blocks. Lengths in mm. */
export interface Expected {
  readonly operation: ProgramOperation;
  readonly shape: CutterShape;
  /** Where the edge makes the wall: of a chamfer mill off its tip, mm from the axis. */
  readonly edgeMm: number;
  readonly model: CutModel;
  readonly speedRpm: number;
  /** Per tooth of a mill, per turn of a drill. */
  readonly feedMm: number;
  readonly teeth: number;
  /** Whether feed counts per turn: drills, reamers, boring heads, taps; what else there is cuts with the side of a mill. */
  readonly perTurn: boolean;
  readonly depthMm: number | null;
  readonly widthMm: number | null;
  /** Steepest way down it may take, degrees; 90 for what drills. */
  readonly steepestDeg: number;
  readonly wet: boolean;
  /** Smaller rating of cutter and holder, rpm. */
  readonly ratedRpm: number;
}

const KINDS_PER_TURN = new Set(['drilling', 'reaming', 'tapping', 'boring']);

/** Steepest way down for a cutter in an alloy: by its own record, else the gentler usual of the alloy. */
function steepestOf({ document, context }: ProgramOperation): number {
  if (KINDS_PER_TURN.has(document.kind)) return 90;
  if (document.kind === 'milling' && document.path.entry.method === 'plunge') return 90;
  if (document.kind === 'milling' && document.path.strategy === 'plunge') return 90;
  if (['chamfering', 'thread-milling', 'edge-milling'].includes(document.kind)) return 90;
  const own = context.cutter.properties.RMPX ?? 90;
  const usual = entrySteepness(context.alloy);
  // A bore is small against its cutter: its helix is steeper at the centre than at the wall. See physics, helical bores.
  return Math.min(
    own,
    document.kind === 'hole-milling' ? 2 * usual.helixDeg : Math.max(usual.helixDeg, usual.rampDeg),
  );
}

/** Depth and width of the cut that was released; null where the kind has no such number. */
function engagementOf(op: Operation): { depthMm: number | null; widthMm: number | null } {
  if (op.kind === 'milling') return { depthMm: op.cut.axialDepthMm, widthMm: op.cut.radialEngagementMm };
  if (op.kind === 'hole-milling') return { depthMm: op.cut.pitchMm, widthMm: null };
  return { depthMm: null, widthMm: null };
}

/** Feed per tooth of a mill, per turn of a drill, mm. */
export const feedOf = (op: Operation): number =>
  'feedPerToothMm' in op.cut ? op.cut.feedPerToothMm : feedPerTurn(op);

export function expectedOf(operation: ProgramOperation): Expected {
  const { document, context } = operation;
  const { cutter, holder, machine } = context;
  const perTurn = KINDS_PER_TURN.has(document.kind);
  return {
    operation,
    // A boring head cuts where it is set, a tap as wide as its thread.
    shape:
      document.kind === 'boring'
        ? squareCutter(document.hole.diameterMm)
        : document.kind === 'tapping'
          ? squareCutter(document.thread.majorMm)
          : shapeOf(cutter),
    edgeMm:
      document.kind === 'chamfering'
        ? chamferDiameter(cutter.properties.DC ?? 0, document.cut.widthMm, outerDiameter(cutter)) / 2
        : document.kind === 'edge-milling'
          ? speedDiameterOfEdge(document, context) / 2
          : outerDiameter(cutter) / 2,
    model: cutModelOf(operation),
    speedRpm: document.cut.speedRpm,
    feedMm: feedOf(document),
    teeth: perTurn ? 1 : (cutter.properties.ZEFP ?? cutter.properties.NOF ?? 1),
    perTurn,
    ...engagementOf(document),
    steepestDeg: steepestOf(operation),
    wet: document.coolant !== 'dry',
    ratedRpm: Math.min(cutter.properties.RPMX ?? Infinity, holder.max_rpm || Infinity, machine.max_rpm),
  };
}

/** What holds for a tool of the program: its own number, else the only operation whose number nobody said. */
export function expectedFor(tool: number, all: readonly Expected[]): Expected | null {
  const own = all.find((e) => e.operation.tool === tool);
  if (own) return own;
  const open = all.filter((e) => e.operation.tool === null);
  return open.length === 1 && open[0] ? open[0] : null;
}
