import { describe, expect, test } from '@jest/globals';
import { planJob, readJob, type JobDocument } from '../planner/index.ts';
import { measureHandling, turnsToFence } from '../planner/index.ts';
import { findPress, groupIntoPresses } from './presses.ts';
import { beginSession, applySessionEvent, type SessionDeed, type SessionState } from './session.ts';
import { buildTrimmerSteps } from './steps.ts';

function stepsOf(more: Partial<JobDocument>) {
  const read = readJob({
    format: 'temnex-job',
    version: 2,
    papers: [{ id: 'gust' }],
    stock: [],
    pieces: [],
    plan: { nodes: 1, aim: 'easiest-cuts' },
    ...more,
  });
  if (!read.ok) throw new Error(JSON.stringify(read.issues));
  const plan = planJob(read.job, { now: () => 0 });
  return { steps: buildTrimmerSteps(read.job, plan), plan };
}
const sheet = (width: string, height: string) => ({ id: 's', paper: 'gust', width, height, quantity: 3 });
const dos = (more: Partial<JobDocument>, together = true) => {
  const { steps } = stepsOf(more);
  return groupIntoPresses(steps, together).map(({ from, to }) =>
    steps
      .slice(from, to)
      .map((s) => s.do)
      .join(' '),
  );
};

describe('what is done with one press', () => {
  test('a sheet is taken up with its first cut, a part is turned for the cut that it is turned for, the same cut is one step', () => {
    // a strip of five squares: off the sheet, then apart
    expect(
      dos({
        stock: [sheet('12', '12')],
        pieces: [{ id: 'square', width: '1 7/8', height: '1 7/8', quantity: 5, papers: ['gust'] }],
      }),
    ).toEqual(['take cut', 'turn cut cut cut cut cut']);
  });
  test('a sheet that is turned for its first cut is taken up with it; one that is not cut is taken by itself', () => {
    const what = (...dos: string[]) =>
      groupIntoPresses(dos.map((one) => ({ do: one })) as unknown as Parameters<typeof groupIntoPresses>[0]).map(({ from, to }) => to - from); // prettier-ignore
    expect(what('take', 'turn', 'cut')).toEqual([3]);
    expect(what('take', 'finish')).toEqual([1, 1]);
    expect(what('take', 'take', 'turn', 'finish')).toEqual([1, 2, 1]);
  });
  test('each cut is a press of its own where each piece goes into another bag', () => {
    const strips: Partial<JobDocument> = {
      stock: [sheet('12', '6')],
      pieces: [{ id: 'strip', width: '2', height: '6', quantity: 3, papers: ['gust'] }],
    };
    expect(dos(strips)).toEqual(['take cut cut cut']);
    expect(dos(strips, false)).toEqual(['take cut', 'cut', 'cut']);
    expect(groupIntoPresses(stepsOf(strips).steps)).toHaveLength(1);
  });
  test('each margin is a press of its own, though their settings are the same', () => {
    const trim = { left: '1/4', right: '1/4', top: '1/4', bottom: '1/4' };
    const made = dos({
      stock: [{ ...sheet('12', '12'), trim }],
      pieces: [{ id: 'panel', width: '11 1/2', height: '11 1/2', papers: ['gust'] }],
    });
    expect(made.map((press) => press.split(' ').filter((what) => what === 'cut').length)).toEqual([1, 1, 1, 1]);
  });
  test.each([
    ['left', [-1, 0]],
    ['top', [0, 1]],
    ['right', [1, 0]],
    ['bottom', [0, -1]],
  ] as const)('turned for its %s edge, that edge is on the left', (edge, [x, y]) => {
    let side: [number, number] = [x, y];
    // counter-clockwise
    for (let n = 0; n < turnsToFence(edge); n++) side = [-side[1], side[0]];
    expect(side.map((n) => n + 0)).toEqual([-1, 0]);
  });
  test('what four stop cuts free waits until it is cut', () => {
    const stop = (line: number) => ({ do: 'stop', sheets: [0], part: 'r', line, edge: 'left', setting: 3, until: 6 });
    const cut = (part: string) => ({ do: 'cut', sheets: [0], part, edge: 'left', setting: 1, off: `${part}.0`, rest: `${part}.1` }); // prettier-ignore
    const steps = [...[1, 2, 3, 4].map(stop), cut('r.0'), cut('r.1'), cut('r.3')];
    const { plan } = stepsOf({ stock: [sheet('12', '12')], pieces: [{ id: 'a', width: '3', height: '3', papers: ['gust'] }] }); // prettier-ignore
    expect(measureHandling({ ...plan, steps } as typeof plan).waiting).toBe(2);
  });
  test('another setting, or a part that is taken up again, begins another', () => {
    const { steps } = stepsOf({
      stock: [sheet('12', '12')],
      pieces: [
        { id: 'mat', width: '4 3/8', height: '6 3/8', quantity: 3, papers: ['gust'] },
        { id: 'tag', width: '2', height: '3', quantity: 4, papers: ['gust'] },
      ],
    });
    for (const { from, to } of groupIntoPresses(steps)) {
      const cuts = steps.slice(from, to).flatMap((s) => (s.do === 'cut' && s.step.do === 'cut' ? [s] : []));
      expect(new Set(cuts.map((c) => `${c.step.do === 'cut' ? `${c.step.setting} ${c.step.edge}` : ''}`)).size).toBeLessThan(2); // prettier-ignore
      expect(cuts.slice(1).some((c) => c.picked)).toBe(false);
    }
    const presses = groupIntoPresses(steps);
    // one after the other, all of them, and none twice
    expect(presses.map(({ from }) => from)).toEqual([0, ...presses.slice(0, -1).map(({ to }) => to)]);
    expect(presses.at(-1)!.to).toBe(steps.length);
    expect(presses.map(({ from }) => findPress(presses, from))).toEqual(presses.map((_, i) => i));
    expect(findPress(presses, steps.length)).toBe(presses.length);
  });
});

describe('several steps as one event', () => {
  const after = (state: SessionState, deed: SessionDeed) =>
    applySessionEvent(state, { id: 'e', at: '2026-06-01T10:00:00.000Z', deed }, () => 6);
  const at = (step: number): SessionState => ({ ...beginSession('p'), at: step });
  const reached = (state: SessionState, deed: SessionDeed) => {
    const next = after(state, deed);
    return typeof next === 'string' ? next : next.at;
  };
  test('are done and taken back at once', () => {
    expect(reached(at(0), { do: 'done', order: 0, step: 0, through: 3 })).toBe(4);
    expect(reached(at(4), { do: 'back', order: 0, step: 0, through: 3 })).toBe(0);
    expect(reached(at(5), { do: 'back', order: 0, step: 0, through: 3 })).toBe('too-early');
  });
  test('done on two devices they are done once, also where one of them had made a part of it', () => {
    expect(reached(at(4), { do: 'done', order: 0, step: 0, through: 3 })).toBe('already');
    expect(reached(at(2), { do: 'done', order: 0, step: 0, through: 3 })).toBe(4);
    expect(reached(at(0), { do: 'done', order: 0, step: 1, through: 3 })).toBe('too-early');
    expect(reached(at(0), { do: 'done', order: 0, step: 0, through: 6 })).toBe('too-early');
  });
});

describe('handling', () => {
  const handled = (more: Partial<JobDocument>) => measureHandling(stepsOf(more).plan);
  test('what is turned or taken up again is counted, and the parts that wait meanwhile', () => {
    // five squares: a strip off the sheet, turned, and all five off it
    const square = { id: 'square', width: '1 7/8', height: '1 7/8', quantity: 5, papers: ['gust'] };
    expect(handled({ stock: [sheet('12', '12')], pieces: [square] })).toEqual({ settings: 1, cuts: 6, takenUp: 1, waiting: 0 }); // prettier-ignore
    // strips, and the squares off each
    expect(handled({ stock: [sheet('12', '12')], pieces: [{ ...square, width: '1 1/2', height: '1 1/2', quantity: 36 }] })).toMatchObject({ settings: 1, cuts: 36 }); // prettier-ignore
    expect(handled({ stock: [sheet('12', '6')], pieces: [{ ...square, width: '2', height: '6' }] })).toEqual({ settings: 1, cuts: 5, takenUp: 0, waiting: 0 }); // prettier-ignore
  });
  test('counted from the steps that hands make', () => {
    const { steps, plan } = stepsOf({
      stock: [sheet('12', '12')],
      pieces: [
        { id: 'mat', width: '4 3/8', height: '6 3/8', quantity: 3, papers: ['gust'] },
        { id: 'tag', width: '2', height: '3', quantity: 4, papers: ['gust'] },
      ],
    });
    const up = steps.filter((s) => s.do === 'turn' || (s.do === 'cut' && s.picked)).length;
    expect(measureHandling(plan).takenUp).toBe(up);
  });
});

test('a page with mats of every kind, banners, a band, lines, a title and a pocket takes a press for each thing that one does', () => {
  const papers = ['dark', 'white', 'teal', 'gust'].map((id) => ({ id }));
  const piece = (id: string, paper: string, width: string, height: string, quantity = 1) => ({
    id,
    width,
    height,
    quantity,
    papers: [paper],
  });
  const { steps, plan } = stepsOf({
    papers,
    stock: papers.map(({ id }) => ({ id: `sheet-${id}`, paper: id, width: '12', height: '12', quantity: 4 })),
    pieces: [
      piece('base', 'dark', '12', '12'),
      piece('panel', 'gust', '11 1/2', '11 1/2'),
      piece('inner', 'white', '4 1/4', '6 1/4'),
      piece('middle', 'teal', '4 3/4', '6 3/4'),
      piece('outer', 'white', '5', '7'),
      piece('plain', 'white', '3 1/4', '4 1/4'),
      piece('footer', 'teal', '3 1/4', '4 7/8'),
      piece('banner', 'gust', '1 3/8', '4', 5),
      piece('band', 'teal', '11 1/2', '2'),
      piece('line', 'white', '4', '1/4', 5),
      piece('title', 'white', '6', '1 1/4'),
      piece('pocket', 'gust', '4 3/4', '4 3/8'),
      piece('tag', 'white', '2', '3 1/2'),
    ],
    plan: { nodes: 400, aim: 'easiest-cuts' },
  });
  expect(plan.missing).toEqual([]);
  expect(groupIntoPresses(steps).length).toBeLessThanOrEqual(30);
});
