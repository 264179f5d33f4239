/** Whether objects and lists lie in each other more than so many levels deep; readers of trees call themselves at each. */
export function isNestedDeeperThan(value: unknown, most: number): boolean {
  let level: unknown[] = [value];
  for (let depth = 0; level.length; depth++) {
    if (depth > most) return true;
    level = level.flatMap((v) => (typeof v === 'object' && v !== null ? Object.values(v) : []));
  }
  return false;
}
