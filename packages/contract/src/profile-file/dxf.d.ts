/** What is used of the reader of drawings, which brings no types of its own. */
declare module 'dxf' {
  interface DxfPlace {
    readonly x?: number;
    readonly y?: number;
    readonly bulge?: number;
  }
  /** An entity: which fields there are depends on its type. Angles in radians, counter-clockwise. */
  export interface DxfEntity extends DxfPlace {
    readonly type: string;
    readonly closed?: boolean;
    readonly vertices?: readonly DxfPlace[];
    readonly start?: DxfPlace;
    readonly end?: DxfPlace;
    readonly r?: number;
    readonly startAngle?: number;
    readonly endAngle?: number;
  }
  export interface DxfDrawing {
    readonly header?: { readonly insUnits?: number };
    readonly entities: readonly DxfEntity[];
  }
  /** Throws on what it cannot read. */
  export function parseString(text: string): DxfDrawing;
}
