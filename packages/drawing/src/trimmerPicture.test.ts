import { describe, expect, test } from '@jest/globals';
import { MARKS } from '@temnex/core/length';
import { planJob, readJob, type JobDocument } from '@temnex/core/planner';
import { buildTrimmerSteps, type TrimmerStep } from '@temnex/core/trimmer';
import { formatMarks } from './svg.ts';
import { drawTrimmerStep } from './trimmerPicture.ts';
import type { DrawingMark } from './marks.ts';

const look = { pattern: 'stripes', ground: '#ddeeff', ink: '#334455' } as const;
function pictures(document: Partial<JobDocument>) {
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
  const style = {
    voice: { mark: MARKS['1/16'], figures: 'typeset' },
    face: () => ({ look, turn: 0 }),
    pieceName: (id: string) => id,
  } as const;
  const of = (step: TrimmerStep) => drawTrimmerStep(plan, step, job, { ...style, scale: 13 } as never, { width: 700, height: 500 }); // prettier-ignore
  return buildTrimmerSteps(job, plan).map((step) => ({ step, picture: of(step) }));
}
const filled = (marks: readonly DrawingMark[]) => marks.filter((m): m is Extract<DrawingMark, { kind: 'rect' }> => m.kind === 'rect' && typeof m.fill === 'object'); // prettier-ignore
const all = pictures({
  stock: [{ id: 's', paper: 'gust', width: '12', height: '8', trim: { bottom: '1/2' } }],
  pieces: [
    { id: 'mat', width: '5', height: '3', quantity: 3, papers: ['gust'] },
    { id: 'tag', width: '2', height: '1', quantity: 2, papers: ['gust'] },
  ],
});

describe('what lies on the trimmer', () => {
  test('fits its room, whatever lies there', () => {
    for (const { picture } of all) {
      expect(picture!.width).toBeLessThanOrEqual(700.5);
      expect(picture!.height).toBeLessThanOrEqual(500.5);
      for (const m of [...picture!.marks, ...picture!.off])
        if (m.kind === 'rect') {
          expect(m.x).toBeGreaterThanOrEqual(-0.01);
          expect(m.x + m.width).toBeLessThanOrEqual(picture!.width + 0.01);
          expect(m.y + m.height).toBeLessThanOrEqual(picture!.height + 0.01);
        }
    }
  });
  test('what comes off lies at the fence, as wide as the setting, and what is left beyond the blade', () => {
    for (const { step, picture } of all) {
      if (step.do !== 'cut' || step.step.do !== 'cut') continue;
      const [off] = filled(picture!.off);
      const blade = picture!.front.find((m) => m.kind === 'line')!;
      expect(off!.x).toBeCloseTo(14, 6);
      if (blade.kind === 'line') expect(off!.x + off!.width).toBeCloseTo(blade.x1, 6);
      const rest = filled(picture!.marks).at(-1);
      if (step.step.rest !== null) expect(rest!.x).toBeGreaterThanOrEqual(off!.x + off!.width - 0.01);
    }
  });
  test('turned, the pattern turns with the paper', () => {
    const turns = all.flatMap(({ step, picture }) => {
      const fill = filled(picture!.off)[0]?.fill;
      return step.do === 'cut' && step.step.do === 'cut' && typeof fill === 'object' ? [`${step.step.edge} ${fill.turn}`] : []; // prettier-ignore
    });
    expect(new Set(turns)).toEqual(new Set(['left 0', 'bottom 270']));
  });
  test('what is done by hand has a picture of its own', () => {
    const hand = pictures({
      stock: [{ id: 's', paper: 'gust', width: '6', height: '6' }],
      pieces: [{ id: 'tag', width: '6', height: '6', papers: ['gust'], finish: [{ do: 'corners', how: 'round', by: '1/4', count: 4 }] }], // prettier-ignore
    });
    expect(hand.filter(({ step }) => step.do === 'finish').map(({ picture }) => picture)).toEqual([null]);
  });
});

test('lines of one stroke that follow each other are one path', () => {
  const line = (x: number, colour = '#161616'): DrawingMark => ({ kind: 'line', x1: x, y1: 0, x2: x, y2: 9, stroke: { colour, width: 1 } }); // prettier-ignore
  const text = formatMarks([line(1), line(2), { kind: 'rect', x: 0, y: 0, width: 3, height: 3, fill: '#ffffff' }, line(3), line(4, '#c4300f')]); // prettier-ignore
  expect(text.match(/<path/g)).toHaveLength(3);
  expect(text).toContain('d="M1 0L1 9M2 0L2 9"');
  expect(formatMarks([])).toBe('');
});
