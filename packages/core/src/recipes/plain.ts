import {
  exact,
  formatExactLength,
  lengthOf,
  roundExact,
  roundToMark,
  ticks,
  type Exact,
  type Ticks,
} from '../length/index.ts';
import { fieldKey, withValue, type FieldPath } from './fields.ts';
import { collectSumProblems } from './nested.ts';
import type { Arithmetic, Offer, Recipe, RecipeProblem, RecipeSolution, Suggestion, LayoutContext } from './recipe.ts';
import { solveSums } from './sums.ts';

/** What most recipes have in common: no lists, nothing beneath a page, nothing that follows from a paper, values put where they belong. */
export const PLAIN_RECIPE = {
  version: 1,
  migrations: [],
  beneath: null,
  advice: [],
  hand: null,
  takesOutline: null,
  lists: () => [],
  entry: (_input, _list, _table, id) => ({ id }),
  put: (input, path, value) => withValue(input, path, value),
  loosened: () => null,
  toComeFrom: () => [],
  onward: () => [],
} as const satisfies Partial<Recipe>;

/** Why it cannot be, and what would help. */
export const makeRefusal = (
  problems: readonly RecipeProblem[],
  offers: readonly Offer[] = [],
): Extract<RecipeSolution, { status: 'refused' }> => ({ status: 'refused', problems, offers, instead: null });

/** The sums of an input worked out: every length by its field, to the nearest tick where it is asked for so. */
export function solveLengths(lines: Arithmetic) {
  const solution = solveSums(lines.equations, lines.givens);
  const exactly = (path: FieldPath): Exact => solution.values.get(fieldKey(path)) ?? exact(0);
  return {
    solution,
    problems: collectSumProblems(lines, solution),
    exactly,
    near: (path: FieldPath): Ticks => roundExact(exactly(path), 'nearest'),
    /** Whether a length was worked out, and so goes to a mark. */
    follows: (path: FieldPath): boolean => solution.sums.has(fieldKey(path)),
  };
}

/** Those of the sizes at these paths that come to nothing, as problems. */
export const findNotPositive = (at: readonly FieldPath[], near: (path: FieldPath) => Ticks): RecipeProblem[] =>
  at.filter((path) => near(path) <= 0).map((path) => ({ code: 'size-not-positive', path, size: near(path) }));

/** Why only this recipe refuses: one of its reasons, with lengths or numbers to the nearest whole one. */
export const ownProblem = (why: string, path: FieldPath, ...lengths: number[]): RecipeProblem => ({
  code: 'own',
  why,
  path,
  lengths: lengths.map((l) => ticks(Math.round(l))),
});

/** What only this recipe advises. */
export const ownAdvice = (why: string, path: FieldPath, ...lengths: number[]): Suggestion => ({
  code: 'own',
  why,
  path,
  lengths: lengths.map((l) => ticks(Math.round(l))),
});

/** As it is wished, or no more than that, on the mark below, as one would type it. */
export const capLength = (wished: string, most: number, { unit, mark }: LayoutContext): string =>
  formatExactLength(ticks(Math.min(lengthOf(wished, unit), roundToMark(ticks(Math.floor(most)), mark, 'down'))), unit);
