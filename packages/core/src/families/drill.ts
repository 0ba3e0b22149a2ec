import type { Cutter } from '../crib/cutter.ts';
import { type CutterFamily, follows, num, tidy, word } from './family.ts';
import {
  EDGES,
  ESTIMATED,
  inId,
  inName,
  MICRO_MM,
  ratedRpm,
  shankFor,
  shankLength,
  solidPrice,
  shankFollows,
  priceFollows,
} from './solid-tool.ts';

/** Flute lengths of solid drills in diameters; the room for a chip to leave is one diameter more than the hole. */
const DEPTHS: Readonly<
  Record<string, { readonly point: number; readonly margins: number; readonly price: number }>
> = {
  '3': { point: 140, margins: 2, price: 1 },
  '5': { point: 140, margins: 2, price: 1.15 },
  '8': { point: 137, margins: 4, price: 1.6 },
};
/** Bending and twisting section of a drill’s flutes, over the diameter. */
const BENDS_AS = 0.8;
const CORE = 0.3;

/** Solid carbide drills with coolant through the tool from 3 mm. */
export const drillFamily: CutterFamily = {
  id: 'drill',
  name: 'Drill, solid carbide',
  choices: [
    {
      key: 'depth',
      label: 'Depth of hole',
      options: Object.keys(DEPTHS).map((value) => ({ value, label: `${value}×D` })),
    },
  ],
  fields: [{ key: 'diameter', label: 'Diameter, DC', unit: 'mm', least: 0.5, most: 32, usual: () => 8.5 }],
  build(g) {
    const d = num(g, 'diameter');
    const times = Number(word(g, 'depth'));
    const { point, margins, price } = DEPTHS[word(g, 'depth')]!;
    const shank = shankFor(d);
    const reach = tidy((times + 1) * d);
    const flute = tidy(reach + 0.4 * d);
    const tip = tidy(d / 2 / Math.tan(((point / 2) * Math.PI) / 180));
    const LPR = tidy(flute + 2);
    const OAL = tidy(LPR + shankLength(shank));
    const through = d >= 3;
    const feed = [0.01526 * d ** 0.763, 0.0475 * d ** 0.752].map((f) => Number(f.toFixed(3)));
    const cutter: Cutter = {
      id: `drill-${inId(d)}-${times}xd`,
      name: `Carbide drill ${inName(d)}, ${times}×D${through ? ', through coolant' : ''}`,
      type: 'drill_solid',
      properties: {
        DC: d,
        LU: reach,
        LCF: flute,
        OAL,
        LF: tidy(OAL - tip),
        LPR,
        PL: tip,
        DCONMS: shank,
        NOF: 2,
        ZEFP: 2,
        SIG: point,
        KAPR: point / 2,
        FHA: 30,
        RPMX: ratedRpm(d, 350),
        ULDR: times,
        CP: through ? 70 : 0,
        APMX: reach,
        RMPX: 0,
      },
      extended: {
        ...ESTIMATED,
        core_ratio: CORE,
        effective_bending_diameter_ratio: BENDS_AS,
        chip_gullet_area_mm2: tidy(0.2 * d ** 2),
        edge_radius_um: d < MICRO_MM ? EDGES.light : EDGES.medium,
        coating: 'altin',
        substrate: 'wc-fine-10co',
        centre_cutting: true,
        plunge_ok: true,
        pitch: 'equal',
        pitch_angles_deg: null,
        through_coolant: through,
        margins,
        fr_window_mm_per_rev: [feed[0]!, feed[1]!],
        hole_tolerance: 'IT8-IT10',
        price: solidPrice(d, 1.1 * price),
      },
      suits_iso_groups: ['P', 'M', 'K', 'N', 'S'],
      note: '',
    };
    return {
      cutter,
      followed: [
        shankFollows(shank),
        follows('Reach', reach, 'mm', 'depth of hole and one diameter for the chips'),
        follows('Point', point, 'deg', '140°; 137° for 8×D'),
        follows('Least feed', feed[0]!, 'mm/rev', 'grows with the diameter to the power of 0.76'),
        follows('Highest feed', feed[1]!, 'mm/rev', 'grows with the diameter to the power of 0.75'),
        follows('Rated speed', cutter.properties.RPMX!, 'rpm', '350 m/min at the rim'),
        priceFollows(cutter, 'by diameter and depth'),
      ],
    };
  },
};
