import type { Holder } from '../crib/holder.ts';
import type { Span } from '../crib/span.ts';
import { InputError } from '../units/input-error.ts';
import {
  type ChoiceField,
  completed,
  follows,
  type Followed,
  type Form,
  type Given,
  num,
  tidy,
  word,
} from './family.ts';
import { inId, inName } from './solid-tool.ts';

/** A kind of holder: what its joint is, for a 12 mm shank where sizes differ. */
interface Kind {
  readonly label: string;
  readonly kind: string;
  readonly runoutUm: Span;
  readonly damping: Span;
  readonly pullOut: 'low' | 'medium' | 'high';
  readonly maxRpm: number;
  readonly coolant: readonly string[];
  /** Translation N/µm and rotation kN·m/rad of the clamp, grip N·m at 12 mm, by size. */
  readonly joint: (size: Size) => { readonly kt: number; readonly kr: number; readonly grip: number | null };
  readonly sizes: readonly Size[];
}

/** One size: smallest and largest shank or bore, body, nose and usual length, mm. */
interface Size {
  readonly name: string;
  readonly bore: readonly [number, number];
  readonly bodyMm: number;
  readonly noseMm: number;
  readonly lengthMm: number;
}

const size = (
  name: string,
  bore: readonly [number, number],
  bodyMm: number,
  noseMm: number,
  lengthMm: number,
): Size => ({
  name,
  bore,
  bodyMm,
  noseMm,
  lengthMm,
});
const span = (low: number, typical: number, high: number): Span => ({ low, typical, high });
/** Published joints scatter by a factor of two to three. */
const about = (typical: number): Span => span(tidy(0.6 * typical), tidy(typical), tidy(1.6 * typical));

/** A nut grips harder and gives less the larger it is; from the two sizes of the reference data. */
const nut = ({ noseMm }: Size): { kt: number; kr: number; grip: number } => ({
  kt: 3 * noseMm,
  kr: 22 * (noseMm / 50) ** 1.75,
  grip: 35 * (noseMm / 50) ** 1.58,
});

export const HOLDER_KINDS: Readonly<Record<string, Kind>> = {
  collet: {
    label: 'Collet chuck',
    kind: 'collet',
    runoutUm: span(6, 12, 22),
    damping: span(0.03, 0.06, 0.1),
    pullOut: 'low',
    maxRpm: 24_000,
    coolant: ['external', 'through with sealed collet'],
    joint: nut,
    sizes: [
      size('size 11', [0.5, 7], 19, 19, 50),
      size('size 16', [0.5, 10], 28, 28, 60),
      size('size 20', [1, 13], 34, 34, 60),
      size('size 25', [1, 16], 42, 42, 60),
      size('size 32', [2, 20], 50, 50, 70),
      size('size 40', [3, 26], 63, 63, 80),
    ],
  },
  shrink: {
    label: 'Shrink-fit chuck',
    kind: 'shrink',
    runoutUm: span(1.5, 3, 4),
    damping: span(0.015, 0.03, 0.05),
    pullOut: 'high',
    maxRpm: 40_000,
    coolant: ['external', 'through'],
    joint: () => ({ kt: 300, kr: 45, grip: 110 }),
    sizes: [
      size('3 mm', [3, 3], 20, 10, 80),
      size('4 mm', [4, 4], 20, 12, 80),
      size('6 mm', [6, 6], 27, 21, 80),
      size('8 mm', [8, 8], 27, 21, 80),
      size('10 mm', [10, 10], 32, 24, 80),
      size('12 mm', [12, 12], 32, 24, 80),
      size('16 mm', [16, 16], 34, 27, 85),
      size('20 mm', [20, 20], 42, 33, 90),
      size('25 mm', [25, 25], 53, 44, 100),
    ],
  },
  hydraulic: {
    label: 'Hydraulic chuck',
    kind: 'hydraulic',
    runoutUm: span(1.5, 3, 5),
    damping: span(0.04, 0.08, 0.12),
    pullOut: 'medium',
    maxRpm: 25_000,
    coolant: ['external', 'through'],
    joint: ({ bore: [, most] }) =>
      most > 12 ? { kt: 200, kr: 34, grip: 120 } : { kt: 150, kr: 26, grip: 80 },
    sizes: [
      size('6 mm', [3, 6], 26, 22, 70),
      size('12 mm', [6, 12], 42, 32, 80),
      size('20 mm', [12, 20], 50, 42, 85),
      size('32 mm', [20, 32], 70, 62, 100),
    ],
  },
  'milling-chuck': {
    label: 'Milling chuck',
    kind: 'milling_chuck',
    runoutUm: span(3, 6, 10),
    damping: span(0.03, 0.05, 0.08),
    pullOut: 'high',
    maxRpm: 12_000,
    coolant: ['external', 'through'],
    joint: () => ({ kt: 300, kr: 50, grip: 200 }),
    sizes: [size('20 mm', [6, 20], 56, 50, 85), size('32 mm', [6, 32], 70, 65, 100)],
  },
  'side-lock': {
    label: 'Side-lock holder',
    kind: 'side_lock',
    runoutUm: span(10, 20, 40),
    damping: span(0.025, 0.045, 0.07),
    pullOut: 'high',
    maxRpm: 10_000,
    coolant: ['external', 'through'],
    joint: () => ({ kt: 200, kr: 28, grip: 180 }),
    sizes: [
      size('6 mm', [6, 6], 25, 25, 50),
      size('10 mm', [10, 10], 35, 35, 50),
      size('12 mm', [12, 12], 42, 42, 50),
      size('16 mm', [16, 16], 48, 48, 63),
      size('20 mm', [20, 20], 52, 52, 63),
      size('25 mm', [25, 25], 65, 65, 80),
      size('32 mm', [32, 32], 72, 72, 90),
    ],
  },
  arbor: {
    label: 'Shell-mill arbor',
    kind: 'arbor',
    runoutUm: span(5, 10, 20),
    damping: span(0.008, 0.014, 0.03),
    pullOut: 'high',
    maxRpm: 18_000,
    coolant: ['external', 'through'],
    joint: () => ({ kt: 500, kr: 160, grip: null }),
    sizes: [
      size('16 mm', [16, 16], 38, 38, 45),
      size('22 mm', [22, 22], 48, 48, 45),
      size('27 mm', [27, 27], 60, 60, 45),
      size('32 mm', [32, 32], 78, 78, 50),
      size('40 mm', [40, 40], 89, 89, 55),
    ],
  },
  tapping: {
    label: 'Tap holder, minimal length compensation',
    kind: 'tap_holder',
    runoutUm: span(10, 20, 30),
    damping: span(0.05, 0.08, 0.12),
    pullOut: 'medium',
    maxRpm: 6000,
    coolant: ['external', 'through with sealed collet'],
    joint: () => ({ kt: 30, kr: 5, grip: 60 }),
    sizes: [
      size('size 11', [1, 7], 32, 22, 60),
      size('size 20', [3, 13], 45, 34, 70),
      size('size 32', [4, 20], 60, 50, 90),
    ],
  },
};

/** Spindle noses of the trade, by what stands behind them. */
export const INTERFACES = [
  'R8',
  'ISO20',
  'BT30',
  'BT40',
  'BT50',
  'HSK-E25',
  'HSK-A63',
  'HSK-A100',
  'HSK-F63 / collet',
  'PSC63',
] as const;

/** Spindles to choose from, the one most likely first. */
export const spindleChoice = (first: (typeof INTERFACES)[number]): ChoiceField => ({
  key: 'interface',
  label: 'Spindle',
  options: [first, ...INTERFACES.filter((i) => i !== first)].map((value) => ({ value, label: value })),
});

/** What a kind of holder asks for. Throws an InputError where there is no such kind. */
export function holderForm(name: string): Form {
  const kind = HOLDER_KINDS[name];
  if (!kind)
    throw new InputError([{ field: 'kind', value: name, allowed: Object.keys(HOLDER_KINDS).join(', ') }]);
  return {
    choices: [
      { key: 'size', label: 'Size', options: kind.sizes.map(({ name: n }) => ({ value: n, label: n })) },
      spindleChoice('BT40'),
    ],
    fields: [
      {
        key: 'length',
        label: 'Gauge length',
        unit: 'mm',
        least: 20,
        most: 400,
        usual: (g) => kind.sizes.find((s) => s.name === g['size'])?.lengthMm ?? 70,
        rule: 'usual short length of the size',
      },
    ],
  };
}

/**
 * A holder of a class: joint and runout are typical, a tap test settles them. It fits `interfaces`, or the one that was typed.
 * Throws an InputError by field.
 */
export function holderOfClass(
  typed: Given,
  interfaces?: readonly (typeof INTERFACES)[number][],
): {
  readonly holder: Holder;
  readonly followed: readonly Followed[];
} {
  const given = completed(holderForm(word(typed, 'kind')), typed);
  const kind = HOLDER_KINDS[word(typed, 'kind')]!;
  const size = kind.sizes.find((s) => s.name === given['size'])!;
  const length = num(given, 'length');
  const fits = interfaces ?? [word(given, 'interface')];
  const { kt, kr, grip } = kind.joint(size);
  // A long nose is ground slimmer towards the tool, and never stands off better than its kind.
  const holder: Holder = {
    id: [
      word(typed, 'kind'),
      size.name.replace(/ mm|size /, ''),
      inId(length),
      ...(fits.length === 1 ? fits : ['all']),
    ]
      .join('-')
      .toLowerCase()
      .replace(/[^a-z0-9.-]+/g, '-'),
    name: `${kind.label} ${size.name}, ${inName(length)}${fits.length === 1 ? `, ${fits[0]}` : ''}`,
    kind: kind.kind,
    interfaces: fits,
    bore_diameter_mm: size.bore,
    gauge_length_mm: length,
    body_diameter_mm: size.bodyMm,
    nose_diameter_mm: size.noseMm,
    runout_at_3xd_um: kind.runoutUm,
    clamp_translation_stiffness_n_um: about(kt),
    clamp_rotation_stiffness_knm_rad: about(kr),
    joint_damping_ratio: kind.damping,
    grip_torque_nm_at_12mm: grip === null ? null : [tidy(0.6 * grip), tidy(grip), tidy(1.45 * grip)],
    axial_pull_out_resistance: kind.pullOut,
    max_rpm: kind.maxRpm,
    coolant: kind.coolant,
    notes: '',
    confidence: 'estimate: typical of its kind and size',
  };
  return {
    holder,
    followed: [
      follows('Body', size.bodyMm, 'mm', 'by size'),
      follows('Nose', size.noseMm, 'mm', 'by size'),
      follows('Runout at 3×D', kind.runoutUm.typical, 'um', 'typical of the kind'),
      follows(
        'Clamp stiffness, 12 mm shank',
        kt,
        'N/um',
        'typical of the kind; scatters by a factor of two to three',
      ),
      ...(grip === null ? [] : [follows('Grip at 12 mm', grip, 'Nm', 'typical of the kind')]),
      follows('Highest speed', kind.maxRpm, 'rpm', 'balance usual for the kind'),
    ],
  };
}

const fitting = (
  kind: string,
  sizes: readonly string[],
  ...interfaces: (typeof INTERFACES)[number][]
): Holder[] => sizes.map((size) => holderOfClass({ kind, size }, interfaces).holder);

/** Holders of small and large spindles that a shop keeps, in typical values. */
export const workingHolders = (): Holder[] => [
  ...fitting('collet', ['size 11'], 'ISO20', 'BT30', 'HSK-E25'),
  ...fitting('collet', ['size 16'], 'ISO20', 'BT30', 'HSK-E25', 'R8'),
  ...fitting('collet', ['size 20'], 'ISO20', 'BT30', 'R8', 'HSK-F63 / collet'),
  ...fitting('collet', ['size 25'], 'BT30', 'BT40', 'HSK-A63'),
  ...fitting('collet', ['size 40'], 'BT40', 'BT50', 'HSK-A63', 'HSK-A100'),
  ...fitting(
    'shrink',
    ['3 mm', '4 mm', '6 mm', '8 mm', '10 mm'],
    'BT30',
    'BT40',
    'HSK-A63',
    'HSK-E25',
    'HSK-F63 / collet',
  ),
  ...fitting('shrink', ['12 mm', '16 mm', '20 mm', '25 mm'], 'BT40', 'HSK-A63', 'HSK-A100'),
  ...fitting('hydraulic', ['6 mm'], 'BT30', 'BT40', 'HSK-A63'),
  ...fitting('side-lock', ['25 mm'], 'BT40', 'BT50', 'HSK-A63', 'HSK-A100'),
  ...fitting('arbor', ['16 mm', '22 mm'], 'R8', 'BT30'),
  ...fitting('tapping', ['size 11'], 'ISO20', 'BT30', 'BT40', 'HSK-A63', 'R8'),
  ...fitting('tapping', ['size 32'], 'BT40', 'BT50', 'HSK-A63', 'HSK-A100', 'PSC63'),
];
