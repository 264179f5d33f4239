import { roundToMark, ticks } from '../../length/index.ts';
import {
  boundsOf,
  moveContour,
  polygon,
  rect,
  shapeOfOutline,
  type Rect,
  type Shape,
  type Size,
} from '../../geometry/index.ts';
import { seededRandom } from '../../chance/index.ts';
import type { Suggestion, LayoutContext } from '../recipe.ts';
import { JITTER, TILT } from './axes.ts';
import { givenLengthAt } from './counted.ts';
import type { GridInput } from './input.ts';

/*
 * The loose school: each cell tilted a little and shifted a little, as the dice fall; the same dice for the same number, so that a page
 * looks the same tomorrow. Large ones stay level, for what lies on them. Cells are pushed back into the room. Sines force floats: corners
 * are rounded once, to the nearest tick.
 */

interface Loosened {
  readonly cells: ReadonlyArray<{ readonly box: Rect; readonly shape: Shape | null; readonly turned?: number }>;
  readonly large: readonly Rect[];
  /** Of a grid as large as it is: what it comes to. Null: as it was. */
  readonly size: Size | null;
  readonly advice: readonly Suggestion[];
}

export function scatterCells(
  input: GridInput,
  table: LayoutContext,
  cells: readonly Rect[],
  large: readonly Rect[],
): Loosened {
  const { tilt = 0, seed } = input.loose;
  const jitter = givenLengthAt(input, JITTER, table) ?? 0;
  if (tilt === 0 && jitter <= 0)
    return { cells: cells.map((box) => ({ box, shape: null })), large, size: null, advice: [] };
  const random = seededRandom(seed);
  const either = (most: number) => (2 * random() - 1) * most;
  const fallen = cells.map((cell) => {
    const turned = either(tilt);
    const [dx, dy] = [either(jitter), either(jitter)];
    return { turned, shape: turnedAbout(cell, turned, dx, dy) };
  });
  const inRoom = input.spread === 'room';
  const boxes = fallen.map(({ shape }) => boundsOf(shape));
  const all = [...boxes, ...large];
  const [left, bottom] = [Math.min(0, ...all.map((b) => b.x)), Math.min(0, ...all.map((b) => b.y))];
  const placed = fallen.map(({ shape, turned }, i) => {
    const box = boxes[i]!;
    const [dx, dy] = inRoom
      ? [pushed(box.x, box.width, table.room.width), pushed(box.y, box.height, table.room.height)]
      : [-left, -bottom];
    const where = moveContour(shape, dx, dy);
    return { shape: where, box: boundsOf(where), turned };
  });
  const shifted = inRoom ? large : large.map((b) => rect(b.x - left, b.y - bottom, b.width, b.height));
  const ends = [...placed.map(({ box }) => box), ...shifted];
  const size = {
    width: ticks(Math.max(...ends.map((b) => b.x + b.width))),
    height: ticks(Math.max(...ends.map((b) => b.y + b.height))),
  };
  const over = overlapping([
    ...placed.map(({ shape }) => corners(shape)),
    ...shifted.map((b) => corners(rectShape(b))),
  ]);
  const apart = roundToMark(ticks(Math.ceil(reachOf(cells, tilt) + 2 * jitter)), table.mark, 'up');
  return {
    cells: placed,
    large: shifted,
    size: inRoom ? null : size,
    advice: over
      ? [{ code: 'own', why: 'one-over-another', path: tilt ? TILT : JITTER, lengths: [ticks(over), apart] }]
      : [],
  };
}

/** By how much something that reaches out of the room is pushed back; what is larger than the room stays in its middle. */
function pushed(from: number, length: number, room: number): number {
  if (length > room) return Math.round((room - length) / 2) - from;
  return from < 0 ? -from : Math.min(0, room - from - length);
}

/** By how much more room two neighbours ask for than level ones when both are tilted that far. */
function reachOf(cells: readonly Rect[], tilt: number): number {
  const angle = (tilt * Math.PI) / 180;
  return Math.max(
    0,
    ...cells.flatMap(({ width, height }) => [
      width * Math.cos(angle) + height * Math.sin(angle) - width,
      height * Math.cos(angle) + width * Math.sin(angle) - height,
    ]),
  );
}

/** A rectangle turned about its middle, counter-clockwise in degrees, then shifted. */
function turnedAbout({ x, y, width, height }: Rect, degrees: number, dx: number, dy: number): Shape {
  const [sin, cos] = [Math.sin((degrees * Math.PI) / 180), Math.cos((degrees * Math.PI) / 180)];
  const [cx, cy] = [x + width / 2 + dx, y + height / 2 + dy];
  const corner = (px: number, py: number): [number, number] => [cx + px * cos - py * sin, cy + px * sin + py * cos];
  const [a, b] = [width / 2, height / 2];
  return shapeOfOutline(polygon([corner(-a, -b), corner(a, -b), corner(a, b), corner(-a, b)]));
}
const rectShape = (box: Rect): Shape => turnedAbout(box, 0, 0, 0);

type Corners = ReadonlyArray<readonly [number, number]>;
const corners = ({ outline }: Shape): Corners =>
  [outline.start, ...outline.segments.slice(0, -1).map((s) => s.to)].map((p) => [p.x, p.y]);

/** How many pairs lie over one another: convex ones are apart where some edge of theirs has them on two sides. */
function overlapping(all: readonly Corners[]): number {
  const apart = (a: Corners, b: Corners): boolean =>
    a.some(([ax, ay], i) => {
      const [bx, by] = a[(i + 1) % a.length]!;
      return b.every(([px, py]) => (bx - ax) * (py - ay) - (by - ay) * (px - ax) <= 0);
    });
  const bounds = all.map((one) => ({
    left: Math.min(...one.map(([x]) => x)),
    right: Math.max(...one.map(([x]) => x)),
    bottom: Math.min(...one.map(([, y]) => y)),
    top: Math.max(...one.map(([, y]) => y)),
  }));
  const byLeft = [...all.keys()].sort((a, b) => bounds[a]!.left - bounds[b]!.left);
  let pairs = 0;
  byLeft.forEach((i, at) => {
    for (let k = at + 1; k < byLeft.length && bounds[byLeft[k]!]!.left < bounds[i]!.right; k++) {
      const j = byLeft[k]!;
      if (bounds[j]!.top <= bounds[i]!.bottom || bounds[j]!.bottom >= bounds[i]!.top) continue;
      if (!apart(all[i]!, all[j]!) && !apart(all[j]!, all[i]!)) pairs += 1;
    }
  });
  return pairs;
}
