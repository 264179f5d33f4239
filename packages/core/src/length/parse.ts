import { exact, addExact, isWhole, roundExact, scaleExact, type Exact } from './exact.ts';
import { TICKS_PER_UNIT, ticks, type Ticks, type Unit } from './ticks.ts';

export type LengthProblem =
  | { code: 'length-missing' }
  | { code: 'length-unreadable'; text: string }
  | { code: 'length-not-positive'; text: string }
  | { code: 'length-too-large'; text: string; most: Ticks };

export interface ReadLength {
  readonly ticks: Ticks;
  /** The unit it was typed in: the named one, else the unit bare numbers are read in. */
  readonly unit: Unit;
  /** True when the text did not come out in whole ticks and was rounded to the nearest. */
  readonly rounded: boolean;
}

export type LengthResult = { ok: true; value: ReadLength } | { ok: false; problem: LengthProblem };

/** Nothing that is cut on a table is longer than this: 100 in. */
export const MAX_LENGTH_TICKS: Ticks = ticks(100 * TICKS_PER_UNIT.in);

const VULGAR: Readonly<Record<string, string>> = {
  '½': '1/2',
  '⅓': '1/3',
  '⅔': '2/3',
  '¼': '1/4',
  '¾': '3/4',
  '⅕': '1/5',
  '⅖': '2/5',
  '⅗': '3/5',
  '⅘': '4/5',
  '⅙': '1/6',
  '⅚': '5/6',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
};

/** The signs of fractions, as a class of characters. */
export const FRACTION_CHARACTERS = `[${Object.keys(VULGAR).join('')}]`;
const FRACTION_SIGN = new RegExp(FRACTION_CHARACTERS, 'g');

const UNIT_WORDS: Readonly<Record<string, [unit: Unit, factor: number]>> = {
  in: ['in', 1],
  inch: ['in', 1],
  inches: ['in', 1],
  '"': ['in', 1],
  "''": ['in', 1],
  mm: ['mm', 1],
  cm: ['mm', 10],
};

// whole and fraction | fraction | decimal, then an optional unit
const LENGTH =
  /^(-?)(?:(\d+)[\s-]+(\d+)\s*\/\s*(\d+)|(\d+)\s*\/\s*(\d+)|(\d*[.,]\d+|\d+[.,]?))\s*(inches|inch|in|"|''|mm|cm)?\.?$/i;

/** As most are written: there is nothing to tidy. */
const PLAIN = /^[\d./]+(?: [\d./]+)?$/;

function tidy(text: string): string {
  if (PLAIN.test(text)) return text;
  return text
    .replace(FRACTION_SIGN, (c) => ` ${VULGAR[c]}`)
    .replace(/[⁄∕]/g, '/')
    .replace(/[″”“]/g, '"')
    .replace(/[\u2010-\u2014\u2212]/g, '-')
    .replace(/[\s\u00a0\u2009\u202f]+/g, ' ')
    .trim();
}

/** A decimal written with digits and one point or comma as an exact fraction. */
function decimal(text: string): Exact {
  const [whole = '', part = ''] = text.replace(',', '.').split('.');
  return exact(BigInt(`${whole}${part}` || '0'), 10n ** BigInt(part.length));
}

function amountOf(match: RegExpExecArray): Exact | null {
  const [, , whole, top, bottom, onlyTop, onlyBottom, plain] = match;
  if (plain !== undefined) return decimal(plain);
  const n = BigInt(top ?? onlyTop ?? 0);
  const d = BigInt(bottom ?? onlyBottom ?? 1);
  return d === 0n ? null : addExact(exact(BigInt(whole ?? 0)), exact(n, d));
}

export interface ReadOptions {
  /** Whether 0 and lengths below it may pass (offsets, reveals). Default: neither. */
  readonly allow?: 'zero' | 'negative';
  readonly most?: Ticks;
}

/**
 * Reads a length as people type it: `4 3/8`, `4-3/8`, `4⅜`, `4.375`, `4 3/8"`, `111.125mm`, `11,1 cm`.
 * Bare numbers are read in `unit`. Exact but for texts that do not come out in whole ticks, which are
 * rounded once to the nearest and say so. Never throws.
 */
export function parseLength(
  value: string | number,
  unit: Unit,
  { allow, most = MAX_LENGTH_TICKS }: ReadOptions = {},
): LengthResult {
  const text = typeof value === 'number' ? String(value) : value;
  const fail = (problem: LengthProblem): LengthResult => ({ ok: false, problem });
  const plain = tidy(text);
  if (plain === '') return fail({ code: 'length-missing' });
  if (plain.length > 40) return fail({ code: 'length-unreadable', text: `${text.slice(0, 40)}…` });
  const match = LENGTH.exec(plain);
  const amount = match && amountOf(match);
  if (!match || !amount) return fail({ code: 'length-unreadable', text });
  const [named, factor] = UNIT_WORDS[(match[8] ?? unit).toLowerCase()] ?? [unit, 1];
  const sign = match[1] === '-' ? -1 : 1;
  const length = scaleExact(amount, TICKS_PER_UNIT[named] * factor * sign);
  if (length.n > BigInt(most) * length.d || length.n < -BigInt(most) * length.d)
    return fail({ code: 'length-too-large', text, most });
  const read = roundExact(length, 'nearest');
  if (read < 0 && allow !== 'negative') return fail({ code: 'length-not-positive', text });
  if (read === 0 && !allow) return fail({ code: 'length-not-positive', text });
  return { ok: true, value: { ticks: read, unit: named, rounded: !isWhole(length) } };
}

/** The ticks of a length that is known to be good (constants, tests, documents already checked). Throws otherwise. */
export function lengthOf(value: string | number, unit: Unit = 'in'): Ticks {
  const result = parseLength(value, unit, { allow: 'negative' });
  if (!result.ok) throw new RangeError(`${JSON.stringify(value)} is not a length`);
  return result.value.ticks;
}

export type SizeResult =
  | { ok: true; width: string; height: string; value: { width: ReadLength; height: ReadLength } }
  | { ok: false; problem: LengthProblem | { code: 'size-unreadable'; text: string } };

/** Reads `4 x 6`, `4×6`, `4 by 6`, `3 7/8 x 5 5/8 in`: width first. A unit after the second holds for both. */
export function parseSize(text: string, unit: Unit): SizeResult {
  const halves = tidy(text).split(/\s*(?:[x×*]|\bby\b)\s*/i);
  const [first, second] = halves;
  if (halves.length !== 2 || !first || !second) return { ok: false, problem: { code: 'size-unreadable', text } };
  const height = parseLength(second, unit);
  if (!height.ok) return height;
  const shared = /(inches|inch|in|"|''|mm|cm)\.?$/i.exec(second)?.[1];
  const firstText = shared && !/[a-z"']/i.test(first) ? `${first} ${shared}` : first;
  const width = parseLength(firstText, unit);
  if (!width.ok) return width;
  return { ok: true, width: firstText, height: second, value: { width: width.value, height: height.value } };
}
