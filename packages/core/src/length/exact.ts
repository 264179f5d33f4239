import { ticks, type Ticks } from './ticks.ts';

/**
 * A length that may not come out in whole ticks: n / d ticks in lowest terms, d > 0. Divisions stay here
 * until their one named rounding.
 */
export interface Exact {
  readonly n: bigint;
  readonly d: bigint;
}

export type Rounding = 'down' | 'up' | 'nearest';

function gcd(a: bigint, b: bigint): bigint {
  while (b !== 0n) [a, b] = [b, a % b];
  return a < 0n ? -a : a;
}

/** n / d in lowest terms. Throws RangeError when d is 0. */
export function exact(n: bigint | number, d: bigint | number = 1): Exact {
  let top = BigInt(n);
  let bottom = BigInt(d);
  if (bottom === 0n) throw new RangeError('division by zero');
  if (bottom < 0n) [top, bottom] = [-top, -bottom];
  const common = gcd(top, bottom);
  return common > 1n ? { n: top / common, d: bottom / common } : { n: top, d: bottom };
}

export const addExact = (a: Exact, b: Exact): Exact =>
  a.d === 1n && b.d === 1n ? { n: a.n + b.n, d: 1n } : exact(a.n * b.d + b.n * a.d, a.d * b.d);
export const scaleExact = (a: Exact, n: bigint | number, d: bigint | number = 1): Exact =>
  a.d === 1n && d === 1 ? { n: a.n * BigInt(n), d: 1n } : exact(a.n * BigInt(n), a.d * BigInt(d));
export const isZero = (a: Exact): boolean => a.n === 0n;
export const isWhole = (a: Exact): boolean => a.d === 1n;

/** Whole multiples of `step` (in ticks) nearest to, below or above `a`. Halves go up. */
export function roundExact(a: Exact, rounding: Rounding, step: number = 1): Ticks {
  const size = BigInt(step) * a.d;
  const floor = a.n >= 0n ? a.n / size : -((-a.n + size - 1n) / size);
  const rest = a.n - floor * size;
  const up = rounding === 'up' ? rest > 0n : rounding === 'nearest' ? rest * 2n >= size : false;
  return ticks(Number(floor + (up ? 1n : 0n)) * step);
}
