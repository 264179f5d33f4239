import { describe, expect, test } from '@jest/globals';
import { seededRandom } from '../chance/index.ts';
import { TICKS_PER_UNIT } from '../length/index.ts';
import {
  computeCutEffects,
  partInHandFor,
  computeLeftByWrongCut,
  layOutPartsAfter,
  isLargerThanPart,
  findWrongCutFault,
} from '../cutting/index.ts';
import { planJob, readJob, type Job, type JobDocument, type Plan } from '../planner/index.ts';
import { beginSession, applySessionEvent, foldSession, type SessionDeed, type SessionEvent } from './session.ts';
import { turnsToFence } from '../planner/index.ts';
import { countPlanStepsDone, buildTrimmerSteps } from './steps.ts';

function planned(more: Partial<JobDocument>): { job: Job; plan: Plan } {
  const read = readJob({
    format: 'temnex-job',
    version: 2,
    papers: [{ id: 'gust' }],
    plan: { nodes: 1 },
    stock: [],
    pieces: [],
    ...more,
  });
  if (!read.ok) throw new Error(JSON.stringify(read.issues));
  return { job: read.job, plan: planJob(read.job, { now: () => 0 }) };
}
const mats = (more: Partial<JobDocument> = {}) =>
  planned({
    stock: [{ id: 's', paper: 'gust', width: '12', height: '12', quantity: 3, kind: 'sheet' }],
    pieces: [
      { id: 'mat', width: '4 3/8', height: '6 3/8', quantity: 4, papers: ['gust'] },
      { id: 'tag', width: '2', height: '3', quantity: 3, papers: ['gust'], finish: [{ do: 'corners', how: 'round', by: '1/4', count: 2 }] }, // prettier-ignore
    ],
    ...more,
  });
/** So many jobs are walked through; more with TEMNEX_WALKS. */
const JOBS = Number(process.env.TEMNEX_WALKS ?? 3);
const known = new Map<number, { job: Job; plan: Plan }>();
const anyJob = (seed: number): { job: Job; plan: Plan } => {
  if (!known.has(seed)) known.set(seed, madeJob(seed));
  return known.get(seed)!;
};
/** A job of any kind: stacks, kerf, margins, centres, windmills. */
function madeJob(seed: number): { job: Job; plan: Plan } {
  const random = seededRandom(seed);
  const whole = (n: number) => Math.floor(random() * n);
  const eighths = (least: number, most: number) => `${least * 8 + whole((most - least) * 8)}/8`;
  return planned({
    cutter: { kerf: whole(3) ? '0' : '1/16', stack: 1 + whole(3), stop: whole(3) === 0 },
    stock: [
      {
        id: 'sheet',
        paper: 'gust',
        width: '12',
        height: '12 1/2',
        quantity: 2 + whole(4),
        kind: 'sheet',
        ...(whole(2) ? { trim: { bottom: '1/2' } } : {}),
      },
      {
        id: 'scrap',
        paper: 'gust',
        width: eighths(4, 9),
        height: eighths(3, 9),
        quantity: 1 + whole(2),
        kind: 'scrap',
      },
    ],
    pieces: Array.from({ length: 1 + whole(4) }, (_, i) => ({
      id: `p${i}`,
      width: eighths(1, 7),
      height: eighths(1, 7),
      quantity: 1 + whole(4),
      papers: ['gust'],
      ...(whole(3) ? {} : { finish: [{ do: 'corners' as const, how: 'round' as const, by: '1/4', count: 4 }] }),
      ...(whole(4) ? {} : { side: 'B' as const }),
    })),
  });
}
const areaOf = ({ width, height }: { width: number; height: number }) => width * height;

describe('the steps at the trimmer', () => {
  test('every cut is there once, in its order, each sheet is taken before it is cut, and no other', () => {
    for (let seed = 1; seed <= JOBS; seed++) {
      const { job, plan } = anyJob(seed);
      const steps = buildTrimmerSteps(job, plan);
      expect(steps.flatMap((s) => (s.do === 'cut' ? [s.index] : []))).toEqual(plan.steps.map((_, i) => i));
      const taken = steps.flatMap((s) => (s.do === 'take' ? s.sheets : s.do === 'whole' ? [s.sheet] : []));
      expect([...taken].sort((a, b) => a - b)).toEqual(plan.sheets.map((_, i) => i));
      const have = new Set<number>();
      for (const s of steps) {
        if (s.do === 'take') s.sheets.forEach((at) => have.add(at));
        if (s.do === 'cut') expect(s.step.sheets.every((at) => have.has(at))).toBe(true);
      }
      expect(countPlanStepsDone(steps, steps.length)).toBe(plan.steps.length);
    }
  });
  test('a part lies with the edge on the fence that the next cut asks for', () => {
    for (let seed = 1; seed <= JOBS; seed++) {
      const { job, plan } = anyJob(seed);
      const lies = new Map<string, number>();
      for (const s of buildTrimmerSteps(job, plan)) {
        if (s.do === 'turn') {
          for (const at of s.sheets) {
            const before = lies.get(`${at} ${s.part}`) ?? 0;
            expect(before).toBe(turnsToFence(s.from));
            lies.set(`${at} ${s.part}`, (before + s.quarters) % 4);
          }
        }
        if (s.do !== 'cut' || s.step.do === 'open') continue;
        const { step } = s;
        const part = step.do === 'trim' ? 'r' : step.part;
        const now = lies.get(`${step.sheets[0]!} ${part}`) ?? 0;
        expect({ seed, now }).toEqual({ seed, now: turnsToFence(step.edge) });
        const made = step.do === 'cut' ? [step.off, step.rest] : step.do === 'stop' ? [step.part, ...[0, 1, 2, 3, 4].map((n) => `${step.part}.${n}`)] : []; // prettier-ignore
        for (const at of step.sheets) for (const path of made) if (path !== null) lies.set(`${at} ${path}`, now);
      }
    }
  });
  test('pieces that show their back are turned over before anything is done to them', () => {
    const { job, plan } = mats({
      papers: [{ id: 'gust', sides: [{ side: 'A' }, { side: 'B' }] }],
      pieces: [{ id: 'tag', width: '2', height: '3', papers: ['gust'], side: 'B', finish: [{ do: 'corners', how: 'round', by: '1/4', count: 2 }] }], // prettier-ignore
    } as Partial<JobDocument>);
    const dos = buildTrimmerSteps(job, plan).map((s) => s.do);
    expect(dos.slice(-2)).toEqual(['over', 'finish']);
    // only those: beside it, and in the hole of another, one shows its front and one its back
    const finish = [{ do: 'corners', how: 'round', by: '1/4', count: 2 }] as const;
    const three = mats({
      version: 2,
      papers: [{ id: 'gust', sides: [{ side: 'A' }, { side: 'B' }] }],
      stock: [{ id: 's', paper: 'gust', width: '6', height: '6', kind: 'sheet' }],
      pieces: [
        { id: 'frame', width: '5', height: '6', papers: ['gust'], side: 'A', finish, opening: { x: '1', y: '1', width: '3', height: '4' } }, // prettier-ignore
        { id: 'tag', width: '2', height: '3', papers: ['gust'], side: 'B', finish },
        { id: 'label', width: '1', height: '5', papers: ['gust'], side: 'A', finish },
        { id: 'strip', width: '1/2', height: '1/2', papers: ['gust'], side: 'B' },
      ],
    } as unknown as Partial<JobDocument>);
    expect(three.plan.missing).toEqual([]);
    const over = buildTrimmerSteps(three.job, three.plan).flatMap((s) => (s.do === 'over' ? [s.piece.id] : []));
    expect(over).toEqual(['tag']);
  });
});

describe('the paper on the table', () => {
  test('is as large as the sheets that were taken, after every cut', () => {
    for (let seed = 1; seed <= JOBS; seed++) {
      const { job, plan } = anyJob(seed);
      const per = TICKS_PER_UNIT[plan.unit];
      for (let steps = 0; steps <= plan.steps.length; steps++) {
        const { parts, kerf } = layOutPartsAfter(job, plan, steps);
        const bySheet = new Map<number, number>();
        for (const p of parts)
          bySheet.set(p.sheet, (bySheet.get(p.sheet) ?? 0) + areaOf(p) - (p.hole ? areaOf(p.hole) : 0));
        for (const [sheet, area] of bySheet) {
          const item = job.stock.find((s) => s.id === plan.sheets[sheet]!.stock)!;
          expect(area + (kerf.get(sheet) ?? 0)).toBeCloseTo((item.width * item.height) / per / per, 6);
        }
      }
      // in the end it is what the plan says, piece by piece
      const end = layOutPartsAfter(job, plan, plan.steps.length).parts;
      const of = (is: 'keep' | 'waste') => end.filter((p) => p.is === is).reduce((sum, p) => sum + areaOf(p), 0);
      expect(of('keep')).toBeCloseTo(plan.totals.keptArea, 6);
      expect(end.filter((p) => p.is === 'begun')).toEqual([]);
      const pieces = end.filter((p) => typeof p.is === 'object');
      expect(pieces.reduce((sum, p) => sum + areaOf(p), 0)).toBeCloseTo(plan.totals.pieceArea, 6);
    }
  });
});

describe('a cut that went wrong', () => {
  test('at another setting: both parts are there, as large together as what was in hand', () => {
    const { job, plan } = mats();
    const step = plan.steps[0]!;
    if (step.do !== 'cut') throw new Error('a cut was expected');
    const left = computeLeftByWrongCut(job, plan, 0, { setting: step.setting - 0.125, edge: step.edge });
    expect(left).toHaveLength(2);
    expect(findWrongCutFault(job, plan, 0, { how: 'size', left })).toBeNull();
    const effects = computeCutEffects(job, plan, 'page', '2026-05-31', { steps: 0, wrong: { how: 'size', left } });
    expect(effects.used).toEqual([{ stock: 's', count: step.sheets.length }]);
    expect(effects.pieces).toEqual([]);
    const area = effects.kept.reduce((sum, k) => sum + Number(evaluate(k.width)) * Number(evaluate(k.height)), 0);
    expect(area).toBeCloseTo(144 * step.sheets.length, 6);
  });
  test('further on: what was in hand is no scrap as well, what had come off stays', () => {
    const { job, plan } = mats();
    const steps = 2;
    const hand = partInHandFor(job, plan, steps)!;
    const before = computeCutEffects(job, plan, 'page', '2026-05-31', { steps });
    const after = computeCutEffects(job, plan, 'page', '2026-05-31', { steps, wrong: { how: 'torn', left: [] } });
    expect(after.pieces).toEqual(before.pieces);
    const area = (e: typeof after) => e.kept.reduce((sum, k) => sum + evaluate(k.width) * evaluate(k.height), 0);
    const begun = before.used.length === after.used.length && before.used.every((u, i) => u.count === after.used[i]!.count); // prettier-ignore
    expect(area(before) - area(after)).toBeCloseTo(begun ? areaOf(hand) : 0, 6);
  });
  test('of another paper: that one is used, and the sheet of the order stays', () => {
    const { job, plan } = mats();
    const wrong = { how: 'paper', stock: 'other', left: [{ width: '4', height: '6' }] } as const;
    const { used, kept } = computeCutEffects(job, plan, 'page', '2026-05-31', { steps: 0, wrong: { ...wrong, left: [...wrong.left] } }); // prettier-ignore
    expect(used).toEqual([{ stock: 'other', count: plan.steps[0]!.sheets.length }]);
    expect(kept[0]).toMatchObject({ width: '4', height: '6', origin: { stock: 'other' } });
  });
  test('nobody has more left than was in hand, nor after the last cut', () => {
    const { job, plan } = mats();
    const left = [{ width: '12 1/8', height: '1' }];
    expect(findWrongCutFault(job, plan, 0, { how: 'torn', left })).toBe('left-too-large');
    const two = [{ width: '12', height: '7' }, { width: '12', height: '6' }]; // prettier-ignore
    expect(findWrongCutFault(job, plan, 0, { how: 'torn', left: two })).toBe('left-too-large');
    expect(findWrongCutFault(job, plan, plan.steps.length, { how: 'torn', left: [] })).toBe('no-such-step');
    expect(findWrongCutFault(job, plan, 0, { how: 'paper', left: [] })).toBe('no-such-stock');
    expect(isLargerThanPart([{ width: '3', height: '3' }], { width: 3, height: 3 }, plan)).toBe(false);
  });
  test('a spoiled piece gives what is left of it; one that came out otherwise and will do is what it is', () => {
    const { job, plan } = mats();
    const all = computeCutEffects(job, plan, 'page', '2026-05-31');
    const { pieces, kept } = computeCutEffects(job, plan, 'page', '2026-05-31', {
      spoiled: [{ piece: 'mat', copy: 1, left: [{ width: '4', height: '6' }] }],
      measured: [{ piece: 'mat', copy: 2, width: '4 5/16', height: '6 3/8' }],
    });
    expect(pieces).toHaveLength(all.pieces.length - 1);
    expect(kept).toHaveLength(all.kept.length + 1);
    expect(pieces.filter((p) => p.cameOutAs)).toEqual([
      expect.objectContaining({ width: '4 3/8', cameOutAs: { width: '4 5/16', height: '6 3/8' } }),
    ]);
  });
});
const evaluate = (text: string | number): number =>
  String(text)
    .split(' ')
    .reduce((sum, part) => {
      const [over, under = '1'] = part.split('/');
      return sum + Number(over) / Number(under);
    }, 0);

describe('a session', () => {
  const steps = { one: 5, two: 3 } as Record<string, number>;
  const stepsOf = (plan: string) => steps[plan] ?? 0;
  let n = 0;
  const event = (deed: SessionDeed, id = `e${++n}`): SessionEvent => ({ id, at: '2026-05-31T10:00:00.000Z', deed });
  const done = (step: number, order = 0) => event({ do: 'done', order, step });
  test('doing a step twice, or on two devices, is doing it once', () => {
    const first = done(0);
    const { state, idle } = foldSession('one', [first, first, done(0), done(1)], stepsOf);
    expect(state.at).toBe(2);
    expect([...idle.values()]).toEqual(['already']);
  });
  test('nothing is skipped, and what was left for another order is said', () => {
    const events = [
      done(1),
      done(0),
      event({ do: 'wrong', order: 0, step: 1, spoiled: [] }),
      done(1),
      event({ do: 'order', order: 1, plan: 'two' }),
      done(1),
      done(0, 1),
    ];
    const { state, idle } = foldSession('one', events, stepsOf);
    expect(state).toMatchObject({ order: 1, plans: ['one', 'two'], at: 1, phase: 'cutting' });
    expect([...idle.values()]).toEqual(['too-early', 'order-gone', 'order-gone']);
  });
  test('what went wrong is taken back until the order after it is begun', () => {
    const wrong = [done(0), event({ do: 'wrong', order: 0, step: 1, spoiled: [] })];
    const back = event({ do: 'right', order: 0 });
    expect(foldSession('one', [...wrong, back], stepsOf).state).toMatchObject({ order: 0, at: 1, phase: 'cutting' });
    const ordered = [...wrong, event({ do: 'order', order: 1, plan: 'two' })];
    expect(foldSession('one', [...ordered, back], stepsOf).state).toMatchObject({ order: 0, at: 1, plans: ['one'] });
    expect(foldSession('one', [...ordered, done(0, 1), back], stepsOf).idle.get(back.id)).toBe('over');
  });
  test('of two that went wrong the last is taken back first, then the one before', () => {
    const wrong = (order: number, step: number) => event({ do: 'wrong', order, step, spoiled: [] });
    const events = [done(0), wrong(0, 1), event({ do: 'order', order: 1, plan: 'two' }), wrong(1, 0)];
    const one = foldSession('one', [...events, event({ do: 'right', order: 1 })], stepsOf).state;
    expect(one).toMatchObject({ order: 1, at: 0, plans: ['one', 'two'], phase: 'cutting' });
    const both = [...events, event({ do: 'right', order: 1 }), event({ do: 'right', order: 0 })];
    expect(foldSession('one', both, stepsOf).state).toMatchObject({
      order: 0,
      at: 1,
      plans: ['one'],
      phase: 'cutting',
    });
  });
  test('what was measured comes back with an order that was right after all', () => {
    const size = { piece: 'mat', copy: 1, width: '4 5/16', height: '6' };
    const events = [
      done(0),
      event({ do: 'measured', order: 0, ...size }),
      event({ do: 'wrong', order: 0, step: 1, spoiled: [] }),
    ];
    expect(foldSession('one', events, stepsOf).state.measured.size).toBe(0);
    const { state } = foldSession('one', [...events, event({ do: 'right', order: 0 })], stepsOf);
    expect([...state.measured]).toEqual([['mat 1', size]]);
  });
  test('it ends when all is done, and goes on when that is taken back', () => {
    const all = [0, 1, 2, 3, 4].map((s) => done(s));
    const end = event({ do: 'end', order: 0 });
    expect(foldSession('one', [...all.slice(1), end], stepsOf).idle.get(end.id)).toBe('too-early');
    const over = foldSession('one', [...all, end], stepsOf).state;
    expect(over).toMatchObject({ phase: 'over', ended: end.id });
    expect(applySessionEvent(over, done(4), stepsOf)).toBe('over');
    expect(applySessionEvent(over, event({ do: 'on', order: 0 }), stepsOf)).toMatchObject({ phase: 'cutting', at: 5 });
  });
  test('the same events make the same session, whoever sends them twice', () => {
    for (let seed = 1; seed <= 200; seed++) {
      const random = seededRandom(seed);
      const whole = (k: number) => Math.floor(random() * k);
      const events: SessionEvent[] = [];
      let state = beginSession('one');
      for (let i = 0; i < 60; i++) {
        // two devices, of which one sees what the other did only later
        const late = whole(3) === 0 ? Math.max(0, state.at - whole(3)) : state.at;
        const deed: SessionDeed = [
          { do: 'done', order: state.order, step: late },
          { do: 'done', order: Math.max(0, state.order - whole(2)), step: late },
          { do: 'back', order: state.order, step: late - 1 >= 0 ? late - 1 : 0 },
          { do: 'wrong', order: state.order, step: late, spoiled: [] },
          { do: 'order', order: state.order + 1, plan: whole(2) ? 'one' : 'two' },
          { do: 'right', order: Math.max(0, state.order - 1) },
          { do: 'end', order: state.order },
          { do: 'on', order: state.order },
        ][whole(3) ? 0 : whole(8)] as SessionDeed;
        const e = whole(8) || !events.length ? event(deed) : events[whole(events.length)]!;
        if (!events.includes(e)) {
          const next = applySessionEvent(state, e, stepsOf);
          if (typeof next !== 'string') {
            // by one step at a time, and never past the end of the order
            if (next.order === state.order && deed.do !== 'right') expect(Math.abs(next.at - state.at)).toBeLessThanOrEqual(1); // prettier-ignore
            expect(next.at).toBeLessThanOrEqual(stepsOf(next.plans[next.order]!));
            expect(next.plans).toHaveLength(next.order + 1);
            state = next;
          }
        }
        events.push(e);
      }
      expect(foldSession('one', events, stepsOf).state).toEqual(state);
    }
  });
});
