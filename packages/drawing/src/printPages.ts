import type { Job, Plan } from '@temnex/core/planner';
import { letterOfSheet, buildOrderSteps, findSheetsUsedWhole } from '@temnex/core/cutting';
import {
  AIM_LABELS,
  CAUTION,
  STOCK_KIND_LABELS,
  describeBound,
  describeFinishStep,
  describeMissing,
  describePart,
  formatSize,
  describeStep,
  formatTotals,
  type Voice,
} from '@temnex/words';
import { INK, fitText, estimateTextWidth, type Drawing, type DrawingMark } from './marks.ts';
import { GREY, MARGIN, PAPERS, drawFooter, drawText, type PrintPaper, type TextMark } from './printed.ts';
import { BLACK_AND_WHITE, drawSheet } from './sheetPicture.ts';

/*
 * The cutting order on paper. Pages are laid out here once, in points (72 to the inch), so that the browser's print
 * view and the PDF place the same drawings, numbers and page breaks.
 */

interface Cursor {
  pages: DrawingMark[][];
  y: number;
}

const CONTINUED = { anchor: 'end', fill: GREY } as const;

export interface PrintOrder {
  readonly title: string;
  readonly plan: Plan;
  readonly job: Job;
  readonly voice: Voice;
  readonly pieceName: (id: string) => string;
  /** Printed under the title, such as a date. */
  readonly note: string;
}

/** Points to the inch that sheets are drawn at, the largest first: smaller only where that saves a page. */
const SCALES = [20, 18.5, 17, 15.5];
/** With more sheets than these one page more or less is no matter, and the time to try is. */
const MANY_SHEETS = 40;
/** So many rows of a list stand together at its start and its end. */
const TOGETHER = 3;

/** The pages of a printed cutting order: totals, sheet pictures, numbered steps, the list of pieces, a check ruler. */
export function drawOrderPages(order: PrintOrder, paper: PrintPaper): Drawing[] {
  const { width: W, height: H } = PAPERS[paper];
  const scales = order.plan.sheets.length > MANY_SHEETS ? SCALES.slice(0, 1) : SCALES;
  const pages = scales
    .map((scale) => laidOut(order, paper, scale))
    .reduce((best, tried) => (tried.length < best.length ? tried : best));
  return pages.map((marks, i) => ({
    width: W,
    height: H,
    title: `${order.title}, page ${i + 1} of ${pages.length}`,
    marks: [...marks, ...drawFooter(order.title, i + 1, pages.length, W, H)],
  }));
}

interface Row {
  readonly height: number;
  /** Its marks below this y. */
  draw(y: number): DrawingMark[];
}

function laidOut(order: PrintOrder, paper: PrintPaper, scale: number): DrawingMark[][] {
  const { width: W, height: H } = PAPERS[paper];
  const wide = W - 2 * MARGIN;
  const bottom = H - MARGIN - 34;
  const at: Cursor = { pages: [[]], y: MARGIN };
  const put = (...marks: DrawingMark[]): void => void at.pages.at(-1)!.push(...marks);
  const turnPage = (): void => {
    at.pages.push([]);
    at.y = MARGIN + 6;
  };
  const fits = (height: number): boolean => at.y + height <= bottom;
  const need = (height: number): void => {
    if (!fits(height)) turnPage();
  };
  /** What is said below its heading, which stands on the page of the first of it, `first` points high. */
  const heading = (title: string, first: number): void => {
    need(42 + first);
    at.y += 24;
    put(drawText(MARGIN, at.y, title, 11, { weight: 600, face: 'figures' }), {
      kind: 'line',
      x1: MARGIN,
      y1: at.y + 5,
      x2: W - MARGIN,
      y2: at.y + 5,
      stroke: { colour: INK, width: 0.8 },
    });
    at.y += 18;
  };
  /** A list over as many pages as it takes; neither its first nor its last rows stand alone. */
  const list = (title: string, rows: readonly Row[], after = 0): void => {
    const high = (from: number, to: number) => rows.slice(from, to).reduce((sum, row) => sum + row.height, 0);
    const lastFew = Math.max(0, rows.length - TOGETHER);
    // a short list stays whole, with what is said after it
    heading(title, high(0, TOGETHER) + (lastFew ? 0 : after));
    rows.forEach((row, i) => {
      const together = i === lastFew ? high(i, rows.length) + after : row.height;
      if (!fits(together)) {
        turnPage();
        put(drawText(W - MARGIN, at.y + 2, `${title.split(',')[0]!.toLowerCase()}, continued`, 8.5, CONTINUED));
        at.y += 8;
      }
      put(...row.draw(at.y));
      at.y += row.height;
    });
  };
  const lines = (content: string, indent: number, step: number, more: Partial<TextMark>): void => {
    for (const line of linesOf(content, more.size ?? 9.5, wide - indent)) {
      need(step + 2);
      at.y += step;
      put(drawText(MARGIN + indent, at.y, line, more.size ?? 9.5, more));
    }
  };

  at.y += 20;
  put(drawText(MARGIN, at.y, fitText(order.title, 22, wide), 22, { weight: 600, face: 'figures' }));
  at.y += 15;
  put(drawText(MARGIN, at.y, `${order.note}  ·  aim: ${AIM_LABELS[order.plan.aim]}`, 9.5, { fill: GREY }));
  at.y += 24;
  const totals = formatTotals(order.plan);
  // two rows, so that none stands on another
  const inRow = Math.ceil(totals.length / 2);
  totals.forEach(({ label, value }, i) => {
    const [x, y] = [MARGIN + ((i % inRow) * wide) / inRow, at.y + Math.floor(i / inRow) * 32];
    put(drawText(x, y, value, 15, { weight: 600, face: 'figures' }), drawText(x, y + 12, label, 8.5, { fill: GREY }));
  });
  at.y += 50;
  lines(describeBound(order.plan), 0, 12, {});
  at.y += 4;
  for (const missing of order.plan.missing) {
    const { why, help } = describeMissing(missing, order.job, order.voice);
    lines(`Cannot be cut: ${why}.`, 0, 13, { weight: 600 });
    for (const way of help) lines(`› ${way}`, 10, 12, {});
  }

  const pictures = sheetRows(order, scale, W, H);
  if (pictures.length) heading('Sheets', pictures[0]!.height + 22);
  for (const row of pictures) {
    need(row.height + 22);
    for (const { drawing, x, label } of row.pictures) {
      for (const mark of drawing.marks) put(shifted(mark, x, at.y));
      put(drawText(x, at.y + drawing.height + 11, label, 9));
    }
    at.y += row.height + 24;
  }

  const steps = stepRows(order, W);
  if (steps.length) list('Cuts, in this order', steps);
  const caution = linesOf(CAUTION, 8.5, wide);
  const cautionHeight = 10 + caution.length * 11;
  list('Pieces', pieceRows(order, wide), cautionHeight);
  at.y += 10;
  for (const line of caution) put(drawText(MARGIN, (at.y += 11), line, 8.5, { fill: GREY }));
  return at.pages;
}

/** The steps, each with a box to tick: the setting, what lies how on the cutter, what comes off and what is left. */
function stepRows(order: PrintOrder, W: number): Row[] {
  const { plan, job, voice, pieceName } = order;
  const rows = [
    ...buildOrderSteps(job, plan).map((step, i) => {
      const words =
        step.do === 'plan'
          ? describeStep(step.step, plan, job, voice, pieceName)
          : describeFinishStep(step, job, voice);
      return {
        number: String(i + 1),
        setting: words.setting,
        size: step.do === 'plan' ? 12.5 : 10,
        hold: words.note ? `${words.hold}; ${words.note}` : words.hold,
        off: `› ${words.off}${words.leaves ? `; leaves ${words.leaves}` : ''}`,
      };
    }),
    ...findSheetsUsedWhole(plan).map((index) => ({
      number: '',
      setting: 'no cut',
      size: 10,
      hold: `sheet ${letterOfSheet(plan, index)}: ${describeSheetStock(order, index)}`,
      off: `› ${describePart([plan.sheets[index]!.tree], pieceName)}, used whole`,
    })),
  ];
  const from = MARGIN + 96;
  const room = W - MARGIN - from;
  const [hold, told] = [0.5, 0.42, 0.35, 0.28]
    .map((share) => {
      const width = room * share;
      const set = rows.map((row) => ({
        ...row,
        holds: linesOf(row.hold, 9.5, width),
        offs: linesOf(row.off, 9.5, room - width - 14),
      }));
      return [width, set, set.reduce((sum, row) => sum + Math.max(row.holds.length, row.offs.length), 0)] as const;
    })
    // where the fewest lines do
    .reduce((best, tried) => (tried[2] < best[2] ? tried : best));
  return told.map(({ holds, offs, ...row }) => {
    const height = 7.5 + 11.5 * Math.max(holds.length, offs.length);
    return {
      height,
      draw: (top) => {
        const y = top + 12;
        return [
          { kind: 'rect', x: MARGIN, y: y - 8.5, width: 9, height: 9, stroke: { colour: INK, width: 0.7 } },
          drawText(MARGIN + 30, y, row.number, 9.5, { anchor: 'end', fill: GREY }),
          drawText(MARGIN + 84, y, row.setting, row.size, { anchor: 'end', weight: 600, face: 'figures' }),
          ...holds.map((line, i) => drawText(from, y + i * 11.5, line, 9.5)),
          ...offs.map((line, i) => drawText(from + hold + 14, y + i * 11.5, line, 9.5, { weight: 600 })),
          {
            kind: 'line',
            x1: MARGIN,
            x2: W - MARGIN,
            y1: top + height - 1.5,
            y2: top + height - 1.5,
            stroke: { colour: '#bbbbbb', width: 0.4 },
          },
        ];
      },
    };
  });
}

/** All pieces, two to a row. */
function pieceRows({ job, voice }: PrintOrder, wide: number): Row[] {
  const half = wide / 2;
  return job.pieces.flatMap((_, i) =>
    i % 2
      ? []
      : [
          {
            height: 15,
            draw: (y: number) =>
              job.pieces.slice(i, i + 2).flatMap((p, j) => {
                const [x, many] = [MARGIN + j * half, p.quantity > 1 ? `${p.quantity} × ` : ''];
                return [
                  drawText(x + 74, y + 13, formatSize(p.width, p.height, voice), 10, {
                    anchor: 'end',
                    weight: 600,
                    face: 'figures',
                  }),
                  drawText(x + 82, y + 13, fitText(`${many}${p.name}`, 9.5, half - 92), 9.5),
                ];
              }),
          },
        ],
  );
}

const describeSheetStock = ({ plan, job, voice }: PrintOrder, index: number): string => {
  const stock = job.stock.find((s) => s.id === plan.sheets[index]!.stock)!;
  return `${stock.paper.name}, ${STOCK_KIND_LABELS[stock.kind]} ${formatSize(stock.width, stock.height, voice)}`;
};

interface SheetRow {
  height: number;
  pictures: { drawing: Drawing; x: number; label: string }[];
}

/** Sheet pictures side by side, all at one scale. */
function sheetRows(order: PrintOrder, most: number, W: number, H: number): SheetRow[] {
  const { plan, job } = order;
  const whole = new Set(findSheetsUsedWhole(plan));
  const cut = plan.sheets.flatMap((_, i) => (whole.has(i) ? [] : [i]));
  // smaller where a sheet would not fit on the page
  const drawn = (scale: number): Drawing[] => {
    const style = { scale, voice: order.voice, face: BLACK_AND_WHITE, pieceName: order.pieceName };
    const all = cut.map((i) => drawSheet(plan, i, job, style));
    const fits = all.every((d) => d.width <= W - 2 * MARGIN && d.height <= H - 2 * MARGIN - 140);
    return fits || scale < 1 ? all : drawn(scale * 0.88);
  };
  const drawings = drawn(most);
  const rows: SheetRow[] = [];
  let x = MARGIN;
  cut.forEach((index, i) => {
    const drawing = drawings[i]!;
    const says = `${letterOfSheet(plan, index)}  ${describeSheetStock(order, index)}`;
    const room = Math.max(drawing.width, Math.min(estimateTextWidth(says, 9), 190)) + 18;
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

function shifted(m: DrawingMark, dx: number, dy: number): DrawingMark {
  switch (m.kind) {
    case 'line':
      return { ...m, x1: m.x1 + dx, x2: m.x2 + dx, y1: m.y1 + dy, y2: m.y2 + dy };
    case 'poly':
      return { ...m, points: m.points.map(([x, y]) => [x + dx, y + dy] as const) };
    default:
      return { ...m, x: m.x + dx, y: m.y + dy };
  }
}

/** A text over as many lines as it needs, sizes kept together; a word that no line holds is cut short. */
function linesOf(content: string, size: number, width: number): string[] {
  const lines: string[] = [];
  let line = '';
  for (const word of content.split(/(?<!×) (?!×)/)) {
    const longer = line ? `${line} ${word}` : word;
    if (line && estimateTextWidth(longer, size) > width) {
      lines.push(line);
      line = word;
    } else line = longer;
  }
  return [...lines, line].map((l) => fitText(l, size, width));
}
