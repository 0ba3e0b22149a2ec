import type { EdgeAsked } from '../../physics/edges/edge-contact.ts';
import type { OperationBase } from '../operation-base.ts';

/** An edge that is broken or rounded along its contour, or a line that is engraved. Lengths in mm. */
export interface PartEdge extends EdgeAsked {
  /** Along the contour. */
  readonly lengthMm: number;
  /** Of the chamfer to the wall, degrees. */
  readonly angleDeg: number;
  /** Near edge: free depth beside the wall before a floor, null is open below. Far edge: from the near face to it. */
  readonly depthMm: number | null;
  /** Narrowest hole or slot the tool has to go through to a far edge; null is past the outside. */
  readonly openingMm: number | null;
  /** Smallest inside radius of the contour; null has none. */
  readonly insideRadiusMm: number | null;
  /** How far the edge or the face wanders from where the program has it. */
  readonly wanderMm: number;
  /** State of the edge by ISO 13715: least and most that may be missing; null is not asked. */
  readonly leastMm: number | null;
  readonly mostMm: number | null;
}

/** Breaking, rounding or engraving along a contour. */
export interface EdgeMillingOperation extends OperationBase {
  readonly kind: 'edge-milling';
  readonly edge: PartEdge;
  readonly cut: {
    readonly speedRpm: number;
    readonly feedPerToothMm: number;
    /** How far the dull tip, or from behind the widest circle, stands clear of the break. */
    readonly offTipMm: number;
    readonly passes: number;
    readonly direction: 'climb' | 'conventional';
  };
}

/** An edge when only its length and size are known. */
export const PLAIN_EDGE: PartEdge = {
  form: 'chamfer',
  face: 'near',
  sizeMm: 0.5,
  lengthMm: 200,
  angleDeg: 45,
  depthMm: null,
  openingMm: null,
  insideRadiusMm: null,
  wanderMm: 0.03,
  leastMm: null,
  mostMm: null,
};

declare module '../operation.ts' {
  interface OperationTypes {
    'edge-milling': EdgeMillingOperation;
  }
}
