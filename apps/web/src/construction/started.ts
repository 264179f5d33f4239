import { RECIPE_IDS, recipeOf, type Laid, type RecipeId, type Table } from '@temnex/core';

export interface Started {
  readonly id: RecipeId;
  readonly laid: Laid | null;
}

/** Every construction as a newcomer sees it first, in the order of practice. */
export function startedOn(table: Table): readonly Started[] {
  let n = 0;
  return RECIPE_IDS.map((id) => {
    const recipe = recipeOf(id);
    const solved = recipe.solve(
      recipe.start(table, () => `c${++n}`),
      table,
    );
    return { id, laid: solved.status === 'solved' ? solved.laid : null };
  });
}
