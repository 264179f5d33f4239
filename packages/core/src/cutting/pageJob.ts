import { lengthOf, formatExactLength, type LengthText, type Mark, type Unit } from '../length/index.ts';
import type { DerivedPage, Page, PieceToCut } from '../page/index.ts';
import { fitsIn } from '../geometry/index.ts';
import { cutCountOf, assessCutPieces, type CutPiece } from './cutPieces.ts';
import { findHiddenCentre, findHiddenEnds, findHiddenJoin, findLeastSize } from './hidden.ts';
import { spareIdOf } from './pieceIds.ts';
import { sortForDrawer, sizeOfItem, type Drawer, type Habits, type StockItem } from '../stock/index.ts';
import { formatNesting } from './blanksJob.ts';
import { formatFinish, formatShape, type JobDocument } from '../planner/index.ts';

export type PageJob =
  | { ok: true; job: JobDocument }
  | {
      ok: false;
      problem:
        | { code: 'no-paper-chosen' | 'place-gone' | 'page-refused'; parts: readonly string[] }
        | { code: 'nothing-to-cut' };
    };

type Corner = [LengthText, LengthText];
type Line = [Corner, Corner];

/** How many of the same page, of which pieces one more, and which are cut first. */
export type CutOrder = Pick<Page, 'copies' | 'spares' | 'first'>;
export const ONE_PAGE: CutOrder = { copies: 1, spares: [], first: [] };

/** How many of a piece a page wants, spares included. */
export const wantedCountOf = (
  piece: Pick<PieceToCut, 'id' | 'quantity'>,
  { copies, spares }: { readonly copies: number; readonly spares: readonly string[] },
): number => piece.quantity * copies + (spares.includes(piece.id) ? 1 : 0);

/** A length as it was typed, with the name of its unit. */
const text = (value: string | number, unit: string): string =>
  typeof value === 'number' ? `${value} ${unit}` : /[a-z"″]/i.test(value) ? value : `${value} ${unit}`;

/** What of a job somebody's habits say: what is cut with, what it is planned for, what is kept. */
export function habitsForJob(habits: Habits, mark: Mark): Pick<JobDocument, 'cutter' | 'plan'> {
  const step = formatExactLength(mark.step, mark.unit);
  const then = [
    ...(habits.others ?? []).map((one) => ({
      name: one.name,
      step,
      reach: one.reach === null ? null : text(one.reach, habits.unit),
      narrowest: text(one.narrowest, habits.unit),
      stack: one.stack,
      ...(lengthOf(one.long, habits.unit) === 0 ? {} : { long: text(one.long, habits.unit) }),
    })),
    ...(habits.cutter.knife ? [{ name: 'knife and ruler', step }] : []),
  ];
  return {
    cutter: {
      step,
      reach: habits.cutter.reach === null ? null : text(habits.cutter.reach, habits.unit),
      narrowest: text(habits.cutter.narrowest, habits.unit),
      kerf: text(habits.cutter.kerf, habits.unit),
      stack: habits.cutter.stack,
      ...(habits.cutter.long === 0 || habits.cutter.long === '0'
        ? {}
        : { long: text(habits.cutter.long, habits.unit) }),
      ...(habits.cutter.stop ? { stop: true } : {}),
      ...(habits.cutter.name === undefined ? {} : { name: habits.cutter.name }),
      ...(then.length ? { then } : {}),
    },
    plan: {
      aim: habits.aim,
      ...(habits.order === undefined ? {} : { order: habits.order }),
      // three aims share it
      seconds: 2,
      keep: { shorter: text(habits.keep.shorter, habits.unit), longer: text(habits.keep.longer, habits.unit) },
    },
  };
}

/** The planner's job for a page: its pieces on the mark, the drawer's stock, the person's cutter and aim. */
export function buildPageJob(
  name: string,
  page: DerivedPage,
  drawer: Drawer,
  habits: Habits,
  cut: readonly CutPiece[] = [],
  order: CutOrder = ONE_PAGE,
): PageJob {
  // of a page that cannot be, no one knows all pieces
  const refused = [...new Set(page.problems.map((p) => p.item))];
  if (refused.length)
    return {
      ok: false,
      problem: {
        code: 'page-refused',
        parts: refused.flatMap((id) => (id === null ? [] : [page.items.get(id)?.item.name ?? id])),
      },
    };
  const state = assessCutPieces(page.pieces, cut, (p) => wantedCountOf(p, order));
  const pieces = page.pieces.flatMap((p) => {
    const [whole, done] = [p.quantity * order.copies, cutCountOf(state, p.id)];
    const quantity = Math.max(0, whole - done);
    const spare = order.spares.includes(p.id) && done <= whole;
    return [
      ...(quantity
        ? [{ ...p, jobId: p.id, quantity, priority: order.first.includes(p.id) ? 3 : 2, label: p.name }]
        : []),
      ...(spare ? [{ ...p, jobId: spareIdOf(p.id), quantity: 1, priority: 1, label: `${p.name}, spare` }] : []),
    ];
  });
  if (!pieces.length) return { ok: false, problem: { code: 'nothing-to-cut' } };
  const unchosen = pieces.filter(
    (p) => !p.wish || !p.wish.papers.some((id) => drawer.papers.some((paper) => paper.id === id)),
  );
  if (unchosen.length) return { ok: false, problem: { code: 'no-paper-chosen', parts: unchosen.map((p) => p.name) } };
  const stray = pieces.filter((p) => p.wish?.from && !drawer.stock.some((s) => s.id === p.wish!.from!.stock));
  if (stray.length) return { ok: false, problem: { code: 'place-gone', parts: stray.map((p) => p.name) } };
  const wanted = new Set(pieces.flatMap((p) => p.wish!.papers));
  const unit = page.mark.unit;
  const names = uniqueNames(pieces.map((p) => p.label));
  const pointOf = ([x, y]: Corner, itemUnit: string): Corner => [text(x, itemUnit), text(y, itemUnit)];
  return {
    ok: true,
    job: {
      format: 'temnex-job',
      version: pieces.some((p) => p.nests || p.finish.some((f) => f.do === 'outline' && f.as === 'shape')) ? 3 : 2,
      name,
      unit,
      ...habitsForJob(habits, page.mark),
      papers: drawer.papers
        .filter((p) => wanted.has(p.id))
        .map((p) => ({
          id: p.id,
          name: p.name,
          sides: p.sides.map(({ side, name: face, direction, along }) => ({ side, name: face, direction, along })),
        })),
      stock: worthAsking(
        drawer.stock.filter((s) => wanted.has(s.paper)),
        pieces,
      ).map((s) => ({
        id: s.id,
        paper: s.paper,
        width: text(s.width, s.unit),
        height: text(s.height, s.unit),
        quantity: s.quantity,
        // to what is cut from it, it does not matter what it was before
        kind: s.kind === 'branding' ? 'strip' : s.kind === 'piece' ? 'scrap' : s.kind,
        turned: s.turned,
        reserved: s.reserved,
        ...(s.outline ? { outline: s.outline.map((p) => pointOf(p, s.unit)) } : {}),
        ...(s.uncut?.length ? { uncut: s.uncut.map((line) => line.map((p) => pointOf(p, s.unit)) as Line) } : {}),
        trim: {
          left: text(s.trim.left, s.unit),
          right: text(s.trim.right, s.unit),
          top: text(s.trim.top, s.unit),
          bottom: text(s.trim.bottom, s.unit),
        },
      })),
      pieces: pieces.map((p, i) => ({
        id: p.jobId,
        name: names[i]!,
        quantity: p.quantity,
        priority: p.priority,
        width: formatExactLength(p.width, unit),
        height: formatExactLength(p.height, unit),
        papers: p.wish!.papers.filter((id) => drawer.papers.some((paper) => paper.id === id)),
        side: p.wish!.side,
        direction: p.wish!.direction,
        ...(p.wish!.from
          ? { from: { ...p.wish!.from, x: text(p.wish!.from.x, unit), y: text(p.wish!.from.y, unit) } }
          : {}),
        ...finishedAs(p, unit),
        ...openingOf(page, p, habits),
        ...findHiddenJoin(page, p),
        ...findHiddenEnds(page, p),
        ...findLeastSize(page, p),
      })),
    },
  };
}

/** What may be cut out of a piece and used: the largest that it yields by itself, else what others hide of it. */
function openingOf(page: DerivedPage, piece: PieceToCut, habits: Habits): ReturnType<typeof findHiddenCentre> {
  const [first, ...others] = piece.yields;
  if (!first) return findHiddenCentre(page, piece, habits);
  const { unit } = page.mark;
  const most = others.reduce((a, b) => (b.width * b.height > a.width * a.height ? b : a), first);
  const [x, y, width, height] = [most.x, most.y, most.width, most.height].map((t) => formatExactLength(t, unit));
  return { opening: { x: x!, y: y!, width: width!, height: height! } };
}

/** What is done by hand to a piece once it is cut, and what it looks like then. Whole pieces have neither. */
const finishedAs = (
  { finish, shape, nests }: PieceToCut,
  unit: Unit,
): Pick<JobDocument['pieces'][number], 'finish' | 'shape' | 'nest'> => ({
  ...(finish.length ? { finish: finish.map((f) => formatFinish(f, unit)) } : {}),
  ...(shape ? { shape: formatShape(shape.outline, unit) } : {}),
  ...(shape && nests ? { nest: formatNesting(nests, unit) } : {}),
});

/** Of what fits no piece, the longest of each paper are enough to say why: a large drawer stays a small job. */
const TOO_SMALL_KEPT = 3;

function worthAsking(stock: readonly StockItem[], pieces: readonly PieceToCut[]): StockItem[] {
  const small = new Map<string, number>();
  return sortForDrawer(stock).filter((item) => {
    const size = sizeOfItem(item);
    if (pieces.some((piece) => piece.wish!.from?.stock === item.id)) return true;
    if (pieces.some((piece) => piece.wish!.papers.includes(item.paper) && fitsIn(piece, size))) return true;
    const seen = small.get(item.paper) ?? 0;
    small.set(item.paper, seen + 1);
    return seen < TOO_SMALL_KEPT;
  });
}

function uniqueNames(names: readonly string[]): string[] {
  const seen = new Map<string, number>();
  return names.map((name) => {
    const n = (seen.get(name) ?? 0) + 1;
    seen.set(name, n);
    return n === 1 ? name : `${name} (${n})`;
  });
}
