import type { Cutter, Job, Rectangle } from '../documents/job.ts';
import type { Way } from '../blanks/turning.ts';
import { END_TO_END, ENDS_OF_PARTS, type Ends } from './endToEnd.ts';
import { Selections, type KindOnSheet } from './selections.ts';
import { canCut, makeOffcutTree, isWorthKeeping, splitRoom, type Tree } from './tree.ts';

/*
 * The fewest settings with which a few pieces come from one sheet, and of those the fewest cuts. The settings
 * are chosen first, in the order in which they are set: then the fewest cuts that keep to it are found over all edge-to-edge ways to
 * cut the sheet. What is set is the size of a piece, or of several end to end; nothing is shaved: in one of the two parts of a cut,
 * pieces lie end to end from the cut to the edge opposite. Else a strip could be cut off again and again until a size is reached.
 */

/** A way to cut a sheet, how many settings it has and whether no way has fewer. */
export interface FewSettings {
  readonly tree: Tree;
  /** In the order in which they are set. */
  readonly sequence: readonly number[];
  readonly settings: number;
  readonly proved: boolean;
}

/** Cuts that are tried between two looks at whether it is over. */
const BETWEEN_LOOKS = 4096;
/** What looking at a choice of settings, and at an order of them, counts for. */
const ONE_CHOICE = 40;
const ONE_ORDER = 10;
/** One cut counts more than any waste, in square ticks. */
const ONE_CUT = 1e13;

interface Best {
  readonly figure: number;
  readonly cut: 'x' | 'y' | null;
  /** Which of the settings, counted from the last: what is known holds for every order that ends alike. */
  readonly left: number;
  /** The pieces in what comes off. */
  readonly off: number;
  /** Ways in which pieces must lie end to end across what comes off, and across what is left. */
  readonly ends: readonly [Ends, Ends];
  readonly way: { readonly k: number; readonly way: Way } | null;
}
const IMPOSSIBLE: Best = { figure: Infinity, cut: null, left: 0, off: 0, ends: [0, 0], way: null };

/** Null where there is too much to try, or the pieces do not come from the room. */
export function findFewestSettings(
  room: Rectangle,
  kinds: readonly KindOnSheet[],
  job: Pick<Job, 'cutter' | 'keep'>,
  limit: number,
  over: () => boolean,
): FewSettings | null {
  if (job.cutter.kerf) return null;
  const search = new Search(kinds, job.cutter, job.keep, Math.max(room.width, room.height), limit, over);
  return search.isTooMuch ? null : search.fewest(room);
}

class Search {
  private readonly kinds: readonly KindOnSheet[];
  private readonly cutter: Cutter;
  private readonly keep: Job['keep'];
  private left: number;
  private unlooked = 0;
  private readonly over: () => boolean;
  private readonly pieces: Selections;
  /** The settings, as they are set one after the other; [i] what those from the i-th on are called. */
  private order: readonly number[] = [];
  private names: readonly string[] = [];
  private readonly known = new Map<string, Best>();

  constructor(
    kinds: readonly KindOnSheet[],
    cutter: Cutter,
    keep: Job['keep'],
    longest: number,
    limit: number,
    over: () => boolean,
  ) {
    this.kinds = kinds;
    this.cutter = cutter;
    this.keep = keep;
    this.left = limit;
    this.over = over;
    this.pieces = new Selections(kinds, longest, over);
  }

  get isTooMuch(): boolean {
    return this.pieces.isTooMuch;
  }

  fewest(room: Rectangle): FewSettings | null {
    const { whole: all, filled } = this.pieces;
    const sizes = [...new Set(this.kinds.flatMap(({ laid }) => [laid[0]!.width, laid[0]!.height]))];
    const ends = [...filled.x[all]!, ...filled.y[all]!];
    // either part of a cut may lie against the fence: what is not the pieces themselves, or what is left of the sheet without them
    const lefts = [room.width, room.height].flatMap((long) => ends.map((end) => long - end));
    const sums = [...new Set([...ends, ...lefts])].filter((n) => n > 0 && !sizes.includes(n));
    for (let many = 1; many <= sizes.length; many++) {
      let best: { tree: Tree; figure: number; sequence: readonly number[] } | null = null;
      for (const settings of this.choicesUpTo(sizes, sums, many, room))
        for (const order of orders(settings, many)) {
          if (this.spent(ONE_ORDER)) break;
          this.order = order;
          this.names = order.map((_, i) => order.slice(i).join());
          const { figure } = this.least(room.width, room.height, all, 0, 0);
          if (figure < (best?.figure ?? Infinity)) best = { tree: this.tree(room, all, 0, 0), figure, sequence: order };
        }
      if (best) return { tree: best.tree, sequence: best.sequence, settings: many, proved: this.left > 0 };
      if (this.left <= 0) return null;
    }
    return null;
  }

  /** Those of fewer settings, which are come back to, last. */
  private *choicesUpTo(...[sizes, sums, many, room]: Parameters<Search['choices']>): Generator<number[]> {
    for (let of = many; of > 1; of--) yield* this.choices(sizes, sums, of, room);
    if (many === 1) yield* this.choices(sizes, sums, 1, room);
  }

  /** So much was tried: whether that was the last of it. */
  private spent(tries: number): boolean {
    this.left -= tries;
    this.unlooked += tries;
    if (this.unlooked >= BETWEEN_LOOKS) {
      this.unlooked = 0;
      if (this.over()) this.left = 0;
    }
    return this.left <= 0;
  }

  /**
   * So many settings that could do: each size of a piece is set, or is what is left of a room when settings are taken from it. Sums that
   * free nothing by themselves stand in only for sizes that are left out.
   */
  private *choices(
    sizes: readonly number[],
    sums: readonly number[],
    many: number,
    room: Rectangle,
  ): Generator<number[]> {
    const spare = Math.max(1, sizes.length - many);
    for (let extra = 0; extra <= Math.min(many, spare); extra++)
      for (const some of combinations(sizes, many - extra))
        for (const more of combinations(sums, extra)) {
          if (this.spent(ONE_CHOICE)) return;
          const settings = [...some, ...more];
          const rooms = [...settings, room.width, room.height];
          const missing = sizes.filter((size) => !some.includes(size));
          if (missing.every((size) => rooms.some((r) => r === size || (r > size && isSum(r - size, settings)))))
            yield settings;
        }
  }

  /** The least cuts, then waste, with the settings from the `from`-th on. */
  private least(w: number, h: number, selection: number, from: number, ends: Ends): Best {
    if (!selection) {
      if (ends) return IMPOSSIBLE;
      const waste = isWorthKeeping(w, h, this.keep) ? 0 : w * h;
      return { ...IMPOSSIBLE, figure: waste };
    }
    const { areas, filled } = this.pieces;
    if (areas[selection]! > w * h) return IMPOSSIBLE;
    if (ends & END_TO_END.x && !filled.x[selection]!.has(w)) return IMPOSSIBLE;
    if (ends & END_TO_END.y && !filled.y[selection]!.has(h)) return IMPOSSIBLE;
    const key = `${w} ${h} ${selection} ${ends} ${this.names[from]}`;
    const known = this.known.get(key);
    if (known) return known;
    const way = this.pieces.pieceThatFills(w, h, selection);
    const best = way ? { ...IMPOSSIBLE, figure: 0, way } : this.leastCut(w, h, selection, from, ends);
    this.known.set(key, best);
    return best;
  }

  private leastCut(w: number, h: number, selection: number, from: number, ends: Ends): Best {
    const { areas } = this.pieces;
    let best = IMPOSSIBLE;
    for (const cut of ['x', 'y'] as const) {
      const [length, across] = cut === 'x' ? [w, h] : [h, w];
      const filled = this.pieces.filled[cut];
      const ways = ENDS_OF_PARTS[cut === 'x' ? 0 : 1]![ends]!;
      for (let nth = from; nth < this.order.length; nth++) {
        const setting = this.order[nth]!;
        const rest = length - setting;
        if (rest <= 0 || !canCut(this.cutter, across, setting, rest)) continue;
        for (const off of this.pieces.of(selection)) {
          const others = selection - off;
          if (areas[off]! > setting * across || areas[others]! > rest * across) continue;
          if (!filled[off]!.has(setting) && !filled[others]!.has(rest)) continue;
          for (const of of ways) {
            if (this.spent(1)) return best;
            const [a, b] = of;
            const one = this.least(cut === 'x' ? setting : w, cut === 'x' ? h : setting, off, nth, a).figure + ONE_CUT;
            if (one >= best.figure) continue;
            const two = this.least(cut === 'x' ? rest : w, cut === 'x' ? h : rest, others, nth, b).figure;
            if (one + two < best.figure)
              best = { figure: one + two, cut, left: this.order.length - nth, off, ends: of, way: null };
          }
        }
      }
    }
    return best;
  }

  private tree(room: Rectangle, selection: number, from: number, ends: Ends): Tree {
    if (!selection) return makeOffcutTree(room, this.keep);
    const { x, y, width, height } = room;
    const best = this.least(width, height, selection, from, ends);
    const { cut, left, off, way } = best;
    const nth = this.order.length - left;
    const setting = this.order[nth]!;
    const node = { x, y, width, height, lost: 0 };
    if (!cut) return { ...node, cut: null, parts: [], holds: { piece: way!.k, ...way!.way } };
    const [first, second] = splitRoom(room, cut, setting);
    const parts = [this.tree(first, off, nth, best.ends[0]), this.tree(second, selection - off, nth, best.ends[1])];
    return { ...node, cut, parts, holds: null };
  }
}

function* combinations<T>(list: readonly T[], many: number, from = 0): Generator<T[]> {
  if (many === 0) {
    yield [];
    return;
  }
  for (let i = from; i <= list.length - many; i++)
    for (const more of combinations(list, many - 1, i + 1)) yield [list[i]!, ...more];
}

/** Every order of so many settings in which each of these is there, and none twice in a row. */
function* orders(
  settings: readonly number[],
  many: number,
  before: readonly number[] = [],
): Generator<readonly number[]> {
  if (before.length === many) {
    yield before;
    return;
  }
  const unset = settings.filter((s) => !before.includes(s));
  if (unset.length > many - before.length) return;
  for (const next of unset.length === many - before.length ? unset : settings)
    if (next !== before.at(-1)) yield* orders(settings, many, [...before, next]);
}

/** Whether a length is a sum of settings, each as often as one likes. */
function isSum(length: number, settings: readonly number[]): boolean {
  const reached = new Set([0]);
  // a set is walked through with what is added on the way
  for (const at of reached) for (const setting of settings) if (at + setting <= length) reached.add(at + setting);
  return reached.has(length);
}
