import { BY_PATTERN, LENGTH_PATTERN, TICKS_PER_UNIT, parseLength, type Unit } from '../length/index.ts';
import { WHOLE_NUMBER_WORDS } from './numbers.ts';
import { rephrasePlainly } from './rephrase.ts';

/*
 * A line as somebody says it, in words and values: `five banners 1 3/8 by 4 1/2, a quarter apart` is a number, a word, a size, a
 * length and a word. Lengths that are written in words are the same as those in figures.
 */

export type Token =
  | { readonly kind: 'word'; readonly word: string; readonly said: string }
  /** As `length/` reads it; `whole` where it is a number that may count something; `spelled` in words. */
  | {
      readonly kind: 'length';
      readonly text: string;
      readonly whole: number | null;
      readonly spelled: boolean;
      readonly times?: boolean;
    }
  | { readonly kind: 'size'; readonly width: string; readonly height: string; readonly said: string }
  /** A comma and the like: what stands before does not belong to what follows. */
  | { readonly kind: 'stop' };

const SIZE = `${LENGTH_PATTERN}${BY_PATTERN}${LENGTH_PATTERN}`;
/** `x2`: so many of it. */
const TIMES = String.raw`(?<=^|[\p{L},;]\s{0,2})[x×]\s?(\d{1,4})(?!\d|\s*[/⁄.,x×]|\s+\d+\s*/)`;
const PIECES = new RegExp(`${TIMES}|(${SIZE})|(${LENGTH_PATTERN})|(\\p{L}[\\p{L}'’-]*)|([,;:.!?]+)|(\\S)`, 'giu');
const BY = new RegExp(BY_PATTERN, 'i');
const PARTS = new Map<string, number>([
  ...[['half', 2] as const, ['halves', 2] as const],
  ...[
    ['third', 3],
    ['quarter', 4],
    ['fifth', 5],
    ['sixth', 6],
    ['eighth', 8],
    ['sixteenth', 16],
  ].flatMap(([word, of]): [string, number][] => [
    [String(word), Number(of)],
    [`${word}s`, Number(of)],
  ]),
]);
const UNITS = new Map<string, string>([
  ...['in', 'inch', 'inches'].map((word): [string, string] => [word, 'in']),
  ...['mm', 'millimetre', 'millimetres', 'millimeter', 'millimeters'].map((word): [string, string] => [word, 'mm']),
  ...['cm', 'centimetre', 'centimetres', 'centimeter', 'centimeters'].map((word): [string, string] => [word, 'cm']),
]);
/** Between a fraction in words and its unit: `half an inch`, `a quarter of an inch`. */
const LINKS = new Set(['a', 'an', 'of']);

/** The words and values of a line, from left to right. Never throws; whether a length reads is asked where it is used. */
export function tokenize(line: string): Token[] {
  const raw: Token[] = [];
  for (const [said, times, size, length, word, stop] of rephrasePlainly(line).matchAll(PIECES)) {
    if (times !== undefined) raw.push({ ...lengthToken(times), times: true });
    else if (size !== undefined) raw.push(readSizeToken(size));
    else if (length !== undefined) raw.push(lengthToken(length.trim()));
    else if (word !== undefined) raw.push({ kind: 'word', word: word.toLowerCase(), said });
    else if (stop !== undefined) raw.push({ kind: 'stop' });
    else raw.push({ kind: 'word', word: said, said });
  }
  return lyingAs(inOneUnit(squares(sizes(withSharedUnits(spelledOut(raw))))));
}

function readSizeToken(said: string): Token {
  const [width = '', height = ''] = said.split(BY).map((half) => half.trim());
  return { kind: 'size', width: withUnitOf(height, width), height, said: said.trim() };
}

const UNIT_AT_END = /(inches|inch|in|''|"|″|”|mm|cm)$/i;
/** A unit after the second of two holds for both. */
function withUnitOf(second: string, first: string): string {
  const unit = UNIT_AT_END.exec(second)?.[1];
  return unit && !UNIT_AT_END.test(first) ? `${first} ${unit}` : first;
}

function lengthToken(text: string): Extract<Token, { kind: 'length' }> {
  return { kind: 'length', text, whole: /^\d{1,4}$/.test(text) ? Number(text) : null, spelled: false };
}

/** `3, 6 mm`: a unit named after the last of several holds for those before it that have none. */
function withSharedUnits(tokens: readonly Token[]): Token[] {
  const out = [...tokens];
  let unit: string | null = null;
  for (let i = out.length - 1; i >= 0; i--) {
    const token = out[i]!;
    if (token.kind === 'length') {
      const own = UNIT_AT_END.exec(token.text)?.[1] ?? null;
      if (own !== null || token.spelled) unit = own && /[a-z]/i.test(own) ? own : null;
      else if (unit !== null) out[i] = { ...token, text: `${token.text} ${unit}` };
    } else if (token.kind !== 'stop' && !(token.kind === 'word' && token.word === 'and')) unit = null;
  }
  return out;
}

/** `three quarters`, `one and a half`, `an inch`, `half an inch`, `five`: values that were said in words. */
function spelledOut(tokens: readonly Token[]): Token[] {
  const out: Token[] = [];
  const wordAt = (i: number): string | null => (tokens[i]?.kind === 'word' ? tokens[i].word : null);
  const articleAt = (i: number) => wordAt(i) === 'a' || wordAt(i) === 'an';
  /** How many tokens a fraction takes, and what it is. */
  const partAt = (i: number): { takes: number; part: string } | null => {
    const article = articleAt(i) ? 1 : 0;
    const counted = article ? undefined : numberAt(i);
    const from = i + (article || (counted === undefined ? 0 : 1));
    const of = PARTS.get(wordAt(from) ?? '');
    // `five half inch strips` are five; `five halves` is a length
    const several = counted !== undefined && counted >= (of ?? 0) && !wordAt(from)?.endsWith('s');
    // half a dozen is a number
    if (of === undefined || several || (wordAt(from + 1) === 'a' && wordAt(from + 2) === 'dozen')) return null;
    return { takes: from + 1 - i, part: `${counted ?? 1}/${of}` };
  };
  const numberAt = (i: number): number | undefined => {
    const token = tokens[i];
    if (token?.kind === 'word') return WHOLE_NUMBER_WORDS.get(token.word);
    return token?.kind === 'length' && token.whole !== null ? token.whole : undefined;
  };
  const unitAt = (i: number): { takes: number; unit: string } => {
    let at = i;
    while (LINKS.has(wordAt(at) ?? '') && at < i + 2) at++;
    const unit = UNITS.get(wordAt(at) ?? '');
    return unit === undefined ? { takes: 0, unit: '' } : { takes: at + 1 - i, unit: ` ${unit}` };
  };
  for (let i = 0; i < tokens.length;) {
    const token = tokens[i]!;
    const next = wordAt(i + 1);
    if (wordAt(i) === 'half' && next === 'a' && wordAt(i + 2) === 'dozen') {
      out.push({ kind: 'length', text: '6', whole: 6, spelled: true });
      i += 3;
      continue;
    }
    const whole = numberAt(i);
    const joined = whole !== undefined && next === 'and' ? partAt(i + 2) : null;
    if (whole !== undefined && joined) {
      const { takes, unit } = unitAt(i + 2 + joined.takes);
      out.push({ kind: 'length', text: `${whole} ${joined.part}${unit}`, whole: null, spelled: true });
      i += 2 + joined.takes + takes;
      continue;
    }
    const part = partAt(i);
    if (part) {
      const { takes, unit } = unitAt(i + part.takes);
      out.push({ kind: 'length', text: `${part.part}${unit}`, whole: null, spelled: true });
      i += part.takes + takes;
      continue;
    }
    const unit = UNITS.get(next ?? '');
    if ((articleAt(i) || (whole !== undefined && token.kind === 'word')) && unit !== undefined) {
      // `an inch and a half`
      const more = wordAt(i + 2) === 'and' ? partAt(i + 3) : null;
      out.push({
        kind: 'length',
        text: `${whole ?? 1}${more ? ` ${more.part}` : ''} ${unit}`,
        whole: null,
        spelled: true,
      });
      i += 2 + (more ? 1 + more.takes : 0);
      continue;
    }
    if (whole !== undefined && token.kind === 'word') {
      // `a dozen`
      if (out.at(-1)?.kind === 'word' && articleAt(i - 1)) out.pop();
      out.push({ kind: 'length', text: String(whole), whole, spelled: true });
      i += 1;
      continue;
    }
    out.push(token);
    i += 1;
  }
  return out;
}

/** `four by six`: what became two lengths with a word between. */
function sizes(tokens: readonly Token[]): Token[] {
  const out: Token[] = [];
  for (let i = 0; i < tokens.length; i++) {
    const [a, by, b] = [tokens[i]!, tokens[i + 1], tokens[i + 2]];
    const joins = by?.kind === 'word' && (by.word === 'by' || by.word === 'x');
    if (a.kind === 'length' && joins && b?.kind === 'length') {
      const said = `${a.text} x ${b.text}`;
      out.push({ kind: 'size', width: withUnitOf(b.text, a.text), height: b.text, said });
      i += 2;
    } else out.push(a);
  }
  return out;
}

/** `2 1/4 square`, `a 3 in circle`: as wide as high; a circle is a shape besides. */
function squares(tokens: readonly Token[]): Token[] {
  return tokens.flatMap((token, i): Token[] => {
    const next = tokens[i + 1];
    if (token.kind === 'length' && next?.kind === 'word' && (next.word === 'square' || next.word === 'circle'))
      return [{ kind: 'size', width: token.text, height: token.text, said: `${token.text} square` }];
    const before = tokens[i - 1];
    if (token.kind === 'word' && token.word === 'square' && before?.kind === 'length') return [];
    return [token];
  });
}

/** `photo 10 x 15, mat 5 mm`: no print is 15 mm long, and every one of 10 x 15 is called so. */
const SMALLEST_SAID = 7;
const LARGEST_SAID = 40;
/** Prints of at least that size that are called by their inches. */
const INCH_PRINTS = new Set(['8x8', '8x10', '8x12', '11x14', '12x12', '12x18', '16x20', '20x24']);
const isOfSmallPrint = (tokens: readonly Token[]): boolean => {
  const said = tokens.flatMap((t) => (t.kind === 'size' ? [t] : []));
  const isPrint = tokens.some((t) => t.kind === 'word' && /^(?:photo|print|picture|pic)s?$/.test(t.word));
  const inMillimetres = tokens.some((t) => t.kind === 'length' && /mm$/i.test(t.text));
  const isUsual = (text: string) => Number(text) >= SMALLEST_SAID && Number(text) <= LARGEST_SAID;
  const isInches = ({ width, height }: { width: string; height: string }) =>
    INCH_PRINTS.has(`${width}x${height}`) || INCH_PRINTS.has(`${height}x${width}`);
  const isCentimetres = said.every((t) => isUsual(t.width) && isUsual(t.height) && !isInches(t));
  return isPrint && inMillimetres && said.length === 1 && isCentimetres;
};
const inCentimetres = (tokens: readonly Token[]): Token[] =>
  tokens.map((t) => (t.kind === 'size' ? { ...t, width: `${t.width} cm`, height: `${t.height} cm` } : t));

/** `10 x 15 as 9 x 13 cm`: where one unit is named with sizes, it holds for those that have none. */
function inOneUnit(tokens: readonly Token[]): Token[] {
  const unitOf = (token: Token) =>
    token.kind === 'size' ? UNIT_AT_END.exec(token.height)?.[1]?.toLowerCase() : undefined;
  const [unit, ...others] = new Set(tokens.flatMap((token) => unitOf(token) ?? []));
  if (unit === undefined && isOfSmallPrint(tokens)) return inCentimetres(tokens);
  if (unit !== 'cm' || others.length) return [...tokens];
  return tokens.map((token) =>
    token.kind === 'size' && !unitOf(token)
      ? { ...token, width: withUnitOf(unit, token.width), height: withUnitOf(unit, token.height) }
      : token,
  );
}

/** As many inches at most of a size that is said in bare numbers beside millimetres, and no inches at all from so many on. */
const [MOST_INCHES, NO_INCHES] = [12, 40];
const PRINTS_IN_INCHES = new Set(['2x3', '3x4', '3x5', '4x6', '5x7', '6x8', '8x10']);
/**
 * The unit in which two bare numbers can be a size, of a line in `unit`: `4x6` beside `5 mm` is in inches for whoever works in them,
 * and for everybody where prints are called so; `100x150` beside `1/4 inch` is in millimetres.
 */
export function detectSizeUnit(width: string, height: string, unit: Unit, usual: Unit): Unit {
  if ([width, height].some((text) => UNIT_AT_END.test(text))) return unit;
  const sides = [width, height].map((text) => {
    const read = parseLength(text, unit);
    return read.ok
      ? read.value.ticks / TICKS_PER_UNIT[unit]
      : read.problem.code === 'length-too-large'
        ? Infinity
        : NaN;
  });
  if (unit === 'in') return sides.every((side) => side >= NO_INCHES) ? 'mm' : 'in';
  const isPrint = PRINTS_IN_INCHES.has(sides.toSorted((a, b) => a - b).join('x'));
  return sides.every((side) => side <= MOST_INCHES) && (usual === 'in' || isPrint) ? 'in' : 'mm';
}
/**
 * A line in one unit with the sizes in it that can only be meant in the other, those with that unit; `isMeant` says whether one is a
 * size at all, and no number of rows. Null where there is none.
 */
export function nameOtherUnitSizes(
  tokens: readonly Token[],
  unit: Unit,
  usual: Unit,
  isMeant: (width: string, height: string) => boolean,
): Token[] | null {
  let found = false;
  const named = tokens.map((token): Token => {
    if (token.kind !== 'size') return token;
    const { width, height } = token;
    const other = detectSizeUnit(width, height, unit, usual);
    if (other === unit || !isMeant(width, height)) return token;
    found = true;
    return { ...token, width: `${width} ${other}`, height: `${height} ${other}` };
  });
  return found ? named : null;
}

/** `4 x 6 landscape`, `a portrait 7 x 5`: the size that is said nearest lies so, whichever way it was written. */
function lyingAs(tokens: readonly Token[]): Token[] {
  const out = [...tokens];
  const long = (text: string) => {
    const read = parseLength(text, 'in');
    return read.ok ? read.value.ticks : 0;
  };
  tokens.forEach((token, i) => {
    if (token.kind !== 'word' || (token.word !== 'landscape' && token.word !== 'portrait')) return;
    const sizes = out.flatMap((t, at) => (t.kind === 'size' ? [at] : []));
    const at = sizes.sort((a, b) => Math.abs(a - i) - Math.abs(b - i))[0];
    const size = at === undefined ? null : out[at]!;
    if (at === undefined || size?.kind !== 'size') return;
    const lies = long(size.width) >= long(size.height) ? 'landscape' : 'portrait';
    if (lies !== token.word) out[at] = { ...size, width: size.height, height: size.width };
  });
  return out.filter((t) => t.kind !== 'word' || (t.word !== 'landscape' && t.word !== 'portrait'));
}
