import type { CompiledJob } from '../blanks/compile.ts';
import { areaOf } from '../blanks/outline.ts';
import { PricedSheet } from './pricedSheet.ts';

/** What a blank can give at the most, in area. Of an odd scrap only its paper counts, of a pinned sheet not what is pinned. */
export function maxAreaFrom(c: CompiledJob, s: number): number {
  const { frame, item } = c.blanks[s]!;
  const room = c.roomWidth[s]! * c.roomHeight[s]!;
  if (frame < 0) return room;
  const pinned = c.frames[frame]!.pins.reduce((sum, k) => sum + c.area[k]!, 0);
  return Math.min(room, areaOf(item)) - pinned;
}

/** More points than this, along one edge, make the look at first cuts too long for a bound. */
const MAX_POINTS = 48;

/** The most area of a blank that pieces of a group can take, whatever the cuts: by all first cuts, were there enough of each piece. */
export function maxCoverableArea(c: CompiledJob, pieces: readonly number[], s: number): number {
  const room = maxAreaFrom(c, s);
  if (c.job.cutter.stop || c.blanks[s]!.frame >= 0) return room;
  const sheet = new PricedSheet(c, s);
  if (sheet.points > MAX_POINTS) return room;
  const prices = new Float64Array(c.pieceCount);
  for (const k of pieces) prices[k] = c.area[k]!;
  return Math.min(room, sheet.worthAtMost(prices));
}
