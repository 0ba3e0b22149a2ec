import type { Cutter } from '../crib/cutter.ts';
import { type CutterFamily, follows, num, tidy, word } from './family.ts';
import { EDGES, ESTIMATED, inId, inName, unequalPitch, priceFollows } from './solid-tool.ts';

/** Bores of shell mills by diameter, mm, and how high their body is: ISO 6462. */
const BODIES: readonly (readonly [diameter: number, bore: number, height: number])[] = [
  [44, 16, 40],
  [75, 22, 45],
  [90, 27, 50],
  [110, 32, 50],
  [Infinity, 40, 63],
];

interface Shape {
  readonly label: string;
  readonly type: string;
  readonly leadDeg: number;
  /** Depth the inserts cut to, mm. */
  readonly depthMm: number;
  /** What the inclined edge adds to the diameter, mm. */
  readonly widerMm: number;
  readonly ramp: number;
  readonly feed: readonly [number, number];
  /** Of a mill with one wiper: its flat over the diameter. */
  readonly wiper?: number;
}

const SHAPES: Readonly<Record<string, Shape>> = {
  '45': {
    label: '45° face mill',
    type: 'face_mill_45',
    leadDeg: 45,
    depthMm: 6,
    widerMm: 12,
    ramp: 0,
    feed: [0.12, 0.4],
  },
  '45-wiper': {
    label: '45° face mill with a wiper',
    type: 'face_mill_45_wiper',
    leadDeg: 45,
    depthMm: 4,
    widerMm: 12,
    ramp: 0,
    feed: [0.08, 0.25],
    wiper: 0.1,
  },
  '90': {
    label: '90° shoulder mill',
    type: 'face_mill_90',
    leadDeg: 90,
    depthMm: 9,
    widerMm: 0,
    ramp: 1.5,
    feed: [0.08, 0.25],
  },
};

/** Indexable face and shoulder mills on a bore. */
export const faceMillFamily: CutterFamily = {
  id: 'face-mill',
  name: 'Face mill, indexable',
  choices: [
    {
      key: 'shape',
      label: 'Shape',
      options: Object.entries(SHAPES).map(([value, { label }]) => ({ value, label })),
    },
  ],
  fields: [
    { key: 'diameter', label: 'Diameter, DC', unit: 'mm', least: 32, most: 200, usual: () => 63 },
    {
      key: 'teeth',
      label: 'Teeth',
      unit: 'pieces',
      least: 2,
      most: 20,
      whole: true,
      usual: (g) => Math.round(2.3 + num(g, 'diameter') / 17),
      rule: 'about one for every 17 mm of diameter, and two',
    },
  ],
  build(g) {
    const [d, z] = [num(g, 'diameter'), num(g, 'teeth')];
    const shape = SHAPES[word(g, 'shape')]!;
    const [, bore, height] = BODIES.find(([most]) => d <= most)!;
    const room = tidy((0.045 * d ** 2 * Math.round(2.3 + d / 17)) / z);
    // Speed at which the clamping of inserts gives out falls with the root of the diameter.
    const rpm = Math.round(95_000 / Math.sqrt(d) / 100) * 100;
    const cutter: Cutter = {
      id: `face${shape.leadDeg}${shape.wiper ? '-wiper' : ''}-${inId(d)}-z${z}`,
      name: `${shape.label} ${inName(d)}, ${z} teeth`,
      type: shape.type,
      properties: {
        DC: d,
        DCX: d + shape.widerMm,
        APMX: shape.depthMm,
        LF: height,
        OAL: height,
        LU: height - 8,
        DCONMS: bore,
        NOF: z,
        ZEFP: z,
        CICT: z,
        RE: 0.8,
        KAPR: shape.leadDeg,
        ...(shape.wiper && { BS: tidy(Math.min(8, shape.wiper * d)) }),
        GAMF: -4,
        GAMP: 12,
        RMPX: shape.ramp,
        RPMX: rpm,
      },
      extended: {
        ...ESTIMATED,
        core_ratio: null,
        effective_bending_diameter_ratio: null,
        chip_gullet_area_mm2: room,
        edge_radius_um: EDGES.medium,
        coating: 'altin',
        substrate: 'wc-tough-10-12co',
        centre_cutting: false,
        plunge_ok: false,
        pitch: 'variable',
        pitch_angles_deg: unequalPitch(z),
        through_coolant: true,
        fz_window_mm: shape.feed,
        price: Math.round(40 + 9 * z + 2 * d),
      },
      suits_iso_groups: ['P', 'M', 'K', 'S', 'N'],
      note: '',
    };
    return {
      cutter,
      followed: [
        follows('Bore', bore, 'mm', 'by diameter, ISO 6462'),
        follows('Body height', height, 'mm', 'by diameter, ISO 6462'),
        follows('Chip pocket', room, 'mm2', 'by diameter; less with more teeth'),
        follows('Rated speed', rpm, 'rpm', 'falls with the root of the diameter: insert clamping'),
        priceFollows(cutter, 'body by diameter, one set of inserts by teeth'),
      ],
    };
  },
};
