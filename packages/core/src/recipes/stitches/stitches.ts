import { z } from 'zod';
import { exact, lengthText, roundToMark, ticks, type Ticks } from '../../length/index.ts';
import {
  boundsOf,
  circle,
  flattenContour,
  rect,
  rectangle,
  shapeOfOutline,
  type Finish,
  type Point,
  type Shape,
  type Size,
} from '../../geometry/index.ts';
import { countAt, lengthAt, sizeAt } from '../../line/index.ts';
import { countField, fieldKey, lengthField, isSamePath, withValue, type Field, type FieldPath } from '../fields.ts';
import { readGivenLengths } from '../given.ts';
import { makeBlank, makeLayer } from '../laying.ts';
import { PLAIN_RECIPE, findNotPositive, makeRefusal, solveLengths, ownProblem, capLength } from '../plain.ts';
import type { Arithmetic, Dim, Fact, Layer, Recipe, Suggestion, LayoutContext } from '../recipe.ts';
import { makeFigure } from '../shapes/figures.ts';
import { term, type Equation } from '../sums.ts';
import { prickAlongOutline, insetOutline, prickRoundPanel, type PrickedHoles } from './along.ts';

/*
 * Holes to stitch through, evenly spaced with ends alike:
 *
 *      line      o  o  o  o  o      length = 2 × inset + (holes − 1) × spacing
 *      panel     o o o o            a hole in each corner, each side spaced by itself as near as can be to what was wished
 *                o     o
 *      shape     all round a circle, a heart, a star: a hole at every sharp corner, between them evenly
 *
 * Running stitches that begin and end on the same face take an even number of holes along a line.
 */

const ALONG = ['line', 'panel', 'circle', 'heart', 'star', 'hexagon'] as const;
const GROUNDS = ['cut', 'there'] as const;
const STITCHES = ['running', 'back'] as const;
const MAX_HOLES = 600;

const stitchesSchema = z.strictObject({
  along: z.enum(ALONG),
  /** What is stitched: the line's strip, the panel, or the shape; of a shape its width says it. */
  ground: z.strictObject({ width: lengthText().optional(), height: lengthText().optional(), is: z.enum(GROUNDS) }),
  /** From the ends of a line, from the edge of the rest. */
  inset: lengthText({ allow: 'zero' }).optional(),
  spacing: lengthText().optional(),
  /** Of a line; left out: as many as come nearest to the spacing. */
  holes: z.int().min(2).max(MAX_HOLES).optional(),
  /** Left out: pricked with a needle. */
  across: lengthText().optional(),
  stitch: z.enum(STITCHES),
});
export type StitchesInput = z.infer<typeof stitchesSchema>;

const GROUND: FieldPath = ['ground'];
const WIDTH: FieldPath = ['ground', 'width'];
const HEIGHT: FieldPath = ['ground', 'height'];
const INSET: FieldPath = ['inset'];
const SPACING: FieldPath = ['spacing'];
const HOLES: FieldPath = ['holes'];
const ACROSS: FieldPath = ['across'];
const isShape = ({ along }: Pick<StitchesInput, 'along'>): boolean => along !== 'line' && along !== 'panel';

function arithmetic(input: StitchesInput, table: LayoutContext): Arithmetic {
  const { givens, problems, give } = readGivenLengths(table.unit);
  const { along, ground, inset, spacing, holes, across } = input;
  give(WIDTH, ground.width);
  if (!isShape(input)) give(HEIGHT, ground.height);
  give(INSET, inset, 'assumed', 'zero');
  give(SPACING, spacing);
  give(ACROSS, across);
  const asked = [WIDTH, INSET, SPACING, ...(along === 'panel' || along === 'line' ? [HEIGHT] : [])];
  const equations: Equation[] = asked.map((path) => [term(path, 1), term(path, -1)]);
  if (along === 'line' && holes !== undefined)
    equations.push([term(WIDTH, 1), term(INSET, -2), term(SPACING, 1 - holes)]);
  return { equations, givens, problems };
}

/** Holes along a line, round a panel or a shape: how many, how far apart, a template to prick by. */
export const stitches: Recipe<'stitches', StitchesInput> = {
  ...PLAIN_RECIPE,
  id: 'stitches',
  input: stitchesSchema,
  roles: ['ground'],
  reasons: ['no-room', 'too-many-holes', 'hole-too-large'],
  advice: ['ends-unlike'],
  phrases: [
    'stitch holes along a 6 inch line, 1/4 apart, inset 1/4',
    'stitching round a 4 x 6 panel, 1/8 from the edge, holes 1/4 apart',
    '20 stitch holes along 8, inset 1/4',
    'stitch round a circle 3 across, 1/8 from the edge, 3/16 apart',
    'stitch holes round a 100 mm x 150 mm panel, inset 3 mm, 5 mm apart',
    'stitch a heart 3 wide, inset 1/8, 3/16 apart',
  ],

  start: (table) => {
    const { unit, room } = table;
    const inch = unit === 'in';
    const fit = (wished: string, most: number) => capLength(wished, most, table);
    return {
      along: 'panel',
      ground: {
        width: fit(inch ? '4' : '100', room.width * 0.7),
        height: fit(inch ? '6' : '150', room.height * 0.7),
        is: 'cut',
      },
      inset: inch ? '1/8' : '3',
      spacing: inch ? '1/4' : '6',
      stitch: 'running',
    };
  },
  fields: (input): readonly Field[] => {
    const { along, ground, inset, spacing, holes, across, stitch } = input;
    const line = along === 'line';
    // of a line with its holes counted any may be the unknown
    const ifEmpty = line && holes !== undefined ? 'worked-out' : 'refused';
    return [
      { kind: 'choice', path: ['along'], group: GROUND, value: along, options: ALONG },
      lengthField(WIDTH, ground.width, { ifEmpty }),
      ...(isShape(input) ? [] : [lengthField(HEIGHT, ground.height, { ifEmpty: 'refused' })]),
      { kind: 'choice', path: ['ground', 'is'], group: GROUND, value: ground.is, options: GROUNDS },
      lengthField(INSET, inset, { allow: 'zero', ifEmpty, group: SPACING }),
      lengthField(SPACING, spacing, { ifEmpty, group: SPACING }),
      ...(line ? [countField(HOLES, holes, { most: MAX_HOLES, ifEmpty: 'by-rule', group: SPACING })] : []),
      lengthField(ACROSS, across, { ifEmpty: 'by-rule', group: SPACING }),
      { kind: 'choice', path: ['stitch'], group: SPACING, value: stitch, options: STITCHES },
    ];
  },
  put: (input, path, value) => {
    const next = withValue(input, path, value);
    if (isSamePath(path, HOLES) && value === 1) return { ...next, holes: 2 };
    if (!isSamePath(path, ['along'])) return next;
    // what another has no use for goes, what it needs is there
    const { holes: _holes, ...rest } = next;
    const ground = { ...rest.ground, height: rest.ground.height ?? rest.ground.width ?? '1 in' };
    return { ...(value === 'line' ? next : rest), ground, inset: next.inset ?? '0', spacing: next.spacing ?? '1/4 in' };
  },
  givesWay: (_input, path) => {
    if (isSamePath(path, SPACING)) return { own: [INSET, WIDTH], others: [] };
    if (isSamePath(path, INSET)) return { own: [SPACING], others: [WIDTH] };
    return { own: [SPACING], others: [INSET] };
  },
  standsStill: (input, path) => {
    if (input.along !== 'line') return [];
    if (isSamePath(path, SPACING)) return [INSET, WIDTH];
    return isSamePath(path, INSET) ? [SPACING, WIDTH] : [SPACING, INSET];
  },
  arithmetic,

  solve: (input, table) => {
    const { solution, problems, near, exactly } = solveLengths(arithmetic(input, table));
    if (problems.length) return makeRefusal(problems);
    const sized = [
      WIDTH,
      SPACING,
      ...(isShape(input) ? [] : [HEIGHT]),
      ...(input.across === undefined ? [] : [ACROSS]),
    ];
    const none = findNotPositive(sized, near);
    if (none.length) return makeRefusal(none);
    if (near(INSET) < 0) return makeRefusal([{ code: 'size-not-positive', path: INSET, size: near(INSET) }]);
    const [width, inset, spacing] = [near(WIDTH), near(INSET), near(SPACING)];
    const across = input.across === undefined ? ticks(0) : near(ACROSS);
    const ground = groundOf(input, width, near(HEIGHT));
    if (across >= spacing) return makeRefusal([ownProblem('hole-too-large', ACROSS, across, spacing)]);
    const box = boundsOf(ground);
    const least = Math.min(box.width, input.along === 'line' ? box.width : box.height);
    if (2 * inset >= least)
      return makeRefusal(
        [ownProblem('no-room', INSET, inset, least)],
        inset > 0 && least > 2 * table.mark.step
          ? [{ path: INSET, length: roundToMark(ticks(Math.floor(least / 4)), table.mark, 'down') }]
          : [],
      );
    if ((2 * (box.width + box.height)) / spacing > MAX_HOLES)
      return makeRefusal([
        ownProblem('too-many-holes', SPACING, Math.ceil((2 * (box.width + box.height)) / spacing), MAX_HOLES),
      ]);
    const pricked = prick(input, ground, {
      inset,
      spacing,
      exactSpacing: Number(exactly(SPACING).n) / Number(exactly(SPACING).d),
    });
    if (!pricked) return makeRefusal([ownProblem('no-room', INSET, inset, least)]);
    const radius = Math.max(across / 2, Math.min(spacing / 6, least / 80));
    const marked: Shape = {
      outline: ground.outline,
      holes: pricked.at.map((p) => circle(p.x, p.y, Math.max(1, Math.round(radius)))),
    };
    const is = input.ground.is === 'cut' ? 'ground' : null;
    const layers: Layer[] = [
      makeLayer({
        key: 'ground',
        role: 'ground',
        n: 1,
        box,
        shape: marked,
        group: GROUND,
        blank: is,
        sized: isShape(input) ? null : { width: WIDTH, height: HEIGHT },
      }),
    ];
    const finish: Finish[] = [
      ...(isShape(input) ? [{ do: 'outline', as: input.along === 'circle' ? 'circle' : 'shape' } as const] : []),
      { do: 'holes', at: pricked.at, across },
    ];
    const n = pricked.at.length;
    const values = new Map(solution.values);
    if (input.along === 'line') values.set(fieldKey(HOLES), exact(n));
    const unlike = input.along === 'line' && input.stitch === 'running' && n % 2 === 1;
    const suggestions: Suggestion[] = unlike
      ? [{ code: 'own', why: 'ends-unlike', path: HOLES, lengths: [ticks(n), ticks(n + 1)] }]
      : [];
    const facts: Fact[] = [
      { name: 'holes', lengths: [ticks(n)] },
      { name: input.along === 'panel' ? 'sides' : 'even', lengths: pricked.spacings.map((s) => ticks(Math.round(s))) },
      { name: input.stitch, lengths: [ticks(Math.round(pricked.length)), ticks(n)] },
    ];
    return {
      status: 'solved',
      laid: {
        size: { width: box.width, height: box.height },
        layers,
        blanks: is
          ? [
              makeBlank(
                { key: 'ground', role: 'ground', n: 1, shape: isShape(input) ? ground : null, finish },
                box,
                table.mark,
                isShape(input) ? 'up' : 'nearest',
              ),
            ]
          : [],
        slots: [],
        dims: dimsOf(input, box, pricked.at, inset),
        facts,
        traced: [{ role: 'ground', n: 1, shape: ground, holes: pricked.at }],
      },
      values,
      sums: solution.sums,
      suggestions,
    };
  },

  grammar: {
    heads: ['stitch', 'stitching', 'sewing', 'sew', 'pricking', 'prick'],
    places: {
      holes: { kind: 'count', words: ['hole'], most: MAX_HOLES },
      panel: { kind: 'size', words: ['panel', 'round', 'around', 'mat', 'card', 'edge', 'border'], alone: true },
      line: { kind: 'length', words: ['line', 'along', 'long', 'across', 'wide'], alone: true },
      inset: { kind: 'length', words: ['inset', 'from', 'margin', 'edge'], alone: true },
      spacing: { kind: 'length', words: ['apart', 'spacing', 'every', 'spaced', 'between'], alone: true },
      hole: { kind: 'length', words: ['hole', 'needle'], alone: true },
      ground: { kind: 'size', words: ['on', 'onto'], alone: true },
    },
    flags: {
      circle: ['circle', 'round'],
      heart: ['heart'],
      star: ['star'],
      hexagon: ['hexagon'],
      back: ['backstitch', 'back'],
      there: ['there'],
    },
    usual: ['panel', 'line', 'inset'],
    idle: ['end', 'even', 'evenly', 'running', 'machine', 'hand', 'prick', 'photo'],
  },
  read: (heard, table) => {
    const inch = table.unit === 'in';
    const said = (place: string) => lengthAt(heard, place);
    const panel = sizeAt(heard, 'panel');
    const shape = (['circle', 'heart', 'star', 'hexagon'] as const).find((one) => heard.flags.has(one) && !panel);
    const width = panel?.width ?? said('line');
    if (width === undefined) return null;
    const n = countAt(heard, 'holes');
    const along = panel ? 'panel' : (shape ?? 'line');
    const counted = along === 'line' && n !== undefined && n >= 2;
    const spacing = said('spacing');
    const across = said('hole');
    return {
      along,
      ground: {
        width,
        ...(shape ? {} : { height: panel?.height ?? (inch ? '1/2' : '12') }),
        // a line is pricked in what is there already
        is: heard.flags.has('there') || along === 'line' ? 'there' : 'cut',
      },
      // `round a 4 x 6 panel, 1/8 from the edge`
      inset: said('inset') ?? (panel ? said('line') : undefined) ?? (inch ? '1/8' : '3'),
      ...(counted && spacing === undefined ? {} : { spacing: spacing ?? (inch ? '1/4' : '6') }),
      ...(counted && spacing === undefined ? { holes: n } : {}),
      ...(across === undefined ? {} : { across }),
      stitch: heard.flags.has('back') ? 'back' : 'running',
    };
  },
};

/** The outline of what is stitched; of a shape its width says all of it. */
function groundOf({ along }: StitchesInput, width: Ticks, height: Ticks): Shape {
  if (along === 'line' || along === 'panel') return rectangle(rect(0, 0, width, height));
  if (along === 'circle') {
    const radius = Math.floor(width / 2);
    return shapeOfOutline(circle(radius, radius, radius));
  }
  const measured = {
    width,
    height: width,
    across: width,
    flats: width,
    side: width / Math.sqrt(3),
    corners: (2 * width) / Math.sqrt(3),
  };
  const shapes = {
    size: {},
    pointing: 'points-up',
    points: 5,
    gap: '0',
    all: {},
    lie: 'straight',
    edges: 'free',
    papers: 1,
  } as const;
  return makeFigure({ ...shapes, figure: along }, measured);
}

/** Where the holes are; null where the inset leaves nothing to go along. */
function prick(
  input: StitchesInput,
  ground: Shape,
  { inset, spacing, exactSpacing }: { readonly inset: Ticks; readonly spacing: Ticks; readonly exactSpacing: number },
): PrickedHoles | null {
  const { width, height } = boundsOf(ground);
  if (input.along === 'line') {
    const long = width - 2 * inset;
    const y = Math.floor(height / 2);
    const counted = input.holes;
    const most = Math.max(1, Math.round(long / spacing));
    // running stitches end as they begin where the number of stitches is odd
    const stitchesIn =
      counted !== undefined
        ? counted - 1
        : input.stitch === 'running' && most % 2 === 0
          ? nearestOdd(long / spacing)
          : most;
    const each = counted !== undefined ? exactSpacing : long / stitchesIn;
    const at = Array.from({ length: stitchesIn + 1 }, (_, i): Point => ({
      x: ticks(Math.round(inset + i * each)),
      y: ticks(y),
    }));
    return { at, spacings: [each], length: stitchesIn * each };
  }
  if (input.along === 'panel') return prickRoundPanel(width, height, inset, spacing);
  return prickAlongOutline(insetOutline(flattenContour(ground.outline, 12), inset), spacing);
}
const nearestOdd = (n: number): number => Math.max(1, 2 * Math.round((n - 1) / 2) + 1);

function dimsOf(input: StitchesInput, { width, height }: Size, at: readonly Point[], inset: number): Dim[] {
  const on = (x: number, y: number): Point => ({ x: ticks(Math.round(x)), y: ticks(Math.round(y)) });
  const right = at.reduce((a, b) => (b.x > a.x || (b.x === a.x && b.y > a.y) ? b : a));
  const near =
    [...at].sort((a, b) => Math.hypot(a.x - right.x, a.y - right.y) - Math.hypot(b.x - right.x, b.y - right.y))[1] ??
    right;
  const dims: (Dim | false)[] = [
    { kind: 'span', path: WIDTH, from: on(0, height), to: on(width, height), side: 'top' },
    !isShape(input) && { kind: 'span', path: HEIGHT, from: on(0, 0), to: on(0, height), side: 'left' },
    { kind: 'leader', path: INSET, at: on(width - inset / 2, right.y) },
    { kind: 'leader', path: SPACING, at: on((right.x + near.x) / 2, (right.y + near.y) / 2) },
  ];
  return dims.filter((dim): dim is Dim => Boolean(dim));
}
