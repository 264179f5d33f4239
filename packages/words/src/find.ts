import { RECIPE_IDS, recipeOf, type RecipeId } from '@temnex/core/recipes';
import { recipeText } from './recipes/index.ts';

const wordsOf = (text: string): string[] => text.toLowerCase().match(/[\p{L}-]+/gu) ?? [];
/** So that "frames" finds a frame. */
const plain = (word: string): string => (word.length > 3 ? word.replace(/(?<!s)s$/, '') : word);
/** Said on the way to what one wants. */
const AROUND = new Set(
  'i a an the of for to my me we some want need would like make row how many much do with and in on is it what'.split(
    ' ',
  ),
);

/** Those that a line may be about which holds no number yet; none where it is about anything, or says something already. */
export function findMentionedConstructions(line: string): RecipeId[] {
  if (/\d/.test(line)) return [];
  const found = suggestConstructions(line);
  return found.length < RECIPE_IDS.length ? found : [];
}

/**
 * The constructions that somebody means who begins to say what they want, best first: what they are called counts more than what
 * is said of them in a line, and that more than what one can ask of them. Nothing said: all, in the order of practice.
 */
export function suggestConstructions(said: string): RecipeId[] {
  const wanted = wordsOf(said)
    .filter((word) => !AROUND.has(word))
    .map(plain);
  if (!wanted.length) return [...RECIPE_IDS];
  const found = RECIPE_IDS.map((id) => {
    const { title, asks } = recipeText(id);
    const heads = recipeOf(id).grammar.heads;
    const of = (words: readonly string[], word: string) => words.some((w) => plain(w).startsWith(word));
    const weigh = (word: string): number =>
      of(wordsOf(title), word) ? 9 : of(heads, word) ? 5 : of(wordsOf(asks), word) ? 1 : 0;
    return { id, weight: wanted.reduce((sum, word) => sum + weigh(word), 0) };
  });
  return found
    .filter(({ weight }) => weight > 0)
    .sort((a, b) => b.weight - a.weight)
    .map(({ id }) => id);
}
