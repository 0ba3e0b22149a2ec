import type { Limit } from '../../../judging/limit.ts';
import { measure, say } from '../../../units/sentence.ts';
import { atLeast, held, verdict } from '../../holes/limits/assessments.ts';
import type { EdgeMillingState } from '../edge-milling-state.ts';

/** How far apart two angles may be and still be the same on a drawing, degrees. */
const SAME_ANGLE = 1;
/** Radius of a form cutter against that of the drawing, mm. */
const SAME_RADIUS = 0.02;
/** Tip of a cone below its break at least: there it hardly moves and is dull, mm. */
const OFF_TIP = 0.3;
/** Between tool and what it must not touch, mm. */
const CLEAR = 0.2;

/** The tool makes this edge: from this side, at this angle, of this radius. */
export const edgeToolLimit: Limit<EdgeMillingState> = {
  id: 'edge-tool',
  group: 'path',
  name: 'cutter for this edge',
  assess({ contact, op: { edge }, context: { cutter } }) {
    const rest = { formula: 'shape of the cutter is that of the edge', source: 'geometry; cutter record' };
    if (typeof contact === 'string')
      return verdict('over', { ...rest, why: () => say(`Not with ${cutter.name}: ${contact}.`) });
    const radius = Number(cutter.properties['PRFRAD'] ?? 0);
    if (edge.form === 'round' && Math.abs(radius - edge.sizeMm) > SAME_RADIUS)
      return verdict('over', {
        ...rest,
        why: () =>
          say(
            'Cutter leaves R {0}; the drawing has R {1}.',
            measure(radius, 'mm'),
            measure(edge.sizeMm, 'mm'),
          ),
      });
    if (edge.form === 'chamfer' && Math.abs(contact.halfAngleDeg - edge.angleDeg) > SAME_ANGLE)
      return verdict('over', {
        ...rest,
        why: () =>
          say(
            'Cutter leaves {0} to the wall; the drawing has {1}.',
            measure(contact.halfAngleDeg, 'deg'),
            measure(edge.angleDeg, 'deg'),
          ),
      });
    return verdict('clear', {
      ...rest,
      why: () =>
        edge.form === 'round'
          ? say('R {0}, as drawn.', measure(radius, 'mm'))
          : say('{0} to the wall, as drawn.', measure(contact.halfAngleDeg, 'deg')),
    });
  },
};

/** The break fits on what of the edge is free of tip and neck. */
export const edgeWidthLimit: Limit<EdgeMillingState> = {
  id: 'edge-width',
  group: 'path',
  name: 'width on the edge',
  assess({ contact, op: { edge, cut } }) {
    if (typeof contact === 'string' || edge.form === 'round') return null;
    const most = edge.form === 'engraving' ? 2 * contact.mostMm : contact.mostMm;
    return held(edge.sizeMm, Math.max(1e-3, most), 'mm', 'edge that is free of tip and neck', {
      why: () =>
        say(
          'Width {0}; {1} fit on the edge {2} clear of the tip.',
          measure(edge.sizeMm, 'mm'),
          measure(most, 'mm'),
          measure(cut.offTipMm, 'mm'),
        ),
      formula: 'r tip + t·tan α + w ≤ r outer',
      source: 'geometry',
    });
  },
};

/** A tip that cuts is the slowest point of the edge and the first to go. */
export const edgeTipLimit: Limit<EdgeMillingState> = {
  id: 'edge-tip',
  group: 'cutter',
  name: 'tip clear of the cut',
  assess({ op: { edge, cut }, context: { cutter } }) {
    if (edge.form !== 'chamfer' || /lollipop|ball/.test(cutter.type)) return null;
    const needed = Math.min(OFF_TIP, 0.5 * edge.sizeMm + 0.05);
    return atLeast(Math.max(0.01, cut.offTipMm), needed, 'mm', 'cone that stays below the chamfer', {
      why: () =>
        say(
          'Tip {0} clear of the chamfer; at least {1} needed (its point hardly moves and rubs).',
          measure(cut.offTipMm, 'mm'),
          measure(needed, 'mm'),
        ),
      formula: 't ≥ 0.3 mm, half of a small chamfer',
      source: 'judgement',
    });
  },
};

/** The tip goes below the edge: a floor or a step must not be there. */
export const edgeRoomLimit: Limit<EdgeMillingState> = {
  id: 'edge-room',
  group: 'path',
  name: 'room below the edge',
  assess({ contact, op: { edge } }) {
    if (typeof contact === 'string' || edge.face === 'far' || edge.form === 'engraving') return null;
    if (edge.depthMm === null) return null;
    return held(contact.highMm + CLEAR, edge.depthMm, 'mm', 'wall below the edge', {
      why: () =>
        say(
          'Tip goes {0} below the face; the wall is {1} high.',
          measure(contact.highMm, 'mm'),
          measure(edge.depthMm!, 'mm'),
        ),
      formula: 't + w/tan α + 0.2 mm ≤ wall',
      source: 'geometry',
    });
  },
};

/** Inside corners sharper than the tool leave the break wider or the tool in the wall. */
export const edgeCornerLimit: Limit<EdgeMillingState> = {
  id: 'edge-corner',
  group: 'path',
  name: 'inside corners of the contour',
  assess({ contact, op: { edge } }) {
    if (typeof contact === 'string' || edge.insideRadiusMm === null) return null;
    return held(contact.innerMm, edge.insideRadiusMm, 'mm', 'sharpest inside corner', {
      why: () =>
        say(
          'Runs on R {0} below the break; sharpest inside corner R {1}.',
          measure(contact.innerMm, 'mm'),
          measure(edge.insideRadiusMm!, 'mm'),
        ),
      formula: 'r tool at the wall ≤ r corner',
      source: 'geometry',
    });
  },
};

/** What cuts backwards has to come through first. */
export const edgeOpeningLimit: Limit<EdgeMillingState> = {
  id: 'edge-opening',
  group: 'path',
  name: 'way through to the back',
  assess({ op: { edge }, context: { cutter } }) {
    if (edge.face !== 'far' || edge.openingMm === null) return null;
    const head = cutter.properties.DC ?? 0;
    return held(head + 2 * CLEAR, edge.openingMm, 'mm', 'hole or slot it goes through', {
      why: () =>
        say(
          'Head {0} and {1} a side; opening {2}.',
          measure(head, 'mm'),
          measure(CLEAR, 'mm'),
          measure(edge.openingMm!, 'mm'),
        ),
      formula: 'D head + 0.4 mm ≤ opening',
      source: 'geometry',
    });
  },
};

/** Neck long enough for the wall it goes through. */
export const edgeReachLimit: Limit<EdgeMillingState> = {
  id: 'edge-reach',
  group: 'path',
  name: 'reach to the back',
  assess({ contact, place, op: { edge, tooling }, context: { cutter } }) {
    if (typeof contact === 'string' || edge.face !== 'far') return null;
    const reach = Math.min(cutter.properties.LU ?? Infinity, tooling.stickOutMm);
    if (!Number.isFinite(reach)) return null;
    return held(-place.tipZMm, reach, 'mm', 'neck and stick-out', {
      why: () =>
        say(
          'Tip stands {0} below the near face; it reaches {1}.',
          measure(-place.tipZMm, 'mm'),
          measure(reach, 'mm'),
        ),
      formula: 'wall + head ≤ reach',
      source: 'geometry; cutter record',
    });
  },
};
