import type { MillingState } from '../milling-state.ts';
import { outerDiameter } from '../../../crib/cutter.ts';
import { exact } from '../../../judging/estimate.ts';
import { measure, say } from '../../../units/sentence.ts';
import { input, type Limit, used } from '../../../judging/limit.ts';

/** Can the chosen way in, and the chosen path, be run at all? */
export const pathPossibleLimit: Limit<MillingState> = {
  id: 'path-possible',
  group: 'path',
  name: 'path and entry',
  ofCutter: true,
  assess({ plan, op }) {
    const reason = plan.impossible ?? plan.entry.impossible;
    return {
      predicted: null,
      allowed: null,
      share: null,
      verdict: reason ? 'over' : 'clear',
      why: () =>
        say(
          reason
            ? `This path cannot be run: ${reason}.`
            : `The ${op.path.strategy.replace('-', ' ')} path and ${op.path.entry.method} entry fit the feature.`,
        ),
      formula: 'geometry of feature, cutter and entry',
      inputs: () => [],
      source: 'judgement rules G-40 and G-47',
    };
  },
};

/** The end face cuts only so steep a ramp: cutter's record and alloy, whichever is gentler. */
export const rampAngleLimit: Limit<MillingState> = {
  id: 'ramp-angle',
  reads: 'setup',
  group: 'path',
  name: 'ramp angle',
  assess({ plan: { entry }, op }) {
    if (entry.method !== 'helix' && entry.method !== 'ramp') return null;
    // An angle worked out is the steepest by intent: using all of it is no closeness to a border.
    const workedOut = op.path.entry.rampAngleDeg === null;
    return {
      predicted: { estimate: exact(entry.rampAngleDeg), unit: 'deg' },
      allowed: { value: entry.steepestDeg, unit: 'deg', from: 'lower of tool (RMPX) and alloy' },
      ...(workedOut ? { share: null } : used(exact(entry.rampAngleDeg), entry.steepestDeg * 1.001)),
      ...(workedOut ? { verdict: 'clear' as const } : {}),
      why: () =>
        say(
          'Ramp angle {0}; {1} allowed (end face in this alloy).',
          measure(entry.rampAngleDeg, 'deg'),
          measure(entry.steepestDeg, 'deg'),
        ),
      formula: 'ramp ≤ min(RMPX, usual for the alloy)',
      inputs: () => [input('ramp', 'ramp angle', entry.rampAngleDeg, 'deg')],
      source: 'cutter record; judgement rule G-40',
    };
  },
};

/** Helix diameter against the smallest that clears chips and the dead centre, and the widest that fits. */
export const helixFitLimit: Limit<MillingState> = {
  id: 'helix-fit',
  reads: 'setup',
  group: 'path',
  name: 'helix diameter',
  assess({ plan: { entry } }) {
    if (entry.method !== 'helix' || entry.helixDiameterMm === null || entry.helixRangeMm === null)
      return null;
    const [smallest, widest] = entry.helixRangeMm;
    const hole = entry.helixDiameterMm;
    const fits = hole >= smallest - 1e-6 && hole <= widest + 1e-6;
    return {
      predicted: { estimate: exact(hole), unit: 'mm' },
      allowed: {
        value: hole < smallest ? smallest : widest,
        unit: 'mm',
        from: hole < smallest ? 'room for chips and the dead centre' : 'feature, and core in the middle',
      },
      share: exact(hole < smallest ? smallest / hole : hole / Math.max(widest, 1e-6)),
      verdict: fits ? 'clear' : 'over',
      why: () =>
        say(
          fits
            ? 'Helix hole {0}; {1} to {2} allowed.'
            : smallest > widest
              ? 'No helix fits: chips and the dead centre need {1}, the feature allows {2}.'
              : 'Helix hole {0}; {1} to {2} allowed.',
          measure(hole, 'mm'),
          measure(smallest, 'mm'),
          measure(widest, 'mm'),
        ),
      formula: '1.2·D ≤ D hole ≤ min(width, 1.8·D)',
      inputs: () => [input('D hole', 'hole of the helix', hole, 'mm')],
      source: 'judgement rule G-40',
    };
  },
};

/** What stands in the middle of a wide helix, and whether it breaks free under the tool. */
export const coreLeftLimit: Limit<MillingState> = {
  id: 'post-left',
  group: 'path',
  name: 'core left',
  assess({ plan: { entry }, op }) {
    if (entry.method !== 'helix' || entry.coreMm <= 0) return null;
    return {
      predicted: { estimate: exact(entry.coreMm), unit: 'mm' },
      allowed: null,
      share: null,
      verdict: entry.coreBreaksFree ? 'over' : 'tight',
      why: () =>
        say(
          entry.coreBreaksFree
            ? op.feature.through
              ? 'A core of {0} is left and falls free when the helix breaks through.'
              : 'A core of {0} is left, thin enough to break off under the tool.'
            : 'A core of {0} is left; the next pass mills it away.',
          measure(entry.coreMm, 'mm'),
        ),
      formula: 'post = D hole − 2·D + dead centre',
      inputs: () => [input('post', 'post', entry.coreMm, 'mm')],
      source: 'circle geometry; judgement rule G-40',
    };
  },
};

/** Room on a side over the depth gone down at once: chips of tough alloys lie looser. Judgement. */
const ROOM_OVER_DEPTH = 0.08;
const ROOM_TOUGH = 0.11;
/** Down to so many diameters chips are thrown out whatever the room. */
const SHALLOW = 0.5;

/** Chips come up past the cutter on its way down a helix: a taper gives them room. */
export const entryChipsLimit: Limit<MillingState> = {
  id: 'entry-chips',
  group: 'path',
  name: 'chips out of the entry',
  assess({ plan: { entry }, op, context }) {
    // A hole no wider than the cutter is the fit's matter.
    if (entry.method !== 'helix' || !Number.isFinite(entry.roomMm) || entry.roomMm <= 0) return null;
    const deep = Math.min(op.cut.axialDepthMm, op.feature.depthMm);
    const diameter = outerDiameter(context.cutter);
    const tough = context.alloy.iso513_group === 'S' || context.alloy.iso513_group === 'M';
    const needed =
      deep <= SHALLOW * diameter ? 0 : (tough ? ROOM_TOUGH : ROOM_OVER_DEPTH) * (deep - SHALLOW * diameter);
    return {
      predicted: { estimate: exact(needed), unit: 'mm' },
      allowed: { value: entry.roomMm, unit: 'mm', from: 'room beside the cutter, half of the taper counted' },
      ...used(exact(needed), Math.max(1e-3, entry.roomMm)),
      why: () =>
        needed > entry.roomMm
          ? say(
              'Goes {0} down at once with {1} of room a side; chips need {2}. A wider helix, or a taper of a degree.',
              measure(deep, 'mm'),
              measure(entry.roomMm, 'mm'),
              measure(needed, 'mm'),
            )
          : say(
              'Room {1} a side for {0} down at once; {2} needed.',
              measure(deep, 'mm'),
              measure(entry.roomMm, 'mm'),
              measure(needed, 'mm'),
            ),
      formula: 'room ≥ 0.08·(depth − D/2), 0.11 in tough alloys',
      inputs: () => [input('taper', 'taper of the helix', op.path.entry.taperDeg, 'deg')],
      source: 'judgement; rule G-40',
    };
  },
};

/** Share of a feature's minutes that may go by above the material. */
const AIR_TIGHT = 0.08;
const AIR_OVER = 0.25;

/** Cutting air at ramp feed is wasted time. */
export const entryHeightLimit: Limit<MillingState> = {
  id: 'entry-height',
  group: 'path',
  name: 'air time at entry feed',
  assess({ minutes, op }) {
    if (op.path.entry.method === 'predrilled') return null;
    const total = minutes.contact + minutes.air + minutes.link;
    const share = minutes.air / total;
    return {
      predicted: { estimate: exact(minutes.air), unit: 'min' },
      allowed: { value: AIR_OVER * total, unit: 'min', from: 'a quarter of the feature’s minutes' },
      share: exact(share / AIR_OVER),
      verdict: share > AIR_OVER ? 'over' : share > AIR_TIGHT ? 'tight' : 'clear',
      why: () =>
        say(
          'Feed starts {0} above the material: {1} of {2} per feature is air time.',
          measure(op.path.entry.startHeightMm, 'mm'),
          measure(minutes.air, 'min'),
          measure(total, 'min'),
        ),
      formula: 't air = levels·path above the material/vf entry',
      inputs: () => [
        input('start', 'start above the material', op.path.entry.startHeightMm, 'mm'),
        input('t', 'minutes of the feature', total, 'min'),
      ],
      source: 'path geometry',
    };
  },
};

/** Straight into the wall the chip leaves thick until the cutter is centred; an arc of half the cutter avoids it. */
export const leadInLimit: Limit<MillingState> = {
  id: 'lead-in',
  reads: 'setup',
  group: 'path',
  name: 'lead-in',
  assess({ op, context: { cutter } }) {
    if (op.path.entry.method !== 'outside') return null;
    const wanted = outerDiameter(cutter) / 2;
    const radius = op.path.leadInRadiusMm ?? wanted;
    return {
      predicted: { estimate: exact(radius), unit: 'mm' },
      allowed: { value: wanted, unit: 'mm', from: 'half the cutter' },
      share: null,
      verdict: radius >= wanted - 1e-9 ? 'clear' : 'tight',
      why: () =>
        say(
          radius >= wanted - 1e-9
            ? 'Lead-in arc {0}: the chip starts thick and ends thin.'
            : 'Lead-in {0}; at least {1} needed. Halve the feed until fully engaged, or roll in.',
          measure(radius, 'mm'),
          measure(wanted, 'mm'),
        ),
      formula: 'R in ≥ D/2',
      inputs: () => [input('R in', 'radius of the lead-in', radius, 'mm')],
      source: 'judgement rule G-42',
    };
  },
};
