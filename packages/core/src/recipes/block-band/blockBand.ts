import { z } from 'zod';
import {
  exact,
  formatExactLength,
  isOnMark,
  lengthOf,
  lengthText,
  roundExact,
  roundToMark,
  ticks,
  type Ticks,
} from '../../length/index.ts';
import { rect } from '../../geometry/index.ts';
import { lengthAt, sizeAt, parseTicks } from '../../line/index.ts';
import { fieldKey, isUnder, lengthField, withValue, type Field, type FieldPath } from '../fields.ts';
import { readGivenLengths } from '../given.ts';
import { makeBlank, makeLayer } from '../laying.ts';
import { PLAIN_RECIPE, findNotPositive, makeRefusal, solveLengths } from '../plain.ts';
import type { Arithmetic, Dim, Layer, Recipe, Suggestion, LayoutContext } from '../recipe.ts';
import { term, type Equation } from '../sums.ts';

/*
 * Blocks side by side that fill a band. Some are as wide as is said; the others share the rest, each by its part. At a join they
 * meet, or the earlier one goes on under the next:
 *
 *     |<------------------ long ------------------>|      long = the widths seen
 *     +----------+----------------+----------------+
 *     |  given   |     share 2    |    share 1     |      cut = seen + tuck, but for the last
 *     +----------+---.------------+---.------------+
 *                |<tuck>          |<tuck>
 */

const RUNS = ['level', 'upright'] as const;
const JOINS = ['tuck', 'butt'] as const;
const MAX_BLOCKS = 24;

const blockBandSchema = z.strictObject({
  run: z.enum(RUNS),
  band: z.strictObject({
    /** From one side of the room to the other, where it is left out. */
    long: lengthText().optional(),
    high: lengthText(),
  }),
  /** In their order; one without a width takes its share of the rest. */
  blocks: z
    .array(
      z.strictObject({ id: z.string().min(1).max(64), width: lengthText().optional(), share: z.int().min(1).max(99) }),
    )
    .min(1)
    .max(MAX_BLOCKS),
  join: z.strictObject({ how: z.enum(JOINS), tuck: lengthText().optional() }),
});
export type BlockBandInput = z.infer<typeof blockBandSchema>;

const BAND: FieldPath = ['band'];
const LONG: FieldPath = ['band', 'long'];
const HIGH: FieldPath = ['band', 'high'];
const BLOCKS: FieldPath = ['blocks'];
const JOIN: FieldPath = ['join'];
const TUCK: FieldPath = ['join', 'tuck'];
/** One share of what is left. */
const REST: FieldPath = ['room', 'rest'];
const blockAt = (i: number): FieldPath => ['blocks', i];
const widthAt = (i: number): FieldPath => ['blocks', i, 'width'];

const roomAlong = ({ run }: BlockBandInput): 'width' | 'height' => (run === 'level' ? 'width' : 'height');

function arithmetic(input: BlockBandInput, table: LayoutContext): Arithmetic {
  const { givens, problems, give } = readGivenLengths(table.unit);
  const { band, blocks, join } = input;
  const room: FieldPath = ['room', roomAlong(input)];
  givens.push({ path: room, value: table.room[roomAlong(input)], known: 'measured' });
  give(LONG, band.long);
  give(HIGH, band.high);
  blocks.forEach((b, i) => give(widthAt(i), b.width));
  if (join.how === 'tuck') give(TUCK, join.tuck);
  const open = [...blocks.entries()].filter(([, b]) => b.width === undefined);
  const equations: Equation[] = [];
  if (band.long === undefined && open.length) equations.push([term(LONG, 1), term(room, -1)]);
  const given = [...blocks.entries()].filter(([, b]) => b.width !== undefined).map(([i]) => term(widthAt(i), -1));
  // one that is open takes all that is left; of several each its share
  if (open.length < 2) equations.push([term(LONG, 1), ...given, ...open.map(([i]) => term(widthAt(i), -1))]);
  else {
    const shares = open.reduce((sum, [, b]) => sum + b.share, 0);
    equations.push([term(LONG, 1), ...given, term(REST, -shares)]);
    for (const [i, b] of open) equations.push([term(widthAt(i), 1), term(REST, -b.share)]);
  }
  return { equations, givens, problems };
}

const usualTuck = (table: LayoutContext): string => (table.unit === 'in' ? '1/4' : '6');

/** A band of blocks: how wide the last one is, how much longer each is cut for its tuck. */
export const blockBand: Recipe<'block-band', BlockBandInput> = {
  ...PLAIN_RECIPE,
  id: 'block-band',
  input: blockBandSchema,
  roles: ['block'],
  reasons: ['too-wide', 'tuck-too-wide'],
  phrases: [
    'block band 3 high: 3 1/4, 5 7/8, rest',
    'band of blocks 2 1/2 high 4, rest, 3, tuck 1/4',
    'blocks 3, 4, 5 butted, 2 high',
    'block band 60 mm high, 80 mm, 120 mm, rest',
    'four blocks across 12, 2 high',
  ],

  start: (table, newId) => {
    const { unit, room, mark } = table;
    const small = room.width < lengthOf('4', 'in');
    const high = Math.max(mark.step * 8, Number(roundToMark(exact(room.height, 4), mark, 'down')));
    const first = roundToMark(exact(room.width, 4), mark, 'nearest');
    return {
      run: 'level',
      band: { high: formatExactLength(ticks(high), unit) },
      blocks: [
        { id: newId(), width: formatExactLength(first, unit), share: 1 },
        { id: newId(), share: 2 },
        { id: newId(), share: 1 },
      ],
      join: { how: 'tuck', tuck: small ? (unit === 'in' ? '1/8' : '3') : usualTuck(table) },
    };
  },
  fields: ({ run, band, blocks, join }): readonly Field[] => {
    const open = blocks.filter((b) => b.width === undefined).length;
    return [
      { kind: 'choice', path: ['run'], group: BAND, value: run, options: RUNS },
      lengthField(LONG, band.long, { ifEmpty: 'by-rule' }),
      lengthField(HIGH, band.high, { ifEmpty: 'refused' }),
      ...blocks.flatMap(({ width, share }, i): Field[] => [
        lengthField(widthAt(i), width, { ifEmpty: 'by-rule' }),
        // a share says something only beside another
        ...(width === undefined && open > 1
          ? [
              {
                kind: 'count',
                path: ['blocks', i, 'share'],
                group: blockAt(i),
                value: share,
                ifEmpty: 'refused',
                most: 99,
              } as Field,
            ]
          : []),
      ]),
      { kind: 'choice', path: ['join', 'how'], group: JOIN, value: join.how, options: JOINS },
      ...(join.how === 'tuck' ? [lengthField(TUCK, join.tuck, { ifEmpty: 'by-rule' })] : []),
    ];
  },
  lists: ({ blocks }) => [{ path: BLOCKS, ids: blocks.map((b) => b.id), most: MAX_BLOCKS }],
  entry: (_input, _list, _table, id) => ({ id, share: 1 }) as { id: string },
  put: (input, path, value) => {
    if (path.at(-1) === 'share' && typeof value !== 'number') return input;
    return withValue(input, path, value);
  },
  givesWay: ({ blocks }, path) => {
    const others = [...blocks.keys()].reverse().map(widthAt);
    // the last takes the rest
    return isUnder(path, BLOCKS) ? { own: [...others, LONG], others: [] } : { own: others, others: [] };
  },
  standsStill: ({ blocks }, path) =>
    isUnder(path, BAND) ? [...blocks.keys()].map(widthAt) : [LONG, ...[...blocks.keys()].map(widthAt)],
  arithmetic,

  solve: (input, table) => {
    const { mark } = table;
    const { solution, problems, near, exactly, follows } = solveLengths(arithmetic(input, table));
    if (problems.length) return makeRefusal(problems);
    const { blocks, join } = input;
    const long = near(LONG);
    const open = [...blocks.entries()].filter(([, b]) => b.width === undefined).map(([i]) => i);
    const none = blocks.flatMap((_, i) => findNotPositive([widthAt(i)], near));
    const rest = open.at(-1);
    if (none.length && rest !== undefined) {
      const given = blocks.reduce((sum, b, i) => sum + (b.width === undefined ? 0 : near(widthAt(i))), 0);
      const last = blocks.findLastIndex((b) => b.width !== undefined);
      const fits = long - (given - near(widthAt(last))) - mark.step * 4 * open.length;
      return makeRefusal(
        [{ code: 'own', why: 'too-wide', path: LONG, lengths: [ticks(given), long] }],
        fits > 0 ? [{ path: widthAt(last), length: roundToMark(ticks(fits), mark, 'down') }] : [],
      );
    }
    if (none.length || near(HIGH) <= 0) return makeRefusal([...none, ...findNotPositive([HIGH], near)]);
    // shares go down to the mark, and the last of them takes what is over
    const widths: number[] = blocks.map((b, i) =>
      b.width !== undefined || i === rest || open.length < 2
        ? near(widthAt(i))
        : roundToMark(exactly(widthAt(i)), mark, 'down'),
    );
    if (rest !== undefined) widths[rest] = long - widths.reduce((sum, w, i) => (i === rest ? sum : sum + w), 0);
    const thin = widths.findIndex((w) => w <= 0);
    if (thin >= 0) return makeRefusal([{ code: 'size-not-positive', path: widthAt(thin), size: ticks(widths[thin]!) }]);
    const tuck = join.how === 'tuck' && join.tuck !== undefined ? near(TUCK) : 0;
    // it would come out on the other side of the next one
    const narrow = widths.findIndex((w, i) => i > 0 && tuck > w);
    if (narrow >= 0)
      return makeRefusal(
        [{ code: 'own', why: 'tuck-too-wide', path: TUCK, lengths: [ticks(tuck), ticks(widths[narrow]!)] }],
        [{ path: TUCK, length: ticks(Math.min(...widths.slice(1))) }],
      );
    const high = near(HIGH);
    const level = input.run === 'level';
    const total = widths.reduce((sum, w) => sum + w, 0);
    let at = 0;
    const layers: Layer[] = widths.map((w, i) => {
      const cut = i < widths.length - 1 ? w + tuck : w;
      // an upright band begins at the top
      const box = level ? rect(at, 0, cut, high) : rect(0, total - at - cut, high, cut);
      at += w;
      const { id } = blocks[i]!;
      return makeLayer({
        key: id,
        role: 'block',
        n: i + 1,
        box,
        group: blockAt(i),
        entry: { list: BLOCKS, id },
        sized: level ? { width: widthAt(i), height: HIGH } : { width: HIGH, height: widthAt(i) },
      });
    });
    const values = new Map(solution.values);
    widths.forEach((w, i) => values.set(fieldKey(widthAt(i)), exact(ticks(w))));
    const over = rest === undefined ? 0 : widths[rest]! - Number(roundExact(exactly(widthAt(rest)), 'nearest'));
    const cut = layers.reduce((sum, l) => sum + (level ? l.box.width : l.box.height), 0);
    const off = widths.flatMap((w, i): Suggestion[] =>
      follows(widthAt(i)) && !isOnMark(ticks(w), mark)
        ? [{ code: 'off-mark', path: widthAt(i), size: ticks(w), nearest: roundToMark(ticks(w), mark, 'nearest') }]
        : [],
    );
    return {
      status: 'solved',
      laid: {
        size: level ? { width: ticks(total), height: high } : { width: high, height: ticks(total) },
        layers,
        blanks: layers.map(({ key, box, n }) => makeBlank({ key, role: 'block', n }, box, mark, 'nearest')),
        // what is tucked under the next one is no room for anything
        slots: layers.map(({ key, role, n, box }, i) => ({
          key,
          role,
          n,
          box: level ? rect(box.x, 0, widths[i]!, high) : rect(0, box.y + box.height - widths[i]!, high, widths[i]!),
        })),
        dims: dimsOf(input, widths, high, total),
        facts: tuck ? [{ name: 'cut-in-all', lengths: [ticks(cut)] }] : [],
      },
      values,
      sums: solution.sums,
      suggestions: [
        ...(over > 0 && open.length > 1 ? [{ code: 'remainder' as const, by: ticks(over), to: widthAt(rest!) }] : []),
        ...off,
      ],
    };
  },

  grammar: {
    heads: ['block', 'band'],
    places: {
      blocks: { kind: 'length', words: [], many: true, most: MAX_BLOCKS },
      wide: { kind: 'length', words: ['wide', 'width'], many: true, most: MAX_BLOCKS },
      high: { kind: 'length', words: ['high', 'tall', 'height', 'deep'] },
      long: { kind: 'length', words: ['across', 'long', 'over', 'length', 'band'], alone: true },
      tuck: { kind: 'length', words: ['tuck', 'overlap', 'under', 'lap'], alone: true },
      count: { kind: 'count', words: [], most: MAX_BLOCKS },
      size: { kind: 'size', words: ['band'], alone: true },
      sheet: { kind: 'size', words: ['from', 'sheet', 'pad', 'paper'], alone: true },
    },
    flags: {
      rest: ['rest', 'remainder', 'remaining'],
      butt: ['butt', 'edge-to-edge', 'touching'],
      upright: ['upright', 'down', 'vertical', 'column', 'tower'],
    },
    usual: ['blocks', 'size'],
    idle: ['last', 'into', 'divided', 'split', 'takes', 'take', 'joins', 'join', 'even', 'equal', 'share', 'photo'],
  },
  /** The widths in their order; the rest is the last where nothing else is said, and so many alike where only their number is. */
  read: (heard, table, newId) => {
    // of a column the width is how deep it is; of a band each block has its own
    const upright = heard.flags.has('upright');
    const blocks = heard.values.filter((v) => v.place === 'blocks' || (!upright && v.place === 'wide'));
    // `band 12: 3 1/4, 5 7/8, rest` is so long; `band 3 1/4, 5 7/8, rest` begins with a block
    const named = heard.values.find((v) => v.place === 'long' && v.word === 'band');
    const sum = blocks.reduce((all, v) => all + parseTicks(v.texts[0], table.unit), 0);
    const begins = named !== undefined && parseTicks(named.texts[0], table.unit) <= sum;
    const widths = begins ? heard.values.filter((v) => v === named || blocks.includes(v)) : blocks;
    const rests = heard.flagsAt.filter(({ flag }) => flag === 'rest');
    const count = Number(lengthAt(heard, 'count') ?? 0);
    if (!widths.length && !count) return null;
    const said = [
      ...widths.map(({ at, texts }) => ({ at, width: texts[0] })),
      ...rests.map(({ at }) => ({ at, width: undefined })),
    ]
      .sort((x, y) => x.at - y.at)
      .map(({ width }) => ({ id: newId(), ...(width === undefined ? {} : { width }), share: 1 }));
    // `three blocks 4 wide`: one is said of all
    const alike = said.length === 1 && widths.length === 1 && count > 1;
    const more = Math.max(0, count - said.length);
    const size = sizeAt(heard, 'size');
    const [across, up] = [size?.width, size?.height];
    const [along, deep] = upright ? [up, across] : [across, up];
    const long = begins ? undefined : (lengthAt(heard, 'long') ?? along);
    const tuck = lengthAt(heard, 'tuck');
    const butt = heard.flags.has('butt');
    return {
      run: upright ? 'upright' : 'level',
      band: {
        ...(long === undefined ? {} : { long }),
        high:
          lengthAt(heard, 'high') ??
          deep ??
          (upright ? lengthAt(heard, 'wide') : undefined) ??
          (table.unit === 'in' ? '3' : '75'),
      },
      blocks: [...said, ...Array.from({ length: more }, () => ({ ...(alike ? said[0]! : { share: 1 }), id: newId() }))],
      join: butt ? { how: 'butt' } : { how: 'tuck', tuck: tuck ?? usualTuck(table) },
    };
  },
};

function dimsOf(input: BlockBandInput, widths: readonly number[], high: Ticks, total: number): Dim[] {
  const level = input.run === 'level';
  const at = (along: number, across: number) =>
    level ? { x: ticks(along), y: ticks(across) } : { x: ticks(across), y: ticks(total - along) };
  const dims: Dim[] = [
    { kind: 'span', path: LONG, from: at(0, 0), to: at(total, 0), side: level ? 'bottom' : 'left' },
    { kind: 'span', path: HIGH, from: at(0, 0), to: at(0, high), side: level ? 'left' : 'top' },
  ];
  let from = 0;
  widths.forEach((w, i) => {
    dims.push({
      kind: 'span',
      path: widthAt(i),
      from: at(from, high),
      to: at(from + w, high),
      side: level ? 'top' : 'right',
    });
    from += w;
  });
  if (input.join.how === 'tuck' && widths.length > 1)
    dims.push({ kind: 'leader', path: TUCK, at: at(widths[0]!, Math.floor(high * 0.3)) });
  return dims;
}
