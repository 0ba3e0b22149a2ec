import type { OperationContext } from '../context.ts';
import { outerDiameter } from '../../crib/cutter.ts';
import type { ChamferingOperation } from './chamfering-operation.ts';
import { approachSeconds } from '../../physics/holes/cycle-time.ts';
import { centreFeed } from '../../physics/cutting/arc-feed.ts';
import { cuttingSpeed } from '../../physics/cutting/spindle-speed.ts';
import { uncertain } from '../../judging/estimate.ts';
import { chamferLife } from '../life-state.ts';
import { cuttingForceSources } from '../sources.ts';
import { holeState, type HoleState } from '../holes/hole-state.ts';

export interface ChamferingState extends HoleState<ChamferingOperation> {
  readonly teeth: number;
  readonly chipMm: number;
  /** The path has room: the mill's small end enters the hole. */
  readonly fits: boolean;
}

/** How far a chamfer mill's dull tip stands below the chamfer it cuts, mm. */
export const CHAMFER_OFF_TIP = 1;

/** Where a chamfer mill cuts, mm on its diameter: off its dull tip by the chamfer and a little. */
export const chamferDiameter = (tipMm: number, widthMm: number, mostMm: number): number =>
  Math.min(mostMm, tipMm + 2 * (CHAMFER_OFF_TIP + widthMm));

/** Works out a chamfer milled round a hole. Input must have been checked. */
export function chamferingState(op: ChamferingOperation, context: OperationContext): ChamferingState {
  const { alloy, cutter } = context;
  const { hole, cut } = op;
  const p = cutter.properties;
  const teeth = p.ZEFP ?? p.NOF ?? 2;
  const lead = ((p.KAPR ?? 45) * Math.PI) / 180;
  const at = chamferDiameter(p.DC ?? 0, cut.widthMm, outerDiameter(cutter));
  const mouth = hole.diameterMm + 2 * cut.widthMm;
  const circle = Math.max(0.2, mouth - at);
  const edgeFeed = cut.speedRpm * teeth * cut.feedPerToothMm;
  const feed =
    mouth > at ? centreFeed(edgeFeed, { finishedMm: mouth, toolMm: at, internal: true }) : edgeFeed;
  const chip = cut.feedPerToothMm * Math.sin(lead);
  const { kc11, sources } = cuttingForceSources(op, context);
  const force = kc11 * chip ** -alloy.kienzle.mc.typical * cut.feedPerToothMm * cut.widthMm;
  return {
    ...holeState(op, context, {
      diameterMm: at,
      feedRateMmMin: feed,
      removalCm3Min: (0.5 * cut.widthMm ** 2 * feed) / 1000,
      torqueNm: uncertain((force * at) / 2000, ...sources),
      seconds: {
        // One turn, and half a one to come in and go out.
        cut: ((1.5 * Math.PI * circle) / feed) * 60,
        air: approachSeconds(hole.betweenMm, context.machine),
      },
      life: chamferLife(op, context, cuttingSpeed(cut.speedRpm, at), chip, cut.widthMm / at),
      noLife: 'no life model for this alloy and cutting material',
      breaking: null,
      sizeErrorMm: null,
    }),
    teeth,
    chipMm: chip,
    fits: (p.DC ?? 0) + 2 * CHAMFER_OFF_TIP <= hole.diameterMm,
  };
}

/** Diameter a chamfer's speed is stated at, mm: where the edge leaves the rim. */
export const speedDiameterOfChamfer = (
  op: ChamferingOperation,
  { cutter }: Pick<OperationContext, 'cutter'>,
): number =>
  chamferDiameter(cutter.properties.DC ?? 0, op.cut.widthMm, outerDiameter(cutter) || op.hole.diameterMm);
