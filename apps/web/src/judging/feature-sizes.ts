/** A size of a feature by its name on the drawing. */
export type FeatureSize = 'lengthMm' | 'widthMm' | 'depthMm' | 'cornerRadiusMm' | 'diameterMm';
type Sizes = readonly (readonly [FeatureSize, string])[];

/** Sizes each kind of feature asks for, by their names on the drawing. */
export const FEATURE_SIZES: Readonly<Record<'pocket' | 'slot' | 'side' | 'boss' | 'face' | 'hole', Sizes>> = {
  pocket: [
    ['lengthMm', 'Length'],
    ['widthMm', 'Width'],
    ['depthMm', 'Depth'],
    ['cornerRadiusMm', 'Corner radius'],
  ],
  slot: [
    ['lengthMm', 'Length'],
    ['widthMm', 'Width'],
    ['depthMm', 'Depth'],
  ],
  side: [
    ['lengthMm', 'Length'],
    ['widthMm', 'Stock on the side'],
    ['depthMm', 'Height'],
  ],
  boss: [
    ['lengthMm', 'Length'],
    ['widthMm', 'Width'],
    ['depthMm', 'Height'],
  ],
  face: [
    ['lengthMm', 'Length'],
    ['widthMm', 'Width'],
    ['depthMm', 'Stock to face off'],
  ],
  hole: [
    ['diameterMm', 'Diameter'],
    ['depthMm', 'Depth'],
  ],
};
