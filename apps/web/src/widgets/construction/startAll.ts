import { RECIPE_IDS, recipeOf, type LaidOut, type RecipeId, type LayoutContext } from '@temnex/core/recipes';

export interface StartedConstruction {
  readonly id: RecipeId;
  readonly laid: LaidOut | null;
}

/** Every construction as a newcomer sees it first, in the order of practice. */
export function startAll(table: LayoutContext): readonly StartedConstruction[] {
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
