import type { Cutter } from '../crib/cutter.ts';
import { type CutterFamily, follows, num, type NumberField, nums, tidy } from './family.ts';
import {
  EDGES,
  ESTIMATED,
  PLAIN,
  inId,
  inName,
  lengthsOf,
  ratedRpm,
  shankFor,
  solidPrice,
  shankFollows,
  priceFollows,
  toothFeeds,
} from './solid-tool.ts';

/** What a head on a neck has in common: the neck bends, and the head cuts with little rake for its size. */
export const necked = (d: number, neck: number) => ({
  ...ESTIMATED,
  ...PLAIN,
  core_ratio: tidy(neck / d),
  effective_bending_diameter_ratio: tidy(neck / d),
  edge_radius_um: EDGES.light,
  coating: 'tialn',
  substrate: 'wc-fine-10co',
});
export const NECK_FOLLOWS = 'the neck bends, not the head';

/** Lengths, neck, shank and teeth of a head on a neck; it never goes down by itself. */
export const onNeck = (neck: number, shank: number, reach: number, teeth: number) => ({
  LU: reach,
  ...lengthsOf(shank, reach),
  DCONMS: shank,
  DN: neck,
  NOF: teeth,
  ZEFP: teeth,
  RMPX: 0,
});

/** A neck as a share of the head, and the size it may have. */
export const neckField = (
  share: number,
  [least, most]: readonly [number, number],
  rule: string,
): NumberField => ({
  key: 'neck',
  label: 'Neck, DN',
  unit: 'mm',
  least,
  most,
  usual: (g) => share * num(g, 'diameter'),
  rule,
});

/** Cutting edges of a head, and how many there may be. */
export const flutesField = (most: number): NumberField => ({
  key: 'flutes',
  label: 'Flutes',
  unit: 'pieces',
  least: 2,
  most,
  whole: true,
  usual: () => 4,
});

/** Reach of a neck in diameters. */
export const reachField = (times: number, most: number): NumberField => ({
  key: 'reach',
  label: 'Reach, LU',
  unit: 'mm',
  least: 1,
  most,
  usual: (g) => times * num(g, 'diameter'),
  rule: `${times}×D`,
});

/** Disc cutters on a neck: T-slots, undercuts, keyways. */
export const slotCutterFamily: CutterFamily = {
  id: 'slot-cutter',
  name: 'T-slot and disc cutter, solid carbide',
  choices: [],
  fields: [
    { key: 'diameter', label: 'Diameter, DC', unit: 'mm', least: 4, most: 80, usual: () => 25 },
    {
      key: 'width',
      label: 'Width, CW',
      unit: 'mm',
      least: 0.5,
      most: 30,
      usual: (g) => 0.44 * num(g, 'diameter'),
      rule: '44% of the diameter, as for T-slots',
    },
    neckField(0.46, [1, 40], '46% of the diameter, as for T-slots'),
    { key: 'teeth', label: 'Teeth', unit: 'pieces', least: 2, most: 20, whole: true, usual: () => 6 },
  ],
  build(g) {
    const [d, w, neck, z] = nums(g, 'diameter', 'width', 'neck', 'teeth');
    const shank = shankFor(Math.max(neck, 0.5 * d));
    const reach = tidy(0.8 * d + 4);
    const cutter: Cutter = {
      id: `tslot-${inId(d)}x${inId(w)}-z${z}`,
      name: `T-slot cutter ${inId(d)} × ${inName(w)}, ${z} teeth`,
      type: 'disc_slot_cutter',
      properties: {
        DC: d,
        CW: w,
        APMX: w,
        CDX: tidy((d - neck) / 2),
        ...onNeck(neck, shank, reach, z),
        RE: 0.2,
        KAPR: 90,
        FHA: 10,
        RPMX: ratedRpm(d, 600),
      },
      extended: {
        ...necked(d, neck),
        chip_gullet_area_mm2: tidy((0.18 * d ** 2) / z),
        fz_window_mm: toothFeeds(d, 0.0012, 0.004),
        price: solidPrice(d, 1.3),
      },
      suits_iso_groups: ['P', 'M', 'K', 'N', 'S'],
      note: 'neck governs bending',
    };
    return {
      cutter,
      followed: [
        follows('Depth beside the neck', (d - neck) / 2, 'mm', 'half of diameter less neck'),
        follows('Bends as a bar of', neck, 'mm', NECK_FOLLOWS),
        shankFollows(shank),
        priceFollows(cutter, 'by diameter'),
      ],
    };
  },
};

/** Balls on a neck, for undercuts and deburring from below. */
export const lollipopFamily: CutterFamily = {
  id: 'lollipop',
  name: 'Lollipop cutter, solid carbide',
  choices: [],
  fields: [
    { key: 'diameter', label: 'Diameter, DC', unit: 'mm', least: 1, most: 25, usual: () => 6 },
    neckField(0.6, [0.5, 20], '60% of the diameter: 220° of ball are free'),
    flutesField(8),
    reachField(3, 150),
  ],
  build(g) {
    const [d, neck, z, reach] = nums(g, 'diameter', 'neck', 'flutes', 'reach');
    const shank = shankFor(d);
    // How far the ball goes round below its neck.
    const height = tidy(d / 2 + Math.sqrt(Math.max(0, d ** 2 - neck ** 2)) / 2);
    const cutter: Cutter = {
      id: `lollipop-${inId(d)}-z${z}`,
      name: `Lollipop cutter ${inName(d)}, ${z} flutes`,
      type: 'lollipop_mill',
      properties: {
        DC: d,
        APMX: height,
        ...onNeck(neck, shank, reach, z),
        RE: d / 2,
        KAPR: 90,
        FHA: 15,
        RPMX: ratedRpm(d, 900),
      },
      extended: {
        ...necked(d, neck),
        chip_gullet_area_mm2: tidy((0.12 * d ** 2) / z),
        fz_window_mm: toothFeeds(d, 0.002, 0.006),
        price: solidPrice(d, 1.4),
      },
      suits_iso_groups: ['P', 'M', 'K', 'N', 'S', 'H'],
      note: 'neck governs bending',
    };
    return {
      cutter,
      followed: [
        follows('Height of the ball', height, 'mm', 'from its tip to where the neck begins'),
        follows('Bends as a bar of', neck, 'mm', NECK_FOLLOWS),
        shankFollows(shank),
        priceFollows(cutter, 'by diameter'),
      ],
    };
  },
};
