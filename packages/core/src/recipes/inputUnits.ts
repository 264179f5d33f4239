import { withUnitNamed, type Unit } from '../length/index.ts';
import { withValue } from './fields.ts';
import type { RecipeId } from './ids.ts';
import { recipeOf } from './registry.ts';

/** The input of a recipe with every bare length named in the unit in which it was typed. */
export const nameInputUnits = (recipe: RecipeId, input: unknown, unit: Unit): unknown =>
  recipeOf(recipe)
    .fields(input)
    .reduce(
      (next, f) =>
        f.kind === 'length' && f.value !== undefined ? withValue(next, f.path, withUnitNamed(f.value, unit)) : next,
      input,
    );
