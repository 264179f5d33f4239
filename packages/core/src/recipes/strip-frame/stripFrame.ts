import { z } from 'zod';
import { formatExactLength, lengthOf, lengthText, roundToMark, ticks, type Ticks } from '../../length/index.ts';
import {
  EDGES,
  polygon,
  rect,
  shapeOfOutline,
  type Edge,
  type Finish,
  type Rect,
  type Shape,
  type Size,
} from '../../geometry/index.ts';
import { lengthAt, sizeAt } from '../../line/index.ts';
import { lengthField, type Field, type FieldPath } from '../fields.ts';
import { readGivenLengths } from '../given.ts';
import { makeBlank, makeLayer, outerDimsOf, makePrint } from '../laying.ts';
import { sizeFields, sizeKeys } from '../nested.ts';
import { PLAIN_RECIPE, findNotPositive, makeRefusal, solveLengths } from '../plain.ts';
import type { Blank } from '../blanks.ts';
import type { Arithmetic, Fact, Layer, Recipe, LayoutContext } from '../recipe.ts';
import { term, type Equation } from '../sums.ts';

/*
 * Four strips round a photo. How the corners are made says how long they are:
 *
 *      open: as long as the photo      closed: two run over the ends     butted: each runs over one end    mitred: both ends aslant
 *        +-----+                        +---------+                       +-------+-+                       +---------+
 *      +-+-----+-+                      +-+-----+-+                       +-+-----+ |                       |\-------/|
 *      | |photo| |                      | |photo| |                       | |photo| |                       | |photo| |
 *      +-+-----+-+                      +-+-----+-+                       | +-----+-+                       |/-------\|
 *        +-----+                        +---------+                       +-+-------+                       +---------+
 */

const CORNERS = ['closed', 'open', 'butted', 'mitred'] as const;
const SITS = ['outside', 'over'] as const;

const stripFrameSchema = z.strictObject({
  photo: z.strictObject({ ...sizeKeys, known: z.enum(['measured', 'assumed']) }),
  strip: z.strictObject({
    width: lengthText().optional(),
    /** How long the strips are that one has. */
    stock: lengthText(),
  }),
  corners: z.enum(CORNERS),
  /** Beside the photo, or on it along its edges. */
  sits: z.enum(SITS),
  /** Outside of the frame. */
  outer: z.strictObject(sizeKeys),
});
export type StripFrameInput = z.infer<typeof stripFrameSchema>;

const [PHOTO, STRIP, OUTER]: readonly FieldPath[] = [['photo'], ['strip'], ['outer']];
const WIDTH: FieldPath = ['strip', 'width'];
const STOCK: FieldPath = ['strip', 'stock'];
const AXES = ['width', 'height'] as const;
const along = (group: FieldPath, axis: (typeof AXES)[number]): FieldPath => [...group, axis];

function arithmetic(input: StripFrameInput, table: LayoutContext): Arithmetic {
  const { givens, problems, give } = readGivenLengths(table.unit);
  const { photo, strip, outer } = input;
  for (const axis of AXES) {
    give(along(PHOTO!, axis), photo[axis], photo.known);
    give(along(OUTER!, axis), outer[axis]);
  }
  give(WIDTH, strip.width);
  give(STOCK, strip.stock);
  const equations = AXES.map((axis): Equation => [
    term(along(OUTER!, axis), 1),
    term(along(PHOTO!, axis), -1),
    ...(input.sits === 'outside' ? [term(WIDTH, -2)] : []),
  ]);
  return { equations, givens, problems };
}

/** Where the strip of an edge lies, round a photo of that size in its place. */
function edgesOf({ corners, sits }: StripFrameInput, photo: Rect, w: number): Record<Edge, Rect> {
  const out = sits === 'outside' ? w : 0;
  const [x, y] = [photo.x - out, photo.y - out];
  const [width, height] = [photo.width + 2 * out, photo.height + 2 * out];
  // how far each strip reaches at its lower or left, and at its upper or right end
  const ends: Record<Edge, readonly [number, number]> =
    corners === 'open'
      ? { top: [w, w], bottom: [w, w], left: [w, w], right: [w, w] }
      : corners === 'closed'
        ? { top: [0, 0], bottom: [0, 0], left: [w, w], right: [w, w] }
        : corners === 'butted'
          ? { top: [0, w], right: [w, 0], bottom: [w, 0], left: [0, w] }
          : { top: [0, 0], bottom: [0, 0], left: [0, 0], right: [0, 0] };
  const level = (edge: Edge, at: number) => rect(x + ends[edge][0], at, width - ends[edge][0] - ends[edge][1], w);
  const upright = (edge: Edge, at: number) => rect(at, y + ends[edge][0], w, height - ends[edge][0] - ends[edge][1]);
  return {
    bottom: level('bottom', y),
    top: level('top', y + height - w),
    left: upright('left', x),
    right: upright('right', x + width - w),
  };
}

/** The outline of a mitred strip; its outer edge is the long one. */
function mitred(edge: Edge, { x, y, width, height }: Rect): Shape {
  const [r, t] = [x + width, y + height];
  switch (edge) {
    case 'bottom':
      return shapeOfOutline(
        polygon([
          [x, y],
          [r, y],
          [r - height, t],
          [x + height, t],
        ]),
      );
    case 'top':
      return shapeOfOutline(
        polygon([
          [x + height, y],
          [r - height, y],
          [r, t],
          [x, t],
        ]),
      );
    case 'left':
      return shapeOfOutline(
        polygon([
          [x, y],
          [r, y + width],
          [r, t - width],
          [x, t],
        ]),
      );
    case 'right':
      return shapeOfOutline(
        polygon([
          [x, y + width],
          [r, y],
          [r, t],
          [x, t - width],
        ]),
      );
  }
}

/** How few strips of a length give these lengths, and how they are shared out: the fullest first. Of four, all ways are tried. */
export function assignToStrips(lengths: readonly number[], stock: number): number[][] | null {
  if (lengths.some((l) => l > stock)) return null;
  let best: number[][] | null = null;
  const waste = (bins: number[][]) => Math.max(...bins.map((bin) => stock - bin.reduce((a, b) => a + b, 0)));
  const place = (i: number, bins: number[][]): void => {
    if (best && bins.length > best.length) return;
    if (i === lengths.length) {
      // of as few strips, the way that leaves the longest piece
      if (!best || bins.length < best.length || waste(bins) > waste(best)) best = bins.map((bin) => [...bin]);
      return;
    }
    bins.forEach((bin) => {
      if (bin.reduce((a, b) => a + b, 0) + lengths[i]! > stock) return;
      bin.push(lengths[i]!);
      place(i + 1, bins);
      bin.pop();
    });
    bins.push([lengths[i]!]);
    place(i + 1, bins);
    bins.pop();
  };
  place(0, []);
  return best;
}

/** Strips round a photo: how long each is cut, how many edges come from one strip, how many strips it takes. */
export const stripFrame: Recipe<'strip-frame', StripFrameInput> = {
  ...PLAIN_RECIPE,
  id: 'strip-frame',
  input: stripFrameSchema,
  roles: ['top', 'bottom', 'left', 'right', 'print'],
  reasons: ['strip-too-short', 'strip-too-wide'],
  phrases: [
    'frame of 1/2 x 12 strips round 3 1/2 x 5',
    'strip frame 1/2 wide round 3 1/2 x 5, open corners',
    'frame of 3/8 strips round 4 x 6, mitred',
    'strip frame 12 mm round 100 mm x 150 mm butted',
  ],

  start: (table) => {
    const { unit, room, mark } = table;
    const text = (t: number) => formatExactLength(ticks(t), unit);
    const small = Math.min(room.width, room.height) < lengthOf('4', 'in');
    const w = lengthOf(unit === 'in' ? (small ? '1/8' : '1/2') : small ? '3' : '12', unit);
    const fit = (wanted: string, most: number) =>
      Math.min(lengthOf(wanted, unit), roundToMark(ticks(Math.floor(most - 2 * w)), mark, 'down'));
    return {
      photo: {
        width: text(fit(unit === 'in' ? '3 1/2' : '90', room.width * 0.7)),
        height: text(fit(unit === 'in' ? '5' : '130', room.height * 0.8)),
        known: 'assumed',
      },
      strip: { width: text(w), stock: unit === 'in' ? '12' : '305' },
      corners: 'closed',
      sits: 'outside',
      outer: {},
    };
  },
  fields: ({ photo, strip, corners, sits, outer }): readonly Field[] => [
    ...sizeFields(PHOTO!, photo, ['photo', 'known']),
    lengthField(WIDTH, strip.width),
    lengthField(STOCK, strip.stock, { ifEmpty: 'refused' }),
    { kind: 'choice', path: ['corners'], group: ['frame'], value: corners, options: CORNERS },
    { kind: 'choice', path: ['sits'], group: ['frame'], value: sits, options: SITS },
    ...sizeFields(OUTER!, outer),
  ],
  givesWay: (_input, path) => {
    const axis = AXES.find((a) => a === path.at(-1));
    if (path[0] === 'strip') return { own: AXES.map((a) => along(OUTER!, a)), others: [] };
    const other = along(path[0] === 'photo' ? OUTER! : PHOTO!, axis!);
    return { own: path[0] === 'photo' ? [other] : [WIDTH, other], others: [WIDTH] };
  },
  standsStill: (_input, path) => {
    const axis = AXES.find((a) => a === path.at(-1));
    if (path[0] === 'strip') return [along(OUTER!, 'width')];
    return axis ? [along(path[0] === 'photo' ? OUTER! : PHOTO!, axis)] : [];
  },
  arithmetic,

  solve: (input, table) => {
    const { solution, problems, near } = solveLengths(arithmetic(input, table));
    if (problems.length) return makeRefusal(problems);
    const none = findNotPositive([...AXES.flatMap((a) => [along(PHOTO!, a), along(OUTER!, a)]), WIDTH, STOCK], near);
    if (none.length) return makeRefusal(none);
    const [w, stock] = [near(WIDTH), near(STOCK)];
    const size: Size = { width: near(along(OUTER!, 'width')), height: near(along(OUTER!, 'height')) };
    const out = input.sits === 'outside' ? w : 0;
    const photo = rect(out, out, near(along(PHOTO!, 'width')), near(along(PHOTO!, 'height')));
    const boxes = edgesOf(input, photo, w);
    const lengthOfEdge = (edge: Edge) => (edge === 'left' || edge === 'right' ? boxes[edge].height : boxes[edge].width);
    const least = Math.min(...EDGES.map(lengthOfEdge));
    if (least <= (input.corners === 'mitred' ? 2 * w : 0))
      return makeRefusal([{ code: 'own', why: 'strip-too-wide', path: WIDTH, lengths: [w] }]);
    const cut = Object.fromEntries(
      EDGES.map((edge) => [edge, makeBlank({ key: edge, role: edge, n: 1 }, boxes[edge], table.mark, 'nearest')]),
    ) as Record<Edge, Blank>;
    const lengths = EDGES.map((edge) => Math.max(cut[edge].width, cut[edge].height));
    const shared = assignToStrips(lengths, stock);
    const longest = Math.max(...lengths);
    if (!shared)
      return makeRefusal(
        [{ code: 'own', why: 'strip-too-short', path: STOCK, lengths: [stock, ticks(longest)] }],
        [{ path: STOCK, length: ticks(longest) }],
      );
    const shapeOf = (edge: Edge) => (input.corners === 'mitred' ? mitred(edge, boxes[edge]) : null);
    const order = ['left', 'right', 'bottom', 'top'] as const;
    const strips: Layer[] = order.map((edge) =>
      makeLayer({ key: edge, role: edge, n: 1, box: boxes[edge], shape: shapeOf(edge), group: STRIP!, sized: null }),
    );
    const print = makePrint(photo, PHOTO!);
    return {
      status: 'solved',
      laid: {
        size,
        layers: input.sits === 'outside' ? [...strips, print] : [print, ...strips],
        blanks: order.map((edge) => ({
          ...cut[edge],
          ...(input.corners === 'mitred'
            ? { shape: mitred(edge, rect(0, 0, cut[edge].width, cut[edge].height)), finish: mitres(edge, w) }
            : {}),
        })),
        slots: [],
        dims: [
          { kind: 'inside', paths: [along(PHOTO!, 'width'), along(PHOTO!, 'height')], box: photo },
          {
            kind: 'leader',
            path: WIDTH,
            at: { x: ticks(Math.floor(boxes.right.x + w / 2)), y: ticks(Math.floor(size.height / 3)) },
          },
          ...outerDimsOf(OUTER!, size),
        ],
        facts: framed(lengths, shared, stock),
      },
      values: solution.values,
      sums: solution.sums,
      suggestions: [],
    };
  },

  grammar: {
    heads: ['frame', 'framed', 'surround', 'strip'],
    places: {
      photo: {
        kind: 'size',
        words: ['round', 'around', 'photo', 'print', 'picture', 'for', 'outside', 'mat', 'panel'],
        after: ['mat', 'panel'],
      },
      strip: { kind: 'size', words: [] },
      width: { kind: 'length', words: ['strip', 'wide', 'width'], alone: true },
      stock: { kind: 'length', words: ['long', 'from', 'length'] },
    },
    flags: {
      open: ['open'],
      butted: ['butt', 'butted', 'windmill', 'log'],
      mitred: ['mitre', 'miter', 'mitred', 'mitered'],
      closed: ['closed', 'overlap'],
      over: ['over', 'on', 'onto'],
    },
    usual: ['photo', 'width', 'strip', 'stock'],
    idle: ['corner', 'edge', 'side', 'four', 'cabin'],
  },
  read: (heard, table) => {
    const [photo, strip] = [sizeAt(heard, 'photo'), sizeAt(heard, 'strip')];
    // strips by themselves are a frame only round something
    const framed = ['frame', 'framed', 'surround'].some((head) => heard.heads.has(head));
    const round = heard.values.some((v) => v.place === 'photo' && v.word !== null);
    if (!framed && !round) return null;
    // a frame without strips is a hollow mat
    const stripped =
      strip !== null || heard.flags.has('strip') || heard.flags.has('width') || lengthAt(heard, 'width') !== undefined;
    if (!photo || !stripped) return null;
    const width = strip?.width ?? lengthAt(heard, 'width') ?? (table.unit === 'in' ? '1/2' : '12');
    return {
      photo: { ...photo, known: 'measured' },
      strip: { width, stock: strip?.height ?? lengthAt(heard, 'stock') ?? (table.unit === 'in' ? '12' : '305') },
      corners: CORNERS.find((c) => heard.flags.has(c)) ?? 'closed',
      sits: heard.flags.has('over') ? 'over' : 'outside',
      outer: {},
    };
  },
};

/** Both ends of a strip aslant by its own width, the outer edge the longer one. */
function mitres(edge: Edge, depth: Ticks): Finish[] {
  const level = edge === 'top' || edge === 'bottom';
  const shorter: Edge = edge === 'top' ? 'bottom' : edge === 'bottom' ? 'top' : edge === 'left' ? 'right' : 'left';
  const ends: Edge[] = level ? ['left', 'right'] : ['bottom', 'top'];
  return ends.map((end) => ({ do: 'slant', edge: end, depth, shorter }));
}

/** How many strips, how many edges come from the fullest, and the longest piece that is left. */
function framed(lengths: readonly number[], shared: readonly (readonly number[])[], stock: Ticks): Fact[] {
  const left = shared.map((bin) => stock - bin.reduce((a, b) => a + b, 0));
  return [
    { name: 'lengths', lengths: lengths.map((t) => ticks(t)) },
    { name: 'strips', lengths: [ticks(shared.length), ticks(Math.max(...shared.map((bin) => bin.length)))] },
    ...(Math.max(...left) > 0 ? [{ name: 'left-over', lengths: [ticks(Math.max(...left))] }] : []),
  ];
}
