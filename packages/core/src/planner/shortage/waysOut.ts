import { TICKS_PER_UNIT, ZERO, inUnit, ticks } from '../../length/index.ts';
import { spaceSeamsEvenly, computePatches, type Size } from '../../geometry/index.ts';
import { waysOf } from '../blanks/turning.ts';
import type { Job, JobPiece, JobStock } from '../documents/job.ts';
import type { Missing, WayOut } from '../documents/plan.ts';
import type { Solution } from '../sheets/score.ts';
import { isNewPaper, missingAreasOf, measureSolution } from '../sheets/standing.ts';
import { isRoomFor } from './missing.ts';

/*
 * When paper is short: what would help. Every way out is a change to the job, and is planned before it is named; what
 * does not help is not said. Those that cut the most of what is missing come first, then those that open the least paper.
 */

type Solve = (job: Job) => Solution;
interface Change {
  readonly job: Job;
  readonly say: WayOut['how'];
  /** The pieces in the changed job whose copies count, and how many of each a copy takes: the piece itself, or what it is made of. */
  readonly counts: readonly { readonly at: number; readonly each: number }[];
}
/** Stock that a change adds: how many are taken is what is to be bought. */
const BOUGHT = 'to buy';

/** At the most this many kinds of missing piece are looked into, and ways said of each. */
const MAX_KINDS = 6;
const MAX_WAYS = 5;
const MAX_EQUAL_PARTS = 2;

/** The reasons with the ways out of each, checked by planning, as far as there is time. */
export function withWaysOut(
  job: Job,
  missing: readonly Missing[],
  found: Solution,
  solve: Solve,
  over: () => boolean,
): Missing[] {
  const asked = missing.flatMap((m) => {
    const k = job.pieces.findIndex((p) => p.id === m.piece);
    return k < 0 ? [] : [{ m, k, changes: changesFor(job, k, m), ways: [] as WayOut[] }];
  });
  const open = asked.slice(0, MAX_KINDS);
  // in turn, so that where time is short each piece has something that helps
  for (let some = true; some && !over();) {
    some = false;
    for (const { m, k, changes, ways } of open) {
      const next = over() ? { done: true as const } : changes.next();
      if (next.done) continue;
      some = true;
      ways.push(...wayOf(job, m, k, next.value, found, solve));
    }
  }
  return missing.map((m) => {
    const ways = open.find((one) => one.m === m)?.ways ?? [];
    const ranked = ways.sort(
      (a, b) => b.cut - a.cut || a.newSheetArea - b.newSheetArea || Number(buys(a)) - Number(buys(b)),
    );
    // not six papers and nothing else
    const varied = ranked.filter(
      (w, n) => ranked.slice(0, n).filter((v) => v.how.do === w.how.do).length < MAX_EQUAL_PARTS,
    );
    return { ...m, help: varied.slice(0, MAX_WAYS) };
  });
}

const buys = ({ how }: WayOut): boolean => how.do === 'buy' || (how.do === 'build-up' && how.buy !== undefined);

/** A change as a way out, where planning shows that it helps and that nothing else has to give way to it. */
function wayOf(job: Job, m: Missing, k: number, change: Change, found: Solution, solve: Solve): WayOut[] {
  const near = nearTo(change);
  const solution = solve({ ...change.job, ...near });
  const lacks = (n: number) => solution.missing[near.pieces.indexOf(change.job.pieces[n]!)]!;
  const left = Math.max(...change.counts.map(({ at, each }) => Math.ceil(lacks(at) / each)));
  const cut = m.quantity - left;
  const counted = new Set(change.counts.map(({ at }) => change.job.pieces[at]!));
  const others = near.pieces.map((p, n) => (counted.has(p) ? 0 : solution.missing[n]!));
  const lackedBefore = new Map(job.pieces.map((p, n) => [p.id, n === k ? 0 : found.missing[n]!]));
  const othersBefore = near.pieces.map((p) => (counted.has(p) ? 0 : (lackedBefore.get(p.id) ?? 0)));
  const changed = { ...change.job, ...near };
  if (cut <= 0 || worse(missingAreasOf(changed, others), missingAreasOf(changed, othersBefore))) return [];
  const papers = new Set(near.stock.map((s) => s.paper.id));
  const before = found.sheets.filter((s) => papers.has(job.stock[s.stock]!.paper.id));
  const opened =
    measureSolution(changed, solution, false).newArea -
    measureSolution(job, { ...found, sheets: before }, false).newArea;
  const bought = boughtIn(near.stock, solution);
  const how = (() => {
    if (change.say.do === 'buy') return bought ? { ...change.say, quantity: bought } : null;
    if (change.say.do !== 'build-up' || !change.say.buy) return change.say;
    return bought ? { ...change.say, buy: { ...change.say.buy, quantity: bought } } : null;
  })();
  return how ? [{ how, cut, newSheetArea: inUnit(inUnit(opened, job.unit), job.unit) }] : [];
}

/** How many sheets have to be bought: of its paper and size those that are there come first, whichever the plan took. */
function boughtIn(stock: readonly JobStock[], { sheets }: Solution): number {
  const item = stock.find((s) => s.id === BOUGHT);
  if (!item) return 0;
  const alike = (s: JobStock) =>
    isNewPaper(s) &&
    !s.reserved &&
    !s.outline &&
    !s.uncut.length &&
    s.paper.id === item.paper.id &&
    s.width === item.width &&
    s.height === item.height &&
    Object.values(s.trim).every((t) => t === 0);
  const there = stock.filter((s) => s !== item && alike(s)).reduce((sum, s) => sum + s.quantity, 0);
  const used = sheets.filter((s) => alike(stock[s.stock]!)).length;
  return Math.max(0, used - there);
}

/** The pieces and the paper that a change has to do with: what shares no paper with it is cut as before. */
function nearTo({ job, counts }: Change): Pick<Job, 'pieces' | 'stock'> {
  const papers = new Set(counts.flatMap(({ at }) => job.pieces[at]!.papers));
  const pieces = new Set(counts.map(({ at }) => job.pieces[at]!));
  for (let size = -1; size !== pieces.size;) {
    size = pieces.size;
    for (const piece of job.pieces) {
      if (pieces.has(piece) || !piece.papers.some((id) => papers.has(id))) continue;
      pieces.add(piece);
      for (const id of piece.papers) papers.add(id);
    }
  }
  // of a place on paper, the paper
  for (const { from } of pieces) {
    const stock = from && job.stock.find((s) => s.id === from.stock);
    if (stock) papers.add(stock.paper.id);
  }
  return { pieces: job.pieces.filter((p) => pieces.has(p)), stock: job.stock.filter((s) => papers.has(s.paper.id)) };
}

function worse(a: readonly number[], b: readonly number[]): boolean {
  const i = a.findIndex((v, n) => v !== b[n]);
  return i >= 0 && a[i]! > b[i]!;
}

/** The changes that might help: what always does first, then the least disturbing. */
function* changesFor(job: Job, k: number, missing: Missing): Generator<Change> {
  const piece = job.pieces[k]!;
  const say = (t: number) => inUnit(t, job.unit);
  const withPiece = (other: Partial<JobPiece>): Job => ({ ...job, pieces: job.pieces.with(k, { ...piece, ...other }) });
  const counts = [{ at: k, each: 1 }];
  yield* purchases(job, k, missing.quantity);
  if (piece.from) yield { job: withPiece({ from: null }), say: { do: 'elsewhere' }, counts };
  // what it does not fit on need not be planned
  const wouldHold = (want: JobPiece, of: (s: JobStock) => boolean) =>
    job.stock.some((s) => want.papers.includes(s.paper.id) && of(s) && isRoomFor(s, want));
  const free = (s: JobStock) => !s.reserved;
  const turned = { ...piece, direction: 'any' as const };
  if (piece.direction !== 'any' && wouldHold(turned, free))
    yield { job: withPiece(turned), say: { do: 'turn' }, counts };
  const side = piece.side === 'A' ? 'B' : 'A';
  const other = { ...piece, side } as const;
  if (piece.side !== 'any' && wouldHold(other, free))
    yield { job: withPiece(other), say: { do: 'other-side', side }, counts };
  for (const item of job.stock) {
    if (!item.reserved || !wouldHold(piece, (s) => s === item)) continue;
    const stock = job.stock.map((s) => (s.id === item.id ? { ...s, reserved: false } : s));
    yield { job: { ...job, stock }, say: { do: 'release', stock: item.id }, counts };
  }
  for (const item of job.stock) {
    if (!item.uncut.length || item.reserved || !wouldHold(piece, (s) => s === item)) continue;
    const stock = job.stock.map((s) => (s.id === item.id ? { ...s, uncut: [] } : s));
    yield { job: { ...job, stock }, say: { do: 'cut-through', stock: item.id }, counts };
  }
  for (const paper of job.papers) {
    if (piece.papers.includes(paper.id) || !wouldHold({ ...piece, papers: [paper.id] }, free)) continue;
    const papers = [...piece.papers, paper.id];
    yield { job: withPiece({ papers }), say: { do: 'other-paper', paper: paper.id }, counts };
  }
  if (piece.least) {
    const { width, height } = piece.least;
    yield { job: withPiece({ width, height }), say: { do: 'tuck', width: say(width), height: say(height) }, counts };
  }
  if (piece.ends) yield twoEnds(job, k, missing.quantity);
  if (piece.join) yield* joins(job, k, missing.quantity);
  if (missing.longest !== undefined && missing.why === 'no-stock-long-enough') {
    const longest = Math.round((missing.longest * piece.width) / say(piece.width));
    const key = piece.width > piece.height ? 'width' : 'height';
    if (longest > 0 && longest < piece[key])
      yield { job: withPiece({ [key]: longest }), say: { do: 'shorten', to: missing.longest }, counts };
  }
  if (missing.why === 'no-stock-long-enough' || missing.why === 'no-stock-wide-enough')
    yield* builtUp(job, k, missing.quantity);
}

/** Two ends where the middle lies hidden: they take no more paper than is seen, and their tucks. */
function twoEnds(job: Job, k: number, quantity: number): Change {
  const piece = job.pieces[k]!;
  const { along, from, to } = piece.ends!;
  const [first, second] = [from, ticks(piece[along] - to)];
  const lengths =
    first === second ? [{ length: first, each: 2 }] : [first, second].map((length) => ({ length, each: 1 }));
  const parts = lengths.map(({ length, each }) => ({ ...piece, [along]: length, quantity: each }));
  const say = (t: number) => inUnit(t, job.unit);
  return { ...madeOf(job, k, quantity, parts), say: { do: 'ends', along, from: say(from), to: say(to) } };
}

/** The piece made of two where the join is hidden: split at the near end, the middle and the far end of where it may be. */
function* joins(job: Job, k: number, quantity: number): Generator<Change> {
  const piece = job.pieces[k]!;
  const { along, from, to, overlap } = piece.join!;
  const mark = job.cutter.step ?? 1;
  const say = (t: number) => inUnit(t, job.unit);
  for (const at of new Set([from, (from + to) / 2, to].map((t) => Math.round(t / mark) * mark))) {
    if (at <= 0 || at >= piece[along]) continue;
    const halves = [at + overlap, piece[along] - at].map((length) => ({
      ...piece,
      [along]: ticks(length),
      quantity: 1,
    }));
    yield {
      ...madeOf(job, k, quantity, halves),
      say: { do: 'join', along, at: say(at), overlap: say(overlap) },
    };
  }
}

/** The job with so many copies of a piece made of several parts, of each of which one copy takes its quantity. */
function madeOf(
  job: Job,
  k: number,
  quantity: number,
  parts: readonly (Size & { readonly quantity: number })[],
): Pick<Change, 'job' | 'counts'> {
  const piece = job.pieces[k]!;
  const made = parts.map((part, n): JobPiece => ({
    ...piece,
    id: `${piece.id} part ${n + 1}`,
    width: part.width,
    height: part.height,
    quantity: part.quantity * quantity,
    opening: null,
    join: null,
    ends: null,
    least: null,
  }));
  const rest = { ...piece, quantity: piece.quantity - quantity };
  // a job may not ask for none of a piece: then its first part takes its place
  const [before, from] = rest.quantity
    ? [job.pieces.with(k, rest), made]
    : [job.pieces.with(k, made[0]!), made.slice(1)];
  const places = made.map((_, n) => (rest.quantity ? job.pieces.length + n : n ? job.pieces.length + n - 1 : k));
  return {
    job: { ...job, pieces: [...before, ...from] },
    counts: places.map((at, n) => ({ at, each: parts[n]!.quantity })),
  };
}

/** A part reaches over the next by half an inch (12 mm), to be glued there. */
const OVERLAP = { in: TICKS_PER_UNIT.in / 2, mm: 12 * TICKS_PER_UNIT.mm };
/** Sizes of sheet that are looked at, and ways of parting that are planned. */
const MAX_SHEETS = 6;
const MAX_PARTED = 2;

/** A piece larger than any sheet, parted evenly so that its parts come out of what there is: the fewest parts first. */
function* builtUp(job: Job, k: number, quantity: number): Generator<Change> {
  const piece = job.pieces[k]!;
  if (piece.shape || piece.finish.length) return;
  const mark = job.cutter.step ?? 1;
  const overlap = Math.round(OVERLAP[job.unit] / mark) * mark;
  const sheets = new Map(
    job.stock
      .filter((s) => !s.reserved && piece.papers.includes(s.paper.id) && !s.outline)
      .map((s) => {
        const [w, h] = [s.width - s.trim.left - s.trim.right, s.height - s.trim.top - s.trim.bottom];
        return [`${s.paper.id} ${s.turned} ${w} ${h}`, { w, h, sheet: s, ways: waysOf(piece, s) }] as const;
      }),
  );
  const largest = [...sheets.values()].sort((a, b) => b.w * b.h - a.w * a.h).slice(0, MAX_SHEETS);
  const ways = largest.flatMap(({ w, h, sheet, ways: { upright, flat } }) =>
    [...(upright ? [[w, h]] : []), ...(flat ? [[h, w]] : [])].flatMap(([most, tall]) => {
      const across = spaceSeamsEvenly(piece.width, most!, overlap, mark);
      const up = spaceSeamsEvenly(piece.height, tall!, overlap, mark);
      return across && up && (across.length || up.length) ? [{ across, up, sheet }] : [];
    }),
  );
  const parts = (way: { across: number[]; up: number[] }) => (way.across.length + 1) * (way.up.length + 1);
  const seen = new Set<string>();
  const best = ways
    .sort((a, b) => parts(a) - parts(b))
    .filter(({ across, up }) => {
      const key = `${across.join()}|${up.join()}`;
      return !seen.has(key) && seen.add(key);
    })
    .slice(0, MAX_PARTED);
  const say = (t: number) => inUnit(t, job.unit);
  for (const { across, up, sheet } of best) {
    const parts = madeOf(job, k, quantity, computePatches(piece, { across, up, overlap }));
    const how = { do: 'build-up', across: across.map(say), up: up.map(say), overlap: say(overlap) } as const;
    yield { ...parts, say: { ...how, across: [...how.across], up: [...how.up] } };
    // where what there is does not do for all of it, more of its first paper
    if (!isNewPaper(sheet) || sheet.paper.id !== piece.papers[0]) continue;
    const more = toBuy(sheet, quantity * (across.length + 1) * (up.length + 1));
    yield {
      job: { ...parts.job, stock: [...job.stock, more] },
      counts: parts.counts,
      say: { ...how, buy: { width: say(sheet.width), height: say(sheet.height), quantity: 0 } },
    };
  }
}

const toBuy = (
  { paper, width, height, turned }: Pick<JobStock, 'paper' | 'width' | 'height' | 'turned'>,
  quantity: number,
): JobStock => ({
  id: BOUGHT,
  paper,
  width,
  height,
  quantity,
  kind: 'sheet',
  turned,
  reserved: false,
  trim: { left: ZERO, right: ZERO, top: ZERO, bottom: ZERO },
  outline: null,
  uncut: [],
});

/** Sheets of the first acceptable paper to buy: of the sizes that there are or were, and the usual ones. */
function* purchases(job: Job, k: number, quantity: number): Generator<Change> {
  const piece = job.pieces[k]!;
  const paper = job.papers.find((p) => p.id === piece.papers[0])!;
  const inch = TICKS_PER_UNIT.in;
  const usual =
    job.unit === 'in'
      ? [
          [6, 6],
          [8, 8],
          [12, 12],
        ]
      : [
          [148, 210],
          [210, 297],
          [297, 420],
        ];
  const per = job.unit === 'in' ? inch : 960;
  const known = job.stock.filter((s) => isNewPaper(s) && s.paper.id === paper.id && !s.outline);
  const common = [...known.map((s) => [s.width, s.height]), ...usual.map(([w, h]) => [w! * per, h! * per])];
  const reaches = ([w, h]: readonly number[]) =>
    (piece.width <= w! && piece.height <= h!) || (piece.height <= w! && piece.width <= h!);
  // larger than any: a sheet of at least its size, in whole inches or centimetres; or cut to size, where no cutter reaches
  const whole = job.unit === 'in' ? inch : 10 * 960;
  const { upright } = waysOf(piece, { paper, turned: 0 });
  const exact = upright ? [piece.width, piece.height] : [piece.height, piece.width];
  const own = [exact.map((t) => Math.ceil(t / whole) * whole), exact];
  const fitting = common.filter(reaches);
  const sizes = fitting.length ? fitting : own;
  const seen = new Set<string>();
  for (const [width, height] of sizes) {
    const key = `${width} ${height}`;
    if (seen.has(key)) continue;
    seen.add(key);
    const item = toBuy({ paper, width: ticks(width!), height: ticks(height!), turned: 0 }, quantity);
    const size = { width: inUnit(width!, job.unit), height: inUnit(height!, job.unit) };
    yield {
      job: { ...job, stock: [...job.stock, item], pieces: job.pieces.with(k, { ...piece, from: null }) },
      say: { do: 'buy', paper: paper.id, ...size, quantity: 0 },
      counts: [{ at: k, each: 1 }],
    };
  }
}
