/**
 * The exact unit of length. 24 384 ticks make an inch and 960 a millimetre, so that 1/64 in, 1/48 in,
 * 1/3 in and 1/960 mm are all whole numbers and 1 in = 25.4 mm holds exactly.
 */
declare const tickBrand: unique symbol;
export type Ticks = number & { readonly [tickBrand]: true };

export type Unit = 'in' | 'mm';

export const TICKS_PER_UNIT: Readonly<Record<Unit, number>> = { in: 24384, mm: 960 };

/** Mints ticks from a whole number of them. Throws RangeError for anything that is not a safe integer. */
export function ticks(count: number): Ticks {
  if (!Number.isSafeInteger(count)) throw new RangeError(`${count} is not a whole number of ticks`);
  return (count === 0 ? 0 : count) as Ticks;
}

/** A number of inches as ticks, rounded once to the nearest tick. For constants and tests. */
export const inches = (amount: number): Ticks => ticks(Math.round(amount * TICKS_PER_UNIT.in));

/** A number of millimetres as ticks, rounded once to the nearest tick. For constants and tests. */
export const millimetres = (amount: number): Ticks => ticks(Math.round(amount * TICKS_PER_UNIT.mm));

/** Ticks as a plain number in a unit; a float, for drawing and for writing files, never for deciding. */
export const inUnit = (length: Ticks | number, unit: Unit): number => length / TICKS_PER_UNIT[unit];

export const ZERO = ticks(0);
