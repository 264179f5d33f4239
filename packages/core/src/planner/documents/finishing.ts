import { z } from 'zod';
import { flattenContour, type Contour, type Edge, type Finish, type Point } from '../../geometry/index.ts';
import { formatExactLength, lengthText, ticks, type LengthText, type Ticks, type Unit } from '../../length/index.ts';

/* What is done to a piece by hand once it is cut, as a job says it. The planner hands it through and cuts the blank. */

const margin = lengthText({ allow: 'zero' });
const corner = z.tuple([margin, margin]);
const edge = z.enum(['left', 'right', 'top', 'bottom']);

/** Coordinates are the piece's own: origin lower left, as seen from its face. */
export const finishSchema = z.discriminatedUnion('do', [
  z.strictObject({ do: z.literal('notch'), edge, depth: margin, at: margin }),
  z.strictObject({ do: z.literal('point'), edge, depth: margin, at: margin }),
  z.strictObject({ do: z.literal('slant'), edge, depth: margin, shorter: edge }),
  z.strictObject({
    do: z.literal('corners'),
    how: z.enum(['round', 'straight']),
    by: margin,
    count: z.int().min(1).max(4),
  }),
  z.strictObject({
    do: z.literal('outline'),
    /** Version 3: `shape`, by a template, and how often. */
    as: z.enum(['circle', 'oval', 'shape']),
    times: z.int().min(1).max(10_000).optional(),
  }),
  z.strictObject({ do: z.literal('slit'), from: corner, to: corner }),
  z.strictObject({ do: z.literal('flush'), edge }),
  z.strictObject({ do: z.literal('fold'), from: corner, to: corner }),
  z.strictObject({ do: z.literal('holes'), at: z.array(corner).min(1).max(2000), across: margin }),
  z.strictObject({ do: z.literal('punch'), edge, depth: margin, repeats: z.int().min(1).max(1000) }),
  z.strictObject({
    do: z.literal('trim'),
    when: z.enum(['glued', 'finished']),
    left: margin,
    right: margin,
    top: margin,
    bottom: margin,
  }),
  z.strictObject({ do: z.literal('window'), x: margin, y: margin, width: margin, height: margin }),
]);
/** The corners of a finished piece in order round it; arcs as chords. */
export const shapeSchema = z.array(corner).min(3).max(500);
export type FinishDocument = z.infer<typeof finishSchema>;
type Corner = [LengthText, LengthText];

/** Chords stray from arcs by at most so many ticks: a hundredth of a millimetre. */
const CHORD = 10;

/** A way of finishing as a document says it. */
export function formatFinish(finish: Finish, unit: Unit): FinishDocument {
  const text = (t: Ticks): string => formatExactLength(t, unit);
  switch (finish.do) {
    case 'notch':
    case 'point':
      return { ...finish, depth: text(finish.depth), at: text(finish.at) };
    case 'slant':
    case 'punch':
      return { ...finish, depth: text(finish.depth) };
    case 'outline':
    case 'flush':
      return { ...finish };
    case 'corners':
      return { ...finish, by: text(finish.by) };
    case 'slit':
    case 'fold':
      return { do: finish.do, from: formatCorner(finish.from, unit), to: formatCorner(finish.to, unit) };
    case 'holes':
      return { do: 'holes', at: finish.at.map((p) => formatCorner(p, unit)), across: text(finish.across) };
    case 'trim': {
      const { left, right, top, bottom } = finish;
      return { ...finish, left: text(left), right: text(right), top: text(top), bottom: text(bottom) };
    }
    case 'window': {
      const { x, y, width, height } = finish.box;
      return { do: 'window', x: text(x), y: text(y), width: text(width), height: text(height) };
    }
  }
}

const formatCorner = ({ x, y }: Point, unit: Unit): Corner => [formatExactLength(x, unit), formatExactLength(y, unit)];

export const formatShape = (outline: Contour, unit: Unit): Corner[] =>
  flattenContour(outline, CHORD).map(([x, y]) =>
    formatCorner({ x: ticks(Math.round(x)), y: ticks(Math.round(y)) }, unit),
  );

/** Reads it back; `length` reads one length of it and knows where in the document that stands. */
export function readFinish(
  said: FinishDocument,
  length: (value: LengthText, ...field: (string | number)[]) => Ticks,
): Finish {
  const at = (p: readonly [LengthText, LengthText], field: string): Point => ({
    x: length(p[0], field, 0),
    y: length(p[1], field, 1),
  });
  switch (said.do) {
    case 'notch':
    case 'point':
      return { ...said, depth: length(said.depth, 'depth'), at: length(said.at, 'at') };
    case 'slant':
      return { ...said, shorter: said.shorter as Edge, depth: length(said.depth, 'depth') };
    case 'punch':
      return { ...said, depth: length(said.depth, 'depth') };
    case 'flush':
      return said;
    case 'outline':
      return { do: 'outline', as: said.as, ...(said.times === undefined ? {} : { times: said.times }) };
    case 'corners':
      return { ...said, by: length(said.by, 'by') };
    case 'slit':
    case 'fold':
      return { do: said.do, from: at(said.from, 'from'), to: at(said.to, 'to') };
    case 'holes':
      return {
        do: 'holes',
        at: said.at.map((p, i) => ({ x: length(p[0], 'at', i, 0), y: length(p[1], 'at', i, 1) })),
        across: length(said.across, 'across'),
      };
    case 'trim':
      return {
        do: 'trim',
        when: said.when,
        left: length(said.left, 'left'),
        right: length(said.right, 'right'),
        top: length(said.top, 'top'),
        bottom: length(said.bottom, 'bottom'),
      };
    case 'window':
      return {
        do: 'window',
        box: {
          x: length(said.x, 'x'),
          y: length(said.y, 'y'),
          width: length(said.width, 'width'),
          height: length(said.height, 'height'),
        },
      };
  }
}
