import {
  cuttingWidth,
  type Cutter,
  grooveDepth,
  type Groove,
  type GrooveWay,
  PLAIN_GROOVE,
  PLAIN_STRETCH,
  PLAIN_TURNED_THREAD,
  threadOf,
  type TurningWay,
} from '@burl/core';
import type { TurnedSize } from '@burl/contract';
import type { OwnMade, TypedSizes } from './own-made.ts';

type TurnedMade = OwnMade<TurnedSize>;

const OUT = ['overhangMm', 'Part out of the jaws'] as const;
const stretch =
  (way: TurningWay) =>
  (n: TypedSizes): TurnedSize => ({
    stretch: {
      ...PLAIN_STRETCH,
      way,
      startMm: n.startMm,
      endMm: n.endMm,
      lengthMm: n.lengthMm,
      overhangMm: n.overhangMm,
    },
  });
const goesIn = (c: Cutter, boreMm: number): boolean => Number(c.properties['DMIN'] ?? 0) <= boreMm;
/** A short bar first: it is the stiffest that reaches. */
const shortBar = (c: Cutter, n: TypedSizes): number =>
  Math.abs(Number(c.properties.LF ?? 0) - n.lengthMm - 3);
const alike = (): number => 0;

const grooveOf = (n: TypedSizes, way: GrooveWay): Groove => ({
  ...PLAIN_GROOVE,
  way,
  startMm: n.startMm,
  endMm: n.endMm,
  lengthMm: way === 'face' ? n.depthMm : n.lengthMm,
  fromEndMm: way === 'face' ? 0 : n.fromEndMm,
  overhangMm: n.overhangMm,
});
const bar = (c: Cutter): boolean => c.properties.DCONMS !== undefined;
const curved = (c: Cutter): boolean => c.properties['DAXX'] !== undefined;
const grooves = (c: Cutter, n: TypedSizes, way: GrooveWay): boolean =>
  Number(c.properties['CDX'] ?? 0) >= grooveDepth(grooveOf(n, way)) - 1e-6;
/** The widest blade that goes in without pressing too hard: as wide as the groove, or half of a wide one. */
const nearWidth = (c: Cutter, widthMm: number): number => {
  const wide = cuttingWidth(c);
  return wide > widthMm + 1e-6 ? 100 + wide : Math.abs(wide - (widthMm > 5 ? 4 : Math.min(widthMm, 3)));
};
const inRange = (c: Cutter, n: TypedSizes): boolean => {
  const pitch = threadOf(n.thread).pitchMm;
  return Number(c.properties['TPN'] ?? 0) <= pitch + 1e-6 && Number(c.properties['TPX'] ?? 0) >= pitch - 1e-6;
};
const threads = (n: TypedSizes, internal: boolean): TurnedSize => ({
  thread: threadOf(n.thread),
  turned: {
    ...PLAIN_TURNED_THREAD,
    internal,
    lengthMm: n.lengthMm,
    fromEndMm: n.fromEndMm,
    overhangMm: n.overhangMm,
  },
});

/** What is made on a lathe, as the list of what is cut has it. */
export const TURNED = {
  'outside diameter': {
    asks: [['startMm', 'Diameter before'], ['endMm', 'Diameter after'], ['lengthMm', 'Length'], OUT],
    size: stretch('outside'),
    tool: ({ type }) => type === 'turning_insert',
    near: shortBar,
    name: (n) => `Turn ${n.endMm}`,
  },
  bore: {
    asks: [['startMm', 'Diameter before'], ['endMm', 'Diameter after'], ['lengthMm', 'Length'], OUT],
    size: stretch('inside'),
    tool: (c, n) => c.type === 'boring_bar' && goesIn(c, n.startMm),
    near: shortBar,
    name: (n) => `Bore out ${n.endMm}`,
  },
  'end face': {
    asks: [['startMm', 'From diameter'], ['endMm', 'To diameter'], ['lengthMm', 'Taken off'], OUT],
    size: stretch('face'),
    tool: ({ type }) => type === 'turning_insert',
    near: shortBar,
    name: () => 'Face',
  },
  groove: {
    asks: [
      ['startMm', 'Diameter before'],
      ['endMm', 'Diameter at the bottom'],
      ['lengthMm', 'Width'],
      ['fromEndMm', 'From the free end'],
      OUT,
    ],
    begins: { startMm: 44, endMm: 38, lengthMm: 4, fromEndMm: 12 },
    size: (n) => ({ groove: grooveOf(n, 'outside') }),
    tool: (c, n) => c.type === 'grooving_insert' && !bar(c) && !curved(c) && grooves(c, n, 'outside'),
    near: (c, n) => nearWidth(c, n.lengthMm),
    name: (n) => `Groove ${n.lengthMm} wide to ${n.endMm}`,
  },
  'groove in a bore': {
    asks: [
      ['startMm', 'Bore'],
      ['endMm', 'Diameter at the bottom'],
      ['lengthMm', 'Width'],
      ['fromEndMm', 'From the free end'],
      OUT,
    ],
    begins: { startMm: 30, endMm: 35, lengthMm: 3, fromEndMm: 8 },
    size: (n) => ({ groove: grooveOf(n, 'inside') }),
    tool: (c, n) => c.type === 'grooving_insert' && bar(c) && goesIn(c, n.startMm) && grooves(c, n, 'inside'),
    near: (c, n) => nearWidth(c, n.lengthMm),
    name: (n) => `Groove inside to ${n.endMm}`,
  },
  'groove in the face': {
    asks: [['startMm', 'Outer diameter'], ['endMm', 'Inner diameter'], ['depthMm', 'Depth'], OUT],
    begins: { startMm: 42, endMm: 34, depthMm: 3 },
    size: (n) => ({ groove: grooveOf(n, 'face') }),
    tool: (c, n) => c.type === 'grooving_insert' && curved(c) && grooves(c, n, 'face'),
    near: (c, n) =>
      nearWidth(c, (n.startMm - n.endMm) / 2) +
      (Number(c.properties['DAXN']) <= n.startMm && Number(c.properties['DAXX']) >= n.startMm ? 0 : 1000),
    name: (n) => `Groove the face ${n.startMm} to ${n.endMm}`,
  },
  'part off': {
    asks: [['startMm', 'Bar diameter'], ['endMm', 'To diameter'], ['fromEndMm', 'Length of the part'], OUT],
    begins: { startMm: 40, endMm: 0, fromEndMm: 50, overhangMm: 70 },
    size: (n) => ({ groove: grooveOf(n, 'part-off') }),
    tool: (c, n) => c.type === 'parting_insert' && grooves(c, n, 'part-off'),
    near: (c) => cuttingWidth(c),
    name: () => 'Part off',
  },
  'thread outside': {
    asks: [['lengthMm', 'Length'], ['fromEndMm', 'From the free end'], OUT],
    threaded: true,
    begins: { lengthMm: 20, fromEndMm: 0 },
    size: (n) => threads(n, false),
    tool: (c, n) => c.type === 'threading_insert' && !bar(c) && inRange(c, n),
    near: alike,
    name: (n) => `Thread ${n.thread}`,
  },
  'thread in a bore': {
    asks: [['lengthMm', 'Length'], ['fromEndMm', 'From the free end'], OUT],
    threaded: true,
    begins: { lengthMm: 20, fromEndMm: 0 },
    size: (n) => threads(n, true),
    tool: (c, n) => c.type === 'threading_insert' && bar(c) && inRange(c, n),
    near: shortBar,
    name: (n) => `Thread ${n.thread} inside`,
  },
} as const satisfies Record<string, TurnedMade>;

export type Turned = keyof typeof TURNED;
export const isTurned = (made: string): made is Turned => made in TURNED;
