import { describe, expect, test } from '@jest/globals';
import { computeCutEffects, namePartsOfPlan, applyPencilledLetters } from '../cutting/index.ts';
import { planJob, readJob, type Job, type JobDocument, type Plan, type PlanNode } from '../planner/index.ts';
import { collectPencilled, planOfUntouched } from './pencilled.ts';
import { beginSession, applySessionEvent, type SessionState } from './session.ts';
import { buildTrimmerSteps } from './steps.ts';

function planned(document: JobDocument, earlier?: Plan): { job: Job; plan: Plan } {
  const read = readJob(document);
  if (!read.ok) throw new Error(JSON.stringify(read.issues));
  const watch = { now: () => 0, ...(earlier ? { earlier, keeping: 'while-complete' as const } : {}) };
  return { job: read.job, plan: planJob({ ...read.job, nodes: 60 }, watch) };
}
const JOB: JobDocument = {
  format: 'temnex-job',
  version: 1,
  papers: [{ id: 'gust' }],
  plan: { nodes: 60, keep: { shorter: '1', longer: '1' } },
  stock: [{ id: 'sheet', paper: 'gust', width: '12', height: '12', quantity: 3 }],
  pieces: [
    { id: 'mat', width: '5 1/2', height: '7 1/2', quantity: 4, papers: ['gust'] },
    { id: 'tag', width: '2', height: '3', quantity: 6, papers: ['gust'] },
  ],
};
const piecesIn = (tree: PlanNode): string[] => [
  ...(tree.holds && typeof tree.holds === 'object' ? [tree.holds.piece] : []),
  ...(tree.parts ?? []).flatMap(piecesIn),
];

/** The first order cut so far, the next cut torn: the new order as a device makes it, and what is pencilled by then. */
function tornAfter(cuts: number) {
  const { job, plan } = planned(JOB);
  const steps = buildTrimmerSteps(job, plan);
  let state: SessionState = beginSession('first');
  const press = (deed: Parameters<typeof applySessionEvent>[1]['deed']) => {
    const next = applySessionEvent(state, { id: `e${state.at}`, at: '2026-11-30T10:00:00Z', deed }, () => steps.length);
    if (typeof next === 'string') throw new Error(next);
    state = next;
  };
  const at = steps.findIndex((step) => step.do === 'cut' && step.index === cuts);
  for (let step = 0; step < at; step++) press({ do: 'done', order: 0, step });
  const wrong = { how: 'torn' as const, left: [] };
  press({ do: 'wrong', order: 0, step: at, wrong, spoiled: [] });
  const { used, kept, pieces } = computeCutEffects(job, plan, 'page', '2026-11-30', { steps: cuts, wrong });
  const items = kept.map((item, i) => ({ ...item, id: `kept-${i}` }));
  const cut = (id: string) => pieces.filter((p) => p.piece === id).length;
  const rest: JobDocument = {
    ...JOB,
    stock: [
      { ...JOB.stock[0]!, quantity: 3 - (used[0]?.count ?? 0) },
      ...items.map(({ id, width, height }) => ({ id, paper: 'gust', width, height, kind: 'scrap' as const })),
    ].filter((item) => !('quantity' in item) || item.quantity !== 0),
    pieces: JOB.pieces
      .map((piece) => ({ ...piece, quantity: piece.quantity! - cut(piece.id) }))
      .filter((piece) => piece.quantity > 0),
  };
  const parts = Object.fromEntries(items.flatMap(({ id, origin }) => (origin?.part ? [[id, origin.part]] : [])));
  const pencilled = collectPencilled(state, () => plan, steps, parts, true);
  const next = applyPencilledLetters(planned(rest, planOfUntouched(pencilled)).plan, pencilled);
  return { job, plan, pencilled, next, parts };
}

describe('a new order after a cut that went wrong', () => {
  test('the job is worth the test: two sheets, parts that are cut again', () => {
    const { plan } = planned(JOB);
    expect(plan.sheets.length).toBeGreaterThanOrEqual(2);
    expect(
      plan.steps.filter((s) => namePartsOfPlan(plan)(s.sheets[0]!, s.do === 'trim' ? 'r' : s.part) !== 'A').length,
    ).toBeGreaterThan(3);
  });
  const { plan } = planned(JOB);
  test.each(plan.steps.map((_, i) => i).filter((i) => i > 0))('after %i cuts', (cuts) => {
    const { pencilled, next, parts } = tornAfter(cuts);
    const letters = next.sheets.map((sheet) => sheet.letter!);
    // No letter is there twice.
    expect(new Set(letters).size).toBe(letters.length);
    next.sheets.forEach((sheet) => {
      // What bears a letter keeps it.
      if (parts[sheet.stock]) expect(sheet.letter).toBe(parts[sheet.stock]);
    });
    // Sheets that were not touched are cut as they were to be, under their letter.
    const before = namePartsOfPlan(plan);
    for (const index of pencilled.untouched) {
      const same = next.sheets.find((sheet) => sheet.letter === before(index, 'r'));
      if (same) expect(piecesIn(same.tree).sort()).toEqual(piecesIn(plan.sheets[index]!.tree).sort());
    }
    expect(pencilled.untouched.every((index) => letters.includes(before(index, 'r')!))).toBe(true);
    // What comes to hand next gets a name that nothing bears.
    const names = namePartsOfPlan(next);
    const fresh = next.steps.flatMap((s) =>
      s.sheets.flatMap((sheet) => (s.do === 'trim' || s.part === 'r' ? [] : [names(sheet, s.part)])),
    );
    const borne = new Set([...letters, ...Object.values(parts)]);
    expect(fresh.filter((name) => name !== null && borne.has(name))).toEqual([]);
  });
  test('parts of a sheet that was not begun are called as they were to be', () => {
    const { next, plan: first, pencilled } = tornAfter(0);
    expect(pencilled.untouched.length).toBeGreaterThan(0);
    for (const index of pencilled.untouched) {
      const letter = namePartsOfPlan(first)(index, 'r')!;
      const namesOn = (order: Plan, sheet: number) =>
        order.steps
          .flatMap((s) => (s.sheets[0] === sheet && s.do === 'cut' ? [namePartsOfPlan(order)(sheet, s.part)] : []))
          .sort();
      expect(
        namesOn(
          next,
          next.sheets.findIndex((s) => s.letter === letter),
        ),
      ).toEqual(namesOn(first, index));
    }
  });
  test('new sheets go on from the last letter', () => {
    // The first sheet is torn before anything came off it: another is opened in its place.
    const { next, plan: first } = tornAfter(0);
    const last = first.sheets.length;
    expect(next.sheets.map((sheet) => sheet.letter).sort()).toEqual(
      Array.from({ length: last }, (_, i) => String.fromCharCode(66 + i)),
    );
  });
});

test('numbers of parts go on after those that were named before', () => {
  const { plan } = planned(JOB);
  const named = { ...plan, sheets: plan.sheets.map((sheet, i) => (i ? sheet : { ...sheet, letter: 'J3', named: 5 })) };
  const names = namePartsOfPlan(named);
  expect(names(0, 'r')).toBe('J3');
  const again = named.steps.flatMap((s) =>
    s.sheets[0] === 0 && s.do === 'cut' && s.part !== 'r' ? [names(0, s.part)] : [],
  );
  expect(again[0]).toBe('J6');
});

test('a sheet that was only next is whole where a piece got ruined: it keeps its letter', () => {
  const { job, plan } = planned(JOB);
  const steps = buildTrimmerSteps(job, plan);
  // The first cut of the second sheet comes next.
  const next = plan.steps.findIndex((step) => !step.sheets.includes(0));
  const at = steps.findIndex((step) => step.do === 'cut' && step.index === next);
  const left = [{ order: 0, at, event: 'e', measured: new Map() }];
  const state: SessionState = { ...beginSession('first'), at, left, phase: 'waiting' };
  const [sheet] = plan.steps[next]!.sheets;
  expect(collectPencilled(state, () => plan, steps, {}, false).untouched).toContain(sheet);
  expect(collectPencilled(state, () => plan, steps, {}, true).untouched).not.toContain(sheet);
});
