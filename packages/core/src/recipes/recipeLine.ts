import { withUnitNamed, parseLength, detectLineUnit, type Unit } from '../length/index.ts';
import {
  mergeIntoOnePrint,
  splitCardReadings,
  isMeaningChanger,
  matchGrammar,
  compileLexicon,
  dropWord,
  listOtherReadings,
  sizeAt,
  nameOtherUnitSizes,
  tokenize,
  type Grammar,
  type ParsedValues,
  type Place,
  type Token,
} from '../line/index.ts';
import { isSamePath, type FieldPath } from './fields.ts';
import { nameInputUnits } from './inputUnits.ts';
import type { LineReading, LayoutContext } from './recipe.ts';
import { RECIPE_IDS, type RecipeId } from './ids.ts';
import { recipeOf, type AnyRecipe } from './registry.ts';

export interface ParsedPageSize {
  readonly width: string;
  readonly height: string;
}

/** Every line may say which page it is for: `on an 8 x 8 page`, `across a 12 inch page`. */
const PAGE: Place = {
  kind: 'size',
  words: ['page', 'layout', 'album'],
  alone: true,
  after: ['page', 'layout', 'album'],
};
const withPage = (grammar: Grammar): Grammar => ({ ...grammar, places: { page: PAGE, ...grammar.places } });

/** Whether a word says something to any recipe, in whatever form. */
const isSomeones = (() => {
  const known = new Map<string, boolean>();
  const lexicons = () => RECIPE_IDS.map((id) => compileLexicon(withPage(recipeOf(id).grammar)));
  let all: ReturnType<typeof lexicons> | null = null;
  return (word: string): boolean => {
    const cached = known.get(word);
    if (cached !== undefined) return cached;
    all ??= lexicons();
    const is = all.some((lexicon) => {
      const as = lexicon(word);
      return as !== null && as.as !== 'idle';
    });
    if (known.size < 1000) known.set(word, is);
    return is;
  };
})();

/** What was understood of a line, and by which recipe. */
export interface ParsedLine {
  /** Words that nobody knows and that stand beside no value: they change nothing, and it is said that they do not. */
  readonly passedOver: readonly string[];
  /** Sheets of a size that it is to come from, where that was said; as it was typed. */
  readonly sheet: ParsedPageSize | null;
  /** The page that it is for, where that was said; as it was typed. */
  readonly page: ParsedPageSize | null;
  /** What it is worked out with: on that page, if it was said. */
  readonly table: LayoutContext;
  readonly recipe: RecipeId;
  readonly said: LineReading<unknown>;
}

/**
 * Which recipe a line is about, and what it understood; null where none knows it. A line that comes to nothing as it stands is taken
 * another way, if there is one that comes to something.
 */
export function parseRecipeLine(line: string, table: LayoutContext, newId: () => string): ParsedLine | null {
  const first = parseAsWritten(line, table, newId);
  if (isWorkedOut(first)) return first;
  const together = first && mergeIntoOnePrint(line, table.unit);
  if (together)
    return together.line === null
      ? { ...first, said: { ok: false, problem: { code: 'value-missing', text: 'apart' } } }
      : parseAsWritten(together.line, table, newId);
  for (const { line: other, sheet } of listOtherReadings(line)) {
    const taken = parseAsWritten(other, table, newId);
    if (taken && isWorkedOut(taken))
      return sheet === null ? taken : { ...taken, sheet: readSheetSize(sheet, line, table) };
  }
  return first;
}

/** A length of a line in one unit, on a table in another: named by its unit. */
const nameLengthsIn =
  (unit: Unit, table: LayoutContext) =>
  (text: string): string =>
    unit === table.unit ? text : String(withUnitNamed(text, unit));

/** A sheet by its name or size, said in the unit of the whole line; null where it is none. */
function readSheetSize(sheet: string, line: string, table: LayoutContext): ParsedPageSize | null {
  const unit = detectLineUnit(line, table.unit);
  const size = tokenize(sheet).find((token) => token.kind === 'size');
  if (size?.kind !== 'size') return null;
  const named = nameLengthsIn(unit, table);
  return { width: named(size.width), height: named(size.height) };
}

const isWorkedOut = (heard: ParsedLine | null): boolean =>
  heard?.said.ok === true && recipeOf(heard.recipe).solve(heard.said.input, heard.table).status === 'solved';

/** How many words may be left out of a line. */
const MAX_LEFT_OUT = 3;

/**
 * The same line without the words, or the one number, that were not understood, where it comes to something then: to be offered,
 * never taken by itself. Null where there is none, or where a word changes what the rest means, as `without` does.
 */
export function omitFromLine(
  line: string,
  table: LayoutContext,
  newId: () => string,
): { line: string; without: string[] } | null {
  const without: string[] = [];
  let rest = line;
  for (let n = 0; n < MAX_LEFT_OUT; n++) {
    const heard = parseRecipeLine(rest, table, newId);
    if (heard?.said.ok === true) return isWorkedOut(heard) && without.length ? { line: rest, without } : null;
    const problem = heard && !heard.said.ok ? heard.said.problem : null;
    if (!problem || !('text' in problem) || !LEFT_OUT.has(problem.code)) return null;
    if (isMeaningChanger(problem.text.toLowerCase())) return null;
    const shorter = dropWord(rest, problem.text);
    if (shorter === null) return null;
    without.push(shorter.without);
    rest = shorter.line;
  }
  const heard = parseRecipeLine(rest, table, newId);
  return isWorkedOut(heard) ? { line: rest, without } : null;
}
const LEFT_OUT = new Set(['word-unknown', 'goes-nowhere', 'said-twice']);

/**
 * What recipes make of the words as they stand. Of several that understand them, the one that knew most; of several that do not,
 * the one that came nearest says what it did not understand.
 */
function parseAsWritten(line: string, table: LayoutContext, newId: () => string): ParsedLine | null {
  const unit = detectLineUnit(line, table.unit);
  const { plain, quoted } = withoutQuotes(line);
  const tokens = tokenize(plain);
  const isNamed = detectLineUnit(line, 'in') === detectLineUnit(line, 'mm');
  const named = nameLengthsIn(unit, table);
  const sizeNamed = (size: ParsedPageSize | null) => size && { width: named(size.width), height: named(size.height) };
  let best: (ParsedLine & { readonly rank: number }) | null = null;
  for (const id of RECIPE_IDS) {
    const recipe = recipeOf(id);
    const hearIt = (said: readonly Token[]) => matchGrammar(said, withPage(recipe.grammar), unit, quoted, isSomeones);
    let heard = hearIt(tokens);
    if (!heard) continue;
    const isTooLarge = !heard.ok && heard.problem.code === 'length-too-large';
    if (isNamed && (heard.ok || isTooLarge)) {
      const isMeant = heard.ok ? sizesOf(heard.heard, recipe.read(heard.heard, { ...table, unit }, newId)) : () => true;
      const others = nameOtherUnitSizes(tokens, unit, table.unit, isMeant);
      if (others) heard = hearIt(others) ?? heard;
    }
    const page = heard.ok
      ? sizeNamed(sizeAt(heard.heard, 'page') ?? sizeAt(heard.heard, 'ground') ?? sizeAt(heard.heard, 'from'))
      : null;
    const here = page ? onPage(table, page) : table;
    const read = heard.ok ? recipe.read(heard.heard, { ...here, unit }, newId) : null;
    // more layers than it can have, and the like
    const asRead = read !== null && recipe.input.safeParse(read).success ? read : null;
    const input =
      heard.ok && asRead !== null && page === null ? withoutPage(recipe, heard.heard, asRead, here) : asRead;
    // said in another unit than the page's, a bare number keeps its meaning by that unit's name
    const unused = heard.ok && input !== null ? unusedNumber(recipe, heard.heard, input, { ...here, unit }) : null;
    const said: LineReading<unknown> = !heard.ok
      ? { ok: false, problem: heard.problem }
      : input === null
        ? { ok: false, problem: unreadable(line, heard.heard.passedOver) }
        : unused !== null
          ? { ok: false, problem: { code: 'goes-nowhere', text: unused } }
          : { ok: true, input: unit === table.unit ? input : nameInputUnits(id, input, unit) };
    // of two that know as much of it, one that can be
    const can = said.ok && input === asRead && recipe.solve(said.input, here).status === 'solved';
    const rank = heard.known + (said.ok ? 1000 : 0) + (can ? 0.5 : 0);
    const passedOver = heard.ok ? heard.heard.passedOver : [];
    const sheet = heard.ok ? sizeNamed(sizeAt(heard.heard, 'sheet')) : null;
    if (!best || rank > best.rank) best = { recipe: id, said, sheet, page, table: here, passedOver, rank };
  }
  if (!best) return null;
  const { rank: _, ...said } = best;
  return said;
}

/**
 * What is too large for a page that nobody spoke of, as a row or grid that is as long as it is; the input itself where it is not too
 * large, where one of it is, or where that is of no help.
 */
function withoutPage(recipe: AnyRecipe, heard: ParsedValues, input: unknown, table: LayoutContext): unknown {
  const spread = recipe.fields(input).find((f) => f.kind === 'choice' && isSamePath(f.path, SPREAD));
  const isSaid = sizeAt(heard, 'sheet') !== null || heard.values.some(({ place }) => place === 'margin');
  if (spread?.kind !== 'choice' || spread.value !== 'room' || isSaid) return input;
  if (recipe.solve(input, table).status === 'solved') return input;
  const other = spread.options.find((option) => option !== 'room');
  const free = recipe.put(input, SPREAD, other);
  if (!recipe.input.safeParse(free).success) return input;
  const solved = recipe.solve(free, table);
  if (solved.status !== 'solved') return input;
  const { width, height } = table.room;
  const fits = ({ width: w, height: h }: { width: number; height: number }) =>
    Math.min(w, h) < Math.min(width, height) && Math.max(w, h) <= Math.max(width, height);
  return solved.laid.blanks.every(fits) ? free : input;
}
const SPREAD: FieldPath = ['spread'];

/** Whether two numbers of a line are a size of what it is about, or of what that lies on, and no number of rows. */
function sizesOf({ values }: ParsedValues, input: unknown): (width: string, height: string) => boolean {
  const lengths = new Set<string>();
  const walk = (part: unknown): void => {
    if (typeof part === 'string') lengths.add(part);
    else if (typeof part === 'object' && part !== null) Object.values(part).forEach(walk);
  };
  walk(input);
  const isElse = (width: string, height: string) =>
    values.some(({ place, texts: [w, h] }) => ABOUT_ELSE.has(place) && w === width && h === height);
  return (width, height) => (lengths.has(width) && lengths.has(height)) || isElse(width, height);
}

/** Nothing comes of a line: a word that was passed over may be why, or that a card may be folded or flat. */
const unreadable = (
  line: string,
  [unknown]: readonly string[],
): Extract<LineReading<unknown>, { ok: false }>['problem'] =>
  unknown !== undefined
    ? { code: 'word-unknown', text: unknown }
    : { code: splitCardReadings(line) ? 'folded-or-flat' : 'phrase-unreadable', text: line.trim() };

/** Said of what something lies on or comes from, not of itself. */
const ABOUT_ELSE = new Set(['page', 'ground', 'sheet', 'from']);

/**
 * A number of the line that nothing in the input has: what was said with it was not understood, so that it is asked for and never
 * passed over. Null where every number is somewhere. The size of the page may be said without standing in the input.
 */
function unusedNumber(
  recipe: AnyRecipe,
  { values, counting }: ParsedValues,
  input: unknown,
  table: LayoutContext,
): string | null {
  const { room, unit } = table;
  const texts = new Set<string>();
  const numbers = new Set<number>([room.width, room.height]);
  const counts = new Set<number>();
  const walk = (part: unknown): void => {
    if (Array.isArray(part)) {
      counts.add(part.length);
      part.forEach(walk);
    } else if (typeof part === 'object' && part !== null) Object.values(part).forEach(walk);
    else if (typeof part === 'number') {
      texts.add(String(part));
      counts.add(part);
    } else if (typeof part === 'string') {
      texts.add(part);
      const read = parseLength(part, unit, { allow: 'negative' });
      if (read.ok) numbers.add(Math.abs(read.value.ticks));
      // angles as a list
      else part.split(/[ ,/°]+/).forEach((word) => texts.add(word));
    }
  };
  walk(input);
  // what is counted may only show in what comes of it: `four 6 x 6 make a 12 x 12`
  const solved = recipe.solve(input, table);
  const blanks = solved.status === 'solved' ? solved.laid.blanks : [];
  for (const { quantity } of blanks) counts.add(quantity);
  counts.add(blanks.reduce((sum, { quantity }) => sum + quantity, 0)).add(blanks.length);
  const isThere = (text: string, place: string) => {
    const read = parseLength(text, unit, { allow: 'negative' });
    const isCounted = recipe.grammar.places[place]?.kind === 'count' && counts.has(Number(text));
    return isCounted || texts.has(text) || (read.ok && numbers.has(Math.abs(read.value.ticks)));
  };
  for (const { place, texts: said } of values) {
    const missing = ABOUT_ELSE.has(place) ? undefined : said.find((text) => !isThere(text, place));
    if (missing !== undefined) return missing;
  }
  const uncounted = counting.find((n) => n > 1 && !counts.has(n));
  return uncounted === undefined ? null : String(uncounted);
}

const TITLE = String.raw`\p{Lu}[\p{Lu}'’-]+(?:\s+[\p{Lu}'’&!?-]{1,})*(?![\p{L}\d])`;
/** Words in capitals that are a title wherever they stand: `letters WIND 3/4 tall`, `how long is KITES at 1 inch`. */
const CAPITALS = new RegExp(
  String.raw`(?<![\p{L}\d])(?<link>(?:(?:for|of|spelling|to\s+spell|that\s+spell|saying|is|are|would)\s+)?)(?<title>${TITLE})`,
  'u',
);
const ABOUT_LETTERS = /\b(?:letters?|title|words?|names?|heading|spell\w*|saying|how\s+(?:long|wide))\b/iu;
/** `hello in letters 2 inches tall` */
const BEFORE_LETTERS =
  /^\s*(?:(?:spell|write|cut|how\s+(?:long|wide|big)\s+(?:is|are|would|will|does)(?:\s+(?:the\s+)?(?:words?|title)\b)?)\s+)?((?!how\b|my\b|the\b|an?\b|title|words?\b|names?\b|cut\b|letters?\b)\p{L}[\p{L}'’&! ]{0,30}?)\s+(?=in\s+(?:\S+\s+){0,3}letters\b)/iu;

/** A title between quotation marks or in capitals, and the line without it; the marks of inches stand behind a number. */
function withoutQuotes(line: string): { plain: string; quoted: string | null } {
  const found = /(?:^|\s)["“]([^"“”]*\p{L}[^"“”]*)["”]/u.exec(line);
  if (found) return { plain: line.replace(found[0], ' '), quoted: found[1]!.trim() };
  const before = BEFORE_LETTERS.exec(line);
  if (before) return { plain: line.slice(before[0].length), quoted: before[1]!.replace(/\s+be$/u, '') };
  const capitals = CAPITALS.exec(line)?.groups;
  const rest = capitals ? line.replace(`${capitals.link}${capitals.title}`, ' ') : line;
  const first = /[^\s]+/.exec(capitals?.title ?? '')?.[0].toLowerCase() ?? '';
  const isNamed = ABOUT_LETTERS.test(line.slice(0, line.indexOf(capitals?.title ?? '')));
  // all of it in capitals is how somebody types; `TAG 2 x 4 for the title` is a tag
  const isTitle = /\p{Ll}{2}/u.test(rest) && ABOUT_LETTERS.test(line) && (isNamed || !isSomeones(first));
  if (!capitals || !isTitle) return { plain: line, quoted: null };
  return { plain: /\b(?:letters?|title|heading)\b/iu.test(rest) ? rest : `letters ${rest}`, quoted: capitals.title! };
}

/** The same table with another page on it. */
function onPage(table: LayoutContext, { width, height }: ParsedPageSize): LayoutContext {
  const [w, h] = [parseLength(width, table.unit), parseLength(height, table.unit)];
  if (!w.ok || !h.ok) return table;
  return { ...table, room: { width: w.value.ticks, height: h.value.ticks, seams: [] } };
}
