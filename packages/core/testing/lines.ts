import { recipeOf, type RecipeId } from '../src/recipes/index.ts';

/** All that is given by an input, `count 5, row.gap 1/4`; what is usual, as a value or as a whole, is left out. */
export const givenBy = (recipe: RecipeId, input: unknown, usual: readonly string[]): string =>
  recipeOf(recipe)
    .fields(input)
    .filter((f) => f.value !== undefined && !(f.kind === 'choice' && usual.includes(f.value)))
    .map((f) => `${f.path.join('.')} ${f.value}`)
    .filter((said) => !usual.includes(said))
    .join(', ');
