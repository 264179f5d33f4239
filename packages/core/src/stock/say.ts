import { exactText, parseSize, ticks, type LengthProblem, type LengthText, type Unit } from '../length/index.ts';
import type { StockItem } from './drawer.ts';

export type StockKindWord = StockItem['kind'];
const KINDS: Readonly<Record<string, StockKindWord>> = {
  scrap: 'scrap',
  offcut: 'scrap',
  sheet: 'sheet',
  pad: 'pad',
  strip: 'strip',
};

/** What was understood of a line such as `scrap 5 1/2 x 3 teal x2`. */
export type SaidStock =
  | {
      ok: true;
      kind: StockKindWord;
      width: string;
      height: string;
      quantity: number;
      paper: { id: string; name: string } | null;
      paperWords: string;
      /** Of a scrap with a corner cut out of it. */
      outline?: [LengthText, LengthText][];
    }
  | {
      ok: false;
      problem:
        | LengthProblem
        | { code: 'size-unreadable'; text: string }
        | { code: 'quantity'; text: string }
        | { code: 'ambiguous-paper'; words: string; names: readonly string[] };
    };

const NUMBER = String.raw`(?:\d+(?:[\s-]+\d+\/\d+|\s*[½⅓⅔¼¾⅛⅜⅝⅞]|[.,]\d+|\/\d+)?|[½⅓⅔¼¾⅛⅜⅝⅞])\s*(?:inches|inch|in\b|"|″|mm\b|cm\b)?`;
const LESS = new RegExp(`\\bless\\s+(${NUMBER}\\s*(?:[x×]|by)\\s*${NUMBER})`, 'i');
const SIZE = new RegExp(`(${NUMBER})\\s*(?:[x×]|by)\\s*(${NUMBER})`, 'i');

/**
 * Reads one line about paper: kind, size, words that name a paper, and `x2` for how many, in any order but the
 * size's. Kind left out: 12 in and more both ways is a sheet, else a scrap. `less 3 x 4`: a corner of that size is gone, so
 * that an L is left; it is drawn with the gap at its upper right.
 */
export function sayStock(said: string, papers: readonly { id: string; name: string }[], unit: Unit): SaidStock {
  const gone = LESS.exec(said);
  const line = gone ? said.replace(gone[0], ' ') : said;
  const found = SIZE.exec(line);
  if (!found) return { ok: false, problem: { code: 'size-unreadable', text: line.trim() } };
  const size = parseSize(found[0], unit);
  if (!size.ok) return { ok: false, problem: size.problem };
  const corner = gone ? parseSize(gone[1]!, unit) : null;
  if (corner && !corner.ok) return { ok: false, problem: corner.problem };
  const [W, H] = [size.value.width.ticks, size.value.height.ticks];
  const cut = corner?.ok ? { w: corner.value.width.ticks, h: corner.value.height.ticks } : null;
  if (cut && (cut.w >= W || cut.h >= H)) return { ok: false, problem: { code: 'size-unreadable', text: gone![0] } };
  const at = (x: number, y: number): [LengthText, LengthText] => [text(x, unit), text(y, unit)];
  const rest = `${line.slice(0, found.index)} ${line.slice(found.index + found[0].length)}`;
  const words = rest.split(/[\s,]+/).filter(Boolean);
  let kind: StockKindWord | null = null;
  let quantity = 1;
  const name: string[] = [];
  for (const word of words) {
    const times = /^[x×](\d+)$/i.exec(word) ?? /^(\d+)[x×]$/i.exec(word);
    if (times) quantity = Number(times[1]);
    else if (!kind && KINDS[word.toLowerCase().replace(/s$/, '')]) kind = KINDS[word.toLowerCase().replace(/s$/, '')]!;
    else name.push(word);
  }
  if (quantity < 1 || quantity > 10_000) return { ok: false, problem: { code: 'quantity', text: String(quantity) } };
  const asked = name.join(' ').toLowerCase();
  const exact = papers.filter((p) => p.name.toLowerCase() === asked);
  const near = asked ? papers.filter((p) => name.every((w) => p.name.toLowerCase().includes(w.toLowerCase()))) : [];
  const hits = exact.length ? exact : near;
  if (hits.length > 1)
    return { ok: false, problem: { code: 'ambiguous-paper', words: name.join(' '), names: hits.map((h) => h.name) } };
  const large = Math.min(size.value.width.ticks, size.value.height.ticks) >= 12 * 24384 - 1;
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

const text = (t: number, unit: Unit): LengthText => (t === 0 ? 0 : exactText(ticks(t), unit));
