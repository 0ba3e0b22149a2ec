import type { LimitState } from '../../../judging/result.ts';
import { exact } from '../../../judging/estimate.ts';
import { input, type Limit } from '../../../judging/limit.ts';
import { measure, say } from '../../../units/sentence.ts';
import { atLeast, held, verdict } from '../../holes/limits/assessments.ts';
import type { GroovingState } from '../grooving-state.ts';

/** The blade has to fit into what is cut: its width, its depth, and a bar into its bore. */
export const grooveFitLimit: Limit<GroovingState> = {
  id: 'groove-fit',
  reads: 'setup',
  group: 'cutter',
  name: 'blade in the groove',
  assess({ bladeMm, widthMm, depthMm, op: { groove }, context: { cutter } }) {
    const source = 'cutter record';
    const least = Number(cutter.properties['DMIN'] ?? 0);
    if (groove.way === 'inside' && groove.startMm < least)
      return atLeast(groove.startMm, least, 'mm', cutter.name, {
        why: () => say('Bore {0}; the bar needs {1}.', measure(groove.startMm, 'mm'), measure(least, 'mm')),
        formula: 'D ≥ DMIN',
        source,
      });
    if (bladeMm > widthMm + 1e-6)
      return held(bladeMm, widthMm, 'mm', 'width of the groove', {
        why: () => say('Blade {0} wide; the groove is {1}.', measure(bladeMm, 'mm'), measure(widthMm, 'mm')),
        formula: 'CW ≤ width',
        source,
      });
    const deep = Number(cutter.properties['CDX'] ?? Infinity);
    return held(depthMm, deep, 'mm', cutter.name, {
      why: () => say('Groove {0} deep; blade cuts to {1}.', measure(depthMm, 'mm'), measure(deep, 'mm')),
      formula: 'depth ≤ CDX',
      inputs: () => [input('CDX', 'deepest', deep, 'mm')],
      source,
    });
  },
};

/** A blade into a face is curved: its first plunge fits a range of diameters; once there is room it goes either way. */
export const firstPlungeLimit: Limit<GroovingState> = {
  id: 'first-plunge',
  group: 'cutter',
  name: 'first plunge',
  assess({ op: { groove, cut }, bladeMm, context: { cutter } }) {
    if (groove.way !== 'face') return null;
    const [least, most] = [
      Number(cutter.properties['DAXN'] ?? 0),
      Number(cutter.properties['DAXX'] ?? Infinity),
    ];
    // Stated at the outer edge of the blade.
    const at = cut.firstPlunge === 'outer' ? groove.startMm : groove.endMm + 2 * bladeMm;
    const small = at < least;
    return {
      ...held(at, small ? least : most, 'mm', cutter.name, {
        why: () =>
          say(
            `First plunge at ⌀ {0}, the ${cut.firstPlunge} end; blade curved for {1} to {2}.`,
            measure(at, 'mm'),
            measure(least, 'mm'),
            measure(most, 'mm'),
          ),
        formula: 'DAXN ≤ D of the first plunge ≤ DAXX',
        source: 'cutter record',
      }),
      share: exact(small ? least / at : at / most),
      verdict: small || at > most ? 'over' : 'clear',
    };
  },
};

/** The corner the blade leaves at the bottom. */
export const grooveCornerLimit: Limit<GroovingState> = {
  id: 'groove-corner',
  reads: 'setup',
  group: 'accuracy',
  name: 'bottom corner',
  assess({ op: { groove }, context: { cutter } }) {
    if (groove.cornerMm === null || groove.way === 'part-off') return null;
    const own = cutter.properties.RE ?? 0.2;
    return held(own, groove.cornerMm, 'mm', 'drawing', {
      why: () =>
        say(
          'Blade leaves a corner of {0}; {1} allowed.',
          measure(own, 'mm'),
          measure(groove.cornerMm!, 'mm'),
        ),
      formula: 'RE ≤ corner',
      source: 'cutter record',
    });
  },
};

/** Feed over the width of a blade that its edge stands at most, where its record says nothing. Shop practice. */
const FEED_OVER_WIDTH = 0.06;

/** Feed within the window of the blade. */
export const grooveFeedLimit: Limit<GroovingState> = {
  id: 'groove-feed',
  group: 'cutter',
  name: 'blade feed',
  assess({ op: { cut }, bladeMm, context: { cutter } }) {
    const [thin, most] = cutter.extended.f_window_mm_per_rev ?? [0.01 * bladeMm, FEED_OVER_WIDTH * bladeMm];
    const feed = cut.feedPerRevMm;
    const state: LimitState = feed > most ? 'over' : feed < thin || feed > 0.95 * most ? 'tight' : 'clear';
    return {
      ...held(feed, most, 'mm/rev', 'window of the blade', {
        why: () =>
          feed < thin
            ? say(
                'Feed {0}; below {1} the edge rubs and chips stay long.',
                measure(feed, 'mm/rev'),
                measure(thin, 'mm/rev'),
              )
            : say('Feed {0}; {1} allowed (blade).', measure(feed, 'mm/rev'), measure(most, 'mm/rev')),
        formula: 'fn within the window',
        inputs: () => [input('CW', 'cutting width', bladeMm, 'mm')],
        source: 'cutter record; judgement rule G-115',
      }),
      verdict: state,
    };
  },
};

/** Share of the edge radius below which nothing is cut. Rule G-02. */
const LEAST_CHIP = 0.3;

/** A chip thinner than the edge is round is rubbed off, not cut. */
export const grooveChipLimit: Limit<GroovingState> = {
  id: 'groove-chip',
  group: 'cutter',
  name: 'minimum chip',
  assess({ op: { cut, groove }, context: { cutter } }) {
    const least = (LEAST_CHIP * (cutter.extended.edge_radius_um?.[1] ?? 15)) / 1000;
    const thinnest = cut.feedPerRevMm * (groove.way === 'part-off' ? cut.slowShare : 1);
    return atLeast(thinnest, least, 'mm-fine', 'radius of the edge', {
      why: () =>
        say(
          'Chip {0}; at least {1} needed to cut (edge radius).',
          measure(thinnest, 'mm-fine'),
          measure(least, 'mm-fine'),
        ),
      formula: 'fn ≥ 0.3·rβ',
      source: 'judgement rule G-02',
    });
  },
};

/** Plunges beside each other overlap, or a rib is left that breaks off and takes a corner with it. */
const OVERLAP = 0.85;
/** Sideways a blade takes no more than this share of its width in depth. Shop practice. */
const LAYER = 0.75;

/** How the groove is widened. */
export const wideningLimit: Limit<GroovingState> = {
  id: 'widening',
  group: 'cutter',
  name: 'widening',
  assess({ plunges, bladeMm, op: { cut } }) {
    if (plunges.layers > 0)
      return held(plunges.layerMm, LAYER * bladeMm, 'mm', 'width of the blade', {
        why: () =>
          say(
            'Layer of {0} sideways; {1} allowed. Lift 0.1 mm before it turns sideways.',
            measure(plunges.layerMm, 'mm'),
            measure(LAYER * bladeMm, 'mm'),
          ),
        formula: 'ap ≤ 0.75·CW',
        source: 'workshop rule; judgement rule G-117',
      });
    if (plunges.count < 2) return null;
    return held(cut.stepMm, OVERLAP * bladeMm, 'mm', 'width of the blade', {
      why: () =>
        say(
          'Plunges {0} apart; {1} allowed, so that no rib is left.',
          measure(cut.stepMm, 'mm'),
          measure(OVERLAP * bladeMm, 'mm'),
        ),
      formula: 'step ≤ 0.85·CW',
      source: 'workshop rule',
    });
  },
};

/** Safety of a thin blade that is pressed a little aside of its middle. */
const BUCKLING_SAFETY = 4;
/** Overhang over the width a blade stands, and the most. Shop practice. */
const OUT = { grooving_insert: 8, parting_insert: 16 } as const;

/** Along its length a thin blade gives way sideways at once. */
export const bladeBucklingLimit: Limit<GroovingState> = {
  id: 'blade-buckling',
  group: 'strength',
  name: 'blade buckling',
  asks: 'forces',
  assess({ feedN, bucklingN, bladeOutMm }) {
    return held(feedN, bucklingN / BUCKLING_SAFETY, 'N', 'blade as a thin column', {
      why: () =>
        say(
          'Feed force {0}; {1} allowed on a blade {2} out.',
          measure(feedN.value, 'N'),
          measure(bucklingN / BUCKLING_SAFETY, 'N'),
          measure(bladeOutMm, 'mm'),
        ),
      formula: 'Ff ≤ π²·E·I/(4·L²)/4',
      inputs: () => [input('L', 'blade overhang', bladeOutMm, 'mm')],
      source: 'Euler 1744; blade estimated from its width',
    });
  },
};

/** A blade stands out no farther than its width carries. */
export const bladeOverhangLimit: Limit<GroovingState> = {
  id: 'blade-overhang',
  group: 'vibration',
  name: 'blade overhang',
  assess({ bladeOutMm, bladeMm, depthMm, op: { tooling }, context: { cutter } }) {
    const bar = cutter.properties.DCONMS;
    if (bar !== undefined) {
      const most = cutter.extended.max_ld_recommended ?? 4;
      return held(tooling.stickOutMm / bar, most, 'ratio', cutter.name, {
        why: () =>
          say(
            'Bar stands out {0}×D; {1}×D allowed.',
            measure(tooling.stickOutMm / bar, 'ratio'),
            measure(most, 'ratio'),
          ),
        formula: 'L/D ≤ 4 steel, 6 carbide',
        source: 'cutter record; judgement rule G-116',
      });
    }
    if (cutter.type === 'parting_insert' && bladeOutMm < depthMm + 1)
      return atLeast(bladeOutMm, depthMm + 1, 'mm', 'depth of the cut', {
        why: () =>
          say('Blade stands out {0}; {1} needed.', measure(bladeOutMm, 'mm'), measure(depthMm + 1, 'mm')),
        formula: 'stick-out ≥ depth + 1 mm',
        source: 'geometry',
      });
    const most = cutter.type === 'parting_insert' ? OUT.parting_insert : OUT.grooving_insert;
    return held(bladeOutMm / bladeMm, most, 'ratio', 'width of the blade', {
      why: () =>
        say(
          'Blade stands out {0} of its widths; {1} allowed.',
          measure(bladeOutMm / bladeMm, 'ratio'),
          measure(most, 'ratio'),
        ),
      formula: 'L/CW ≤ 8, of a parting blade 16',
      source: 'workshop rule',
    });
  },
};

/** Chips of a deep groove jam between its walls unless they are broken or rinsed out. */
const DEEP = 1.5;
export const grooveChipsLimit: Limit<GroovingState> = {
  id: 'groove-chips',
  group: 'process',
  name: 'chips in the groove',
  assess({ depthMm, bladeMm, plunges, op, context: { alloy, cutter } }) {
    if (op.groove.way === 'part-off' || plunges.layers > 0) return null;
    const long = ['M', 'S', 'N', 'P'].includes(alloy.iso513_group);
    const rinsed = op.coolant === 'through-tool' && cutter.extended.through_coolant === true;
    const jams = depthMm > DEEP * bladeMm && long && plunges.lifts === 0 && !rinsed;
    return verdict(jams ? 'tight' : 'clear', {
      why: () =>
        jams
          ? say(
              'Groove {0} deep in one plunge: long chips jam between the walls. Lift every {1}.',
              measure(depthMm, 'mm'),
              measure(DEEP * bladeMm, 'mm'),
            )
          : say(
              'Chips leave the groove: depth {0}, {1} lifts.',
              measure(depthMm, 'mm'),
              measure(plunges.lifts, 'pieces'),
            ),
      formula: 'depth ≤ 1.5·CW, or lifts, or coolant through the blade',
      source: 'workshop rule; judgement rule G-117',
    });
  },
};
