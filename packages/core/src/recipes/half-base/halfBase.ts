import { z } from 'zod';
import { exact, lengthText, roundToMark, ticks, type LengthText, type Ticks } from '../../length/index.ts';
import { EDGES, rect, type Edge, type Rect, type Size } from '../../geometry/index.ts';
import { lengthAt } from '../../line/index.ts';
import { fieldKey, lengthField, type Field, type FieldPath } from '../fields.ts';
import { readGivenLengths } from '../given.ts';
import { makeBlank, makeLayer } from '../laying.ts';
import { PLAIN_RECIPE, findNotPositive, makeRefusal, solveLengths } from '../plain.ts';
import type { Arithmetic, Dim, Recipe, LayoutContext } from '../recipe.ts';
import { term } from '../sums.ts';

/*
 * One paper along an edge of the page, another for the rest. The one beneath goes all the way, or only so far that it can be glued:
 *
 *     |<---- cover ---->|<---- seen ---->|      room = cover + seen
 *     +-----------------+----------------+
 *     |                 |                |      beneath = seen + tuck, or the whole room
 *     |            |<tuck>               |
 *     +-----------------+----------------+
 */

const BENEATH = ['tucked', 'whole'] as const;
const halfBaseSchema = z.strictObject({
  /** The edge along which the upper one lies. */
  along: z.enum(EDGES as readonly [Edge, ...Edge[]]),
  /** How far it reaches in from there. */
  cover: lengthText().optional(),
  /** How much of the lower one shows. Neither said: half each. */
  seen: lengthText().optional(),
  beneath: z.strictObject({
    reach: z.enum(BENEATH),
    tuck: lengthText().optional(),
    depth: lengthText().optional(),
  }),
});
export type HalfBaseInput = z.infer<typeof halfBaseSchema>;

const COVER: FieldPath = ['cover'];
const SEEN: FieldPath = ['seen'];
const BELOW: FieldPath = ['beneath'];
const TUCK: FieldPath = ['beneath', 'tuck'];
const DEPTH: FieldPath = ['beneath', 'depth'];

const upright = ({ along }: HalfBaseInput): boolean => along === 'top' || along === 'bottom';
const axisOf = (input: HalfBaseInput) => (upright(input) ? 'height' : 'width');

function arithmetic(input: HalfBaseInput, table: LayoutContext): Arithmetic {
  const { givens, problems, give } = readGivenLengths(table.unit);
  const axis = axisOf(input);
  const room: FieldPath = ['room', axis];
  givens.push({ path: room, value: table.room[axis], known: 'measured' });
  const { cover, seen, beneath } = input;
  give(COVER, cover);
  give(SEEN, seen);
  const equations = [[term(room, 1), term(COVER, -1), term(SEEN, -1)]];
  if (cover === undefined && seen === undefined) equations.push([term(room, 1), term(COVER, -2)]);
  if (beneath.reach === 'tucked') {
    give(TUCK, beneath.tuck);
    give(DEPTH, beneath.depth);
    equations.push([term(DEPTH, 1), term(SEEN, -1), term(TUCK, -1)]);
  }
  return { equations, givens, problems };
}

/** A box that reaches so far in from an edge of the page. */
function from(edge: Edge, depth: Ticks, width: Ticks, height: Ticks): Rect {
  if (edge === 'left') return rect(0, 0, depth, height);
  if (edge === 'right') return rect(width - depth, 0, depth, height);
  return edge === 'bottom' ? rect(0, 0, width, depth) : rect(0, height - depth, width, depth);
}
const FACING: Readonly<Record<Edge, Edge>> = { left: 'right', right: 'left', top: 'bottom', bottom: 'top' };

const usualTuck = (table: LayoutContext): string => (table.unit === 'in' ? '1/4' : '6');

/** Two papers for one page: how far each reaches, and what is left of the sheets. */
export const halfBase: Recipe<'half-base', HalfBaseInput> = {
  ...PLAIN_RECIPE,
  id: 'half-base',
  input: halfBaseSchema,
  roles: ['beneath', 'cover'],
  reasons: ['too-far'],
  phrases: [
    'half and half',
    'two papers, 5 1/2 on the left',
    'split page, top 4 in, tuck 1/4',
    'half base, right 110 mm',
  ],

  start: (table) => ({ along: 'left', beneath: { reach: 'tucked', tuck: usualTuck(table) } }),
  fields: ({ along, cover, seen, beneath }): readonly Field[] => [
    { kind: 'choice', path: ['along'], group: [], value: along, options: EDGES },
    lengthField(COVER, cover),
    lengthField(SEEN, seen),
    { kind: 'choice', path: ['beneath', 'reach'], group: BELOW, value: beneath.reach, options: BENEATH },
    ...(beneath.reach === 'tucked' ? [lengthField(TUCK, beneath.tuck), lengthField(DEPTH, beneath.depth)] : []),
  ],
  givesWay: (_input, path) => {
    const end = path.at(-1);
    return { own: end === 'cover' ? [SEEN] : end === 'seen' ? [COVER] : end === 'tuck' ? [DEPTH] : [TUCK], others: [] };
  },
  standsStill: (_input, path) => {
    const end = path.at(-1);
    return end === 'cover' ? [SEEN] : end === 'seen' ? [COVER] : end === 'tuck' ? [DEPTH] : [TUCK];
  },
  arithmetic,

  solve: (input, table) => {
    const { room, mark } = table;
    const { solution, problems, near, exactly } = solveLengths(arithmetic(input, table));
    if (problems.length) return makeRefusal(problems);
    const axis = axisOf(input);
    // half a page that is on no mark leaves the rest to what is seen beneath
    const halved = input.cover === undefined && input.seen === undefined;
    const cover = halved ? roundToMark(exactly(COVER), mark, 'nearest') : near(COVER);
    const seen = ticks(room[axis] - cover);
    if (cover <= 0 || seen <= 0)
      return makeRefusal([{ code: 'own', why: 'too-far', path: cover <= 0 ? SEEN : COVER, lengths: [room[axis]] }]);
    const tucked = input.beneath.reach === 'tucked';
    const short = tucked ? findNotPositive([TUCK, DEPTH], near) : [];
    if (short.length) return makeRefusal(short);
    const tuck = tucked ? near(TUCK) : cover;
    if (tuck > cover)
      return makeRefusal(
        [{ code: 'own', why: 'too-far', path: TUCK, lengths: [cover] }],
        [{ path: TUCK, length: cover }],
      );
    const depth = ticks(seen + tuck);
    const { width, height } = room;
    const boxes = {
      beneath: from(FACING[input.along], depth, width, height),
      cover: from(input.along, cover, width, height),
    };
    const keys = ['beneath', 'cover'] as const;
    const rest = (box: Rect) =>
      upright(input) ? [width, ticks(height - box.height)] : [ticks(width - box.width), height];
    return {
      status: 'solved',
      laid: {
        size: { width, height },
        layers: keys.map((key) => makeLayer({ key, role: key, n: 1, box: boxes[key], group: BELOW, sized: null })),
        // what lies beneath must reach
        blanks: keys.map((key) =>
          makeBlank({ key, role: key, n: 1 }, boxes[key], mark, key === 'cover' ? 'nearest' : 'up'),
        ),
        slots: keys.map((key) => ({
          key,
          role: key,
          n: 1,
          box: key === 'cover' ? boxes.cover : from(FACING[input.along], seen, width, height),
        })),
        dims: dimsOf(input, boxes.cover, room),
        facts: keys
          .filter((key) => rest(boxes[key]).every((t) => t > 0))
          .map((key) => ({ name: `left-of-${key}`, lengths: rest(boxes[key]) })),
      },
      values: new Map(solution.values).set(fieldKey(COVER), exact(cover)).set(fieldKey(SEEN), exact(seen)),
      sums: solution.sums,
      suggestions: [],
    };
  },

  grammar: {
    heads: ['half-and-half', 'half-base', 'half-page', 'split', 'papers', 'two-tone', 'cover'],
    places: {
      left: { kind: 'length', words: ['left'], alone: true },
      right: { kind: 'length', words: ['right'], alone: true },
      top: { kind: 'length', words: ['top', 'upper'], alone: true },
      bottom: { kind: 'length', words: ['bottom', 'lower', 'below'], alone: true },
      cover: { kind: 'length', words: ['cover', 'reach', 'deep', 'wide'] },
      seen: { kind: 'length', words: ['seen', 'showing', 'show'] },
      tuck: { kind: 'length', words: ['tuck', 'under', 'overlap'] },
    },
    flags: { whole: ['whole', 'full'], level: ['level', 'horizontal'], upright: ['upright', 'vertical'] },
    usual: ['cover', 'seen'],
    idle: [
      'patterned',
      'another',
      'different',
      'page',
      'beneath',
      'base',
      'background',
      'sheet',
      'two',
      'papers',
      'tone',
      'in',
      'side',
      'other',
      'edge',
      'rest',
    ],
  },
  read: (heard, table) => {
    const along =
      EDGES.find((edge) => lengthAt(heard, edge) !== undefined) ?? EDGES.find((edge) => heard.flags.has(edge));
    const cover: LengthText | undefined = (along && lengthAt(heard, along)) ?? lengthAt(heard, 'cover');
    const seen = lengthAt(heard, 'seen');
    // papers alone are no two of them
    const halved = [...heard.heads].some((head) => head !== 'papers') || along !== undefined;
    if (!halved) return null;
    return {
      along: along ?? (heard.flags.has('level') ? 'top' : 'left'),
      ...(cover === undefined ? {} : { cover }),
      ...(seen === undefined || cover !== undefined ? {} : { seen }),
      beneath: heard.flags.has('whole')
        ? { reach: 'whole' }
        : { reach: 'tucked', tuck: lengthAt(heard, 'tuck') ?? usualTuck(table) },
    };
  },
};

/** The two stretches along one edge, and the tuck where they meet. */
function dimsOf(input: HalfBaseInput, cover: Rect, room: Size): Dim[] {
  const at = (x: number, y: number) => ({ x: ticks(Math.round(x)), y: ticks(Math.round(y)) });
  const level = !upright(input);
  const [low, high, all] = level
    ? [cover.x, cover.x + cover.width, room.width]
    : [cover.y, cover.y + cover.height, room.height];
  const span = (path: FieldPath, a: number, b: number): Dim => ({
    kind: 'span',
    path,
    side: level ? 'top' : 'left',
    ...(level ? { from: at(a, room.height), to: at(b, room.height) } : { from: at(0, a), to: at(0, b) }),
  });
  const meet = low === 0 ? high : low;
  return [
    span(COVER, low, high),
    low === 0 ? span(SEEN, high, all) : span(SEEN, 0, low),
    ...(input.beneath.reach === 'tucked'
      ? [{ kind: 'leader' as const, path: TUCK, at: level ? at(meet, room.height * 0.3) : at(room.width * 0.3, meet) }]
      : []),
  ];
}
