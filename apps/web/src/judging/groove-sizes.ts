import { type Cutter, isMillingCutter, isUndercutter, PLAIN_UNDERCUT, type Undercut } from '@burl/core';
import type { MilledSize } from '@burl/contract';
import type { OwnMade, TypedSizes } from './own-made.ts';

const groove = (
  n: TypedSizes,
  perSideMm: number,
  undercut: Partial<Undercut>,
  slopeDeg = 90,
): MilledSize => ({
  kind: undercut.form === 'face-ring' ? 'slot' : 'side',
  lengthMm: n.lengthMm,
  widthMm: perSideMm,
  depthMm: n.depthMm,
  cornerRadiusMm: null,
  slopeDeg,
  undercut: { ...PLAIN_UNDERCUT, floorMm: n.fromEndMm, ...undercut },
});

/** Under a slot: how far on each side. */
const perSide = (n: TypedSizes): number => (n.endMm - n.startMm) / 2;
const head = (c: Cutter): number => c.properties.DC ?? 0;
const neck = (c: Cutter): number => c.properties.DN ?? head(c);
const reaches = (c: Cutter, n: TypedSizes): boolean => (c.properties.LU ?? Infinity) >= n.fromEndMm - 1e-6;
/** A head on its neck that goes this far under a wall and is no higher than the groove. */
const goesUnder = (c: Cutter, n: TypedSizes, deepMm: number): boolean =>
  isUndercutter(c) &&
  reaches(c, n) &&
  (head(c) - neck(c)) / 2 >= deepMm + 0.1 &&
  (c.properties.APMX ?? 0) <= n.depthMm + 0.02;
const disc = (c: Cutter): boolean => c.type === 'disc_slot_cutter';
const inSlot = (c: Cutter, n: TypedSizes): boolean =>
  head(c) <= n.endMm + 0.02 && neck(c) + 2 * Math.max(0, (n.endMm - head(c)) / 2) + 0.2 <= n.startMm + 1e-6;
/** The groove's own height first: one pass. */
const inOnePass = (c: Cutter, n: TypedSizes): number => n.depthMm - (c.properties.APMX ?? 0);

/** Grooves as the list of what is cut has them. */
export const GROOVES = {
  'T-slot': {
    asks: [
      ['startMm', 'Slot above'],
      ['endMm', 'Width at the bottom'],
      ['depthMm', 'Height of the groove'],
      ['fromEndMm', 'Floor below the face'],
      ['lengthMm', 'Length'],
    ],
    begins: { startMm: 14, endMm: 25, depthMm: 11, fromEndMm: 24, lengthMm: 120 },
    size: (n) => groove(n, perSide(n), { form: 't-slot', throatMm: n.startMm }),
    tool: (c, n) => disc(c) && reaches(c, n) && (c.properties.APMX ?? 0) <= n.depthMm + 0.02 && inSlot(c, n),
    near: (c, n) => Math.abs(n.endMm - head(c)) + inOnePass(c, n),
    name: (n) => `T-slot ${n.startMm} / ${n.endMm}`,
  },
  dovetail: {
    asks: [
      ['startMm', 'Slot above'],
      ['endMm', 'Width at the floor'],
      ['depthMm', 'Height'],
      ['lengthMm', 'Length'],
    ],
    begins: { startMm: 20, endMm: 25.8, depthMm: 5, lengthMm: 120 },
    size: (n) =>
      groove(
        n,
        perSide(n),
        { form: 'dovetail', throatMm: n.startMm, floorMm: n.depthMm },
        Math.round((Math.atan2(n.depthMm, perSide(n)) * 180) / Math.PI),
      ),
    tool: (c, n) =>
      c.type === 'dovetail_mill' &&
      (c.properties.APMX ?? 0) >= n.depthMm - 1e-6 &&
      Math.abs((c.properties.KAPR ?? 0) - (Math.atan2(n.depthMm, perSide(n)) * 180) / Math.PI) < 1 &&
      head(c) <= n.endMm,
    near: (c) => -head(c),
    name: (n) => `Dovetail ${n.endMm} wide`,
  },
  'groove in a wall': {
    asks: [
      ['widthMm', 'Depth into the wall'],
      ['depthMm', 'Width of the groove'],
      ['fromEndMm', 'Lower wall below the face'],
      ['lengthMm', 'Length'],
    ],
    begins: { widthMm: 3, depthMm: 3.2, fromEndMm: 10, lengthMm: 100 },
    size: (n) => groove(n, n.widthMm, { form: 'wall' }),
    tool: (c, n) => disc(c) && goesUnder(c, n, n.widthMm),
    near: inOnePass,
    name: (n) => `Groove ${n.depthMm} wide in the wall`,
  },
  'ring groove in a bore': {
    asks: [
      ['startMm', 'Bore'],
      ['endMm', 'Diameter at the bottom'],
      ['depthMm', 'Width of the groove'],
      ['fromEndMm', 'Lower wall below the face'],
    ],
    begins: { startMm: 40, endMm: 43.8, depthMm: 2.4, fromEndMm: 10 },
    size: (n) =>
      groove({ ...n, lengthMm: Number((Math.PI * n.endMm).toFixed(2)) }, perSide(n), {
        form: 'wall',
        ringMm: n.endMm,
        inside: true,
        openingMm: n.startMm,
      }),
    tool: (c, n) => disc(c) && goesUnder(c, n, perSide(n)) && head(c) + 0.4 <= n.startMm,
    near: inOnePass,
    name: (n) => `Ring groove ⌀ ${n.endMm} in the bore`,
  },
  'ring groove in a face': {
    asks: [
      ['diameterMm', 'Mean diameter'],
      ['widthMm', 'Width of the groove'],
      ['depthMm', 'Depth'],
    ],
    begins: { diameterMm: 60, widthMm: 3.6, depthMm: 2.2 },
    size: (n) =>
      groove({ ...n, lengthMm: Number((Math.PI * n.diameterMm).toFixed(2)) }, n.widthMm, {
        form: 'face-ring',
        floorMm: n.depthMm,
        ringMm: n.diameterMm,
      }),
    tool: (c, n) =>
      isMillingCutter(c) &&
      c.type === 'end_mill_flat' &&
      head(c) <= n.widthMm &&
      (c.properties.LU ?? 99) >= n.depthMm,
    // Both walls cut apart with a tenth or more between them, by the largest cutter that leaves it.
    near: (c, n) => (n.widthMm - head(c) < 0.15 ? 5 : 0) + (n.widthMm - head(c)),
    name: (n) => `Ring groove ⌀ ${n.diameterMm} in the face`,
  },
} as const satisfies Record<string, OwnMade<MilledSize>>;
