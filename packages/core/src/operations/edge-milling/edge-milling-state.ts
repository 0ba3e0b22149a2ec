import type { Cutter } from '../../crib/cutter.ts';
import { type Estimate, scale, times, uncertain } from '../../judging/estimate.ts';
import { cuttingSpeed } from '../../physics/cutting/spindle-speed.ts';
import {
  type EdgeContact,
  edgeContact,
  type EdgePlace,
  edgePlace,
} from '../../physics/edges/edge-contact.ts';
import { rapidSeconds } from '../../physics/holes/cycle-time.ts';
import { bendSteppedBeam } from '../../physics/structure/stepped-beam.ts';
import { NOTCH_FACTOR } from '../../physics/structure/rupture-strength.ts';
import { supportCompliance } from '../../physics/structure/support-compliance.ts';
import { toolBeam } from '../../physics/structure/tool-beam.ts';
import { type Burr, burrAt } from '../../physics/surface/burr.ts';
import type { OperationContext } from '../context.ts';
import { type CutParts, cutOfParts } from '../cut-of-parts.ts';
import type { CutState } from '../cut-state.ts';
import { chamferLife } from '../life-state.ts';
import { BEAM_MODEL, cuttingForceSources, thinChipSource } from '../sources.ts';
import type { EdgeMillingOperation } from './edge-milling-operation.ts';

const RAD = Math.PI / 180;
/** Run in and out on a small arc at every contour, mm. */
const RUN_IN = 4;
/** Feed begins and ends this far off the part, and the ways between, mm. */
const BETWEEN = 60;

export interface EdgeMillingState extends CutState<EdgeMillingOperation> {
  /** How the cutter meets the edge; in words why it cannot. */
  readonly contact: EdgeContact | string;
  readonly place: EdgePlace;
  readonly teeth: number;
  /** Engagement angle at the widest of the contact, rad. */
  readonly arc: number;
  /** Thickest chip, mm. */
  readonly chipMm: number;
  /** What one pass takes, as the width of a chamfer of that area, mm. */
  readonly passWidthMm: number;
  readonly sideForceN: Estimate;
  readonly deflectionMm: Estimate;
  readonly stressMPa: Estimate;
  /** What the tool leaves behind along both borders of the break. */
  readonly burr: Burr;
}

/** A contact to reckon with where there is none: the numbers stay finite, the limit says why it cannot be. */
const stand = (cutter: Cutter, size: number): EdgeContact => {
  const radius = Math.max(0.05, (cutter.properties.DC ?? 1) / 2);
  return {
    halfAngleDeg: 45,
    innerMm: radius,
    outerMm: radius + size,
    lowMm: 0,
    highMm: size,
    mostMm: 0,
    hollowMm: 0,
    edgeMm: Math.SQRT2 * size,
  };
};

/** How a cutter meets the edge of an operation; in words why it cannot. */
export const contactOf = (
  { edge, cut }: EdgeMillingOperation,
  { cutter }: Pick<OperationContext, 'cutter'>,
): EdgeContact | string => edgeContact(cutter, edge, cut.offTipMm);

const reckoned = (op: EdgeMillingOperation, context: Pick<OperationContext, 'cutter'>): EdgeContact => {
  const contact = contactOf(op, context);
  return typeof contact === 'string' ? stand(context.cutter, op.edge.sizeMm) : contact;
};

/** Where the program puts the tool of an operation. */
export const edgePlaceOf = (op: EdgeMillingOperation, context: Pick<OperationContext, 'cutter'>): EdgePlace =>
  edgePlace(reckoned(op, context), op.edge, op.edge.depthMm ?? 0);

/** Area of the cross-section taken off, mm². */
function areaOf({ edge }: EdgeMillingOperation, c: EdgeContact, tipMm: number): number {
  if (edge.form === 'round') return (1 - Math.PI / 4) * edge.sizeMm ** 2;
  const height = c.highMm - c.lowMm;
  if (edge.form === 'engraving') return (tipMm + (edge.sizeMm - tipMm) / 2) * Math.max(height, 0.01);
  return 0.5 * edge.sizeMm * height + (2 / 3) * c.hollowMm * c.edgeMm;
}

/** Diameter an edge's speed is stated at, mm: the widest of the contact. */
export const speedDiameterOfEdge = (
  op: EdgeMillingOperation,
  context: Pick<OperationContext, 'cutter'>,
): number => Math.max(0.05, 2 * reckoned(op, context).outerMm);

/** Works out an edge milled along its contour. Input must have been checked. */
export function edgeMillingState(op: EdgeMillingOperation, context: OperationContext): EdgeMillingState {
  const { alloy, cutter, machine, holder, substrate } = context;
  const { edge, cut } = op;
  const p = cutter.properties;
  const found = contactOf(op, context);
  const c = reckoned(op, context);
  const teeth = p.ZEFP ?? p.NOF ?? 2;
  const diameter = speedDiameterOfEdge(op, context);
  const tip = p.DC ?? 0;
  const area = areaOf(op, c, tip) / cut.passes;
  // A chamfer of the same area, whatever the shape.
  const passWidth = Math.sqrt(2 * area);
  const engraving = edge.form === 'engraving';
  const radial = Math.min(engraving ? diameter : passWidth, diameter);
  const arc = Math.acos(Math.max(-1, 1 - (2 * radial) / diameter));
  const sine = arc >= Math.PI / 2 ? 1 : Math.sin(arc);
  const lead = Math.cos(c.halfAngleDeg * RAD);
  const chip = Math.max(1e-5, cut.feedPerToothMm * sine * lead);
  const meanChip = (chip * (1 - Math.cos(arc))) / Math.max(arc * sine, 1e-6);
  const feed = cut.speedRpm * teeth * cut.feedPerToothMm;
  const { kc11, sources: force } = cuttingForceSources(op, context);
  const thin = thinChipSource({ forceLaw: 'kienzle' }, meanChip);
  const sources = thin ? [...force, thin] : force;
  const { mc } = alloy.kienzle;
  const wear = 1 + op.flankWearMm;
  const kc = kc11 * Math.max(meanChip, 1e-4) ** -mc.typical * wear;
  const torque = uncertain((kc * area * feed) / (2 * Math.PI * cut.speedRpm) / 1000, ...sources);
  // Chip of one tooth across the length of edge in the cut; near its widest place alone it is as thick as said.
  const length = c.edgeMm / Math.max(1, cut.passes * 0.75);
  const side = uncertain(Math.max(1e-6, kc11 * chip ** (1 - mc.typical) * 0.5 * length * wear), ...sources);
  const out = op.tooling.stickOutMm;
  const loaded = Math.min(out, Math.max(0.1, c.highMm));
  const unit = bendSteppedBeam(toolBeam(cutter, out, substrate.E_gpa), 1, loaded);
  const support = supportCompliance(machine, holder, p.DCONMS ?? diameter, out - loaded / 2, 'y');
  const gives = unit.tipMm + support.clamp + support.holderBody + support.spindle;
  const parts: CutParts = {
    diameterMm: diameter,
    feedRateMmMin: feed,
    removalCm3Min: (area * feed) / 1000,
    torqueNm: torque,
    seconds: {
      cut: ((cut.passes * (edge.lengthMm + 2 * RUN_IN)) / feed) * 60,
      air: cut.passes * (2 * rapidSeconds(20, machine.axes.z) + rapidSeconds(BETWEEN, machine.axes.x)),
    },
    life: chamferLife(op, context, cuttingSpeed(cut.speedRpm, diameter), chip, passWidth / diameter),
    noLife: 'no life model for this alloy and cutting material',
  };
  return {
    ...cutOfParts(op, context, parts),
    contact: found,
    place: edgePlaceOf(op, context),
    teeth,
    arc,
    chipMm: chip,
    passWidthMm: passWidth,
    sideForceN: side,
    deflectionMm: times(side, uncertain(gives, BEAM_MODEL)),
    stressMPa: scale(side, Math.max(...unit.stressAtStartMPa) * NOTCH_FACTOR),
    burr: burrAt('rim', {
      group: alloy.iso513_group,
      chipMm: chip,
      edgeRadiusMm: (cutter.extended.edge_radius_um?.[1] ?? 9) / 1000,
      wearMm: op.flankWearMm,
    }),
  };
}
