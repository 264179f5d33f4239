import { formatExactLength, inches, type Ticks, type Unit } from '../length/index.ts';
import { fitsIn, type Size } from '../geometry/index.ts';
import type { PieceToCut } from '../page/index.ts';
import { planJob, readJob, type JobDocument, type Plan, type PlanNode } from '../planner/index.ts';
import { isSheet, reservedCountFor, sizeOfItem, type Drawer, type Paper, type StockItem } from '../stock/index.ts';

/*
 * What open pages want of the drawer, over all of them, paper by paper: whether what is there is enough, and what is to be bought. Pieces
 * that would do from two papers are counted for the first.
 */

/** What a page still wants cut, as it was known when it was saved. */
export interface WantingPage {
  readonly id: string;
  readonly name: string;
  readonly pieces: ReadonlyArray<Pick<PieceToCut, 'id' | 'width' | 'height' | 'quantity' | 'wish'>>;
}

export interface PaperDemand {
  readonly paper: string;
  /** Of each page: how many pieces, and from which side; null: whichever. */
  readonly pages: ReadonlyArray<{
    readonly id: string;
    readonly count: number;
    readonly sides: readonly ('A' | 'B' | null)[];
  }>;
  readonly count: number;
  readonly area: number;
  readonly pieces: readonly WantedPiece[];
}
export interface WantedPiece extends Size {
  /** `page piece`. */
  readonly id: string;
  readonly page: string;
  readonly quantity: number;
  readonly side: 'A' | 'B' | 'any';
  readonly direction: 'any' | 'width' | 'height';
  /** The item of the drawer that it must come from. */
  readonly stock: string | null;
}

/** What is wanted of each paper, the most first. */
export function collectPaperDemand(pages: readonly WantingPage[]): PaperDemand[] {
  const found = new Map<string, WantedPiece[]>();
  for (const page of pages)
    for (const { id, width, height, quantity, wish } of page.pieces) {
      const paper = wish?.papers[0];
      if (!wish || paper === undefined || quantity <= 0) continue;
      const piece: WantedPiece = {
        id: `${page.id} ${id}`,
        page: page.id,
        width,
        height,
        quantity,
        side: wish.side,
        direction: wish.direction,
        stock: wish.from?.stock ?? null,
      };
      found.set(paper, [...(found.get(paper) ?? []), piece]);
    }
  return [...found]
    .map(([paper, pieces]): PaperDemand => {
      const ids = [...new Set(pieces.map((p) => p.page))];
      return {
        paper,
        pieces,
        pages: ids.map((id) => {
          const own = pieces.filter((p) => p.page === id);
          const sides = new Set(own.map((p) => (p.side === 'any' ? null : p.side)));
          return { id, count: own.reduce((n, p) => n + p.quantity, 0), sides: [...sides] };
        }),
        count: pieces.reduce((n, p) => n + p.quantity, 0),
        area: pieces.reduce((n, p) => n + p.width * p.height * p.quantity, 0),
      };
    })
    .sort((a, b) => b.area - a.area);
}

/** A sheet as it is usually bought. */
export const USUAL_SHEET: Size = { width: inches(12), height: inches(12) };

/** Whether what there is of a paper is enough for what is wanted of it. */
export interface SupplyCheck {
  readonly paper: string;
  /** So many sheets, and scraps, what is wanted takes from what is there. */
  readonly takes: { readonly sheets: number; readonly scraps: number };
  /** Sheets to buy, of this size, and the pages that they are for. */
  readonly buy: { readonly count: number; readonly size: Size; readonly pages: readonly string[] };
  /** Pieces that no sheet of it gives: they are larger, or want a side, or a way round, that it does not have. */
  readonly beyond: ReadonlyArray<{ readonly piece: string; readonly why: 'size' | 'side' }>;
}

/** So many to buy are thought of, of one paper. */
const MAX_SHEETS_TO_BUY = 60;
/** Of what fits no piece, or is more than can be wanted, nothing is asked. */
const ASKED = 400;
const STEPS = 40;

/**
 * Plans what is wanted of a paper from what is there, and counts what is to be bought besides: as few sheets as are found. What pages
 * keep for themselves is theirs, but they take it first here too; what is held back stays.
 */
export function checkSupply(
  { paper: id, pieces }: PaperDemand,
  drawer: Drawer,
  unit: Unit,
  clock: { readonly now: () => number },
): SupplyCheck | null {
  const paper = drawer.papers.find((p) => p.id === id);
  if (!paper) return null;
  const own = drawer.stock.filter((s) => s.paper === id && !s.reserved);
  const size = boughtAs(own);
  const document = jobOfWanted(paper, pieces, own, size, unit);
  const read = readJob(document);
  if (!read.ok) return null;
  const plan = planJob({ ...read.job, nodes: STEPS }, clock);
  const kinds = new Map(own.map((s) => [s.id, s]));
  const bought = plan.sheets.filter((s) => s.stock === BUY);
  const taken = plan.sheets.flatMap((s) => kinds.get(s.stock) ?? []);
  const pageOf = (piece: string) => pieces[Number(piece)]?.page ?? [];
  const of = (list: readonly Plan['sheets'][number][]) => [
    ...new Set(list.flatMap(({ tree }) => heldIn(tree)).flatMap(pageOf)),
  ];
  return {
    paper: id,
    takes: { sheets: taken.filter(isSheet).length, scraps: taken.filter((s) => !isSheet(s)).length },
    buy: { count: bought.length, size, pages: of(bought) },
    beyond: plan.missing.flatMap((m) => {
      const piece = pieces[Number(m.piece)]?.id;
      const side = m.why === 'wrong-side-only' || m.why === 'direction';
      return piece === undefined ? [] : [{ piece, why: side ? ('side' as const) : ('size' as const) }];
    }),
  };
}
const BUY = 'to buy';

/** As large as the largest sheet there is of it; else as sheets usually are. */
function boughtAs(own: readonly StockItem[]): Size {
  const sheets = own.filter((s) => s.kind === 'sheet').map(sizeOfItem);
  return (
    sheets.reduce<Size | null>((a, b) => (a && a.width * a.height >= b.width * b.height ? a : b), null) ?? USUAL_SHEET
  );
}

function jobOfWanted(
  paper: Paper,
  pieces: readonly WantedPiece[],
  own: readonly StockItem[],
  size: Size,
  unit: Unit,
): JobDocument {
  const text = (t: Ticks) => formatExactLength(t, unit);
  const fits = own.filter((s) => pieces.some((p) => fitsIn(p, sizeOfItem(s))));
  const named = (value: string | number, of: Unit) =>
    Number(value) === 0 ? 0 : `${value}`.match(/[a-z"]/i) ? `${value}` : `${value} ${of}`;
  return {
    format: 'temnex-job',
    version: 2,
    name: paper.name,
    unit,
    cutter: { step: null, narrowest: 0 },
    plan: { aim: 'least-paper', seconds: 0.3 },
    papers: [{ id: paper.id, sides: paper.sides.map(({ side, direction, along }) => ({ side, direction, along })) }],
    stock: [
      // what is there costs nothing more: new paper is what has to be bought
      ...fits.slice(0, ASKED).map((s) => ({
        id: s.id,
        paper: paper.id,
        quantity: s.quantity,
        kind: 'scrap' as const,
        turned: s.turned,
        width: named(s.width, s.unit),
        height: named(s.height, s.unit),
        ...(s.outline
          ? { outline: s.outline.map(([x, y]) => [named(x, s.unit), named(y, s.unit)] as [string, string]) }
          : {}),
        trim: {
          left: named(s.trim.left, s.unit),
          right: named(s.trim.right, s.unit),
          top: named(s.trim.top, s.unit),
          bottom: named(s.trim.bottom, s.unit),
        },
      })),
      {
        id: BUY,
        paper: paper.id,
        quantity: MAX_SHEETS_TO_BUY,
        kind: 'sheet',
        width: text(size.width),
        height: text(size.height),
      },
    ],
    pieces: pieces.map((p, i) => ({
      id: String(i),
      quantity: p.quantity,
      papers: [paper.id],
      side: p.side,
      direction: p.direction,
      width: text(p.width),
      height: text(p.height),
    })),
  };
}

function heldIn(node: PlanNode): string[] {
  const own = typeof node.holds === 'object' ? [node.holds.piece] : [];
  return [...own, ...[...(node.parts ?? []), ...(node.opening ? [node.opening] : [])].flatMap(heldIn)];
}

/** What stands out about what is wanted of a paper. */
export type DemandNote =
  /** Pages want one side, others the other: cutting a piece spends both. */
  | { readonly code: 'both-sides'; readonly a: readonly string[]; readonly b: readonly string[] }
  /** Several pages want to be cut from one and the same piece of paper. */
  | { readonly code: 'same-item'; readonly stock: string; readonly pages: readonly string[] }
  /** So many are kept, for pages that no longer want any. */
  | { readonly code: 'kept-for-nothing'; readonly page: string; readonly count: number };

export function collectDemandNotes(wanted: PaperDemand, drawer: Drawer): DemandNote[] {
  const on = (side: 'A' | 'B') => wanted.pages.filter((p) => p.sides.includes(side)).map((p) => p.id);
  const [a, b] = [on('A'), on('B')];
  const items = new Map<string, Set<string>>();
  for (const { stock, page } of wanted.pieces)
    if (stock !== null) items.set(stock, (items.get(stock) ?? new Set<string>()).add(page));
  const quantity = (stock: string) => drawer.stock.find((s) => s.id === stock)?.quantity ?? 0;
  return [
    ...(a.length && b.length ? [{ code: 'both-sides' as const, a, b }] : []),
    ...[...items].flatMap(([stock, pages]) =>
      pages.size > quantity(stock) ? [{ code: 'same-item' as const, stock, pages: [...pages] }] : [],
    ),
  ];
}

/** What pages keep that do not want it: the page is cut, gone, or wants another paper now. */
export function findStaleReservations(pages: readonly WantingPage[], stock: readonly StockItem[]): DemandNote[] {
  const wanted = new Map(pages.map((p) => [p.id, new Set(p.pieces.flatMap((piece) => piece.wish?.papers ?? []))]));
  const kept = new Map<string, number>();
  for (const item of stock)
    for (const { page } of item.reserves ?? [])
      if (!wanted.get(page)?.has(item.paper)) kept.set(page, (kept.get(page) ?? 0) + reservedCountFor(item, page));
  return [...kept].map(([page, count]) => ({ code: 'kept-for-nothing', page, count }));
}

/** What is to be bought, with what it costs where that is known. */
export interface ShoppingEntry {
  readonly paper: string;
  readonly count: number;
  readonly size: Size;
  readonly pages: readonly string[];
  /** Packs to buy, where it is sold in packs; else so many sheets. */
  readonly packs: number | null;
  /** In hundredths; null: nobody has said what it costs. */
  readonly cost: number | null;
}
export function buildShoppingList(enough: readonly SupplyCheck[], papers: ReadonlyMap<string, Paper>): ShoppingEntry[] {
  return enough
    .filter(({ buy }) => buy.count > 0)
    .map(({ paper: id, buy }) => {
      const paper = papers.get(id);
      const packs = paper?.pack === undefined ? null : Math.ceil(buy.count / paper.pack);
      const cost = paper?.price === undefined ? null : paper.price * (packs ?? buy.count);
      return { paper: id, ...buy, packs, cost };
    });
}

/** So many sizes are told to the planner: the largest, since what serves them serves smaller ones. */
const MAX_WANTS = 100;
/** Sizes that were often cut, at the most: beyond these it is chance. */
const MAX_OFTEN = 30;

/** Sizes that pieces of several pages were cut to, whichever way round they lay: those of most pages first, the larger of as many. */
export function findOftenCutSizes(pages: ReadonlyArray<{ readonly pieces: readonly Size[] }>): Size[] {
  const found = new Map<string, Size & { pages: number }>();
  for (const { pieces } of pages)
    for (const [key, size] of new Map(pieces.map((piece) => [sizeKey(piece), piece])))
      found.set(key, { width: size.width, height: size.height, pages: (found.get(key)?.pages ?? 0) + 1 });
  return [...found.values()]
    .filter((size) => size.pages > 1)
    .sort((a, b) => b.pages - a.pages || b.width * b.height - a.width * a.height)
    .slice(0, MAX_OFTEN)
    .map(({ width, height }) => ({ width, height }));
}
const sizeKey = ({ width, height }: Size): string => `${Math.min(width, height)} ${Math.max(width, height)}`;

/**
 * A job with what other pages still want from its papers, and of a paper that none of them wants, what was often cut before: where it is
 * all the same otherwise, offcuts are left that serve them.
 */
export function addOtherWantsToJob(
  job: JobDocument,
  others: readonly WantingPage[],
  before: readonly Size[] = [],
): JobDocument {
  const own = new Set(job.papers.map((paper) => paper.id));
  const wanted = collectPaperDemand(others).filter(({ paper }) => own.has(paper));
  const unwanted = [...own].filter((paper) => !wanted.some((w) => w.paper === paper));
  const asked = [...wanted, ...unwanted.map((paper) => ({ paper, pieces: before }))];
  const wants = new Map<string, Size & { papers: string[] }>();
  for (const { paper, pieces } of asked)
    for (const piece of pieces) {
      const known = wants.get(sizeKey(piece));
      if (known?.papers.includes(paper)) continue;
      const { width, height } = piece;
      wants.set(sizeKey(piece), { width, height, papers: [...(known?.papers ?? []), paper] });
    }
  if (!wants.size) return job;
  const largest = [...wants.values()].sort((a, b) => b.width * b.height - a.width * a.height).slice(0, MAX_WANTS);
  const text = (length: Ticks) => formatExactLength(length, job.unit ?? 'in');
  return {
    ...job,
    version: 3,
    wants: largest.map(({ width, height, papers }) => ({ width: text(width), height: text(height), papers })),
  };
}
