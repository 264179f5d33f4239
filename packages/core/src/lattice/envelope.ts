import type { Ring } from './outline.ts';

/*
 * How far apart two outlines must lie, one above the other, so that they do not overlap: as far as the upper rim of the one sticks out
 * against the lower rim of the other.
 *
 *      ____         lower rim of the upper one
 *     /    \
 *     \    / ____   upper rim of the lower one
 *      ‾‾‾‾ /    \
 *           \    /
 *            ‾‾‾‾
 *
 * For outlines that bulge nowhere inward this is exact; others are kept further apart than they would have to be, never nearer.
 */

/** A rim: at each place along it how high it is, seen from the left and from the right of it; straight lines between. */
export interface Rim {
  readonly x: Float64Array;
  readonly before: Float64Array;
  readonly after: Float64Array;
}

/** The upper (or lower) rim of an outline over its width. */
export function rimOf(ring: Ring, upper: boolean): Rim {
  const places = [...new Set(ring.map(([x]) => x))].sort((a, b) => a - b);
  const most = upper ? Math.max : Math.min;
  const none = upper ? -Infinity : Infinity;
  const at = places.map(() => [none, none] as [number, number]);
  const index = new Map(places.map((x, i) => [x, i]));
  ring.forEach(([ax, ay], k) => {
    const [bx, by] = ring[(k + 1) % ring.length]!;
    if (ax === bx) return;
    const [lx, ly, rx, ry] = ax < bx ? [ax, ay, bx, by] : [bx, by, ax, ay];
    for (let i = index.get(lx)!; i <= index.get(rx)!; i++) {
      const y = ly + ((ry - ly) * (places[i]! - lx)) / (rx - lx);
      const place = at[i]!;
      if (places[i]! > lx) place[0] = most(place[0], y);
      if (places[i]! < rx) place[1] = most(place[1], y);
    }
  });
  return {
    x: Float64Array.from(places),
    before: Float64Array.from(at, ([before]) => before),
    after: Float64Array.from(at, ([, after]) => after),
  };
}

/** By how much the second rim must be raised so that, moved across by so much, it lies nowhere below the first; −Infinity where they do not meet. */
export function liftOver(upper: Rim, lower: Rim, across: number): number {
  const [n, m] = [upper.x.length, lower.x.length];
  const [from, to] = [Math.max(upper.x[0]!, lower.x[0]! + across), Math.min(upper.x[n - 1]!, lower.x[m - 1]! + across)];
  // what only touches at its sides may lie at any height
  if (to - from <= TOUCH) return -Infinity;
  let most = -Infinity;
  for (let i = 0; i < n; i++) {
    const x = upper.x[i]!;
    if (x < from || x > to) continue;
    if (x > from) most = Math.max(most, upper.before[i]! - heightAt(lower, x - across, true));
    if (x < to) most = Math.max(most, upper.after[i]! - heightAt(lower, x - across, false));
  }
  for (let i = 0; i < m; i++) {
    const x = lower.x[i]! + across;
    if (x < from || x > to) continue;
    if (x > from) most = Math.max(most, heightAt(upper, x, true) - lower.before[i]!);
    if (x < to) most = Math.max(most, heightAt(upper, x, false) - lower.after[i]!);
  }
  return most;
}
/** Ticks: what overlaps less than that across only touches. */
const TOUCH = 0.5;

function heightAt({ x, before, after }: Rim, at: number, fromLeft: boolean): number {
  let [low, high] = [0, x.length - 1];
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (x[middle]! < at || (x[middle]! === at && !fromLeft)) low = middle;
    else high = middle;
  }
  if (at <= x[low]! && low === 0 && fromLeft) return after[0]!;
  if (at >= x[high]! && !fromLeft) return before[high]!;
  const span = x[high]! - x[low]!;
  return after[low]! + ((before[high]! - after[low]!) * (at - x[low]!)) / span;
}
