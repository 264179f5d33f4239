import { z } from 'zod';
import { exact, formatExactLength, lengthOf, lengthText, roundToMark, ticks, type Ticks } from '../../length/index.ts';
import { boundsOf, circle, polygon, shapeOfOutline, type Finish, type Point } from '../../geometry/index.ts';
import { lengthAt, sizeAt } from '../../line/index.ts';
import type { Blank } from '../blanks.ts';
import { fieldKey, lengthField, type Field, type FieldPath } from '../fields.ts';
import { readGivenLengths } from '../given.ts';
import { makeBlank, makeLayer } from '../laying.ts';
import { PLAIN_RECIPE, findNotPositive, makeRefusal, solveLengths } from '../plain.ts';
import type { Arithmetic, Dim, Fact, Layer, Recipe, Suggestion, LayoutContext } from '../recipe.ts';
import { ROOT2 } from '../roots.ts';
import {
  SEVERAL_PLACES,
  SEVERAL_REASONS,
  laySeveral,
  severalEquations,
  severalFields,
  severalKeys,
  readSeveral,
} from '../several.ts';
import { term, type Equation } from '../sums.ts';

/*
 * A square, slit from its corners towards the middle; every other tip is folded there, and a hub covers them:
 *
 *     \         /        C---E---C      from a corner to the middle is side / √2 = slit + short
 *      \       /         |\ /|\ /|
 *         o o            |/ \|/  |      a tip folded to the middle turns over a fold half as far out as the corner;
 *         o o            E---O---E      folded past it, a little further in
 *      /       \         |  /|\ /|
 *     /         \        | / \ \|       what is folded over shows the other face of the paper, or a lining glued behind it
 *
 * Roots force floats: the slit is measured to the nearest mark, corners go to the nearest tick.
 */

const HUBS = ['paper', 'button', 'none'] as const;
const BACKS = ['own', 'lined'] as const;

const pinwheelSchema = z.strictObject({
  square: z.strictObject({
    side: lengthText().optional(),
    /** How far from the middle the slits stop. */
    short: lengthText().optional(),
    slit: lengthText().optional(),
    /** The other face of the same paper is seen, or a second square behind it. */
    back: z.enum(BACKS),
  }),
  /** How far past the middle the tips reach; left out: to it. */
  tips: z.strictObject({ past: lengthText({ allow: 'zero' }).optional() }),
  /** Left out: the smallest that covers the tips and where the slits end. */
  hub: z.strictObject({ as: z.enum(HUBS), across: lengthText().optional() }),
  ...severalKeys,
});
export type PinwheelInput = z.infer<typeof pinwheelSchema>;

const SQUARE: FieldPath = ['square'];
const SIDE: FieldPath = ['square', 'side'];
const SHORT: FieldPath = ['square', 'short'];
const SLIT: FieldPath = ['square', 'slit'];
const PAST: FieldPath = ['tips', 'past'];
const HUB: FieldPath = ['hub'];
const HUB_ACROSS: FieldPath = ['hub', 'across'];

function arithmetic(input: PinwheelInput, table: LayoutContext): Arithmetic {
  const read = readGivenLengths(table.unit);
  const { square, tips, hub } = input;
  read.give(SIDE, square.side);
  read.give(SHORT, square.short);
  read.give(SLIT, square.slit);
  read.give(PAST, tips.past ?? '0', 'assumed', 'zero');
  if (hub.as !== 'none') read.give(HUB_ACROSS, hub.across);
  const equations: Equation[] = [
    [term(SIDE, ROOT2[1]), term(SLIT, -ROOT2[0]), term(SHORT, -ROOT2[0])],
    ...severalEquations(input, read),
  ];
  return { equations, givens: read.givens, problems: read.problems };
}

type Corner = readonly [number, number];
/** A quarter turn to the right about the middle, so many times. */
const turned = ([x, y]: Corner, k: number): Corner => (k === 0 ? [x, y] : turned([y, -x], k - 1));

/** What is seen of it about a middle at 0, 0: the square less what is folded over, and the four tips. */
export function foldSquare(side: number, past: number): { sail: Corner[]; blades: Corner[][] } {
  const half = side / 2;
  const fold = (side * Math.SQRT1_2 - past) / 2;
  const corner: Corner = [half, half];
  const meet: Corner = [fold * Math.SQRT1_2, fold * Math.SQRT1_2];
  const edge: Corner = [half, -past * Math.SQRT1_2];
  const tip: Corner = [-past * Math.SQRT1_2, -past * Math.SQRT1_2];
  const each = [0, 1, 2, 3];
  return {
    sail: each.flatMap((k) => [corner, meet, edge].map((p) => turned(p, k))),
    blades: each.map((k) => [tip, meet, edge].map((p) => turned(p, k))),
  };
}

const slits = (side: Ticks, slit: Ticks): Finish[] => {
  const reach = Math.min(Math.round(slit * Math.SQRT1_2), Math.floor(side / 2));
  const at = (x: number, y: number): Point => ({ x: ticks(x), y: ticks(y) });
  return [
    [at(0, 0), at(reach, reach)],
    [at(side, 0), at(side - reach, reach)],
    [at(side, side), at(side - reach, side - reach)],
    [at(0, side), at(reach, side - reach)],
  ].map(([from, to]) => ({ do: 'slit', from: from!, to: to! }));
};

/** Squares slit and folded to pinwheels: how long the slits are, how large a hub must be. */
export const pinwheel: Recipe<'pinwheel', PinwheelInput> = {
  ...PLAIN_RECIPE,
  id: 'pinwheel',
  input: pinwheelSchema,
  roles: ['square', 'lining', 'blade', 'hub'],
  reasons: [...SEVERAL_REASONS, 'slits-too-short', 'past-too-far'],
  advice: ['hub-too-small'],
  phrases: [
    'pinwheel 3 square, slits stop 3/8 short',
    'three pinwheels 2 1/2, gap 1/4',
    'pinwheel from a 4 inch square, 2 3/8 slit',
    '2 pinwheels 75 mm, slits stop 10 mm short, gap 8 mm',
  ],

  start: ({ unit, room, mark }) => {
    const inch = unit === 'in';
    const most = roundToMark(ticks(Math.floor(Math.min(room.width, room.height) * 0.8)), mark, 'down');
    const side = ticks(Math.min(most, lengthOf(inch ? '3' : '75', unit)));
    const short = Math.max(mark.step, roundToMark(exact(side, 8), mark, 'nearest'));
    return {
      square: { side: formatExactLength(side, unit), short: formatExactLength(ticks(short), unit), back: 'own' },
      tips: {},
      hub: { as: 'paper' },
      number: 1,
    };
  },
  fields: (input): readonly Field[] => {
    const { square, tips, hub } = input;
    return [
      lengthField(SIDE, square.side),
      lengthField(SHORT, square.short),
      lengthField(SLIT, square.slit),
      { kind: 'choice', path: ['square', 'back'], group: SQUARE, value: square.back, options: BACKS },
      lengthField(PAST, tips.past, { allow: 'zero', ifEmpty: 'by-rule', group: SQUARE }),
      { kind: 'choice', path: ['hub', 'as'], group: HUB, value: hub.as, options: HUBS },
      ...(hub.as === 'none' ? [] : [lengthField(HUB_ACROSS, hub.across, { ifEmpty: 'by-rule' })]),
      ...severalFields(input),
    ];
  },
  givesWay: (_input, path) => {
    const end = path.at(-1);
    if (end === 'slit') return { own: [SHORT], others: [SIDE] };
    return { own: [SLIT], others: end === 'short' ? [SIDE] : [SHORT] };
  },
  standsStill: (_input, path) =>
    path.at(-1) === 'side' ? [SLIT, SHORT] : path.at(-1) === 'short' ? [SLIT, SIDE] : [SHORT, SIDE],
  arithmetic,

  solve: (input, table) => {
    const { solution, problems, near } = solveLengths(arithmetic(input, table));
    if (problems.length) return makeRefusal(problems);
    const none = findNotPositive([SIDE, SHORT, SLIT], near);
    if (none.length) return makeRefusal(none);
    const [side, short, slit, past] = [near(SIDE), near(SHORT), near(SLIT), near(PAST)];
    const fold = Math.floor((side * Math.SQRT1_2 - past) / 2);
    if (fold < table.mark.step)
      return makeRefusal([{ code: 'own', why: 'past-too-far', path: PAST, lengths: [past, side] }]);
    if (short > fold) {
      const most = roundToMark(ticks(fold), table.mark, 'down');
      return makeRefusal(
        [{ code: 'own', why: 'slits-too-short', path: SHORT, lengths: [short, most] }],
        most > 0 ? [{ path: SHORT, length: most }] : [],
      );
    }
    const laid = laySeveral(input, { width: side, height: side }, solution, table);
    if (!laid.ok) return makeRefusal(laid.problems, laid.offers);
    const least = roundToMark(ticks(2 * Math.max(short, past)), table.mark, 'up');
    const hub = input.hub.as === 'none' ? null : input.hub.across === undefined ? least : near(HUB_ACROSS);
    const { square, hub: hubs, number } = input;
    const lined = square.back === 'lined';
    const { sail, blades } = foldSquare(side, past);
    const layers = laid.at.flatMap(({ x, y }, i): Layer[] => {
      const [cx, cy] = [x + side / 2, y + side / 2];
      const there = (corners: readonly Corner[]) =>
        shapeOfOutline(polygon(corners.map(([px, py]) => [px + cx, py + cy])));
      const layer = (key: string, role: string, n: number, shape: ReturnType<typeof there>, more: Partial<Layer>) =>
        makeLayer({ key, role, n, box: boundsOf(shape), shape, group: SQUARE, sized: null, ...more });
      const middle: Point = { x: ticks(Math.round(cx)), y: ticks(Math.round(cy)) };
      return [
        layer(`square-${i + 1}`, 'square', i + 1, there(sail), { blank: 'square' }),
        ...blades.map((corners, k) =>
          layer(`blade-${i + 1}-${k + 1}`, 'blade', 4 * i + k + 1, there(corners), {
            ...(lined ? { blank: 'lining' } : { blank: 'square', back: true as const }),
            along: true,
          }),
        ),
        ...(hub === null
          ? []
          : [
              layer(`hub-${i + 1}`, 'hub', i + 1, shapeOfOutline(circle(middle.x, middle.y, Math.ceil(hub / 2))), {
                group: HUB,
                along: true,
                blank: hubs.as === 'paper' ? 'hub' : null,
              }),
            ]),
      ];
    });
    const finish = slits(side, roundToMark(slit, table.mark, 'nearest'));
    const cut = (key: string, more: Partial<Blank>) =>
      makeBlank(
        { key, role: key, n: 1, quantity: number, ...more },
        { width: side, height: side },
        table.mark,
        'nearest',
      );
    const blanks: Blank[] = lined
      ? [cut('square', { finish }), cut('lining', { finish, makes: 4 * number })]
      : [cut('square', { finish, makes: 5 * number })];
    if (hub !== null && hubs.as === 'paper') {
      const size = { width: ticks(2 * Math.ceil(hub / 2)), height: ticks(2 * Math.ceil(hub / 2)) };
      const shape = shapeOfOutline(circle(size.width / 2, size.width / 2, size.width / 2));
      blanks.push(
        makeBlank(
          {
            key: 'hub',
            role: 'hub',
            n: 1,
            quantity: number,
            shape,
            finish: [{ do: 'outline', as: 'circle' }],
          },
          size,
          table.mark,
          'up',
        ),
      );
    }
    const values = new Map(solution.values);
    if (hub !== null) values.set(fieldKey(HUB_ACROSS), exact(hub));
    const suggestions: Suggestion[] =
      hub !== null && hub < least ? [{ code: 'own', why: 'hub-too-small', path: HUB_ACROSS, lengths: [least] }] : [];
    const facts: Fact[] = [
      { name: 'slits', lengths: [slit] },
      { name: 'hub', lengths: [least] },
      { name: 'folds', lengths: [ticks(Math.round(fold))] },
      ...(number > 1 ? [{ name: 'in-all', lengths: [laid.size.width, laid.size.height] }] : []),
    ];
    return {
      status: 'solved',
      laid: { size: laid.size, layers, blanks, slots: [], dims: dimsOf(laid.at, side, short, hub, laid.gap), facts },
      values,
      // a root is no sum that one would follow
      sums: new Map(),
      suggestions,
    };
  },

  grammar: {
    heads: ['pinwheel', 'windmill', 'whirligig'],
    places: {
      ...SEVERAL_PLACES,
      square: { kind: 'size', words: ['square', 'from', 'out', 'paper'] },
      side: { kind: 'length', words: ['square', 'side', 'pinwheel', 'from', 'across', 'wide'], alone: true },
      short: { kind: 'length', words: ['stop', 'short', 'stopping', 'middle', 'centre', 'center'], alone: true },
      slit: { kind: 'length', words: ['slit', 'long', 'slits'], alone: true },
      past: { kind: 'length', words: ['past', 'beyond'] },
      hub: { kind: 'length', words: ['hub', 'button', 'brad'], alone: true },
    },
    flags: { lined: ['lined', 'lining', 'backed', 'two'], bare: ['hubless', 'bare'] },
    usual: ['square', 'side', 'short'],
    idle: ['corner', 'before', 'paper', 'second', 'sheet', 'fold', 'folded', 'double-sided', 'face'],
  },
  read: (heard, table) => {
    const said = (place: string) => lengthAt(heard, place);
    // `how long are the slits of a 3 inch pinwheel stopping 1/4 short`
    const asked = said('side') === undefined && sizeAt(heard, 'square') === null && said('short') !== undefined;
    const side = asked ? said('slit') : (said('side') ?? sizeAt(heard, 'square')?.width);
    const [short, slit] = [said('short'), asked ? undefined : said('slit')];
    if (side === undefined && (short === undefined || slit === undefined)) return null;
    const usual = side === undefined ? '0' : formatExactLength(usualShort(String(side), table), table.unit);
    const [past, hub] = [said('past'), said('hub')];
    const button = ['button', 'brad'].some((word) => heard.values.some((v) => v.word === word));
    return {
      square: {
        ...(side === undefined ? {} : { side }),
        ...(short !== undefined ? { short } : slit === undefined ? { short: usual } : {}),
        ...(slit === undefined || (side !== undefined && short !== undefined) ? {} : { slit }),
        back: heard.flags.has('lined') ? 'lined' : 'own',
      },
      tips: past === undefined ? {} : { past },
      hub: {
        as: heard.flags.has('bare') ? 'none' : button ? 'button' : 'paper',
        ...(hub === undefined ? {} : { across: hub }),
      },
      ...readSeveral(heard, table),
    };
  },
};

/** An eighth of the side, to the mark. */
function usualShort(side: string, { unit, mark }: LayoutContext): Ticks {
  const length = lengthOf(side, unit);
  return ticks(Math.max(mark.step, roundToMark(exact(length, 8), mark, 'nearest')));
}

function dimsOf(at: readonly Point[], side: Ticks, short: Ticks, hub: Ticks | null, gap: Ticks): Dim[] {
  const { x, y } = at[0]!;
  const second = at[1];
  const on = (px: number, py: number): Point => ({ x: ticks(Math.round(px)), y: ticks(Math.round(py)) });
  const [cx, cy] = [x + side / 2, y + side / 2];
  const half = side / 2;
  const end = short * Math.SQRT1_2;
  const dims: (Dim | false | undefined)[] = [
    { kind: 'span', path: SIDE, from: on(x, y + side), to: on(x + side, y + side), side: 'top' },
    { kind: 'leader', path: SLIT, at: on(cx + (half + end) / 2, cy + (half + end) / 2) },
    { kind: 'leader', path: SHORT, at: on(cx + end, cy - end) },
    hub !== null && { kind: 'leader', path: HUB_ACROSS, at: on(cx, cy) },
    gap > 0 && second?.y === y && { kind: 'leader', path: ['gap'], at: on(x + side + gap / 2, cy - half / 2) },
  ];
  return dims.filter((dim): dim is Dim => Boolean(dim));
}
