import { orderOf, type Job, type Plan } from '@temnex/core';
import {
  AIM_WORDS,
  CAUTION,
  KIND_WORDS,
  boundWords,
  finishStepWords,
  missingWords,
  sheetLetter,
  sizeWords,
  stepWords,
  totalsWords,
  type Voice,
} from '@temnex/words';
import { INK, fitText, textWidth, type Drawing, type Drawn } from './marks.ts';
import { BLACK_AND_WHITE, sheetPicture } from './sheetPicture.ts';

/*
 * The cutting order on paper. Pages are laid out here once, in points (72 to the inch), so that the browser's print
 * view and the PDF place the same drawings, numbers and page breaks.
 */

export const PAPERS = {
  a4: { name: 'A4', width: 595.28, height: 841.89 },
  letter: { name: 'Letter', width: 612, height: 792 },
} as const;
export type PrintPaper = keyof typeof PAPERS;

const MARGIN = 40;
const GREY = '#555555';

interface Cursor {
  pages: Drawn[][];
  y: number;
}

const text = (
  x: number,
  y: number,
  content: string,
  size: number,
  more: Partial<Extract<Drawn, { kind: 'text' }>> = {},
): Drawn => ({
  kind: 'text',
  x,
  y,
  text: content,
  size,
  weight: 400,
  face: 'text',
  anchor: 'start',
  fill: INK,
  ...more,
});

export interface PrintOrder {
  readonly title: string;
  readonly plan: Plan;
  readonly job: Job;
  readonly voice: Voice;
  readonly pieceName: (id: string) => string;
  /** Printed under the title, such as a date. */
  readonly note: string;
}

/** The pages of a printed cutting order: totals, sheet pictures, numbered steps, the list of pieces, a check ruler. */
export function printPages(order: PrintOrder, paper: PrintPaper): Drawing[] {
  const { width: W, height: H } = PAPERS[paper];
  const bottom = H - MARGIN - 34;
  const at: Cursor = { pages: [[]], y: MARGIN };
  const put = (...marks: Drawn[]): void => void at.pages.at(-1)!.push(...marks);
  const need = (height: number): boolean => {
    if (at.y + height <= bottom) return false;
    at.pages.push([]);
    at.y = MARGIN + 6;
    return true;
  };
  const heading = (title: string): void => {
    need(60);
    at.y += 24;
    put(text(MARGIN, at.y, title, 11, { weight: 600, face: 'figures' }), {
      kind: 'line',
      x1: MARGIN,
      y1: at.y + 5,
      x2: W - MARGIN,
      y2: at.y + 5,
      stroke: { colour: INK, width: 0.8 },
    });
    at.y += 18;
  };

  at.y += 20;
  put(text(MARGIN, at.y, fitText(order.title, 22, W - 2 * MARGIN), 22, { weight: 600, face: 'figures' }));
  at.y += 15;
  put(text(MARGIN, at.y, `${order.note}  ·  aim: ${AIM_WORDS[order.plan.aim]}`, 9.5, { fill: GREY }));
  at.y += 24;
  const totals = totalsWords(order.plan);
  totals.forEach(({ label, value }, i) => {
    const x = MARGIN + (i * (W - 2 * MARGIN)) / totals.length;
    put(text(x, at.y, value, 15, { weight: 600, face: 'figures' }), text(x, at.y + 12, label, 8.5, { fill: GREY }));
  });
  at.y += 30;
  put(text(MARGIN, at.y, boundWords(order.plan), 9.5));
  at.y += 4;
  for (const missing of order.plan.missing) {
    const { why, help } = missingWords(missing, order.job, order.voice);
    need(26);
    at.y += 14;
    put(text(MARGIN, at.y, fitText(`Cannot be cut: ${why}.`, 9.5, W - 2 * MARGIN), 9.5, { weight: 600 }));
    for (const way of help) {
      need(14);
      at.y += 12;
      put(text(MARGIN + 10, at.y, fitText(`› ${way}`, 9.5, W - 2 * MARGIN - 10), 9.5));
    }
  }

  if (order.plan.sheets.length) heading('Sheets');
  sheetRows(order, W, H).forEach((row) => {
    need(row.height + 22);
    for (const { drawing, x, label } of row.pictures) {
      for (const mark of drawing.marks) put(shifted(mark, x, at.y));
      put(text(x, at.y + drawing.height + 11, label, 9));
    }
    at.y += row.height + 24;
  });

  if (order.plan.steps.length) heading('Cuts, in this order');
  orderOf(order.job, order.plan).forEach((step, i) => {
    if (need(19)) put(text(W - MARGIN, at.y - 4, 'cuts, continued', 8.5, { anchor: 'end', fill: GREY }));
    const words =
      step.do === 'plan'
        ? stepWords(step.step, order.plan, order.job, order.voice, order.pieceName)
        : finishStepWords(step, order.job, order.voice);
    const y = at.y + 12;
    put(
      { kind: 'rect', x: MARGIN, y: y - 8.5, width: 9, height: 9, stroke: { colour: INK, width: 0.7 } },
      text(MARGIN + 30, y, String(i + 1), 9.5, { anchor: 'end', fill: GREY }),
      text(MARGIN + 84, y, words.setting, step.do === 'plan' ? 12.5 : 10, {
        anchor: 'end',
        weight: 600,
        face: 'figures',
      }),
      text(MARGIN + 96, y, fitText(words.note ? `${words.hold}; ${words.note}` : words.hold, 9.5, W * 0.42), 9.5),
      text(
        MARGIN + 100 + W * 0.43,
        y,
        fitText(
          `› ${words.off}${words.leaves ? `; leaves ${words.leaves}` : ''}`,
          9.5,
          W - 2 * MARGIN - 104 - W * 0.43,
        ),
        9.5,
        {
          weight: 600,
        },
      ),
      { kind: 'line', x1: MARGIN, y1: y + 5.5, x2: W - MARGIN, y2: y + 5.5, stroke: { colour: '#bbbbbb', width: 0.4 } },
    );
    at.y += 19;
  });

  heading('Pieces');
  const half = (W - 2 * MARGIN) / 2;
  for (let i = 0; i < order.job.pieces.length; i += 2) {
    need(15);
    at.y += 13;
    order.job.pieces.slice(i, i + 2).forEach((p, j) => {
      const x = MARGIN + j * half;
      put(
        text(x + 74, at.y, sizeWords(p.width, p.height, order.voice), 10, {
          anchor: 'end',
          weight: 600,
          face: 'figures',
        }),
      );
      put(text(x + 82, at.y, fitText(`${p.quantity > 1 ? `${p.quantity} × ` : ''}${p.name}`, 9.5, half - 92), 9.5));
    });
    at.y += 2;
  }
  at.y += 10;
  need(24);
  for (const line of wrap(CAUTION, 8.5, W - 2 * MARGIN)) put(text(MARGIN, (at.y += 11), line, 8.5, { fill: GREY }));

  return at.pages.map((marks, i) => ({
    width: W,
    height: H,
    title: `${order.title}, page ${i + 1} of ${at.pages.length}`,
    marks: [...marks, ...foot(order.title, i + 1, at.pages.length, W, H)],
  }));
}

interface SheetRow {
  height: number;
  pictures: { drawing: Drawing; x: number; label: string }[];
}

/** Sheet pictures side by side, all at one scale. */
function sheetRows(order: PrintOrder, W: number, H: number): SheetRow[] {
  const { plan, job } = order;
  // 20 points to the inch, less where a sheet would not fit on the page
  const drawn = (scale: number): Drawing[] => {
    const style = { scale, voice: order.voice, face: BLACK_AND_WHITE, pieceName: order.pieceName };
    const all = plan.sheets.map((_, i) => sheetPicture(plan, i, job, style));
    const fits = all.every((d) => d.width <= W - 2 * MARGIN && d.height <= H - 2 * MARGIN - 140);
    return fits || scale < 1 ? all : drawn(scale * 0.88);
  };
  const drawings = drawn(20);
  const rows: SheetRow[] = [];
  let x = MARGIN;
  plan.sheets.forEach((sheet, i) => {
    const drawing = drawings[i]!;
    const stock = job.stock.find((s) => s.id === sheet.stock)!;
    const says = `${sheetLetter(i)}  ${stock.paper.name}, ${KIND_WORDS[stock.kind]} ${sizeWords(stock.width, stock.height, order.voice)}`;
    const room = Math.max(drawing.width, Math.min(textWidth(says, 9), 190)) + 18;
    if (!rows.length || x + room - 18 > W - MARGIN) {
      rows.push({ height: 0, pictures: [] });
      x = MARGIN;
    }
    const row = rows.at(-1)!;
    const label = fitText(says, 9, Math.min(room - 4, W - MARGIN - x));
    row.pictures.push({ drawing, x, label });
    row.height = Math.max(row.height, drawing.height);
    x += room;
  });
  return rows;
}

function shifted(m: Drawn, dx: number, dy: number): Drawn {
  switch (m.kind) {
    case 'line':
      return { ...m, x1: m.x1 + dx, x2: m.x2 + dx, y1: m.y1 + dy, y2: m.y2 + dy };
    case 'poly':
      return { ...m, points: m.points.map(([x, y]) => [x + dx, y + dy] as const) };
    default:
      return { ...m, x: m.x + dx, y: m.y + dy };
  }
}

/** The foot of each page: a ruler to check that nothing was scaled in printing, and the page number. */
function foot(title: string, page: number, pages: number, W: number, H: number): Drawn[] {
  const y = H - MARGIN;
  const marks: Drawn[] = [
    { kind: 'line', x1: MARGIN, y1: y - 10, x2: MARGIN + 216, y2: y - 10, stroke: { colour: INK, width: 0.7 } },
  ];
  for (let i = 0; i <= 12; i++) {
    const x = MARGIN + i * 18;
    marks.push({
      kind: 'line',
      x1: x,
      y1: y - 10,
      x2: x,
      y2: y - (i % 4 === 0 ? 19 : i % 2 === 0 ? 16 : 14),
      stroke: { colour: INK, width: 0.7 },
    });
  }
  marks.push(text(MARGIN, y, 'check ruler: 3 inches (76.2 mm) when printed at true size', 7.5, { fill: GREY }));
  marks.push(
    text(W - MARGIN, y, `${fitText(title, 7.5, 160)}  ·  ${page} of ${pages}`, 7.5, { anchor: 'end', fill: GREY }),
  );
  return marks;
}

function wrap(content: string, size: number, width: number): string[] {
  const lines: string[] = [];
  const most = Math.floor(width / (size * 0.46));
  let line = '';
  for (const word of content.split(' ')) {
    if (line && line.length + word.length + 1 > most) {
      lines.push(line);
      line = '';
    }
    line = line ? `${line} ${word}` : word;
  }
  return line ? [...lines, line] : lines;
}
