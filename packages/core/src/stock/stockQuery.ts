import { fitsIn, holdsOutline, turnSize, type Size } from '../geometry/index.ts';
import { BY_PATTERN, LENGTH_PATTERN, parseLength, parseSize, ticks, type Ticks, type Unit } from '../length/index.ts';
import { cornersOf, ticksOf } from './corners.ts';
import { COLOURS_BY_NAME, faceDifference } from './colour.ts';
import { PATTERNS, sizeOfItem, type Paper, type PaperFace, type StockItem } from './drawer.ts';
import { CONTAINER_PATTERN } from './places.ts';
import { reservedCountFor } from './reserve.ts';

/*
 * Looking for paper in one line, `scraps that reach 11 1/2 x 3 near teal in box 2`: what is found, what a saved search keeps, what is
 * cleared out and what counts for a challenge are all said this way.
 */

/** What is looked for; what is null or empty is all the same. */
export interface StockQuery {
  /** Words of the paper's name, of a face's or of the place, each of which must stand there. */
  readonly words: readonly string[];
  /** A piece of this size must come out of it, either way round. */
  readonly reaches: Size | null;
  /** It lies within this size, either way round. */
  readonly within: Size | null;
  /** Its shorter side is less, or at least so much. */
  readonly narrower: Ticks | null;
  readonly wider: Ticks | null;
  readonly kind: StockItem['kind'] | null;
  readonly pattern: PaperFace['look']['pattern'] | null;
  readonly direction: PaperFace['direction'] | null;
  /** A main colour of a face is no further from this one than `within` (CIEDE2000). `said`: a bare word, which may also be part of a name. */
  readonly colour: { readonly hex: string; readonly within: number; readonly said: string | null } | null;
  readonly place: string | null;
  /** It came before this day, or on it or after it (YYYY-MM-DD). */
  readonly before: string | null;
  readonly since: string | null;
  /** Held back, kept for a page, or free to use. */
  readonly held: 'held' | 'kept' | 'free' | null;
}

export const EMPTY_STOCK_QUERY: StockQuery = {
  words: [],
  reaches: null,
  within: null,
  narrower: null,
  wider: null,
  kind: null,
  pattern: null,
  direction: null,
  colour: null,
  place: null,
  before: null,
  since: null,
  held: null,
};

export type FindProblem = { code: 'length' | 'date'; text: string };
export type ParsedStockQuery = { ok: true; sought: StockQuery } | { ok: false; problem: FindProblem };

/** Within so much a colour is near another, unless it is said. */
const NEAR = 14;
const POINT = `${LENGTH_PATTERN}${BY_PATTERN}${LENGTH_PATTERN}`;
const KINDS: Readonly<Record<string, StockItem['kind']>> = {
  sheet: 'sheet',
  pad: 'pad',
  scrap: 'scrap',
  offcut: 'scrap',
  strip: 'strip',
  branding: 'branding',
  piece: 'piece',
};
export const PATTERN_WORDS: Readonly<Record<string, PaperFace['look']['pattern']>> = {
  ...Object.fromEntries(PATTERNS.map((p) => [p, p])),
  striped: 'stripes',
  stripe: 'stripes',
  checked: 'checks',
  check: 'checks',
  dotted: 'dots',
  dot: 'dots',
  spots: 'dots',
  wavy: 'waves',
  wave: 'waves',
  cloud: 'clouds',
  solid: 'plain',
  text: 'words',
};
const ASIDE = new Set([
  'that',
  'which',
  'a',
  'an',
  'the',
  'of',
  'and',
  'with',
  'paper',
  'papers',
  'is',
  'are',
  'all',
  'any',
  'for',
]);

/**
 * Reads one line of a search. Bare lengths are in `unit`; `places` are the places that are known, so that one of several words is
 * heard whole; `today` (YYYY-MM-DD) is where ages are counted from.
 */
export function parseStockQuery(said: string, unit: Unit, places: readonly string[], today: string): ParsedStockQuery {
  let rest = ` ${said.toLowerCase()} `;
  let fault: FindProblem | null = null;
  const found: { -readonly [K in keyof StockQuery]: StockQuery[K] } = { ...EMPTY_STOCK_QUERY };
  const take = (pattern: string, then: (groups: readonly string[]) => void): void => {
    const match = new RegExp(pattern, 'iu').exec(rest);
    if (!match) return;
    rest = `${rest.slice(0, match.index)} ${rest.slice(match.index + match[0].length)}`;
    then(match.slice(1).map((g) => g ?? ''));
  };
  const sizeIn = (text: string): Size | null => {
    const read = parseSize(text, unit);
    if (!read.ok) fault ??= { code: 'length', text: text.trim() };
    return read.ok ? { width: read.value.width.ticks, height: read.value.height.ticks } : null;
  };
  const lengthIn = (text: string): Ticks | null => {
    const read = parseLength(text.trim(), unit);
    if (!read.ok) fault ??= { code: 'length', text: text.trim() };
    return read.ok ? read.value.ticks : null;
  };
  const dayIn = (text: string): string | null => {
    const ok = /^\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/.test(text);
    if (!ok) fault ??= { code: 'date', text };
    return ok ? text : null;
  };
  // places first, or `1/2 in box 2` would be half an inch; of those that are known the one with the most words
  for (const place of [...places].sort((a, b) => b.length - a.length)) {
    if (found.place !== null) break;
    take(
      String.raw`(?:\b(?:in|from|at|on)\s+(?:the\s+)?)(${escaped(place.toLowerCase())})(?![\w])`,
      ([p]) => (found.place = p!),
    );
  }
  if (found.place === null)
    take(String.raw`\s(?:in|on)\s+(?:the\s+)?(${CONTAINER_PATTERN}\s+[\p{L}\d]+)`, ([p]) => (found.place = p!));
  take(
    String.raw`\b(?:smaller than|within|no larger than|at most)\s+(${POINT})`,
    ([size]) => (found.within = sizeIn(size!)),
  );
  take(String.raw`\b(?:narrower|thinner)\s+than\s+(${LENGTH_PATTERN})`, ([l]) => (found.narrower = lengthIn(l!)));
  take(String.raw`\bwider\s+than\s+(${LENGTH_PATTERN})`, ([l]) => (found.wider = lengthIn(l!)));
  const age = String.raw`(\d+)\s*(day|week|month|year)s?(?:\s+ago|\s+old)?\b`;
  take(
    String.raw`\b(?:older than|not since)\s+${age}`,
    ([n, what]) => (found.before = daysBefore(today, Number(n), what!)),
  );
  take(String.raw`\b(?:newer than|younger than|in the last|of the last)\s+${age}`, ([n, what]) => {
    found.since = daysBefore(today, Number(n), what!);
  });
  take(String.raw`\bbefore\s+([\d-]+)`, ([text]) => (found.before = dayIn(text!)));
  take(String.raw`\b(?:since|after)\s+([\d-]+)`, ([text]) => (found.since = dayIn(text!)));
  take(
    String.raw`(?:\breach(?:es|ing)?\s+)?(?:\bat least\s+)?(?<![\w.])(${POINT})`,
    ([size]) => (found.reaches = sizeIn(size!)),
  );
  take(String.raw`\b(?:no|without) direction\b|\bundirected\b`, () => (found.direction = 'none'));
  take(String.raw`\b(one|two)[\s-]ways?\b`, ([n]) => (found.direction = n === 'one' ? 'one-way' : 'two-way'));
  take(String.raw`\bheld(?: back)?\b`, () => (found.held = 'held'));
  take(String.raw`\b(?:reserved|kept for (?:a page|pages))\b`, () => (found.held = 'kept'));
  take(String.raw`\b(?:free|usable)\b`, () => (found.held = 'free'));
  const hues = Object.keys(COLOURS_BY_NAME).join('|');
  take(String.raw`\b(?:near|like|about)\s+(#[0-9a-f]{6}|${hues})\b(?:\s+within\s+(\d+))?`, ([colour, within]) => {
    found.colour = { hex: hexOf(colour!), within: Number(within || NEAR), said: null };
  });
  take(String.raw`\s(#[0-9a-f]{6})\b`, ([hex]) => (found.colour ??= { hex: hex!, within: NEAR, said: null }));
  if (found.place === null) take(String.raw`\b(?:in|at)\s+([\p{L}\d][^,]*)$`, ([p]) => (found.place = p!.trim()));
  const words = rest.split(/[\s,]+/).filter((word) => /[\p{L}\d]/u.test(word) && !ASIDE.has(word));
  const names: string[] = [];
  for (const [i, word] of words.entries()) {
    const kind = KINDS[word.replace(/s$/, '')];
    const pattern = PATTERN_WORDS[word];
    if (kind && !found.kind) found.kind = kind;
    // `branding strips` are branding
    else if (word.startsWith('strip') && found.kind === 'branding' && words[i - 1] === 'branding') continue;
    else if (/^reach(es)?$/.test(word)) continue;
    else if (pattern && !found.pattern) found.pattern = pattern;
    else if (COLOURS_BY_NAME[word] && !found.colour)
      found.colour = { hex: COLOURS_BY_NAME[word], within: NEAR, said: word };
    else names.push(word);
  }
  found.words = names;
  return fault ? { ok: false, problem: fault } : { ok: true, sought: found };
}

const escaped = (text: string): string => text.replace(/[.*+?^${}()|[\]\\]/g, String.raw`\$&`);
const hexOf = (said: string): string => (said.startsWith('#') ? said : COLOURS_BY_NAME[said]!);

/** The day so many days, weeks, months or years before another. */
function daysBefore(today: string, n: number, what: string): string {
  const [year, month, date] = today.split('-').map(Number) as [number, number, number];
  const back = { day: [0, 0, n], week: [0, 0, 7 * n], month: [0, n, 0], year: [n, 0, 0] }[what]!;
  // the 31st of a month that has none is its last day
  const first = new Date(Date.UTC(year - back[0]!, month - 1 - back[1]!, 1));
  const last = new Date(Date.UTC(first.getUTCFullYear(), first.getUTCMonth() + 1, 0)).getUTCDate();
  const day = Date.UTC(first.getUTCFullYear(), first.getUTCMonth(), Math.min(date, last)) - back[2]! * 86_400_000;
  return new Date(Math.max(day, 0)).toISOString().slice(0, 10);
}

/** Whether nothing is asked, so that everything is found. */
export const isEmptyQuery = (sought: StockQuery): boolean =>
  Object.values(sought).every((part) => part === null || (Array.isArray(part) && !part.length));

/** Where an item is kept: its own place, else that of its paper. */
export const placeOf = (item: Pick<StockItem, 'place'>, paper: Pick<Paper, 'place'> | undefined): string | null =>
  item.place ?? paper?.place ?? null;

export interface StockMatcher {
  readonly matches: (item: StockItem) => boolean;
  /** Of two that match, the one with the less comes first: nearer in colour, less left over. Null where nothing says so. */
  readonly rank: ((item: StockItem) => number) | null;
}

/** What decides whether an item is what is looked for; what hangs on the paper alone is looked at once a paper. */
export function compileStockQuery(sought: StockQuery, papers: readonly Paper[]): StockMatcher {
  const known = new Map<string, { fits: boolean; text: string; unlike: number; paper: Paper }>();
  for (const paper of papers) {
    const names = [paper.name, ...paper.sides.map((f) => f.name)].join(' ').toLowerCase();
    const { colour } = sought;
    const named = colour?.said != null && names.includes(colour.said);
    // A paper that is called by a pattern is one, however it is drawn.
    const calledSo = sought.pattern !== null && names.includes(sought.pattern.replace(/s$/, ''));
    const faces = paper.sides.filter(
      (face) =>
        (sought.pattern === null || calledSo || face.look.pattern === sought.pattern) &&
        (sought.direction === null || face.direction === sought.direction),
    );
    const unlike = colour ? Math.min(...faces.map((face) => faceDifference(face, colour.hex))) : 0;
    const fits = faces.length > 0 && (!colour || named || unlike <= colour.within);
    known.set(paper.id, { fits, text: names, unlike, paper });
  }
  const { reaches, within, narrower, wider } = sought;
  const matches = (item: StockItem): boolean => {
    const of = known.get(item.paper);
    if (!of?.fits) return false;
    if (sought.kind !== null && item.kind !== sought.kind) return false;
    if (sought.held === 'held' && !item.reserved) return false;
    if (sought.held === 'kept' && !reservedCountFor(item)) return false;
    if (sought.held === 'free' && (item.reserved || reservedCountFor(item) >= item.quantity)) return false;
    if (sought.before !== null && !(item.came !== undefined && item.came < sought.before)) return false;
    if (sought.since !== null && !(item.came !== undefined && item.came >= sought.since)) return false;
    const place = sought.place === null && !sought.words.length ? '' : (placeOf(item, of.paper) ?? '').toLowerCase();
    if (sought.place !== null && !place.includes(sought.place)) return false;
    if (!sought.words.every((word) => of.text.includes(word) || place.includes(word))) return false;
    const size = sizeOfItem(item);
    const short = Math.min(size.width, size.height);
    if (narrower !== null && short >= narrower) return false;
    if (wider !== null && short < wider) return false;
    if (within && !fitsIn(size, within)) return false;
    return !reaches || isCutFrom(reaches, item);
  };
  const rank = sought.colour
    ? (item: StockItem) => known.get(item.paper)?.unlike ?? Infinity
    : reaches
      ? (item: StockItem) => sizeOfItem(item).width * sizeOfItem(item).height
      : null;
  return { matches, rank };
}

/** Which parts of what is looked for an item is not; none: it is what is looked for. */
export const findMismatches = (sought: StockQuery, papers: readonly Paper[], item: StockItem): (keyof StockQuery)[] =>
  (Object.keys(EMPTY_STOCK_QUERY) as (keyof StockQuery)[]).filter((key) => {
    const part = { ...EMPTY_STOCK_QUERY, [key]: sought[key] };
    return !isEmptyQuery(part) && !compileStockQuery(part, papers).matches(item);
  });

/** Whether a piece comes out of an item, either way round, its margins gone; of an odd scrap, by its outline. */
export function isCutFrom(piece: Size, item: StockItem): boolean {
  const { width, height } = sizeOfItem(item);
  const off = (edge: keyof StockItem['trim']) => ticksOf(item.trim[edge], item.unit);
  const room = { width: ticks(width - off('left') - off('right')), height: ticks(height - off('top') - off('bottom')) };
  if (!fitsIn(piece, room)) return false;
  if (!item.outline) return true;
  const corners = cornersOf(item);
  return holdsOutline(corners, piece) || holdsOutline(corners, turnSize(piece));
}
