import type { DrawingMark } from './marks.ts';
import { GREY, drawText } from './printed.ts';

/* What is larger than the paper in the printer goes over several pages, each with its neighbours named along the line where they are joined. */

export interface Window {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}
export interface Tile {
  /** A row as a letter, a column as a number: `B2`. */
  readonly name: string;
  /** What of the whole is seen on it. */
  readonly window: Window;
  /** Lines along its joined edges, moved to where the tile stands. */
  readonly joins: (at: readonly [number, number]) => DrawingMark[];
}

const HELP = { colour: GREY, width: 0.4, dash: [4, 3] } as const;

/** Parts something into alike tiles that fit in a room, row by row from the top; one where it fits. */
export function splitIntoTiles(
  size: { readonly width: number; readonly height: number },
  room: { readonly width: number; readonly height: number },
): Tile[] {
  // a hair over is no second sheet
  const across = Math.max(1, Math.ceil(size.width / room.width - 1e-6));
  const down = Math.max(1, Math.ceil(size.height / room.height - 1e-6));
  const [width, height] = [size.width / across, size.height / down];
  const name = (column: number, row: number) => `${String.fromCharCode(65 + (row % 26))}${column + 1}`;
  return Array.from({ length: across * down }, (_, i): Tile => {
    const [column, row] = [i % across, Math.floor(i / across)];
    return {
      name: name(column, row),
      window: { x: column * width, y: row * height, width, height },
      joins: ([left, top]) => {
        const [right, bottom] = [left + width, top + height];
        const line = (x1: number, y1: number, x2: number, y2: number): DrawingMark => ({ kind: 'line', x1, y1, x2, y2, stroke: HELP }); // prettier-ignore
        const join = (x1: number, y1: number, x2: number, y2: number, to: string): DrawingMark[] => [
          line(x1, y1, x2, y2),
          drawText((x1 + x2) / 2 + (x1 === x2 ? -3 : 0), (y1 + y2) / 2 - 3, `join ${to}`, 7.5, {
            anchor: x1 === x2 ? 'end' : 'middle',
            fill: GREY,
          }),
        ];
        return [
          ...(column > 0 ? [line(left, top, left, bottom)] : []),
          ...(row > 0 ? [line(left, top, right, top)] : []),
          ...(column + 1 < across ? join(right, top, right, bottom, name(column + 1, row)) : []),
          ...(row + 1 < down ? join(left, bottom, right, bottom, name(column, row + 1)) : []),
        ];
      },
    };
  });
}

type Point = readonly [number, number];

/** What of a line lies in a window (Liang and Barsky, 1984). */
export function clipLine(p: Point, q: Point, w: Window): [Point, Point] | null {
  let [from, to] = [0, 1];
  const [dx, dy] = [q[0] - p[0], q[1] - p[1]];
  for (const [step, room] of [
    [-dx, p[0] - w.x],
    [dx, w.x + w.width - p[0]],
    [-dy, p[1] - w.y],
    [dy, w.y + w.height - p[1]],
  ] as const) {
    if (step === 0) {
      if (room < 0) return null;
    } else if (step < 0) from = Math.max(from, room / step);
    else to = Math.min(to, room / step);
  }
  if (from > to) return null;
  const on = (t: number): Point => [p[0] + t * dx, p[1] + t * dy];
  return [on(from), on(to)];
}
