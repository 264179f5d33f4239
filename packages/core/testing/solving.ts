import { MARKS, inches } from '../src/length/index.ts';
import { fieldKey } from '../src/recipes/index.ts';
import type { RecipeSolution, LayoutContext } from '../src/recipes/index.ts';

/** A 12 × 12 page in sixteenths of an inch. */
export const PAGE: LayoutContext = {
  unit: 'in',
  mark: MARKS['1/16'],
  room: { width: inches(12), height: inches(12), seams: [] },
};

type Done = Extract<RecipeSolution, { status: 'solved' }>;

/** What was solved; throws with what was refused. */
export function solved(result: RecipeSolution): Done {
  if (result.status !== 'solved') throw new Error(JSON.stringify(result.problems));
  return result;
}

/** A value in inches, as a float. */
export function inInches(result: RecipeSolution, ...path: (string | number)[]): number {
  const value = solved(result).values.get(fieldKey(path));
  if (!value) throw new Error(`nothing at ${path.join('.')}`);
  return Number(value.n) / Number(value.d) / inches(1);
}

/** The lengths or numbers of a fact. */
export const fact = (result: RecipeSolution, name: string): readonly number[] | undefined =>
  solved(result).laid.facts.find((f) => f.name === name)?.lengths;
