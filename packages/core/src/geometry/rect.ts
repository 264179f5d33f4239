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

/** Area in square ticks: a double, exact below 2^53. */
export const areaOf = (size: Size): number => size.width * size.height;

/** Whether `inner` lies in `outer`, edges included. */
export const contains = (outer: Rect, inner: Rect): boolean =>
  inner.x >= outer.x &&
  inner.y >= outer.y &&
  inner.x + inner.width <= outer.x + outer.width &&
  inner.y + inner.height <= outer.y + outer.height;

/** Whether `size` fits in `room` as it is, or turned by a quarter. */
export function fitsIn(size: Size, room: Size): 'upright' | 'turned' | null {
  if (size.width <= room.width && size.height <= room.height) return 'upright';
  return size.height <= room.width && size.width <= room.height ? 'turned' : null;
}

export const turned = (size: Size): Size => ({ width: size.height, height: size.width });

export const rect = (x: number, y: number, width: number, height: number): Rect => ({
  x: ticks(x),
  y: ticks(y),
  width: ticks(width),
  height: ticks(height),
});
