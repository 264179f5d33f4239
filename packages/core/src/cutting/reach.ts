import { turnSize, type Size } from '../geometry/index.ts';
import { lengthOf, ticks } from '../length/index.ts';
import { choosePaper, type Page, type PieceToCut, type Wish } from '../page/index.ts';
import { waysOf } from '../planner/index.ts';
import { isSheet, sizeOfItem, type Paper, type StockItem } from '../stock/index.ts';

/* Laying papers on layers: what one asks of a drawer before anything is planned. */

/** Whether a piece comes out of one item of the drawer. */
export type Reach =
  /** `turned`: only laid by a quarter round. */
  | { readonly reaches: true; readonly turned: boolean }
  /** An odd scrap that is as wide and high: whether it reaches depends on its outline. */
  | { readonly reaches: 'perhaps' }
  | { readonly reaches: false; readonly why: 'held-back' }
  | { readonly reaches: false; readonly why: 'no-such-face' }
  /** By how much it is too short each way, laid the better way. */
  | { readonly reaches: false; readonly why: 'too-small'; readonly short: Size };

type Showing = Pick<Wish, 'side' | 'direction'>;
type Ways = ReturnType<typeof waysOf>;
const waysOn = (wish: Showing, paper: Paper, item: Pick<StockItem, 'turned'>): Ways =>
  waysOf(wish, {
    paper: { faces: paper.sides.map(({ side, direction, along }) => ({ side, direction, along })) },
    turned: item.turned,
  });

/** Whether a piece comes out of an item, its margins gone, shown the way that is wished for. */
export const checkReach = (piece: Size, wish: Showing, paper: Paper, item: StockItem): Reach =>
  reachBy(piece, waysOn(wish, paper, item), item);

function reachBy(piece: Size, ways: Ways, item: StockItem): Reach {
  if (item.reserved) return { reaches: false, why: 'held-back' };
  const lies = [...(ways.upright ? [piece] : []), ...(ways.flat ? [turnSize(piece)] : [])];
  if (!lies.length) return { reaches: false, why: 'no-such-face' };
  const room = roomOf(item);
  const at = lies.findIndex((size) => size.width <= room.width && size.height <= room.height);
  if (at >= 0 && item.outline) return { reaches: 'perhaps' };
  if (at >= 0) return { reaches: true, turned: lies[at] !== piece };
  const shorts = lies.map((size) => over(size, room));
  const short = shorts.reduce((a, b) => (b.width + b.height < a.width + a.height ? b : a));
  return { reaches: false, why: 'too-small', short };
}

const over = (size: Size, room: Size): Size => ({
  width: ticks(Math.max(0, size.width - room.width)),
  height: ticks(Math.max(0, size.height - room.height)),
});

/** What is left of an item once its margins are gone. */
function roomOf(item: StockItem): Size {
  const { width, height } = sizeOfItem(item);
  const off = (edge: keyof StockItem['trim']) => (item.trim[edge] ? lengthOf(item.trim[edge], item.unit) : 0);
  return { width: ticks(width - off('left') - off('right')), height: ticks(height - off('top') - off('bottom')) };
}

/**
 * The direction in which a paper's face is drawn on the page: its pattern runs on the piece as it does on the upright paper. A piece
 * keeps it when it is cut, unless somebody says that it may be turned. A face without a direction may always be.
 */
export function directionAsDrawn(paper: Pick<Paper, 'sides'>, side: Wish['side']): Wish['direction'] {
  const face = paper.sides.find((one) => one.side === side) ?? paper.sides[0]!;
  return face.direction === 'none' ? 'any' : face.along;
}

/** What is wished for once a paper is laid on a layer, or beneath the one that lies there. */
export function wishWithPaper(wish: Wish | null, paper: Paper, bed: 'first' | 'second'): Wish {
  const [first, second] = wish?.papers ?? [];
  if (wish && first === paper.id) return bed === 'first' ? wish : { ...wish, papers: [paper.id] };
  if (wish && first !== undefined && bed === 'second') return { ...wish, papers: [first, paper.id] };
  const others = second !== undefined && second !== paper.id ? [second] : [];
  const { side } = paper.sides[0]!;
  return { papers: [paper.id, ...others], side, direction: directionAsDrawn(paper, side) };
}

/** The page with a paper laid on some of its layers. */
export const layPaper = (page: Page, pieces: readonly PieceToCut[], paper: Paper, bed: 'first' | 'second'): Page =>
  pieces.reduce((laid, piece) => choosePaper(laid, piece, wishWithPaper(piece.wish, paper, bed)), page);

/** The page with what lies on some of its layers taken off again: all of it, or the second choice alone. */
export const takePaperOff = (page: Page, pieces: readonly PieceToCut[], bed: 'first' | 'second'): Page =>
  pieces.reduce((laid, piece) => {
    const first = piece.wish?.papers[0];
    const left = bed === 'second' && piece.wish && first !== undefined ? { ...piece.wish, papers: [first] } : null;
    return choosePaper(laid, piece, left);
  }, page);

/** A paper's other face: A, B, then whichever suits; of a paper with one face, that one. */
export function wishForOtherFace(wish: Wish, paper: Paper): Wish {
  if (paper.sides.length < 2) return wish;
  const order = [...paper.sides.map((s) => s.side), 'any' as const];
  const side = order[(order.indexOf(wish.side) + 1) % order.length]!;
  // The other face begins as it is drawn; only a face with a direction can have been set free to turn.
  const mayTurn = wish.direction === 'any' && directionAsDrawn(paper, wish.side) !== 'any';
  return { ...wish, side, direction: mayTurn ? 'any' : directionAsDrawn(paper, side) };
}

/** Of one that is made of several: cut in one again. */
export function wishForOnePart(wish: Wish): Wish {
  const { built: _built, ...whole } = wish;
  return whole;
}

const DIRECTIONS = ['any', 'height', 'width'] as const;
/** The next way in which a pattern may run: as it comes, up and down, across. */
export const nextDirection = (wish: Wish): Wish => ({
  ...wish,
  direction: DIRECTIONS[(DIRECTIONS.indexOf(wish.direction) + 1) % DIRECTIONS.length]!,
});

/** What of a paper reaches for some layers. */
export interface PaperReach {
  /** Layers for which something reaches, of `of`. */
  readonly reached: number;
  readonly of: number;
  /** The smallest item that reaches for all of them: a scrap before a sheet. */
  readonly best: StockItem | null;
  /** Where nothing reaches for one layer: the item that comes nearest, and what it lacks. */
  readonly nearest: { readonly item: StockItem; readonly short: Size } | null;
  /** Where nothing that may be used reaches: why not. */
  readonly why: 'none-left' | 'held-back' | 'no-such-face' | 'too-small' | null;
}

/**
 * What of a paper reaches for some layers, if it were laid on each: as it lies there already, or with its first face, any way
 * round. `items` are all there is of the paper, in the order of the drawer: scraps before sheets, the largest first.
 */
export function checkPaperReach(
  pieces: readonly PieceToCut[],
  paper: Paper,
  items: readonly StockItem[],
  bed: 'first' | 'second' = 'first',
): PaperReach {
  // of a drawer of thousands each item is looked at once, and papers lie in four ways at the most
  const ways = pieces.map((piece) => {
    const wish = wishWithPaper(piece.wish, paper, bed);
    const known = new Map<number, Ways>();
    return (item: StockItem): Ways => {
      let way = known.get(item.turned);
      if (!way) known.set(item.turned, (way = waysOn(wish, paper, item)));
      return way;
    };
  });
  const all = items.map((item) => ({ item, reaches: pieces.map((piece, i) => reachBy(piece, ways[i]!(item), item)) }));
  const reached = pieces.filter((_, i) => all.some(({ reaches }) => reaches[i]!.reaches)).length;
  const scraps = all.filter(({ item }) => !isSheet(item));
  const fresh = all.filter(({ item }) => isSheet(item));
  const last = (list: typeof all, sure: boolean) =>
    list.findLast(({ reaches }) => reaches.every((r) => (sure ? r.reaches === true : r.reaches)))?.item;
  const best = !pieces.length ? null : (last(scraps, true) ?? last(fresh, true) ?? last(all, false) ?? null);
  const found = { reached, of: pieces.length, best };
  if (reached || !pieces.length) return { ...found, nearest: null, why: null };
  if (!items.length) return { ...found, nearest: null, why: 'none-left' };
  const why = all.flatMap(({ item, reaches }) => reaches.map((reach) => ({ item, reach })));
  let nearest: PaperReach['nearest'] = null;
  const lacking = (s: Size) => s.width + s.height;
  for (const { item, reach } of why) {
    if (reach.reaches !== false || reach.why !== 'too-small') continue;
    if (!nearest || lacking(reach.short) < lacking(nearest.short)) nearest = { item, short: reach.short };
  }
  const held = why.some(({ reach }) => reach.reaches === false && reach.why === 'held-back');
  return {
    ...found,
    nearest: pieces.length === 1 ? nearest : null,
    why: nearest ? 'too-small' : held ? 'held-back' : 'no-such-face',
  };
}
