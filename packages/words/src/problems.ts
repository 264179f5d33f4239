import {
  type JobIssue,
  type LengthProblem,
  type PageProblem,
  type PageSuggestion,
  type RecipeProblem,
  type SaidMats,
  type SaidBox,
  type SaidStock,
  type Suggestion,
} from '@temnex/core';
import { fieldWords } from './fields.ts';
import { figure, sizeWords, type Voice } from './lengths.ts';

/** Finds the name of a layer (`mat2`) or part where there is a better one than its number. */
export type NameOf = (layer: string) => string | undefined;

const list = (words: readonly string[], joint = 'and'): string =>
  words.length < 2 ? (words[0] ?? '') : `${words.slice(0, -1).join(', ')} ${joint} ${words.at(-1)}`;
const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** What is wrong with a length, to follow the name of its field: "width: "4 1/0" is not a length". */
export function lengthProblemWords(problem: LengthProblem, voice: Voice): string {
  switch (problem.code) {
    case 'length-missing':
      return 'needs a length';
    case 'length-unreadable':
      return `"${problem.text}" is not a length; try 4 3/8, 4.375 or 111 mm`;
    case 'length-not-positive':
      return `"${problem.text}" must be more than 0`;
    case 'length-too-large':
      return `"${problem.text}" is more than ${figure(problem.most, voice)}, longer than anything cut on a table`;
  }
}

export function recipeProblemWords(problem: RecipeProblem, voice: Voice, nameOf?: NameOf): string {
  switch (problem.code) {
    case 'field':
      return `${capital(fieldWords(problem.field, nameOf))}: ${lengthProblemWords(problem.problem, voice)}.`;
    case 'missing':
      return `Not enough is known. Give one of: ${list(
        problem.fields.map((f) => fieldWords(f, nameOf)),
        'or',
      )}.`;
    case 'disagree':
      return `These cannot all be right: ${list(problem.fields.map((f) => fieldWords(f, nameOf)))}. They differ by ${figure(problem.by, voice)}.`;
    case 'reveal-negative':
      return `${capital(nameOf?.(problem.layer) ?? fieldWords(problem.layer))} is smaller than what lies on it: the reveal would be −${figure(problem.by, voice)} ${list(problem.edges)}.`;
    case 'size-not-positive':
      return `Nothing is left: the ${fieldWords(problem.field, nameOf)} would be ${figure(problem.size, voice)}.`;
    case 'border-too-wide':
      return `A border of ${figure(problem.border, voice)} leaves nothing to see; it can be ${figure(problem.most, voice)} at the most.`;
  }
}

export function suggestionWords(
  suggestion: Suggestion | PageSuggestion['suggestion'],
  voice: Voice,
  nameOf?: NameOf,
): string {
  switch (suggestion.code) {
    case 'uneven-reveals': {
      const even = suggestion.even.map(
        (e) => `${sizeWords(e.width, e.height, voice)} (${figure(e.reveal, voice)} all round)`,
      );
      return `${capital(nameOf?.(suggestion.layer) ?? fieldWords(suggestion.layer))} is uneven: ${figure(suggestion.across, voice)} left and right, ${figure(suggestion.upDown, voice)} top and bottom. Even would be ${list(even, 'or')}.`;
    }
    case 'off-mark':
      return `The ${fieldWords(suggestion.field, nameOf)} falls between two marks; it is cut at ${figure(suggestion.nearest, voice)}.`;
    case 'gave-way':
      return `Too much was given, so the ${fieldWords(suggestion.field, nameOf)} was worked out anew.`;
    case 'overhang':
      return `Reaches ${figure(suggestion.by, voice)} past the ${list(suggestion.edges)} edge of the page; trim it flush, or move it in.`;
  }
}

export const pageProblemWords = (p: PageProblem, voice: Voice, nameOf?: NameOf): string =>
  recipeProblemWords(p.problem, voice, nameOf);

/** `pieces[3].width`, as one would write it. */
export const pathWords = (path: readonly (string | number)[]): string =>
  path.map((p, i) => (typeof p === 'number' ? `[${p}]` : i ? `.${p}` : p)).join('') || 'the file';

/** One line about a document that was refused, naming the field: `pieces[3].width: "4 1/0" is not a length`. */
export function issueWords({ path, problem }: JobIssue, voice: Voice): string {
  const where = pathWords(path);
  switch (problem.code) {
    case 'length-unreadable':
      return `${where}: "${problem.text}" is not a length`;
    case 'length-missing':
    case 'length-not-positive':
    case 'length-too-large':
      return `${where}: ${lengthProblemWords(problem, voice)}`;
    case 'schema':
      return `${where}: ${problem.message}`;
    case 'unknown-key':
      return `${where}: does not know ${list(problem.keys.map((k) => `"${k}"`))}`;
    case 'wrong-value':
      return `${where}: must be ${problem.expected}`;
    case 'used-twice':
      return `${where}: "${problem.id}" is used twice`;
    case 'unknown-paper':
      return `${where}: there is no paper "${problem.id}"`;
    case 'side-twice':
      return `${where}: side ${problem.side} is there twice`;
    case 'trim-too-wide':
      return `${where}: the margins leave nothing of the sheet`;
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
    case 'join-outside':
      return `${where}: lies outside the piece`;
    case 'least-too-large':
      return `${where}: is more than the piece itself`;
  }
}

export function saidWords(said: Extract<SaidStock | SaidBox | SaidMats, { ok: false }>, voice: Voice): string {
  const { problem } = said;
  switch (problem.code) {
    case 'size-unreadable':
      return problem.text ? 'Needs a size, such as 5 1/2 x 3.' : 'Start with a size, such as 5 1/2 x 3.';
    case 'phrase-unreadable':
      return 'Say it like this: mat 1/8 1/4 around 4 x 6.';
    case 'quantity':
      return `${problem.text} is not a number of sheets between 1 and 10 000.`;
    case 'box-unreadable':
      return 'Say two corners of it, from the left and from the bottom, such as 1 x 2 to 4 1/2 x 6.';
    case 'corners':
      return 'Say three corners or more, in order round it, such as corners 0 x 0, 9 x 0, 4 x 6.';
    case 'corners-cross':
      return 'These corners are not in order round it: an edge would cross another.';
    case 'ambiguous-paper':
      return `Which "${problem.words}": ${list(problem.names, 'or')}?`;
    default:
      return `${capital(lengthProblemWords(problem, voice))}.`;
  }
}
