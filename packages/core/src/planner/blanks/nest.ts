import { compileJob } from './compile.ts';
import type { Budget } from '../budget.ts';
import type { Job, JobPiece, JobStock, Turn } from '../documents/job.ts';
import type { Solution } from '../sheets/score.ts';
import { search } from '../search/search.ts';
import { visitHeldPieces, isNewPaper } from '../sheets/standing.ts';
import { relayTree, type HoldingTree, type Tree } from '../sheets/tree.ts';
import { TURNS, isDirectionKept } from './turning.ts';

/*
 * Hidden centres: what is cut out of a hollow mat or a covered base is paper too. The openings are planned first, as if each
 * were a scrap, as full as can be; then the job is planned with the pieces that are left; then each opening's cuts are laid
 * into the piece where it came to lie:
 *
 *     +-----------------+
 *     | mat  +-------+  |
 *     |      | a | b |  |      a, b: cut from the mat's hidden centre
 *     |      +-------+  |
 *     +-----------------+
 */

export interface NestedPlan {
  /** The job with hosts kept to the paper and face that their openings were planned for. */
  readonly job: Job;
  /** [piece] copies that the openings do not give. */
  readonly wanted: readonly number[];
  /** Lays the openings into a solution of that job; null where one of them cannot be laid. */
  readonly finish: (solution: Solution) => Solution | null;
}

/** Plans what comes out of the openings. Null where no piece fits in one. */
export function planOpenings(job: Job, budget: Budget): NestedPlan | null {
  const hosts = job.pieces.flatMap((piece, k) => (piece.opening ? [{ piece, k, as: paperOfHost(job, piece) }] : []));
  const { kerf } = job.cutter;
  const openings: JobStock[] = [];
  const hostOf = new Map<string, number>();
  for (const { piece, k, as } of hosts) {
    const [width, height] = [piece.opening!.width - 2 * kerf, piece.opening!.height - 2 * kerf];
    if (!as || width <= 0 || height <= 0) continue;
    const id = `opening ${k}`;
    hostOf.set(id, k);
    openings.push({
      id,
      paper: as.item.paper,
      width,
      height,
      quantity: piece.quantity,
      kind: 'scrap',
      trim: { left: 0, right: 0, top: 0, bottom: 0 },
      turned: as.turned,
      reserved: false,
      outline: null,
      uncut: [],
    } as unknown as JobStock);
  }
  if (!openings.length) return null;
  const hosting = new Map(hosts.map((h) => [h.k, h.as]));
  const inner: Job = {
    ...job,
    stock: openings,
    // a host lies in the opening of another only where both are of the paper that its own opening was planned for
    pieces: job.pieces.map((p, k) => (hosting.get(k) ? { ...p, papers: [hosting.get(k)!.item.paper.id] } : p)),
  };
  const c = compileJob(inner);
  if (!c.stockCount) return null;
  const { solution } = search({ c, aim: 'least-paper', newAreaBound: 0, budget });
  if (!solution.sheets.length) return null;

  // [host] what lies in its openings, one entry a copy
  const inside = new Map<number, Tree[]>();
  const given = job.pieces.map(() => 0);
  for (const { stock, tree } of solution.sheets) {
    const k = hostOf.get(inner.stock[stock]!.id)!;
    inside.set(k, [...(inside.get(k) ?? []), tree]);
    visitHeldPieces(tree, ({ holds }) => void given[holds.piece]!++);
  }
  const outer: Job = {
    ...job,
    pieces: job.pieces.map((p, k) => {
      const as = inside.has(k) ? hosting.get(k) : null;
      return as ? { ...p, papers: [as.item.paper.id], side: as.side, direction: as.direction } : p;
    }),
  };
  const wanted = job.pieces.map((p, k) => (p.from ? 0 : p.quantity - given[k]!));
  return { job: outer, wanted, finish: (found) => layOpenings(job, found, inside) };
}

interface HostPaper {
  readonly item: JobStock;
  readonly side: JobPiece['side'];
  readonly direction: JobPiece['direction'];
  /** How the paper lies when the host lies upright. */
  readonly turned: Turn;
}

/** The paper and face a host is taken to come from, and how the pattern then runs in its opening. */
function paperOfHost(job: Job, piece: JobPiece): HostPaper | null {
  const fits = (s: JobStock) =>
    !s.reserved &&
    s.quantity > 0 &&
    Math.min(s.width, s.height) >= Math.min(piece.width, piece.height) &&
    Math.max(s.width, s.height) >= Math.max(piece.width, piece.height);
  for (const paper of piece.papers) {
    const items = job.stock.filter((s) => s.paper.id === paper && fits(s));
    const item = piece.from ? job.stock.find((s) => s.id === piece.from!.stock) : (items.find(isNewPaper) ?? items[0]);
    if (!item || item.paper.id !== paper) continue;
    if (piece.from && item.uncut.some((line) => meetsBox(line, piece, piece.from!))) continue;
    const face = item.paper.faces.find((f) => piece.side === 'any' || f.side === piece.side);
    if (!face) continue;
    const directed = item.paper.faces.find((f) => f.direction !== 'none');
    // where the paper has a direction, the host is held to one way, so that its opening is as planned
    const direction = piece.direction === 'any' && face.direction !== 'none' ? face.along : piece.direction;
    const held = { ...piece, direction };
    const turned = directed ? TURNS.find((t) => isDirectionKept(held, face, t, 0)) : 0;
    return { item, side: face.side, direction, turned: turned ?? 0 };
  }
  return null;
}

/** Whether a line that stays whole comes near a piece that must be cut from there, whichever way it lies. */
function meetsBox([p, q]: JobStock['uncut'][number], piece: JobPiece, at: { x: number; y: number }): boolean {
  const most = Math.max(piece.width, piece.height);
  return (['x', 'y'] as const).every((a) => Math.min(p[a], q[a]) < at[a] + most && Math.max(p[a], q[a]) > at[a]);
}

/** Lays what was planned for openings into the hosts of a solution, those in openings included. */
function layOpenings(job: Job, solution: Solution, inside: ReadonlyMap<number, readonly Tree[]>): Solution | null {
  const { kerf } = job.cutter;
  const left = new Map([...inside].map(([k, trees]) => [k, [...trees]]));
  let holds = true;
  const lay = (tree: Tree, item: JobStock): Tree => {
    const parts = tree.parts.map((part) => lay(part, item));
    if (!tree.holds || typeof tree.holds !== 'object' || !('piece' in tree.holds)) return { ...tree, parts };
    const held: HoldingTree = tree.holds;
    const planned = left.get(held.piece)?.shift();
    if (!planned) return tree;
    const at = openingAt(job.pieces[held.piece]!, held, tree);
    const laid = relayTree(planned, { x: at.x + kerf, y: at.y + kerf }, held.turn, kerf);
    visitHeldPieces(laid, ({ holds: inner }) => {
      const { side, turn } = inner as HoldingTree;
      const face = item.paper.faces.find((f) => f.side === side);
      if (!face || !isDirectionKept(job.pieces[inner.piece]!, face, item.turned, turn)) holds = false;
    });
    return { ...tree, opening: lay(laid, item) };
  };
  const sheets = solution.sheets.map((s) => ({ stock: s.stock, tree: lay(s.tree, job.stock[s.stock]!) }));
  if ([...left.values()].some((trees) => trees.length)) holds = false;
  return holds ? { sheets, missing: solution.missing } : null;
}

/** Where a held piece has its opening, as seen from side A. */
function openingAt(
  piece: JobPiece,
  { side, turn }: HoldingTree,
  at: { x: number; y: number },
): { x: number; y: number } {
  const o = piece.opening!;
  const x = side === 'B' ? piece.width - o.x - o.width : o.x;
  const { y } = o;
  if (turn === 90) return { x: at.x + piece.height - y - o.height, y: at.y + x };
  if (turn === 180) return { x: at.x + piece.width - x - o.width, y: at.y + piece.height - y - o.height };
  if (turn === 270) return { x: at.x + y, y: at.y + piece.width - x - o.width };
  return { x: at.x + x, y: at.y + y };
}
