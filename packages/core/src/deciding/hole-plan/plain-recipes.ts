import { reamAllowance } from '../../physics/holes/reaming.ts';
import { chamferStep, drillAndStart, drilled, drillStep } from './drill-steps.ts';
import { type HoleDemand, toleranceOf } from './hole-demand.ts';
import { milledRecipes } from './milled-recipes.ts';
import { holeOf, mm, type Recipe, type RecipeStep } from './recipe.ts';
import { type Shop, wanted } from './shop.ts';

/** Ways to a plain hole. */
export function plainRecipes(shop: Shop, d: HoleDemand): Recipe[] {
  const D = d.diameterMm;
  const list: Recipe[] = [];
  const exact = { wanted: D, low: D - 0.02, high: D + 0.05 };
  const drill =
    (peck: 'plan' | 'none') =>
    (piloted: boolean): RecipeStep =>
      drillStep(shop, d, exact, d.depthMm, true, piloted, peck);
  const finish = chamferStep(shop, d, D);
  list.push({
    id: 'drill',
    name: 'Drill without pecking',
    steps: [...drillAndStart(shop, d, drill('none')), ...finish],
  });
  list.push({
    id: 'peck',
    name: 'Drill with planned pecks',
    steps: [...drillAndStart(shop, d, drill('plan')), ...finish],
  });
  list.push(...stepRecipe(shop, d, drill('plan')(true), finish));
  const [low, usual, high] = reamAllowance(D, undefined, shop.alloy.work_hardening.tendency);
  const before = { wanted: D - usual, low: D - 1.25 * high, high: D - low };
  const fine = (d.grade !== null && d.grade <= 9) || (d.raUm !== null && d.raUm <= 1.6);
  if (fine) {
    const drillFirst = drillAndStart(shop, d, (piloted) =>
      drillStep(shop, d, before, d.depthMm + (d.through ? 0 : 0.3 * D), false, piloted, 'plan'),
    );
    list.push({
      id: 'drill-ream',
      name: 'Drill and ream',
      steps: [
        ...drillFirst,
        ...chamferStep(shop, d, D),
        {
          key: 'ream',
          name: `Ream ${mm(D)}`,
          ...wanted(
            shop,
            `a reamer of ${mm(D)} that reaches ${mm(d.depthMm)}${d.through ? '' : ', with straight flutes for a blind hole'}`,
            (c) =>
              c.type === 'reamer' &&
              Math.abs((c.properties.DC ?? 0) - D) <= 0.03 &&
              (c.properties.LU ?? 0) >= d.depthMm &&
              (d.through || (c.properties.FHA ?? 0) >= -1),
          ),
          depthMm: d.depthMm + (d.through ? 2 : 0),
          optional: false,
          draft: (_, madeMm) => ({
            kind: 'reaming',
            hole: holeOf(d, { startMm: madeMm, piloted: true, toleranceMm: toleranceOf(d), raUm: d.raUm }),
            cut: { speedRpm: 200, feedPerRevMm: 0.2, outFeed: 1.5 },
          }),
        },
      ],
    });
  }
  list.push(...milledRecipes(shop, d, fine, finish));
  return list;
}

/** Diameter from which a hole is worth drilling in two steps, mm: thrust of the second is without its chisel edge. */
const STEP_FROM = 12;

/** A smaller drill first, then the hole's own over it: less thrust for a weak spindle or a thin floor. */
function stepRecipe(shop: Shop, d: HoleDemand, whole: RecipeStep, finish: readonly RecipeStep[]): Recipe[] {
  const D = d.diameterMm;
  if (D < STEP_FROM || whole.tools.length === 0) return [];
  const first = drillAndStart(shop, d, (piloted) =>
    drillStep(
      shop,
      d,
      { wanted: 0.55 * D, low: 0.35 * D, high: 0.75 * D },
      d.depthMm,
      false,
      piloted,
      'plan',
    ),
  );
  const enlarge: RecipeStep = {
    ...whole,
    key: 'enlarge',
    name: `Enlarge to ${mm(drilled(whole, D))}`,
    draft: (c, madeMm) => {
      const draft = whole.draft(c, 0);
      return { ...draft, hole: { ...draft.hole, startMm: madeMm, piloted: true } };
    },
  };
  return [{ id: 'step-drill', name: 'Drill in two steps', steps: [...first, enlarge, ...finish] }];
}
