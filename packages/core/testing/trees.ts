import { readJob, type Job, type JobDocument } from '../src/planner/index.ts';
import { seededRandom } from '../src/chance/index.ts';
import type { CutSheet, Tree } from '../src/planner/sheets/tree.ts';

/* Sheets as trees that nobody searched for: made by hand, or shattered by chance; and jobs that they answer. */

export const IN = 24384;
const STEP = IN / 16;

export type Leaf = { piece: number } | 'keep' | 'waste';
export const leaf = (x: number, y: number, width: number, height: number, holds: Leaf): Tree => ({
  x,
  y,
  width,
  height,
  cut: null,
  parts: [],
  lost: 0,
  holds: typeof holds === 'object' ? { piece: holds.piece, turn: 0, side: 'A' } : holds,
});
export const held = (w: number, h: number): 'keep' | 'waste' =>
  w >= IN && h >= IN && Math.max(w, h) >= 3 * IN ? 'keep' : 'waste';

export interface Made {
  readonly document: JobDocument;
  readonly sheets: CutSheet[];
}
/** Sheets shattered by cuts edge to edge on the mark; most of what is left are pieces. Some sheets are cut alike. */
export function shattered(seed: number, more: Partial<JobDocument['cutter'] & object>, kerfSteps: number): Made {
  const R = seededRandom(seed);
  const upTo = (n: number) => Math.floor(R() * n);
  const kerf = kerfSteps * STEP;
  const pieces: { w: number; h: number; n: number }[] = [];
  const pieceOf = (w: number, h: number) => {
    const at = pieces.findIndex((p) => p.w === w && p.h === h);
    if (at >= 0) return at;
    return pieces.push({ w, h, n: 0 }) - 1;
  };
  const shatter = (x: number, y: number, w: number, h: number, deep: number, last?: 'x' | 'y'): Tree => {
    const cut = last === 'x' ? 'y' : last === 'y' ? 'x' : R() < 0.5 ? 'x' : 'y';
    const along = cut === 'x' ? w : h;
    const ways = 2 + upTo(3);
    if (deep === 0 || along < ways * (2 * IN + kerf)) {
      return R() < 0.75 ? leaf(x, y, w, h, { piece: pieceOf(w, h) }) : leaf(x, y, w, h, held(w, h));
    }
    const parts: Tree[] = [];
    let at = 0;
    for (let i = 0; i < ways; i++) {
      const room = along - at;
      const rest = (ways - 1 - i) * (IN + kerf);
      const size = i === ways - 1 ? room : IN / 2 + STEP * 2 * upTo(Math.min(40, (room - rest - IN / 2) / STEP / 2));
      parts.push(cut === 'x' ? shatter(x + at, y, size, h, deep - 1, cut) : shatter(x, y + at, w, size, deep - 1, cut));
      at += size + kerf;
    }
    return { x, y, width: w, height: h, cut, parts, lost: 0, holds: null };
  };
  const sheets: CutSheet[] = [];
  for (let s = 0; s < 3; s++) {
    const tree = shatter(0, 0, 12 * IN, 12 * IN, 3);
    for (let n = 0; n <= s % 2; n++) sheets.push({ stock: 0, tree });
  }
  const count = (t: Tree): void => {
    if (t.holds && typeof t.holds === 'object' && 'piece' in t.holds) pieces[t.holds.piece]!.n += 1;
    t.parts.forEach(count);
  };
  for (const { tree } of sheets) count(tree);
  const inch = (t: number) => `${t / STEP}/16`;
  return {
    sheets,
    document: {
      format: 'temnex-job',
      version: 2,
      papers: [{ id: 'p' }],
      cutter: { kerf: kerfSteps ? `${kerfSteps}/16` : 0, step: '1/16', narrowest: '1/4', ...more },
      plan: { keep: { shorter: '1', longer: '3' } },
      stock: [{ id: 's', paper: 'p', width: '12', height: '12', quantity: 20 }],
      pieces: pieces.length
        ? pieces.map((p, i) => ({ id: `p${i}`, width: inch(p.w), height: inch(p.h), quantity: p.n, papers: ['p'] }))
        : [{ id: 'none', width: 1, height: 1, papers: ['p'] }],
    } as JobDocument,
  };
}
export function read(document: JobDocument): Job {
  const result = readJob(document);
  if (!result.ok) throw new Error(JSON.stringify(result.issues));
  return result.job;
}
/** A job over sheets of 12 x 12, its pieces by their sizes in inches. */
export const over = (
  pieces: [string, number | string, number | string, number?][],
  more: Partial<JobDocument> = {},
): Job =>
  read({
    format: 'temnex-job',
    version: 2,
    papers: [{ id: 'p' }],
    plan: { keep: { shorter: '1', longer: '3' } },
    stock: [{ id: 's', paper: 'p', width: '12', height: '12', quantity: 20, kind: 'sheet' }],
    pieces: pieces.map(([id, width, height, quantity = 1]) => ({ id, width, height, quantity, papers: ['p'] })),
    ...more,
  } as JobDocument);
/** Parts one after the other across a sheet of 12 x 12 or part of it, by their sizes in inches. */
export const row = (
  sizes: [number, Leaf][],
  { kerf = 0, height = 12, x = 0, y = 0, cut = 'x' as 'x' | 'y', lost = 0 } = {},
): Tree => {
  let at = 0;
  const parts = sizes.map(([size, holds]) => {
    const part =
      cut === 'x'
        ? leaf((x + at) * IN, y * IN, size * IN, height * IN, holds)
        : leaf(x * IN, (y + at) * IN, height * IN, size * IN, holds);
    at += size + kerf;
    return part;
  });
  const along = at - kerf + lost;
  const [w, h] = cut === 'x' ? [along, height] : [height, along];
  return { x: x * IN, y: y * IN, width: w * IN, height: h * IN, cut, parts, lost: lost * IN, holds: null };
};

/** How many cuts take a tree apart that has no windmill. */
export const cutsIn = (t: Tree): number => t.parts.reduce((sum, p) => sum + cutsIn(p), t.cut ? t.parts.length - 1 : 0);
