import { outerDiameter } from '../../../crib/cutter.ts';
import { exact, scale, type Source, uncertain } from '../../../judging/estimate.ts';
import { input, type Limit, used } from '../../../judging/limit.ts';
import { crossedMarks, hollowOf, stepOf } from '../../../physics/surface/face-marks.ts';
import { measure, say } from '../../../units/sentence.ts';
import { held, verdict } from '../../holes/limits/assessments.ts';
import { faceEdges, faceSetupOf } from '../face-edges.ts';
import type { MillingState } from '../milling-state.ts';

const TRAM: Source = {
  id: 'tram',
  label: 'lean of the spindle as stated',
  kind: 'assumed',
  sigma: 0.2,
  narrowBy: 'tram the spindle with an indicator over the cutter’s diameter',
};

/** A spindle that leans mills the face hollow, and a step between its passes. */
export const faceFlatnessLimit: Limit<MillingState> = {
  id: 'face-flatness',
  group: 'accuracy',
  name: 'flatness of the face',
  assess({ op, context: { cutter } }) {
    const { feature, cut } = op;
    if (feature.kind !== 'face' || feature.allowanceMm > 0) return null;
    const s = faceSetupOf(op);
    const diameter = outerDiameter(cutter);
    const [along, across] = [s.alongUmPerM * 1e-6, s.acrossUmPerM * 1e-6];
    const hollow = hollowOf(diameter, cut.radialEngagementMm, along);
    const step = feature.widthMm > cut.radialEngagementMm + 1e-6 ? stepOf(cut.radialEngagementMm, across) : 0;
    const total = Math.max(1e-6, hollow + step);
    const crossed = crossedMarks(diameter, along);
    const marks = crossed
      ? 'Trammed: the back of the cutter marks across.'
      : 'The back of the cutter clears.';
    return held(uncertain(total, TRAM), feature.wallToleranceMm, 'mm-fine', 'tolerance of the face', {
      why: () =>
        total < 0.0005
          ? say(marks)
          : say(
              `Hollow {0}, steps between passes {1}; {2} allowed. ${marks}`,
              measure(hollow, 'mm-fine'),
              measure(step, 'mm-fine'),
              measure(feature.wallToleranceMm, 'mm-fine'),
            ),
      formula: 'D/2·(1 − √(1 − (ae/D)²))·lean + ae·lean across',
      inputs: () => [
        input('D', 'cutter', diameter, 'mm'),
        input('ae', 'width of a pass', cut.radialEngagementMm, 'mm'),
      ],
      source: 'geometry: a circle seen as an ellipse',
    });
  },
};

/** Wipers have to stand over what the pockets run out by. */
export const wiperHeightLimit: Limit<MillingState> = {
  id: 'wiper-height',
  group: 'accuracy',
  name: 'wiper height',
  assess({ op, context: { cutter }, teeth }) {
    if (op.feature.kind !== 'face' || op.feature.allowanceMm > 0) return null;
    const e = faceEdges(op, cutter, teeth);
    if (e.flatMm <= 0 || e.wipers === 0 || e.wipers >= e.teeth) return null;
    const hidden = e.overMm <= e.runoutMm;
    const high = e.overMm > HIGHEST;
    return verdict(hidden ? 'over' : high ? 'tight' : 'clear', {
      why: () =>
        say(
          hidden
            ? 'Wipers stand {0} over the others, whose axial runout is {1}: the highest insert makes the face, not the wiper.'
            : high
              ? 'Wipers stand {0} over the others (runout {1}): they cut instead of wiping, and wear first.'
              : 'Wipers stand {0} over the others, whose axial runout is {1}.',
          measure(e.overMm, 'mm-fine'),
          measure(e.runoutMm, 'mm-fine'),
        ),
      formula: 'runout < height ≤ 0.1 mm',
      source: 'workshop rule',
    });
  },
};
/** Over this a wiper takes a cut of its own, mm. */
const HIGHEST = 0.1;

/** Share of the full chip a tooth may still have where it leaves: thicker, a foot tears off with the edge. Judgement after Pekelharing 1978. */
const LEAVES_WITH = 0.7;

/** A tooth that leaves in the thick of its chip has the last of it torn off, and its edge with it. */
export const faceExitLimit: Limit<MillingState> = {
  id: 'face-exit',
  group: 'cutter',
  name: 'chip where teeth leave',
  assess({ op, bands }) {
    if (op.feature.kind !== 'face' || bands.length === 0) return null;
    const { entry, exit } = bands[0]!.arc;
    // A full turn of rounding errors is no chip.
    const [comes, leaves] = [entry, exit].map((a) => Math.max(0, Number(Math.sin(a).toFixed(6)))) as [
      number,
      number,
    ];
    const deg = (angle: number): number => (angle * 180) / Math.PI;
    // With the axis over the part an insert meets it behind its tip, where it is strong; from outside, tip first.
    const first = entry < Math.PI / 2 ? 'behind the tip,' : 'tip first,';
    return {
      predicted: { estimate: exact(100 * leaves), unit: 'percent' },
      allowed: { value: 100, unit: 'percent', from: 'the full chip' },
      share: exact(leaves),
      verdict: leaves > LEAVES_WITH ? 'tight' : 'clear',
      why: () =>
        leaves > LEAVES_WITH
          ? say(
              `Teeth come in at {0} with {2} of the full chip, ${first} and leave at {1} with {3}: move the axis away from the side they leave by, and roll in on an arc.`,
              measure(deg(entry), 'deg'),
              measure(deg(exit), 'deg'),
              measure(100 * comes, 'percent'),
              measure(100 * leaves, 'percent'),
            )
          : say(
              `Teeth come in at {0} with {2} of the full chip, ${first} and leave at {1} with {3}; roll in on an arc, and the chip leaves thin from the first tooth.`,
              measure(deg(entry), 'deg'),
              measure(deg(exit), 'deg'),
              measure(100 * comes, 'percent'),
              measure(100 * leaves, 'percent'),
            ),
      formula: 'h leave = fz·sin φ exit',
      inputs: () => [
        input('φ in', 'angle where teeth come in', deg(entry), 'deg'),
        input('φ out', 'angle where they leave', deg(exit), 'deg'),
      ],
      source: 'circle geometry; foot forming, Pekelharing 1978',
    };
  },
};

/** Share of a face's flatness its plate may give under the cutter. */
const PLATE_SHARE = 0.5;
/** Modulus where the alloy's record has none, GPa. */
const USUAL_MODULUS = 200;

/** A thin plate gives way under an inclined edge and springs back: the face comes out hollow over its supports. */
export const facePlateLimit: Limit<MillingState> = {
  id: 'face-plate',
  group: 'accuracy',
  name: 'bend of the plate',
  asks: 'forces',
  assess({ op, context, torqueNm, diameterInCutMm }) {
    const { face, feature } = op;
    if (feature.kind !== 'face' || !face?.plateMm || !face.spanMm) return null;
    const { alloy, cutter } = context;
    const lead = ((cutter.properties.KAPR ?? 90) * Math.PI) / 180;
    // What presses across the edge presses down by the cosine of its angle; the nose presses a little at any angle.
    const down = Math.max(0.15, Math.cos(lead)) * alloy.kienzle.radial_to_tangential.typical;
    const pushN = scale(torqueNm, (2000 / diameterInCutMm) * down);
    const width = Math.min(feature.widthMm, face.spanMm);
    const inertia = (width * face.plateMm ** 3) / 12;
    const modulus = 1000 * (alloy.youngs_modulus_gpa ?? USUAL_MODULUS);
    const bend = scale(pushN, face.spanMm ** 3 / (48 * modulus * inertia));
    return held(bend, PLATE_SHARE * feature.wallToleranceMm, 'mm-deflection', 'half the flatness', {
      why: () =>
        say(
          'Pressed down with {0}, the plate gives {1} between its supports; {2} allowed. Support it closer, or an edge at 90° with less depth.',
          measure(pushN.value, 'N'),
          measure(bend.value, 'mm-deflection'),
          measure(PLATE_SHARE * feature.wallToleranceMm, 'mm-deflection'),
        ),
      formula: 'δ = F·l³/(48·E·I), F = Ft·kr·cos κ',
      inputs: () => [
        input('t', 'thickness under the cut', face.plateMm!, 'mm'),
        input('l', 'between supports', face.spanMm!, 'mm'),
      ],
      source: 'beam on two supports; Kienzle & Victor 1957',
    });
  },
};

/** Width of a pass over the cutter: rule G-43. */
const [WIDE, FULL] = [0.8, 0.98];

/** A face mill as wide as its cut meets and leaves the part with a thick chip. */
export const faceWidthLimit: Limit<MillingState> = {
  id: 'face-width',
  group: 'path',
  name: 'width of the pass',
  assess({ op, context: { cutter } }) {
    if (op.feature.kind !== 'face') return null;
    const diameter = outerDiameter(cutter);
    const share = op.cut.radialEngagementMm / diameter;
    return {
      predicted: { estimate: exact(op.cut.radialEngagementMm), unit: 'mm' },
      allowed: { value: WIDE * diameter, unit: 'mm', from: `${100 * WIDE}% of ${cutter.name}` },
      ...used(exact(share), WIDE),
      verdict: share > WIDE ? 'tight' : 'clear',
      why: () =>
        say(
          share > FULL
            ? 'Pass {0} of a cutter of {1}: edges meet and leave the part in the thick of the chip. 65 to 75% of the cutter, its axis off to the climb side.'
            : share > WIDE
              ? 'Pass {0} of a cutter of {1}: 65 to 75% keeps the chip thin where the edges leave.'
              : 'Pass {0} of a cutter of {1}; its axis off to the climb side the chip leaves thin.',
          measure(op.cut.radialEngagementMm, 'mm'),
          measure(diameter, 'mm'),
        ),
      formula: 'ae ≤ 0.8·D',
      inputs: () => [input('ae', 'width of a pass', op.cut.radialEngagementMm, 'mm')],
      source: 'judgement rule G-43',
    };
  },
};
