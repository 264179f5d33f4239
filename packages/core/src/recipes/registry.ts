import type { z } from 'zod';
import { RECIPES } from './allRecipes.ts';
import type { RecipeId } from './ids.ts';
import type { Recipe } from './recipe.ts';

export type InputOf<Id extends RecipeId> = z.infer<(typeof RECIPES)[Id]['input']>;

/** A recipe as everything outside its folder sees it: its input is data, checked by its schema when it came in. */
export type AnyRecipe = Recipe<RecipeId, unknown>;

export const recipeOf = (id: RecipeId): AnyRecipe => RECIPES[id] as unknown as AnyRecipe;
