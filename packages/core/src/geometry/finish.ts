import type { Ticks } from '../length/index.ts';
import type { Point } from './polygon.ts';
import type { Edge, Rect } from './rect.ts';

/*
 * The trimmer cuts rectangles from edge to edge. What is no rectangle is cut as a blank and finished by hand:
 *
 *     blank            finished
 *    +-----+           +-----+
 *    |     |           |     |
 *    |     |     >     |  ^  |   a notch: pencil half the width, cut from both corners to the mark
 *    |     |           | / \ |
 *    +-----+           +-   -+
 */

/** What is done to a blank by hand once it is cut. Coordinates are the blank's own: origin lower left, in ticks. */
export type Finish =
  /** A fishtail into one edge, as deep as said, its tip `at` so far along the edge. */
  | { readonly do: 'notch'; readonly edge: Edge; readonly depth: Ticks; readonly at: Ticks }
  /** Both corners of an edge off, to a tip `at` so far along it. */
  | { readonly do: 'point'; readonly edge: Edge; readonly depth: Ticks; readonly at: Ticks }
  /** An edge cut aslant: so much shorter on the side named. */
  | { readonly do: 'slant'; readonly edge: Edge; readonly depth: Ticks; readonly shorter: Edge }
  /** Corners rounded or cut off. */
  | { readonly do: 'corners'; readonly how: 'round' | 'straight'; readonly by: Ticks; readonly count: number }
  /** Cut along its shape, by a template or freehand; of a block, as often as it holds it. */
  | { readonly do: 'outline'; readonly as: 'circle' | 'oval' | 'shape'; readonly times?: number }
  /** A cut that stays inside the piece. */
  | { readonly do: 'slit'; readonly from: Point; readonly to: Point }
  /** Scored and folded along a line. */
  | { readonly do: 'fold'; readonly from: Point; readonly to: Point }
  /** Round holes, for a brad, a ribbon or a needle; `across` 0: pricked. */
  | { readonly do: 'holes'; readonly at: readonly Point[]; readonly across: Ticks }
  /** An edge run through a punch, so many whole repeats. */
  | { readonly do: 'punch'; readonly edge: Edge; readonly depth: Ticks; readonly repeats: number }
  /** Glued on, it reaches past the page at one end, and is trimmed flush with it. */
  | { readonly do: 'flush'; readonly edge: Edge }
  /** Cut too long on purpose and trimmed flush: with what it is glued to, or with the rest once the page is finished. */
  | {
      readonly do: 'trim';
      readonly when: 'glued' | 'finished';
      readonly left: Ticks;
      readonly right: Ticks;
      readonly top: Ticks;
      readonly bottom: Ticks;
    }
  /** A window cut out; what falls out is used only where the blank yields it. */
  | { readonly do: 'window'; readonly box: Rect };

/** A line to pencil or fold on a blank, from the same two edges: its left and its lower one. */
export interface PencilMark {
  readonly kind: 'pencil' | 'fold';
  readonly from: Point;
  readonly to: Point;
}

/** How many of one outline may be laid close together: how each may be turned, and how far apart they are at least. */
export interface Nesting {
  readonly turning: 'any' | 'half' | 'none';
  readonly apart: Ticks;
}
