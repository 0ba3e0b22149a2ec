import {
  type Cutter,
  edgeContact,
  type EdgeFace,
  type EdgeForm,
  outerDiameter,
  PLAIN_EDGE,
} from '@burl/core';
import type { EdgeSize } from '@burl/contract';
import type { OwnMade, TypedSizes } from './own-made.ts';

const edge = (n: TypedSizes, form: EdgeForm, face: EdgeFace): EdgeSize => ({
  edge: {
    ...PLAIN_EDGE,
    form,
    face,
    sizeMm: n.widthMm,
    lengthMm: n.lengthMm,
    depthMm: face === 'far' ? n.depthMm : null,
    openingMm: face === 'far' ? n.diameterMm : null,
    // As a drawing means it that says no more: half and one and a half times the size.
    leastMm: form === 'chamfer' ? 0.5 * n.widthMm : null,
    mostMm: form === 'chamfer' ? 1.5 * n.widthMm : null,
  },
});

/** Whether a cutter makes an edge of this size at all, its tip a little clear. */
const makes = (c: Cutter, n: TypedSizes, form: EdgeForm, face: EdgeFace): boolean => {
  const contact = edgeContact(c, { form, face, sizeMm: n.widthMm }, form === 'chamfer' ? 0.3 : 0);
  return typeof contact !== 'string' && contact.mostMm >= n.widthMm - 1e-6 && contact.halfAngleDeg > 40;
};

/** Edges as the list of what is cut has them. */
export const EDGES = {
  'edge break': {
    asks: [
      ['widthMm', 'Chamfer width'],
      ['lengthMm', 'Length of the contour'],
    ],
    begins: { widthMm: 0.5, lengthMm: 200 },
    size: (n) => edge(n, 'chamfer', 'near'),
    tool: (c, n) => makes(c, n, 'chamfer', 'near'),
    // A chamfer mill of some 8 to 12 mm is stiff and goes into most corners.
    near: (c) => Math.abs(outerDiameter(c) - 10) + (c.type === 'chamfer_mill' ? 0 : 20),
    name: (n) => `Break edges ${n.widthMm} × 45°`,
  },
  'back edge': {
    asks: [
      ['widthMm', 'Chamfer width'],
      ['lengthMm', 'Length of the contour'],
      ['depthMm', 'Near face to far edge'],
      ['diameterMm', 'Hole it goes through'],
    ],
    begins: { widthMm: 0.3, lengthMm: 40, depthMm: 15, diameterMm: 12 },
    size: (n) => edge(n, 'chamfer', 'far'),
    tool: (c, n) =>
      makes(c, n, 'chamfer', 'far') &&
      (c.properties.LU ?? Infinity) >= n.depthMm &&
      outerDiameter(c) + 0.4 <= n.diameterMm,
    // The thickest neck that goes through bends least.
    near: (c) => -outerDiameter(c),
    name: (n) => `Break the back edge ${n.widthMm} × 45°`,
  },
  'rounded edge': {
    asks: [
      ['widthMm', 'Radius'],
      ['lengthMm', 'Length of the contour'],
    ],
    begins: { widthMm: 1, lengthMm: 200 },
    size: (n) => edge(n, 'round', 'near'),
    tool: (c, n) => makes(c, n, 'round', 'near'),
    near: (c, n) => Math.abs(Number(c.properties['PRFRAD'] ?? 0) - n.widthMm),
    name: (n) => `Round edges R ${n.widthMm}`,
  },
  engraving: {
    asks: [
      ['widthMm', 'Line width'],
      ['lengthMm', 'Length of lines'],
    ],
    begins: { widthMm: 0.4, lengthMm: 120 },
    size: (n) => edge(n, 'engraving', 'near'),
    tool: (c) => c.type === 'engraving_cutter' || c.type === 'chamfer_mill',
    // A tip of half the line and a blunt angle stand longest.
    near: (c, n) => Math.abs((c.properties.DC ?? 0) - 0.5 * n.widthMm) - Number(c.properties.SIG ?? 0) / 1000,
    name: (n) => `Engrave ${n.widthMm} wide`,
  },
} as const satisfies Record<string, OwnMade<EdgeSize>>;
