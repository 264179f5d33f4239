import { z } from 'zod';
import { parseLength, type ReadOptions } from './parse.ts';
import type { Ticks, Unit } from './ticks.ts';

/**
 * A length in a document: text as typed (or a bare number). Kept as it was typed, so that each value keeps
 * its unit; the ticks are derived. Checked in millimetres, the most lenient reading; objects that have a unit of their own check
 * theirs in it (`checkLengthsIn`). The issue carries the problem as `params`.
 */
export const lengthText = (options?: ReadOptions) =>
  z.union([z.string(), z.number()]).superRefine((value, context) => {
    const read = parseLength(value, 'mm', options);
    if (!read.ok) context.addIssue({ code: 'custom', message: read.problem.code, params: { problem: read.problem } });
  });
export type LengthText = string | number;

/**
 * Checks lengths of a whole object in its unit, once their parts have been checked: adds an issue for each that does not read
 * there, and gives their ticks.
 */
export function checkLengthsIn(unit: Unit, context: z.RefinementCtx) {
  return (value: LengthText, path: readonly (string | number)[], options?: ReadOptions): Ticks | null => {
    const read = parseLength(value, unit, options);
    if (read.ok) return read.value.ticks;
    addLengthProblem(context, path, read.problem);
    return null;
  };
}

/** An issue that carries a problem as data, for words to be found elsewhere. */
export function addLengthProblem(
  context: z.RefinementCtx,
  path: readonly (string | number)[],
  problem: Readonly<Record<string, unknown>> & { readonly code: string },
): void {
  context.addIssue({ code: 'custom', path: [...path], message: problem.code, params: { problem } });
}
