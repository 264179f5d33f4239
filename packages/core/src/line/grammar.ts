import { parseLength, type LengthProblem, type LengthText, type Unit } from '../length/index.ts';
import type { Token } from './tokens.ts';
import { listWordForms, isPlural, compileLexicon, isMeaningChanger } from './lexicon.ts';

/*
 * What the words and values of a line belong to. A recipe says which words it knows; a value goes to the word that stands right
 * before it, else to the one right behind it, else to where values of its kind usually go:
 *
 *     gap 1/4      1/4 gaps      a quarter apart      5 banners 1 3/8 x 4 1/2
 *     ^^^--->      <---^^^^      <---------^^^^^      ^ ^^^^^^^ ------------> the size, as nothing else is said of it
 */

export type Kind = 'length' | 'size' | 'count';
export interface Place {
  readonly kind: Kind;
  /** As they are said, the plain form: plurals and small slips of the pen are known too. */
  readonly words: readonly string[];
  /** It may be said without a value: `footer mat`, `notched`. */
  readonly alone?: boolean;
  /** More than one may be said. */
  readonly many?: boolean;
  readonly allow?: 'negative';
  /** A whole number, as of degrees, and no length: no more than this. */
  readonly upTo?: number;
  /** Of a count: no more than this; of what may be said more than once: no oftener. */
  readonly most?: number;
  /** Of a count: what it counts, where not all that a line may be about. */
  readonly of?: readonly string[];
  /** Of a size: the words to which belongs what stands right before them, one length for both where it is square: `6 inch pads`. */
  readonly after?: readonly string[];
}

/** What a recipe knows of a line. */
export interface Grammar {
  /** A line is about it where one of these is said; what can be counted. */
  readonly heads: readonly string[];
  readonly places: Readonly<Record<string, Place>>;
  /** Words that choose something, and have no value. */
  readonly flags?: Readonly<Record<string, readonly string[]>>;
  /** Where values go of which nothing is said, in this order. */
  readonly usual: readonly string[];
  /** Words that it has no use for. */
  readonly idle?: readonly string[];
}

export interface ParsedValue {
  readonly place: string;
  readonly texts: readonly string[];
  /** Where in the line. */
  readonly at: number;
  /** The word that it belongs to; null where values of its kind usually go. */
  readonly word: string | null;
  /** Whether that word stands behind it: `a 5 x 7 mat`. */
  readonly isBehind: boolean;
}
/** What was understood: the values in their order, and the flags. */
export interface ParsedValues {
  /** What it is about, as the grammar writes it. */
  readonly heads: ReadonlySet<string>;
  /** What it is about is said of one alone: `a banner`, never `banners`. */
  readonly single: boolean;
  /** What stands between quotation marks, as it was typed; null where nothing does. */
  readonly quoted: string | null;
  /** Numbers in words that count what is described one by one, as the three of `three mats 1/8, 1/4, 1/8`. */
  readonly counting: readonly number[];
  readonly values: readonly ParsedValue[];
  /** Words that nobody knows, beside no value: as they were typed. */
  readonly passedOver: readonly string[];
  readonly flags: ReadonlySet<string>;
  /** Where in the line each flag is said. */
  readonly flagsAt: ReadonlyArray<{ readonly flag: string; readonly at: number }>;
}

export type UnclearValue =
  | LengthProblem
  | { readonly code: 'word-unknown'; readonly text: string }
  | { readonly code: 'value-missing'; readonly text: string }
  | { readonly code: 'too-many'; readonly text: string; readonly most: number }
  | { readonly code: 'too-often'; readonly text: string; readonly most: number }
  | { readonly code: 'said-twice'; readonly text: string }
  | { readonly code: 'goes-nowhere'; readonly text: string };

export type LineMatch =
  /** How many of its words the recipe knew: of two that understand a line, the one that knew more of it. */
  | { readonly ok: true; readonly heard: ParsedValues; readonly known: number }
  | { readonly ok: false; readonly problem: UnclearValue; readonly known: number };

/** Said between a word and its own value; any other word parts them. */
const LINKS = new Set(['of', 'is', 'are', 'be', 'at', 'a', 'an', 'the', 'it', 'its', 'about', 'just', 'exactly']);

/** Said of what comes after them. */
const BEFORE = new Set(['across', 'along', 'from', 'to', 'on', 'onto']);
/** Said of the length before them. */
const MEASURES = new Set(['wide', 'long', 'tall', 'high', 'deep', 'apart', 'row', 'rows', 'column', 'columns']);

/**
 * What a line, taken apart, says to one recipe; null where none of its heads is said. A word that it does not know is asked about
 * where it may say something: beside a value, where it turns things round as `not` does, or where another recipe knows it.
 */
export function matchGrammar(
  tokens: readonly Token[],
  grammar: Grammar,
  unit: Unit,
  quoted: string | null = null,
  isKnownElsewhere: (word: string) => boolean = () => true,
): LineMatch | null {
  const lexicon = compileLexicon(grammar);
  const known = tokens.map((t) => (t.kind === 'word' ? lexicon(t.word) : null));
  if (!known.some((k) => k?.as === 'head')) return null;
  const count = known.filter((k) => k && k.as !== 'idle').length;
  const fail = (problem: UnclearValue): LineMatch => ({ ok: false, problem, known: count });
  /** Whether a word stands beside a value, with nothing but words that say nothing in between: it may be what the value is of. */
  const isBesideValue = (i: number): boolean =>
    ([1, -1] as const).some((by) => {
      let at = i + by;
      while (known[at]?.as === 'idle') at += by;
      const token = tokens[at];
      const isTimes = token?.kind === 'word' && token.word === 'x' && !known[at];
      return isTimes || token?.kind === 'length' || token?.kind === 'size';
    });
  /** `five lovely banners`, `my 5 x 7 beach photo` */
  const isOfHead = (i: number): boolean =>
    tokens[i - 1] !== undefined &&
    tokens[i - 1]!.kind !== 'word' &&
    tokens[i - 1]!.kind !== 'stop' &&
    known[i + 1]?.as === 'head';
  const passed = tokens.flatMap((t, i) => {
    if (t.kind !== 'word' || known[i] || !/^\p{L}{2,}$/u.test(t.word)) return [];
    if (isMeaningChanger(t.word) || isKnownElsewhere(t.word)) return [];
    return isBesideValue(i) && !isOfHead(i) ? [] : [{ at: i, said: t.said }];
  });
  for (const { at } of passed) known[at] = { as: 'idle' };
  const passedOver = passed.map(({ said }) => said);
  const odds = tokens.filter((t, i) => t.kind === 'word' && !known[i]);
  // of `4 x lots` it is the lots
  const odd = odds.find((t) => t.kind === 'word' && t.word !== 'x') ?? odds[0];
  if (odd?.kind === 'word') return fail({ code: 'word-unknown', text: odd.said });
  const used = new Set<number>();
  const values: ParsedValue[] = [];
  const flags = new Set<string>();
  known.forEach((k) => k?.as === 'flag' && flags.add(k.name));
  /** `the page`, beside a length. */
  const saysNothing = (at: number, kind: Token['kind']): boolean => {
    const word = known[at];
    if (kind === 'size' || word?.as !== 'place') return false;
    return word.names.every((name) => grammar.places[name]!.kind === 'size' && grammar.places[name]!.alone);
  };
  /** The next token that says something, in one direction; none beyond a stop. */
  const beside = (i: number, by: 1 | -1): number => {
    let at = i + by;
    while (known[at]?.as === 'idle' || known[at]?.as === 'flag' || saysNothing(at, tokens[i]!.kind)) at += by;
    const token = tokens[at];
    return token && token.kind !== 'stop' ? at : -1;
  };
  const placeAt = (at: number, kind: Kind): string | null => {
    const word = at < 0 ? null : known[at];
    if (!word || !('names' in word) || used.has(at)) return null;
    return word.names.find((name) => grammar.places[name]!.kind === kind && !filled(name)) ?? null;
  };
  /** The place right behind a value, unless the next value is what belongs to it: `3/16 footer 11/16`. */
  const placeBehind = (i: number, kind: Kind): [at: number, place: string | null] => {
    const at = beside(i, 1);
    const word = tokens[at];
    // `1/2 inch across the page`
    if (word?.kind === 'word' && BEFORE.has(word.word)) return [at, null];
    const next = at < 0 ? -1 : beside(at, 1);
    const follows = next >= 0 && tokens[next]!.kind !== 'word' && placeAt(at, tokens[next]!.kind as Kind) !== null;
    if (follows && !itsOwn(i, at, next) && placeAt(beside(next, 1), tokens[next]!.kind as Kind) === null)
      return [at, null];
    return [at, placeAt(at, kind)];
  };
  /** `1/8 gaps 12`, `a 1/8 gap on 12`: the word belongs to the value before it, whatever comes after. */
  const itsOwn = (i: number, at: number, next: number): boolean => {
    const word = tokens[at]!;
    if (at !== i + 1 || word.kind !== 'word') return false;
    const parted = tokens.slice(at + 1, next).some((t) => t.kind === 'word' && !LINKS.has(t.word));
    return parted || isPlural(word.word);
  };
  /** The word of something square, or of a size, right behind its value: `on a 12 x 12 page`, `from 6 inch pads`. */
  const squareBehind = (i: number): [at: number, place: string] | null => {
    const [token, word, next] = [tokens[i]!, known[i + 1], tokens[i + 1]];
    if (!word || !('names' in word) || used.has(i + 1)) return null;
    // `from 3 sheets` is a number of them
    const bare = token.kind === 'length' && token.whole !== null;
    if (bare && next?.kind === 'word' && isPlural(next.word)) return null;
    const forms = next?.kind === 'word' ? listWordForms(next.word) : [];
    const name = word.names.find((one) => !filled(one) && grammar.places[one]!.after?.some((w) => forms.includes(w)));
    return name === undefined ? null : [i + 1, name];
  };
  /** `1/2 wide`: such a word belongs to the value before it, whatever stands before that. */
  const measureBehind = (i: number): [at: number, place: string] | null => {
    const [token, word] = [tokens[i]!, tokens[i + 1]];
    if (token.kind !== 'length' || word?.kind !== 'word' || !MEASURES.has(word.word)) return null;
    if (known[i + 1]?.as !== 'place') return null;
    const place = placeAt(i + 1, 'length');
    return place === null ? null : [i + 1, place];
  };
  const filled = (name: string) => !grammar.places[name]!.many && values.some((v) => v.place === name);
  const counts = Object.keys(grammar.places).find((name) => grammar.places[name]!.kind === 'count');
  /** `7 of 1/2 inch` */
  const ofSuch = (at: number): boolean => {
    const [of, such] = [tokens[at], tokens[at + 1]];
    return of?.kind === 'word' && of.word === 'of' && (such?.kind === 'length' || such?.kind === 'size');
  };
  const ofThem = (at: number): boolean => {
    const [of, them] = [tokens[at], tokens[at + 1]];
    return (
      of?.kind === 'word' && of.word === 'of' && them?.kind === 'word' && /^(them|these|those|it)$/.test(them.word)
    );
  };
  /** `bunting of 7`: of what is not also measured so. */
  const ofHead = (i: number): boolean => {
    const [of, head] = [tokens[i - 1], known[i - 2]];
    return of?.kind === 'word' && of.word === 'of' && head?.as === 'head' && head.names.length === 0;
  };
  /** Something that is counted; of what is not all that a line may be about, said of several of it. */
  const counted = (i: number, at: number): boolean => {
    const [token, word, head] = [tokens[i]!, tokens[at]!, known[at]];
    const { of } = grammar.places[counts!]!;
    if (head?.as !== 'head' || !of) return head?.as === 'head';
    const several = word.kind === 'word' && isPlural(word.word);
    return of.includes(head.head) && (several || (token.kind === 'length' && token.spelled));
  };
  const isCount = (i: number): boolean => {
    const token = tokens[i]!;
    if (counts && token.kind === 'length' && token.times) return !filled(counts);
    if (!counts || token.kind !== 'length' || token.whole === null || filled(counts)) return false;
    // `3 rows of cells`
    if (measureBehind(i)) return false;
    // `seven of them`
    const { of } = grammar.places[counts]!;
    if (ofThem(i + 1) && (!of || known.some((k) => k?.as === 'head' && of.includes(k.head)))) return true;
    // `seven, ...`, `four 6 x 6`: a number in words that has nothing else to be of
    const lists = grammar.usual.some((name) => grammar.places[name]!.many);
    if (!of && !lists) {
      const follows = tokens[i + 1]?.kind ?? 'stop';
      const [, , such] = tokens.slice(i);
      // `four 6 1/4 squares`
      if (token.spelled && follows === 'length' && such?.kind === 'word' && isPlural(such.word)) return true;
      if (ofThem(i + 1) || ofHead(i) || ofSuch(i + 1) || (token.spelled && (follows === 'stop' || follows === 'size')))
        return true;
    }
    let next = beside(i, 1);
    // `four pointed banners`
    const lone = (at: number) =>
      placeAt(at, 'length') !== null && grammar.places[placeAt(at, 'length')!]!.alone === true;
    if (next >= 0 && lone(next) && known[beside(next, 1)]?.as === 'head') next = beside(next, 1);
    if (next < 0) return false;
    if (known[next]?.as === 'head') return counted(i, next);
    // `five 2 1/2 x 6 strips`, `five 1 inch wide strips`
    if (tokens[next]!.kind === 'word') return false;
    let after = beside(next, 1);
    while (after >= 0 && known[after]?.as === 'place') after = beside(after, 1);
    return after >= 0 && counted(i, after);
  };
  /** `three mats`, `on three sides`: they are counted by what is said of each. */
  const countsNothing = (i: number): boolean => {
    const token = tokens[i]!;
    if ((counts && !grammar.places[counts]!.of) || token.kind !== 'length' || !token.spelled || token.whole === null)
      return false;
    const next = known[i + 1];
    const lone = next?.as === 'place' && next.names.every((name) => grammar.places[name]!.alone);
    return lone || known[beside(i, 1)]?.as === 'head';
  };
  const put = (
    place: string,
    token: Exclude<Token, { kind: 'word' | 'stop' }>,
    at: number,
    by: number | null = null,
  ): UnclearValue | null => {
    const claims = by === null ? undefined : tokens[by];
    const word = claims?.kind === 'word' ? claims.word : null;
    const isBehind = by !== null && by > at;
    const { kind, allow, most, upTo } = grammar.places[place]!;
    if (kind !== 'count' && most !== undefined && values.filter((v) => v.place === place).length >= most)
      return { code: 'too-often', text: token.kind === 'size' ? token.said : token.text, most };
    if (kind === 'count') {
      const n = token.kind === 'length' ? (token.whole ?? 0) : 0;
      if (n < 1 || (most !== undefined && n > most)) return { code: 'too-many', text: String(n), most: most ?? 1 };
      values.push({ place, texts: [String(n)], at, word, isBehind });
      return null;
    }
    if (upTo !== undefined && token.kind === 'length' && token.whole !== null) {
      if (token.whole > upTo) return { code: 'too-many', text: token.text, most: upTo };
      values.push({ place, texts: [String(token.whole)], at, word, isBehind });
      return null;
    }
    const texts =
      token.kind === 'size' ? [token.width, token.height] : kind === 'size' ? [token.text, token.text] : [token.text];
    for (const text of texts) {
      const read = parseLength(text, unit, { allow: allow ?? 'zero' });
      if (!read.ok) return read.problem;
    }
    values.push({ place, texts, at, word, isBehind });
    return null;
  };
  /** `round tags 2 inch, 5`: beside a length with its unit, a bare number at the end may be how many. */
  const isLastBare = (i: number): boolean => {
    const [token, before] = [tokens[i], tokens[i - 1]];
    if (token?.kind !== 'length' || token.whole === null || i < tokens.length - 1 || before?.kind !== 'stop')
      return false;
    if (!counts || filled(counts) || grammar.usual.some((name) => grammar.places[name]!.many)) return false;
    return tokens.some((t) => t.kind === 'length' && /[a-z"]$/i.test(t.text));
  };
  const plain: number[] = [];
  const counting: number[] = [];
  // first what is said of something, so that the usual places are left for the rest
  for (const [i, token] of tokens.entries()) {
    if (token.kind === 'word' || token.kind === 'stop') continue;
    if (isCount(i)) {
      const problem = put(counts!, token, i);
      if (problem) return fail(problem);
      continue;
    }
    if (countsNothing(i) && !measureBehind(i)) {
      if (token.kind === 'length' && token.whole !== null) counting.push(token.whole);
      continue;
    }
    const right = squareBehind(i) ?? measureBehind(i);
    if (right) {
      used.add(right[0]);
      const problem = put(right[1], token, i, right[0]);
      if (problem) return fail(problem);
      continue;
    }
    const before = beside(i, -1);
    const first = placeAt(before, token.kind);
    const [behind, second] = placeBehind(i, token.kind);
    // `left and right and an eighth top`: right beside it counts more than beyond another word
    const beyond = tokens.slice(before + 1, i).some((t) => t.kind === 'word' && !LINKS.has(t.word));
    const nearer = second !== null && behind === i + 1 && beyond;
    const place = nearer ? second : (first ?? second);
    if (place === null) {
      plain.push(i);
      continue;
    }
    const by = first === null || nearer ? behind : before;
    used.add(by);
    const problem = put(place, token, i, by);
    if (problem) return fail(problem);
  }
  for (const i of plain) {
    const token = tokens[i] as Exclude<Token, { kind: 'word' | 'stop' }>;
    const said = token.kind === 'size' ? token.said : token.text;
    // `mats for two photos`: a number in words counts something, and never is a length that nobody named
    if (token.kind === 'length' && token.spelled && token.whole !== null)
      return fail({ code: 'goes-nowhere', text: said });
    if (isLastBare(i)) return fail({ code: 'goes-nowhere', text: said });
    const place = grammar.usual.find((name) => grammar.places[name]!.kind === token.kind && !filled(name));
    if (place === undefined) {
      const taken = grammar.usual.some((name) => grammar.places[name]!.kind === token.kind);
      return fail({ code: taken ? 'said-twice' : 'goes-nowhere', text: said });
    }
    const problem = put(place, token, i);
    if (problem) return fail(problem);
  }
  const empty = tokens.findIndex((_, i) => {
    const word = known[i];
    const said = (name: string) => grammar.places[name]!.alone || values.some((v) => v.place === name);
    return word?.as === 'place' && !used.has(i) && !word.names.some(said);
  });
  const lone = tokens[empty];
  if (lone?.kind === 'word') return fail({ code: 'value-missing', text: lone.said });
  for (const [i, k] of known.entries())
    if (k && 'names' in k && !used.has(i)) for (const name of k.names) if (grammar.places[name]!.alone) flags.add(name);
  values.sort((a, b) => a.at - b.at);
  const flagsAt = known.flatMap((k, at) => (k?.as === 'flag' ? [{ flag: k.name, at }] : []));
  const heads = new Set(known.flatMap((k) => (k?.as === 'head' ? [k.head] : [])));
  const single = tokens.every((t, i) => known[i]?.as !== 'head' || t.kind !== 'word' || !isPlural(t.word));
  return {
    ok: true,
    heard: { values, passedOver, flags, flagsAt, heads, single, quoted, counting },
    known: count,
  };
}

/* What a recipe asks of what was heard. */

export const lengthsAt = ({ values }: ParsedValues, place: string): string[] =>
  values.filter((v) => v.place === place).flatMap((v) => v.texts.slice(0, 1));
export const lengthAt = (heard: ParsedValues, place: string): LengthText | undefined => lengthsAt(heard, place)[0];
export function sizeAt(
  { values }: ParsedValues,
  place: string,
): { readonly width: string; readonly height: string } | null {
  const found = values.find((v) => v.place === place && v.texts.length === 2);
  return found ? { width: found.texts[0]!, height: found.texts[1]! } : null;
}
/** A length that was said, in ticks; 0 where it is none. */
export function parseTicks(text: LengthText | undefined, unit: Unit): number {
  const read = parseLength(text ?? '', unit);
  return read.ok ? read.value.ticks : 0;
}
export const countAt = (heard: ParsedValues, place: string): number | undefined => {
  const said = lengthAt(heard, place);
  return said === undefined ? undefined : Number(said);
};
