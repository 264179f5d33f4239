import { TICKS_PER_UNIT } from '@temnex/core/length';
import { clipPaper } from '@temnex/core/geometry';
import type { Look } from '@temnex/core/stock';
import type { Held, Job, Plan, PlanNode } from '@temnex/core/planner';
import { letterOfSheet, namePartsOfPlan, buildOrderSteps } from '@temnex/core/cutting';
import { formatLength, describeOddPaper, formatSize, type Voice } from '@temnex/words';
import { orientCorner, drawHandCuts } from './finishPicture.ts';
import {
  CUT,
  INK,
  KEEP,
  fitName,
  drawHatchingIn,
  wrapName,
  estimateTextWidth,
  type Drawing,
  type Fill,
  type DrawingMark,
} from './marks.ts';

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
export const drawingUnitsPer = (plan: Pick<Plan, 'unit'>, scale: number): number =>
  plan.unit === 'in' ? scale : scale / 25.4;

export function paperFill(style: PictureStyle, stock: string, side: 'A' | 'B'): Fill {
  const face = style.face(stock, side);
  return face ? { ...face, scale: style.scale } : '#ffffff';
}

/** A label with a quiet plate behind it, so that it reads on any paper. */
export function drawLabelPlate(
  x: number,
  y: number,
  lines: readonly { text: string; size: number; weight: 400 | 600; face: 'figures' | 'text' }[],
  width: number,
  coloured: boolean,
): DrawingMark[] {
  const shown = lines.filter((l) => l.text);
  if (!shown.length) return [];
  const height = shown.reduce((sum, l) => sum + l.size * 1.15, 0);
  const widest = Math.min(width, Math.max(...shown.map((l) => estimateTextWidth(l.text, l.size))) + 6);
  const marks: DrawingMark[] = coloured
    ? [{ kind: 'rect', x: x - widest / 2, y: y - height / 2 - 2, width: widest, height: height + 4, fill: '#fbfbfae8' }]
    : [];
  let at = y - height / 2;
  for (const line of shown) {
    at += line.size * 1.15;
    marks.push({ kind: 'text', x, y: at - line.size * 0.28, anchor: 'middle', fill: INK, ...line });
  }
  return marks;
}

/** Between two parts that a cut sets apart. */
const GAP = 16;
/** What goes back into the drawer lies further off. */
const BESIDE = 9;

interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}
/** A part of a sheet with all that comes off it, set apart: its room, and how it is put there by its lower left corner, y up. */
interface Apart {
  readonly width: number;
  readonly height: number;
  put(x: number, y: number): void;
}

/** What frees what, by the numbers of the story: of one sheet. */
function numbersOf(plan: Plan, index: number, job: Job) {
  const cuts = new Map<string, number>();
  buildOrderSteps(job, plan).forEach((told, at) => {
    if (told.do !== 'plan' || !told.step.sheets.includes(index)) return;
    const { step } = told;
    if (step.do === 'cut' || step.do === 'open') cuts.set(step.off, at + 1);
    else if (step.do === 'trim') cuts.set(`trim ${step.edge}`, at + 1);
    else cuts.set(`${step.part} ${step.line}`, at + 1);
  });
  return cuts;
}

/**
 * A sheet as it comes apart: each cut a gap with its number in the story and the short name of what is cut again, pieces by name
 * and size, what is kept a little aside, and waste without a name.
 */
export function drawSheet(plan: Plan, index: number, job: Job, style: PictureStyle): Drawing {
  const sheet = plan.sheets[index]!;
  const stock = job.stock.find((s) => s.id === sheet.stock)!;
  const per = drawingUnitsPer(plan, style.scale);
  const ticks = TICKS_PER_UNIT[plan.unit];
  const face = paperFill(style, sheet.stock, 'A');
  const coloured = style.face(sheet.stock, 'A') !== null;
  const keep = coloured ? KEEP : INK;
  const marks: DrawingMark[] = [];
  const numbers = numbersOf(plan, index, job);
  const shortName = namePartsOfPlan(plan);
  /** Of the drawing, once it is known. */
  let height = 0;

  /** Over a plate that leaves it readable on any paper. */
  const label = (box: Box, n: PlanNode, name: string, strong: boolean, side = ''): void => {
    const narrow = box.width < 46 && box.height > box.width * 1.4;
    const across = narrow ? box.height : box.width;
    const room = narrow ? box.width : box.height;
    const size = Math.max(6, Math.min(11, room / 2.6, across / 5.2));
    const [cx, cy] = [box.x + box.width / 2, box.y + box.height / 2];
    const dims = formatSize(n.width * ticks, n.height * ticks, style.voice);
    const weight = strong ? (600 as const) : (400 as const);
    const space = across - 5;
    // a number is never cut short: it is set smaller, or left to the list
    const fitted = Math.min(strong ? size * 1.15 : size, (space / estimateTextWidth(dims, 1)) * 0.98);
    const dimsSize = fitted >= 4.5 ? fitted : 0;
    if (narrow) {
      const both = `${name}${side && `, ${side}`} ${dims}`;
      const text = estimateTextWidth(both, size) <= space ? both : dimsSize ? dims : '';
      if (!text) return;
      const at = { x: cx + size * 0.34, y: cy, size: text === both ? size : dimsSize };
      if (coloured) {
        const long = estimateTextWidth(text, at.size) + 4;
        const wide = Math.min(box.width - 2, at.size * 1.3);
        marks.push({ kind: 'rect', x: cx - wide / 2, y: cy - long / 2, width: wide, height: long, fill: '#fbfbfae8' });
      }
      marks.push({ kind: 'text', ...at, text, weight, face: 'text', anchor: 'middle', fill: INK, turn: 90 });
      return;
    }
    const lines = [
      ...(dimsSize ? [{ text: dims, size: dimsSize, weight, face: 'figures' as const }] : []),
      ...wrapName(name, size, space, Math.max(0, Math.min(3, Math.floor(room / (size * 1.4)) - 1))).map((text) => ({
        text,
        size,
        weight: 400 as const,
        face: 'text' as const,
      })),
      ...(side && room > size * 5.4 ? [{ text: side, size, weight: 400 as const, face: 'text' as const }] : []),
    ];
    marks.push(...drawLabelPlate(cx, cy, lines, across - 4, coloured));
  };
  /** The number of a cut and what it frees that is cut again, in the gap that it makes. */
  const number = (box: Box, upright: boolean, keys: readonly string[], frees: readonly string[]): void => {
    const told = keys.flatMap((key) => numbers.get(key) ?? []);
    if (!told.length) return;
    const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
    const stroke = { colour: CUT, width: 1.1, dash: [4, 2.6] };
    marks.push(
      upright
        ? { kind: 'line', x1: x, x2: x, y1: box.y, y2: box.y + box.height, stroke }
        : { kind: 'line', x1: box.x, x2: box.x + box.width, y1: y, y2: y, stroke },
    );
    const first = Math.min(...told);
    const names = frees.flatMap((path) => shortName(index, path) ?? []);
    const whole = `${first}${told.length > 1 ? `–${Math.max(...told)}` : ''}${names.length ? ` › ${names.join(', ')}` : ''}`;
    const along = upright ? box.height : box.width;
    const text = estimateTextWidth(whole, 11) + 4 <= along ? whole : String(first);
    const long = Math.min(along, estimateTextWidth(text, 11) + 5);
    marks.push(
      {
        kind: 'rect',
        x: x - (upright ? 7 : long / 2),
        y: y - (upright ? long / 2 : 7),
        width: upright ? 14 : long,
        height: upright ? long : 14,
        fill: coloured ? '#cdcdcd' : '#ffffff',
      },
      {
        kind: 'text',
        x: x + (upright ? 4 : 0),
        y: y + (upright ? 0 : 4),
        text,
        size: 11,
        weight: 600,
        face: 'figures',
        anchor: 'middle',
        fill: CUT,
        ...(upright ? { turn: 90 } : {}),
      },
    );
  };
  const piecesById = new Map(job.pieces.map((p) => [p.id, p]));
  /** What is cut by hand of a piece once it is off the sheet. */
  const byHand = (box: Box, held: Held): DrawingMark[] => {
    const piece = piecesById.get(held.piece);
    if (!piece) return [];
    const spot = (p: { x: number; y: number }) =>
      [box.x + (p.x / ticks) * per, box.y + box.height - (p.y / ticks) * per] as const;
    return drawHandCuts(piece).map(([a, b]): DrawingMark => {
      const [[x1, y1], [x2, y2]] = [spot(orientCorner(a, piece, held)), spot(orientCorner(b, piece, held))];
      return { kind: 'line', x1, y1, x2, y2, stroke: { colour: CUT, width: 0.9, dash: [3, 2] } };
    });
  };
  const waste = (points: readonly (readonly [number, number])[]): void => {
    marks.push({ kind: 'poly', points, fill: coloured ? '#b9b9b9' : '#e4e4e4' });
    // on white paper grey alone is not told apart
    if (!coloured) marks.push(...drawHatchingIn(points, 5, { colour: '#6f6f6f', width: 0.45 }, 'rise'));
  };
  /** What stays whole, as the drawer says, where it lies in a part. */
  const wholes = (n: PlanNode, box: Box): void => {
    for (const [a, b] of stock.uncut) {
      const [x, y] = [Math.min(a.x, b.x) / ticks, Math.min(a.y, b.y) / ticks];
      const [width, tall] = [Math.abs(a.x - b.x) / ticks, Math.abs(a.y - b.y) / ticks];
      if (x < n.x - 1e-6 || y < n.y - 1e-6 || x + width > n.x + n.width + 1e-6 || y + tall > n.y + n.height + 1e-6)
        continue;
      const stroke = { colour: INK, width: 1.5, dash: [1.5, 3] };
      const at = { x: box.x + (x - n.x) * per, y: box.y + box.height - (y - n.y + tall) * per };
      marks.push({ kind: 'rect', ...at, width: width * per, height: tall * per, stroke });
    }
  };

  const draw = (n: PlanNode, box: Box, path: string): void => {
    const corners = [
      [box.x, box.y],
      [box.x + box.width, box.y],
      [box.x + box.width, box.y + box.height],
      [box.x, box.y + box.height],
    ] as const;
    if (n.holds === 'odd') {
      const part = { x: n.x * ticks, y: n.y * ticks, width: n.width * ticks, height: n.height * ticks };
      const points = clipPaper(stock.outline ?? [], part).map(
        (p) => [box.x + (p.x / ticks - n.x) * per, box.y + box.height - (p.y / ticks - n.y) * per] as const,
      );
      // where there is no paper, nothing is drawn
      if (points.length > 2) waste(points);
    } else if (n.holds === 'waste') waste(corners);
    else if (n.holds === 'keep') {
      marks.push({ kind: 'rect', ...box, fill: face }, { kind: 'rect', ...box, stroke: { colour: keep, width: 1.6 } });
      label(box, n, 'goes back', false);
    } else if (n.holds) {
      marks.push({ kind: 'rect', ...box, fill: paperFill(style, sheet.stock, n.holds.side) });
      marks.push({ kind: 'rect', ...box, stroke: { colour: INK, width: 1.3 } });
      marks.push(...byHand(box, n.holds));
      if (!n.opening) label(box, n, style.pieceName(n.holds.piece), true, n.holds.side === 'B' ? 'side B' : '');
      else opened(n, box, path, n.holds, n.opening);
    }
    wholes(n, box);
  };
  /** A piece with its centre cut out: what that becomes lies in it. */
  const opened = (n: PlanNode, box: Box, path: string, held: Held, opening: PlanNode): void => {
    const inner = {
      x: box.x + (opening.x - n.x) * per,
      y: box.y + box.height - (opening.y - n.y + opening.height) * per,
      width: opening.width * per,
      height: opening.height * per,
    };
    // the name of the host stands on what is left of it, below what its centre becomes
    const strip = box.y + box.height - inner.y - inner.height;
    const by = numbers.get(`${path}.o`);
    const host = fitName(`${by === undefined ? '' : `${by} › `}${style.pieceName(held.piece)}`, 8, box.width - 6);
    if (strip >= 9)
      marks.push(
        ...drawLabelPlate(
          box.x + box.width / 2,
          box.y + box.height - strip / 2,
          [{ text: host, size: Math.min(8, strip - 2), weight: 600, face: 'text' }],
          box.width,
          coloured,
        ),
      );
    marks.push({ kind: 'rect', ...inner, fill: paperFill(style, sheet.stock, 'A') });
    apart(opening, `${path}.o`, 0).put(inner.x, height - inner.y - inner.height);
    marks.push({ kind: 'rect', ...inner, stroke: { colour: CUT, width: 1, dash: [3, 2] } });
  };

  /** Set apart by so much; by nothing inside what keeps its place. */
  const apart = (n: PlanNode, path: string, gap: number): Apart => {
    const [w, h] = [n.width * per, n.height * per];
    if (!n.cut)
      return {
        width: w,
        height: h,
        put: (x, y) => draw(n, { x, y: height - y - h, width: w, height: h }, path),
      };
    if (n.cut === 'windmill') return mill(n, path, gap);
    const cut = n.cut;
    const parts = n.parts!.map((part, i) => apart(part, `${path}.${i}`, gap));
    const along = (part: Apart) => (cut === 'x' ? part.width : part.height);
    const across = Math.max(...parts.map((part) => (cut === 'x' ? part.height : part.width)));
    const isAside = (i: number) => gap > 0 && n.parts![i]?.holds === 'keep';
    const after = (i: number) => (numbers.has(`${path}.${i}`) ? gap + (isAside(i) || isAside(i + 1) ? BESIDE : 0) : 0);
    const long = parts.reduce((sum, part, i) => sum + along(part) + after(i), 0);
    return {
      ...(cut === 'x' ? { width: long, height: across } : { width: across, height: long }),
      put: (x, y) => {
        let at = 0;
        parts.forEach((part, i) => {
          if (cut === 'x') part.put(x + at, y);
          else part.put(x, y + at);
          at += along(part);
          const room = after(i);
          if (!room) return;
          const band =
            cut === 'x'
              ? { x: x + at, y: height - y - across, width: room, height: across }
              : { x, y: height - y - at - room, width: across, height: room };
          number(band, cut === 'x', [`${path}.${i}`], [`${path}.${i}`, `${path}.${i + 1}`, `${path}.${i + 1}+`]);
          at += room;
        });
      },
    };
  };
  /** Four parts round a centre, drawn off it each its way. */
  const mill = (n: PlanNode, path: string, gap: number): Apart => {
    const centre = n.parts![4]!;
    const step = (low: number, size: number, from: number, to: number) =>
      (low + size <= from ? 0 : low >= to ? 2 : 1) * gap;
    return {
      width: n.width * per + 2 * gap,
      height: n.height * per + 2 * gap,
      put: (x, y) => {
        n.parts!.forEach((part, i) => {
          const dx = step(part.x, part.width, centre.x + 1e-6, centre.x + centre.width - 1e-6);
          const dy = step(part.y, part.height, centre.y + 1e-6, centre.y + centre.height - 1e-6);
          apart(part, `${path}.${i}`, 0).put(x + (part.x - n.x) * per + dx, y + (part.y - n.y) * per + dy);
        });
        const over = y + (centre.y - n.y + centre.height) * per + gap;
        const band = {
          x: x + (centre.x - n.x) * per + gap,
          y: height - over - gap,
          width: centre.width * per,
          height: gap,
        };
        if (gap)
          number(
            band,
            false,
            [1, 2, 3, 4].map((line) => `${path} ${line}`),
            [0, 1, 2, 3, 4].map((part) => `${path}.${part}`),
          );
      },
    };
  };

  const body = apart(sheet.tree, 'r', GAP);
  /** Margins lie all round it, with the trims that took them off. */
  const off = (edge: keyof typeof stock.trim) => (stock.trim[edge] / ticks) * per;
  const beside = (edge: keyof typeof stock.trim) => (off(edge) ? off(edge) + GAP : 0);
  const width = body.width + beside('left') + beside('right');
  height = body.height + beside('bottom') + beside('top');
  body.put(beside('left'), beside('bottom'));
  for (const edge of ['left', 'right', 'bottom', 'top'] as const) {
    if (!off(edge)) continue;
    const upright = edge === 'left' || edge === 'right';
    const strip: Box = upright
      ? { x: edge === 'left' ? 0 : width - off(edge), y: beside('top'), width: off(edge), height: body.height }
      : { x: beside('left'), y: edge === 'top' ? 0 : height - off(edge), width: body.width, height: off(edge) };
    waste([
      [strip.x, strip.y],
      [strip.x + strip.width, strip.y],
      [strip.x + strip.width, strip.y + strip.height],
      [strip.x, strip.y + strip.height],
    ]);
    const band: Box = upright
      ? { ...strip, x: edge === 'left' ? strip.width : strip.x - GAP, width: GAP }
      : { ...strip, y: edge === 'top' ? strip.height : strip.y - GAP, height: GAP };
    number(band, upright, [`trim ${edge}`], []);
  }
  const gone = describeOddPaper(plan, index, job)?.goneWords([sheet.tree], style.voice) ?? '';
  const title = `Sheet ${letterOfSheet(plan, index)}: ${stock.paper.name}, ${formatLength(stock.width, style.voice)} by ${formatLength(stock.height, style.voice)}${gone}`;
  return { width, height, marks, title };
}
