import { unitOfLine } from '../length/index.ts';
import { inputNamed } from './named.ts';
import type { Said, Table } from './recipe.ts';
import { RECIPE_IDS, recipeOf, type RecipeId } from './registry.ts';

/** Which recipe a line is about, and what it understood; null where none knows it. */
export function sayRecipe(
  line: string,
  table: Table,
  newId: () => string,
): { readonly recipe: RecipeId; readonly said: Said<unknown> } | null {
  const unit = unitOfLine(line, table.unit);
  for (const id of RECIPE_IDS) {
    const said = recipeOf(id).say(line, { ...table, unit }, newId);
    if (!said) continue;
    // said in another unit than the page's, a bare number keeps its meaning by that unit's name
    const named = said.ok && unit !== table.unit ? { ...said, input: inputNamed(id, said.input, unit) } : said;
    return { recipe: id, said: named };
  }
  return null;
}
