import type { Cutter } from '../crib/cutter.ts';
import type { IsoGroup } from '../crib/alloy.ts';
import { threadOf } from '../physics/threads/thread-table.ts';
import { type CutterFamily, follows, tidy, word } from './family.ts';
import { EDGES, ESTIMATED, PLAIN, ratedRpm, solidPrice, priceFollows } from './solid-tool.ts';
import { cutHole, formHole, threadChoice, threadInId } from './thread-tool.ts';

interface Kind {
  readonly label: string;
  readonly type: string;
  readonly chips: string;
  readonly helixDeg: number;
  /** Pitches of its lead. */
  readonly lead: number;
  readonly groups: readonly IsoGroup[];
  readonly price: number;
}

const KINDS: Readonly<Record<string, Kind>> = {
  'spiral-point': {
    label: 'Spiral-point tap, through holes',
    type: 'tap_spiral_point',
    chips: 'forward',
    helixDeg: 0,
    lead: 4,
    groups: ['P', 'M', 'K', 'N', 'S'],
    price: 0.55,
  },
  'spiral-flute': {
    label: 'Spiral-flute tap, blind holes',
    type: 'tap_spiral_flute',
    chips: 'back',
    helixDeg: 40,
    lead: 2.5,
    groups: ['P', 'M', 'K', 'N', 'S'],
    price: 0.6,
  },
  forming: {
    label: 'Forming tap',
    type: 'tap_forming',
    chips: 'none',
    helixDeg: 0,
    lead: 2.5,
    groups: ['P', 'M', 'N'],
    price: 0.65,
  },
};

/** Machine taps by major diameter, mm: shank and length over all. DIN 371 to 10 mm, DIN 376 above. */
const BODIES: readonly (readonly [major: number, shank: number, length: number])[] = [
  [2.05, 2.8, 45],
  [2.6, 2.8, 50],
  [3.05, 3.5, 56],
  [4.3, 4.5, 63],
  [5.1, 6, 70],
  [6.5, 6, 80],
  [8.1, 8, 90],
  [10.1, 10, 100],
  [12.1, 9, 110],
  [14.5, 11, 110],
  [16.1, 12, 110],
  [18.1, 14, 125],
  [20.1, 16, 140],
  [22.5, 18, 140],
  [Infinity, 18, 160],
];

/** Machine taps of powder-metal high-speed steel. */
export const tapFamily: CutterFamily = {
  id: 'tap',
  name: 'Tap',
  choices: [
    {
      key: 'kind',
      label: 'Kind',
      options: Object.entries(KINDS).map(([value, { label }]) => ({ value, label })),
    },
    threadChoice,
  ],
  fields: [],
  build(g) {
    const thread = threadOf(word(g, 'thread'));
    const kind = KINDS[word(g, 'kind')]!;
    const d = tidy(thread.majorMm);
    const [, shank, length] = BODIES.find(([most]) => d <= most)!;
    const hole = kind.type === 'tap_forming' ? formHole(thread) : cutHole(thread);
    const threaded = tidy(Math.min(2.5 * d, 16 * thread.pitchMm));
    const teeth = kind.type === 'tap_forming' ? 5 : d < 12 ? 3 : 4;
    const cutter: Cutter = {
      id: `tap-${threadInId(thread)}-${word(g, 'kind')}`,
      name: `${kind.label.split(',')[0]} ${thread.designation}${kind.label.includes('through') ? ' (through hole)' : kind.label.includes('blind') ? ' (blind hole)' : ''}`,
      type: kind.type,
      properties: {
        DC: d,
        DCONMS: shank,
        OAL: length,
        LU: tidy(3.2 * d),
        LF: length,
        LPR: tidy(Math.max(0.6 * length, 3.2 * d)),
        KAPR: 90,
        RMPX: 0,
        TDZ: thread.designation,
        TP: Number(thread.pitchMm.toFixed(4)),
        NOF: teeth,
        ZEFP: teeth,
        FHA: kind.helixDeg,
        THL: kind.lead,
        RPMX: ratedRpm(d, 75),
        APMX: threaded,
        ULDR: 3.2,
      },
      extended: {
        ...ESTIMATED,
        ...PLAIN,
        core_ratio: null,
        effective_bending_diameter_ratio: 0.75,
        chip_gullet_area_mm2: null,
        edge_radius_um: EDGES.light,
        coating: 'ticn',
        substrate: 'hss-pm',
        tap_drill_mm: hole,
        chip_direction: kind.chips,
        price: solidPrice(d, kind.price),
      },
      suits_iso_groups: kind.groups,
      note: kind.type === 'tap_forming' ? 'ductile materials only: elongation over about 8 to 10%' : '',
    };
    return {
      cutter,
      followed: [
        follows(
          'Hole before',
          hole,
          'mm',
          kind.type === 'tap_forming' ? 'major less half the pitch' : 'major less the pitch',
        ),
        follows('Shank', shank, 'mm', 'by major diameter, DIN 371 and 376'),
        follows('Overall length', length, 'mm', 'by major diameter, DIN 371 and 376'),
        follows('Lead', kind.lead * thread.pitchMm, 'mm', `${kind.lead} pitches`),
        follows('Rated speed', cutter.properties.RPMX!, 'rpm', '75 m/min at the major diameter'),
        priceFollows(cutter, 'by diameter and kind'),
      ],
    };
  },
};
