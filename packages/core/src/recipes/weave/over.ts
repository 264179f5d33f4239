import type { WeaveInput } from './input.ts';

/*
 * Which goes over: at each crossing the level strip or the upright one.
 *
 *     plain  o u o u     twill  o o u u     a typed repeat, its first row the top one, again and again both ways
 *            u o u o            u o o u
 */

const TWILL = ['oouu', 'uoou', 'uuoo', 'ouuo'];
const PLAIN = ['ou', 'uo'];

/** The rows of a repeat that was typed. */
export const parseRepeatRows = (text: string): string[] => text.trim().split(/[ ,/]+/);

/** Whether the rows of a repeat are not all as long. */
export const isUneven = (text: string): boolean => new Set(parseRepeatRows(text).map((row) => row.length)).size > 1;

/** Rows from the top, columns from the left: true where the level strip is seen. */
export function listCrossings(
  { pattern, repeat }: Pick<WeaveInput, 'pattern' | 'repeat'>,
  columns: number,
  rows: number,
): boolean[][] {
  const unit =
    pattern === 'plain' ? PLAIN : pattern === 'twill' || repeat === undefined ? TWILL : parseRepeatRows(repeat);
  return Array.from({ length: rows }, (_, r) =>
    Array.from({ length: columns }, (_c, c) => {
      const row = unit[r % unit.length]!;
      return row[c % row.length] === 'o';
    }),
  );
}

/** Strips that are over everywhere, or under: nothing holds them but glue. */
export function countLooseStrips(over: readonly (readonly boolean[])[]): number {
  const same = (line: readonly boolean[]) => line.length > 1 && line.every((one) => one === line[0]);
  const columns = (over[0] ?? []).map((_, c) => over.map((row) => row[c]!));
  return over.filter(same).length + columns.filter(same).length;
}

/** Stretches of a row where the level strip is seen: from column, to column. */
export function listSeenRuns(row: readonly boolean[]): [from: number, to: number][] {
  const runs: [number, number][] = [];
  row.forEach((over, c) => {
    const last = runs.at(-1);
    if (!over) return;
    if (last && last[1] === c - 1) last[1] = c;
    else runs.push([c, c]);
  });
  return runs;
}
