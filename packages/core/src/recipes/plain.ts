import type { Recipe } from './recipe.ts';
import { withValue } from './fields.ts';

/** What most recipes have in common: no lists, nothing beneath a page, nothing that follows from a paper, values put where they belong. */
export const PLAIN = {
  version: 1,
  migrations: [],
  beneath: null,
  lists: () => [],
  entry: (_input, _list, _table, id) => ({ id }),
  put: (input, path, value) => withValue(input, path, value),
  loosened: () => null,
  toComeFrom: () => [],
  onward: () => [],
} as const satisfies Partial<Recipe>;
