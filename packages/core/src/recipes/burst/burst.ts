import { z } from 'zod';
import { exact, formatExactLength, lengthOf, lengthText, roundToMark, ticks, type Ticks } from '../../length/index.ts';
import { boundsOf, circle, type Finish, type Point } from '../../geometry/index.ts';
import { countAt, lengthAt, lengthsAt, sizeAt, parseTicks } from '../../line/index.ts';
import { fieldKey, lengthField, withValue, type Field, type FieldPath, choiceField } from '../fields.ts';
import { readGivenLengths } from '../given.ts';
import { makeBlank, makeLayer } from '../laying.ts';
import { PLAIN_RECIPE, findNotPositive, makeRefusal, solveLengths } from '../plain.ts';
import { degrees, moveToZero, makeRadialStrip } from '../radial.ts';
import type { Arithmetic, Dim, Fact, Layer, Recipe, LayoutContext } from '../recipe.ts';
import { term, type Equation } from '../sums.ts';

/*
 * Strips about one point, held there by a brad or glued: a fan from near one end, a burst from the middle.
 *
 *      \  |  /          \|/        spread = (strips − 1) × angle between them, or strips × it where they go all the way round
 *       \ | /          --+--       strips of unlike length are all trimmed to the shortest
 *         o             /|\
 */

const FORMS = ['fan', 'burst'] as const;
const TOWARDS = ['up', 'right', 'down', 'left'] as const;
const HELD = ['brad', 'glue'] as const;
const MAX_BURST_STRIPS = 48;
const count = z.int().min(1).max(MAX_BURST_STRIPS);
const angle = z.int().min(1).max(360);

const burstSchema = z.strictObject({
  form: z.enum(FORMS),
  strip: z.strictObject({ width: lengthText().optional(), length: lengthText().optional() }),
  /** Strips that are there already, each as long as it is: all are trimmed to the shortest. */
  strips: z.array(z.strictObject({ id: z.string().min(1), length: lengthText().optional() })).max(MAX_BURST_STRIPS),
  count: count.optional(),
  /** In degrees. */
  angle: z.strictObject({ spread: angle.optional(), apart: angle.optional() }),
  towards: z.enum(TOWARDS),
  held: z.strictObject({
    by: z.enum(HELD),
    /** From the end of a fan's strip to the middle of its hole. */
    inset: lengthText().optional(),
    hole: lengthText().optional(),
  }),
});
export type BurstInput = z.infer<typeof burstSchema>;

const STRIP: FieldPath = ['strip'];
const WIDTH: FieldPath = ['strip', 'width'];
const LENGTH: FieldPath = ['strip', 'length'];
const COUNT: FieldPath = ['count'];
const SPREAD: FieldPath = ['angle', 'spread'];
const APART: FieldPath = ['angle', 'apart'];
const INSET: FieldPath = ['held', 'inset'];
const HOLE: FieldPath = ['held', 'hole'];
const lengthAtEntry = (i: number): FieldPath => ['strips', i, 'length'];

/** All the way round, where the last would lie on the first. */
const roundOf = ({ form }: BurstInput): number => (form === 'fan' ? 360 : 180);

/** How many strips there are; null where nothing says it. */
function countOf(input: BurstInput): number | null {
  if (input.count !== undefined) return input.count;
  if (input.strips.length) return input.strips.length;
  const { spread, apart } = input.angle;
  if (spread === undefined || apart === undefined) return null;
  return Math.min(MAX_BURST_STRIPS, Math.floor(spread / apart) + (spread === roundOf(input) ? 0 : 1));
}
const gapsOf = (input: BurstInput, n: number): number => (input.angle.spread === roundOf(input) ? n : n - 1);

function arithmetic(input: BurstInput, table: LayoutContext): Arithmetic {
  const { givens, problems, give } = readGivenLengths(table.unit);
  const { strip, strips, angle: angles, held, form } = input;
  give(WIDTH, strip.width);
  give(LENGTH, strip.length);
  strips.forEach((one, i) => give(lengthAtEntry(i), one.length));
  const asked = [WIDTH, ...strips.map((_, i) => lengthAtEntry(i)), ...(strips.length ? [] : [LENGTH])];
  const equations: Equation[] = asked.map((path) => [term(path, 1), term(path, -1)]);
  if (held.by === 'brad') {
    give(HOLE, held.hole);
    if (form === 'fan') give(INSET, held.inset);
  }
  const n = countOf(input);
  for (const [path, value] of [
    [SPREAD, angles.spread],
    [APART, angles.apart],
  ] as const)
    // so many come from both: what is over is left
    if (value !== undefined && (input.count !== undefined || input.strips.length || path === APART))
      givens.push({ path, value: ticks(value), known: 'assumed' });
  const gaps = n === null ? 0 : gapsOf(input, n);
  // of one strip there is no angle to another
  if (gaps > 0) equations.push([term(SPREAD, 1), term(APART, -gaps)]);
  return { equations, givens, problems };
}

/** How far from the point one strip has left the next: there their edges meet. */
const clearOf = (width: number, apart: number): number => (apart >= 180 ? 0 : width / 2 / Math.tan(degrees(apart) / 2));

/** Strips about a point: how long each may be, the angle between them, where the hole goes. */
export const burst: Recipe<'burst', BurstInput> = {
  ...PLAIN_RECIPE,
  id: 'burst',
  input: burstSchema,
  roles: ['strip'],
  reasons: ['longer-than-shortest', 'too-far-round', 'hole-outside', 'none-fits', 'more-are-there'],
  phrases: [
    'burst of strips 5 1/4, 4 7/8, 5 1/16, 4 13/16',
    'fan of seven strips 1/2 x 5 over 150 degrees',
    'burst of 6 strips 3/8 x 5',
    'fan of strips 1/2 x 4, 15 degrees apart over 90',
    'fan of 5 strips 12 mm x 100 mm over 120 degrees',
  ],

  start: ({ unit, room, mark }) => {
    const inch = unit === 'in';
    const most = Math.min(room.width * 0.42, room.height * 0.7, lengthOf(inch ? '5' : '125', unit));
    const long = Math.max(mark.step * 6, roundToMark(ticks(Math.floor(most)), mark, 'down'));
    const small = long < lengthOf('2', 'in');
    return {
      form: 'fan',
      strip: {
        width: inch ? (small ? '1/8' : '1/2') : small ? '4' : '12',
        length: formatExactLength(ticks(long), unit),
      },
      strips: [],
      count: 7,
      angle: { spread: 150 },
      towards: 'up',
      held: { by: 'brad' },
    };
  },
  fields: (input): readonly Field[] => {
    const { form, strip, strips, count: n, angle: angles, towards, held } = input;
    const turn = (path: FieldPath, value: number | undefined, ifEmpty: 'worked-out' | 'by-rule'): Field => ({
      kind: 'count',
      path,
      group: ['angle'],
      value,
      ifEmpty,
      most: 360,
    });
    return [
      choiceField(['form'], ['form'], form, FORMS),
      lengthField(WIDTH, strip.width, { ifEmpty: 'refused' }),
      lengthField(LENGTH, strip.length, { ifEmpty: strips.length ? 'by-rule' : 'refused' }),
      ...strips.map((one, i) =>
        lengthField(lengthAtEntry(i), one.length, { ifEmpty: 'refused', group: ['strips', i] }),
      ),
      {
        kind: 'count',
        path: COUNT,
        group: ['angle'],
        value: n,
        ifEmpty: strips.length ? 'by-rule' : 'worked-out',
        most: MAX_BURST_STRIPS,
      },
      turn(SPREAD, angles.spread, 'worked-out'),
      turn(APART, angles.apart, 'worked-out'),
      choiceField(['towards'], ['form'], towards, TOWARDS),
      choiceField(['held', 'by'], ['held'], held.by, HELD),
      ...(held.by === 'brad' && form === 'fan' ? [lengthField(INSET, held.inset, { ifEmpty: 'by-rule' })] : []),
      ...(held.by === 'brad' ? [lengthField(HOLE, held.hole, { ifEmpty: 'by-rule' })] : []),
    ];
  },
  lists: ({ strips }) => [{ path: ['strips'], ids: strips.map((s) => s.id), most: MAX_BURST_STRIPS }],
  entry: (input, _list, _table, id) => ({ id, length: input.strips.at(-1)?.length ?? input.strip.length ?? '5 in' }),
  put: (input, path, value) => {
    const next = withValue(input, path, value);
    if (path[0] !== 'form' || next.form === 'fan' || (next.angle.spread ?? 0) <= 180) return next;
    return withValue(next, SPREAD, 180);
  },
  givesWay: (_input, path) =>
    path.at(-1) === 'spread'
      ? { own: [APART], others: [] }
      : path.at(-1) === 'apart'
        ? { own: [SPREAD], others: [] }
        : { own: [APART, SPREAD], others: [] },
  standsStill: (_input, path) =>
    path[0] === 'count'
      ? [SPREAD, APART]
      : path.at(-1) === 'spread'
        ? [APART]
        : path.at(-1) === 'apart'
          ? [SPREAD]
          : [],
  arithmetic,

  solve: (input, table) => {
    const { strips, form, held, towards } = input;
    const n = countOf(input);
    const { solution, problems, near, exactly } = solveLengths(arithmetic(input, table));
    if (problems.length) return makeRefusal(problems);
    if (n === null) return makeRefusal([{ code: 'missing', paths: [COUNT] }]);
    if (n < strips.length)
      return makeRefusal(
        [{ code: 'own', why: 'more-are-there', path: COUNT, lengths: [ticks(n), ticks(strips.length)] }],
        [{ path: COUNT, count: strips.length }],
      );
    if (n < 1) return makeRefusal([{ code: 'own', why: 'none-fits', path: APART, lengths: [near(APART)] }]);
    const at = strips.map((_, i) => lengthAtEntry(i));
    const none = findNotPositive([WIDTH, ...at, ...(input.strip.length === undefined ? [] : [LENGTH])], near);
    if (none.length) return makeRefusal(none);
    const shortest = strips.length ? ticks(Math.min(...at.map(near))) : near(LENGTH);
    const length = input.strip.length === undefined ? shortest : near(LENGTH);
    if (strips.length && length > shortest)
      return makeRefusal(
        [{ code: 'own', why: 'longer-than-shortest', path: LENGTH, lengths: [length, shortest] }],
        [{ path: LENGTH, length: shortest }],
      );
    const width = near(WIDTH);
    const apartExact = exactly(APART);
    const apart = n > 1 ? Number(apartExact.n) / Number(apartExact.d) : 0;
    const all = n === 1 ? 0 : apart * gapsOf(input, n);
    const most = roundOf(input);
    if (all > most + 1e-9 || apart <= 0 === n > 1)
      return makeRefusal(
        [{ code: 'own', why: 'too-far-round', path: SPREAD, lengths: [ticks(Math.round(all)), ticks(most)] }],
        [{ path: SPREAD, count: most }],
      );
    const fan = form === 'fan';
    const brad = held.by === 'brad';
    const pin = brad && fan ? (held.inset === undefined ? ticks(Math.floor(width / 2)) : near(INSET)) : ticks(0);
    const hole = brad ? (held.hole === undefined ? usualHole(width, table) : near(HOLE)) : ticks(0);
    if (brad && (hole >= width || (fan && (pin < hole / 2 || pin + hole / 2 > length))))
      return makeRefusal([{ code: 'own', why: 'hole-outside', path: fan ? INSET : HOLE, lengths: [hole, pin, width] }]);
    const first = 90 - 90 * TOWARDS.indexOf(towards) + (apart * (n - 1)) / 2;
    const [from, to] = fan ? [-pin, length - pin] : [-length / 2, length / 2];
    const turns = Array.from({ length: n }, (_, i) => first - i * apart);
    const laid = moveToZero(turns.map((turn) => makeRadialStrip(width, from, to, degrees(turn))));
    const pinned = brad ? [circle(laid.middle.x, laid.middle.y, Math.floor(hole / 2))] : [];
    const layers = laid.shapes.map(({ outline }, i): Layer => {
      const shape = { outline, holes: pinned };
      return makeLayer({
        key: `strip-${i + 1}`,
        role: 'strip',
        n: i + 1,
        box: boundsOf(shape),
        shape,
        blank: 'strip',
        group: STRIP,
        sized: { width: WIDTH, height: LENGTH },
        turned: turns[i]! - 90,
      });
    });
    const middle: Point = { x: ticks(Math.floor(width / 2)), y: fan ? pin : ticks(Math.floor(length / 2)) };
    const finish: Finish[] = brad ? [{ do: 'holes', at: [middle], across: hole }] : [];
    const values = new Map(solution.values);
    values.set(fieldKey(LENGTH), exact(length));
    values.set(fieldKey(COUNT), exact(n));
    if (!values.has(fieldKey(SPREAD)) && n === 1) values.set(fieldKey(SPREAD), exact(0));
    if (brad && fan) values.set(fieldKey(INSET), exact(pin));
    if (brad) values.set(fieldKey(HOLE), exact(hole));
    const clear = Math.round(clearOf(width, apart));
    const facts: Fact[] = [
      ...(strips.length ? [{ name: 'off', lengths: at.map((path) => ticks(near(path) - length)) }] : []),
      ...(n > 1 ? [{ name: 'apart', lengths: [ticks(Math.round(apart * 10))] }] : []),
      ...(n > 1 && clear < Math.max(to, -from) ? [{ name: 'clear', lengths: [ticks(clear)] }] : []),
      ...(brad ? [{ name: 'hole', lengths: [fan ? pin : ticks(Math.floor(length / 2))] }] : []),
    ];
    return {
      status: 'solved',
      laid: {
        size: laid.size,
        layers,
        blanks: [
          makeBlank(
            { key: 'strip', role: 'strip', n: 1, quantity: n, finish },
            { width, height: length },
            table.mark,
            'nearest',
          ),
        ],
        slots: [],
        dims: dimsOf(input, laid.middle, turns, { width, to, pin }, brad),
        facts,
      },
      values,
      // of angles there is no sum to show
      sums: new Map(),
      suggestions: [],
    };
  },

  grammar: {
    heads: ['sunburst', 'burst', 'starburst', 'fan', 'strip', 'stripe'],
    places: {
      count: { kind: 'count', words: [], most: MAX_BURST_STRIPS },
      strip: { kind: 'size', words: ['strip', 'stripe'] },
      width: { kind: 'length', words: ['wide', 'width'], alone: true },
      spread: { kind: 'length', words: ['over', 'spread', 'through', 'round'], alone: true, upTo: 360 },
      apart: { kind: 'length', words: ['apart', 'between'], alone: true, upTo: 360 },
      turn: { kind: 'length', words: ['degree'], alone: true, upTo: 360 },
      inset: { kind: 'length', words: ['hole', 'brad', 'inset'], alone: true },
      length: { kind: 'length', words: ['strip', 'long', 'length', 'are', 'shortest'], many: true, alone: true },
      ground: { kind: 'size', words: ['on', 'onto'], alone: true },
    },
    flags: { glue: ['glue', 'glued'], half: ['half'] },
    usual: ['strip', 'length'],
    idle: ['angle', 'unlike', 'trimmed', 'trim', 'equal', 'evenly', 'from', 'paper'],
  },
  read: (heard, table) => {
    const form = heard.heads.has('fan')
      ? ('fan' as const)
      : ['burst', 'starburst'].some((head) => heard.heads.has(head)) ||
          // a sunburst of strips; one of rays is another's
          (heard.heads.has('sunburst') && heard.heads.has('strip'))
        ? ('burst' as const)
        : null;
    if (form === null) return null;
    const said = (place: string) => lengthAt(heard, place);
    const whole = (place: string): number | undefined => {
      const text = String(said(place) ?? '');
      return /^\d{1,3}$/.test(text) && Number(text) >= 1 && Number(text) <= 360 ? Number(text) : undefined;
    };
    const size = sizeAt(heard, 'strip');
    const lengths = lengthsAt(heard, 'length');
    if (!size && !lengths.length) return null;
    // `15 degrees apart`, `150 degrees`
    const stepped = heard.flags.has('apart') ? whole('turn') : undefined;
    const apart = whole('apart') ?? stepped;
    const spread = whole('spread') ?? (stepped === undefined ? whole('turn') : undefined);
    const n = countAt(heard, 'count');
    const usual = form === 'fan' ? 150 : 180;
    const width = size?.width ?? said('width') ?? (table.unit === 'in' ? '1/2' : '12');
    const inset = said('inset');
    const listed = lengths.length > 1;
    const input: BurstInput = {
      form,
      strip: { width, ...(listed ? {} : { length: size?.height ?? lengths[0] }) },
      strips: listed ? lengths.map((length, i) => ({ id: `s${i + 1}`, length })) : [],
      ...(listed || (n === undefined && spread !== undefined && apart !== undefined) ? {} : { count: n ?? 7 }),
      angle: {
        ...(spread !== undefined
          ? { spread }
          : apart === undefined || (n === undefined && !listed)
            ? { spread: usual }
            : {}),
        ...(apart === undefined || (spread !== undefined && (listed || n !== undefined)) ? {} : { apart }),
      },
      towards: 'up',
      held: { by: heard.flags.has('glue') ? 'glue' : 'brad', ...(inset === undefined ? {} : { inset }) },
    };
    return parseTicks(width, table.unit) > 0 ? input : null;
  },
};

/** An eighth of an inch (3 mm), or a third of a strip too narrow for that. */
const usualHole = (width: Ticks, { unit, mark }: LayoutContext): Ticks =>
  ticks(Math.min(lengthOf(unit === 'in' ? '1/8' : '3', unit), Math.max(mark.step / 2, Math.floor(width / 3))));

function dimsOf(
  { form }: BurstInput,
  middle: Point,
  turns: readonly number[],
  { width, to, pin }: { width: number; to: number; pin: number },
  brad: boolean,
): Dim[] {
  const on = (turn: number, far: number, aside = 0): Point => {
    const angle = degrees(turn);
    return {
      x: ticks(Math.round(middle.x + far * Math.cos(angle) - aside * Math.sin(angle))),
      y: ticks(Math.round(middle.y + far * Math.sin(angle) + aside * Math.cos(angle))),
    };
  };
  // at those to the right, where numbers stand
  const [before, last] = [turns.at(-2), turns.at(-1)!];
  const dims: (Dim | false | undefined)[] = [
    { kind: 'leader', path: LENGTH, at: on(last, to * 0.6) },
    { kind: 'leader', path: WIDTH, at: on(last, to, -width / 2) },
    before !== undefined && { kind: 'leader', path: APART, at: on((before + last) / 2, to * 0.9) },
    brad && { kind: 'leader', path: form === 'fan' ? INSET : HOLE, at: on(last, -pin) },
  ];
  return dims.filter((dim): dim is Dim => Boolean(dim));
}
