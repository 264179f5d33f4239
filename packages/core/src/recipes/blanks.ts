import type { Finish, Nesting, PencilMark, Rect, Shape, Size } from '../geometry/index.ts';

/** What the trimmer cuts for an item. */
export interface Blank extends Size {
  /** Stays the same while other blanks come and go; a wish for paper hangs on it. */
  readonly key: string;
  readonly role: string;
  readonly n: number;
  readonly quantity: number;
  /** It comes from the same paper as this other blank, wherever that is chosen. */
  readonly paperFrom?: string;
  /** How many layers all of them make, where that is not one each: what one loses at an edge serves at another. */
  readonly makes?: number;
  /** Many of them are laid close together, as their outlines go, and cut out by hand. */
  readonly nests?: Nesting;
  /** Exact size less cut size, where the exact one is not on a mark. */
  readonly off: Size;
  /** What it looks like when it is finished, in its own coordinates; null: as it was cut. */
  readonly shape: Shape | null;
  readonly marks: readonly PencilMark[];
  readonly finish: readonly Finish[];
  /** What a window sets free for other pieces. */
  readonly yields: readonly Rect[];
}
