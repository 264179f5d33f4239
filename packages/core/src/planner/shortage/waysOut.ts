import { TICKS_PER_UNIT, inUnit } from '../../length/index.ts';
import type { Job, JobPiece, JobStock } from '../documents/job.ts';
import type { Missing, WayOut } from '../documents/plan.ts';
import type { Solution } from '../sheets/score.ts';
import { isNewPaper, missingAreasOf, standingOf } from '../sheets/standing.ts';

/*
 * When paper is short: what would help. Every way out is a change to the job, and is planned before it is named; what
 * does not help is not said. Those that cut the most of what is missing come first, then those that open the least paper.
 */

type Solve = (job: Job) => Solution;
interface Change {
  readonly job: Job;
  readonly say: WayOut['how'];
  /** The piece in the changed job whose copies count; the piece itself, or both halves of a joined one. */
  readonly counts: readonly number[];
  /** Stock that the change adds: how many are taken is what is to be bought. */
  readonly bought?: string;
}

/** At the most this many kinds of missing piece are looked into, and ways said of each. */
const MOST_KINDS = 6;
const MOST_WAYS = 5;
const MOST_ALIKE = 2;

/** The reasons with the ways out of each, checked by planning, as far as there is time. */
export function withWaysOut(
  job: Job,
  missing: readonly Missing[],
  found: Solution,
  solve: Solve,
  over: () => boolean,
): Missing[] {
  const before = standingOf(job, found, false);
  return missing.map((m, i) => {
    const k = job.pieces.findIndex((p) => p.id === m.piece);
    if (i >= MOST_KINDS || k < 0) return m;
    const ways = [...changesFor(job, k, m)].flatMap((change): WayOut[] => {
      if (over()) return [];
      const solution = solve(change.job);
      const left = Math.max(...change.counts.map((n) => solution.missing[n]!));
      const cut = m.quantity - left;
      const others = change.job.pieces.map((_, n) => (change.counts.includes(n) ? 0 : solution.missing[n]!));
      const othersBefore = job.pieces.map((_, n) => (n === k ? 0 : found.missing[n]!));
      if (cut <= 0 || worse(missingAreasOf(change.job, others), missingAreasOf(job, othersBefore))) return [];
      const after = standingOf(change.job, solution, false);
      const quantity = solution.sheets.filter((s) => change.job.stock[s.stock]!.id === change.bought).length;
      const how = change.say.do === 'buy' ? { ...change.say, quantity } : change.say;
      if (change.bought && !quantity) return [];
      return [{ how, cut, newSheetArea: inUnit(inUnit(after.newArea - before.newArea, job.unit), job.unit) }];
    });
    const ranked = ways.sort((a, b) => b.cut - a.cut || a.newSheetArea - b.newSheetArea);
    // not six papers and nothing else
    const varied = ranked.filter((w, n) => ranked.slice(0, n).filter((v) => v.how.do === w.how.do).length < MOST_ALIKE);
    return { ...m, help: varied.slice(0, MOST_WAYS) };
  });
}

function worse(a: readonly number[], b: readonly number[]): boolean {
  const i = a.findIndex((v, n) => v !== b[n]);
  return i >= 0 && a[i]! > b[i]!;
}

/** The changes that might help, least disturbing first. */
function* changesFor(job: Job, k: number, missing: Missing): Generator<Change> {
  const piece = job.pieces[k]!;
  const say = (t: number) => inUnit(t, job.unit);
  const withPiece = (other: Partial<JobPiece>): Job => ({ ...job, pieces: job.pieces.with(k, { ...piece, ...other }) });
  const counts = [k];
  if (piece.from) yield { job: withPiece({ from: null }), say: { do: 'elsewhere' }, counts };
  if (piece.direction !== 'any') yield { job: withPiece({ direction: 'any' }), say: { do: 'turn' }, counts };
  const side = piece.side === 'A' ? 'B' : 'A';
  if (piece.side !== 'any') yield { job: withPiece({ side }), say: { do: 'other-side', side }, counts };
  for (const item of job.stock) {
    if (!item.reserved || !piece.papers.includes(item.paper.id)) continue;
    const stock = job.stock.map((s) => (s.id === item.id ? { ...s, reserved: false } : s));
    yield { job: { ...job, stock }, say: { do: 'release', stock: item.id }, counts };
  }
  for (const item of job.stock) {
    if (!item.uncut.length || item.reserved || !piece.papers.includes(item.paper.id)) continue;
    const stock = job.stock.map((s) => (s.id === item.id ? { ...s, uncut: [] } : s));
    yield { job: { ...job, stock }, say: { do: 'cut-through', stock: item.id }, counts };
  }
  for (const paper of job.papers)
    if (!piece.papers.includes(paper.id))
      yield {
        job: withPiece({ papers: [...piece.papers, paper.id] }),
        say: { do: 'other-paper', paper: paper.id },
        counts,
      };
  if (piece.least) {
    const { width, height } = piece.least;
    yield { job: withPiece({ width, height }), say: { do: 'tuck', width: say(width), height: say(height) }, counts };
  }
  if (piece.join) yield* joins(job, k, missing.quantity);
  if (missing.longest !== undefined && missing.why === 'no-stock-long-enough') {
    const longest = Math.round((missing.longest * piece.width) / say(piece.width));
    const key = piece.width > piece.height ? 'width' : 'height';
    if (longest > 0 && longest < piece[key])
      yield { job: withPiece({ [key]: longest }), say: { do: 'shorten', to: missing.longest }, counts };
  }
  yield* purchases(job, k, missing.quantity);
}

/** The piece made of two where the join is hidden: split at the near end, the middle and the far end of where it may be. */
function* joins(job: Job, k: number, quantity: number): Generator<Change> {
  const piece = job.pieces[k]!;
  const { along, from, to, overlap } = piece.join!;
  const mark = job.cutter.step ?? 1;
  for (const at of new Set([from, (from + to) / 2, to].map((t) => Math.round(t / mark) * mark))) {
    if (at <= 0 || at >= piece[along]) continue;
    const half = (n: number, length: number): JobPiece => ({
      ...piece,
      id: `${piece.id} ${n} of 2`,
      quantity,
      [along]: length,
      opening: null,
    });
    const rest = { ...piece, quantity: piece.quantity - quantity };
    const halves = [half(1, at + overlap), half(2, piece[along] - at)];
    // a job may not ask for none of a piece: then the first half takes its place
    const pieces = rest.quantity
      ? [...job.pieces.with(k, rest), ...halves]
      : [...job.pieces.with(k, halves[0]!), halves[1]!];
    const n = job.pieces.length;
    const counts = rest.quantity ? [n, n + 1] : [k, n];
    yield { job: { ...job, pieces }, say: { do: 'join', along, at: inUnit(at, job.unit) }, counts };
  }
}

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
  const sizes = [...known.map((s) => [s.width, s.height]), ...usual.map(([w, h]) => [w! * per, h! * per])];
  const seen = new Set<string>();
  for (const [width, height] of sizes) {
    const key = `${width} ${height}`;
    if (seen.has(key)) continue;
    seen.add(key);
    const item = {
      ...{ id: 'to buy', paper, width: width!, height: height!, quantity, kind: 'sheet', turned: 0, reserved: false },
      ...{ trim: { left: 0, right: 0, top: 0, bottom: 0 }, outline: null, uncut: [] },
    } as unknown as JobStock;
    const size = { width: inUnit(width!, job.unit), height: inUnit(height!, job.unit) };
    yield {
      job: { ...job, stock: [...job.stock, item], pieces: job.pieces.with(k, { ...piece, from: null }) },
      say: { do: 'buy', paper: paper.id, ...size, quantity: 0 },
      counts: [k],
      bought: 'to buy',
    };
  }
}
