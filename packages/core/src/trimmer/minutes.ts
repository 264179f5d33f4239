import type { SessionEvent } from './session.ts';

/** A pause longer than this was a pause, in milliseconds. */
const PAUSE = 10 * 60_000;

/** How long somebody was at it, in minutes: between presses, without the pauses. At least 1. */
export function countMinutes(events: readonly Pick<SessionEvent, 'at'>[]): number {
  const times = events.map((e) => Date.parse(e.at)).sort((a, b) => a - b);
  const gaps = times.slice(1).map((t, i) => t - times[i]!);
  const spent = gaps.filter((gap) => gap <= PAUSE).reduce((sum, gap) => sum + gap, 0);
  return Math.max(1, Math.round(spent / 60_000));
}
