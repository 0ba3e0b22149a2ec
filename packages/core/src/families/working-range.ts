import type { Cutter } from '../crib/cutter.ts';
import { backChamferFamily, dovetailFamily } from './angled-mills.ts';
import { ballNoseFamily } from './ball-nose.ts';
import { barrelFamily } from './barrel.ts';
import { chamferMillFamily } from './chamfer-mill.ts';
import { drillFamily } from './drill.ts';
import { endMillFamily, GRINDS } from './end-mill.ts';
import { faceMillFamily } from './face-mill.ts';
import { type CutterFamily, type Given, ofFamily } from './family.ts';
import { cornerRoundingFamily, engraverFamily } from './form-mills.ts';
import { lollipopFamily, slotCutterFamily } from './necked-mills.ts';
import { reamerFamily } from './reamer.ts';
import { tapFamily } from './tap.ts';
import { threadMillFamily } from './thread-mill.ts';
import { cutHole, formHole, THREADS } from './thread-tool.ts';

const END_MILLS = [1, 1.5, 2, 2.5, 3, 4, 5, 6, 8, 10, 12, 14, 16, 18, 20, 25] as const;
const BALLS = [1, 1.5, 2, 3, 4, 5, 6, 8, 10, 12, 16, 20] as const;

/** Flutes each grind is made with, from which diameter on. */
const FLUTES: Readonly<Record<string, readonly (readonly [flutes: number, from: number, to?: number])[]>> = {
  aluminium: [
    [1, 2, 8],
    [2, 1],
    [3, 3],
    [4, 16],
  ],
  steel: [
    [2, 1],
    [3, 2],
    [4, 2],
    [5, 6],
    [6, 8],
    [8, 16],
  ],
  stainless: [
    [3, 2, 12],
    [4, 2],
    [5, 6],
    [7, 10],
  ],
  titanium: [
    [4, 3],
    [5, 6],
    [6, 8],
    [7, 10],
    [9, 16],
  ],
  hard: [
    [2, 1, 3],
    [4, 2],
    [6, 6],
    [8, 12],
  ],
};

/** Corner radii bull noses come with, mm; those a diameter carries are a sixth of it at most. */
const CORNERS = [0.2, 0.5, 1, 2, 3, 4] as const;
const CORNER_OVER_D = [0.03, 0.18] as const;
/** Balls on a cone, mm, and the cone's angle a side, degrees. */
const TAPER_BALLS = [2, 4, 6] as const;
const TAPER_DEG = 5;
/** Long tools, in diameters. */
const LONG = 5;

function endMills(): Cutter[] {
  const list: Cutter[] = [];
  const make = (given: Given): number => list.push(ofFamily(endMillFamily, given).cutter);
  for (const ground of Object.keys(GRINDS))
    for (const [flutes, from, to = Infinity] of FLUTES[ground]!)
      for (const diameter of END_MILLS.filter((d) => d >= from && d <= to)) {
        const given = { ground, diameter, flutes };
        make(given);
        if (flutes >= 2 && flutes <= 6 && diameter >= 3) make({ ...given, reach: LONG * diameter });
        if (ground === 'aluminium' || flutes < 4 || diameter > 20) continue;
        for (const corner of CORNERS)
          if (corner >= CORNER_OVER_D[0] * diameter && corner <= CORNER_OVER_D[1] * diameter)
            make({ ...given, corner });
      }
  return list;
}

function ballNoses(): Cutter[] {
  const kinds = [
    ['steel', 2],
    ['steel', 4],
    ['hard', 2],
    ['aluminium', 2],
    ['titanium', 4],
  ] as const;
  const straight = kinds.flatMap(([ground, flutes]) =>
    BALLS.filter((d) => flutes === 2 || d >= 3).flatMap((diameter) => [
      ofFamily(ballNoseFamily, { ground, diameter, flutes }).cutter,
      ...(diameter >= 2
        ? [ofFamily(ballNoseFamily, { ground, diameter, flutes, reach: LONG * diameter }).cutter]
        : []),
    ]),
  );
  // On a cone, for edges and fillets at the foot of walls.
  const tapered = kinds.flatMap(([ground, flutes]) =>
    TAPER_BALLS.map(
      (diameter) =>
        ofFamily(ballNoseFamily, { ground, diameter, flutes, taper: TAPER_DEG, reach: LONG * diameter })
          .cutter,
    ),
  );
  return [...straight, ...tapered];
}

/** Sizes by the tenth, and the holes before threads that lie between them, mm. */
function drillSizes(): number[] {
  const tenths = Array.from({ length: 191 }, (_, i) => (10 + i) / 10);
  const cores = THREADS.filter((t) => t.majorMm <= 24).flatMap((t) => [cutHole(t), formHole(t)]);
  return [...new Set([...tenths, ...cores])].filter((d) => d >= 1 && d <= 24).sort((a, b) => a - b);
}

const each = (family: CutterFamily, givens: readonly Given[]): Cutter[] =>
  givens.map((g) => ofFamily(family, g).cutter);

const inRange = THREADS.filter((t) => !/x/.test(t.designation));

/** Bolts of T-slots, by the head a cutter makes room for: diameter, width, neck, mm. DIN 650. */
const T_SLOTS = [
  [12.5, 6, 5],
  [16, 8, 7],
  [18, 8, 8],
  [21, 9, 10],
  [25, 11, 12],
  [32, 14, 15],
] as const;

/** Disc cutters for ring grooves in bores and walls: diameter, width, neck, mm. */
const RING_GROOVES = [
  [12, 1.3, 4.9],
  [12, 2.4, 4.9],
  [16, 1.9, 7],
  [16, 3.2, 7],
  [20, 2.4, 9],
  [20, 4.8, 9],
] as const;

/**
 * The working range of a shop in typical values: what its families make in the sizes that are kept. None is measured, none is anybody’s
 * product.
 */
export const workingRange = (): Cutter[] => [
  ...endMills(),
  ...ballNoses(),
  ...each(
    barrelFamily,
    ['tangent', 'taper', 'lens'].flatMap((shape) =>
      ['steel', 'titanium'].flatMap((ground) =>
        [6, 10, 12, 16].map((diameter) => ({ shape, ground, diameter })),
      ),
    ),
  ),
  ...each(
    faceMillFamily,
    [40, 50, 63, 80, 100, 125].flatMap((diameter) =>
      ['45', '45-wiper', '90'].map((shape) => ({ shape, diameter })),
    ),
  ),
  ...each(
    drillFamily,
    drillSizes().flatMap((diameter) =>
      ['3', '5', '8']
        .filter((depth) => diameter <= 20 || depth !== '8')
        .map((depth) => ({ depth, diameter })),
    ),
  ),
  ...each(
    tapFamily,
    inRange.flatMap((t) =>
      ['spiral-point', 'spiral-flute', ...(t.majorMm <= 16 ? ['forming'] : [])].map((kind) => ({
        kind,
        thread: t.designation,
      })),
    ),
  ),
  ...each(
    threadMillFamily,
    inRange.filter((t) => t.majorMm >= 3).map((t) => ({ thread: t.designation })),
  ),
  ...each(
    reamerFamily,
    Array.from({ length: 18 }, (_, i) => ({ diameter: 3 + i })),
  ),
  ...each(
    chamferMillFamily,
    [
      ['90', 4],
      ['90', 6],
      ['90', 8],
      ['90', 10],
      ['90', 16],
      ['90', 20],
      ['60', 10],
      ['120', 10],
    ].map(([angle, diameter]) => ({
      angle: angle!,
      diameter: diameter!,
      ...(Number(diameter) < 6 ? { flutes: 3 } : {}),
    })),
  ),
  ...each(
    slotCutterFamily,
    T_SLOTS.map(([diameter, width, neck]) => ({ diameter, width, neck })),
  ),
  ...each(
    lollipopFamily,
    [2, 3, 4, 6, 8, 10, 12].map((diameter) => ({ diameter })),
  ),
  ...each(
    backChamferFamily,
    [2, 3, 4, 6, 8, 10, 12, 16].map((diameter) => ({ diameter })),
  ),
  ...each(
    dovetailFamily,
    [
      ['45', 10],
      ['45', 16],
      ['45', 20],
      ['60', 10],
      ['60', 16],
      ['60', 20],
      // O-ring grooves with walls that hold the ring: 24° to the axis.
      ['66', 4],
      ['66', 6],
    ].map(([angle, diameter]) => ({ angle: angle!, diameter: diameter! })),
  ),
  ...each(
    cornerRoundingFamily,
    [0.5, 1, 1.5, 2, 3, 4, 5, 6].map((radius) => ({ radius })),
  ),
  ...each(
    engraverFamily,
    ['30', '60', '90'].flatMap((angle) => [0.1, 0.2].map((tip) => ({ angle, tip }))),
  ),
  ...each(
    slotCutterFamily,
    RING_GROOVES.map(([diameter, width, neck]) => ({ diameter, width, neck })),
  ),
];
