import type { z } from 'zod';
import type { Exact, LengthProblem, Mark, Ticks, Unit } from '../length/index.ts';
import type { Edge, Point, Rect, Shape, Size } from '../geometry/index.ts';
import type { Blank } from './blanks.ts';
import type { Field, FieldList, FieldPath } from './fields.ts';
import type { Grammar, ParsedValues, UnclearValue } from '../line/index.ts';
import type { Equation, Given, Sum } from './sums.ts';

/** What an item lies in: its size, and on which of its edges two pages of a spread meet. */
export interface Room extends Size {
  readonly seams: ReadonlyArray<'left' | 'right'>;
}

/** What a recipe needs to know beside its own input. */
export interface LayoutContext {
  /** The unit in which bare numbers are read. */
  readonly unit: Unit;
  readonly mark: Mark;
  readonly room: Room;
}

/** Something a recipe cannot accept, or asks for. Data: the sentences live in the words package. */
export type RecipeProblem =
  | { code: 'field'; path: FieldPath; problem: LengthProblem }
  | { code: 'missing'; paths: readonly FieldPath[] }
  | { code: 'disagree'; paths: readonly FieldPath[]; by: Ticks }
  | { code: 'size-not-positive'; path: FieldPath; size: Ticks }
  /** What only this recipe knows: one of its `reasons`, with the lengths that the sentence needs. */
  | { code: 'own'; why: string; path: FieldPath; lengths: readonly Ticks[]; edges?: readonly Edge[] };

/** The nearest thing that works: put this value in that field. */
export type Offer =
  { readonly path: FieldPath; readonly length: Ticks } | { readonly path: FieldPath; readonly count: number };

/** Advice with its reason; never a block. */
export type Suggestion =
  | {
      code: 'uneven-reveals';
      group: FieldPath;
      across: Ticks;
      upDown: Ticks;
      even: ReadonlyArray<Size & { reveal: Ticks }>;
    }
  | { code: 'off-mark'; path: FieldPath; size: Ticks; nearest: Ticks }
  /** An even number where an odd one often looks better; those next to it that fit too. */
  | { code: 'even-count'; path: FieldPath; count: number; odd: readonly number[] }
  /** The length that holds whole repeats from end to end. */
  | { code: 'whole-repeats'; offer: Offer }
  /** What rounding to the mark left over, and which field took it. */
  | { code: 'remainder'; by: Ticks; to: FieldPath }
  /** What only this recipe knows: one of its `advice`, with the lengths and numbers that the sentence needs. */
  | { code: 'own'; why: string; path: FieldPath; lengths: readonly Ticks[] };

/** One layer as it lies, in the item's own coordinates: origin lower left, x right, y up, in ticks. */
export interface Layer {
  /** Stays the same while other layers come and go. */
  readonly key: string;
  readonly role: string;
  /** Which one of its role it is, from 1. */
  readonly n: number;
  readonly box: Rect;
  /** Null where it is the whole of its box. */
  readonly shape: Shape | null;
  /** By how many degrees it lies turned, counter-clockwise; then its shape says how. */
  readonly turned?: number;
  /** The other face of its paper is what one sees. */
  readonly back?: true;
  /** What is written on it, a letter or a number. */
  readonly says?: string;
  /** It comes to lie where it does by how it is made, folded over or put on the rest: nothing is pencilled for it. */
  readonly along?: true;
  /** Not seen through. */
  readonly opaque: boolean;
  /** What it is made of: a blank cut from paper, or a print that is there already. */
  readonly blank: string | null;
  /** The group of fields that say how large it is. */
  readonly group: FieldPath;
  /** The fields that hold its size; null where it has none of its own. */
  readonly sized: { readonly width: FieldPath; readonly height: FieldPath } | null;
  /** Where in a list of the input it stands, if it does: then it can be taken out or moved alone. */
  readonly entry: { readonly list: FieldPath; readonly id: string } | null;
}

/** A room for other items on a layer, in the item's own coordinates. */
export interface Slot {
  readonly key: string;
  readonly role: string;
  readonly n: number;
  readonly box: Rect;
}

/** Where on the drawing a field is typed. */
export type Dim =
  /** Along a line between two points, drawn beside the item. */
  | { readonly kind: 'span'; readonly path: FieldPath; readonly from: Point; readonly to: Point; readonly side: Edge }
  /** In a narrow place, with a leader out of the drawing. */
  | { readonly kind: 'leader'; readonly path: FieldPath; readonly at: Point }
  /** A length that was worked out, shown where it lies; it is typed elsewhere. */
  | { readonly kind: 'answer'; readonly path: FieldPath; readonly at: Point; readonly length: Ticks }
  /** Two lengths in the middle of what they measure. */
  | { readonly kind: 'inside'; readonly paths: readonly [FieldPath, FieldPath]; readonly box: Rect };

/** Something else that follows, with a name of its own in the recipe's words. */
export interface Fact {
  readonly name: string;
  /** The group of fields that it is about; left out: all. */
  readonly of?: FieldPath;
  readonly lengths: readonly Ticks[];
}

/** An outline at true size, with holes to prick through it. */
export interface TracedOutline {
  readonly role: string;
  readonly n: number;
  readonly shape: Shape;
  readonly holes: readonly Point[];
}

/** What a recipe gives once it is solved. */
export interface LaidOut {
  readonly size: Size;
  /** Bottom to top. */
  readonly layers: readonly Layer[];
  readonly blanks: readonly Blank[];
  readonly slots: readonly Slot[];
  readonly dims: readonly Dim[];
  /** Outlines to trace or prick by a template, where those of the blanks are not all. */
  readonly traced?: readonly TracedOutline[];
  readonly facts: readonly Fact[];
}

export type RecipeSolution =
  | {
      status: 'solved';
      laid: LaidOut;
      /** Every length of the arithmetic, given or computed, and counts, by key of the field. */
      values: ReadonlyMap<string, Exact>;
      /** The sum of every computed field, by key of the field. */
      sums: ReadonlyMap<string, Sum>;
      suggestions: readonly Suggestion[];
    }
  | {
      status: 'refused';
      problems: readonly RecipeProblem[];
      offers: readonly Offer[];
      /** What can be shown all the same, so that it can be found and mended. It has no blanks. */
      instead: LaidOut | null;
    };

/** What was understood of a line. */
export type LineReading<Input> =
  | { ok: true; input: Input }
  | {
      ok: false;
      problem: UnclearValue | { code: 'phrase-unreadable' | 'folded-or-flat'; text: string };
    };

/** The lines of arithmetic of an input and what is given in it. */
export interface Arithmetic {
  readonly equations: readonly Equation[];
  readonly givens: readonly Given[];
  readonly problems: readonly RecipeProblem[];
}

/** An outline as it was read from a file: corners in ticks from its lower left, and what is cut out of it. */
export interface ReadOutline {
  readonly name: string;
  readonly outline: [x: number, y: number][];
  readonly holes: [x: number, y: number][][];
}

/** What is done to the layers of a construction by hand, on the drawing. Each gives null where it changes nothing. */
export interface RecipeHand<Input = never> {
  /** A layer is pressed: it becomes the next of what it can be. */
  press(input: Input, table: LayoutContext, layer: string): Input | null;
  /** Dragged from one layer to another: what lies between becomes one, of this id. */
  span(input: Input, table: LayoutContext, from: string, to: string, id: string): Input | null;
  /** One that was made of several is taken apart. */
  apart(input: Input, table: LayoutContext, layer: string): Input | null;
}

/**
 * A construction: one folder, one entry in the registry. Screens, server, command line, drawing and help iterate over these
 * and know none by name. Methods take an input that `input` has accepted; none of them throws.
 */
export interface Recipe<Id extends string = string, Input = never> {
  readonly id: Id;
  readonly version: number;
  readonly input: z.ZodType<Input>;
  /** Steps from each earlier version of the input to the next, oldest first. */
  readonly migrations: ReadonlyArray<{ readonly name: string; readonly step: (input: unknown) => unknown }>;
  /** What its layers, blanks and slots are: each has words. */
  readonly roles: readonly string[];
  /** Why it may refuse, beside what all share: each has words. */
  readonly reasons: readonly string[];
  /** What it may advise, beside what all share: each has words. */
  readonly advice: readonly string[];
  /** Lines that it understands, by example; each is a test. */
  readonly phrases: readonly string[];
  /** What it puts beneath everything on a new page, if it is for that. */
  readonly beneath: Input | null;
  /** What a newcomer sees first: it fits the room and looks good. */
  start(table: LayoutContext, newId: () => string): Input;
  /** In the order in which one would measure them. */
  fields(input: Input): readonly Field[];
  lists(input: Input): readonly FieldList[];
  /** A new entry for a list, outermost or last. */
  entry(input: Input, list: FieldPath, table: LayoutContext, id: string): { readonly id: string };
  /** Puts a value where it belongs, with what hangs on it; undefined empties the field. */
  put(input: Input, path: FieldPath, value: unknown): Input;
  /**
   * Which given fields are worked out anew when this one is typed and that is too much, first to go first: `own` says the same
   * thing otherwise; only where that does not help, and nothing can be taken more loosely, one of the `others` goes.
   */
  givesWay(
    input: Input,
    path: FieldPath,
  ): { readonly own: readonly FieldPath[]; readonly others: readonly FieldPath[] };
  /** Which computed fields stay as they are, and so become given, when this one is emptied, first choice first. */
  standsStill(input: Input, path: FieldPath): readonly FieldPath[];
  /** What may be taken more loosely where typing this is too much and nothing gives way; null: nothing. */
  loosened(input: Input, path: FieldPath): Input | null;
  /** Where layers can be pressed and dragged over. */
  readonly hand: RecipeHand<Input> | null;
  /** An outline of one's own, in ticks from its lower left, taken in; null where it has no use for one. */
  readonly takesOutline: ((input: Input, outline: ReadOutline, table: LayoutContext) => Input) | null;
  arithmetic(input: Input, table: LayoutContext): Arithmetic;
  solve(input: Input, table: LayoutContext): RecipeSolution;
  /** What it knows of a line. */
  readonly grammar: Grammar;
  /** The input that was said; what was left out is asked for. Null where what was said is not enough to be about it. */
  read(heard: ParsedValues, table: LayoutContext, newId: () => string): Input | null;
  /** Fields and values with which a blank comes from a paper of this size; empty where nothing would help. */
  toComeFrom(input: Input, table: LayoutContext, blank: string, paper: Size): readonly Offer[];
  /** What is often made next with what this one gives. */
  onward(
    input: Input,
    table: LayoutContext,
    newId: () => string,
  ): ReadonlyArray<{ readonly recipe: string; readonly input: unknown }>;
}
