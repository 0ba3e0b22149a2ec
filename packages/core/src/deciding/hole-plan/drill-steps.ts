import { isDrill, outerDiameter } from '../../crib/cutter.ts';
import { type HoleDemand, nominalOf, threadWanted, toleranceOf } from './hole-demand.ts';
import { holeOf, mm, type RecipeStep } from './recipe.ts';
import { type Shop, wanted } from './shop.ts';

/** Diameters deep from which carbide, and high-speed steel, want a pilot. Rule G-61. */
const PILOT_FROM = 5;
const NEVER_WITHOUT = 8;

/** A drill of a size: for the hole itself where it `finishes`, else for what comes after. */
export const drillStep = (
  shop: Shop,
  d: HoleDemand,
  size: { readonly wanted: number; readonly low: number; readonly high: number },
  depthMm: number,
  finishes: boolean,
  piloted: boolean,
  peck: 'plan' | 'none',
): RecipeStep => {
  const reach = depthMm + (d.through ? 1 : 0);
  // Nearest in size first.
  const found = wanted(
    shop,
    `a drill of ${mm(size.low)} to ${mm(size.high)} that reaches ${mm(depthMm)}`,
    (c) => {
      const d = c.properties.DC ?? 0;
      return isDrill(c) && d >= size.low - 1e-6 && d <= size.high + 1e-6 && (c.properties.LU ?? 0) >= reach;
    },
    (c) => Math.round(Math.abs((c.properties.DC ?? 0) - size.wanted) * 50),
  );
  return {
    key: 'drill',
    name: `Drill ${mm(found.tools[0]?.properties.DC ?? size.wanted)}`,
    ...found,
    depthMm: reach,
    optional: false,
    draft: (c) => ({
      kind: 'drilling',
      role: 'drill',
      followedByDeg: null,
      hole: holeOf(d, {
        diameterMm: c.properties.DC ?? size.wanted,
        depthMm,
        piloted,
        toleranceMm: finishes ? toleranceOf(d) : null,
        raUm: null,
      }),
      cut: { speedRpm: 500, feedPerRevMm: 0.05, peck, breakthroughFeed: 1 },
    }),
  };
};

/** Spot or pilot before a drill, where depth or surface asks for one. */
function startSteps(shop: Shop, d: HoleDemand, drill: RecipeStep): RecipeStep[] {
  const size = drill.tools[0]?.properties.DC ?? nominalOf(d);
  const deep = drill.depthMm / size;
  const steel = drill.tools[0]?.type === 'drill_hss';
  const slope = d.entryAngleDeg > 3 || d.entrySurface === 'curved';
  const point = drill.tools[0]?.properties.SIG ?? 140;
  if (deep > PILOT_FROM || (slope && !steel)) {
    const depth = (deep > 12 ? 3 : 1.5) * size;
    return [
      {
        key: 'pilot',
        name: `Pilot ${mm(size)}`,
        // A pilot is cut by a short drill of the same size with a point no sharper than the next.
        ...wanted(
          shop,
          `a short drill of ${mm(size)} with a point of ${point}° or more for the pilot`,
          (c) =>
            isDrill(c) &&
            c.type !== 'drill_indexable' &&
            (c.properties.DC ?? 0) >= size - 0.001 &&
            (c.properties.DC ?? 0) <= size + 0.06 &&
            (c.properties.SIG ?? 140) >= point &&
            (c.properties.LU ?? 0) >= depth &&
            (c.properties.LU ?? 0) <= 5.5 * size,
        ),
        depthMm: depth,
        optional: deep <= NEVER_WITHOUT && !slope,
        draft: (c) => ({
          kind: 'drilling',
          role: 'pilot',
          followedByDeg: point,
          hole: holeOf(d, {
            diameterMm: c.properties.DC ?? size,
            depthMm: depth,
            through: false,
            crossHoles: 0,
            straightnessMm: null,
          }),
          cut: { speedRpm: 500, feedPerRevMm: 0.05, peck: 'none', breakthroughFeed: 1 },
        }),
      },
    ];
  }
  if (!steel) return [];
  const wide = Math.min(size, 0.6 * size + 1);
  return [
    {
      key: 'spot',
      name: 'Spot',
      // A plain 118° drill stands a sharp spot; anything flatter wants one no sharper than itself.
      ...wanted(
        shop,
        'a spotting drill',
        (c) =>
          c.type === 'spot_drill' &&
          (c.properties.DC ?? 0) >= wide &&
          (point <= 120 || (c.properties.SIG ?? 90) >= point),
      ),
      depthMm: wide / 2,
      optional: true,
      draft: (c) => ({
        kind: 'drilling',
        role: 'spot',
        followedByDeg: point,
        hole: holeOf(d, {
          diameterMm: wide,
          depthMm: wide / 2 / Math.tan((((c.properties.SIG ?? 90) / 2) * Math.PI) / 180),
          through: false,
          crossHoles: 0,
          straightnessMm: null,
        }),
        cut: { speedRpm: 500, feedPerRevMm: 0.05, peck: 'none', breakthroughFeed: 1 },
      }),
    },
  ];
}

/** Chamfer mills a shop keeps in the magazine go to about this, mm. */
const LARGEST_CHAMFER = 12;

/** The edge broken by a chamfer mill, where the drawing or a thread asks for it. */
export function chamferStep(shop: Shop, d: HoleDemand, holeMm: number): RecipeStep[] {
  const pitch = threadWanted(d)?.pitchMm ?? 0;
  // Half a pitch before a thread whatever the drawing says: the drill's hard lip must go. Rule G-68.
  const width = Math.max(d.chamferMm, pitch > 0 ? (nominalOf(d) - holeMm) / 2 + 0.25 * pitch : 0);
  if (width <= 0) return [];
  return [
    {
      key: 'chamfer',
      name: `Chamfer ${mm(width)}`,
      ...wanted(
        shop,
        `a chamfer mill whose tip goes into ${mm(holeMm)}`,
        (c) =>
          c.type === 'chamfer_mill' &&
          (c.properties.DC ?? 0) + 2 <= holeMm &&
          (outerDiameter(c) - (c.properties.DC ?? 0)) / 2 >= width + 1,
        // One of about the hole’s size stands stiffer than the smallest that would do.
        (c) => Math.abs(outerDiameter(c) - Math.min(LARGEST_CHAMFER, Math.max(4, holeMm))),
      ),
      depthMm: width,
      optional: true,
      draft: () => ({
        kind: 'chamfering',
        hole: holeOf(d, {
          diameterMm: holeMm,
          depthMm: width,
          through: false,
          crossHoles: 0,
          straightnessMm: null,
        }),
        cut: { speedRpm: 500, feedPerToothMm: 0.05, widthMm: width },
      }),
    },
  ];
}

/** Diameter of a drill as it will be used: of the first tool that can. */
export const drilled = (step: RecipeStep, otherwise: number): number =>
  step.tools[0]?.properties.DC ?? otherwise;

/** The drill with the spot or pilot it asks for. */
export function drillAndStart(
  shop: Shop,
  d: HoleDemand,
  make: (piloted: boolean) => RecipeStep,
): RecipeStep[] {
  const start = startSteps(shop, d, make(false));
  return [...start, make(start.length > 0)];
}
