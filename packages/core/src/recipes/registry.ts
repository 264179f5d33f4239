import { basePanels } from './base-panels/basePanels.ts';
import { matStack } from './mat-stack/matStack.ts';
import { photo } from './photo/photo.ts';

/** Every construction Temnex knows, in the order of the work. To add one: a folder beside these, and a line here. */
export const RECIPES = { photo, 'mat-stack': matStack, 'base-panels': basePanels } as const;
export type RecipeId = keyof typeof RECIPES;
export const RECIPE_IDS = Object.keys(RECIPES) as RecipeId[];
