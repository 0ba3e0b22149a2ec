import { type HoleDemand, threadWanted } from './hole-demand.ts';
import { plainRecipes } from './plain-recipes.ts';
import type { Recipe } from './recipe.ts';
import type { Shop } from './shop.ts';
import { threadRecipes } from './thread-recipes.ts';

/** Every way Burl knows to make a hole. */
export function recipesFor(shop: Shop, demand: HoleDemand): Recipe[] {
  const thread = threadWanted(demand);
  return thread ? threadRecipes(shop, demand, thread) : plainRecipes(shop, demand);
}
