import type { MillingState } from '../milling-state.ts';
import { type Cutter, isIndexable } from '../../../crib/cutter.ts';
import { cornerMarks, RA_OF_RZ, wallMarks, wiperCovers } from '../../../physics/surface/feed-marks.ts';
import type { FaceMaker } from '../../../physics/surface/face-marks.ts';
import { radiusAlong } from '../../../physics/surface/surface-contact.ts';
import { contactOf, isSurface } from '../engaged-edge.ts';
import { contactRadius, passSpacing, scallopHeight } from '../../../physics/surface/scallop.ts';
import { marksOfFace } from '../face-edges.ts';
import { exact, type Source, uncertain } from '../../../judging/estimate.ts';
import { measure, say } from '../../../units/sentence.ts';
import { input, type Limit, used } from '../../../judging/limit.ts';

const PLOUGHING: Source = {
  id: 'ploughing',
  label: 'measured over theoretical roughness',
  kind: 'assumed',
  sigma: 0.25,
  narrowBy: 'measure Ra of a trial surface',
};

/** Real over geometric roughness: adhesive alloys plough (rule G-82). */
const roughnessFactor = (group: string): number =>
  group === 'H' ? 1.15 : group === 'S' || group === 'M' ? 1.8 : 1.4;
/** Runout from which one tooth makes the surface, so that the feed of a turn counts, mm. Rule G-82. */
const ONE_TOOTH = 0.005;

/** Slope of a solid mill's end edge to the floor: ground hollow by some 2°. */
const HOLLOW_END = Math.tan((2 * Math.PI) / 180);
const isBall = ({ type }: Pick<Cutter, 'type'>): boolean => /^end_mill_(?:ball|barrel|lens)/.test(type);

/**
 * No milled surface is smoother, µm Ra: pockets' axial runout and tearing of an insert's edge; the grind of a solid mill's, taken so
 * many times as tearing takes feed marks: 0.2 in hardened steel, 0.3 in titanium and nickel alloys.
 */
const SMOOTHEST_INSERT = 0.3;
const SMOOTHEST_GRIND = 0.17;

/** What makes a face, in a sentence. */
const MAKES: Readonly<Record<FaceMaker, string>> = {
  wiper: 'the wiper',
  'narrow wiper': 'a wiper narrower than the feed of a turn',
  'hidden wiper': 'the highest insert, the wiper below it',
  'one insert': 'the highest insert',
  'all inserts': 'all inserts and their runout',
};

/** Height of the ridges between passes over a curved surface, mm; null of everything else. */
export function ridgeOf(op: MillingState['op'], cutter: Cutter): number | null {
  const contact = contactOf(op, cutter);
  return contact && ridgeAt(op, contact.radiusMm);
}

const ridgeAt = ({ cut }: MillingState['op'], radiusMm: number): number =>
  scallopHeight(Math.min(cut.radialEngagementMm, 2 * radiusMm), radiusMm);

/** Ridges across the passes and marks along them on a curved surface, mm; null of everything else. */
function marksOnSurface(op: MillingState['op'], cutter: Cutter, markMm: number) {
  const contact = contactOf(op, cutter);
  if (!contact) return null;
  return {
    across: ridgeAt(op, contact.radiusMm),
    along: markMm ** 2 / (8 * radiusAlong(contact)),
  };
}

/** Roughness a milling cut is expected to leave, Ra in µm, with what makes it: of a face its edges, else the worse of wall and floor. */
export function milledRa({
  op,
  context: { alloy, cutter },
  teeth,
  runoutStep,
  diameterInCutMm,
}: Pick<MillingState, 'op' | 'context' | 'teeth' | 'runoutStep' | 'diameterInCutMm'>) {
  const { feedPerToothMm: fz, direction } = op.cut;
  const mark = runoutStep.value > ONE_TOOTH ? fz * teeth : fz;
  const wall = wallMarks(mark, diameterInCutMm, teeth, fz, direction);
  const nose = cutter.properties.RE ?? 0;
  const wiped = isIndexable(cutter) && wiperCovers(fz * teeth, cutter.properties.BS ?? 0);
  // Behind a small corner the hollow end edge of a solid mill makes the floor.
  const corner = nose > 0 && !wiped ? cornerMarks(mark, nose).rzMm : 0;
  const floor = isIndexable(cutter) || isBall(cutter) ? corner : Math.min(corner, mark * HOLLOW_END);
  const surface = marksOnSurface(op, cutter, mark);
  const face = op.feature.kind === 'face' ? marksOfFace(op, cutter, teeth) : null;
  const rzMm =
    surface !== null
      ? Math.max(surface.across, surface.along)
      : face !== null
        ? face.rzMm
        : (op.feature.kind === 'side' || op.feature.kind === 'boss') &&
            op.feature.finishing?.face !== 'floor-and-wall'
          ? wall
          : Math.max(wall, floor);
  const torn = roughnessFactor(alloy.iso513_group);
  // Ridges between passes are as high as the step makes them; tearing is in the marks along them.
  const marks = 1000 * RA_OF_RZ * (surface ? Math.max(surface.across, torn * surface.along) : torn * rzMm);
  return {
    raUm: Math.max(marks, isIndexable(cutter) ? SMOOTHEST_INSERT : SMOOTHEST_GRIND * torn),
    rzMm,
    markMm: face?.markMm ?? mark,
    by: face?.by ?? null,
  };
}

/** Feed marks on wall and floor against the roughness on the drawing. */
export const roughnessLimit: Limit<MillingState> = {
  id: 'roughness',
  group: 'accuracy',
  name: 'surface roughness',
  assess(state) {
    const { op, context } = state;
    const wanted = op.feature.raUm;
    if (wanted === null) return null;
    const { raUm: ra, rzMm, markMm, by } = milledRa(state);
    const estimate = uncertain(ra, PLOUGHING);
    return {
      predicted: { estimate, unit: 'um-fine' },
      allowed: { value: wanted, unit: 'um-fine', from: 'Ra required' },
      ...used(estimate, wanted),
      why: () =>
        say(
          `Ra {1} expected (feed marks {0}${by ? `, by ${MAKES[by]}` : ''}); {2} required.`,
          measure(rzMm * 1000, 'um-fine'),
          measure(ra, 'um-fine'),
          measure(wanted, 'um-fine'),
        ),
      formula: 'Ra = k·0.257·f²/(8·r)',
      inputs: () => [
        input('f', 'feed a mark', markMm, 'mm/tooth'),
        input('r', 'corner radius', context.cutter.properties.RE ?? 0, 'mm'),
        input('k', 'measured over theoretical', roughnessFactor(context.alloy.iso513_group), 'ratio'),
      ],
      source: 'Martellotti 1941; judgement rule G-82',
    };
  },
};

/** Ridges a rounded edge leaves between passes. */
export const scallopLimit: Limit<MillingState> = {
  id: 'scallop',
  group: 'accuracy',
  name: 'scallop height',
  assess({ op, context: { cutter } }) {
    const { feature, cut } = op;
    if (feature.scallopMm === null) return null;
    const surface = isSurface(op);
    const radius = surface
      ? (contactOf(op, cutter)?.radiusMm ?? null)
      : contactRadius(cutter, feature.slopeDeg);
    if (radius === null) return null;
    const spacing = surface
      ? cut.radialEngagementMm
      : passSpacing(feature.slopeDeg, cut.radialEngagementMm, cut.axialDepthMm);
    const height = scallopHeight(Math.min(spacing, 2 * radius), radius);
    return {
      predicted: { estimate: exact(height), unit: 'mm-fine' },
      allowed: { value: feature.scallopMm, unit: 'mm-fine', from: 'ridge the drawing allows' },
      ...used(exact(height), feature.scallopMm),
      why: () =>
        say(
          'Scallop height {2} ({0} stepover, {1} radius).',
          measure(spacing, 'mm'),
          measure(radius, 'mm'),
          measure(height, 'mm-fine'),
        ),
      formula: 'h = R − √(R² − s²/4)',
      inputs: () => [
        input('s', 'passes apart along the surface', spacing, 'mm'),
        input('R', 'radius at the contact', radius, 'mm'),
      ],
      source: 'circle geometry; judgement rules G-82 and G-84',
    };
  },
};

/** Share of the wiper's flat a turn may use. Rule G-85. */
const WIPER_SHARE = 0.7;

/** A wiper narrower than the feed of a turn leaves a thread on the face. */
export const wiperLimit: Limit<MillingState> = {
  id: 'wiper',
  group: 'accuracy',
  name: 'wiper flat',
  assess({ op, context: { cutter }, teeth }) {
    const flat = cutter.properties.BS;
    if (!flat || op.feature.kind !== 'face' || op.feature.allowanceMm > 0) return null;
    const turn = op.cut.feedPerToothMm * teeth;
    return {
      predicted: { estimate: exact(turn), unit: 'mm/rev' },
      allowed: {
        value: WIPER_SHARE * flat,
        unit: 'mm/rev',
        from: `${WIPER_SHARE} of the flat of ${cutter.name}`,
      },
      ...used(exact(turn), WIPER_SHARE * flat),
      why: () =>
        say(
          'Feed {0}; {2} allowed (wiper flat {1}).',
          measure(turn, 'mm/rev'),
          measure(flat, 'mm'),
          measure(WIPER_SHARE * flat, 'mm/rev'),
        ),
      formula: 'fz·z ≤ 0.7·bs',
      inputs: () => [input('bs', 'wiper flat', flat, 'mm')],
      source: 'judgement rule G-85',
    };
  },
};
