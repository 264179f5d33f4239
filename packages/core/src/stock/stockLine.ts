import { isSelfCrossing } from '../geometry/index.ts';
import {
  BY_PATTERN,
  LENGTH_PATTERN,
  SHEET_NAME_PATTERN,
  formatExactLength,
  withUnitNamed,
  lengthOf,
  parseLength,
  parseSize,
  sizeOfSheet,
  inches,
  ticks,
  detectLineUnit,
  type LengthProblem,
  type LengthText,
  type Unit,
} from '../length/index.ts';
import type { StockItem } from './drawer.ts';
import { CONTAINER_PATTERN } from './places.ts';

export type StockKindWord = StockItem['kind'];
const KINDS: Readonly<Record<string, StockKindWord>> = {
  scrap: 'scrap',
  offcut: 'scrap',
  leftover: 'scrap',
  sheet: 'sheet',
  pad: 'pad',
  strip: 'strip',
  branding: 'branding',
  piece: 'piece',
};

/** What was understood of a line such as `scrap 5 1/2 x 3 teal x2`. */
export type ParsedStock =
  | {
      ok: true;
      kind: StockKindWord;
      width: string;
      height: string;
      quantity: number;
      paper: { id: string; name: string } | null;
      paperWords: string;
      /** Where it is kept, where that is said: `in box 2`. */
      place?: string;
      /** Of an odd scrap. */
      outline?: [LengthText, LengthText][];
    }
  | {
      ok: false;
      problem:
        | LengthProblem
        | { code: 'size-unreadable'; text: string }
        | { code: 'quantity'; text: string }
        | { code: 'corners'; text: string }
        /** A mark that says nothing, such as a minus by itself. */
        | { code: 'stray'; text: string }
        | { code: 'corners-cross' }
        | { code: 'ambiguous-paper'; words: string; names: readonly string[] };
    };

const POINT = `${LENGTH_PATTERN}${BY_PATTERN}${LENGTH_PATTERN}`;
const LESS = new RegExp(
  String.raw`\b(?:less|without|minus)\s+(?:an?\s+)?(${POINT})|\b(?:with\s+)?(?:an?\s+)?(${POINT})\s+(?:missing|gone|cut\s+(?:out|off|away))(?:\s+(?:of\s+)?(?:a|the|one)?\s*corner)?`,
  'i',
);
/** How many sheets are in each: `3 pads of 24 sheets`. */
const SHEETS_EACH = /\b(?:of\s+|with\s+|,\s*)?(\d{1,4})\s+(?:sheets?|leaves|pages)(?:\s+(?:each|left))?\b/i;
/** Said around a name, and no part of it. */
const AROUND_NAME = new Set([
  'of',
  'in',
  'a',
  'an',
  'the',
  'some',
  'with',
  'and',
  'my',
  'l-shaped',
  'l-shape',
  'shaped',
]);
const CORNERS = new RegExp(String.raw`\bcorners?\b((?:[\s,;]*${POINT})+)`, 'i');
const SIZE = new RegExp(POINT, 'i');
const BY = new RegExp(BY_PATTERN, 'i');

/**
 * Reads one line about paper: kind, size, words that name a paper, and `x2` for how many, in any order but the
 * size's. Kind left out: 12 in and more both ways, letter and A4 are sheets, else it is a scrap. `A4 vellum, 10`: sheets by their name. `less 3 x 4`: a corner of that size is gone, so
 * that an L is left; it is drawn with the gap at its upper right. `corners 0 x 0, 9 x 0, 4 x 6`: an odd scrap by its corners in
 * order round it, each so far from the left and from the bottom. `in box 2`: where it is kept, also in any of `places`. Where only one unit is named in the line it holds for all of it.
 */
export function parseStockLine(
  line: string,
  papers: readonly { id: string; name: string }[],
  usual: Unit,
  places: readonly string[] = [],
): ParsedStock {
  const { said: typed, place } = readPlace(line, places);
  const said = typed.replace(SHEET_NAME_PATTERN, sizeOfSheet);
  const unit = detectLineUnit(said, usual);
  const read = sayIn(said, papers, unit);
  // What is called by the name of a sheet is one, unless something else is said.
  const isNamedSheet =
    read.ok && said !== typed && read.kind === 'scrap' && !/\b(?:scrap|offcut|leftover)/i.test(typed);
  const heard = read.ok
    ? { ...read, ...(place ? { place } : {}), ...(isNamedSheet ? { kind: 'sheet' as const } : {}) }
    : read;
  if (!heard.ok || unit === usual) return heard;
  const named = (text: LengthText) => withUnitNamed(text, unit);
  return {
    ...heard,
    width: String(named(heard.width)),
    height: String(named(heard.height)),
    ...(heard.outline
      ? { outline: heard.outline.map(([x, y]): [LengthText, LengthText] => [named(x), named(y)]) }
      : {}),
  };
}

/** A place at the end of a line, where nobody has called one so yet. */
const AT_END = new RegExp(String.raw`\s(?:in|on)\s+(?:the\s+)?(${CONTAINER_PATTERN}\b[^,]*)$`, 'i');

/** The place at the end of a line, and the line without it. */
function readPlace(line: string, places: readonly string[]): { said: string; place: string | null } {
  const lower = line.toLowerCase().trimEnd();
  const known = places
    .filter((p) => lower.endsWith(` in ${p.toLowerCase()}`) || lower.endsWith(` on ${p.toLowerCase()}`))
    .sort((a, b) => b.length - a.length)[0];
  if (known !== undefined) return { said: line.trimEnd().slice(0, -(known.length + 4)), place: known };
  const found = AT_END.exec(line);
  return found
    ? { said: line.slice(0, found.index), place: found[1]!.trim().slice(0, 80) }
    : { said: line, place: null };
}

function sayIn(said: string, papers: readonly { id: string; name: string }[], unit: Unit): ParsedStock {
  const round = /\bcorners?\s+\d/i.test(said) ? cornersIn(said, unit) : null;
  if (round && !('outline' in round)) return { ok: false, problem: round };
  const spoken = round ? round.as : said;
  const heard = sayRectangle(spoken, papers, unit);
  return heard.ok && round ? { ...heard, outline: round.outline } : heard;
}

/** The outline that is said by its corners, and the line with the size that they reach instead of them. */
function cornersIn(
  said: string,
  unit: Unit,
):
  | { outline: [LengthText, LengthText][]; as: string }
  | LengthProblem
  | { code: 'corners'; text: string }
  | { code: 'corners-cross' } {
  const found = CORNERS.exec(said);
  const points = [...(found?.[1] ?? '').matchAll(new RegExp(POINT, 'gi'))].map(([text]) => text.split(BY));
  if (!found || points.length < 3) return { code: 'corners', text: found?.[1]?.trim() ?? '' };
  const read: { x: number; y: number }[] = [];
  for (const point of points) {
    const [x, y] = point.map((part) => parseLength(part.trim(), unit, { allow: 'zero' }));
    if (!x!.ok) return x!.problem;
    if (!y!.ok) return y!.problem;
    read.push({ x: x!.value.ticks, y: y!.value.ticks });
  }
  // counted from anywhere
  const [left, bottom] = [Math.min(...read.map((p) => p.x)), Math.min(...read.map((p) => p.y))];
  const corners = read.map((p) => ({ x: ticks(p.x - left), y: ticks(p.y - bottom) }));
  const [width, height] = [Math.max(...corners.map((p) => p.x)), Math.max(...corners.map((p) => p.y))];
  if (!width || !height || isSelfCrossing(corners)) return { code: 'corners-cross' };
  return {
    outline: corners.map((p) => [text(p.x, unit), text(p.y, unit)]),
    as: said.replace(found[0], ` ${text(width, unit)} ${unit} x ${text(height, unit)} ${unit} `),
  };
}

/** A kind as it is said, also with letters swapped or one left out, where no paper is called so. */
function readKind(said: string | undefined, papers: readonly { name: string }[]): StockKindWord | undefined {
  const word = said?.toLowerCase().replace(/s$/, '') ?? '';
  const known = KINDS[word];
  if (known || word.length < 4 || papers.some((p) => p.name.toLowerCase().includes(word))) return known;
  const letters = (w: string) => [...w].sort().join('');
  const near = Object.keys(KINDS).find(
    (kind) =>
      (word.length === kind.length && word[0] === kind[0] && letters(word) === letters(kind)) ||
      (kind.length > 4 &&
        word.length === kind.length - 1 &&
        [...kind].some((_, i) => kind.slice(0, i) + kind.slice(i + 1) === word)),
  );
  return near === undefined ? undefined : KINDS[near];
}

const NUMBER_WORDS = ['one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten'];
const numberOf = (word: string): number | null => {
  const at = NUMBER_WORDS.indexOf(word.toLowerCase());
  return at >= 0 ? at + 1 : /^\d{1,5}$/.test(word) ? Number(word) : null;
};

function sayRectangle(said: string, papers: readonly { id: string; name: string }[], unit: Unit): ParsedStock {
  const gone = LESS.exec(said);
  const line = gone ? said.replace(gone[0], ' ') : said;
  const found = SIZE.exec(line);
  if (!found) return { ok: false, problem: { code: 'size-unreadable', text: line.trim() } };
  const size = parseSize(found[0], unit);
  if (!size.ok) return { ok: false, problem: size.problem };
  const corner = gone ? parseSize((gone[1] ?? gone[2])!, unit) : null;
  if (corner && !corner.ok) return { ok: false, problem: corner.problem };
  const [W, H] = [size.value.width.ticks, size.value.height.ticks];
  const cut = corner?.ok ? { w: corner.value.width.ticks, h: corner.value.height.ticks } : null;
  if (cut && (cut.w >= W || cut.h >= H))
    return { ok: false, problem: { code: 'size-unreadable', text: gone![0].trim() } };
  const at = (x: number, y: number): [LengthText, LengthText] => [text(x, unit), text(y, unit)];
  const rest = `${line.slice(0, found.index)} ${line.slice(found.index + found[0].length)}`;
  // sheets are counted, also those of pads
  const pads = /\bpads?\b/i.exec(rest);
  const told = pads && SHEETS_EACH.exec(rest);
  const each = told && told.index > pads.index ? told : null;
  const words = (each ? rest.replace(each[0], ' ') : rest).split(/[\s,]+/).filter(Boolean);
  const second = SIZE.exec(rest);
  // `rust 4 x2` is two of it
  if (second && !/\s[x×]\d/i.test(second[0])) return { ok: false, problem: { code: 'stray', text: second[0].trim() } };
  let kind: StockKindWord | null = null;
  let quantity: number | null = null;
  const name: string[] = [];
  const kindOf = (w: string | undefined) => readKind(w, papers);
  for (const [i, word] of words.entries()) {
    const times = /^[x×](\d+)$/i.exec(word) ?? /^(\d+)[x×]$/i.exec(word);
    if (times) quantity = Number(times[1]);
    // `teal x 5`
    else if (/^[x×]$/i.test(word) && /^\d{1,5}$/.test(words[i + 1] ?? '')) continue;
    else if (/^[x×]$/i.test(words[i - 1] ?? '') && /^\d{1,5}$/.test(word)) quantity = Number(word);
    // `6 sheets`, `two scraps`
    else if (kindOf(words[i + 1]) && !kind && quantity === null && numberOf(word) !== null) quantity = numberOf(word);
    else if (!kind && kindOf(word)) kind = kindOf(word)!;
    // `branding strip`
    else if (kind === 'branding' && /^strips?$/i.test(word)) continue;
    else name.push(word);
  }
  // `rust 3` where there is a rust and no rust 3: three of it
  const called = (list: readonly string[]) =>
    papers.some((p) => list.length > 0 && list.every((w) => p.name.toLowerCase().includes(w.toLowerCase())));
  const last = name.length > 1 ? numberOf(name.at(-1)!) : null;
  if (quantity === null && last !== null && !called(name) && called(name.slice(0, -1))) {
    quantity = last;
    name.pop();
  }
  // `cream cardstock, 4`
  const apart = /,\s*(\d{1,5})\s*$/.exec(rest);
  if (quantity === null && apart && name.at(-1) === apart[1] && name.length > 1 && !called(name)) {
    quantity = Number(apart[1]);
    name.pop();
  }
  quantity = (quantity ?? 1) * Number(each?.[1] ?? 1);
  if (!called(name)) {
    while (AROUND_NAME.has(name[0]?.toLowerCase() ?? '')) name.shift();
    while (AROUND_NAME.has(name.at(-1)?.toLowerCase() ?? '')) name.pop();
  }
  const odd = name.find((word) => !/\p{L}|\d/u.test(word));
  if (odd !== undefined) return { ok: false, problem: { code: 'stray', text: odd } };
  if (quantity < 1 || quantity > 10_000) return { ok: false, problem: { code: 'quantity', text: String(quantity) } };
  const asked = name.join(' ').toLowerCase();
  const exact = papers.filter((p) => p.name.toLowerCase() === asked);
  const near = asked ? papers.filter((p) => name.every((w) => p.name.toLowerCase().includes(w.toLowerCase()))) : [];
  const hits = exact.length ? exact : near;
  if (hits.length > 1)
    return { ok: false, problem: { code: 'ambiguous-paper', words: name.join(' '), names: hits.map((h) => h.name) } };
  const large = isSheetSize(size.value.width.ticks, size.value.height.ticks);
  return {
    ok: true,
    kind: kind ?? (large ? 'sheet' : 'scrap'),
    width: size.width,
    height: size.height,
    quantity,
    paper: hits[0] ?? null,
    paperWords: name.join(' '),
    ...(cut
      ? { outline: [at(0, 0), at(W, 0), at(W, H - cut.h), at(W - cut.w, H - cut.h), at(W - cut.w, H), at(0, H)] }
      : {}),
  };
}

/** Whole sheets that are smaller than 12 inches one way, as long and as short side in ticks: letter and A4. */
const SMALLER_SHEETS: readonly (readonly [number, number])[] = [
  [inches(11), inches(8.5)],
  [lengthOf('297', 'mm'), lengthOf('210', 'mm')],
];
/** Whether nobody would call it a scrap: 12 inches both ways and more, or just as large as a letter sheet or A4. */
function isSheetSize(width: number, height: number): boolean {
  const [long, short] = [Math.max(width, height), Math.min(width, height)];
  return short >= inches(12) - 1 || SMALLER_SHEETS.some(([a, b]) => a === long && b === short);
}

const text = (t: number, unit: Unit): LengthText => (t === 0 ? 0 : formatExactLength(ticks(t), unit));

/** A box on a piece of paper, by two of its corners, each so far from the left and from the bottom: `1 x 2 to 4 1/2 x 6`. */
export type ParsedBox =
  | { ok: true; from: [LengthText, LengthText]; to: [LengthText, LengthText] }
  | { ok: false; problem: LengthProblem | { code: 'box-unreadable' } };

export function parseBoxLine(said: string, unit: Unit): ParsedBox {
  const points = said.split(/\bto\b|;|–/i).map((half) => half.split(/[x×]|\bby\b|,/i));
  if (points.length !== 2 || points.some((p) => p.length !== 2))
    return { ok: false, problem: { code: 'box-unreadable' } };
  const read = points.flat().map((part) => parseLength(part.trim(), unit, { allow: 'zero' }));
  for (const part of read) if (!part.ok) return { ok: false, problem: part.problem };
  const [a, b, c, d] = read.map((part) => text((part as { value: { ticks: number } }).value.ticks, unit));
  return { ok: true, from: [a!, b!], to: [c!, d!] };
}
