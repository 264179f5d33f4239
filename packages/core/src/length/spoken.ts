import { FRACTION_CHARACTERS, parseLength } from './parse.ts';
import type { LengthText } from './schema.ts';
import type { Unit } from './ticks.ts';

/*
 * Lengths in the middle of what somebody says. There is one grammar of lengths: what `parseLength` reads by itself is what is
 * found here in a line, whoever looks for it.
 */

const UNIT = String.raw`(?:inches|inch|in\b|''|"|″|”|mm\b|cm\b)`;
/** `3 1/2` is one length, `1/8 1/4` two: a whole number joins a fraction that follows it. A minus is part of what it stands before. */
const AMOUNT = String.raw`(?:\d+(?:[\s-]+\d+\s*[/⁄]\s*\d+(?!\d)|\s*${FRACTION_CHARACTERS}|[.,]\d+|\s*[/⁄]\s*\d+)?|[.,]\d+|${FRACTION_CHARACTERS})`;

/** One length, as part of a larger pattern; it has no groups. Case is not told apart. */
export const LENGTH_PATTERN = String.raw`(?:(?<![\w)]|${FRACTION_CHARACTERS})[-−–]\s?)?${AMOUNT}\s*${UNIT}?`;
/** Between the two numbers of a size. */
export const BY_PATTERN = String.raw`\s*(?:[x×*]|\bby\b)\s*`;

const NAMED = new RegExp(String.raw`(?:\d|${FRACTION_CHARACTERS})\s*(${UNIT})`, 'gi');

/** The unit of a whole line: the one that is named in it where only one is, which then holds for all that is bare; else the usual one. */
export function detectLineUnit(line: string, usual: Unit): Unit {
  const named = new Set([...line.matchAll(NAMED)].map(([, word]) => word!.toLowerCase()));
  // centimetres are said of each number by itself
  if (named.has('cm')) return usual;
  const units = new Set([...named].map((word): Unit => (word === 'mm' ? 'mm' : 'in')));
  const [only] = units;
  return units.size === 1 ? only! : usual;
}

const isBare = (text: string): boolean => !/[a-z"″”']/i.test(text);

/** A length typed bare, with the unit named in which it was meant. */
export function withUnitNamed<T extends LengthText>(text: T, unit: Unit): T | string {
  const read = parseLength(text, unit, { allow: 'negative' });
  return read.ok && isBare(String(text)) && read.value.ticks !== 0 ? `${text} ${unit}` : text;
}

/** Sheets that are called by a name everybody knows (ISO 216; the letter of North America). */
const NAMED_SHEETS: Readonly<Record<string, string>> = {
  a3: '297 mm x 420 mm',
  a4: '210 mm x 297 mm',
  a5: '148 mm x 210 mm',
  a6: '105 mm x 148 mm',
  letter: '8 1/2 in x 11 in',
  // cards and what goes with them, as they are called in North America
  a2: '4 1/4 in x 5 1/2 in',
  a7: '5 in x 7 in',
};
export const SHEET_NAME_PATTERN =
  /\b(?:a[3-6]\b|a[27](?=\s+(?:folded\s+)?(?:card|base|note|notecard|panel))|letter(?=\s+(?:size|sheet|paper|page|card)))/giu;
/** The size of a sheet that is called by its name, as it would be typed. */
export const sizeOfSheet = (name: string): string => NAMED_SHEETS[name.toLowerCase()]!;
