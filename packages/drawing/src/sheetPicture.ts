import {
  TICKS_PER_UNIT,
  paperIn,
  type Spot,
  type Held,
  type Job,
  type Look,
  type Plan,
  type PlanNode,
} from '@temnex/core';
import { figure, oddPaperOf, sheetLetter, sizeWords, type Voice } from '@temnex/words';
import { asHeld, handCuts } from './finishPicture.ts';
import { CUT, INK, KEEP, fitName, hatch, hatchIn, textWidth, type Drawing, type Fill, type Drawn } from './marks.ts';

/** How a face of a paper looks as it lies: null in black and white. */
export type FaceLook = (stock: string, side: 'A' | 'B') => { look: Look; turn: number } | null;

export interface PictureStyle {
  /** Units of the drawing to the inch. */
  readonly scale: number;
  readonly voice: Voice;
  readonly face: FaceLook;
  readonly pieceName: (id: string) => string;
}

export const BLACK_AND_WHITE: FaceLook = () => null;

/** Units of the drawing to the plan's unit. */
export const perUnit = (plan: Pick<Plan, 'unit'>, scale: number): number => (plan.unit === 'in' ? scale : scale / 25.4);

export function paperFill(style: PictureStyle, stock: string, side: 'A' | 'B'): Fill {
  const face = style.face(stock, side);
  return face ? { ...face, scale: style.scale } : '#ffffff';
}

/** A label with a quiet plate behind it, so that it reads on any paper. */
export function plate(
  x: number,
  y: number,
  lines: readonly { text: string; size: number; weight: 400 | 600; face: 'figures' | 'text' }[],
  width: number,
  coloured: boolean,
): Drawn[] {
  const shown = lines.filter((l) => l.text);
  if (!shown.length) return [];
  const height = shown.reduce((sum, l) => sum + l.size * 1.15, 0);
  const widest = Math.min(width, Math.max(...shown.map((l) => textWidth(l.text, l.size))) + 6);
  const marks: Drawn[] = coloured
    ? [{ kind: 'rect', x: x - widest / 2, y: y - height / 2 - 2, width: widest, height: height + 4, fill: '#fbfbfae8' }]
    : [];
  let at = y - height / 2;
  for (const line of shown) {
    at += line.size * 1.15;
    marks.push({ kind: 'text', x, y: at - line.size * 0.28, anchor: 'middle', fill: INK, ...line });
  }
  return marks;
}

/** Where stop cuts make a windmill: a dot in the colour of cuts at each corner, where one starts. */
function millMarks(box: { x: number; y: number; width: number; height: number }): Drawn[] {
  const [right, bottom] = [box.x + box.width, box.y + box.height];
  return [
    { kind: 'rect', ...box, stroke: { colour: CUT, width: 1.2, dash: [2, 2] } },
    {
      kind: 'text',
      x: (box.x + right) / 2,
      y: bottom - 4,
      text: 'stop cuts',
      size: 9,
      weight: 600,
      face: 'text',
      anchor: 'middle',
      fill: CUT,
    },
  ];
}

/** A sheet as it will be cut: pieces by name and size, kept offcuts and waste by outline, lines and label. */
export function sheetPicture(plan: Plan, index: number, job: Job, style: PictureStyle): Drawing {
  const sheet = plan.sheets[index]!;
  const stock = job.stock.find((s) => s.id === sheet.stock)!;
  const per = perUnit(plan, style.scale);
  const ticks = TICKS_PER_UNIT[plan.unit];
  const [W, H] = [(stock.width / ticks) * per, (stock.height / ticks) * per];
  const spotOf = (p: Spot) => [(p.x / ticks) * per, H - (p.y / ticks) * per] as const;
  const face = paperFill(style, sheet.stock, 'A');
  // an odd scrap is what it is: nothing is drawn where there is no paper
  const marks: Drawn[] = [
    stock.outline
      ? { kind: 'poly', points: stock.outline.map(spotOf), fill: face }
      : { kind: 'rect', x: 0, y: 0, width: W, height: H, fill: face },
  ];
  const coloured = style.face(sheet.stock, 'A') !== null;
  const keep = coloured ? KEEP : INK;
  const place = (n: PlanNode) => ({
    x: n.x * per,
    y: H - (n.y + n.height) * per,
    width: n.width * per,
    height: n.height * per,
  });
  const label = (n: PlanNode, name: string, strong: boolean, side = ''): void => {
    const box = place(n);
    const narrow = box.width < 46 && box.height > box.width * 1.4;
    const across = narrow ? box.height : box.width;
    const room = narrow ? box.width : box.height;
    const size = Math.max(6, Math.min(11, room / 2.6, across / 5.2));
    const [cx, cy] = [box.x + box.width / 2, box.y + box.height / 2];
    const dims = sizeWords(n.width * ticks, n.height * ticks, style.voice);
    const weight = strong ? (600 as const) : (400 as const);
    const space = across - 5;
    // a number is never cut short: it is set smaller, or left to the list
    const fitted = Math.min(strong ? size * 1.15 : size, (space / textWidth(dims, 1)) * 0.98);
    const dimsSize = fitted >= 4.5 ? fitted : 0;
    if (narrow) {
      const both = `${name}${side && `, ${side}`} ${dims}`;
      const text = textWidth(both, size) <= space ? both : dimsSize ? dims : '';
      if (!text) return;
      const at = { x: cx + size * 0.34, y: cy, size: text === both ? size : dimsSize };
      marks.push({ kind: 'text', ...at, text, weight, face: 'text', anchor: 'middle', fill: INK, turn: 90 });
      return;
    }
    const lines = [
      ...(dimsSize ? [{ text: dims, size: dimsSize, weight, face: 'figures' as const }] : []),
      ...(room > size * 3
        ? [{ text: fitName(name, size, space), size, weight: 400 as const, face: 'text' as const }]
        : []),
      ...(side && room > size * 4.2 ? [{ text: side, size, weight: 400 as const, face: 'text' as const }] : []),
    ];
    marks.push(...plate(cx, cy, lines, across - 4, coloured));
  };
  /** What stays whole, as the drawer says. */
  const wholes = stock.uncut.map(([a, b]): Drawn => {
    const [x, y] = [(Math.min(a.x, b.x) / ticks) * per, H - (Math.max(a.y, b.y) / ticks) * per];
    const [width, height] = [(Math.abs(a.x - b.x) / ticks) * per, (Math.abs(a.y - b.y) / ticks) * per];
    return { kind: 'rect', x, y, width, height, stroke: { colour: INK, width: 1.5, dash: [1.5, 3] } };
  });
  const piecesById = new Map(job.pieces.map((p) => [p.id, p]));
  /** What is cut by hand of a piece once it is off the sheet. */
  const byHand = (n: PlanNode, held: Held): Drawn[] => {
    const piece = piecesById.get(held.piece);
    if (!piece) return [];
    const box = place(n);
    const spot = (p: { x: number; y: number }) =>
      [box.x + (p.x / ticks) * per, box.y + box.height - (p.y / ticks) * per] as const;
    return handCuts(piece).map(([a, b]): Drawn => {
      const [[x1, y1], [x2, y2]] = [spot(asHeld(a, piece, held)), spot(asHeld(b, piece, held))];
      return { kind: 'line', x1, y1, x2, y2, stroke: { colour: CUT, width: 0.9, dash: [3, 2] } };
    });
  };
  const walk = (n: PlanNode): void => {
    if (n.cut === 'windmill') marks.push(...millMarks(place(n)));
    if (n.cut) return void n.parts!.forEach(walk);
    const box = place(n);
    const thin = { colour: INK, width: 0.7 };
    if (n.holds === 'keep') {
      marks.push(
        { kind: 'rect', ...box, fill: '#ffffff99' },
        ...hatch(box.x, box.y, box.width, box.height, 14, { colour: keep, width: 0.5 }, 'rise'),
      );
      marks.push({ kind: 'rect', ...box, stroke: { colour: keep, width: 1.2, dash: [5, 3] } });
      label(n, 'keep', false);
    } else if (n.holds === 'odd') {
      const part = { x: n.x * ticks, y: n.y * ticks, width: n.width * ticks, height: n.height * ticks };
      const points = paperIn(stock.outline ?? [], part).map(spotOf);
      const lines = { colour: '#6f6f6f', width: 0.45 };
      if (points.length > 2)
        marks.push(
          { kind: 'poly', points, fill: '#d8d8d8cc' },
          ...hatchIn(points, 5, lines, 'rise'),
          ...hatchIn(points, 5, lines, 'fall'),
        );
    } else if (n.holds === 'waste') {
      marks.push({ kind: 'rect', ...box, fill: '#d8d8d8cc' });
      marks.push(
        ...hatch(box.x, box.y, box.width, box.height, 5, { colour: '#6f6f6f', width: 0.45 }, 'rise'),
        ...hatch(box.x, box.y, box.width, box.height, 5, { colour: '#6f6f6f', width: 0.45 }, 'fall'),
      );
      marks.push({ kind: 'rect', ...box, stroke: thin });
    } else if (n.holds) {
      if (n.holds.side === 'B') marks.push({ kind: 'rect', ...box, fill: paperFill(style, sheet.stock, 'B') });
      marks.push({ kind: 'rect', ...box, stroke: { colour: INK, width: 1.3 } });
      marks.push(...byHand(n, n.holds));
      if (!n.opening) label(n, style.pieceName(n.holds.piece), true, n.holds.side === 'B' ? 'side B' : '');
      if (n.opening) {
        // the name of the host stands on what is left of it, below what its centre becomes
        const o = place(n.opening);
        const strip = box.y + box.height - o.y - o.height;
        const host = fitName(style.pieceName(n.holds.piece), 8, box.width - 6);
        if (strip >= 9)
          marks.push(
            ...plate(
              box.x + box.width / 2,
              box.y + box.height - strip / 2,
              [{ text: host, size: Math.min(8, strip - 2), weight: 600, face: 'text' }],
              box.width,
              coloured,
            ),
          );
        marks.push({ kind: 'rect', ...place(n.opening), fill: paperFill(style, sheet.stock, 'A') });
        marks.push({ kind: 'rect', ...place(n.opening), stroke: { colour: CUT, width: 1, dash: [3, 2] } });
        walk(n.opening);
      }
    }
  };
  const { trim } = stock;
  const margins = [
    { x: 0, y: 0, width: (trim.left / ticks) * per, height: H },
    { x: W - (trim.right / ticks) * per, y: 0, width: (trim.right / ticks) * per, height: H },
    { x: 0, y: 0, width: W, height: (trim.top / ticks) * per },
    { x: 0, y: H - (trim.bottom / ticks) * per, width: W, height: (trim.bottom / ticks) * per },
  ];
  for (const m of margins)
    if (m.width > 0 && m.height > 0)
      marks.push(
        { kind: 'rect', ...m, fill: '#d8d8d8cc' },
        ...hatch(m.x, m.y, m.width, m.height, 4, { colour: '#6f6f6f', width: 0.45 }, 'rise'),
      );
  walk(sheet.tree);
  marks.push(...wholes);
  const corners = stock.outline ?? [];
  corners.forEach((p, i) => {
    const q = corners[(i + 1) % corners.length]!;
    const at = (t: number) => (t / ticks) * per;
    const stroke = { colour: INK, width: 1.4 };
    marks.push({ kind: 'line', x1: at(p.x), y1: H - at(p.y), x2: at(q.x), y2: H - at(q.y), stroke });
  });
  if (!stock.outline) marks.push({ kind: 'rect', x: 0, y: 0, width: W, height: H, stroke: { colour: INK, width: 1 } });
  const gone = oddPaperOf(plan, index, job)?.goneWords([sheet.tree], style.voice) ?? '';
  const title = `Sheet ${sheetLetter(index)}: ${stock.paper.name}, ${figure(stock.width, style.voice)} by ${figure(stock.height, style.voice)}${gone}`;
  return { width: W, height: H, marks, title };
}
