import { useSyncExternalStore } from 'react';
import { fetchRecipes, recipesKnown } from '@temnex/core';

/*
 * The first view begins with one construction; the code of the others is fetched once it is there, and before every other view.
 */

const waiting = new Set<() => void>();
let fetching: Promise<void> | null = null;

/** All of them, fetched once; asked for again where that failed. */
export function recipesFetched(): Promise<void> {
  fetching ??= fetchRecipes().then(
    () => waiting.forEach((tell) => tell()),
    (error: unknown) => {
      fetching = null;
      throw error;
    },
  );
  return fetching;
}

/** With another view: `withRecipes(() => import('./PageStation.tsx'))`. */
export const withRecipes = async <Module>(view: () => Promise<Module>): Promise<Module> =>
  (await Promise.all([view(), recipesFetched()]))[0];

/** Whether they are there. */
export const useRecipesKnown = (): boolean => useSyncExternalStore(subscribe, recipesKnown, recipesKnown);
function subscribe(tell: () => void): () => void {
  waiting.add(tell);
  return () => waiting.delete(tell);
}
