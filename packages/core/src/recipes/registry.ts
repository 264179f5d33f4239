import type { z } from 'zod';
import { bannerStrip } from './banner-strip/bannerStrip.ts';
import { basePanels } from './base-panels/basePanels.ts';
import { blockBand } from './block-band/blockBand.ts';
import { borderStrip } from './border-strip/borderStrip.ts';
import { builtUp } from './built-up/builtUp.ts';
import { halfBase } from './half-base/halfBase.ts';
import { hollowMat } from './hollow-mat/hollowMat.ts';
import { matStack } from './mat-stack/matStack.ts';
import { photo } from './photo/photo.ts';
import { stripFrame } from './strip-frame/stripFrame.ts';
import { strips } from './strips/strips.ts';
import type { Recipe } from './recipe.ts';

/** Every construction Temnex knows, in the order of the work. To add one: a folder beside these, and a line here. */
const KNOWN = {
  photo,
  'mat-stack': matStack,
  'base-panels': basePanels,
  'hollow-mat': hollowMat,
  'half-base': halfBase,
  'built-up': builtUp,
  'block-band': blockBand,
  strips,
  'banner-strip': bannerStrip,
  'border-strip': borderStrip,
  'strip-frame': stripFrame,
} as const;

export type RecipeId = keyof typeof KNOWN;
export const RECIPE_IDS = Object.keys(KNOWN) as [RecipeId, ...RecipeId[]];
export type InputOf<Id extends RecipeId> = z.infer<(typeof KNOWN)[Id]['input']>;

/** A recipe as everything outside its folder sees it: its input is data, checked by its schema when it came in. */
export type AnyRecipe = Recipe<RecipeId, unknown>;
export const recipeOf = (id: RecipeId): AnyRecipe => KNOWN[id] as unknown as AnyRecipe;

/** What one begins with who has said nothing yet. */
export const FIRST_RECIPE: RecipeId = 'mat-stack';
