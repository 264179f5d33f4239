/** Half a tick: numbers in a plan are ticks divided by a constant, so this only absorbs floating point. */
export const NEAR = 0.5;
export const near = (a: number, b: number): boolean => Math.abs(a - b) <= NEAR;
/** The check stands apart from what it checks, so it has its own ticks to the unit. */
export const TICKS = { in: 24384, mm: 960 } as const;

export interface Box {
  x: number;
  y: number;
  width: number;
  height: number;
}
