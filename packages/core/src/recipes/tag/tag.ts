import { z } from 'zod';
import { exact, lengthOf, lengthText, roundToMark, ticks, type Ticks } from '../../length/index.ts';
import {
  circle,
  moveContour,
  polygon,
  type Contour,
  type Finish,
  type Point,
  type Segment,
  type Shape,
} from '../../geometry/index.ts';
import { lengthAt, sizeAt } from '../../line/index.ts';
import { fieldKey, lengthField, type Field, type FieldPath } from '../fields.ts';
import { readGivenLengths } from '../given.ts';
import { makeBlank, makeLayer } from '../laying.ts';
import { PLAIN_RECIPE, findNotPositive, makeRefusal, solveLengths, ownProblem, capLength } from '../plain.ts';
import type { Arithmetic, Dim, Fact, Layer, Recipe, LayoutContext } from '../recipe.ts';
import {
  SEVERAL_PLACES,
  SEVERAL_REASONS,
  laySeveral,
  severalEquations,
  severalFields,
  severalKeys,
  readSeveral,
} from '../several.ts';
import { term } from '../sums.ts';

/*
 * A tag: its upper corners cropped or rounded, a hole under the middle of its upper edge.
 *
 *       ____
 *      / o  \     crop: along both edges, a quarter of the width unless it is said
 *     |      |    hole: so far from the upper edge to its middle
 *     +------+
 */

const TOPS = ['cropped', 'round', 'straight'] as const;
const HOLES = ['hole', 'none'] as const;

const tagSchema = z.strictObject({
  tag: z.strictObject({ width: lengthText().optional(), height: lengthText().optional() }),
  top: z.enum(TOPS),
  crop: lengthText().optional(),
  hole: z.strictObject({
    as: z.enum(HOLES),
    across: lengthText().optional(),
    /** From the upper edge to its middle. */
    below: lengthText().optional(),
  }),
  ...severalKeys,
});
export type TagInput = z.infer<typeof tagSchema>;

const TAG: FieldPath = ['tag'];
const WIDTH: FieldPath = ['tag', 'width'];
const HEIGHT: FieldPath = ['tag', 'height'];
const CROP: FieldPath = ['crop'];
const ACROSS: FieldPath = ['hole', 'across'];
const BELOW: FieldPath = ['hole', 'below'];

function arithmetic(input: TagInput, table: LayoutContext): Arithmetic {
  const read = readGivenLengths(table.unit);
  const { tag: own, top, crop, hole } = input;
  read.give(WIDTH, own.width);
  read.give(HEIGHT, own.height);
  if (top !== 'straight') read.give(CROP, crop);
  if (hole.as === 'hole') {
    read.give(ACROSS, hole.across);
    read.give(BELOW, hole.below);
  }
  const equations = [WIDTH, HEIGHT].map((path) => [term(path, 1), term(path, -1)]);
  return { equations: [...equations, ...severalEquations(input, read)], givens: read.givens, problems: read.problems };
}

/** Tags: how their corners are cropped, where the hole goes, how many lie on a page. */
export const tag: Recipe<'tag', TagInput> = {
  ...PLAIN_RECIPE,
  id: 'tag',
  input: tagSchema,
  roles: ['tag'],
  reasons: [...SEVERAL_REASONS, 'crop-too-large', 'hole-outside'],
  phrases: [
    'tag 2 x 4',
    'three tags 2 x 3 1/2, gap 1/4, crop 1/2',
    'tag 2 1/2 x 5 with a hole 1/4 across, 5/8 below',
    '4 round tags 40 mm x 80 mm, gap 5 mm',
    'five tags 1 1/2 x 3 without a hole',
  ],

  start: (table) => {
    const { unit, room } = table;
    const inch = unit === 'in';
    const fit = (wished: string, most: number) => capLength(wished, most, table);
    return {
      tag: { width: fit(inch ? '2' : '50', room.width * 0.3), height: fit(inch ? '4' : '100', room.height * 0.6) },
      top: 'cropped',
      hole: { as: 'hole' },
      number: room.width < lengthOf('4', 'in') ? 1 : 3,
      gap: inch ? '1/8' : '3',
    };
  },
  fields: (input): readonly Field[] => {
    const { tag: own, top, crop, hole } = input;
    return [
      lengthField(WIDTH, own.width, { ifEmpty: 'refused' }),
      lengthField(HEIGHT, own.height, { ifEmpty: 'refused' }),
      { kind: 'choice', path: ['top'], group: TAG, value: top, options: TOPS },
      ...(top === 'straight' ? [] : [lengthField(CROP, crop, { ifEmpty: 'by-rule', group: TAG })]),
      { kind: 'choice', path: ['hole', 'as'], group: ['hole'], value: hole.as, options: HOLES },
      ...(hole.as === 'none'
        ? []
        : [
            lengthField(ACROSS, hole.across, { ifEmpty: 'by-rule' }),
            lengthField(BELOW, hole.below, { ifEmpty: 'by-rule' }),
          ]),
      ...severalFields(input),
    ];
  },
  givesWay: () => ({ own: [], others: [] }),
  standsStill: () => [],
  arithmetic,

  solve: (input, table) => {
    const { solution, problems, near } = solveLengths(arithmetic(input, table));
    if (problems.length) return makeRefusal(problems);
    const none = findNotPositive([WIDTH, HEIGHT], near);
    if (none.length) return makeRefusal(none);
    const [width, height] = [near(WIDTH), near(HEIGHT)];
    const { top, hole, number } = input;
    const values = new Map(solution.values);
    const crop = top === 'straight' ? 0 : input.crop === undefined ? usualCrop(width, height, table) : near(CROP);
    if (2 * crop >= width || crop >= height)
      return makeRefusal(
        [ownProblem('crop-too-large', CROP, crop, width)],
        [{ path: CROP, length: usualCrop(width, height, table) }],
      );
    if (top !== 'straight') values.set(fieldKey(CROP), exact(crop));
    const across = hole.as === 'none' ? 0 : hole.across === undefined ? usualHole(width, table) : near(ACROSS);
    const below =
      hole.as === 'none'
        ? 0
        : hole.below === undefined
          ? ticks(Math.max(across, Math.round(crop || across * 2)))
          : near(BELOW);
    if (hole.as === 'hole') {
      if (
        below < across / 2 ||
        below + across / 2 > height ||
        across >= width - (below < crop ? 2 * (crop - below) : 0)
      )
        return makeRefusal([ownProblem('hole-outside', BELOW, across, below)]);
      values.set(fieldKey(ACROSS), exact(across)).set(fieldKey(BELOW), exact(below));
    }
    const laid = laySeveral(input, { width, height }, solution, table);
    if (!laid.ok) return makeRefusal(laid.problems, laid.offers);
    const middle: Point = { x: ticks(Math.floor(width / 2)), y: ticks(height - below) };
    const shape: Shape = {
      outline: outlineOf(width, height, ticks(crop), top),
      holes: across ? [circle(middle.x, middle.y, Math.floor(across / 2))] : [],
    };
    const plain = top === 'straight' && !across;
    const finish: Finish[] = [
      ...(crop
        ? [{ do: 'corners', how: top === 'round' ? 'round' : 'straight', by: ticks(crop), count: 2 } as const]
        : []),
      ...(across ? [{ do: 'holes', at: [middle], across: ticks(across) } as const] : []),
    ];
    const layers = laid.at.map(({ x, y }, i): Layer => {
      const lies = moveContour(shape, x, y);
      const box = { x, y, width, height };
      return makeLayer({
        key: `tag-${i + 1}`,
        role: 'tag',
        n: i + 1,
        box,
        shape: plain ? null : lies,
        blank: 'tag',
        group: TAG,
      });
    });
    const facts: Fact[] = [
      ...(crop
        ? [{ name: top === 'round' ? 'rounded' : 'cropped', lengths: [ticks(crop), ticks(width - 2 * crop)] }]
        : []),
      ...(across ? [{ name: 'hole', lengths: [middle.x, ticks(below)] }] : []),
    ];
    return {
      status: 'solved',
      laid: {
        size: laid.size,
        layers,
        blanks: [
          makeBlank(
            { key: 'tag', role: 'tag', n: 1, quantity: number, shape: plain ? null : shape, finish },
            { width, height },
            table.mark,
            'nearest',
          ),
        ],
        slots: [],
        dims: dimsOf(laid.at, width, height, crop, across ? below : 0, laid.gap),
        facts,
      },
      values,
      sums: new Map(),
      suggestions: [],
    };
  },

  grammar: {
    heads: ['tag', 'label'],
    places: {
      ...SEVERAL_PLACES,
      tag: { kind: 'size', words: ['tag', 'label'] },
      width: { kind: 'length', words: ['wide', 'width'], alone: true },
      height: { kind: 'length', words: ['tall', 'long', 'high', 'length'], alone: true },
      crop: { kind: 'length', words: ['crop', 'corner', 'cropped', 'clip', 'clipped', 'snip', 'snipped'], alone: true },
      across: { kind: 'length', words: ['across', 'hole', 'eyelet'], alone: true },
      below: { kind: 'length', words: ['below', 'down', 'top'] },
    },
    flags: { round: ['round', 'rounded'], straight: ['square', 'straight'], bare: ['without', 'no'] },
    usual: ['tag', 'width', 'height'],
    idle: ['gift', 'journaling', 'ribbon', 'edge'],
  },
  read: (heard, table) => {
    const said = (place: string) => lengthAt(heard, place);
    const size = sizeAt(heard, 'tag');
    const [width, height] = [size?.width ?? said('width'), size?.height ?? said('height')];
    if (width === undefined || height === undefined) return null;
    const [crop, across, below] = [said('crop'), said('across'), said('below')];
    return {
      tag: { width, height },
      top: heard.flags.has('straight') ? 'straight' : heard.flags.has('round') ? 'round' : 'cropped',
      ...(crop === undefined ? {} : { crop }),
      hole: {
        as: heard.flags.has('bare') ? 'none' : 'hole',
        ...(across === undefined ? {} : { across }),
        ...(below === undefined ? {} : { below }),
      },
      ...readSeveral(heard, table),
    };
  },
};

/** A quarter of the width, to the mark, where it is not too low for that. */
const usualCrop = (width: Ticks, height: Ticks, { mark }: LayoutContext): Ticks =>
  ticks(Math.max(1, roundToMark(ticks(Math.floor(Math.min(width / 4, height / 3))), mark, 'down')));
/** Three sixteenths of an inch (5 mm), less on a narrow tag. */
const usualHole = (width: Ticks, { unit }: LayoutContext): Ticks =>
  ticks(Math.min(lengthOf(unit === 'in' ? '3/16' : '5', unit), Math.max(2, Math.floor(width / 5))));

function outlineOf(width: Ticks, height: Ticks, crop: Ticks, top: TagInput['top']): Contour {
  if (top !== 'round' || crop === 0)
    return polygon(
      crop
        ? [
            [0, 0],
            [width, 0],
            [width, height - crop],
            [width - crop, height],
            [crop, height],
            [0, height - crop],
          ]
        : [
            [0, 0],
            [width, 0],
            [width, height],
            [0, height],
          ],
    );
  const at = (x: number, y: number): Point => ({ x: ticks(x), y: ticks(y) });
  const arc = (to: Point, x: number): Segment => ({ to, centre: at(x, height - crop), turn: 'left' });
  return {
    start: at(0, 0),
    segments: [
      { to: at(width, 0) },
      { to: at(width, height - crop) },
      arc(at(width - crop, height), width - crop),
      { to: at(crop, height) },
      arc(at(0, height - crop), crop),
      { to: at(0, 0) },
    ],
  };
}

function dimsOf(at: readonly Point[], width: Ticks, height: Ticks, crop: number, below: number, gap: Ticks): Dim[] {
  const on = (x: number, y: number): Point => ({ x: ticks(Math.round(x)), y: ticks(Math.round(y)) });
  const { x, y } = at[0]!;
  const inFirst = at.filter((p) => p.y === y);
  const last = inFirst.at(-1)!;
  const dims: (Dim | false)[] = [
    { kind: 'span', path: WIDTH, from: on(x, y + height), to: on(x + width, y + height), side: 'top' },
    { kind: 'span', path: HEIGHT, from: on(x, y), to: on(x, y + height), side: 'left' },
    crop > 0 && { kind: 'leader', path: CROP, at: on(last.x + width - crop / 2, y + height - crop / 2) },
    below > 0 && { kind: 'leader', path: BELOW, at: on(last.x + width / 2, y + height - below) },
    inFirst.length > 1 && gap > 0 && { kind: 'leader', path: ['gap'], at: on(last.x - gap / 2, y + height / 2) },
  ];
  return dims.filter((dim): dim is Dim => Boolean(dim));
}
