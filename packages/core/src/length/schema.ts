import { z } from 'zod';
import { parseLength, type ReadOptions } from './parse.ts';

/**
 * A length in a document: text as typed (or a bare number). Kept as it was typed, so that each value keeps
 * its unit; the ticks are derived. Checked in millimetres, the most lenient reading; what is too large in inches shows
 * when it is read. The issue carries the problem as `params`.
 */
export const lengthText = (options?: ReadOptions) =>
  z.union([z.string(), z.number()]).superRefine((value, context) => {
    const read = parseLength(value, 'mm', options);
    if (!read.ok) context.addIssue({ code: 'custom', message: read.problem.code, params: { problem: read.problem } });
  });
export type LengthText = string | number;
