import { z } from 'zod';
import {
  exact,
  formatExactLength,
  lengthOf,
  lengthText,
  roundExact,
  roundToMark,
  ticks,
  type Ticks,
} from '../../length/index.ts';
import { rect, rectangle, type Edge, type Rect, type Size } from '../../geometry/index.ts';
import { lengthAt, sizeAt, parseTicks } from '../../line/index.ts';
import { fieldKey, isUnder, isSamePath, withValue, type Field, type FieldPath } from '../fields.ts';
import { readGivenLengths } from '../given.ts';
import { makeBlank, makeLayer, outerDimsOf } from '../laying.ts';
import {
  chainArithmetic,
  listRevealDims,
  listRevealFacts,
  sizeFields,
  sizeKeys,
  collectSumProblems,
} from '../nested.ts';
import type { Arithmetic, Fact, Offer, Recipe, RecipeProblem, LayoutContext } from '../recipe.ts';
import {
  keysAlong,
  restyleReveal,
  revealKey,
  revealFields,
  revealKeys,
  revealSchema,
  type RevealStyle,
} from '../reveals.ts';
import { LAYER_PLACES, readLayers } from '../revealsSaid.ts';
import { solveSums, term, type Sum } from '../sums.ts';

/*
 * A mat whose centre is cut out, so that the paper that would lie hidden can be used. What is left is a ring; what lies above covers
 * the opening and is glued to the lip:
 *
 *     |<------------- outer ------------->|        outer = ring + centre + ring
 *     |<ring>|<----- centre ---->|<ring>  |        above = lip + centre + lip
 *     +------+                   +--------+
 *        |<lip>                 <lip>|
 *        +---------- above ----------+             what is seen of the ring: ring less lip
 */

const hollowMatSchema = z.strictObject({
  outer: z.strictObject({ ...sizeKeys, known: z.enum(['measured', 'assumed']) }),
  /** How wide the ring is; left out: from outer and centre. */
  ring: z.strictObject({ reveal: revealSchema }),
  /** What is cut out of it. */
  centre: z.strictObject(sizeKeys),
  /** What lies above, in the middle of it, once it is said. */
  above: z.strictObject(sizeKeys),
  /** How much of the ring lies under what is above, to be glued. */
  lip: lengthText().optional(),
});
export type HollowMatInput = z.infer<typeof hollowMatSchema>;

const [OUTER, RING, CENTRE, ABOVE, LIP]: readonly FieldPath[] = [['outer'], ['ring'], ['centre'], ['above'], ['lip']];
const STYLE: FieldPath = ['ring', 'reveal', 'style'];
const AXES = ['width', 'height'] as const;
const along = (group: FieldPath, axis: (typeof AXES)[number]): FieldPath => [...group, axis];

/** What lies above counts once both its sizes are said, or the lip from which they follow. */
const covered = ({ above, lip }: HollowMatInput): boolean =>
  lip !== undefined || (above.width !== undefined && above.height !== undefined);

function arithmetic(input: HollowMatInput, table: LayoutContext): Arithmetic {
  const { outer, centre, ring, above, lip } = input;
  const chain = chainArithmetic(
    {
      levels: [
        { path: CENTRE!, width: centre.width, height: centre.height },
        { path: OUTER!, width: outer.width, height: outer.height, known: outer.known },
      ],
      gaps: [{ path: RING!, reveal: ring.reveal }],
      seams: [],
    },
    table,
  );
  if (!covered(input)) return chain;
  const { givens, problems, give } = readGivenLengths(table.unit);
  for (const axis of AXES) give(along(ABOVE!, axis), above[axis], 'assumed');
  give(LIP!, lip, 'assumed');
  // without a lip that is asked for, it is what comes of the two, one way and the other
  const equations =
    lip === undefined
      ? []
      : AXES.map((axis) => [term(along(ABOVE!, axis), 1), term(along(CENTRE!, axis), -1), term(LIP!, -2)]);
  return {
    equations: [...chain.equations, ...equations],
    givens: [...chain.givens, ...givens],
    problems: [...chain.problems, ...problems],
  };
}

const usualRing = (table: LayoutContext): string => {
  const least = Math.min(table.room.width, table.room.height);
  const wide = least >= lengthOf('6', 'in');
  return table.unit === 'in' ? (wide ? '7/8' : '1/4') : wide ? '22' : '6';
};

/** The least that holds what is glued to it, in the unit of the table. */
const leastLip = (table: LayoutContext): Ticks => lengthOf(table.unit === 'in' ? '1/8' : '3', table.unit);

/** A mat or base whose hidden centre is cut out: what comes free, whether the lip holds, where the knife starts. */
export const hollowMat: Recipe<'hollow-mat', HollowMatInput> = {
  id: 'hollow-mat',
  version: 1,
  input: hollowMatSchema,
  migrations: [],
  advice: [],
  hand: null,
  takesOutline: null,
  roles: ['ring', 'centre'],
  reasons: ['no-lip', 'no-ring'],
  phrases: [
    'hollow mat 12 x 12 ring 7/8 under 11 x 11',
    'hollow out 8 x 10, lip 3/8 under 7 1/2 x 9 1/2',
    'hollow mat 200 mm x 200 mm ring 20 mm',
    'frame 5 x 7 with an opening of 3 1/2 x 5 1/2',
  ],
  beneath: null,

  start: (table) => {
    const text = (t: Ticks) => formatExactLength(t, table.unit);
    const { width, height } = table.room;
    return {
      outer: { width: text(width), height: text(height), known: 'assumed' },
      ring: { reveal: { style: 'even', all: usualRing(table) } },
      centre: {},
      above: {},
    };
  },
  fields: ({ outer, ring, centre, above, lip }): readonly Field[] => [
    ...sizeFields(OUTER!, outer, ['outer', 'known']),
    ...revealFields(RING!, ring.reveal).map((f): Field => (f.kind === 'length' ? { ...f, allow: 'zero' } : f)),
    ...sizeFields(CENTRE!, centre),
    ...sizeFields(ABOVE!, above, null, 'by-rule'),
    { kind: 'length', path: LIP!, group: ABOVE!, value: lip, ifEmpty: 'by-rule', knownAt: null },
  ],
  lists: () => [],
  entry: (_input, _list, _table, id) => ({ id }),
  put: (input, path, value) =>
    isSamePath(path, STYLE)
      ? { ...input, ring: { reveal: restyleReveal(input.ring.reveal, value as RevealStyle) } }
      : withValue(input, path, value),
  givesWay: ({ ring }, path) => {
    const { style } = ring.reveal;
    const rings = (keys: readonly string[]) => keys.map((key): FieldPath => [...RING!, 'reveal', key]);
    const centres = AXES.map((axis) => along(CENTRE!, axis));
    const axis = AXES.find((a) => a === path.at(-1));
    if (isUnder(path, CENTRE!) && axis) return { own: [...rings(keysAlong(style, axis)), LIP!], others: [] };
    if (isUnder(path, RING!)) return { own: [...centres, LIP!], others: [] };
    if (isUnder(path, ABOVE!)) return { own: [LIP!], others: [...rings(revealKeys(style)), ...centres] };
    if (isSamePath(path, LIP!))
      return { own: [...rings(revealKeys(style)), ...centres], others: AXES.map((a) => along(ABOVE!, a)) };
    return { own: axis ? [along(CENTRE!, axis)] : [], others: rings(revealKeys(style)) };
  },
  standsStill: ({ ring }, path) => {
    const rings = revealKeys(ring.reveal.style).map((key): FieldPath => [...RING!, 'reveal', key]);
    const centres = AXES.map((axis) => along(CENTRE!, axis));
    const facing = { left: 'right', right: 'left', top: 'bottom', bottom: 'top' }[String(path.at(-1))];
    const other = ring.reveal.style === 'four' && facing ? [[...RING!, 'reveal', facing]] : [];
    return isUnder(path, RING!) ? [...centres, ...other] : isUnder(path, CENTRE!) ? rings : [...centres, ...rings];
  },
  loosened: (input, path) =>
    isUnder(path, CENTRE!) && input.ring.reveal.style === 'even'
      ? { ...input, ring: { reveal: restyleReveal(input.ring.reveal, 'two') } }
      : null,
  arithmetic,

  solve: (input, table) => {
    const lines = arithmetic(input, table);
    const solution = solveSums(lines.equations, lines.givens);
    const refused = (problems: RecipeProblem[], offers: Offer[] = []) => ({
      status: 'refused' as const,
      problems,
      offers,
      instead: null,
    });
    const problems = collectSumProblems(lines, solution);
    if (problems.length) return refused(problems);
    const valueOf = (path: FieldPath) => solution.values.get(fieldKey(path)) ?? exact(0);
    const near = (path: FieldPath): Ticks => roundExact(valueOf(path), 'nearest');
    const sizeOf = (group: FieldPath): Size => ({
      width: near(along(group, 'width')),
      height: near(along(group, 'height')),
    });
    const [outer, centre] = [sizeOf(OUTER!), sizeOf(CENTRE!)];
    for (const [group, size] of [
      [OUTER!, outer],
      [CENTRE!, centre],
    ] as const)
      for (const axis of AXES)
        if (size[axis] <= 0) problems.push({ code: 'size-not-positive', path: along(group, axis), size: size[axis] });
    if (problems.length) return refused(problems);
    const { style } = input.ring.reveal;
    const ringAt = (edge: Edge): Ticks => near([...RING!, 'reveal', revealKey(style, edge)]);
    const [left, bottom] = [ringAt('left'), ringAt('bottom')];
    const edges = { width: ['left', 'right'], height: ['bottom', 'top'] } as const;
    const thin = AXES.filter((axis) => edges[axis].some((edge) => ringAt(edge) <= 0));
    if (thin.length)
      return refused(
        thin.map((axis) => ({
          code: 'own',
          why: 'no-ring',
          path: along(CENTRE!, axis),
          lengths: [centre[axis], outer[axis]],
        })),
      );
    const above = covered(input) ? sizeOf(ABOVE!) : null;
    const lips = above && AXES.map((axis) => ticks(Math.floor((above[axis] - centre[axis]) / 2)));
    if (above && lips!.some((lip) => lip <= 0)) {
      const short = AXES.filter((_, i) => lips![i]! <= 0);
      return refused(
        short.map((axis) => ({
          code: 'own',
          why: 'no-lip',
          path: along(ABOVE!, axis),
          lengths: [above[axis], centre[axis]],
        })),
        short
          .map((axis): Offer => ({ path: along(CENTRE!, axis), length: ticks(above[axis] - 2 * leastLip(table)) }))
          .filter((offer) => 'length' in offer && offer.length > 0),
      );
    }
    const box = rect(0, 0, outer.width, outer.height);
    const hole = rect(left, bottom, centre.width, centre.height);
    const { outline } = rectangle(box);
    const values = new Map(solution.values);
    const sums = new Map(solution.sums);
    if (above && lips && input.lip === undefined && lips[0] === lips[1]) {
      values.set(fieldKey(LIP!), exact(above.width - centre.width, 2));
      sums.set(fieldKey(LIP!), lipSum(above, centre));
    }
    const ring = makeBlank({ key: 'ring', role: 'ring', n: 1 }, outer, table.mark, 'nearest');
    const window = windowOn(hole, ring, table);
    return {
      status: 'solved',
      laid: {
        size: outer,
        layers: [
          makeLayer({
            key: 'ring',
            role: 'ring',
            n: 1,
            box,
            group: OUTER!,
            shape: { outline, holes: [rectangle(hole).outline] },
          }),
        ],
        blanks: [{ ...ring, finish: [{ do: 'window', box: window }], yields: [window] }],
        slots: [{ key: 'centre', role: 'centre', n: 1, box: hole }],
        dims: [
          { kind: 'inside', paths: [along(CENTRE!, 'width'), along(CENTRE!, 'height')], box: hole },
          ...listRevealDims(RING!, input.ring.reveal, hole, box, solution),
          ...outerDimsOf(OUTER!, outer),
        ],
        facts: [
          { name: 'stop-cuts', of: CENTRE!, lengths: [window.x, window.y, window.width, window.height] },
          ...listRevealFacts([{ path: RING!, reveal: input.ring.reveal, inner: hole, outer: box }], solution),
          ...(above ? coverFacts(outer, above, lips as [Ticks, Ticks]) : []),
        ],
      },
      values,
      sums,
      suggestions: [],
    };
  },

  grammar: {
    heads: ['hollow', 'frame', 'ring', 'window'],
    places: {
      ...LAYER_PLACES,
      reveal: { ...LAYER_PLACES.reveal, words: ['ring', 'rim', 'border', 'edge', 'wide', 'leave', 'leaving'] },
      outer: { kind: 'size', words: ['from'] },
      centre: { kind: 'size', words: ['opening', 'centre', 'center', 'hole', 'window', 'middle'] },
      above: { kind: 'size', words: ['under', 'above', 'beneath', 'behind', 'cover'], alone: true },
      panel: { kind: 'size', words: ['panel'], alone: true, after: ['panel'] },
      // what it goes round is not what it is cut from
      round: { kind: 'size', words: ['for', 'around', 'round'], alone: true },
      lip: { kind: 'length', words: ['lip', 'glue', 'tuck'] },
    },
    usual: ['outer', 'reveal', 'centre'],
    idle: ['mat', 'base', 'sheet', 'photo', 'print', 'free', 'comes', 'come', 'left'],
  },
  read: (heard, table, newId) => {
    // the larger one is the mat; of one alone, as in `cut the middle out of a 12 x 12`, that one
    const wide = (size: ReturnType<typeof sizeAt>) => parseTicks(size?.width, table.unit);
    const round = sizeAt(heard, 'round');
    const sizes = [sizeAt(heard, 'outer') ?? round, sizeAt(heard, 'centre')];
    const [outer, opening] = sizes.sort((a, b) => wide(b) - wide(a));
    // how large it is and what it goes round are two things, unless its opening is said as well
    if (!outer || (round && !opening)) return null;
    const [said] = readLayers(heard, '', newId);
    const [lip, centre] = [lengthAt(heard, 'lip'), opening ?? null];
    const above = sizeAt(heard, 'above') ?? sizeAt(heard, 'panel');
    const open = centre !== null || (lip !== undefined && above !== null);
    const all = said || open ? {} : { all: usualRing(table) };
    const input: HollowMatInput = {
      outer: { ...outer, known: 'measured' },
      ring: { reveal: said?.reveal ?? { style: 'even', ...all } },
      centre: { ...centre },
      above: { ...above },
      ...(lip === undefined ? {} : { lip }),
    };
    const even = hollowMat.solve(input, table);
    const uneven = !said && even.status === 'refused' && even.problems.some((p) => p.code === 'disagree');
    return uneven ? { ...input, ring: { reveal: { style: 'two' } } } : input;
  },
  toComeFrom: () => [],
  onward: () => [],
};

/** The window in the ring as it is cut: it begins on a mark, and goes down to one, so that the ring is not narrower than asked. */
function windowOn(hole: Rect, ring: Size, { mark }: LayoutContext): Rect {
  const [x, y] = [roundToMark(hole.x, mark, 'nearest'), roundToMark(hole.y, mark, 'nearest')];
  const size = (length: Ticks, room: number) =>
    Math.max(1, Math.min(roundToMark(length, mark, 'down') || length, room - 1));
  return rect(x, y, size(hole.width, ring.width - x), size(hole.height, ring.height - y));
}

const lipSum = (above: Size, centre: Size): Sum => ({
  terms: [
    { path: along(ABOVE!, 'width'), times: 1, value: exact(above.width) },
    { path: along(CENTRE!, 'width'), times: -1, value: exact(centre.width) },
  ],
  over: 2,
});

/** The lip one way and the other, and how much of the ring is seen. */
function coverFacts(outer: Size, above: Size, lips: readonly [Ticks, Ticks]): Fact[] {
  const seen = AXES.map((axis) => ticks(Math.floor((outer[axis] - above[axis]) / 2)));
  return [
    // where it is one number, it is a field
    ...(lips[0] === lips[1] ? [] : [{ name: 'lip', of: ABOVE!, lengths: lips }]),
    { name: 'seen', of: ABOVE!, lengths: seen },
  ];
}
