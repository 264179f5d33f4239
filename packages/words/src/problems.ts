import type { LengthProblem } from '@temnex/core/length';
import type { Fact, Offer, RecipeId, RecipeProblem, LineReading, Suggestion } from '@temnex/core/recipes';
import type { ParsedBox, ParsedStock } from '@temnex/core/stock';
import type { PageProblem, PageSuggestion } from '@temnex/core/page';
import type { JobIssue } from '@temnex/core/planner';
import { describeField } from './fields.ts';
import { formatCount, formatLength, formatLengthWithDifference, formatSize, type Voice } from './lengths.ts';
import { formatList } from './list.ts';
import { recipeText } from './recipes/index.ts';

/** So many of what is not known are named. */
const FEW = 5;
/** What somebody sent, so that it can be shown: no control characters, and not for pages. */
const shown = (text: string): string => {
  const plain = text.replace(/\p{Cc}/gu, ' ');
  return plain.length > 60 ? `${plain.slice(0, 60)}…` : plain;
};
export const capitalize = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** What is wrong with a length, to follow the name of its field: "width: "4 1/0" is not a length". */
export function describeLengthProblem(problem: LengthProblem, voice: Voice): string {
  switch (problem.code) {
    case 'length-missing':
      return 'needs a length';
    case 'length-unreadable':
      return `"${problem.text}" is not a length; try 4 3/8, 4.375 or 111 mm`;
    case 'length-not-positive':
      return `"${problem.text}" must be more than 0`;
    case 'length-too-large':
      return `"${problem.text}" is more than ${formatLength(problem.most, voice)}, longer than anything cut on a table`;
  }
}

/** What follows from a construction, in its own words; every length that is not on a mark says so. Empty: nothing worth a word. */
export const describeFact = (recipe: RecipeId, { name, lengths }: Fact, voice: Voice): string | null =>
  recipeText(recipe).fact(name, lengths, (length) => formatLengthWithDifference(length, voice));

export function describeRecipeProblem(recipe: RecipeId, problem: RecipeProblem, voice: Voice): string {
  const say = (length: number) => formatLengthWithDifference(length, voice);
  switch (problem.code) {
    case 'field':
      return `${capitalize(describeField(recipe, problem.path))}: ${describeLengthProblem(problem.problem, voice)}.`;
    case 'missing':
      return `Not enough is known. Give one of: ${formatList(
        problem.paths.map((p) => describeField(recipe, p)),
        'or',
      )}.`;
    case 'disagree':
      return `These cannot all be right: ${formatList(problem.paths.map((p) => describeField(recipe, p)))}. They differ by ${say(problem.by)}.`;
    case 'size-not-positive':
      return `Nothing is left: the ${describeField(recipe, problem.path)} would be ${say(problem.size)}.`;
    case 'own': {
      const words = recipeText(recipe);
      const why = words.reason(problem.why, problem.lengths, capitalize(words.group(problem.path)), say);
      return `${why}${problem.edges ? ` ${formatList(problem.edges)}` : ''}.`;
    }
  }
}

/** What an offer would do, for its button: `make the width of mat 1 4 1/4`. */
export function describeOffer(recipe: RecipeId, offer: Offer, voice: Voice): string {
  const amount = 'count' in offer ? offer.count : offer.length;
  const own = recipeText(recipe).offer?.(offer.path, amount, (length) => formatLengthWithDifference(length, voice));
  if (own) return own;
  const value = 'count' in offer ? String(offer.count) : formatLengthWithDifference(offer.length, voice);
  return `make ${'count' in offer ? `it ${value}` : `the ${describeField(recipe, offer.path)} ${value}`}`;
}

export function describeSuggestion(
  recipe: RecipeId,
  suggestion: Suggestion | PageSuggestion['suggestion'],
  voice: Voice,
): string {
  switch (suggestion.code) {
    case 'uneven-reveals': {
      const even = suggestion.even.map(
        (e) => `${formatSize(e.width, e.height, voice)} (${formatLength(e.reveal, voice)} all round)`,
      );
      return `${capitalize(recipeText(recipe).group(suggestion.group))} is uneven: ${formatLengthWithDifference(suggestion.across, voice)} left and right, ${formatLengthWithDifference(suggestion.upDown, voice)} top and bottom. Even would be ${formatList(even, 'or')}.`;
    }
    case 'off-mark':
      return `The ${describeField(recipe, suggestion.path)} falls between two marks; it is cut at ${formatLength(suggestion.nearest, voice)}.`;
    case 'remainder':
      return `${formatLengthWithDifference(suggestion.by, voice)} is left over, since widths go down to the mark; it goes to the ${describeField(recipe, suggestion.to)}.`;
    case 'even-count':
      return `${suggestion.count} is an even number; ${formatList(suggestion.odd.map(String), 'or')} often looks better.`;
    case 'whole-repeats':
      return `So that whole repeats go from end to end, ${describeOffer(recipe, suggestion.offer, voice)}.`;
    case 'own':
      return `${recipeText(recipe).advice?.(suggestion.why, suggestion.lengths, (n) => formatLengthWithDifference(n, voice)) ?? suggestion.why}.`;
    case 'hidden-under':
      return `Lies entirely under ${suggestion.under}: nothing of it shows. Move it up a layer, or somewhere else.`;
    case 'overhang':
      return `Reaches ${formatLengthWithDifference(suggestion.by, voice)} past the ${formatList(suggestion.edges)} edge of the page; trim it flush once it is glued, or move it in.`;
  }
}

const PAGE_FIELDS: Readonly<Record<string, string>> = { width: 'page width', height: 'page height', seam: 'seam' };
const PLACE_FIELDS: Readonly<Record<string, string>> = {
  across: 'distance across',
  upDown: 'distance up or down',
  fit: 'extra to trim in place',
};

/** What is wrong with an item of a page; `nameOf` says how items are called. */
export function describePageProblem(
  { item, problem }: PageProblem,
  recipe: RecipeId | null,
  voice: Voice,
  nameOf: (item: string) => string,
): string {
  switch (problem.code) {
    case 'circle':
      return `These lie on or beside each other in a circle: ${formatList(problem.items.map(nameOf))}.`;
    case 'follows-nothing':
      return recipe
        ? `${capitalize(describeField(recipe, problem.path))}: nothing would be left of what it follows.`
        : '';
    case 'no-room':
      return problem.axis ? 'What it lies beside is gone.' : 'What it lies on is gone.';
    case 'field': {
      const [root, axis] = problem.path.map(String);
      const own =
        root === 'ground'
          ? PAGE_FIELDS[axis!]
          : root === 'at' || root === 'fit'
            ? PLACE_FIELDS[root === 'fit' ? 'fit' : axis!]
            : null;
      if (own) return `${capitalize(own)}: ${describeLengthProblem(problem.problem, voice)}.`;
    }
  }
  return recipe && item ? describeRecipeProblem(recipe, problem, voice) : '';
}

/** 20 000. */
const grouped = (n: number): string => String(n).replace(/\B(?=(\d{3})+$)/g, '\u202f');

/** `pieces[3].width`, as one would write it. */
export const formatPath = (path: readonly (string | number)[]): string =>
  path.map((p, i) => (typeof p === 'number' ? `[${p}]` : i ? `.${p}` : p)).join('') || 'the file';

/** What fields of a document are, as it would be said. */
const KINDS: Readonly<Record<string, string>> = {
  number: 'a number',
  int: 'a whole number',
  string: 'text',
  boolean: 'true or false',
  array: 'a list',
  object: 'an object with fields',
  record: 'an object with fields',
};
const describeLimit = ({ of, limit }: { of: string; limit: number }, way: 'at most' | 'at least'): string => {
  if (of === 'string')
    return way === 'at least' && limit === 1 ? 'is empty' : `must have ${way} ${formatCount(limit, 'letter')}`;
  if (of === 'array' || of === 'set') return `must have ${way} ${formatCount(limit, 'entry', 'entries')}`;
  return `must be ${way} ${grouped(limit)}`;
};

/** One line about a document that was refused, naming the field: `pieces[3].width: "4 1/0" is not a length`. */
export function describeIssue({ path, problem }: JobIssue, voice: Voice): string {
  const where = formatPath(path);
  switch (problem.code) {
    case 'length-unreadable':
      return `${where}: "${problem.text}" is not a length`;
    case 'length-missing':
    case 'length-not-positive':
    case 'length-too-large':
      return `${where}: ${describeLengthProblem(problem, voice)}`;
    case 'schema':
      return `${where}: ${problem.message}`;
    case 'unknown-key':
      return `${where}: does not know ${formatList([
        ...problem.keys.slice(0, FEW).map((k) => `"${shown(k)}"`),
        ...(problem.keys.length > FEW ? [`${problem.keys.length - FEW} more`] : []),
      ])}`;
    case 'wrong-value':
      return `${where}: must be ${problem.expected}`;
    case 'left-out':
      return `${where}: is missing`;
    case 'wrong-kind':
      return `${where}: must be ${KINDS[problem.expected] ?? problem.expected}`;
    case 'too-much':
      return `${where}: ${describeLimit(problem, 'at most')}`;
    case 'too-little':
      return `${where}: ${describeLimit(problem, 'at least')}`;
    case 'used-twice':
      return `${where}: "${problem.id}" is used twice`;
    case 'unknown-paper':
      return `${where}: there is no paper "${problem.id}"`;
    case 'side-twice':
      return `${where}: side ${problem.side} is there twice`;
    case 'too-many-pieces':
      return `${grouped(problem.count)} pieces are more than can be planned at once; the most is ${grouped(problem.most)}. Plan fewer copies at a time`;
    case 'too-much-at-once':
      return `${grouped(problem.pieces)} kinds of piece and ${grouped(problem.stock)} kinds of paper are more than can be looked at together; with so many pieces, name ${grouped(problem.most)} at the most`;
    case 'trim-too-wide':
      return `${where}: the margins leave nothing of the sheet`;
    case 'too-small-for-paper':
      return `${where}: must be at least 1/64 in`;
    case 'opening-outside':
      return `${where}: lies outside the piece`;
    case 'unknown-stock':
      return `${where}: there is no stock "${problem.id}"`;
    case 'needs-version':
      return `${where}: needs "version": ${problem.version}`;
    case 'missing':
      return `${where}: is missing`;
    case 'outline-not-at-corner':
      return `${where}: must touch 0 both ways: count from its leftmost and its lowest corner`;
    case 'outline-crosses-itself':
      return `${where}: crosses itself; give the corners in order round it`;
    case 'outline-size':
      return `${where}: is not how far the outline reaches; it may be left out`;
    case 'outline-not-its-size':
      return `${where}: does not reach as far as its width and height say`;
    case 'outline-no-area':
      return `${where}: has nothing inside`;
    case 'line-outside':
      return `${where}: lies beyond the paper`;
    case 'ends-outside':
      return `${where}: leaves no end, or no gap between the two`;
    case 'join-outside':
      return `${where}: lies outside the piece`;
    case 'least-too-large':
      return `${where}: is more than the piece itself`;
    case 'block-outside':
      return `${where}: sticks out of the block`;
    case 'block-overlap':
      return `${where}: lies over number ${problem.other + 1} of the block`;
    case 'nest-without-shape':
      return `${where}: says nothing without a shape`;
  }
}

export function describeLineProblem(
  said: Extract<ParsedStock | ParsedBox | LineReading<unknown>, { ok: false }>,
  voice: Voice,
): string {
  const { problem } = said;
  switch (problem.code) {
    case 'size-unreadable':
      return problem.text ? 'Needs a size, such as 5 1/2 x 3.' : 'Start with a size, such as 5 1/2 x 3.';
    case 'phrase-unreadable':
      return 'Say it like this: mat 1/8 1/4 around 4 x 6, or 5 banners 1 3/8 x 4 1/2.';
    case 'folded-or-flat':
      return 'Is it folded, or cut flat?';
    case 'word-unknown':
      return `I don't know "${problem.text}".`;
    case 'value-missing':
      return problem.text === 'apart'
        ? 'How far apart do they lie? Say it at the end, such as 1/4 apart, or touching.'
        : `"${problem.text}": how much of it?`;
    case 'too-often':
      return `${problem.text}: there can be no more than ${problem.most} of these.`;
    case 'said-twice':
      return `${problem.text}: what is it? A value of its kind is there already.`;
    case 'goes-nowhere':
      return `${problem.text}: it is not clear what that is.`;
    case 'too-many':
      return `${problem.text} is not a number between 1 and ${problem.most}.`;
    case 'quantity':
      return `${problem.text} is not a number of sheets between 1 and 10 000.`;
    case 'box-unreadable':
      return 'Say two corners of it, from the left and from the bottom, such as 1 x 2 to 4 1/2 x 6.';
    case 'corners':
      return 'Say three corners or more, in order round it, such as corners 0 x 0, 9 x 0, 4 x 6.';
    case 'stray':
      return `"${problem.text}" says nothing here: a size, a number and a paper do.`;
    case 'corners-cross':
      return 'These corners are not in order round it: an edge would cross another.';
    case 'ambiguous-paper':
      return `Which "${problem.words}": ${formatList(problem.names, 'or')}?`;
    default:
      return `${capitalize(describeLengthProblem(problem, voice))}.`;
  }
}
