import { BY_PATTERN, LENGTH_PATTERN, sizeOfSheet } from '../length/index.ts';
import { isMeaningChanger } from './lexicon.ts';
import { numberWords } from './numbers.ts';
import { PRINT_SIZE_PATTERN } from './rephrase.ts';

/*
 * Other ways to take a line that comes to nothing as it stands. Each gives the line as it would be said in the usual way; one is
 * only asked where the line itself was not understood, so that none can change what is understood already.
 */

const SIZE = `${LENGTH_PATTERN}${BY_PATTERN}${LENGTH_PATTERN}`;
const NUMBERS = 'two|three|four|five|six|seven|eight|nine|ten|eleven|twelve';
const NUMBER = String.raw`(?:\d{1,3}(?![\d/.]|\s*(?:x|×|by|\d+\/))|${NUMBERS}|a\s+dozen)`;
/** What is cut as a plain rectangle, whatever is done with it then. */
const PLAIN =
  'rectangles?|pieces?|mats?|cards|tickets?|bookmarks?|stickers?|tiles?|title\\s+(?:strips?|blocks?|cards?)|titles?|' +
  'journall?ing\\s+(?:spots?|blocks?|boxe?s?|cards?|strips?|pieces?)|(?:journal|filler|pocket|photo|note|flash|index|place)\\s+cards?|' +
  'blocks?|boxe?s?|inserts?|slips?|notes?|postcards?|coupons?|swatch(?:es)?';
const SHEET = String.raw`(?:letter|legal|a[3-6])(?:\s+(?:sheet|size|paper))?|${SIZE}`;
const FROM = String.raw`(?:\s+(?:from|out\s+of)\s+(?:an?\s+|one\s+|my\s+)?(?<sheet>${SHEET})(?:\s+(?:sheet|paper|cardstock))?)?`;
const START = String.raw`^\s*(?:i\s+(?:need|want)\s+(?:to\s+cut\s+)?|cut\s+|make\s+|what\s+do\s+i\s+need\s+for\s+|how\s+many\s+)?`;

/** A line as it may be taken. */
export interface Reading {
  readonly line: string;
  /** What it is to be cut from, as typed, where the line does not say it any more. */
  readonly sheet: string | null;
}
const plain = (line: string): Reading => ({ line, sheet: null });
/** How many come from a sheet is asked where no number is said. */
const cells = (number: string | undefined, size: string, sheet: string | undefined): Reading =>
  !number && sheet
    ? plain(`cells ${size} from ${sheet}`)
    : { line: `cells ${size}, ${number ?? 'one'} of them`, sheet: sheet ?? null };

/** `mat 4x6 1/8`: of a size that prints come in, the fraction stands by itself. */
const FRACTION_GLUED = new RegExp(
  String.raw`(?<![\d/.]\s?)(${PRINT_SIZE_PATTERN})\s+(\d{1,2}\/\d{1,2})(?=\s|,|$)`,
  'iu',
);
/** `tabs 1 x 2, 4` */
const NUMBER_LAST = new RegExp(String.raw`,\s*(\d{1,2}|${NUMBERS})\s*$`, 'iu');
/** `6 title blocks 2 x 3 from 12 x 12`, `bookmark 2 x 6, 3`. */
const NOUN_FIRST = new RegExp(
  `${START}(?:(?<before>${NUMBER})\\s+|an?\\s+)?(?<noun>${PLAIN})\\s*,?\\s+(?<size>${SIZE})(?:\\s*,\\s*(?<after>${NUMBER}))?${FROM}\\s*[.?]?\\s*$`,
  'iu',
);
/** `ten 3 x 4 cards`, `4 x 6 mats from a letter sheet`. */
const NOUN_LAST = new RegExp(
  `${START}(?:(?<before>${NUMBER})\\s+|an?\\s+)?(?<size>${SIZE})\\s+(?:inch\\s+)?(?<noun>${PLAIN})(?:\\s*,\\s*(?<after>${NUMBER}))?(?:\\s+(?:can\\s+i\\s+get|come|fit))?${FROM}\\s*[.?]?\\s*$`,
  'iu',
);

const LISTED = String.raw`${LENGTH_PATTERN}(?:\s*(?:,|,?\s+and)\s+${LENGTH_PATTERN})+`;
/** `strips 1/2, 1, 1 1/2 and 2 wide by 12`: of several widths, as blocks of a band are. */
const STRIPS_LISTED = new RegExp(
  String.raw`^\s*(?:cut\s+|i\s+need\s+)?strips\s+(?:of\s+)?(${LISTED})\s*(?:inch(?:es)?\s+)?(?:wide|in\s+width)\s*(?:,|by|and|x)\s*(?:all\s+)?(${LENGTH_PATTERN})\s*(?:inch(?:es)?\s+)?(?:long|tall|high)?\s*$`,
  'iu',
);

const BORDER = /^(.*)\bborder\s+strip(s?\b)/iu;
const PUNCHED = /scallop|punch|repeat|every|round/iu;

/** `3 strips 12 long: 1, 2 and 3 wide` */
const STRIPS_LONG = new RegExp(
  String.raw`^\s*(?:cut\s+|i\s+need\s+)?(${NUMBER}\s+)?strips\s+(${LENGTH_PATTERN})\s*(?:inch(?:es)?\s+)?(?:long|tall|high)\s*[,:]\s*(${LISTED})\s*(?:inch(?:es)?\s+)?(?:wide)\s*$`,
  'iu',
);

const isNumber = (said: string, n: number): boolean =>
  Number(said) === n || numberWords(n).includes(said.trim().toLowerCase());

/** The line taken another way, the likeliest first; none for most lines. */
export function listOtherReadings(line: string): Reading[] {
  const others: Reading[] = [];
  const [, widths, by] = STRIPS_LISTED.exec(line) ?? [];
  const [, number, long, wide] = STRIPS_LONG.exec(line) ?? [];
  const blocks = (list: string, high: string) =>
    plain(`blocks ${list.replace(/,?\s+and\s+/gi, ', ')} butted, ${high} high`);
  if (widths && by) others.push(blocks(widths, by));
  // so many as there are widths, or it is not clear what is meant
  if (wide && long && (number === undefined || isNumber(number, wide.split(/,|\band\b/iu).length)))
    others.push(blocks(wide, long));
  const noun = NOUN_FIRST.exec(line) ?? NOUN_LAST.exec(line);
  if (noun) {
    const { before, size, after, sheet, noun: of } = noun.groups as Readonly<Record<string, string | undefined>>;
    const number = before ?? after;
    // `mat 4 x 6` may be of a print that is so large; of `cards 4 x 6` it is not said how many
    const isAsked = !number && !sheet && /^mat$|s$/iu.test(of!);
    if (!(before && after) && !isAsked) others.push(cells(number, size!, sheet));
  }
  // with no punch, a border strip is a strip
  if (BORDER.test(line) && !PUNCHED.test(line)) others.push(plain(line.replace(BORDER, '$1strip$2')));
  // `band of blocks 2, 3, 4, 3 across 12`: they fill it with nothing beneath one another
  if (/\bband\b/iu.test(line) && !/overlap|butt|tuck|gap|apart|between/iu.test(line))
    others.push(plain(`${line} butted`));
  if (FRACTION_GLUED.test(line)) others.push(plain(line.replace(FRACTION_GLUED, '$1, $2')));
  if (NUMBER_LAST.test(line)) others.push(plain(line.replace(NUMBER_LAST, ', $1 of them')));
  return others;
}

const CARD = new RegExp(
  String.raw`^\s*(?:an?\s+|one\s+|my\s+|cut\s+)*(?:(?<first>${SIZE}|a[2-7])\s+(?:inch\s+)?card|card\s*,?\s+(?<last>${SIZE}|a[2-7]))\s*[.?]?\s*$`,
  'iu',
);
/** `A2 card`, of which nothing says whether it is folded: the lines that say so; null for any other line. */
export function splitCardReadings(line: string): { folded: string; flat: string } | null {
  const { first, last } = CARD.exec(line)?.groups ?? {};
  const size = first ?? last;
  if (size === undefined) return null;
  return { folded: `folded ${size} card`, flat: `1 piece ${/^a\d$/i.test(size) ? sizeOfSheet(size) : size}` };
}

/**
 * The line without one word or number of it, and what stands there, as typed; null where it does not stand by itself, or where the
 * word before it changes what it means, as `without` does.
 */
export function dropWord(line: string, said: string): { line: string; without: string } | null {
  const words = [said, ...(/^\d+$/.test(said) ? numberWords(Number(said)) : [])];
  const either = words.map((word) => word.replace(/[.*+?^${}()|[\]\\]/g, String.raw`\$&`)).join('|');
  const found = new RegExp(String.raw`(?<![\p{L}\d/.])(?:${either})(?![\p{L}\d/])`, 'iu').exec(line);
  if (!found) return null;
  const before = line.slice(0, found.index);
  const word = /(\p{L}[\p{L}'’]*)\s+$/u.exec(before)?.[1];
  if (word && isMeaningChanger(word.toLowerCase())) return null;
  const rest = `${before} ${line.slice(found.index + found[0].length)}`;
  const shorter = rest.replace(/\s+/g, ' ').replace(/\s+(?=[,.;:])/g, '').trim(); // prettier-ignore
  return shorter ? { line: shorter, without: found[0] } : null;
}
