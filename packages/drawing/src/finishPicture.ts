import { TICKS_PER_UNIT, ticks, type Ticks } from '@temnex/core/length';
import type { Finish, Point } from '@temnex/core/geometry';
import { outlinesInBlock, type Held, type JobPiece } from '@temnex/core/planner';
import { INK, drawCutLine, type Drawing, type DrawingMark, type Fill } from './marks.ts';

/*
 * A piece that is notched, pointed, slanted, slit, opened or punched by hand: its blank in grey where it falls off, the lines to cut in the two
 * tones of cuts, and what to pencil as a thin line.
 */

interface At {
  readonly x: number;
  readonly y: number;
  /** Units of the drawing to the tick. */
  readonly per: number;
}

/** A corner of a finished piece as it lies on a sheet: mirrored where it is cut from side B, then turned. */
export function orientCorner(
  p: Point,
  { width, height }: JobPiece,
  { turn, side }: Pick<Held, 'turn' | 'side'>,
): { x: number; y: number } {
  const x = side === 'B' ? width - p.x : p.x;
  switch (turn) {
    case 90:
      return { x: height - p.y, y: x };
    case 180:
      return { x: width - x, y: height - p.y };
    case 270:
      return { x: p.y, y: width - x };
    default:
      return { x, y: p.y };
  }
}

type Line = readonly [Point, Point];

/** All that is cut by hand in a piece: edges of its shape that are none of its blank's, slits, windows, and edges to punch. */
export const drawHandCuts = ({ shape, block, finish, width, height }: JobPiece): Line[] => [
  ...[...(shape ? [shape] : []), ...(block ? inBlock(block) : [])].flatMap((one) =>
    shapedEdges(one, { width, height }),
  ),
  ...finish.flatMap((f) => insideCuts(f, { width, height })),
];

/** What lies in a block, corner by corner. */
const inBlock = (block: NonNullable<JobPiece['block']>): Point[][] =>
  outlinesInBlock(block).map((ring) => ring.map(([x, y]) => ({ x: ticks(Math.round(x)), y: ticks(Math.round(y)) })));

function insideCuts(finish: Finish, { width, height }: { readonly width: Ticks; readonly height: Ticks }): Line[] {
  const at = (x: number, y: number): Point => ({ x: ticks(x), y: ticks(y) });
  if (finish.do === 'slit') return [[finish.from, finish.to]];
  if (finish.do === 'trim') {
    const { left, right, top, bottom } = finish;
    return [
      ...(left ? [[at(left, 0), at(left, height)] as const] : []),
      ...(right ? [[at(width - right, 0), at(width - right, height)] as const] : []),
      ...(bottom ? [[at(0, bottom), at(width, bottom)] as const] : []),
      ...(top ? [[at(0, height - top), at(width, height - top)] as const] : []),
    ];
  }
  if (finish.do === 'window') {
    const { x, y, width: w, height: h } = finish.box;
    const corners = [at(x, y), at(x + w, y), at(x + w, y + h), at(x, y + h)];
    return corners.map((c, i): Line => [c, corners[(i + 1) % 4]!]);
  }
  if (finish.do !== 'punch') return [];
  const { edge, depth } = finish;
  if (edge === 'top' || edge === 'bottom') {
    const y = edge === 'bottom' ? depth : height - depth;
    return [[at(0, y), at(width, y)]];
  }
  const x = edge === 'left' ? depth : width - depth;
  return [[at(x, 0), at(x, height)]];
}

function shapedEdges(
  shape: readonly Point[],
  { width, height }: { readonly width: number; readonly height: number },
): Line[] {
  const onEdge = (a: Point, b: Point) =>
    (a.x === b.x && (a.x === 0 || a.x === width)) || (a.y === b.y && (a.y === 0 || a.y === height));
  return shape.map((p, i): Line => [p, shape[(i + 1) % shape.length]!]).filter(([a, b]) => !onEdge(a, b));
}

/** Large enough to see the end of the smallest piece, small enough for the largest: units of the drawing to the inch. */
const scaleFor = ({ width, height }: JobPiece): number =>
  Math.min(72, 190 / (Math.max(width, height) / TICKS_PER_UNIT.in));

/** The picture of what is done by hand to one piece; its fill may be made for the scale that it is drawn at. */
export function drawFinish(piece: JobPiece, fillAt: (scale: number) => Fill, title: string): Drawing {
  const scale = scaleFor(piece);
  const fill = fillAt(scale);
  const at: At = { x: 6, y: 6, per: scale / TICKS_PER_UNIT.in };
  const [w, h] = [piece.width * at.per, piece.height * at.per];
  const spot = (p: { x: number; y: number }): [number, number] => [at.x + p.x * at.per, at.y + h - p.y * at.per];
  const blank: DrawingMark = { kind: 'rect', x: at.x, y: at.y, width: w, height: h };
  const drawn: DrawingMark[] = [{ ...blank, fill: '#d8d8d8', stroke: { colour: INK, width: 0.6, dash: [2, 2] } }];
  const outlines = piece.block ? inBlock(piece.block) : piece.shape ? [piece.shape] : null;
  if (outlines)
    for (const outline of outlines)
      drawn.push({ kind: 'poly', points: outline.map(spot), fill, stroke: { colour: INK, width: 1 } });
  else drawn.push({ ...blank, fill });
  for (const [a, b] of drawHandCuts(piece)) {
    const [[x1, y1], [x2, y2]] = [spot(a), spot(b)];
    drawn.push(...drawCutLine(x1, y1, x2, y2));
  }
  // half a hole in an edge is half a hole
  const within = ([x, y]: [number, number]): [number, number] => [
    Math.max(at.x, Math.min(at.x + w, x)),
    Math.max(at.y, Math.min(at.y + h, y)),
  ];
  for (const f of piece.finish) {
    if (f.do === 'fold') {
      const [[x1, y1], [x2, y2]] = [spot(f.from), spot(f.to)];
      drawn.push({ kind: 'line', x1, y1, x2, y2, stroke: { colour: INK, width: 1, dash: [7, 3] } });
    }
    if (f.do === 'holes')
      for (const p of f.at) {
        const [x, y] = spot(p);
        const r = Math.max(1.2, (f.across * at.per) / 2);
        drawn.push({
          kind: 'poly',
          points: roundAt(x, y, r).map(within),
          fill: '#ffffff',
          stroke: { colour: INK, width: 0.8 },
        });
      }
  }
  // the line along the middle by which a tip is found
  const tipped = (f: Finish) => f.do === 'notch' || f.do === 'point';
  for (const f of piece.finish.filter(tipped)) {
    const upright = f.edge === 'top' || f.edge === 'bottom';
    const [[x1, y1], [x2, y2]] = upright
      ? [spot({ x: f.at, y: 0 }), spot({ x: f.at, y: piece.height })]
      : [spot({ x: 0, y: f.at }), spot({ x: piece.width, y: f.at })];
    drawn.push({ kind: 'line', x1, y1, x2, y2, stroke: { colour: INK, width: 0.6, dash: [6, 2, 1, 2] } });
  }
  return { width: w + 12, height: h + 12, marks: drawn, title };
}

/** A small hole, as so many corners. */
const roundAt = (x: number, y: number, r: number): [number, number][] =>
  Array.from({ length: 12 }, (_, k) => [x + r * Math.cos((k * Math.PI) / 6), y + r * Math.sin((k * Math.PI) / 6)]);
