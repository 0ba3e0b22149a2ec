import type { Cutter } from '../crib/cutter.ts';
import type { IsoGroup } from '../crib/alloy.ts';
import { say } from '../units/sentence.ts';
import {
  type Built,
  type CutterFamily,
  follows,
  type Followed,
  type Given,
  num,
  nums,
  tidy,
  word,
} from './family.ts';
import {
  bendingRatio,
  coreRatio,
  EDGES,
  ESTIMATED,
  gulletArea,
  inId,
  inName,
  lengthsOf,
  MICRO_MM,
  ratedRpm,
  shankFor,
  solidPrice,
  unequalPitch,
  shankFollows,
  priceFollows,
  toothFeeds,
} from './solid-tool.ts';

/** What an end mill is ground for. */
interface Grind {
  readonly label: string;
  readonly groups: readonly IsoGroup[];
  readonly coating: string;
  readonly helixDeg: number;
  readonly rakeDeg: number;
  /** Thicker or thinner than the usual core. */
  readonly core: number;
  readonly lengthOverD: number;
  readonly reachOverD: number;
  /** Feed per tooth over diameter, least and most. */
  readonly feedOverD: readonly [number, number];
  readonly unequal: boolean;
  readonly sharp?: true;
  readonly price: number;
}

export const GRINDS: Readonly<Record<string, Grind>> = {
  aluminium: {
    label: 'Aluminium, copper, polymer',
    groups: ['N'],
    coating: 'dlc',
    helixDeg: 42,
    rakeDeg: 14,
    core: -0.05,
    lengthOverD: 2.2,
    reachOverD: 3,
    feedOverD: [0.005, 0.013],
    unequal: false,
    sharp: true,
    price: 0.95,
  },
  steel: {
    label: 'Steel, cast iron',
    groups: ['P', 'K'],
    coating: 'tialn',
    helixDeg: 38,
    rakeDeg: 6,
    core: 0,
    lengthOverD: 2.2,
    reachOverD: 3,
    feedOverD: [0.0028, 0.0075],
    unequal: false,
    price: 1,
  },
  stainless: {
    label: 'Stainless steel',
    groups: ['M', 'P', 'S'],
    coating: 'altin',
    helixDeg: 40,
    rakeDeg: 8,
    core: 0,
    lengthOverD: 2.2,
    reachOverD: 3,
    feedOverD: [0.0028, 0.0068],
    unequal: true,
    price: 1.1,
  },
  titanium: {
    label: 'Titanium, nickel alloys',
    groups: ['S', 'M'],
    coating: 'altin',
    helixDeg: 38,
    rakeDeg: 6,
    core: 0,
    lengthOverD: 2.2,
    reachOverD: 3,
    feedOverD: [0.0028, 0.0068],
    unequal: true,
    price: 1.2,
  },
  hard: {
    label: 'Hardened steel',
    groups: ['H'],
    coating: 'tialsin',
    helixDeg: 45,
    rakeDeg: -5,
    core: 0.05,
    lengthOverD: 1.4,
    reachOverD: 2.2,
    feedOverD: [0.003, 0.009],
    unequal: false,
    price: 1.25,
  },
};

/** How deep a full slot may be over D, and how wide a cut at full length, by flutes: what their gullets take. */
const SLOT = [2, 1.5, 1.2, 1, 0.6, 0.3, 0.15, 0.12, 0.1] as const;
const SIDE = [1, 1, 0.6, 0.4, 0.25, 0.15, 0.12, 0.1, 0.08] as const;
/** Ramp the end teeth cut down, degrees, by flutes. */
const RAMP = [15, 12, 8, 5, 3, 2, 1, 1, 1] as const;
const MOST_FLUTES = 9;
/** More flutes than this leave no edge at the centre. */
const CENTRE_FLUTES = 6;
/** More flutes than this make a tool for finishing walls, longer in the cut. */
const ROUGHING_FLUTES = 6;

const grindOf = (g: Given): Grind => GRINDS[word(g, 'ground')]!;
const single = (g: Given): boolean => num(g, 'flutes') === 1;

const usualLength = (g: Given): number => {
  const d = num(g, 'diameter');
  if (single(g)) return 3.3 * d;
  if (d < MICRO_MM) return 2 * d;
  return (num(g, 'flutes') > ROUGHING_FLUTES ? 2.8 : grindOf(g).lengthOverD) * d;
};
const usualReach = (g: Given): number => {
  const d = num(g, 'diameter');
  const over = d < MICRO_MM ? 4 : d >= 16 ? Math.min(2.7, grindOf(g).reachOverD) : grindOf(g).reachOverD;
  return Math.max(over * d, num(g, 'length') + 2);
};

/** Flat and bull-nose end mills of solid carbide. */
export const endMillFamily: CutterFamily = {
  id: 'end-mill',
  name: 'End mill, solid carbide',
  choices: [
    {
      key: 'ground',
      label: 'Ground for',
      options: Object.entries(GRINDS).map(([value, { label }]) => ({ value, label })),
    },
  ],
  fields: [
    { key: 'diameter', label: 'Diameter, DC', unit: 'mm', least: 0.5, most: 32, usual: () => 12 },
    {
      key: 'flutes',
      label: 'Flutes',
      unit: 'pieces',
      least: 1,
      most: MOST_FLUTES,
      whole: true,
      usual: () => 4,
    },
    {
      key: 'corner',
      label: 'Corner radius, RE',
      unit: 'mm',
      least: 0,
      most: 8,
      usual: () => 0,
      rule: 'sharp corner',
    },
    {
      key: 'length',
      label: 'Cutting length, APMX',
      unit: 'mm',
      least: 0.5,
      most: 160,
      usual: usualLength,
      rule: '2.2×D; 1.4×D for hardened steel, 2.8×D from seven flutes, 2×D under 3 mm',
    },
    {
      key: 'reach',
      label: 'Reach, LU',
      unit: 'mm',
      least: 0.5,
      most: 300,
      usual: usualReach,
      rule: '3×D, 2.7×D from 16 mm; 2.2×D for hardened steel, 4×D under 3 mm',
    },
  ],
  build: (g) => carbideMill(g, Math.max(usualReach(g), num(g, 'length') + 2)),
};

/** A mill of these numbers; a corner radius of half the diameter makes it a ball nose. `usualMm` is the reach that is not called long. */
export function carbideMill(g: Given, usualMm: number): Built {
  const [d, z, re, apmx, reach] = nums(g, 'diameter', 'flutes', 'corner', 'length', 'reach');
  const grind = grindOf(g);
  const shank = shankFor(d);
  const core = coreRatio(z, grind.core);
  const gullet = gulletArea(d, core, z);
  const micro = d < MICRO_MM;
  const unequal = grind.unequal && z >= 4;
  const centre = z <= CENTRE_FLUTES;
  const helix = z === 2 && !grind.sharp ? 30 : z === 1 ? 20 : grind.helixDeg;
  const [least, most] = z === 1 ? [0.013, 0.05] : grind.feedOverD;
  const ramp = grind.sharp ? Math.max(10, RAMP[z - 1]!) : RAMP[z - 1]!;
  const long = reach > usualMm * 1.05;
  const shape = re <= 0 ? SHAPES.flat : re < d / 2 ? SHAPES.bull : SHAPES.ball;
  const price = solidPrice(d, grind.price * (1 + 0.04 * Math.abs(z - 4)) * (long ? 1.25 : 1));
  const name = [
    `${shape.name} end mill ${inName(d)}`,
    `${z} ${z === 1 ? 'flute' : 'flutes'}`,
    ...(shape === SHAPES.bull ? [`RE ${inId(re)}`] : []),
    grind.label.toLowerCase(),
    ...(long ? [`reach ${inName(reach)}`] : []),
  ].join(', ');
  const cutter: Cutter = {
    id: `${shape.id}-${word(g, 'ground')}-${inId(d)}-z${z}${shape === SHAPES.bull ? `-re${inId(re)}` : ''}${long ? `-l${inId(reach)}` : ''}`,
    name,
    type: shape.type,
    properties: {
      DC: d,
      APMX: apmx,
      LU: reach,
      LCF: apmx,
      DN: tidy(0.94 * d),
      ...lengthsOf(shank, reach),
      DCONMS: shank,
      NOF: z,
      ZEFP: z,
      RE: re,
      KAPR: 90,
      FHA: helix,
      GAMF: z === 1 ? 15 : grind.rakeDeg,
      RMPX: centre ? ramp : 1,
      RPMX: ratedRpm(d, 1200),
      ULDR: tidy(reach / d),
    },
    extended: {
      ...ESTIMATED,
      core_ratio: core,
      effective_bending_diameter_ratio: bendingRatio(core),
      chip_gullet_area_mm2: gullet,
      edge_radius_um: grind.sharp ? EDGES.sharp : micro ? EDGES.micro : EDGES.light,
      coating: z === 1 ? 'none-polished' : grind.coating,
      substrate: micro || word(g, 'ground') === 'hard' ? 'wc-ultrafine-8co' : 'wc-fine-10co',
      centre_cutting: centre,
      plunge_ok: z <= 4,
      pitch: unequal ? 'variable' : 'equal',
      pitch_angles_deg: unequal ? unequalPitch(z) : null,
      through_coolant: false,
      fz_window_mm: toothFeeds(d, least, most),
      price,
    },
    suits_iso_groups: grind.groups,
    max_slot_depth_over_d: SLOT[z - 1]!,
    max_ae_over_d_at_full_apmx: SIDE[z - 1]!,
    note: '',
  };
  return { cutter, followed: followedOf(cutter, grind) };
}

const SHAPES = {
  flat: { id: 'em', name: 'Flat', type: 'end_mill_flat' },
  bull: { id: 'em', name: 'Bull-nose', type: 'end_mill_bull' },
  ball: { id: 'ball', name: 'Ball-nose', type: 'end_mill_ball' },
} as const;

/** What follows, for whoever asks why. */
function followedOf(cutter: Cutter, grind: Grind): Followed[] {
  const { properties: p, extended: x } = cutter;
  return [
    shankFollows(p.DCONMS!),
    follows('Neck', p.DN!, 'mm', '94% of the diameter'),
    follows('Overall length', p.OAL!, 'mm', 'reach, or the usual length, and the shank'),
    follows(
      'Core',
      x.core_ratio! * p.DC!,
      'mm',
      'by flutes; thinner for aluminium, thicker for hardened steel',
    ),
    follows('Bends as a bar of', x.effective_bending_diameter_ratio! * p.DC!, 'mm', 'core with its lands'),
    follows('Gullet', x.chip_gullet_area_mm2!, 'mm2', '58% of the area between core and circle, per flute'),
    follows('Helix', p.FHA!, 'deg', `usual for ${grind.label.toLowerCase()}`),
    follows('Rated speed', p.RPMX!, 'rpm', '1,200 m/min at the rim, 60,000 rpm at most'),
    priceFollows(cutter, 'by diameter, flutes, grind and reach'),
    {
      what: 'Pitch',
      value: say(x.pitch === 'variable' ? 'unequal, against chatter' : 'equal'),
      rule: 'unequal from four flutes for stainless, titanium and nickel',
    },
  ];
}
