import type { JobDocument } from '../src/planner/index.ts';
import { seededRandom } from '../src/chance/index.ts';

/*
 * What a pair of hands does without a planner: strips of one height across the sheet, then the pieces off the strips, all that one
 * setting does together. Lengths are whole numbers of sixteenths of an inch.
 */

export interface HandKind {
  readonly width: number;
  readonly height: number;
  readonly quantity: number;
}
export interface HandJob {
  readonly sheet: { readonly width: number; readonly height: number };
  readonly kinds: readonly HandKind[];
}
export interface Handling {
  readonly settings: number;
  readonly cuts: number;
}

/** Strips of each height with the widths that lie in them; null where they do not fit. */
function strips(kinds: readonly HandKind[], long: number, deep: number): { height: number; widths: number[] }[] | null {
  const found: { height: number; widths: number[]; left: number }[] = [];
  const pieces = kinds.flatMap((k) => Array.from({ length: k.quantity }, () => k));
  for (const { width, height } of pieces.sort((a, b) => b.width - a.width)) {
    if (width > long) return null;
    let strip = found.find((s) => s.height === height && s.left >= width);
    if (!strip) found.push((strip = { height, widths: [], left: long }));
    strip.widths.push(width);
    strip.left -= width;
  }
  return found.reduce((sum, s) => sum + s.height, 0) <= deep ? found : null;
}

/** The fewest settings, then cuts, of all ways to lay the kinds in strips; null where none fits on the sheet. */
export function stripsByHand({ sheet, kinds }: HandJob): Handling | null {
  let best: Handling | null = null;
  for (const [long, deep] of [
    [sheet.width, sheet.height],
    [sheet.height, sheet.width],
  ] as const)
    for (let turned = 0; turned < 1 << kinds.length; turned++) {
      const laid = kinds.map((k, i) => (turned & (1 << i) ? { ...k, width: k.height, height: k.width } : k));
      const list = strips(laid, long, deep);
      if (!list) continue;
      const high = list.reduce((sum, s) => sum + s.height, 0);
      // the last strip is left over where the sheet is used up; so is the last piece of a strip
      const cutOff = high === deep ? list.slice(0, -1) : list;
      const offStrips = list.map(({ widths }) =>
        widths.reduce((sum, w) => sum + w, 0) === long ? widths.slice(0, -1) : widths,
      );
      const heights = new Set(cutOff.map((s) => s.height));
      const widths = new Set(offStrips.flat());
      // a height that is a width too is set once, last of the strips and first of the pieces
      const shared = [...heights].some((h) => widths.has(h)) ? 1 : 0;
      const settings = heights.size + widths.size - shared;
      const cuts = cutOff.length + offStrips.reduce((sum, w) => sum + w.length, 0);
      if (!best || settings < best.settings || (settings === best.settings && cuts < best.cuts))
        best = { settings, cuts };
    }
  return best;
}

/** Three to twenty pieces of one to four kinds that hands get from one sheet of 12 × 12 or 8 1/2 × 11. */
export function handJob(seed: number): HandJob {
  for (let n = 0; ; n++) {
    const R = seededRandom(seed * 1000 + n);
    const within = (least: number, most: number) => least + Math.floor(R() * (most - least + 1));
    const sheet = R() < 0.6 ? { width: 192, height: 192 } : { width: 136, height: 176 };
    const kinds = Array.from({ length: within(1, 4) }, (): HandKind => {
      const [a, b] = [within(4, 40), within(12, 112)];
      const square = R() < 0.25;
      return { width: a, height: square ? a : b, quantity: within(1, 6) };
    });
    const pieces = kinds.reduce((sum, k) => sum + k.quantity, 0);
    if (pieces < 3 || pieces > 20) continue;
    if (stripsByHand({ sheet, kinds })) return { sheet, kinds };
  }
}

const said = (sixteenths: number): string => `${sixteenths}/16`;

/** The same as a job of the planner. */
export function documentOfHands({ sheet, kinds }: HandJob, seconds = 1): JobDocument {
  const size = ({ width, height }: { width: number; height: number }) => ({ width: said(width), height: said(height) });
  return {
    format: 'temnex-job',
    version: 1,
    unit: 'in',
    cutter: { step: '1/16' },
    plan: { aim: 'easiest-cuts', seconds },
    papers: [{ id: 'p' }],
    stock: [{ id: 's', paper: 'p', ...size(sheet) }],
    pieces: kinds.map((k, i) => ({ id: `k${i}`, papers: ['p'], ...size(k), quantity: k.quantity })),
  } as JobDocument;
}

/** A part on the table: its size, how many of each kind are to come from it, and which ways pieces must lie end to end across it. */
interface Part {
  readonly width: number;
  readonly height: number;
  readonly counts: readonly number[];
  readonly filled: { readonly wide: boolean; readonly high: boolean };
}

/**
 * The fewest settings, then cuts, over every edge-to-edge way to cut the sheet and every order of its cuts, either part of a cut
 * between fence and blade; by trying all of it. Nothing is shaved: in one of the two parts of a cut pieces lie end to end from the cut
 * to the edge opposite. For two or three pieces.
 */
export const fewestByTrying = (job: HandJob): Handling | null => fewestByTryingTogether([job]);

/** The same for several sheets, each with its pieces, where a cut of one may come between those of another. */
export function fewestByTryingTogether(jobs: readonly HandJob[]): Handling | null {
  const kinds = jobs.flatMap((job) => job.kinds);
  const isDone = (part: Part): boolean => {
    const wanted = part.counts.reduce((sum, n) => sum + n, 0);
    if (wanted !== 1) return wanted === 0 && !part.filled.wide && !part.filled.high;
    const { width: w, height: h } = kinds[part.counts.indexOf(1)]!;
    return (part.width === w && part.height === h) || (part.width === h && part.height === w);
  };
  /** Lengths that some of these pieces have end to end: no others are cut at. */
  const lengthsOf = (counts: readonly number[]): Set<number> => {
    let found = new Set([0]);
    counts.forEach((n, i) => {
      for (let copy = 0; copy < n; copy++)
        found = new Set([...found].flatMap((at) => [at, at + kinds[i]!.width, at + kinds[i]!.height]));
    });
    return found;
  };
  const sharesOf = (counts: readonly number[]): number[][] =>
    counts.reduce<number[][]>((all, n) => all.flatMap((s) => Array.from({ length: n + 1 }, (_, m) => [...s, m])), [[]]);
  const areaOf = (counts: readonly number[]) =>
    counts.reduce((sum, n, i) => sum + n * kinds[i]!.width * kinds[i]!.height, 0);
  const cutsOf = (part: Part): { setting: number; parts: Part[] }[] => {
    const found: { setting: number; parts: Part[] }[] = [];
    if (part.counts.every((n) => n === 0)) return found;
    for (const upright of [true, false]) {
      const [length, across] = upright ? [part.width, part.height] : [part.height, part.width];
      const [along, beside] = upright ? [part.filled.wide, part.filled.high] : [part.filled.high, part.filled.wide];
      const sized = (size: number, counts: readonly number[], isAlong: boolean, isBeside: boolean): Part =>
        upright
          ? { width: size, height: across, counts, filled: { wide: isAlong, high: isBeside } }
          : { width: across, height: size, counts, filled: { wide: isBeside, high: isAlong } };
      for (const share of sharesOf(part.counts)) {
        const rest = part.counts.map((n, i) => n - share[i]!);
        // this part is filled up to the cut, or, with the two exchanged, the other; both, where the whole must be
        for (const at of lengthsOf(share)) {
          if (at <= 0 || at >= length) continue;
          if (areaOf(share) > at * across || areaOf(rest) > (length - at) * across) continue;
          for (const isFirstBeside of beside ? [true, false] : [false]) {
            const parts = [
              sized(at, share, true, isFirstBeside),
              sized(length - at, rest, along, beside && !isFirstBeside),
            ];
            found.push({ setting: at, parts }, { setting: length - at, parts });
          }
        }
      }
    }
    return found;
  };
  const nameOf = (parts: readonly Part[], setting: number) =>
    `${parts.map((p) => `${p.width}*${p.height}:${p.counts.join()}${p.filled.wide}${p.filled.high}`).sort().join(' ')} ${setting}`; // prettier-ignore
  // the nearest first: by settings, then by cuts
  const queues = new Map<number, { parts: Part[]; setting: number; settings: number; cuts: number }[]>();
  /** What must lie end to end cannot. */
  const isHopeless = ({ width, height, counts, filled }: Part): boolean => {
    const lengths = lengthsOf(counts);
    return (filled.wide && !lengths.has(width)) || (filled.high && !lengths.has(height));
  };
  const push = (parts: Part[], setting: number, settings: number, cuts: number) => {
    const at = settings * 1000 + cuts;
    const open = parts.filter((p) => !isDone(p));
    if (open.some(isHopeless)) return;
    const queue = queues.get(at);
    if (queue) queue.push({ parts: open, setting, settings, cuts });
    else queues.set(at, [{ parts: open, setting, settings, cuts }]);
  };
  const sheets = jobs.map((job): Part => ({
    ...job.sheet,
    counts: kinds.map((k) => (job.kinds.includes(k) ? k.quantity : 0)),
    filled: { wide: false, high: false },
  }));
  push(sheets, -1, 0, 0);
  const seen = new Set<string>();
  while (queues.size) {
    const nearest = Math.min(...queues.keys());
    const list = queues.get(nearest)!;
    queues.delete(nearest);
    for (const { parts, setting, settings, cuts } of list) {
      if (!parts.length) return { settings, cuts };
      const name = nameOf(parts, setting);
      if (seen.has(name)) continue;
      seen.add(name);
      parts.forEach((part, i) => {
        for (const cut of cutsOf(part))
          push([...parts.toSpliced(i, 1), ...cut.parts], cut.setting, settings + (cut.setting === setting ? 0 : 1), cuts + 1); // prettier-ignore
      });
    }
  }
  return null;
}
