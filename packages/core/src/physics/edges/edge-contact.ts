import { type Cutter, outerDiameter } from '../../crib/cutter.ts';

export type EdgeForm = 'chamfer' | 'round' | 'engraving';
export const EDGE_FORMS: readonly EdgeForm[] = ['chamfer', 'round', 'engraving'];

/** Edge towards the spindle, or the one at the back that a tool reaches by going through. */
export type EdgeFace = 'near' | 'far';
export const EDGE_FACES: readonly EdgeFace[] = ['near', 'far'];

/** What is asked of an edge, mm and degrees. */
export interface EdgeAsked {
  readonly form: EdgeForm;
  readonly face: EdgeFace;
  /** Width of a chamfer on the face, radius of a rounding, width of an engraved line. */
  readonly sizeMm: number;
}

/** Where a cutter touches the edge it breaks; radii from its axis and heights over its tip, mm. */
export interface EdgeContact {
  /** Between the made surface and the axis, degrees. */
  readonly halfAngleDeg: number;
  readonly innerMm: number;
  readonly outerMm: number;
  readonly lowMm: number;
  readonly highMm: number;
  /** Widest break this tool makes here, mm. */
  readonly mostMm: number;
  /** How much deeper than a flat chamfer the middle of the break is, mm. */
  readonly hollowMm: number;
  /** Length of edge in the cut, mm. */
  readonly edgeMm: number;
}

const RAD = Math.PI / 180;
/** Half the arc of a ball that may make one break, degrees: wider, it is a groove rather than a chamfer. */
const WIDEST_ARC = 20;
/** Left between the contact and a neck, mm. */
const OFF_NECK = 0.05;

/** A cone: from a radius and height at its lower end of contact. */
function onCone(
  size: number,
  halfAngleDeg: number,
  lower: { readonly radius: number; readonly height: number },
  mostMm: number,
): EdgeContact {
  const height = size / Math.tan(halfAngleDeg * RAD);
  return {
    halfAngleDeg,
    innerMm: lower.radius,
    outerMm: lower.radius + size,
    lowMm: lower.height,
    highMm: lower.height + height,
    mostMm,
    hollowMm: 0,
    edgeMm: size / Math.sin(halfAngleDeg * RAD),
  };
}

/** A ball touches at 45°; the chord it cuts has legs of the asked width. */
function onBall(size: number, radius: number, neckMm: number, far: boolean): EdgeContact {
  const chord = Math.SQRT2 * size;
  const half = Math.asin(Math.min(1, chord / 2 / radius));
  const middle = (far ? 135 : 45) * RAD;
  const at = (angle: number) => ({
    r: radius * Math.sin(angle),
    z: radius * (1 - Math.cos(angle)),
  });
  const [low, high] = [at(middle - half), at(middle + half)];
  const most = Math.SQRT2 * radius * Math.sin(WIDEST_ARC * RAD);
  // Behind its widest circle the ball goes only as far as its neck leaves it.
  const toNeck = far ? (Math.SQRT1_2 * radius - neckMm / 2 - OFF_NECK) * 2 : Infinity;
  return {
    halfAngleDeg: 45,
    innerMm: far ? high.r : low.r,
    outerMm: far ? low.r : high.r,
    lowMm: low.z,
    highMm: high.z,
    mostMm: Math.max(0, Math.min(most, toNeck)),
    hollowMm: radius - Math.sqrt(Math.max(0, radius ** 2 - (chord / 2) ** 2)),
    edgeMm: 2 * radius * half,
  };
}

/**
 * How a cutter meets an edge, its tip (or, from behind, its widest circle) `offTipMm` clear of the break; in words why it cannot.
 * Triangle and circle geometry.
 */
export function edgeContact(cutter: Cutter, asked: EdgeAsked, offTipMm: number): EdgeContact | string {
  const p = cutter.properties;
  const { form, face, sizeMm: size } = asked;
  const far = face === 'far';
  const tip = (p.DC ?? 0) / 2;
  const outer = outerDiameter(cutter) / 2;
  if (form === 'engraving' && cutter.type !== 'engraving_cutter' && cutter.type !== 'chamfer_mill')
    return 'a line is engraved with a pointed cutter';
  if (form === 'round') {
    if (cutter.type !== 'corner_rounding_mill') return 'an edge is rounded by a corner rounding mill';
    if (far) return 'a corner rounding mill does not cut backwards';
    const radius = Number(p['PRFRAD'] ?? 0);
    return {
      halfAngleDeg: 45,
      innerMm: tip,
      outerMm: tip + radius,
      lowMm: 0,
      highMm: radius,
      mostMm: radius,
      hollowMm: 0,
      edgeMm: (Math.PI / 2) * radius,
    };
  }
  switch (cutter.type) {
    case 'chamfer_mill':
    case 'engraving_cutter': {
      if (far) return 'a cone on its tip does not reach the back of an edge';
      const half = Number(p.SIG ?? 90) / 2;
      const off = form === 'engraving' ? 0 : offTipMm;
      // Of a line half its width lies on each side of the flat.
      const wide = form === 'engraving' ? Math.max(0, size / 2 - tip) : size;
      const low = tip + off * Math.tan(half * RAD);
      return onCone(wide, half, { radius: low, height: off }, Math.max(0, outer - low));
    }
    case 'back_chamfer_mill': {
      const neck = (p.DN ?? p.DC ?? 0) / 2;
      const cone = outer - neck;
      const half = p.KAPR ?? 45;
      const high = cone / Math.tan(half * RAD);
      if (!far) {
        const low = neck + offTipMm * Math.tan(half * RAD);
        return onCone(size, half, { radius: low, height: offTipMm }, Math.max(0, outer - low));
      }
      const widest = (p.APMX ?? 2 * high) - high;
      const from = outer - offTipMm * Math.tan(half * RAD);
      return {
        ...onCone(
          size,
          half,
          { radius: from - size, height: widest + offTipMm },
          Math.max(0, from - neck - OFF_NECK),
        ),
      };
    }
    case 'lollipop_mill':
      return onBall(size, tip, p.DN ?? 0, far);
    case 'end_mill_ball':
      return far
        ? 'a ball on a straight shank does not reach the back of an edge'
        : onBall(size, tip, 0, false);
    default:
      return 'no cutter for edges';
  }
}

/** Cutters that break, round or engrave. */
export const EDGE_CUTTER_TYPES = [
  'chamfer_mill',
  'back_chamfer_mill',
  'lollipop_mill',
  'corner_rounding_mill',
  'end_mill_ball',
  'engraving_cutter',
] as const;

/** Where the program puts the tool: tip against the face the tool comes from, and its axis against the finished wall, mm. */
export interface EdgePlace {
  /** Negative is below the face. */
  readonly tipZMm: number;
  readonly axisOffWallMm: number;
}

/** The place of a tool at an edge, `thicknessMm` from the near face to the far one. */
export function edgePlace(contact: EdgeContact, asked: EdgeAsked, thicknessMm: number): EdgePlace {
  if (asked.form === 'engraving') return { tipZMm: -contact.highMm, axisOffWallMm: 0 };
  return {
    tipZMm: asked.face === 'near' ? -contact.highMm : -(thicknessMm + contact.lowMm),
    axisOffWallMm: contact.innerMm,
  };
}
