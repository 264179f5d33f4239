import { Injectable, type PipeTransform } from '@nestjs/common';
import type { z } from 'zod';
import { issueFromZod, isNestedDeeperThan } from '@temnex/core/planner';
import { TERMINAL, describeIssue, formatPath } from '@temnex/words';
import { RequestRefusal } from './requestRefusal.ts';

/** Objects and lists in each other: a tree of cuts has two of them for every cut. */
const DEEPEST = 400;

/** Zod at the door: `@Body(checked(schema))`. A refusal names the field. */
@Injectable()
class Checked<T> implements PipeTransform<unknown, T> {
  constructor(
    private readonly schema: z.ZodType<T>,
    private readonly prepare: (value: unknown) => unknown,
  ) {}

  transform(value: unknown): T {
    if (isNestedDeeperThan(value, DEEPEST))
      throw new RequestRefusal('bad-input', `It is nested more than ${DEEPEST} levels deep.`);
    const parsed = this.schema.safeParse(this.prepare(value));
    if (parsed.success) return parsed.data;
    const issue = issueFromZod(parsed.error.issues[0]!);
    throw new RequestRefusal('bad-input', describeIssue(issue, TERMINAL), { field: formatPath(issue.path) });
  }
}

export const validated = <T>(
  schema: z.ZodType<T>,
  prepare: (value: unknown) => unknown = (value) => value,
): Checked<T> => new Checked(schema, prepare);
