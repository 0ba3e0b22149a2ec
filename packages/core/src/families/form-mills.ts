import type { Cutter } from '../crib/cutter.ts';
import { type CutterFamily, follows, nums, num, tidy, word } from './family.ts';
import {
  EDGES,
  ESTIMATED,
  inId,
  inName,
  lengthsOf,
  PLAIN,
  priceFollows,
  ratedRpm,
  shankFollows,
  shankFor,
  solidPrice,
  toothFeeds,
} from './solid-tool.ts';

const RAD = Math.PI / 180;

/** Concave mills that round an outside edge. */
export const cornerRoundingFamily: CutterFamily = {
  id: 'corner-rounding',
  name: 'Corner rounding mill, solid carbide',
  choices: [],
  fields: [
    { key: 'radius', label: 'Radius it leaves', unit: 'mm', least: 0.2, most: 12, usual: () => 2 },
    {
      key: 'tip',
      label: 'Diameter below the radius, DC',
      unit: 'mm',
      least: 1,
      most: 20,
      usual: (g) => 3 + 1.2 * num(g, 'radius'),
      rule: 'thick enough for its teeth',
    },
    { key: 'flutes', label: 'Flutes', unit: 'pieces', least: 2, most: 6, whole: true, usual: () => 4 },
  ],
  build(g) {
    const [radius, tip, z] = nums(g, 'radius', 'tip', 'flutes');
    const outer = tidy(tip + 2 * radius);
    const shank = shankFor(outer);
    const reach = tidy(Math.max(2 * outer, radius + 4));
    const cutter: Cutter = {
      id: `cornerround-r${inId(radius)}-z${z}`,
      name: `Corner rounding mill R${inId(radius)}, ${z} flutes`,
      type: 'corner_rounding_mill',
      properties: {
        DC: tip,
        DCX: outer,
        APMX: radius,
        PRFRAD: radius,
        LU: reach,
        ...lengthsOf(shank, reach),
        DCONMS: shank,
        NOF: z,
        ZEFP: z,
        KAPR: 45,
        FHA: 0,
        RMPX: 0,
        RPMX: ratedRpm(outer, 700),
      },
      extended: {
        ...ESTIMATED,
        ...PLAIN,
        core_ratio: 0.6,
        effective_bending_diameter_ratio: 0.9,
        chip_gullet_area_mm2: tidy((0.1 * outer ** 2) / z),
        edge_radius_um: EDGES.light,
        coating: 'altin',
        substrate: 'wc-fine-10co',
        fz_window_mm: toothFeeds(outer, 0.002, 0.006),
        price: solidPrice(outer, 1.3),
      },
      suits_iso_groups: ['P', 'M', 'K', 'N', 'S', 'H'],
      note: 'rounds outside edges; set a touch high rather than low',
    };
    return {
      cutter,
      followed: [
        follows('Outer diameter', outer, 'mm', 'the radius on both sides of its tip'),
        follows(
          'Highest feed',
          cutter.extended.fz_window_mm![1],
          'mm/tooth',
          'grows with the outer diameter',
        ),
        shankFollows(shank),
        priceFollows(cutter, 'by outer diameter'),
      ],
    };
  },
};

/** Pointed cutters for lines and letters. */
export const engraverFamily: CutterFamily = {
  id: 'engraver',
  name: 'Engraving cutter, solid carbide',
  choices: [
    {
      key: 'angle',
      label: 'Included angle',
      options: ['60', '30', '90'].map((value) => ({ value, label: `${value}°` })),
    },
  ],
  fields: [
    { key: 'tip', label: 'Flat of the tip, DC', unit: 'mm', least: 0.02, most: 2, usual: () => 0.2 },
    { key: 'shank', label: 'Shank', unit: 'mm', least: 3, most: 12, usual: () => 6 },
  ],
  build(g) {
    const [tip, wide] = nums(g, 'tip', 'shank');
    const angle = Number(word(g, 'angle'));
    const shank = shankFor(wide);
    const cone = tidy((wide - tip) / 2 / Math.tan((angle / 2) * RAD));
    const cutter: Cutter = {
      id: `engraver-${angle}-tip${inId(tip)}-${inId(wide)}`,
      name: `Engraving cutter ${angle}° included, tip ${inName(tip)}`,
      type: 'engraving_cutter',
      properties: {
        DC: tip,
        DCX: wide,
        APMX: cone,
        LU: cone,
        ...lengthsOf(shank, cone),
        DCONMS: shank,
        NOF: 1,
        ZEFP: 1,
        KAPR: angle / 2,
        SIG: angle,
        FHA: 0,
        RMPX: 5,
        RPMX: 60_000,
      },
      extended: {
        ...ESTIMATED,
        ...PLAIN,
        centre_cutting: true,
        plunge_ok: true,
        core_ratio: 0.5,
        effective_bending_diameter_ratio: 0.9,
        chip_gullet_area_mm2: tidy(0.12 * wide ** 2),
        edge_radius_um: EDGES.micro,
        coating: 'altin',
        substrate: 'wc-fine-10co',
        // Small as it is, it is fed far less than its shank would bear.
        fz_window_mm: toothFeeds(0.1 + tip, 0.015, 0.07),
        price: solidPrice(wide, 0.7),
      },
      suits_iso_groups: ['P', 'M', 'K', 'N', 'S', 'H'],
      note: 'one edge; the tip is the first to go',
    };
    return {
      cutter,
      followed: [
        follows('Height of the cone', cone, 'mm', 'from tip, shank and angle'),
        follows(
          'Highest feed',
          cutter.extended.fz_window_mm![1],
          'mm/tooth',
          'grows with the flat of its tip',
        ),
        shankFollows(shank),
        priceFollows(cutter, 'by shank'),
      ],
    };
  },
};
