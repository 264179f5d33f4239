import { z } from 'zod';
import { exact, lengthOf, lengthText, roundToMark, ticks, type Ticks } from '../../length/index.ts';
import { boundsOf, polygon, rect, shapeOfOutline, type Finish, type Point, type Size } from '../../geometry/index.ts';
import { lengthAt, sizeAt } from '../../line/index.ts';
import { fieldKey, lengthField, type Field, type FieldPath } from '../fields.ts';
import { readGivenLengths } from '../given.ts';
import { makeBlank, makeLayer, outerDimsOf } from '../laying.ts';
import { PLAIN_RECIPE, findNotPositive, makeRefusal, solveLengths, ownProblem, capLength } from '../plain.ts';
import type { Corner } from '../radial.ts';
import type { Arithmetic, Dim, Fact, Layer, Recipe, LayoutContext } from '../recipe.ts';
import { term, type Equation } from '../sums.ts';

/*
 * An envelope for a card, of one piece with four flaps, seen from behind:
 *
 *            /------\        top flap          envelope = card + play on both sides
 *           /        \                         cut      = envelope + a side flap left and right, top and bottom flap
 *      +---+----------+---+
 *      | s |   body   | s |  side flaps go in first, the bottom flap over them is glued to them,
 *      +---+----------+---+  the top flap closes over it: top + bottom > height
 *           \        /
 *            \______/        bottom flap
 */

const CLOSES = ['slanted', 'pointed'] as const;
const size = { width: lengthText().optional(), height: lengthText().optional() };

const envelopeSchema = z.strictObject({
  card: z.strictObject(size),
  /** On each side of the card. */
  play: lengthText({ allow: 'zero' }).optional(),
  envelope: z.strictObject(size),
  flaps: z.strictObject({
    /** Left out: by the rules of the field. */
    side: lengthText().optional(),
    bottom: lengthText().optional(),
    top: lengthText().optional(),
    closes: z.enum(CLOSES),
  }),
});
export type EnvelopeInput = z.infer<typeof envelopeSchema>;

const CARD: FieldPath = ['card'];
const ENVELOPE: FieldPath = ['envelope'];
const PLAY: FieldPath = ['play'];
const SIDE: FieldPath = ['flaps', 'side'];
const BOTTOM: FieldPath = ['flaps', 'bottom'];
const TOP: FieldPath = ['flaps', 'top'];
const FLAPS: FieldPath = ['flaps'];
const AXES = ['width', 'height'] as const;
type Axis = (typeof AXES)[number];
const along = (group: FieldPath, axis: Axis): FieldPath => [...group, axis];

function arithmetic(input: EnvelopeInput, table: LayoutContext): Arithmetic {
  const { givens, problems, give } = readGivenLengths(table.unit);
  const equations = AXES.map((axis): Equation => {
    give(along(CARD, axis), input.card[axis]);
    give(along(ENVELOPE, axis), input.envelope[axis]);
    return [term(along(ENVELOPE, axis), 1), term(along(CARD, axis), -1), term(PLAY, -2)];
  });
  give(PLAY, input.play, 'assumed', 'zero');
  give(SIDE, input.flaps.side);
  give(BOTTOM, input.flaps.bottom);
  give(TOP, input.flaps.top);
  return { equations, givens, problems };
}

interface Flaps {
  readonly side: Ticks;
  readonly bottom: Ticks;
  readonly top: Ticks;
}

/** The outline as it is cut, its lower left corner at 0, 0; the body begins at the side flap and the bottom flap. */
export function envelopeOutlineOf(
  { width: w, height: h }: Size,
  { side, bottom, top }: Flaps,
  closes: EnvelopeInput['flaps']['closes'],
): Corner[] {
  const [x0, x1, y0, y1] = [side, side + w, bottom, bottom + h];
  const [all, high] = [w + 2 * side, bottom + h + top];
  // flaps are narrower at their free ends, so that none stands out when it is folded
  const [in1, up] = [Math.min(bottom / 2, w / 8, side * 0.75), Math.min(side, h / 8)];
  const slant = Math.min(top, w / 5, (side * top) / Math.max(1, h - bottom));
  const tip: Corner[] =
    closes === 'pointed'
      ? [[(x0 + x1) / 2, high]]
      : [
          [x1 - slant, high],
          [x0 + slant, high],
        ];
  return [
    ...([
      [x0, y0],
      [x0 + in1, 0],
      [x1 - in1, 0],
      [x1, y0],
    ] as Corner[]),
    ...([
      [all, y0 + up],
      [all, y1 - up],
      [x1, y1],
    ] as Corner[]),
    ...tip,
    ...([
      [x0, y1],
      [0, y1 - up],
      [0, y0 + up],
    ] as Corner[]),
  ];
}

/** An envelope for a card: how large, its flaps, a template at true size. */
export const envelope: Recipe<'envelope', EnvelopeInput> = {
  ...PLAIN_RECIPE,
  id: 'envelope',
  input: envelopeSchema,
  roles: ['envelope', 'flap'],
  reasons: ['does-not-close', 'flap-too-long', 'sides-meet'],
  advice: ['stays-open'],
  phrases: [
    'envelope for a 4 1/4 x 5 1/2 card',
    'envelope for a 3 x 4 card, play 1/8',
    'envelope 5 1/4 x 7 1/4, play 1/8',
    'pointed envelope for a 4 x 6 photo, top flap 3',
    'envelope for a 105 mm x 148 mm card, play 3 mm',
  ],

  start: (table) => {
    const { unit, room } = table;
    const inch = unit === 'in';
    const fit = (wished: string, most: number) => capLength(wished, most, table);
    return {
      card: {
        width: fit(inch ? '5 1/2' : '148', room.width * 0.7),
        height: fit(inch ? '4 1/4' : '105', room.height * 0.4),
      },
      play: inch ? '1/8' : '3',
      envelope: {},
      flaps: { closes: 'slanted' },
    };
  },
  fields: ({ card, play, envelope: own, flaps }): readonly Field[] => [
    ...AXES.map((axis) => lengthField(along(CARD, axis), card[axis])),
    lengthField(PLAY, play, { allow: 'zero', group: CARD }),
    ...AXES.map((axis) => lengthField(along(ENVELOPE, axis), own[axis])),
    lengthField(SIDE, flaps.side, { ifEmpty: 'by-rule' }),
    lengthField(BOTTOM, flaps.bottom, { ifEmpty: 'by-rule' }),
    lengthField(TOP, flaps.top, { ifEmpty: 'by-rule' }),
    { kind: 'choice', path: ['flaps', 'closes'], group: FLAPS, value: flaps.closes, options: CLOSES },
  ],
  givesWay: (_input, path) => {
    const axis = path.at(-1) as Axis;
    if (path[0] === 'card') return { own: [along(ENVELOPE, axis)], others: [PLAY] };
    if (path[0] === 'envelope') return { own: [along(CARD, axis)], others: [PLAY] };
    return { own: AXES.map((one) => along(ENVELOPE, one)), others: AXES.map((one) => along(CARD, one)) };
  },
  standsStill: (_input, path) => {
    const axis = path.at(-1) as Axis;
    if (path[0] === 'card') return [along(ENVELOPE, axis)];
    if (path[0] === 'envelope') return [along(CARD, axis), PLAY];
    return path[0] === 'play' ? [along(ENVELOPE, 'width')] : [];
  },
  arithmetic,

  solve: (input, table) => {
    const { solution, problems, near } = solveLengths(arithmetic(input, table));
    if (problems.length) return makeRefusal(problems);
    const none = findNotPositive([...AXES.flatMap((axis) => [along(CARD, axis), along(ENVELOPE, axis)])], near);
    if (none.length) return makeRefusal(none);
    if (near(PLAY) < 0) return makeRefusal([{ code: 'size-not-positive', path: PLAY, size: near(PLAY) }]);
    // a card must go in
    const up = (t: Ticks) => roundToMark(t, table.mark, 'up');
    const body: Size = { width: up(near(along(ENVELOPE, 'width'))), height: up(near(along(ENVELOPE, 'height'))) };
    const flaps = flapsOf(input, body, table, near);
    const { side, bottom, top } = flaps;
    if (2 * side >= body.width)
      return makeRefusal(
        [ownProblem('sides-meet', SIDE, side, body.width)],
        offered(SIDE, body.width / 2 - table.mark.step, table),
      );
    const long = (
      [
        ['bottom', bottom, BOTTOM],
        ['top', top, TOP],
      ] as const
    ).find(([, flap]) => flap > body.height);
    if (long)
      return makeRefusal(
        [ownProblem('flap-too-long', long[2], long[1], body.height)],
        [{ path: long[2], length: roundToMark(body.height, table.mark, 'down') }],
      );
    const overlap = ticks(bottom + top - body.height);
    if (overlap <= 0)
      return makeRefusal(
        [ownProblem('does-not-close', TOP, -overlap)],
        [
          {
            path: TOP,
            length: ticks(
              Math.min(
                body.height,
                up(ticks(body.height - bottom + lengthOf(table.unit === 'in' ? '1/2' : '12', table.unit))),
              ),
            ),
          },
        ],
      );
    const shape = shapeOfOutline(polygon(envelopeOutlineOf(body, flaps, input.flaps.closes)));
    const cut: Size = { width: ticks(body.width + 2 * side), height: ticks(body.height + bottom + top) };
    const at = (x: number, y: number): Point => ({ x: ticks(x), y: ticks(y) });
    const [x1, y1] = [side + body.width, bottom + body.height];
    const finish: Finish[] = [
      { do: 'outline', as: 'shape' },
      { do: 'fold', from: at(side, bottom), to: at(side, y1) },
      { do: 'fold', from: at(x1, bottom), to: at(x1, y1) },
      { do: 'fold', from: at(side, bottom), to: at(x1, bottom) },
      { do: 'fold', from: at(side, y1), to: at(x1, y1) },
    ];
    const opening = openingOf(input, body, flaps);
    const values = new Map(solution.values);
    for (const [path, flap] of [
      [SIDE, side],
      [BOTTOM, bottom],
      [TOP, top],
    ] as const)
      values.set(fieldKey(path), exact(flap));
    const facts: Fact[] = [
      { name: 'cut', lengths: [cut.width, cut.height] },
      { name: 'overlap', lengths: [overlap] },
    ];
    return {
      status: 'solved',
      laid: {
        size: body,
        layers: closed(body, flaps, input.flaps.closes),
        blanks: [
          makeBlank({ key: 'envelope', role: 'envelope', n: 1, shape, finish, makes: 5 }, cut, table.mark, 'up'),
        ],
        slots: [],
        dims: dimsOf(body, flaps),
        facts,
      },
      values,
      sums: solution.sums,
      suggestions:
        opening > table.mark.step
          ? [{ code: 'own', why: 'stays-open', path: BOTTOM, lengths: [ticks(Math.round(opening))] }]
          : [],
    };
  },

  grammar: {
    heads: ['envelope'],
    places: {
      card: { kind: 'size', words: ['for', 'card', 'photo', 'hold', 'holding', 'print'] },
      envelope: { kind: 'size', words: ['envelope'] },
      play: { kind: 'length', words: ['play', 'ease', 'slack'] },
      side: { kind: 'length', words: ['side'], alone: true },
      bottom: { kind: 'length', words: ['bottom'], alone: true },
      top: { kind: 'length', words: ['top', 'flap'], alone: true },
    },
    flags: { pointed: ['pointed', 'point', 'pointy', 'triangular'] },
    usual: ['card'],
    idle: ['flap', 'mini', 'small', 'closed', 'room'],
  },
  read: (heard, table) => {
    const [card, outer] = [sizeAt(heard, 'card'), sizeAt(heard, 'envelope')];
    if (!card && !outer) return null;
    const said = (place: string) => lengthAt(heard, place);
    const [side, bottom, top] = [said('side'), said('bottom'), said('top')];
    return {
      card: card ?? {},
      play: said('play') ?? (table.unit === 'in' ? '1/8' : '3'),
      envelope: card ? {} : outer!,
      flaps: {
        ...(side === undefined ? {} : { side }),
        ...(bottom === undefined ? {} : { bottom }),
        ...(top === undefined ? {} : { top }),
        closes: heard.flags.has('pointed') ? 'pointed' : 'slanted',
      },
    };
  },
};

const offered = (path: FieldPath, length: number, { mark }: LayoutContext) => {
  const on = roundToMark(ticks(Math.max(0, Math.floor(length))), mark, 'down');
  return on > 0 ? [{ path, length: on }] : [];
};

/** Side flaps of 3/4 (20 mm), the bottom flap over two thirds of the height, the top flap over half of it; further where it is pointed. */
function flapsOf(
  { flaps }: EnvelopeInput,
  { width, height }: Size,
  { unit, mark }: LayoutContext,
  near: (path: FieldPath) => Ticks,
): Flaps {
  const onMark = (t: number) => Math.max(mark.step, roundToMark(ticks(Math.floor(t)), mark, 'up'));
  const of = (given: unknown, path: FieldPath, rule: number) => (given === undefined ? ticks(rule) : near(path));
  const pointed = flaps.closes === 'pointed';
  const wide = Math.min(lengthOf(unit === 'in' ? '3/4' : '20', unit), onMark(width / 4));
  const side = of(flaps.side, SIDE, wide);
  const top = of(flaps.top, TOP, Math.min(height, onMark(height * (pointed ? 0.65 : 0.5))));
  // beside the slanted edges of a pointed one the bottom flap must reach up to where the side flaps are covered
  const least = pointed ? height - (1.8 * side * top) / width : (height * 2) / 3;
  const bottom = of(flaps.bottom, BOTTOM, Math.min(height, onMark(Math.max(least, height / 2))));
  return { side, bottom, top };
}

/** How wide it stays open between the top flap and a side flap, above the bottom flap; none where they cover each other. */
function openingOf(
  { flaps: { closes } }: EnvelopeInput,
  { width, height }: Size,
  { side, bottom, top }: Flaps,
): number {
  if (closes === 'slanted' || top <= 0) return 0;
  return Math.max(0, ((width / 2) * (height - bottom)) / top - side);
}

/** Closed, from behind: the body, the side flaps, the bottom flap over them, the top flap over all. */
function closed(body: Size, flaps: Flaps, closes: EnvelopeInput['flaps']['closes']): Layer[] {
  const { side, bottom } = flaps;
  const { width: w, height: h } = body;
  const all = envelopeOutlineOf(body, flaps, closes).map(([x, y]): Corner => [x - side, y - bottom]);
  // each flap mirrored over its fold
  const over = (corners: readonly Corner[], fold: (p: Corner) => Corner) => shapeOfOutline(polygon(corners.map(fold)));
  const pick = (...at: number[]) => at.map((i) => all[i]!);
  const tipped = closes === 'pointed' ? 1 : 2;
  const [right, left] = [
    over([[w, 0], ...pick(4, 5), [w, h]], ([x, y]) => [2 * w - x, y]),
    over([[0, h], ...pick(all.length - 2, all.length - 1), [0, 0]], ([x, y]) => [-x, y]),
  ];
  const lower = over(pick(0, 1, 2, 3), ([x, y]) => [x, -y]);
  const upper = over([[w, h], ...all.slice(7, 7 + tipped), [0, h]], ([x, y]) => [x, 2 * h - y]);
  const base = { blank: 'envelope', group: ENVELOPE, sized: null };
  const flap = (key: string, n: number, shape: ReturnType<typeof over>): Layer =>
    makeLayer({ ...base, key, role: 'flap', n, box: boundsOf(shape), shape, along: true });
  return [
    makeLayer({
      ...base,
      key: 'body',
      role: 'envelope',
      n: 1,
      box: rect(0, 0, w, h),
      back: true,
      sized: { width: along(ENVELOPE, 'width'), height: along(ENVELOPE, 'height') },
    }),
    flap('left', 1, left),
    flap('right', 2, right),
    flap('bottom', 3, lower),
    flap('top', 4, upper),
  ];
}

function dimsOf(body: Size, { bottom, top, side }: Flaps): Dim[] {
  const on = (x: number, y: number): Point => ({ x: ticks(Math.round(x)), y: ticks(Math.round(y)) });
  const { width: w, height: h } = body;
  return [
    ...outerDimsOf(ENVELOPE, body),
    { kind: 'leader', path: TOP, at: on(w * 0.55, h - top) },
    { kind: 'leader', path: SIDE, at: on(w - side, h * 0.5) },
    { kind: 'leader', path: BOTTOM, at: on(w * 0.7, Math.min(h, bottom) * 0.3) },
  ];
}
