import type { Compiled } from '../compile.ts';
import { worthKeeping } from '../tree.ts';
import { COLUMN, ROW, type Layout } from './layout.ts';

/*
 * Where there is room beside a node both ways, one of two cuts comes first:
 *
 *     +------+-----+          +------------+
 *     |  b   |     |          |     b      |
 *     +------+  a  |    or    +------+-----+
 *     | node |     |          | node |  a  |
 *     +------+-----+          +------+-----+
 *        upright first           level first
 */

/** A length as a setting: up to the next mark where pieces or kerf are between marks. */
export const roundUp = (length: number, c: Compiled): number =>
  c.aligned ? length : Math.ceil(length / c.step) * c.step;

/** Whether the upright cut leaves the better offcuts. The node measures width × height in a room larger both ways. */
export function uprightIsBetter(
  layout: Layout,
  n: number,
  roomW: number,
  roomH: number,
  width: number,
  height: number,
): boolean {
  const { c, kind } = layout;
  const { kerf } = c;
  const { keep } = c.job;
  // a run cut free along its own way is a setting; where that takes all the room, only the cut across is left
  if (kind[n] === ROW && roundUp(width, c) >= roomW) return false;
  if (kind[n] === COLUMN && roundUp(height, c) >= roomH) return true;
  const a = roomW - width - kerf;
  const b = roomH - height - kerf;
  const worth = (w: number, h: number) => (w > 0 && h > 0 && worthKeeping(w, h, keep) ? w * h : 0);
  const level1 = worth(roomW, b);
  const level2 = worth(a, height);
  const upright1 = worth(a, roomH);
  const upright2 = worth(width, b);
  const better = level1 + level2 - upright1 - upright2 || Math.max(level1, level2) - Math.max(upright1, upright2);
  return better < 0;
}
