import { describe, expect, test } from '@jest/globals';
import { MARKS, inches } from '@temnex/core/length';
import { planJob, readJob, type JobDocument } from '@temnex/core/planner';
import { groupIntoPresses, buildTrimmerSteps } from '@temnex/core/trimmer';
import { formatSpokenLength, describePress, describeTrimmerStep, type DescribeBagOf } from './trimmer.ts';

const inch = { mark: MARKS['1/16'], figures: 'typeset' } as const;
const mm = { mark: MARKS['0.5 mm'], figures: 'typeset' } as const;

describe('lengths read aloud', () => {
  test.each([
    [inches(7.125), 'seven and one eighth'],
    [inches(4), 'four'],
    [inches(0.5), 'one half'],
    [inches(11.5), 'eleven and a half'],
    [inches(2.1875), 'two and three sixteenths'],
    [inches(0.75), 'three quarters'],
    [-inches(0.25), 'minus one quarter'],
    [inches(21.0625), 'twenty-one and one sixteenth'],
  ])('%i ticks: %s', (length, said) => {
    expect(formatSpokenLength(length, inch)).toBe(said);
  });
  test.each([
    [105 * 960, 'one hundred and five millimetres'],
    [12.5 * 960, 'twelve point five millimetres'],
    [305 * 960, 'three hundred and five millimetres'],
    [1200 * 960, '1200 millimetres'],
  ])('%i ticks: %s', (length, said) => {
    expect(formatSpokenLength(length, mm)).toBe(said);
  });
});

const placeOf = (stock: string) => (stock === 's' ? 'box 2' : undefined);

function orderFor(document: Partial<JobDocument>) {
  const read = readJob({
    format: 'temnex-job',
    version: 2,
    papers: [{ id: 'gust', name: 'Gust' }],
    plan: { nodes: 1 },
    stock: [],
    pieces: [],
    ...document,
  });
  if (!read.ok) throw new Error(JSON.stringify(read.issues));
  const { job } = read;
  const plan = planJob(job, { now: () => 0 });
  const name = (id: string) => job.pieces.find((p) => p.id === id)?.name ?? id;
  return { job, plan, name, steps: buildTrimmerSteps(job, plan) };
}
function told(document: Partial<JobDocument>, bagOf?: DescribeBagOf) {
  const { job, plan, name, steps } = orderFor(document);
  return steps.map((step) => describeTrimmerStep(step, plan, job, inch, name, placeOf, bagOf));
}
function pressed(document: Partial<JobDocument>) {
  const { job, plan, name, steps } = orderFor(document);
  return groupIntoPresses(steps).map(({ from, to }) =>
    describePress(steps.slice(from, to), plan, job, inch, name, placeOf),
  );
}
const strips = (more: Partial<JobDocument> = {}) => ({
  stock: [{ id: 's', paper: 'gust', width: '12', height: '6', quantity: 2 }],
  pieces: [{ id: 'strip', name: 'the strip', width: '3/4', height: '6', quantity: 3, papers: ['gust'], side: 'B' as const, finish: [{ do: 'corners' as const, how: 'round' as const, by: '1/4', count: 4 }] }], // prettier-ignore
  papers: [{ id: 'gust', name: 'Gust', sides: [{ side: 'A' as const }, { side: 'B' as const }] }],
  ...more,
});

describe('steps at the trimmer, in words', () => {
  test('where paper is taken from, what comes off, where it goes, and what to mind', () => {
    const words = told(strips());
    expect(words[0]).toMatchObject({ head: 'Take A', hold: 'Gust, sheet, from box 2', setting: null });
    expect(words[0]!.size).toMatchObject({ width: inches(12), height: inches(6) });
    const cut = words.find((w) => w.head === 'Cut')!;
    expect(cut).toMatchObject({ off: 'the strip', goes: 'to the pieces: pencil “the strip” on its back' });
    expect(cut.setting).toBe(inches(0.75));
    expect(cut.cautions.join()).toContain('A narrow strip');
    expect(cut.spoken).toBe('three quarters; sheet A, left edge on the fence; the strip comes off.');
    // seen from its back, it is turned over before its corners are rounded
    expect(words.slice(-2).map((w) => w.head)).toEqual(['Turn it over', 'By hand']);
    expect(words.at(-1)!.cautions.join()).toContain('punch');
  });
  test('a stack says so, and each piece in it whose it is', () => {
    const bag: DescribeBagOf = (_piece, copy) => `page ${copy} of 6`;
    const words = told(strips({ cutter: { stack: 2 }, pieces: [{ id: 'half', name: 'half', width: '6', height: '6', quantity: 4, papers: ['gust'] }] }), bag); // prettier-ignore
    expect(words[0]).toMatchObject({ head: 'Take A and B', hold: '2 times: Gust, sheet of 12 × 6, from box 2' });
    const cut = words.find((w) => w.head === 'Cut')!;
    expect(cut.goes).toMatch(/for page \d of 6 and page \d of 6$/);
    expect(cut.cautions.join()).toContain('A stack');
  });
  test('a turn says which way, and waste is called that', () => {
    const words = told({
      stock: [{ id: 's', paper: 'gust', width: '7', height: '7' }],
      pieces: [{ id: 'tag', name: 'tag', width: '5', height: '4', papers: ['gust'] }],
      plan: { nodes: 1, keep: { shorter: '9', longer: '9' } },
    });
    const turn = words.find((w) => w.head.startsWith('Turn it'))!;
    expect(turn.head).toMatch(/^Turn it a quarter to the (left|right)$/);
    expect(turn.hold).toMatch(/edge to the fence$/);
    expect(words.map((w) => w.rest).join()).toContain('the rest is waste');
  });
  test('with one press: paper is taken and cut, the same cut is counted, a piece is turned over before it is worked on', () => {
    const words = pressed(strips());
    expect(words.map((w) => w.head)).toEqual(['Take A and cut 3 times', 'By hand']);
    expect(words[0]).toMatchObject({
      before: ['Gust, sheet, from box 2, 12 × 6; pencil A lightly on the back'],
      off: 'the strip, 3 times',
      goes: 'to the pieces: pencil “the strip” on the back of each',
    });
    expect(words[0]!.setting).toBe(inches(0.75));
    expect(words[0]!.spoken).toMatch(
      /^Take A and cut 3 times; Gust, sheet, from box 2, 12 by 6; .*three quarters; sheet A/,
    );
    expect(words[1]!.before).toEqual([expect.stringMatching(/^Turn it over: the strip/)]);
    const turned = pressed({
      stock: [{ id: 's', paper: 'gust', width: '7', height: '7' }],
      pieces: [{ id: 'tag', name: 'tag', width: '5', height: '4', papers: ['gust'] }],
    });
    expect(turned.flatMap((w) => w.before).join()).toMatch(/Turn it a quarter to the (left|right)/);
    expect(turned.map((w) => w.head)).toEqual(['Take A and cut', 'Cut']);
  });
});
