import type { z } from 'zod';
import type { LengthProblem, Mark, Rounding, Ticks, Unit } from '../length/index.ts';
import type { Edge, Size } from '../geometry/index.ts';
import type { Sum } from './sums.ts';

/** What a recipe needs to know beside its own input. */
export interface Table {
  /** The unit in which bare numbers are read. */
  readonly unit: Unit;
  readonly mark: Mark;
}

/** Something a recipe cannot accept, or asks for. Data: the sentences live in the words package. */
export type RecipeProblem =
  | { code: 'field'; field: string; problem: LengthProblem }
  | { code: 'missing'; fields: readonly string[] }
  | { code: 'disagree'; fields: readonly string[]; by: Ticks }
  | { code: 'reveal-negative'; layer: string; edges: readonly Edge[]; by: Ticks }
  | { code: 'size-not-positive'; field: string; size: Ticks }
  | { code: 'border-too-wide'; border: Ticks; most: Ticks };

/** The nearest thing that works: put this value in that field. */
export interface Offer {
  readonly field: string;
  readonly value: Ticks;
}

/** Advice with its reason; never a block. */
export type Suggestion =
  | {
      code: 'uneven-reveals';
      layer: string;
      across: Ticks;
      upDown: Ticks;
      even: ReadonlyArray<Size & { reveal: Ticks }>;
    }
  | { code: 'off-mark'; field: string; size: Ticks; nearest: Ticks }
  | { code: 'gave-way'; field: string };

export type Solved<Answer> =
  | {
      status: 'solved';
      answer: Answer;
      /** The sum of every computed field, by field name. */
      sums: Readonly<Record<string, Sum>>;
      suggestions: readonly Suggestion[];
    }
  | { status: 'refused'; problems: readonly RecipeProblem[]; offers: readonly Offer[] };

/** A construction: one folder, one entry in the registry. Screens, server, command line and help iterate over these. */
export interface Recipe<Id extends string, Input, Answer> {
  readonly id: Id;
  readonly version: number;
  readonly input: z.ZodType<Input>;
  /** How a computed size goes to the cutter's mark. */
  readonly rounding: Rounding;
  /** Which given field is computed anew first when too much is given; a measured one never is. */
  giveWay(input: Input): readonly string[];
  solve(input: Input, table: Table): Solved<Answer>;
}
