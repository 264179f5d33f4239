import { inUnit } from '../../length/index.ts';
import type { Job, JobPiece, JobStock } from '../documents/job.ts';
import type { Missing } from '../documents/plan.ts';
import { waysOf } from '../blanks/turning.ts';
import { orderTrims } from '../sheets/trims.ts';

const roomOf = (s: JobStock) => [s.width - s.trim.left - s.trim.right, s.height - s.trim.top - s.trim.bottom] as const;

/** Whether a piece, turned as it may be, is no larger than what an item of stock has room for. */
export function isRoomFor(s: JobStock, want: JobPiece): boolean {
  const [w, h] = roomOf(s);
  const { upright, flat } = waysOf(want, s);
  return Boolean((upright && want.width <= w && want.height <= h) || (flat && want.height <= w && want.width <= h));
}

/** Why copies of a piece could not be cut, as data. What would help is worked out apart, by planning: see `waysOut.ts`. */
export function explainMissing(job: Job, piece: JobPiece, quantity: number): Missing {
  const say = (figure: number) => inUnit(figure, job.unit);
  const answer = (why: Missing['why'], more: Partial<Missing> = {}): Missing => ({
    piece: piece.id,
    quantity,
    why,
    paper: piece.papers[0]!,
    ...more,
    help: [],
  });
  if (piece.from) {
    const item = job.stock.find((s) => s.id === piece.from!.stock)!;
    return answer(item.reserved ? 'held-back' : 'place-taken', { paper: item.paper.id });
  }
  const ofPaper = job.stock.filter((s) => piece.papers.includes(s.paper.id));
  const here = ofPaper.filter((s) => !s.reserved);
  const fits = (s: JobStock, want: JobPiece = piece) => isRoomFor(s, want);
  if (!here.length) return answer(ofPaper.length ? 'held-back' : 'no-paper');
  const fitting = here.filter((s) => fits(s));
  if (fitting.length) {
    // what cannot be trimmed as it must be is not cut at all
    if (!fitting.some((s) => orderTrims(job, s))) {
      const [first] = fitting;
      const longest = Math.max(first!.width, first!.height);
      return first!.uncut.length ? answer('kept-whole') : answer('beyond-reach', { needed: say(longest) });
    }
    const reach = Math.max(...[job.cutter, ...job.cutter.then].map((c) => c.reach));
    const shortest = Math.min(...fitting.map((s) => Math.min(...roomOf(s))));
    if (shortest > reach) return answer('beyond-reach', { needed: say(shortest) });
    // set to it, the dial of every cutter would be at 0 or below
    const least = Math.min(...[job.cutter, ...job.cutter.then].map((c) => c.long));
    if (Math.min(piece.width, piece.height) <= least) return answer('too-narrow', { needed: say(least) });
    return answer(fitting.every((s) => s.uncut.length) ? 'kept-whole' : 'not-enough');
  }
  if (!here.some((s) => s.paper.faces.some((f) => piece.side === 'any' || f.side === piece.side)))
    return answer('wrong-side-only');
  if (here.some((s) => fits(s, { ...piece, direction: 'any' }))) return answer('direction');
  const long = Math.max(piece.width, piece.height);
  const longest = Math.max(...here.map((s) => Math.max(...roomOf(s))));
  if (longest < long) return answer('no-stock-long-enough', { needed: say(long), longest: say(longest) });
  const reaching = here.filter((s) => Math.max(...roomOf(s)) >= long);
  const widest = Math.max(...reaching.map((s) => Math.min(...roomOf(s))));
  const nearest = nearestTo(piece, reaching);
  return answer('no-stock-wide-enough', {
    needed: say(Math.min(piece.width, piece.height)),
    longest: say(widest),
    nearest: { width: say(nearest[0]), height: say(nearest[1]) },
  });
}

/** Of what is long enough, the room that lacks the least. */
function nearestTo(piece: JobPiece, items: readonly JobStock[]): readonly [number, number] {
  const [long, short] = [Math.max(piece.width, piece.height), Math.min(piece.width, piece.height)];
  const lacks = ([w, h]: readonly [number, number]) =>
    Math.max(0, long - Math.max(w, h)) + Math.max(0, short - Math.min(w, h));
  return items.map(roomOf).reduce((a, b) => (lacks(b) < lacks(a) ? b : a));
}
