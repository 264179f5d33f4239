import { ticks, type Ticks } from '../length/index.ts';

/** A size in ticks. */
export interface Size {
  readonly width: Ticks;
  readonly height: Ticks;
}

/** A rectangle in ticks: origin lower left, x right, y up. */
export interface Rect extends Size {
  readonly x: Ticks;
  readonly y: Ticks;
}

export type Edge = 'left' | 'right' | 'top' | 'bottom';
export const EDGES: readonly Edge[] = ['left', 'right', 'top', 'bottom'];

/** Whether `size` fits in `room` as it is, or turned by a quarter. */
export function fitsIn(size: Size, room: Size): 'upright' | 'turned' | null {
  if (size.width <= room.width && size.height <= room.height) return 'upright';
  return size.height <= room.width && size.width <= room.height ? 'turned' : null;
}

/** By how much a size is too long for a room each way, laid the better way; nothing where it fits. */
export function shortfall(size: Size, room: Size): Size {
  const over = (w: number, h: number): Size => ({
    width: ticks(Math.max(0, size.width - w)),
    height: ticks(Math.max(0, size.height - h)),
  });
  const [upright, flat] = [over(room.width, room.height), over(room.height, room.width)];
  return flat.width + flat.height < upright.width + upright.height ? flat : upright;
}

export const shiftRect = (box: Rect, by: { readonly x: number; readonly y: number }): Rect =>
  rect(box.x + by.x, box.y + by.y, box.width, box.height);

/** How far a box reaches past each edge of a room that begins at 0, 0; below 0: how far it stays from it. */
export const overhangPastEdges = (box: Rect, room: Size): Readonly<Record<Edge, Ticks>> => ({
  left: ticks(-box.x),
  right: ticks(box.x + box.width - room.width),
  top: ticks(box.y + box.height - room.height),
  bottom: ticks(-box.y),
});

export const turnSize = (size: Size): Size => ({ width: size.height, height: size.width });

export const rect = (x: number, y: number, width: number, height: number): Rect => ({
  x: ticks(x),
  y: ticks(y),
  width: ticks(width),
  height: ticks(height),
});
