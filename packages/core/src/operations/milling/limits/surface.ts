import { exact } from '../../../judging/estimate.ts';
import { input, type Limit } from '../../../judging/limit.ts';
import { clearOfSurface, type Rim } from '../../../physics/surface/clear-of-surface.ts';
import { aliveFromMm, touchesDead, wantedTilts } from '../../../physics/surface/surface-contact.ts';
import { measure, say } from '../../../units/sentence.ts';
import { atLeast, held, verdict } from '../../holes/limits/assessments.ts';
import { contactOf, isSurface, leanOf } from '../engaged-edge.ts';
import { tiltWords } from '../finishing-sentence.ts';
import type { MillingState } from '../milling-state.ts';

/** Machines that turn tool or part about a further axis. */
const TILTS = /5-axis|4-axis|mill-turn/;

/** Where the rounded edge touches: with its middle, which stands still, or not at all. */
export const surfaceContactLimit: Limit<MillingState> = {
  id: 'surface-contact',
  group: 'cutter',
  name: 'contact on the surface',
  ofCutter: true,
  assess({ op, context: { cutter } }) {
    if (!isSurface(op)) return null;
    const contact = contactOf(op, cutter);
    const [wanted] = wantedTilts(cutter, op.feature.slopeDeg);
    const words = {
      formula: '⌀ at the contact ≥ 0.15·D',
      inputs: () => [
        input('θ', 'slope', op.feature.slopeDeg, 'deg'),
        input('lean', 'slope and tilt', leanOf(op), 'deg'),
      ],
      source: 'geometry of the rounded edge; judgement rule G-83',
    };
    if (!contact || touchesDead(contact, cutter))
      return verdict('over', {
        ...words,
        why: () =>
          !wanted
            ? say('No edge of this cutter is rounded: it leaves steps. Take a ball, bull nose or barrel.')
            : contact
              ? say(
                  `Touches at ⌀ {1}, where it nearly stands still; tilted ${tiltWords(wanted.tiltDeg)} it cuts.`,
                  measure(Math.abs(wanted.tiltDeg), 'deg'),
                  measure(contact.diameterMm, 'mm'),
                )
              : say(
                  `At a lean of {1} no rounded edge touches; tilted ${tiltWords(wanted.tiltDeg)} one does.`,
                  measure(Math.abs(wanted.tiltDeg), 'deg'),
                  measure(leanOf(op), 'deg'),
                ),
      });
    const least = aliveFromMm(cutter);
    return atLeast(contact.diameterMm, least, 'mm', 'out of the middle, which stands still', {
      ...words,
      why: () =>
        say('Touches at ⌀ {0}; {1} or more cuts.', measure(contact.diameterMm, 'mm'), measure(least, 'mm')),
    });
  },
};

/** A rounded edge larger than the hollow digs into its sides. */
export const surfaceHollowLimit: Limit<MillingState> = {
  id: 'surface-hollow',
  group: 'accuracy',
  name: 'radius in the hollow',
  assess({ op, context: { cutter } }) {
    const hollow = op.feature.finishing?.surface?.hollowMm;
    const contact = contactOf(op, cutter);
    if (!contact || hollow === null || hollow === undefined) return null;
    return held(exact(contact.radiusMm), hollow, 'mm', 'smallest radius the surface is hollow by', {
      why: () =>
        say(
          contact.radiusMm > hollow
            ? 'Touches with R {0}; the surface is hollow by R {1}: it cuts into its sides. Take a smaller radius.'
            : 'Touches with R {0}; hollow by R {1}.',
          measure(contact.radiusMm, 'mm'),
          measure(hollow, 'mm'),
        ),
      formula: 'R at the contact ≤ R of the hollow',
      source: 'circle geometry',
    });
  },
};

/** Left between the surface and shank or holder, mm. */
const CLEARANCE = 1;

/** Rims of shank and holder that come nearest to a surface that rises beside the tool. */
function rimsOf({ op, context: { cutter, holder } }: MillingState): readonly Rim[] {
  const { DC = 0, DCONMS = DC, LU } = cutter.properties;
  const out = op.tooling.stickOutMm;
  return [
    ...(LU !== undefined && LU < out && DCONMS > DC ? [{ heightMm: LU, radiusMm: DCONMS / 2 }] : []),
    { heightMm: out, radiusMm: holder.nose_diameter_mm / 2 },
  ];
}

/** Shank and holder beside the surface, at its foot. */
export const surfaceClearLimit: Limit<MillingState> = {
  id: 'surface-clear',
  group: 'cutter',
  name: 'holder beside the surface',
  assess(state) {
    const { op, context } = state;
    const contact = contactOf(op, context.cutter);
    if (!contact) return null;
    const tilt = op.feature.finishing?.surface?.tiltDeg ?? 0;
    const { slope, level } = clearOfSurface(contact, op.feature.widthMm, tilt, rimsOf(state));
    const words = {
      formula: 'gap along the normal at the foot of the surface ≥ 1 mm',
      inputs: () => [
        input('lean', 'slope and tilt', leanOf(op), 'deg'),
        input('L', 'stick-out', op.tooling.stickOutMm, 'mm'),
        input('W', 'up the slope', op.feature.widthMm, 'mm'),
      ],
      source: 'straight slope from the contact, level above it',
    };
    // Whether the part goes on level above the slope nobody has said.
    if (level !== null && level < CLEARANCE && (slope === null || slope >= CLEARANCE))
      return verdict('tight', {
        ...words,
        why: () =>
          say(
            'Clear of the slope; where the part goes on level above it, shank or holder is {0} inside it at the foot.',
            measure(Math.max(0, -level), 'mm'),
          ),
      });
    if (slope === null) return null;
    return {
      ...atLeast(slope, CLEARANCE, 'mm', 'room for what the program is off by', {
        ...words,
        why: () =>
          slope < CLEARANCE
            ? say(
                slope < 0
                  ? 'At the foot shank or holder is {0} inside the surface. Tilt the cutter off it, or let it out further.'
                  : 'At the foot shank or holder is {0} off the surface; {1} is wanted.',
                measure(Math.abs(slope), 'mm'),
                measure(CLEARANCE, 'mm'),
              )
            : say('At the foot shank and holder are {0} off the surface.', measure(slope, 'mm')),
      }),
      // However deep it is inside: no more than ten times over.
      share: exact(CLEARANCE / Math.max(slope, CLEARANCE / 10)),
    };
  },
};

/** A tilt has to be had from somewhere. */
export const surfaceTiltLimit: Limit<MillingState> = {
  id: 'surface-tilt',
  group: 'machine',
  name: 'tilt of the cutter',
  assess({ op, context: { machine } }) {
    const tilt = op.feature.finishing?.surface?.tiltDeg ?? 0;
    if (!isSurface(op) || tilt === 0) return null;
    const can = TILTS.test(machine.kind);
    return verdict(can ? 'clear' : 'tight', {
      why: () =>
        say(
          can
            ? `Tilted ${tiltWords(tilt)}: keep holder and head clear of part and fixture.`
            : `Tilted ${tiltWords(tilt)}: this machine has no axis for it; set the part at that angle, or mill it upright.`,
          measure(Math.abs(tilt), 'deg'),
        ),
      formula: 'a further axis, or the part set at an angle',
      source: 'machine record',
    });
  },
};
