import type { Cutter } from '../crib/cutter.ts';
import { threadOf } from '../physics/threads/thread-table.ts';
import { type CutterFamily, follows, num, tidy, word } from './family.ts';
import {
  EDGES,
  ESTIMATED,
  PLAIN,
  lengthsOf,
  ratedRpm,
  shankFor,
  solidPrice,
  shankFollows,
  priceFollows,
  toothFeeds,
} from './solid-tool.ts';
import { threadChoice, threadInId } from './thread-tool.ts';

/** Solid thread mills with teeth along their length. */
export const threadMillFamily: CutterFamily = {
  id: 'thread-mill',
  name: 'Thread mill, solid carbide',
  choices: [threadChoice],
  fields: [
    {
      key: 'depth',
      label: 'Depth of thread over D',
      unit: 'ratio',
      least: 1,
      most: 3,
      usual: () => 2,
      rule: '2×D',
    },
  ],
  build(g) {
    const thread = threadOf(word(g, 'thread'));
    const hole = thread.majorMm - thread.pitchMm;
    const d = Math.floor(20 * 0.91 * hole) / 20;
    const shank = shankFor(d);
    const long = num(g, 'depth');
    const toothed = tidy(Math.floor((long * thread.majorMm) / thread.pitchMm) * thread.pitchMm);
    const reach = tidy(long * thread.majorMm + 1);
    const z = d < 4 ? 3 : d < 12 ? 4 : 5;
    const cutter: Cutter = {
      id: `threadmill-${threadInId(thread)}-${long}xd`,
      name: `Solid thread mill ${thread.designation}, ${long}×D, ${z} flutes`,
      type: 'thread_mill',
      properties: {
        DC: d,
        DCONMS: shank,
        ...lengthsOf(shank, reach),
        LU: reach,
        TDZ: thread.designation,
        TP: Number(thread.pitchMm.toFixed(4)),
        NOF: z,
        ZEFP: z,
        FHA: 15,
        RPMX: ratedRpm(d, 375),
        APMX: toothed,
        ULDR: tidy(reach / d),
        KAPR: 90,
        RMPX: 0,
      },
      extended: {
        ...ESTIMATED,
        ...PLAIN,
        core_ratio: null,
        effective_bending_diameter_ratio: 0.75,
        chip_gullet_area_mm2: null,
        edge_radius_um: EDGES.light,
        coating: 'tialsin',
        substrate: 'wc-fine-10co',
        fz_window_mm: toothFeeds(d, 0.0033, 0.013),
        price: solidPrice(d, 1.6 * (1 + 0.1 * (long - 2))),
      },
      suits_iso_groups: ['P', 'M', 'N', 'S', 'H'],
      note: '',
    };
    return {
      cutter,
      followed: [
        follows('Diameter', d, 'mm', '91% of the hole before threading'),
        follows('Toothed length', toothed, 'mm', 'whole pitches'),
        shankFollows(shank),
        follows('Rated speed', cutter.properties.RPMX!, 'rpm', '375 m/min at the rim'),
        priceFollows(cutter, 'by diameter and depth'),
      ],
    };
  },
};
