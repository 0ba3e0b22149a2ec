import { measure, say, type Sentence } from '../../units/sentence.ts';
import { type Cutter, isIndexable } from '../../crib/cutter.ts';
import { type FaceEdges, faceMarks, type FaceMarks } from '../../physics/surface/face-marks.ts';
import { type FaceSetup, PLAIN_FACE } from './face-setup.ts';
import type { MillingOperation } from './milling-operation.ts';

/** Cutters in which one insert wipes, unless somebody says otherwise. */
const ONE_WIPER = 'face_mill_45_wiper';

/** Axial runout nobody measured, mm: pockets of inserts; the ends of a solid mill are ground in one clamping. Judgement. */
const USUAL_RUNOUT = { inserts: 0.015, solid: 0.002 } as const;

export const faceSetupOf = ({ face }: Pick<MillingOperation, 'face'>): FaceSetup => face ?? PLAIN_FACE;

/** What the setter has to know of inserts and spindle where somebody stated it. */
export function faceNotes(face: FaceSetup | undefined): readonly Sentence[] {
  if (!face) return [];
  return [
    ...(face.wipers === null
      ? []
      : [
          say(
            '{0} wiper inserts, {1} over the others.',
            measure(face.wipers, 'pieces'),
            measure(face.wiperUm / 1000, 'mm-fine'),
          ),
        ]),
    ...(face.axialRunoutUm === null
      ? []
      : [say('Axial runout of the inserts {0} at the most.', measure(face.axialRunoutUm / 1000, 'mm-fine'))]),
    ...(face.alongUmPerM > 0
      ? [
          say(
            'Spindle leans {0} on a metre along the feed, so that the back of the cutter clears: one way only.',
            measure(face.alongUmPerM / 1000, 'mm-fine'),
          ),
        ]
      : []),
  ];
}

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
