import { describe, expect, test } from '@jest/globals';
import { MARKS } from '@temnex/core/length';
import { planJob, readJob, type JobDocument } from '@temnex/core/planner';
import {
  CUT,
  drawFinish,
  type DrawingMark,
  BLACK_AND_WHITE,
  PAPERS,
  formatDefinitions,
  fitName,
  fitText,
  drawHatching,
  fitNameIn,
  drawOrderPages,
  drawSheet,
  drawStep,
  formatSvg,
  estimateTextWidth,
  type Drawing,
} from './index.ts';
import { describeStep } from '@temnex/words';

const document: JobDocument = {
  format: 'temnex-job',
  version: 1,
  name: 'Kites & tails',
  papers: [{ id: 'p', name: 'Gust' }],
  plan: { nodes: 50 },
  stock: [{ id: 's', paper: 'p', width: '12', height: '12 1/2', quantity: 9, trim: { bottom: '1/2' } }],
  pieces: [
    { id: 'm', name: 'mat <1>', width: '4 1/4', height: '6 1/4', quantity: 3, papers: ['p'] },
    { id: 's', name: 'strip', width: '3/4', height: '11 1/2', quantity: 30, papers: ['p'] },
  ],
};
const read = readJob(document);
if (!read.ok) throw new Error();
const { job } = read;
const plan = planJob(job, { now: () => 0 });
const look = { pattern: 'waves', ground: '#2f8f93', ink: '#8fd0cc' } as const;
const style = {
  scale: 20,
  voice: { mark: MARKS['1/16'], figures: 'typeset' as const },
  face: BLACK_AND_WHITE,
  pieceName: (id: string) => job.pieces.find((p) => p.id === id)!.name,
};

const frameRoom = { width: 226, height: 172 };

/** Everything must lie on its page. */
function outside(d: Drawing, slack = 1): number {
  return d.marks.filter((m) => {
    if (m.kind === 'rect')
      return m.x < -slack || m.y < -slack || m.x + m.width > d.width + slack || m.y + m.height > d.height + slack;
    if (m.kind === 'line')
      return (
        Math.min(m.x1, m.x2) < -slack ||
        Math.max(m.x1, m.x2) > d.width + slack ||
        Math.max(m.y1, m.y2) > d.height + slack
      );
    return m.kind === 'text' && (m.x < -slack || m.x > d.width + slack || m.y > d.height + slack);
  }).length;
}

describe('pictures', () => {
  test('a sheet is drawn to scale, with every piece and nothing outside', () => {
    const picture = drawSheet(plan, 0, job, style);
    expect(outside(picture)).toBe(0);
    // a trim, and all that its cuts set apart
    const gaps = picture.width - 240;
    expect(gaps).toBeGreaterThan(0);
    expect(picture.height).toBeGreaterThan(250);
    const cuts = plan.steps.filter((s) => s.sheets.includes(0));
    const told = picture.marks.flatMap((m) => (m.kind === 'text' && m.fill === CUT ? [parseInt(m.text, 10)] : []));
    expect(told.sort((a, b) => a - b)).toEqual(cuts.map((s) => plan.steps.indexOf(s) + 1));
    const sizes = plan.sheets.flatMap((_, i) =>
      drawSheet(plan, i, job, style).marks.flatMap((m) =>
        m.kind === 'rect' && m.stroke?.width === 1.3 ? [[m.width, m.height].sort((a, b) => a - b).join('x')] : [],
      ),
    );
    expect(new Set(sizes)).toEqual(new Set(['85x125', '15x230']));
    const pieces = JSON.stringify(plan.sheets[0]!.tree).match(/"piece"/g)!.length;
    expect(picture.marks.filter((m) => m.kind === 'rect' && m.stroke?.width === 1.3)).toHaveLength(pieces);
  });
  test('every step has a frame that names the setting and is as large as its room, or as is of use', () => {
    for (const step of plan.steps) {
      const frame = drawStep(plan, step, job, style, frameRoom);
      expect(outside(frame, 12)).toBe(0);
      expect(frame.title).toContain('Set ');
    }
    for (const step of plan.steps) {
      if (step.do !== 'cut' && step.do !== 'trim') continue;
      const frame = drawStep(plan, step, job, style, frameRoom);
      const along = step.edge === 'left' || step.edge === 'right' ? 'width' : 'height';
      const fills = Math.abs(frame.width - frameRoom.width) < 0.01 || Math.abs(frame.height - frameRoom.height) < 0.01;
      const scales = frame.marks.flatMap((m) => (m.kind === 'rect' && m.stroke ? [m[along] / step.setting] : []));
      expect(scales.some((s) => (fills ? s > 4 && s <= 48.01 : Math.abs(s - 48) < 0.01))).toBe(true);
    }
  });
  test('papers are defined once each, and names cannot break the file', () => {
    const picture = drawSheet(plan, 0, job, { ...style, face: () => ({ look, turn: 90 }) });
    expect(formatDefinitions(picture).match(/<pattern /g)).toHaveLength(1);
    const text = formatSvg(picture);
    expect(text).not.toContain('mat <1>');
    expect(text.startsWith('<svg xmlns')).toBe(true);
  });
});

describe('print pages', () => {
  test.each(['a4', 'letter'] as const)('%s: everything on its page, every step once, the same numbers', (paper) => {
    const pages = drawOrderPages(
      { title: 'Kites & tails', plan, job, voice: style.voice, pieceName: style.pieceName, note: '2026-03-02' },
      paper,
    );
    expect(pages.length).toBeGreaterThan(1);
    for (const page of pages) {
      expect([page.width, page.height]).toEqual([PAPERS[paper].width, PAPERS[paper].height]);
      expect(outside(page)).toBe(0);
    }
    const texts = pages.flatMap((p) => p.marks).flatMap((m) => (m.kind === 'text' ? [m.text] : []));
    for (let i = 1; i <= plan.steps.length; i++)
      expect(texts.filter((t) => t === String(i)).length).toBeGreaterThanOrEqual(1);
    expect(texts.filter((t) => t.startsWith('check ruler'))).toHaveLength(pages.length);
  });
});

describe('small things', () => {
  test('hatching stays in its box', () => {
    const lines = drawHatching(10, 20, 30, 7, 4, { colour: '#000', width: 1 }, 'rise');
    expect(lines.length).toBeGreaterThan(5);
    for (const l of lines)
      if (l.kind === 'line')
        expect(
          [l.x1, l.x2].every((x) => x >= 10 && x <= 40) && [l.y1, l.y2].every((y) => y >= 20 - 1e-9 && y <= 27 + 1e-9),
        ).toBe(true);
  });
  test('texts are cut to fit, fractions counted as narrow as they are', () => {
    expect(fitText('launch mat', 10, 1000)).toBe('launch mat');
    const short = fitText('the mat for the launch photo', 10, 60);
    expect(short.endsWith('…')).toBe(true);
    expect(estimateTextWidth(short, 10)).toBeLessThanOrEqual(60);
    expect(estimateTextWidth('3⁄8', 10)).toBeLessThan(estimateTextWidth('388', 10));
    expect(fitText('wide', 10, 1)).toBe('');
  });
  test('of names that end alike the end is kept', () => {
    expect(fitName('launch, mat 2', 10, 1000)).toBe('launch, mat 2');
    const short = fitName('the launch at the point, mat 2', 10, 70);
    expect(short).toMatch(/^the .*…mat 2$/);
    expect(estimateTextWidth(short, 10)).toBeLessThanOrEqual(70);
    expect(fitName('the launch at the point, mat 2', 10, estimateTextWidth('…mat 2', 10) + 1)).toBe('…mat 2');
    expect(fitName('the launch at the point, mat 2', 10, 1)).toBe('');
  });
});

describe('what only some plans have', () => {
  const made = (more: Partial<JobDocument>) => {
    const result = readJob({ ...document, version: 2, ...more });
    if (!result.ok) throw new Error(JSON.stringify(result.issues));
    return { job: result.job, plan: planJob(result.job, { now: () => 0 }) };
  };
  const corner = [
    ['0', '0'],
    ['9', '0'],
    ['9', '4'],
    ['4', '4'],
    ['4', '9'],
    ['0', '9'],
  ] as [string, string][];
  const cases = {
    windmill: made({
      cutter: { stop: true },
      stock: [{ id: 's', paper: 'p', width: '11', height: '11' }],
      pieces: [{ id: 'm', width: '4 1/2', height: '6 1/2', quantity: 4, papers: ['p'] }],
    }),
    'hidden centre': made({
      stock: [{ id: 's', paper: 'p', width: '8', height: '10' }],
      pieces: [
        { id: 'm', width: '8', height: '10', papers: ['p'], opening: { x: '1/2', y: '1/2', width: '7', height: '9' } },
        { id: 's', width: '3', height: '4', quantity: 2, papers: ['p'] },
      ],
    }),
    'odd scrap': made({
      stock: [{ id: 's', paper: 'p', kind: 'scrap', outline: corner }],
      pieces: [{ id: 'm', width: '8', height: '3', papers: ['p'] }],
    }),
    'nothing that fits': made({
      stock: [{ id: 's', paper: 'p', width: '6', height: '6' }],
      pieces: [{ id: 'm', width: '11', height: '3', quantity: 5, papers: ['p'] }],
    }),
  };
  test('an odd scrap is drawn as it is, in every frame and on its sheet, and said so', () => {
    const L = [
      [0, 0],
      [10, 0],
      [10, 3],
      ['4 3/4', 3],
      ['4 3/4', 7],
      [0, 7],
    ] as [string | number, string | number][];
    const { job: j, plan: p } = made({
      stock: [{ id: 's', paper: 'p', kind: 'scrap', outline: L }],
      pieces: [
        { id: 'm', width: '4', height: '6', papers: ['p'] },
        { id: 't', width: '2', height: '3', papers: ['p'], quantity: 2 },
      ],
    });
    const named = { ...style, pieceName: (id: string) => id };
    const sheet = drawSheet(p, 0, j, named);
    // nothing is drawn where there is no paper: no rectangle as wide and as high as the scrap reaches
    const whole = (d: Drawing) =>
      d.marks.filter((m) => m.kind === 'rect' && m.width > d.width - 1 && m.height > d.height - 1);
    expect(whole(sheet)).toEqual([]);
    expect(sheet.title).toContain('without its upper right corner (5\u202f1⁄4 × 4)');
    const frames = p.steps.map((s) => drawStep(p, s, j, named, frameRoom));
    expect(frames[0]!.marks.some((m) => m.kind === 'poly' && m.points.length > 4)).toBe(true);
    expect(frames[0]!.title).toContain('without its upper right corner');
    expect(frames.some((f) => f.title.includes('no paper'))).toBe(true);
    for (const drawing of [sheet, ...frames]) expect(outside(drawing)).toBe(0);
  });
  test('a scrap torn all round has a line pencilled before the first cut', () => {
    const torn = [
      ['1/4', 0],
      [9, '1/2'],
      ['9 1/2', 6],
      [5, 8],
      [0, 7],
    ] as [string | number, string | number][];
    const { job: j, plan: p } = made({
      stock: [{ id: 's', paper: 'p', kind: 'scrap', outline: torn }],
      pieces: [{ id: 'm', width: '5', height: '5', papers: ['p'] }],
    });
    const words = p.steps.map((s) => describeStep(s, p, j, style.voice, (id) => id).hold);
    expect(words[0]).toMatch(/torn all round: no straight (left|bottom) edge, so pencil the line first/);
    expect(words.at(-1)).toContain('edge on the fence');
  });
  test('a name in a frame is whole, over lines or turned, where there is room for it', () => {
    const long = 'the launch at the point, mat 2';
    const { job: j, plan: p } = made({
      stock: [{ id: 's', paper: 'p', width: '12', height: '12' }],
      pieces: [{ id: 'm', width: '4', height: '6', papers: ['p'], name: long }],
    });
    const told = p.steps.map((s) => {
      const frame = drawStep(p, s, j, { ...style, pieceName: () => long }, frameRoom);
      return frame.marks.flatMap((m) => (m.kind === 'text' && m.fill !== CUT ? [m.text] : [])).join(' ');
    });
    expect(told.filter((t) => t.includes(long)).length).toBeGreaterThan(0);
    expect(told.join()).not.toContain('…');
    // two lines do for this width, and the widest is as narrow as it can be
    expect(fitNameIn(long, 10, 95, 40)).toEqual({ lines: ['the launch at', 'the point, mat 2'], whole: true });
    expect(fitNameIn(long, 10, 95, 15)).toMatchObject({ whole: false });
    expect(fitNameIn(long, 10, 95, 15).lines[0]).toMatch(/…mat 2$/);
    expect(fitNameIn(long, 10, 200, 5)).toEqual({ lines: [], whole: false });
  });
  test('no row of a list stands alone on a page, and nothing is cut short beside free room', () => {
    const { job: j, plan: p } = made({
      stock: [{ id: 's', paper: 'p', width: '12', height: '12', quantity: 9 }],
      pieces: Array.from({ length: 24 }, (_, i) => ({
        id: `m${i}`,
        width: '2',
        height: '3',
        papers: ['p'],
        name: `a long name for what is cut at the point on windy days, mat ${i}`,
      })),
    });
    const full = (id: string) => j.pieces.find((piece) => piece.id === id)!.name;
    const shown = [
      ...j.pieces.map((_, i) => ({ count: i + 1, steps: p.steps.length })),
      ...p.steps.map((_, steps) => ({ count: 4, steps })),
      // on A4 alone every length of the list is 12 s of drawing; every third finds each place of a page's end
    ].filter((_, i) => i % 3 === 0 || process.env.TEMNEX_EVERY_LENGTH);
    for (const { count, steps } of shown) {
      const some = { ...j, pieces: j.pieces.slice(0, count) };
      const order = {
        title: 'Kites',
        plan: { ...p, steps: p.steps.slice(0, steps) },
        job: some,
        voice: style.voice,
        pieceName: full,
        note: '',
      };
      const pages = drawOrderPages(order, 'a4').map((d) => d.marks.flatMap((m) => (m.kind === 'text' ? [m] : [])));
      expect(pages.flat().some((m) => m.weight === 600 && m.size === 9.5 && m.text.includes('\u2026'))).toBe(false);
      const rowsOn = pages.map(
        (texts) => new Set(texts.filter((m) => m.text.startsWith('a long name')).map((m) => m.y)).size,
      );
      const all = Math.ceil(count / 2);
      for (const rows of rowsOn) expect(rows === 0 || rows >= Math.min(all, 3)).toBe(true);
      expect(rowsOn.reduce((a, b) => a + b)).toBe(all);
      // the heading stands over the first of them
      const headed = pages.findIndex((texts) => texts.some((m) => m.text === 'Pieces'));
      expect(headed).toBe(rowsOn.findIndex((rows) => rows > 0));
    }
  });
  test('a sheet used whole is a row of the list, not a picture', () => {
    const { job: j, plan: p } = made({
      stock: [{ id: 's', paper: 'p', width: '12', height: '12' }],
      pieces: [{ id: 'm', width: '12', height: '12', papers: ['p'], name: 'base' }],
    });
    const order = { title: 'Kites', plan: p, job: j, voice: style.voice, pieceName: () => 'base', note: '' };
    const texts = drawOrderPages(order, 'a4').flatMap((d) =>
      d.marks.flatMap((m) => (m.kind === 'text' ? [m.text] : [])),
    );
    expect(texts).toContain('no cut');
    expect(texts).toContain('\u203a base, used whole');
    expect(texts).not.toContain('Sheets');
  });
  test('slits, windows and edges to punch are drawn on the sheet and where they are made by hand', () => {
    const { job: j, plan: p } = made({
      stock: [{ id: 's', paper: 'p', width: '8', height: '8' }],
      pieces: [
        {
          id: 'm',
          width: '4',
          height: '6',
          papers: ['p'],
          direction: 'height',
          finish: [
            { do: 'slit', from: ['1', '1'], to: ['3', '1'] },
            { do: 'window', x: '1', y: '2', width: '2', height: '3' },
            { do: 'punch', edge: 'top', depth: '1/4', repeats: 4 },
          ],
        },
      ],
    });
    const lines = (marks: readonly DrawingMark[]) => marks.flatMap((m) => (m.kind === 'line' ? [m] : []));
    const sheet = lines(drawSheet(p, 0, j, { ...style, pieceName: (id) => id }).marks).filter(
      (l) => l.stroke.colour === CUT && l.stroke.width === 0.9,
    );
    // one slit, four edges of a window, one line to punch along
    expect(sheet).toHaveLength(6);
    const drawing = drawFinish(j.pieces[0]!, () => '#ffffff', 'm');
    const [bottom, height] = [6 + drawing.height - 12, (drawing.height - 12) / 6];
    const level = lines(drawing.marks).filter((l) => l.y1 === l.y2);
    for (const y of [1, 2, 5, 5.75])
      expect(level.some((l) => Math.abs(l.y1 - (bottom - y * height)) < 1e-6)).toBe(true);
    expect(outside(drawing)).toBe(0);
  });
  test.each(Object.entries(cases))('%s: every picture and page keeps to its edges', (_, { plan: p, job: j }) => {
    const plain = { ...style, pieceName: (id: string) => id };
    p.sheets.forEach((__, i) => expect(outside(drawSheet(p, i, j, plain))).toBe(0));
    for (const step of p.steps) {
      const picture = drawStep(p, step, j, plain, frameRoom);
      expect(outside(picture, 8)).toBe(0);
      expect(picture.title).not.toContain('undefined');
    }
    const order = { title: 'Kites', plan: p, job: j, voice: style.voice, pieceName: (id: string) => id, note: '' };
    for (const drawing of drawOrderPages(order, 'a4')) {
      expect(outside(drawing)).toBe(0);
      for (const m of drawing.marks)
        if (m.kind === 'text' && m.anchor === 'start' && !m.turn)
          expect(m.x + estimateTextWidth(m.text, m.size)).toBeLessThan(drawing.width);
    }
  });
});
