import type { Job, Rectangle } from '../documents/job.ts';
import { END_TO_END, ENDS_OF_PARTS, type Ends } from './endToEnd.ts';
import { Selections, type KindOnSheet } from './selections.ts';
import { canCut, makeOffcutTree, splitRoom, type Tree } from './tree.ts';

/*
 * The fewest settings for several sheets together, each with its pieces. Of each sheet all sets of settings are found with which it
 * can be cut at all, whatever their order; of every sheet one is then chosen so that together they are as few as can be. Whether
 * there is an order in which each of them is set once is another question: the number is a bound, the trees are worth a try.
 */

/** Selections of pieces of one sheet, beyond which there is too much to try. */
const MAX_SELECTIONS = 300;
/** So many pairs of ways, of what comes off and what is left, count for one cut that is tried. */
const PAIRS_A_CUT = 8;
/** What is tried between two looks at whether it is over. */
const BETWEEN_LOOKS = 512;
/** Sets of settings of one sheet that are told apart, and choices of them looked at: beyond it, nothing is known. */
const MAX_SETS = 400;
const MAX_CHOICES = 20_000;

/** A sheet and the pieces that are cut from it. */
export interface SheetToCut {
  readonly room: Rectangle;
  readonly kinds: readonly KindOnSheet[];
}

/** How few settings could do, and by sheet a way to cut it with settings of these; null where too much would have to be tried. */
export interface JointSettings {
  readonly bound: number;
  readonly trees: readonly (Tree | null)[];
}

/** A way to cut a room into a selection of pieces. */
interface Way {
  /** In ticks, from the smallest to the largest. */
  readonly settings: readonly number[];
  readonly cuts: number;
  /** Null where the room is the piece, or nothing comes from it. */
  readonly first: FirstCut | null;
}
interface FirstCut {
  readonly cut: 'x' | 'y';
  readonly setting: number;
  /** The pieces in what comes off. */
  readonly off: number;
  readonly parts: readonly [Way, Way];
}
/** Of several sheets one way each: what they ask for together. */
interface Choice {
  readonly settings: readonly number[];
  readonly cuts: number;
  readonly ways: readonly Way[];
}
const UNCUT: Way = { settings: [], cuts: 0, first: null };

/**
 * No way to cut these sheets, each into its pieces, has fewer settings than `bound`; `limit` cuts are tried at the most. Sheets with
 * too much to try do not count. Null where that is all of them, where the time is over, and where the cutter has a kerf.
 */
export function findJointSettings(
  sheets: readonly SheetToCut[],
  job: Pick<Job, 'cutter' | 'keep'>,
  limit: number,
  over: () => boolean,
): JointSettings | null {
  if (job.cutter.kerf) return null;
  // a sheet like another asks for nothing that the other does not
  const keys = sheets.map(({ room, kinds }) => JSON.stringify([room.width, room.height, kinds]));
  const share = limit / new Set(keys).size;
  const alike = new Map<string, { search: WaysToCut; ways: readonly Way[] | null }>();
  sheets.forEach(({ room, kinds }, i) => {
    if (alike.has(keys[i]!)) return;
    const search = new WaysToCut(kinds, job, share, over);
    alike.set(keys[i]!, { search, ways: search.of(room) });
  });
  const found = [...alike.values()];
  // few sheets ask for less than all of them: what is too much for all is still a bound for those with the fewest ways
  const counted = found
    .flatMap(({ ways }, i) => (ways?.length ? [i] : []))
    .sort((a, b) => found[a]!.ways!.length - found[b]!.ways!.length);
  for (; counted.length && !over(); counted.pop()) {
    const chosen = chooseFewest(
      counted.map((i) => found[i]!.ways!),
      over,
    );
    if (!chosen) continue;
    const nths = [...alike.keys()];
    // each sheet has a tree of its own
    const trees = sheets.map(({ room }, i) => {
      const nth = nths.indexOf(keys[i]!);
      const way = chosen.ways[counted.indexOf(nth)];
      return way ? found[nth]!.search.tree(room, way) : null;
    });
    return { bound: chosen.bound, trees };
  }
  return null;
}

/** Thrown where more would have to be looked at than is allowed. */
class TooMuch extends Error {}

/** The ways to cut a sheet none of which does with less than another. */
class WaysToCut {
  private readonly pieces: Selections;
  private readonly known = new Map<string, readonly Way[]>();
  private readonly job: Pick<Job, 'cutter' | 'keep'>;
  private left: number;
  private unlooked = 0;
  private readonly over: () => boolean;

  constructor(kinds: readonly KindOnSheet[], job: Pick<Job, 'cutter' | 'keep'>, limit: number, over: () => boolean) {
    this.job = job;
    this.left = limit;
    this.over = over;
    const ofKind = ({ laid, count }: KindOnSheet) => count * Math.max(...laid.flatMap((l) => [l.width, l.height]));
    const longest = kinds.reduce((sum, kind) => sum + ofKind(kind), 0);
    this.pieces = new Selections(kinds, longest, over, MAX_SELECTIONS);
  }

  of({ width, height }: Rectangle): readonly Way[] | null {
    if (this.pieces.isTooMuch) return null;
    return unlessTooMuch(() => this.ways(width, height, this.pieces.whole, 0));
  }

  tree(room: Rectangle, way: Way): Tree {
    return this.treeOf(room, this.pieces.whole, way);
  }

  private treeOf(room: Rectangle, selection: number, { first }: Way): Tree {
    if (!selection) return makeOffcutTree(room, this.job.keep);
    const { x, y, width, height } = room;
    const node = { x, y, width, height, lost: 0 };
    if (!first) {
      const { k, way } = this.pieces.pieceThatFills(width, height, selection)!;
      return { ...node, cut: null, parts: [], holds: { piece: k, ...way } };
    }
    const { cut, setting, off, parts } = first;
    const [one, two] = splitRoom(room, cut, setting);
    return {
      ...node,
      cut,
      parts: [this.treeOf(one, off, parts[0]), this.treeOf(two, selection - off, parts[1])],
      holds: null,
    };
  }

  private ways(w: number, h: number, selection: number, ends: Ends): readonly Way[] {
    if (!selection) return ends ? [] : [UNCUT];
    const { areas, filled } = this.pieces;
    if (areas[selection]! > w * h) return [];
    if (ends & END_TO_END.x && !filled.x[selection]!.has(w)) return [];
    if (ends & END_TO_END.y && !filled.y[selection]!.has(h)) return [];
    if (this.pieces.pieceThatFills(w, h, selection)) return [UNCUT];
    const key = `${w} ${h} ${selection} ${ends}`;
    const known = this.known.get(key);
    if (known) return known;
    const ways = this.waysByFirstCut(w, h, selection, ends);
    this.known.set(key, ways);
    return ways;
  }

  private waysByFirstCut(w: number, h: number, selection: number, ends: Ends): readonly Way[] {
    const ways: Way[] = [];
    for (const cut of ['x', 'y'] as const) {
      const [length, across] = cut === 'x' ? [w, h] : [h, w];
      const filled = this.pieces.filled[cut];
      for (const off of this.pieces.of(selection)) {
        const others = selection - off;
        // either part of a cut may lie against the fence
        const settings = new Set([...filled[off]!, ...[...filled[others]!].map((end) => length - end)]);
        for (const setting of settings) {
          const rest = length - setting;
          if (setting <= 0 || rest <= 0 || !canCut(this.job.cutter, across, setting, rest)) continue;
          for (const [a, b] of ENDS_OF_PARTS[cut === 'x' ? 0 : 1]![ends]!) {
            this.spend(1);
            const one = this.ways(cut === 'x' ? setting : w, cut === 'x' ? h : setting, off, a);
            if (!one.length) continue;
            const two = this.ways(cut === 'x' ? rest : w, cut === 'x' ? h : rest, others, b);
            this.spend((one.length * two.length) / PAIRS_A_CUT);
            for (const p of one)
              for (const q of two)
                addWay(ways, {
                  settings: union(union(p.settings, [setting]), q.settings),
                  cuts: p.cuts + q.cuts + 1,
                  first: { cut, setting, off, parts: [p, q] },
                });
          }
        }
      }
    }
    return ways;
  }

  private spend(tries: number): void {
    this.left -= tries;
    this.unlooked += tries;
    if (this.left <= 0) throw new TooMuch();
    if (this.unlooked < BETWEEN_LOOKS) return;
    this.unlooked = 0;
    if (this.over()) throw new TooMuch();
  }
}

/** One way of each sheet, so that their settings are as few as can be, then their cuts; null where that is too much to try. */
function chooseFewest(
  sheets: readonly (readonly Way[])[],
  over: () => boolean,
): { bound: number; ways: readonly Way[] } | null {
  const least = sheets.map((ways) => Math.min(...ways.map(({ settings }) => settings.length)));
  const order = sheets.map((_, i) => i).sort((a, b) => least[b]! - least[a]!);
  let best: Choice | null = null;
  let choices = 0;
  const choose = (chosen: Choice): Choice | null => {
    if (best && (chosen.settings.length - best.settings.length || chosen.cuts - best.cuts) >= 0) return best;
    if (chosen.ways.length === order.length) return (best = chosen);
    const next: Choice[] = [];
    for (const way of sheets[order[chosen.ways.length]!]!)
      addWay(next, {
        settings: union(chosen.settings, way.settings),
        cuts: chosen.cuts + way.cuts,
        ways: [...chosen.ways, way],
      });
    choices += next.length;
    if (choices > MAX_CHOICES || over()) throw new TooMuch();
    next.sort((a, b) => a.settings.length - b.settings.length || a.cuts - b.cuts);
    for (const choice of next) choose(choice);
    return best;
  };
  const found = unlessTooMuch(() => choose({ settings: [], cuts: 0, ways: [] }));
  return found && { bound: found.settings.length, ways: sheets.map((_, i) => found.ways[order.indexOf(i)]!) };
}

/** Adds a way unless one of those there does with no more, and drops those that do with no less. */
function addWay<T extends Pick<Way, 'settings' | 'cuts'>>(ways: T[], added: T): void {
  const isNoMore = (a: T, b: T) =>
    a.settings.length < b.settings.length
      ? a.settings.every((s) => b.settings.includes(s))
      : a.settings.length === b.settings.length && a.cuts <= b.cuts && a.settings.every((s, i) => s === b.settings[i]);
  if (ways.some((way) => isNoMore(way, added))) return;
  const kept = ways.filter((way) => !isNoMore(added, way));
  ways.splice(0, ways.length, ...kept, added);
  if (ways.length > MAX_SETS) throw new TooMuch();
}

const union = (a: readonly number[], b: readonly number[]): readonly number[] => {
  const more = b.filter((s) => !a.includes(s));
  return more.length ? [...a, ...more].sort((x, y) => x - y) : a;
};

function unlessTooMuch<T>(tried: () => T): T | null {
  try {
    return tried();
  } catch (error) {
    if (error instanceof TooMuch) return null;
    throw error;
  }
}
