import type { z } from 'zod';
import type { Finish, Point, Size } from '../../geometry/index.ts';
import type { Turning } from '../../lattice/index.ts';
import type { LengthProblem, Ticks, Unit } from '../../length/index.ts';
import type { jobSchema } from './jobDocument.ts';

/* A job as it is worked with: read, in ticks, every reference resolved. */

export type Side = 'A' | 'B';
export type Turn = 0 | 90 | 180 | 270;
export type Aim = z.infer<typeof jobSchema>['plan']['aim'];
/** All that one setting does, over all sheets; or one sheet finished before the next. */
export type CutOrderKind = NonNullable<z.infer<typeof jobSchema>['plan']['order']>;
export type StockKind = 'sheet' | 'pad' | 'scrap' | 'strip';
export interface Face {
  readonly side: Side;
  readonly direction: 'none' | 'two-way' | 'one-way';
  readonly along: 'width' | 'height';
}
export interface JobPaper {
  readonly id: string;
  readonly name: string;
  readonly faces: readonly Face[];
}
export interface JobStock {
  readonly id: string;
  readonly paper: JobPaper;
  readonly width: Ticks;
  readonly height: Ticks;
  readonly quantity: number;
  readonly kind: StockKind;
  readonly trim: Readonly<Record<'left' | 'right' | 'top' | 'bottom', Ticks>>;
  readonly turned: Turn;
  readonly reserved: boolean;
  /** Corners of an odd scrap, in order round it; null where it is a rectangle. */
  readonly outline: readonly Point[] | null;
  readonly uncut: readonly (readonly [Point, Point])[];
}
export interface Rectangle {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}
export interface Cutter {
  readonly name: string;
  readonly step: Ticks | null;
  /** Infinity where there is no limit. */
  readonly reach: number;
  readonly narrowest: Ticks;
  readonly stack: number;
  /** How much longer than its setting it cuts; below 0: shorter. */
  readonly long: number;
}
export interface JobPiece {
  readonly id: string;
  readonly name: string;
  readonly width: Ticks;
  readonly height: Ticks;
  readonly quantity: number;
  /** Ids of acceptable papers, best first. */
  readonly papers: readonly string[];
  readonly side: Side | 'any';
  readonly direction: 'width' | 'height' | 'any';
  readonly priority: number;
  /** The hidden centre that may be cut out and used. */
  readonly opening: Rectangle | null;
  /** Where it must be cut from: a stock id, and its lower left corner there. */
  readonly from: { readonly stock: string; readonly x: Ticks; readonly y: Ticks } | null;
  /** Where its middle lies hidden: two ends do, one up to `from` and one from `to` on. */
  readonly ends: { readonly along: 'width' | 'height'; readonly from: Ticks; readonly to: Ticks } | null;
  readonly join: {
    readonly along: 'width' | 'height';
    readonly from: Ticks;
    readonly to: Ticks;
    readonly overlap: Ticks;
  } | null;
  readonly least: { readonly width: Ticks; readonly height: Ticks } | null;
  /** What is done to it by hand once it is cut, in order. */
  readonly finish: readonly Finish[];
  /** What it looks like then, by its corners; null: as it was cut. */
  readonly shape: readonly Point[] | null;
  /** Many of its shape may be cut as one block; null: each by itself. */
  readonly nest: { readonly turning: Turning; readonly apart: Ticks } | null;
  /** It is a block, of another piece; null: it is not. */
  readonly block: Block | null;
}
/** Several of one shape, laid close: which piece, how large that is, and where each lies. */
export interface Block {
  readonly of: string;
  readonly each: Size;
  readonly outline: readonly Point[];
  readonly places: ReadonlyArray<{ readonly x: Ticks; readonly y: Ticks; readonly degrees: number }>;
}
/** A job that has been read: everything in ticks, every reference resolved. */
export interface Job {
  readonly name: string;
  readonly unit: Unit;
  readonly version: 1 | 2 | 3;
  readonly cutter: Cutter & {
    readonly kerf: Ticks;
    /** Whether a cut may stop short of the far edge. */
    readonly stop: boolean;
    /** What is taken up where this one cannot, most liked first. */
    readonly then: readonly Cutter[];
  };
  readonly aim: Aim;
  readonly order: CutOrderKind;
  readonly seconds: number;
  readonly nodes: number | null;
  readonly seed: number;
  readonly keep: { readonly shorter: Ticks; readonly longer: Ticks };
  readonly papers: readonly JobPaper[];
  readonly stock: readonly JobStock[];
  readonly pieces: readonly JobPiece[];
  /** By the id of a paper: sizes of pieces that are wanted from it some other time. */
  readonly wants: ReadonlyMap<string, readonly Size[]>;
}

export type JobProblem =
  | LengthProblem
  | { code: 'schema'; message: string }
  | { code: 'unknown-key'; keys: readonly string[] }
  | { code: 'wrong-value'; expected: string }
  | { code: 'left-out' }
  /** Of another kind than `expected`, as a schema calls it: `number`, `string`, `array`. */
  | { code: 'wrong-kind'; expected: string }
  /** A number, or how long a text or list is, as `of` says. */
  | { code: 'too-much' | 'too-little'; of: string; limit: number }
  | { code: 'used-twice'; id: string }
  | { code: 'unknown-paper'; id: string }
  | { code: 'side-twice'; side: Side }
  | { code: 'trim-too-wide' }
  /** Of a scrap in the drawer, narrower than 1/64 in. */
  | { code: 'too-small-for-paper' }
  | { code: 'opening-outside' }
  | { code: 'unknown-stock'; id: string }
  | { code: 'needs-version'; version: 2 | 3 }
  | { code: 'outline-not-at-corner' }
  | { code: 'outline-crosses-itself' }
  | { code: 'outline-size' }
  /** Of a scrap in the drawer. */
  | { code: 'outline-not-its-size' }
  | { code: 'outline-no-area' }
  | { code: 'line-outside' }
  | { code: 'join-outside' }
  | { code: 'ends-outside' }
  | { code: 'least-too-large' }
  /** Of what lies in a block, by its place: it sticks out, or lies over another. */
  | { code: 'block-outside' }
  | { code: 'block-overlap'; other: number }
  | { code: 'nest-without-shape' }
  | { code: 'missing' }
  /** More than can be planned at once: copies of all pieces, or kinds of piece times kinds of stock. */
  | { code: 'too-many-pieces'; count: number; most: number }
  | { code: 'too-much-at-once'; pieces: number; stock: number; most: number };
/** Where in the document, and what. */
export interface JobIssue {
  readonly path: readonly (string | number)[];
  readonly problem: JobProblem;
}
export type ReadJob = { ok: true; job: Job } | { ok: false; issues: readonly JobIssue[] };
