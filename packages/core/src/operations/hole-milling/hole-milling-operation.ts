import type { HoleBase } from '../hole-base.ts';

/** A hole milled on a helix by an end mill. */
export interface HoleMillingOperation extends HoleBase {
  readonly kind: 'hole-milling';
  readonly cut: {
    readonly speedRpm: number;
    /** Where the edge cuts the wall, mm. */
    readonly feedPerToothMm: number;
    /** Depth gained in one turn of the helix, mm. */
    readonly pitchMm: number;
    /** Helices from the middle outwards. */
    readonly stepovers: number;
    readonly springPasses: number;
    /** How far the corner goes past the floor of a through hole, mm. */
    readonly pastFloorMm: number;
  };
}

declare module '../operation.ts' {
  interface OperationTypes {
    'hole-milling': HoleMillingOperation;
  }
}
