/** How many that are cut off at one edge can be made of what others lose at the edge across from it; shares of one, from 0 to 1. */
export function countServedBy(here: readonly number[], there: readonly number[]): number {
  // what is seen of one, and of what the other lost: the least that does
  const seen = [...here].sort((a, b) => b - a);
  const lost = there.map((share) => 1 - share).sort((a, b) => b - a);
  let served = 0;
  for (const share of seen) if (lost[served] !== undefined && share <= lost[served]! + 1e-6) served += 1;
  return served;
}
