import { lengthNamed, unitOfLine } from '../length/index.ts';
import { hear, sizeAt, tokensOf } from '../line/index.ts';
import { inputNamed } from './named.ts';
import type { Said, Table } from './recipe.ts';
import { RECIPE_IDS, recipeOf, type RecipeId } from './registry.ts';

/** What was understood of a line, and by which recipe. */
export interface SaidLine {
  /** Sheets of a size that it is to come from, where that was said; as it was typed. */
  readonly sheet: { readonly width: string; readonly height: string } | null;
  readonly recipe: RecipeId;
  readonly said: Said<unknown>;
}

/**
 * Which recipe a line is about, and what it understood; null where none knows it. Of several that understand it, the one that knew
 * most of its words; of several that do not, the one that came nearest says what it did not understand.
 */
export function sayRecipe(line: string, table: Table, newId: () => string): SaidLine | null {
  const unit = unitOfLine(line, table.unit);
  const tokens = tokensOf(line);
  const named = (text: string) => (unit === table.unit ? text : String(lengthNamed(text, unit)));
  let best: (SaidLine & { readonly rank: number }) | null = null;
  for (const id of RECIPE_IDS) {
    const recipe = recipeOf(id);
    const heard = hear(tokens, recipe.grammar, unit);
    if (!heard) continue;
    const read = heard.ok ? recipe.read(heard.heard, { ...table, unit }, newId) : null;
    // more layers than it can have, and the like
    const input = read !== null && recipe.input.safeParse(read).success ? read : null;
    // said in another unit than the page's, a bare number keeps its meaning by that unit's name
    const said: Said<unknown> = !heard.ok
      ? { ok: false, problem: heard.problem }
      : input === null
        ? { ok: false, problem: { code: 'phrase-unreadable', text: line.trim() } }
        : { ok: true, input: unit === table.unit ? input : inputNamed(id, input, unit) };
    // of two that know as much of it, one that can be
    const can = said.ok && recipe.solve(said.input, table).status === 'solved';
    const rank = heard.known + (said.ok ? 1000 : 0) + (can ? 0.5 : 0);
    const from = heard.ok ? sizeAt(heard.heard, 'sheet') : null;
    const sheet = from && { width: named(from.width), height: named(from.height) };
    if (!best || rank > best.rank) best = { recipe: id, said, sheet, rank };
  }
  return best && { recipe: best.recipe, said: best.said, sheet: best.sheet };
}
