import type { Cutter, Job, Rectangle } from '../documents/job.ts';
import type { Way } from '../blanks/turning.ts';
import { canCut, makeOffcutTree, isWorthKeeping, type Tree } from './tree.ts';

/*
 * The fewest settings with which a few pieces come from one sheet, and of those the fewest cuts. The settings
 * are chosen first, in the order in which they are set: then the fewest cuts that keep to it are found over all edge-to-edge ways to
 * cut the sheet. What is set is the size of a piece, or of several end to end; nothing is shaved: in one of the two parts of a cut,
 * pieces lie end to end from the cut to the edge opposite. Else a strip could be cut off again and again until a size is reached.
 */

/** The pieces of one kind, and how they may lie. */
export interface KindOnSheet {
  readonly k: number;
  readonly count: number;
  readonly laid: readonly { readonly width: number; readonly height: number; readonly way: Way }[];
}

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
/** Selections of pieces that are told apart, and lengths that one fills: beyond it, too many to try. */
const MAX_SELECTIONS = 2500;
const MAX_LENGTHS = 500;

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

/** Pieces must lie end to end from the left edge to the right one (1), from the lower to the upper (2), both, or neither. */
type Ends = 0 | 1 | 2 | 3;
const END_TO_END = { x: 1, y: 2 } as const;
/** For each of what a whole must do: what its two parts may, where a cut along x or y parts it. */
const ENDS_OF_PARTS = (['x', 'y'] as const).map((cut) =>
  ([0, 1, 2, 3] as const).map((whole): (readonly [Ends, Ends])[] => {
    const [along, across] = cut === 'x' ? [1, 2] : [2, 1];
    // across the cut both parts must; else one of them, or something would be shaved. Beside it one of them must
    const first = whole & along ? [[along, along]] : [[along, 0], [0, along]]; // prettier-ignore
    const second = whole & across ? [[across, 0], [0, across]] : [[0, 0]]; // prettier-ignore
    return first.flatMap(([a, b]) => second.map(([c, d]): [Ends, Ends] => [(a! | c!) as Ends, (b! | d!) as Ends]));
  }),
);

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
  /** [kind] what a copy of it adds to the number of a selection */
  private readonly place: number[] = [];
  private readonly selections: number;
  /** Told once it is made. */
  isTooMuch: boolean;
  private readonly areas: Float64Array;
  /** By cut: [selection] lengths that some of its pieces fill, end to end. */
  private readonly filled: Record<'x' | 'y', ReadonlySet<number>[]>;
  private readonly within: (readonly number[])[] = [];
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
    let all = 1;
    for (const { count } of kinds) {
      this.place.push(all);
      all *= count + 1;
    }
    this.selections = all;
    this.isTooMuch = all > MAX_SELECTIONS;
    this.areas = new Float64Array(this.isTooMuch ? 0 : all);
    this.filled = { x: [new Set([0])], y: [new Set([0])] };
    for (let selection = 1; selection < this.areas.length; selection++) {
      const kind = this.kinds.findLastIndex((_, i) => this.countOf(selection, i) > 0);
      const { laid } = this.kinds[kind]!;
      const before = selection - this.place[kind]!;
      this.areas[selection] = this.areas[before]! + laid[0]!.width * laid[0]!.height;
      for (const [cut, side] of [
        ['x', 'width'],
        ['y', 'height'],
      ] as const) {
        const shorter = this.filled[cut][before]!;
        const longer = new Set(shorter);
        for (const length of shorter)
          for (const way of laid) if (length + way[side] <= longest) longer.add(length + way[side]);
        this.filled[cut].push(longer);
        if (longer.size > MAX_LENGTHS) this.isTooMuch = true;
      }
      if (this.isTooMuch) return;
    }
  }

  fewest(room: Rectangle): FewSettings | null {
    const all = this.selections - 1;
    const sizes = [...new Set(this.kinds.flatMap(({ laid }) => [laid[0]!.width, laid[0]!.height]))];
    const ends = [...this.filled.x[all]!, ...this.filled.y[all]!];
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
    if (this.areas[selection]! > w * h) return IMPOSSIBLE;
    if (ends & END_TO_END.x && !this.filled.x[selection]!.has(w)) return IMPOSSIBLE;
    if (ends & END_TO_END.y && !this.filled.y[selection]!.has(h)) return IMPOSSIBLE;
    const key = `${w} ${h} ${selection} ${ends} ${this.names[from]}`;
    const known = this.known.get(key);
    if (known) return known;
    const best = this.exactly(w, h, selection) ?? this.leastCut(w, h, selection, from, ends);
    this.known.set(key, best);
    return best;
  }

  private exactly(w: number, h: number, selection: number): Best | null {
    const kind = this.place.indexOf(selection);
    if (kind < 0) return null;
    const { k, laid } = this.kinds[kind]!;
    const lies = laid.find(({ width, height }) => width === w && height === h);
    return lies ? { ...IMPOSSIBLE, figure: 0, way: { k, way: lies.way } } : null;
  }

  private leastCut(w: number, h: number, selection: number, from: number, ends: Ends): Best {
    let best = IMPOSSIBLE;
    for (const cut of ['x', 'y'] as const) {
      const [length, across] = cut === 'x' ? [w, h] : [h, w];
      const filled = this.filled[cut];
      const ways = ENDS_OF_PARTS[cut === 'x' ? 0 : 1]![ends]!;
      for (let nth = from; nth < this.order.length; nth++) {
        const setting = this.order[nth]!;
        const rest = length - setting;
        if (rest <= 0 || !canCut(this.cutter, across, setting, rest)) continue;
        for (const off of this.selectionsOf(selection)) {
          const others = selection - off;
          if (this.areas[off]! > setting * across || this.areas[others]! > rest * across) continue;
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
    const [first, second] =
      cut === 'x'
        ? [
            { ...room, width: setting },
            { ...room, x: x + setting, width: width - setting },
          ]
        : [
            { ...room, height: setting },
            { ...room, y: y + setting, height: height - setting },
          ];
    const parts = [this.tree(first, off, nth, best.ends[0]), this.tree(second, selection - off, nth, best.ends[1])];
    return { ...node, cut, parts, holds: null };
  }

  private countOf(selection: number, kind: number): number {
    return Math.floor(selection / this.place[kind]!) % (this.kinds[kind]!.count + 1);
  }

  /** Every selection of the pieces of a selection, itself and none included. */
  private selectionsOf(selection: number): readonly number[] {
    return (this.within[selection] ??= this.kinds.reduce<number[]>(
      (found, _, kind) =>
        found.flatMap((s) =>
          Array.from({ length: this.countOf(selection, kind) + 1 }, (__, n) => s + n * this.place[kind]!),
        ),
      [0],
    ));
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
