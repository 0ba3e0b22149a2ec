import type { Cutter } from '../crib/cutter.ts';
import { type CutterFamily, follows, num, tidy } from './family.ts';
import {
  EDGES,
  ESTIMATED,
  PLAIN,
  inId,
  ratedRpm,
  shankFor,
  shankLength,
  solidPrice,
  shankFollows,
  priceFollows,
} from './solid-tool.ts';

/** Width of grade IT7 by nominal size, mm: ISO 286-1. */
const IT7: readonly (readonly [size: number, width: number])[] = [
  [3, 0.01],
  [6, 0.012],
  [10, 0.015],
  [18, 0.018],
  [30, 0.021],
  [50, 0.025],
];
/** Share of the tolerance a new reamer stands at: above the middle, since it wears. */
const STANDS_AT = 0.65;

/** Solid carbide reamers for H7. */
export const reamerFamily: CutterFamily = {
  id: 'reamer',
  name: 'Reamer H7, solid carbide',
  choices: [],
  fields: [{ key: 'diameter', label: 'Hole, H7', unit: 'mm', least: 1, most: 40, usual: () => 10 }],
  build(g) {
    const hole = num(g, 'diameter');
    const [, width] = IT7.find(([most]) => hole <= most)!;
    const d = Number((hole + STANDS_AT * width).toFixed(3));
    const shank = shankFor(hole);
    const reach = tidy(4.5 * hole + 10);
    const OAL = tidy(reach + 12 + shankLength(shank));
    const stock = 0.1 + 0.0065 * hole;
    const z = hole < 5 ? 4 : hole <= 20 ? 6 : 8;
    const turn = [58, 62, 60];
    const cutter: Cutter = {
      id: `reamer-${inId(hole)}-h7-carbide`,
      name: `Solid carbide reamer ${inId(hole)} H7, ${z} flutes`,
      type: 'reamer',
      properties: {
        DC: d,
        DCONMS: shank,
        OAL,
        LU: reach,
        LF: OAL,
        LPR: tidy(reach + 12),
        NOF: z,
        ZEFP: z,
        FHA: 0,
        KAPR: 45,
        RPMX: ratedRpm(hole, 75),
        APMX: reach,
        ULDR: tidy(reach / hole),
        RMPX: 0,
      },
      extended: {
        ...ESTIMATED,
        ...PLAIN,
        core_ratio: null,
        effective_bending_diameter_ratio: 0.75,
        chip_gullet_area_mm2: null,
        edge_radius_um: EDGES.light,
        coating: 'altin',
        substrate: 'wc-fine-10co',
        pitch: 'variable',
        pitch_angles_deg: z === 6 ? [...turn, ...turn] : null,
        through_coolant: hole >= 4,
        stock_on_diameter_mm: [0.63 * stock, stock, 1.65 * stock].map((s) =>
          Number(s.toFixed(3)),
        ) as unknown as [number, number, number],
        fr_window_mm_per_rev: [Number((0.025 * hole).toFixed(3)), Number((0.09 * hole).toFixed(3))],
        price: solidPrice(hole, 1.5),
      },
      suits_iso_groups: ['P', 'M', 'K', 'N', 'S'],
      note: 'straight flutes serve blind and through holes',
    };
    return {
      cutter,
      followed: [
        follows('Diameter', d, 'mm', `${STANDS_AT * 100}% of the way up the H7 tolerance`),
        shankFollows(shank),
        follows('Reach', reach, 'mm', '4.5×D and 10 mm'),
        follows('Usual allowance on the diameter', stock, 'mm', '0.1 mm and 0.65% of the diameter'),
        priceFollows(cutter, 'by diameter'),
      ],
    };
  },
};
