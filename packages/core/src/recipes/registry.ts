import type { z } from 'zod';
// known.ts, or known.lean.ts: see the package's imports
import { KNOWN, fetchKnown } from '#known';
import { RECIPE_IDS, type RecipeId } from './ids.ts';
import type { KNOWN as ALL } from './known.ts';
import type { Recipe } from './recipe.ts';

export type InputOf<Id extends RecipeId> = z.infer<(typeof ALL)[Id]['input']>;

/** A recipe as everything outside its folder sees it: its input is data, checked by its schema when it came in. */
export type AnyRecipe = Recipe<RecipeId, unknown>;

/** Where they are fetched (known.lean.ts), all but the first one throw until they have come. */
export function recipeOf(id: RecipeId): AnyRecipe {
  const recipe = (KNOWN as Partial<Record<RecipeId, unknown>>)[id];
  if (!recipe) throw new Error(`the recipe ${id} has not been fetched yet`);
  return recipe as AnyRecipe;
}
/** Whether every one of them is there; until then only the first is. */
export const recipesKnown = (): boolean => RECIPE_IDS.every((id) => id in KNOWN);
export const fetchRecipes = (): Promise<void> => fetchKnown();
