import type { Cutter } from '../crib/cutter.ts';
import { type CutterFamily, follows, num, tidy, word } from './family.ts';
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

/** Solid chamfer mills. */
export const chamferMillFamily: CutterFamily = {
  id: 'chamfer-mill',
  name: 'Chamfer mill, solid carbide',
  choices: [
    {
      key: 'angle',
      label: 'Included angle',
      options: ['90', '60', '120'].map((value) => ({ value, label: `${value}°` })),
    },
  ],
  fields: [
    { key: 'diameter', label: 'Diameter, DCX', unit: 'mm', least: 1, most: 32, usual: () => 10 },
    { key: 'flutes', label: 'Flutes', unit: 'pieces', least: 2, most: 8, whole: true, usual: () => 4 },
  ],
  build(g) {
    const [dx, z, angle] = [num(g, 'diameter'), num(g, 'flutes'), Number(word(g, 'angle'))];
    const tip = tidy(dx / 6);
    const depth = tidy((dx - tip) / 2 / Math.tan(((angle / 2) * Math.PI) / 180));
    const shank = shankFor(dx);
    const reach = tidy(Math.max(2 * dx, depth + 2));
    const cutter: Cutter = {
      id: `chamfer-${angle}-${inId(dx)}-z${z}`,
      name: `Chamfer mill ${angle}° included, ${inName(dx)}, ${z} flutes`,
      type: 'chamfer_mill',
      properties: {
        DC: tip,
        DCX: dx,
        APMX: depth,
        LU: reach,
        ...lengthsOf(shank, reach),
        DCONMS: shank,
        NOF: z,
        ZEFP: z,
        KAPR: angle / 2,
        SIG: angle,
        FHA: 0,
        RMPX: 0,
        RPMX: ratedRpm(dx, 1100),
        CHW: tidy(0.1 * tip),
      },
      extended: {
        ...ESTIMATED,
        ...PLAIN,
        core_ratio: 0.6,
        effective_bending_diameter_ratio: 0.9,
        chip_gullet_area_mm2: tidy((0.042 * dx ** 2 * 4) / z),
        edge_radius_um: EDGES.light,
        coating: 'altin',
        substrate: 'wc-fine-10co',
        fz_window_mm: toothFeeds(dx, 0.0025, 0.0067),
        price: solidPrice(dx, 0.95),
      },
      suits_iso_groups: ['P', 'M', 'K', 'N', 'S', 'H'],
      note: `tip flat ${inName(tip)} does not cut`,
    };
    return {
      cutter,
      followed: [
        follows('Tip flat', tip, 'mm', 'a sixth of the diameter; it does not cut'),
        follows('Depth of the cone', depth, 'mm', 'from tip and angle'),
        shankFollows(shank),
        follows('Rated speed', cutter.properties.RPMX!, 'rpm', '1,100 m/min at the rim'),
        priceFollows(cutter, 'by diameter'),
      ],
    };
  },
};
