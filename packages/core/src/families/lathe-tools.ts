import type { Cutter } from '../crib/cutter.ts';
import { EDGES, ESTIMATED, inId, inName, PLAIN } from './solid-tool.ts';
import { tidy } from './family.ts';

/** What inserts of a lathe have in common. */
const INSERT = {
  ...ESTIMATED,
  ...PLAIN,
  pitch: null,
  core_ratio: null,
  chip_gullet_area_mm2: null,
  edge_prep: 'light',
  edge_radius_um: EDGES.light,
  coating: 'altin',
  substrate: 'wc-medium-6co',
  chipbreaker: true,
} as const;
const GROUPS = ['P', 'M', 'K', 'N', 'S'] as const;
/** Steel of a bar, and how far one stands out. */
const STEEL_BAR = { bar_E_gpa: 207, bar_damping_ratio: 0.012, max_ld_recommended: 4 } as const;

/** Feed an edge of a width stands, mm a turn, from its thin end to its thick one. */
const feeds = (width: number): [number, number] => [tidy(0.012 * width + 0.01), tidy(0.03 * width + 0.05)];

const groovePrice = (width: number): number => tidy(14 + 1.5 * width);

/** Grooving inserts on a square shank. */
const outside = ([width, depth, corner]: readonly [number, number, number]): Cutter => ({
  id: `groove-${inId(width)}-r${inId(corner)}`,
  name: `Grooving insert ${inName(width)}, corner ${inName(corner)}, depth ${inId(depth)}`,
  type: 'grooving_insert',
  properties: { CW: width, CDX: depth, RE: corner, KAPR: 90, AN: 7, LF: 27, GAMF: 5 },
  extended: { ...INSERT, f_window_mm_per_rev: feeds(width), price: groovePrice(width) },
  suits_iso_groups: GROUPS,
  note: corner >= width / 2 - 1e-9 ? 'full radius' : '',
});

/** Grooving inserts on a round bar, for bores. */
const inside = ([width, bar, depth]: readonly [number, number, number]): Cutter => ({
  id: `groove-in-${inId(width)}-bar${inId(bar)}`,
  name: `Grooving bar ${inName(bar)}, insert ${inName(width)}, depth ${inId(depth)}`,
  type: 'grooving_insert',
  properties: {
    CW: width,
    CDX: depth,
    RE: 0.2,
    KAPR: 90,
    AN: 7,
    DCONMS: bar,
    DMIN: bar + depth + 1,
    LF: 3 * bar,
    OAL: 8 * bar,
    GAMF: 5,
  },
  extended: {
    ...INSERT,
    ...STEEL_BAR,
    through_coolant: true,
    f_window_mm_per_rev: feeds(width),
    price: groovePrice(width) + 4,
  },
  suits_iso_groups: GROUPS,
  note: '',
});

/** Blades into a face, curved for a range of diameters at their outer edge. */
const face = ([width, depth, least, most]: readonly [number, number, number, number]): Cutter => ({
  id: `groove-face-${inId(width)}-${inId(least)}-${inId(most)}`,
  name: `Face grooving blade ${inName(width)}, first plunge ${inId(least)} to ${inId(most)}, depth ${inId(depth)}`,
  type: 'grooving_insert',
  properties: { CW: width, CDX: depth, RE: 0.2, KAPR: 90, AN: 7, LF: 27, GAMF: 5, DAXN: least, DAXX: most },
  extended: { ...INSERT, f_window_mm_per_rev: feeds(0.8 * width), price: groovePrice(width) + 8 },
  suits_iso_groups: GROUPS,
  note: 'first plunge within its diameters, measured at the outer edge; then outwards or inwards',
});

const parting = ([width, depth]: readonly [number, number]): Cutter => ({
  id: `partoff-${inId(width)}`,
  name: `Parting blade ${inName(width)}, depth ${inId(depth)}, neutral`,
  type: 'parting_insert',
  properties: { CW: width, CDX: depth, RE: 0.2, KAPR: 90, LF: depth + 5, AN: 7, GAMF: 8 },
  extended: { ...INSERT, f_window_mm_per_rev: feeds(width), price: groovePrice(width) },
  suits_iso_groups: GROUPS,
  note: 'height within +0.1/−0 mm; feed comes down in the last 2 mm of diameter',
});

/** Threading inserts of a range of pitches; a bar goes into a bore. */
const threading = ([angle, least, most, bar]: readonly [number, number, number, number | null]): Cutter => ({
  id: `thread-${bar === null ? 'out' : `in-bar${inId(bar)}`}-${angle}-${inId(least)}-${inId(most)}`,
  name: `Threading insert ${angle}°, pitch ${inId(least)} to ${inName(most)}${bar === null ? ', outside' : `, bar ${inName(bar)}`}`,
  type: 'threading_insert',
  properties: {
    PNA: angle,
    TPN: least,
    TPX: most,
    RE: tidy(0.1 * least),
    KAPR: 90,
    AN: 7,
    GAMF: 0,
    ...(bar === null ? { LF: 27 } : { DCONMS: bar, DMIN: tidy(1.25 * bar), LF: 3 * bar, OAL: 8 * bar }),
  },
  extended: { ...INSERT, ...(bar === null ? {} : { ...STEEL_BAR, through_coolant: true }), price: 18 },
  suits_iso_groups: GROUPS,
  note: '',
});

/** Slim inserts that follow a profile down: to the left, and either way with both edges alike. */
const profiling = ([point, lead, nose]: readonly [number, number, number]): Cutter => ({
  id: `ins-profile-${point}-${inId(lead)}-r${inId(nose)}`,
  name: `Profiling insert ${point}°, edge at ${inName(lead)}°, nose ${inName(nose)}`,
  type: 'turning_insert',
  properties: { IC: 9.525, S: 4.76, EPSR: point, RE: nose, KAPR: lead, AN: 5, APMX: 2, GAMF: 2, GAMP: 0 },
  extended: {
    ...INSERT,
    f_window_mm_per_rev: [tidy(0.12 * nose + 0.02), tidy(0.4 * nose + 0.05)],
    ap_window_mm: [0.2, 2],
    through_coolant: true,
    price: 13,
  },
  suits_iso_groups: GROUPS,
  note: `follows a profile that falls ${inName(180 - lead - point)}°`,
});

/** What a shop with a lathe has beside turning inserts and boring bars. */
export const latheTools = (): Cutter[] => [
  ...(
    [
      [35, 93, 0.4],
      [35, 93, 0.8],
      [35, 72.5, 0.4],
    ] as const
  ).map(profiling),
  ...(
    [
      [1, 2.5, 0.1],
      [1.5, 4, 0.1],
      [2, 8, 0.2],
      [2.5, 9, 0.2],
      [4, 14, 0.3],
      [5, 18, 0.4],
      [6, 20, 0.4],
      [2, 6, 1],
      [3, 10, 1.5],
      [4, 12, 2],
      [6, 16, 3],
    ] as const
  ).map(outside),
  ...(
    [
      [1.5, 16, 2.5],
      [2, 16, 4],
      [3, 20, 5],
      [4, 25, 6],
    ] as const
  ).map(inside),
  ...(
    [
      [3, 9, 25, 35],
      [3, 12, 32, 50],
      [3, 15, 45, 75],
      [4, 20, 60, 110],
      [5, 25, 95, 200],
    ] as const
  ).map(face),
  ...(
    [
      [1.5, 12],
      [2, 18],
      [4, 32],
    ] as const
  ).map(parting),
  ...(
    [
      [60, 0.5, 1.5, null],
      [60, 1.75, 3, null],
      [60, 3.5, 5, null],
      [60, 0.5, 1.5, 16],
      [60, 1.75, 3, 20],
      [60, 3.5, 5, 25],
      [55, 0.9, 1.9, null],
      [55, 1.8, 2.4, 20],
    ] as const
  ).map(threading),
];
