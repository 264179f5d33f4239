import { inUnit } from '../length/index.ts';
import type { Job, JobPiece, JobStock } from './job.ts';
import type { Missing } from './plan.ts';
import { waysOf } from './turning.ts';

const roomOf = (s: JobStock) => [s.width - s.trim.left - s.trim.right, s.height - s.trim.top - s.trim.bottom] as const;
const long = (a: number, b: number) => Math.max(a, b);
const short = (a: number, b: number) => Math.min(a, b);

/** Why copies of a piece could not be cut, as data, and what would help, each checked against the stock. */
export function whyMissing(job: Job, piece: JobPiece, quantity: number): Missing {
  const say = (figure: number) => inUnit(figure, job.unit);
  const paper = piece.papers[0]!;
  const ofPaper = job.stock.filter((s) => piece.papers.includes(s.paper.id));
  const here = ofPaper.filter((s) => !s.reserved);
  const fits = (s: JobStock, want: JobPiece = piece) => {
    const [w, h] = roomOf(s);
    const { upright, flat } = waysOf(want, s);
    return Boolean((upright && want.width <= w && want.height <= h) || (flat && want.height <= w && want.width <= h));
  };
  const buy = { do: 'buy' as const, paper, ...sheetThatFits(job, piece) };
  const answer = (why: Missing['why'], help: Missing['help'], more: Partial<Missing> = {}): Missing => ({
    piece: piece.id,
    quantity,
    why,
    paper,
    ...more,
    help,
  });

  const heldBack = ofPaper.find((s) => s.reserved && fits(s));
  const release: Missing['help'] = heldBack ? [{ do: 'release', stock: heldBack.id }] : [];
  if (!here.length) return ofPaper.length ? answer('held-back', [...release, buy]) : answer('no-paper', [buy]);
  if (here.some((s) => fits(s))) {
    const blocked = here.filter((s) => fits(s)).every((s) => Math.min(...roomOf(s)) > job.cutter.reach);
    return blocked
      ? answer('beyond-reach', [], { needed: say(Math.min(...here.map((s) => Math.min(...roomOf(s))))) })
      : answer('not-enough', [...release, buy]);
  }
  const free: JobPiece = { ...piece, direction: 'any' };
  const other = piece.side === 'A' ? 'B' : 'A';
  const turn: Missing['help'] = here.some((s) => fits(s, free)) ? [{ do: 'turn' }] : [];
  const flip: Missing['help'] =
    piece.side !== 'any' && here.some((s) => fits(s, { ...piece, side: other }))
      ? [{ do: 'other-side', side: other }]
      : [];
  const rightSide = here.filter((s) => s.paper.faces.some((f) => piece.side === 'any' || f.side === piece.side));
  if (!rightSide.length) return answer('wrong-side-only', [...flip, buy]);
  if (turn.length) return answer('direction', [...turn, ...flip, ...release, buy]);
  const longest = Math.max(...here.map((s) => long(...roomOf(s))));
  const needed = long(piece.width, piece.height);
  if (longest < needed)
    return answer('no-stock-long-enough', [...flip, ...release, { do: 'shorten', to: say(longest) }, buy], {
      needed: say(needed),
      longest: say(longest),
    });
  const reaching = here.filter((s) => long(...roomOf(s)) >= needed);
  const widest = Math.max(...reaching.map((s) => short(...roomOf(s))));
  return answer('no-stock-wide-enough', [...flip, ...release, { do: 'shorten', to: say(widest) }, buy], {
    needed: say(short(piece.width, piece.height)),
    longest: say(widest),
  });
}

/** A size of sheet to buy: the smallest usual one on which the piece fits, else one made to measure. */
function sheetThatFits(job: Job, piece: JobPiece): { width: number; height: number } {
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
          [305, 305],
          [297, 420],
        ];
  const [w, h] = [inUnit(piece.width, job.unit), inUnit(piece.height, job.unit)];
  const found = usual.find(([a, b]) => long(w, h) <= long(a!, b!) && short(w, h) <= short(a!, b!));
  return { width: found?.[0] ?? w, height: found?.[1] ?? h };
}
