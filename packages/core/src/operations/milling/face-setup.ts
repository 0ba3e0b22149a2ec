import { type Cutter, isIndexable } from '../../crib/cutter.ts';
import { type FaceEdges, faceMarks, type FaceMarks } from '../../physics/surface/face-marks.ts';
import type { MillingOperation } from './milling-operation.ts';

/** How the inserts of a face mill stand, and how the spindle leans. */
export interface FaceSetup {
  /** Inserts with a wiper's flat; null: every insert as the record has it. */
  readonly wipers: number | null;
  /** How far those stand over the others, µm. */
  readonly wiperUm: number;
  /** Highest to lowest insert, µm; null is not measured, and a usual one is taken. */
  readonly axialRunoutUm: number | null;
  /** Lean of the spindle along the feed, so that the back of the cutter clears, and across it, µm on a metre. */
  readonly alongUmPerM: number;
  readonly acrossUmPerM: number;
}

/** Trammed, every insert as its record has it. */
export const PLAIN_FACE: FaceSetup = {
  wipers: null,
  wiperUm: 50,
  axialRunoutUm: null,
  alongUmPerM: 0,
  acrossUmPerM: 0,
};

/** Cutters in which one insert wipes, unless somebody says otherwise. */
const ONE_WIPER = 'face_mill_45_wiper';

/** Axial runout nobody measured, mm: pockets of inserts; the ends of a solid mill are ground in one clamping. Judgement. */
const USUAL_RUNOUT = { inserts: 0.015, solid: 0.002 } as const;

export const faceSetupOf = ({ face }: Pick<MillingOperation, 'face'>): FaceSetup => face ?? PLAIN_FACE;

/** Edges that make the face of an operation. */
export function faceEdges(op: MillingOperation, cutter: Cutter, teeth: number): FaceEdges {
  const s = faceSetupOf(op);
  const inserts = isIndexable(cutter);
  const flatMm = cutter.properties.BS ?? 0;
  return {
    feedPerToothMm: op.cut.feedPerToothMm,
    teeth,
    noseMm: cutter.properties.RE ?? 0,
    flatMm,
    wipers: flatMm > 0 ? Math.min(teeth, s.wipers ?? (cutter.type === ONE_WIPER ? 1 : teeth)) : 0,
    overMm: s.wiperUm / 1000,
    runoutMm: s.axialRunoutUm === null ? USUAL_RUNOUT[inserts ? 'inserts' : 'solid'] : s.axialRunoutUm / 1000,
  };
}

export const marksOfFace = (op: MillingOperation, cutter: Cutter, teeth: number): FaceMarks =>
  faceMarks(faceEdges(op, cutter, teeth));
