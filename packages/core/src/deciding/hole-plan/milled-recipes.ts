import { outerDiameter } from '../../crib/cutter.ts';
import { drillAndStart, drillStep } from './drill-steps.ts';
import { type HoleDemand, toleranceOf } from './hole-demand.ts';
import { holeOf, mm, type Recipe, type RecipeStep } from './recipe.ts';
import { type Shop, wanted } from './shop.ts';

/** A hole milled on a helix, and a bored one after it or after a drill. */
export function milledRecipes(
  shop: Shop,
  d: HoleDemand,
  fine: boolean,
  finish: readonly RecipeStep[],
): Recipe[] {
  const D = d.diameterMm;
  const past = d.through ? 1.5 : 0;
  const mill = (target: number, name: string, toleranceMm: number | null): RecipeStep => ({
    key: 'mill',
    name,
    ...wanted(
      shop,
      `an end mill under ${mm(target / 1.2)} that reaches ${mm(d.depthMm + past)}`,
      (c) =>
        (c.type === 'end_mill_flat' || c.type === 'end_mill_bull') &&
        outerDiameter(c) <= target / 1.2 &&
        outerDiameter(c) >= target / 6 &&
        (c.properties.LU ?? 0) >= d.depthMm + past &&
        c.extended.centre_cutting !== false,
      // Two thirds of the hole leaves no core and room for chips; a larger mill is stiffer.
      (c) => Math.round(Math.abs(outerDiameter(c) / target - 0.65) * 20),
    ),
    depthMm: d.depthMm + past,
    optional: false,
    draft: (c) => ({
      kind: 'hole-milling',
      hole: holeOf(d, { diameterMm: target, toleranceMm, raUm: null }),
      cut: {
        speedRpm: 500,
        feedPerToothMm: 0.03,
        pitchMm: 0.2,
        stepovers: Math.max(1, Math.ceil((target / outerDiameter(c) - 2) / 0.8) + 1),
        springPasses: 0,
        pastFloorMm: past,
      },
    }),
  });
  const list: Recipe[] = [
    {
      id: 'mill',
      name: 'Helical milling',
      steps: [mill(D, `Mill ${mm(D)} helically`, toleranceOf(d)), ...finish],
    },
  ];
  if (!fine) return list;
  const leave = D - 0.5;
  const bars = wanted(
    shop,
    `a boring bar for ${mm(leave)} that reaches ${mm(d.depthMm)}`,
    (c) =>
      c.type === 'boring_bar' &&
      Number(c.properties['DMIN'] ?? Infinity) <= leave &&
      (c.properties.LF ?? 0) >= d.depthMm + 2,
  );
  const bore: RecipeStep = {
    key: 'bore',
    name: `Bore ${mm(D)}`,
    ...bars,
    depthMm: d.depthMm,
    optional: false,
    draft: (_, madeMm) => ({
      kind: 'boring',
      hole: holeOf(d, { startMm: madeMm, piloted: true, toleranceMm: toleranceOf(d), raUm: d.raUm }),
      cut: { speedRpm: 200, feedPerRevMm: 0.08, passes: 1, springPasses: 0 },
    }),
  };
  list.push({
    id: 'mill-bore',
    name: 'Mill and bore',
    steps: [mill(leave, `Mill ${mm(leave)} helically`, null), ...finish, bore],
  });
  const step = { wanted: leave, low: D - 1.5, high: D - 0.2 };
  const first = drillAndStart(shop, d, (piloted) =>
    drillStep(shop, d, step, d.depthMm, false, piloted, 'plan'),
  );
  list.push({
    id: 'drill-bore',
    name: 'Drill and bore',
    steps: [...first, ...finish, bore],
  });
  return list;
}
