import type { Cutter } from '../crib/cutter.ts';
import { type CutterFamily, follows, nums, tidy, word } from './family.ts';
import { flutesField, NECK_FOLLOWS, neckField, necked, onNeck, reachField } from './necked-mills.ts';
import {
  inId,
  inName,
  priceFollows,
  ratedRpm,
  shankFollows,
  shankFor,
  solidPrice,
  toothFeeds,
} from './solid-tool.ts';

const RAD = Math.PI / 180;

/** Double-angle heads on a neck: the upper cone breaks the edge at the back of a hole or a slot, the lower one the front. */
export const backChamferFamily: CutterFamily = {
  id: 'back-chamfer',
  name: 'Front and back chamfer mill, solid carbide',
  choices: [],
  fields: [
    { key: 'diameter', label: 'Diameter, DC', unit: 'mm', least: 1, most: 25, usual: () => 6 },
    neckField(0.6, [0.4, 20], '60% of the diameter'),
    flutesField(8),
    reachField(4, 200),
  ],
  build(g) {
    const [d, neck, z, reach] = nums(g, 'diameter', 'neck', 'flutes', 'reach');
    const shank = shankFor(d);
    const cone = tidy((d - neck) / 2);
    const cutter: Cutter = {
      id: `backchamfer-${inId(d)}-z${z}`,
      name: `Front and back chamfer mill 90°, ${inName(d)}, ${z} flutes`,
      type: 'back_chamfer_mill',
      properties: {
        DC: d,
        // Both cones and the band between them.
        APMX: tidy(2 * cone + 0.1 * d),
        ...onNeck(neck, shank, reach, z),
        KAPR: 45,
        SIG: 90,
        FHA: 0,
        RPMX: ratedRpm(d, 900),
      },
      extended: {
        ...necked(d, neck),
        chip_gullet_area_mm2: tidy((0.12 * d ** 2) / z),
        fz_window_mm: toothFeeds(d, 0.003, 0.01),
        price: solidPrice(d, 1.5),
      },
      suits_iso_groups: ['P', 'M', 'K', 'N', 'S', 'H'],
      note: 'goes through a hole wider than its head and cuts on the way back',
    };
    return {
      cutter,
      followed: [
        follows('Widest chamfer', tidy(0.8 * cone), 'mm', 'four fifths of the cone beside the neck'),
        follows('Bends as a bar of', neck, 'mm', NECK_FOLLOWS),
        shankFollows(shank),
        priceFollows(cutter, 'by diameter'),
      ],
    };
  },
};

/** Dovetail cutters: widest at the tip, narrowing to the neck. */
export const dovetailFamily: CutterFamily = {
  id: 'dovetail',
  name: 'Dovetail cutter, solid carbide',
  choices: [
    {
      key: 'angle',
      label: 'Angle between floor and wall',
      options: ['60', '45', '66'].map((value) => ({ value, label: `${value}°` })),
    },
  ],
  fields: [
    { key: 'diameter', label: 'Diameter at the tip, DC', unit: 'mm', least: 2, most: 50, usual: () => 16 },
    neckField(0.5, [0.6, 40], 'half the diameter'),
    flutesField(12),
  ],
  build(g) {
    const [d, neck, z] = nums(g, 'diameter', 'neck', 'flutes');
    const angle = Number(word(g, 'angle'));
    const shank = shankFor(0.8 * d);
    const height = tidy(((d - neck) / 2) * Math.tan(angle * RAD));
    const reach = tidy(height + 0.4 * d + 2);
    const cutter: Cutter = {
      id: `dovetail-${angle}-${inId(d)}-z${z}`,
      name: `Dovetail cutter ${angle}°, ${inName(d)}, ${z} flutes`,
      type: 'dovetail_mill',
      properties: {
        DC: d,
        APMX: height,
        CDX: tidy((d - neck) / 2),
        ...onNeck(neck, shank, reach, z),
        RE: Math.min(0.2, tidy(0.02 * d)),
        KAPR: angle,
        FHA: 0,
        RPMX: ratedRpm(d, 500),
      },
      extended: {
        ...necked(d, neck),
        chip_gullet_area_mm2: tidy((0.14 * d ** 2) / z),
        fz_window_mm: toothFeeds(d, 0.0012, 0.0035),
        price: solidPrice(d, 1.5),
      },
      suits_iso_groups: ['P', 'M', 'K', 'N', 'S'],
      note: 'neck governs bending; leave before coming up',
    };
    return {
      cutter,
      followed: [
        follows('Height of the edge', height, 'mm', 'from diameter, neck and angle'),
        follows('Bends as a bar of', neck, 'mm', NECK_FOLLOWS),
        shankFollows(shank),
        priceFollows(cutter, 'by diameter'),
      ],
    };
  },
};
