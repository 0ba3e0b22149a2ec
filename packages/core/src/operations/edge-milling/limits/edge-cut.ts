import type { IsoGroup } from '../../../crib/alloy.ts';
import { outerDiameter } from '../../../crib/cutter.ts';
import { exact } from '../../../judging/estimate.ts';
import { input, type Limit } from '../../../judging/limit.ts';
import { rootDiameter } from '../../../physics/structure/tool-beam.ts';
import { measure, say } from '../../../units/sentence.ts';
import { atLeast, held, inWindow, verdict } from '../../holes/limits/assessments.ts';
import { bentTool } from '../../limits/bent-tool.ts';
import type { EdgeMillingState } from '../edge-milling-state.ts';

/** Width of a chamfer one pass takes, over the mill's largest diameter. Judgement: 1 mm with a 12 mm mill is ordinary in nickel alloys. */
const PASS_OVER_D: Readonly<Record<IsoGroup, number>> = { P: 0.14, M: 0.1, K: 0.16, N: 0.2, S: 0.1, H: 0.07 };
/** So much one pass takes of any edge, mm. */
const ALWAYS = 0.2;
/** Change of width of a line that the eye sees. */
const SEEN = 0.25;
/** Burr at the border of a break that a finger still finds, mm; it also holds where the drawing asks for a state of the edge. */
const FELT = 0.05;

/** Feed of the tool within its window. */
export const edgeFeedLimit: Limit<EdgeMillingState> = {
  id: 'edge-feed',
  group: 'cutter',
  name: 'feed per tooth',
  assess: ({ op: { cut }, context: { cutter } }) =>
    inWindow(cut.feedPerToothMm, cutter.extended.fz_window_mm, 'mm/tooth', 'cutter', 'cutter record'),
};

/** A chip thinner than the edge is round rubs, and pushes a new burr over the border. */
export const edgeChipLimit: Limit<EdgeMillingState> = {
  id: 'edge-chip',
  group: 'cutter',
  name: 'minimum chip thickness',
  assess({ chipMm, context: { cutter } }) {
    const edge = (cutter.extended.edge_radius_um?.[1] ?? 9) / 1000;
    return atLeast(chipMm, 0.5 * edge, 'mm-fine', 'half the edge radius', {
      why: () =>
        say(
          'Thickest chip {0}; at least {1} needed, or it rubs and leaves a burr of its own.',
          measure(chipMm, 'mm-fine'),
          measure(0.5 * edge, 'mm-fine'),
        ),
      formula: 'hex = fz·sin φ·cos α ≥ rβ/2',
      inputs: () => [input('rβ', 'edge radius', edge, 'mm-fine')],
      source: 'minimum chip; judgement',
    });
  },
};

/** A wide break in one pass chatters and tears; it is shared among passes. */
export const edgePassLimit: Limit<EdgeMillingState> = {
  id: 'edge-pass',
  group: 'cutter',
  name: 'width per pass',
  assess({ passWidthMm, op: { edge, cut }, context: { alloy, cutter } }) {
    const widest = outerDiameter(cutter);
    const most = Math.max(ALWAYS, PASS_OVER_D[alloy.iso513_group] * widest);
    if (edge.form === 'engraving') return null;
    return held(passWidthMm, most, 'mm', 'what one pass takes in this alloy', {
      why: () =>
        say(
          `${cut.passes === 1 ? 'One pass' : `Each of ${cut.passes} passes`} takes as much as a {0} chamfer; {1} allowed (${Math.round(100 * PASS_OVER_D[alloy.iso513_group])}% of the {2} mill).`,
          measure(passWidthMm, 'mm'),
          measure(most, 'mm'),
          measure(widest, 'mm'),
        ),
      formula: '√(2·A/passes) ≤ share·D',
      source: 'judgement',
    });
  },
};

/** The neck, or the point of a cone, bends under the chip. */
export const edgeStressLimit: Limit<EdgeMillingState> = {
  id: 'edge-stress',
  group: 'strength',
  name: 'bending stress',
  assess({ stressMPa, sideForceN, context }) {
    const { held: bent, allowedMPa } = bentTool(
      stressMPa,
      Math.max(0.1, context.cutter.properties.DN ?? rootDiameter(context.cutter)),
      context,
    );
    return {
      ...bent,
      why: () =>
        say(
          'Bending stress {1} at {0} side force; {2} allowed (fatigue).',
          measure(sideForceN.value, 'N'),
          measure(stressMPa.value, 'MPa'),
          measure(allowedMPa, 'MPa'),
        ),
      formula: 'σ = K·32·F·L/(π·d³) ≤ 0.4·TRS',
      inputs: () => [input('F', 'side force', sideForceN.value, 'N')],
      source: 'Euler–Bernoulli; size effect after Weibull 1951; judgement rule G-128',
    };
  },
};

/** Size of the break as it varies along the contour, against the state of the edge on the drawing. */
export const edgeStateLimit: Limit<EdgeMillingState> = {
  id: 'edge-state',
  group: 'accuracy',
  name: 'state of the edge',
  assess({ deflectionMm, op: { edge } }) {
    const { leastMm: least, mostMm: most, sizeMm: size } = edge;
    if (edge.form === 'engraving' || least === null || most === null || most <= least) return null;
    const off = edge.wanderMm + deflectionMm.value;
    const room = Math.max(1e-3, Math.min(size - least, most - size));
    const outside = size < least || size > most;
    return {
      ...held({ value: off, terms: deflectionMm.terms }, room, 'mm', 'nearer end of the edge’s state', {
        why: () =>
          say(
            outside
              ? 'Size {0} lies outside {2} to {3} (ISO 13715).'
              : 'Size {0} ± {1} along the contour; {2} to {3} asked (ISO 13715).',
            measure(size, 'mm'),
            measure(off, 'mm'),
            measure(least, 'mm'),
            measure(most, 'mm'),
          ),
        formula: 'wander + deflection ≤ room to the nearer end',
        source: 'ISO 13715; geometry',
      }),
      ...(outside ? { verdict: 'over' as const, share: exact(9) } : {}),
    };
  },
};

/** A line gets wider and narrower with the face under it. */
export const lineWidthLimit: Limit<EdgeMillingState> = {
  id: 'line-width',
  group: 'accuracy',
  name: 'line width',
  assess({ contact, op: { edge }, context: { cutter } }) {
    if (edge.form !== 'engraving' || typeof contact === 'string') return null;
    const tip = cutter.properties.DC ?? 0;
    if (edge.sizeMm <= tip)
      return verdict('over', {
        why: () =>
          say(
            'Tip {0} is as wide as the {1} line: choose a finer tip.',
            measure(tip, 'mm'),
            measure(edge.sizeMm, 'mm'),
          ),
        formula: 'line > tip',
        source: 'geometry',
      });
    const varies = 2 * edge.wanderMm * Math.tan((contact.halfAngleDeg * Math.PI) / 180);
    return held(varies, SEEN * edge.sizeMm, 'mm', 'a quarter of the width', {
      why: () =>
        say(
          'Line varies by {0} where the face is {1} off; {2} allowed. Depth {3}.',
          measure(varies, 'mm-fine'),
          measure(edge.wanderMm, 'mm'),
          measure(SEEN * edge.sizeMm, 'mm-fine'),
          measure(contact.highMm, 'mm-fine'),
        ),
      formula: 'Δw = 2·Δz·tan α',
      source: 'geometry; judgement',
    });
  },
};

/** What the break itself leaves along its borders. */
export const edgeBurrLimit: Limit<EdgeMillingState> = {
  id: 'edge-burr',
  group: 'accuracy',
  name: 'burr left',
  assess({ burr, op: { edge } }) {
    if (edge.leastMm === null || edge.form === 'engraving') return null;
    const allowed = FELT;
    return {
      ...held(burr.heightMm, allowed, 'mm', 'what a finger does not find', {
        why: () =>
          say(
            'Burr about {0} at the borders of the break; {1} goes unfelt. A sharp edge and a fuller chip leave less.',
            measure(burr.heightMm, 'mm-fine'),
            measure(allowed, 'mm-fine'),
          ),
        formula: 'root = k·(hex/2 + rβ + VB/4), height = k₂·root',
        source: 'Gillespie & Blotter 1976; factors are judgement',
      }),
      // A judgement nobody measured: it never refuses a cut alone.
      verdict: burr.heightMm > allowed ? ('tight' as const) : ('clear' as const),
    };
  },
};
