import { describe, expect, test } from '@jest/globals';
import { lengthOf } from '../../length/index.ts';
import { seededRandom } from '../../chance/index.ts';
import { planJob, readJob, verifyPlan, type Job, type Plan, type PlanNode } from '../index.ts';
import { listOffcutChoices, arrangeUsefulOffcuts } from './offcuts.ts';
import { readSheetOfPlan } from './readSheet.ts';
import { alongOf, countCuts, addTreeFigures, isHolding, emptyFigures, type Tree } from './tree.ts';

const inch = lengthOf('1');
const job = (kerf = '0'): Job => {
  const read = readJob({
    format: 'temnex-job',
    version: 2,
    papers: [{ id: 'p' }],
    cutter: { step: '1/16', kerf },
    plan: { nodes: 40, keep: { shorter: '1', longer: '1' } },
    stock: [{ id: 's', paper: 'p', width: '12', height: '12', kind: 'scrap' }],
    pieces: [{ id: 'a', width: '2', height: '2', papers: ['p'], quantity: 4 }],
  });
  if (!read.ok) throw new Error(JSON.stringify(read.issues));
  return read.job;
};
const PIECE = { piece: 0, turn: 0, side: 'A' } as const;
type Drawn = number | 'keep' | 'waste';
/** A tree from how far its parts go along, nested: a number holds a piece, words hold themselves. */
const run = (cut: 'x' | 'y', width: number, height: number, parts: readonly (readonly [number, Drawn | ((w: number, h: number) => Tree)])[], kerf = 0): Tree => {
  let at = 0;
  const made = parts.map(([long, what]): Tree => {
    const [w, h] = cut === 'x' ? [long, height] : [width, long];
    const [x, y] = cut === 'x' ? [at, 0] : [0, at];
    at += long + kerf;
    if (typeof what === 'function') return moved(what(w, h), x * inch, y * inch);
    const holds = typeof what === 'number' ? PIECE : what;
    return { x: x * inch, y: y * inch, width: w * inch, height: h * inch, cut: null, parts: [], lost: 0, holds };
  });
  return { x: 0, y: 0, width: width * inch, height: height * inch, cut, parts: made, lost: 0, holds: null };
}; // prettier-ignore
const moved = (tree: Tree, x: number, y: number): Tree => ({
  ...tree,
  x: tree.x + x,
  y: tree.y + y,
  parts: tree.parts.map((part) => moved(part, x, y)),
});
/** What lies where, in inches. */
const said = (tree: Tree): string[] => {
  const own = `${isHolding(tree.holds) ? 'piece' : tree.holds} ${[tree.x, tree.y, tree.width, tree.height].map((n) => n / inch).join(' ')}`;
  return tree.cut ? tree.parts.flatMap(said) : [own];
};
const better = (tree: Tree, kerf?: string) => arrangeUsefulOffcuts({ stock: 0, tree }, job(kerf)).tree;

describe('a corner that two offcuts could have', () => {
  test('goes to the one that is broader then: above, where there is more room', () => {
    const tree = run('x', 3.5, 6, [[2, (w, h) => run('y', w, h, [[2, 1], [4, 'keep']])], [1.5, 'keep']]); // prettier-ignore
    expect(said(better(tree))).toEqual(['piece 0 0 2 2', 'keep 2 0 1.5 2', 'keep 0 2 3.5 4']);
    expect(countCuts(better(tree))).toBe(1);
  });
  test('goes to the one that serves what other pages want, though it is narrower', () => {
    const tree = run('x', 3.5, 6, [[2, (w, h) => run('y', w, h, [[2, 1], [4, 'keep']])], [1.5, 'keep']]); // prettier-ignore
    const wanting = (...sizes: [number, number][]): Job => ({
      ...job(),
      wants: new Map([['p', sizes.map(([w, h]) => ({ width: lengthOf(String(w)), height: lengthOf(String(h)) }))]]),
    });
    const laid = (asked: Job) => arrangeUsefulOffcuts({ stock: 0, tree }, asked).tree;
    // five inches come only from what is beside it, whichever way round the piece lies
    for (const size of [[1, 5], [5, 1.5]] as [number, number][]) expect(laid(wanting(size))).toBe(tree); // prettier-ignore
    expect(laid(wanting([1, 5], [3, 4]))).not.toBe(tree);
    // two that would each serve a small one are no better than one broad one that does
    expect(laid(wanting([1, 2]))).not.toBe(tree);
    // from other paper nothing is wanted
    expect(laid({ ...job(), wants: new Map([['q', wanting([1, 5]).wants.get('p')!]]) })).not.toBe(tree);
  });
  test('stays with the one that is broader already', () => {
    const tree = run('x', 7, 3.5, [[2, (w, h) => run('y', w, h, [[2, 1], [1.5, 'keep']])], [5, 'keep']]); // prettier-ignore
    expect(better(tree)).toBe(tree);
  });
  test('whichever end the offcuts are at, and however many pieces lie in the row', () => {
    const tree = run('y', 6, 5, [[3, 'keep'], [2, (w, h) => run('x', w, h, [[4, 'keep'], [2, 1]])]]); // prettier-ignore
    expect(said(better(tree))).toEqual(['keep 0 0 4 5', 'keep 4 0 2 3', 'piece 4 3 2 2']);
    const row = run('x', 3.5, 9, [[2, (w, h) => run('y', w, h, [[2, 1], [2, 1], [5, 'keep']])], [1.5, 'keep']]); // prettier-ignore
    expect(said(better(row))).toEqual(['piece 0 0 2 2', 'piece 0 2 2 2', 'keep 2 0 1.5 4', 'keep 0 4 3.5 5']);
  });
  test('of a longer run, the last two parts or the first two', () => {
    const tree = run('x', 5.5, 6, [[2, (w, h) => run('y', w, h, [[2, 1], [2, 1], [2, 1]])], [2, (w, h) => run('y', w, h, [[2, 1], [4, 'keep']])], [1.5, 'keep']]); // prettier-ignore
    expect(said(better(tree)).slice(3)).toEqual(['piece 2 0 2 2', 'keep 4 0 1.5 2', 'keep 2 2 3.5 4']);
  });
  test('the kerf goes along', () => {
    const tree = run('x', 4, 7, [[2, (w, h) => run('y', w, h, [[2, 1], [4.75, 'keep']], 0.25)], [1.75, 'keep']], 0.25); // prettier-ignore
    expect(said(better(tree, '1/4'))).toEqual(['piece 0 0 2 2', 'keep 2.25 0 1.75 2', 'keep 0 2.25 4 4.75']);
  });
  test('an odd scrap, or a sheet that is kept as it was, stays', () => {
    const tree = run('x', 3.5, 6, [[2, (w, h) => run('y', w, h, [[2, 1], [4, 'keep']])], [1.5, 'keep']]); // prettier-ignore
    const kept = { stock: 0, tree, settled: true } as const;
    expect(arrangeUsefulOffcuts(kept, job())).toBe(kept);
  });
});

describe('where a rule of what to keep leaves it open', () => {
  const inInches = (tree: Tree, asked = job()) =>
    listOffcutChoices({ stock: 0, tree }, asked).map(({ kept, instead, because }) => {
      const sizes = (some: typeof kept) => some.map((o) => [o.width / inch, o.height / inch]);
      return [sizes(kept), sizes(instead), because];
    });
  const narrow = run('x', 3.5, 6, [[2, (w, h) => run('y', w, h, [[2, 1], [4, 'keep']])], [1.5, 'keep']]); // prettier-ignore
  const broad = better(narrow);
  const wanting = (width: string, height: string): Job => ({
    ...job(),
    wants: new Map([['p', [{ width: lengthOf(width), height: lengthOf(height) }]]]),
  });
  const [asBroad, asNarrow] = [[[3.5, 4], [1.5, 2]], [[1.5, 6], [2, 4]]]; // prettier-ignore
  test('it is told what is kept, what might be, and why', () => {
    expect(inInches(broad)).toEqual([[asBroad, asNarrow, 'broader']]);
    expect(inInches(narrow, wanting('1', '5'))).toEqual([[asNarrow, asBroad, 'wanted']]);
    // cut so for another reason than its offcuts
    expect(inInches(narrow)).toEqual([[asNarrow, asBroad, 'cuts']]);
    // as much either way round a square
    const square = run('x', 6, 6, [[4, (w, h) => run('y', w, h, [[4, 1], [2, 'keep']])], [2, 'keep']]); // prettier-ignore
    expect(inInches(square)).toEqual([[[[2, 6], [4, 2]], [[6, 2], [2, 4]], 'alike']]); // prettier-ignore
  });
  test('nothing is told where only one way keeps anything, or where nothing meets', () => {
    const most = { ...job(), keep: { ...job().keep, longer: lengthOf('5') } };
    const ruled = run('x', 3.5, 6, [[2, (w, h) => run('y', w, h, [[2, 1], [4, 'waste']])], [1.5, 'keep']]); // prettier-ignore
    expect(inInches(ruled, most)).toEqual([]);
    expect(inInches(run('x', 4, 2, [[2, 1], [2, 'keep']]))).toEqual([]); // prettier-ignore
    const odd: Job = { ...job(), stock: [{ ...job().stock[0]!, uncut: [{ x: 0, y: 0, width: inch, height: inch }] }] as never }; // prettier-ignore
    expect(inInches(broad, odd)).toEqual([]);
  });
  test('it is read off a plan; not off one for other pieces, other paper, or in another unit', () => {
    const asked = { ...job(), pieces: job().pieces.map((piece) => ({ ...piece, quantity: 1 })) };
    const strip = { ...asked.stock[0]!, width: lengthOf('3 1/2'), height: lengthOf('6') };
    const one: Job = { ...asked, stock: [strip] };
    const plan = planJob(one, { now: () => 0 });
    const sheet = readSheetOfPlan(one, plan, 0);
    expect(sheet && inInches(sheet.tree, one)).toEqual([[asBroad, asNarrow, 'broader']]);
    const without = (change: Partial<Plan>) => readSheetOfPlan(one, { ...plan, ...change }, 0);
    const tree = (change: Partial<PlanNode>) => without({ sheets: [{ ...plan.sheets[0]!, tree: { ...plan.sheets[0]!.tree, ...change } }] }); // prettier-ignore
    expect(tree({})).toEqual(sheet);
    expect([without({ unit: 'mm' }), tree({ cut: 'windmill' }), tree({ width: 3 })]).toEqual([null, null, null]);
    expect(readSheetOfPlan({ ...one, pieces: [{ ...one.pieces[0]!, width: lengthOf('3') }] }, plan, 0)).toBeNull();
    expect(readSheetOfPlan({ ...one, pieces: [] }, plan, 0)).toBeNull();
    expect(readSheetOfPlan({ ...one, stock: [] }, plan, 0)).toBeNull();
    expect(readSheetOfPlan({ ...one, stock: [{ ...strip, height: lengthOf('7') }] }, plan, 0)).toBeNull();
  });
});

test('by chance: the pieces, the cuts and the paper stay, and the offcuts are never less useful', () => {
  const R = seededRandom(7);
  let changed = 0;
  const grow = (cut: 'x' | 'y', w: number, h: number, deep: number): Tree => {
    const along = cut === 'x' ? w : h;
    const first = Math.max(1, Math.floor(R() * (along - 1)));
    const part = (room: number): Drawn | ((a: number, b: number) => Tree) =>
      deep && room > 2 && (cut === 'x' ? h : w) > 2 && R() < 0.7
        ? (a, b) => grow(cut === 'x' ? 'y' : 'x', a, b, deep - 1)
        : R() < 0.5
          ? 1
          : 'keep';
    return run(cut, w, h, [[first, part(first)], [along - first, part(along - first)]]); // prettier-ignore
  };
  for (let i = 0; i < 400; i++) {
    const tree = grow(R() < 0.5 ? 'x' : 'y', 12, 11, 3);
    const made = better(tree);
    if (made !== tree) changed++;
    const pieces = (of: Tree) => said(of).filter((one) => one.startsWith('piece')).sort(); // prettier-ignore
    expect(pieces(made)).toEqual(pieces(tree));
    const [was, is] = [tree, made].map((of) => addTreeFigures(of, 0, emptyFigures()));
    expect([is!.cuts, is!.kept + is!.waste]).toEqual([was!.cuts, was!.kept + was!.waste]);
    expect(is!.useful).toBeGreaterThanOrEqual(was!.useful);
    const whole = (node: Tree): boolean =>
      !node.cut ||
      (node.parts.reduce((sum, part) => sum + alongOf(part, node.cut as 'x'), 0) === alongOf(node, node.cut as 'x') &&
        node.parts.every(whole));
    expect(whole(made)).toBe(true);
  }
  expect(changed).toBeGreaterThan(40);
});

test('a plan leaves broad paper rather than narrow, at no cost', () => {
  const asked = { ...job(), pieces: job().pieces.map((piece) => ({ ...piece, quantity: 1 })) };
  const strip = { ...asked.stock[0]!, width: lengthOf('3 1/2'), height: lengthOf('6') };
  for (const aim of ['least-paper', 'easiest-cuts'] as const) {
    const one = { ...asked, aim, stock: [strip] };
    const plan = planJob(one, { now: () => 0 });
    expect(verifyPlan(one, plan)).toEqual([]);
    const kept = plan.sheets[0]!.tree.parts!.filter((part) => part.holds === 'keep');
    expect(kept.map(({ width, height }) => [width, height])).toEqual([[3.5, 4]]);
  }
});
