import {
  exact,
  lengthOf,
  parseLength,
  roundExact,
  roundToMark,
  ticks,
  type Exact,
  type Ticks,
} from '../../length/index.ts';
import { rect, type Point, type Rect, type Size } from '../../geometry/index.ts';
import { countAt, lengthAt, sizeAt, type ParsedValues } from '../../line/index.ts';
import type { Blank } from '../blanks.ts';
import {
  countField,
  fieldKey,
  lengthField,
  textField,
  withValue,
  type Field,
  type FieldPath,
  choiceField,
} from '../fields.ts';
import { readGivenLengths } from '../given.ts';
import { makeBlank, makeLayer } from '../laying.ts';
import { PLAIN_RECIPE, findNotPositive, makeRefusal, solveLengths, ownProblem } from '../plain.ts';
import type { Arithmetic, Dim, Fact, Layer, Offer, Recipe, Slot, Suggestion, LayoutContext } from '../recipe.ts';
import { countStripsFor } from '../fromStock.ts';
import { LETTER_ORDER_PATTERN, repeatLetters } from '../order.ts';
import { term, type Equation } from '../sums.ts';
import {
  BACKINGS,
  BOTH,
  MAX_STRIP_PARTS,
  MAX_WEAVE_STRIPS,
  PATTERNS,
  REPEAT_PATTERN,
  weaveSchema,
  type Direction,
  type WeaveInput,
} from './input.ts';
import { listCrossings, isUneven, countLooseStrips, listSeenRuns } from './over.ts';

/*
 * Upright and level strips, over and under each other:
 *
 *       | | | |        woven = strips × width + (strips − 1) × gap, each way
 *      -+-|-+-|-       where an area is to be covered, as many as reach over it: what they come to more is trimmed off
 *      -|-+-|-+-       a strip is cut as long as the area, and a tail at either end to hold it by
 *       | | | |
 *
 * A width that is worked out goes up to the mark, since it must cover; gaps stay exact, each place is rounded once.
 */

const AXES = [
  { direction: 'upright', size: 'width' },
  { direction: 'level', size: 'height' },
] as const;
type Axis = (typeof AXES)[number];
const areaAt = ({ size }: Axis): FieldPath => ['area', size];
const at = (direction: Direction, name: string): FieldPath => [direction, name];
const TAIL: FieldPath = ['tail'];
const FRINGE: FieldPath = ['fringe'];
const STOCK: FieldPath = ['stock'];
const SETBACK: FieldPath = ['backing', 'setback'];
const DIVIDE: FieldPath = ['divide'];

/** Whose numbers the strips of a direction have. */
const own = ({ both }: WeaveInput, { direction }: Axis): Direction => (both === 'alike' ? 'upright' : direction);

const ticksOf = (text: string | number | undefined, table: LayoutContext): number | null => {
  const read = text === undefined ? null : parseLength(text, table.unit, { allow: 'zero' });
  return read?.ok ? read.value.ticks : null;
};

/** How many strips of a direction: as was said, or as many as cover; null where nothing says it. */
function countOf(input: WeaveInput, axis: Axis, table: LayoutContext): number | null {
  const { count, width, gap } = input[own(input, axis)];
  if (count !== undefined) return count;
  const alike = input.both === 'alike' ? input.area.width : undefined;
  const area = ticksOf(input.area[axis.size] ?? alike, table);
  const [w, g] = [ticksOf(width, table), ticksOf(gap, table)];
  if (area === null || w === null || g === null || w <= 0) return null;
  return Math.max(1, Math.ceil((area + g) / (w + g)));
}

/** Whether the area is what the strips come to, or follows from something of them: else it is covered and trimmed. */
const comesTo = (input: WeaveInput, axis: Axis): boolean => {
  const { count, width, gap } = input[own(input, axis)];
  const said = input.area[axis.size] !== undefined;
  const all = count !== undefined && width !== undefined && gap !== undefined;
  // of both alike the first direction says what is unknown
  return !(said && (all || count === undefined || (axis.direction === 'level' && input.both === 'alike')));
};

function arithmetic(input: WeaveInput, table: LayoutContext): Arithmetic {
  const { givens, problems, give } = readGivenLengths(table.unit);
  const equations: Equation[] = [];
  const asked: FieldPath[] = [STOCK];
  for (const axis of AXES) {
    const strips = own(input, axis);
    const { width, gap } = input[strips];
    if (strips === axis.direction) {
      give(at(strips, 'width'), width);
      give(at(strips, 'gap'), gap, 'assumed', 'zero');
    }
    give(areaAt(axis), input.area[axis.size]);
    const n = countOf(input, axis, table);
    asked.push(at(strips, 'width'), areaAt(axis));
    if (n !== 1) asked.push(at(strips, 'gap'));
    if (n !== null && comesTo(input, axis) && input[strips].count !== undefined)
      equations.push([
        term(areaAt(axis), 1),
        term(at(strips, 'width'), -n),
        ...(n > 1 ? [term(at(strips, 'gap'), 1 - n)] : []),
      ]);
    // a square where only one side is said
    else if (input.area[axis.size] === undefined && input.both === 'alike' && axis.direction === 'level')
      equations.push([term(areaAt(axis), 1), term(areaAt(AXES[0]), -1)]);
  }
  give(TAIL, input.tail, 'assumed', 'zero');
  give(FRINGE, input.fringe, 'assumed', 'zero');
  give(STOCK, input.stock);
  if (input.backing.as === 'behind') give(SETBACK, input.backing.setback, 'assumed', 'zero');
  for (const path of asked) equations.push([term(path, 1), term(path, -1)]);
  return { equations, givens, problems };
}

/** The strips of one direction as they lie across the area, before anything is trimmed off. */
interface Strips {
  readonly axis: Axis;
  readonly n: number;
  readonly width: Ticks;
  readonly woven: Ticks;
  readonly area: Ticks;
  /** Where each begins, from the edge of what is trimmed to; below 0 for what is trimmed off. */
  readonly from: readonly number[];
  readonly letters: readonly string[];
}

/** Strips woven over and under: how many, how long, how many come from a strip, what is trimmed off. */
export const weave: Recipe<'weave', WeaveInput> = {
  ...PLAIN_RECIPE,
  id: 'weave',
  input: weaveSchema,
  roles: ['upright', 'level', 'backing', 'part'],
  reasons: [
    'does-not-cover',
    'too-many-strips',
    'repeat-uneven',
    'fringe-too-long',
    'strip-too-short',
    'no-backing-left',
  ],
  advice: ['loose-strips', 'more-than-cover'],
  phrases: [
    'weave to cover 4 1/2 x 4 1/2 with 3/8 strips, 1/16 gaps, tails 1/2',
    'weave nine 3/8 strips',
    'weave of nine 3/8 strips, gap 1/16',
    'twill weave of 12 strips 1/4 wide, gap 1/16',
    'weave 80 mm x 100 mm of 10 mm strips, gap 1 mm',
    'basket weave of eight 1/2 strips',
  ],

  start: ({ unit, room, mark }) => {
    const inch = unit === 'in';
    const small = Math.min(room.width, room.height) < lengthOf('4', 'in');
    const width = inch ? (small ? '1/8' : '3/8') : small ? '4' : '10';
    const most = Math.min(room.width, room.height) * 0.85;
    const n = Math.max(3, Math.min(11, Math.floor(most / (lengthOf(width, unit) + mark.step))));
    return {
      area: {},
      both: 'alike',
      upright: { count: n, width, gap: inch ? '1/16' : '1' },
      level: {},
      pattern: 'plain',
      tail: inch ? '1/2' : '12',
      stock: inch ? '12' : '305',
      backing: { as: 'none' },
      divide: { across: 1, up: 1 },
    };
  },
  fields: (input): readonly Field[] => {
    const strips = (axis: Axis): Field[] => {
      const { direction } = axis;
      const { count, width, gap, order } = input[direction];
      const letters = textField(at(direction, 'order'), order, { reads: LETTER_ORDER_PATTERN.source, example: 'aab' });
      if (own(input, axis) !== direction) return [letters];
      // what is covered and trimmed says nothing of them
      const ifEmpty = count !== undefined && comesTo(input, axis) ? 'worked-out' : 'refused';
      return [
        countField(at(direction, 'count'), count, { ifEmpty: 'by-rule', most: MAX_WEAVE_STRIPS }),
        lengthField(at(direction, 'width'), width, width === undefined ? {} : { ifEmpty }),
        ...(count === 1
          ? []
          : [lengthField(at(direction, 'gap'), gap, { allow: 'zero', ...(gap === undefined ? {} : { ifEmpty }) })]),
        letters,
      ];
    };
    const { area, both, pattern, repeat, tail, fringe, stock, backing, divide } = input;
    return [
      lengthField(areaAt(AXES[0]), area.width, { ifEmpty: 'by-rule' }),
      lengthField(areaAt(AXES[1]), area.height, { ifEmpty: 'by-rule' }),
      choiceField(['both'], ['both'], both, BOTH),
      ...AXES.flatMap(strips),
      choiceField(['pattern'], ['both'], pattern, PATTERNS),
      ...(pattern === 'typed'
        ? [textField(['repeat'], repeat, { reads: REPEAT_PATTERN.source, example: 'oou uoo ouo', group: ['both'] })]
        : []),
      lengthField(TAIL, tail, { allow: 'zero', ifEmpty: 'by-rule', group: TAIL }),
      lengthField(FRINGE, fringe, { allow: 'zero', ifEmpty: 'by-rule', group: TAIL }),
      lengthField(STOCK, stock, { ifEmpty: 'refused', group: TAIL }),
      choiceField(['backing', 'as'], ['backing'], backing.as, BACKINGS),
      ...(backing.as === 'behind'
        ? [lengthField(SETBACK, backing.setback, { allow: 'zero', ifEmpty: 'by-rule' })]
        : []),
      countField([...DIVIDE, 'across'], divide.across, { most: MAX_STRIP_PARTS }),
      countField([...DIVIDE, 'up'], divide.up, { most: MAX_STRIP_PARTS }),
    ];
  },
  /** Level strips get numbers of their own from those that they had with the upright ones. */
  put: (input, path, value) => {
    const next = withValue(input, path, value);
    if (path[0] !== 'both') return next;
    const { order: _order, ...numbers } = input.upright;
    const { order } = input.level;
    return { ...next, level: { ...(value === 'apart' ? numbers : {}), ...(order === undefined ? {} : { order }) } };
  },
  givesWay: (_input, path) => {
    const axis = AXES.find((one) => one.direction === path[0] || one.size === path[1]) ?? AXES[0];
    return { own: [areaAt(axis)], others: [] };
  },
  standsStill: (input, path) => {
    const axis = AXES.find((one) => one.direction === path[0]);
    return axis && (path[1] === 'width' || path[1] === 'gap')
      ? [areaAt(axis), ...(input.both === 'alike' ? [areaAt(AXES[1])] : [])]
      : [];
  },
  arithmetic,

  solve: (input, table) => {
    const counts = AXES.map((axis) => countOf(input, axis, table));
    const { solution, problems, near, exactly, follows } = solveLengths(arithmetic(input, table));
    if (problems.length) return makeRefusal(problems);
    const uncounted = AXES.filter((_, i) => counts[i] === null).map((axis) => at(own(input, axis), 'count'));
    if (uncounted.length) return makeRefusal([{ code: 'missing', paths: uncounted }]);
    const none = findNotPositive(
      [...AXES.flatMap((axis) => [at(own(input, axis), 'width'), areaAt(axis)]), STOCK],
      near,
    );
    if (none.length) return makeRefusal(none);
    const many = AXES.findIndex((_, i) => counts[i]! > MAX_WEAVE_STRIPS);
    if (many >= 0)
      return makeRefusal([
        ownProblem('too-many-strips', at(own(input, AXES[many]!), 'width'), counts[many]!, MAX_WEAVE_STRIPS),
      ]);
    if (input.pattern === 'typed' && input.repeat !== undefined && isUneven(input.repeat))
      return makeRefusal([ownProblem('repeat-uneven', ['repeat'])]);
    const each = AXES.map((axis, i): Strips => {
      const [n, path] = [counts[i]!, at(own(input, axis), 'width')];
      // it must cover: what does not come out on a mark is cut wider
      const width = follows(path) ? roundToMark(exactly(path), table.mark, 'up') : near(path);
      const gap = n > 1 ? exactly(at(own(input, axis), 'gap')) : exact(0);
      const step = (k: number) =>
        roundExact({ n: BigInt(k) * (BigInt(width) * gap.d + gap.n), d: gap.d } satisfies Exact, 'nearest');
      const woven = ticks(step(n - 1) + width);
      const area = near(areaAt(axis));
      const from = -Math.floor((woven - area) / 2);
      const { direction } = axis;
      const letters = repeatLetters(input[direction].order ?? (direction === 'upright' ? 'a' : 'b'), n);
      return { axis, n, width, woven, area, from: Array.from({ length: n }, (_, k) => from + step(k)), letters };
    });
    const thin = each.find(({ axis }) => near(at(own(input, axis), 'gap')) < 0);
    if (thin) {
      const path = at(own(input, thin.axis), 'gap');
      return makeRefusal([{ code: 'size-not-positive', path, size: near(path) }]);
    }
    const short = each.filter(({ woven, area }) => woven < area - table.mark.step / 8);
    if (short.length)
      return makeRefusal(
        short.map(({ axis, woven, area }) => ownProblem('does-not-cover', areaAt(axis), area - woven, woven)),
        short.flatMap((strips) => wayOut(input, strips, near(at(own(input, strips.axis), 'gap')))),
      );
    const [tail, fringe, stock] = [near(TAIL), near(FRINGE), near(STOCK)];
    if (input.tail !== undefined && fringe > tail)
      return makeRefusal([ownProblem('fringe-too-long', FRINGE, fringe, tail)], [{ path: TAIL, length: fringe }]);
    const [upright, level] = each as [Strips, Strips];
    const area: Size = { width: upright.area, height: level.area };
    const end = Math.max(tail, fringe);
    const lengths = [area.height + 2 * end, area.width + 2 * end];
    const longest = ticks(Math.max(...lengths));
    if (longest > stock)
      return makeRefusal([ownProblem('strip-too-short', STOCK, stock, longest)], [{ path: STOCK, length: longest }]);
    const setback = input.backing.setback === undefined ? usualSetback(table) : near(SETBACK);
    const back = { width: ticks(area.width - 2 * setback), height: ticks(area.height - 2 * setback) };
    const backed = input.backing.as === 'behind';
    if (backed && (back.width <= 0 || back.height <= 0))
      return makeRefusal([ownProblem('no-backing-left', SETBACK, setback)]);

    const over = listCrossings(input, upright.n, level.n);
    const layers = wovenLayers(upright, level, area, fringe, over);
    if (backed)
      layers.unshift(
        makeLayer({
          key: 'backing',
          role: 'backing',
          n: 1,
          group: ['backing'],
          sized: null,
          box: rect(fringe + setback, fringe + setback, back.width, back.height),
        }),
      );
    const blanks = each.flatMap((strips, i): Blank[] => blanksOf(strips, ticks(lengths[i]!), layers, each, table));
    if (backed) blanks.push(makeBlank({ key: 'backing', role: 'backing', n: 1 }, back, table.mark, 'nearest'));
    const { divide } = input;
    const parts = divide.across * divide.up;
    const partSize = {
      width: ticks(Math.floor(area.width / divide.across)),
      height: ticks(Math.floor(area.height / divide.up)),
    };
    const loose = countLooseStrips(over);
    const suggestions: Suggestion[] = loose
      ? [{ code: 'own', why: 'loose-strips', path: ['pattern'], lengths: [ticks(loose)] }]
      : [];
    for (const { axis, n, width, area: covered } of each) {
      const gap = n > 1 ? near(at(own(input, axis), 'gap')) : 0;
      const enough = Math.ceil((covered + gap) / (width + gap));
      const path = at(own(input, axis), 'count');
      if (enough < n && input[own(input, axis)].count !== undefined)
        suggestions.push({ code: 'own', why: 'more-than-cover', path, lengths: [ticks(n), ticks(enough)] });
    }
    const values = new Map(solution.values);
    for (const { axis, n, width } of each) {
      values.set(fieldKey(at(own(input, axis), 'count')), exact(n));
      values.set(fieldKey(at(own(input, axis), 'width')), exact(width));
    }
    if (input.tail === undefined) values.set(fieldKey(TAIL), exact(0));
    if (input.fringe === undefined) values.set(fieldKey(FRINGE), exact(0));
    if (backed) values.set(fieldKey(SETBACK), exact(setback));
    const facts: Fact[] = [
      { name: 'woven', lengths: [upright.woven, level.woven, area.width, area.height] },
      { name: 'cut', lengths: [ticks(lengths[0]!), ticks(lengths[1]!), ticks(upright.n), ticks(level.n)] },
      { name: 'from-strips', lengths: fromStrips(each, lengths, stock) },
      ...(parts > 1 ? [{ name: 'divided', lengths: [ticks(parts), partSize.width, partSize.height] }] : []),
    ];
    return {
      status: 'solved',
      laid: {
        size: { width: ticks(area.width + 2 * fringe), height: ticks(area.height + 2 * fringe) },
        layers,
        blanks,
        slots: parts > 1 ? partsOf(divide, area, fringe) : [],
        dims: dimsOf(input, each, area, fringe),
        facts,
      },
      values,
      sums: solution.sums,
      suggestions,
    };
  },

  grammar: {
    heads: ['weave', 'woven', 'weaving', 'strip'],
    places: {
      count: { kind: 'count', words: [], most: MAX_WEAVE_STRIPS },
      area: { kind: 'size', words: ['cover', 'covering', 'area', 'mat', 'panel', 'trimmed'], alone: true },
      square: { kind: 'length', words: ['cover', 'covering', 'square'], alone: true },
      strip: { kind: 'size', words: ['strip'] },
      width: { kind: 'length', words: ['strip', 'wide', 'width'], alone: true },
      gap: { kind: 'length', words: ['gap', 'apart', 'between', 'space', 'spaced', 'spacing'] },
      tail: { kind: 'length', words: ['tail', 'end'] },
      fringe: { kind: 'length', words: ['fringe', 'fringed'], alone: true },
      stock: { kind: 'length', words: ['from', 'long', 'length'] },
      ground: { kind: 'size', words: ['on', 'onto'], alone: true },
    },
    flags: {
      twill: ['twill', 'diagonal', 'herringbone'],
      basket: ['basket', 'basketweave'],
      tight: ['tight', 'tightly', 'close'],
      backed: ['backed', 'backing'],
    },
    usual: ['area', 'width'],
    idle: ['into', 'way', 'under', 'over', 'paper', 'direction'],
  },
  read: readWeave,
};

/** An eighth of an inch (3 mm) back from the edge, so that it is not seen. */
const usualSetback = ({ unit }: LayoutContext): Ticks => lengthOf(unit === 'in' ? '1/8' : '3', unit);

/** More strips, or as large as they come to. */
function wayOut(input: WeaveInput, { axis, n, width, woven, area }: Strips, gap: number): Offer[] {
  const more = Math.ceil((area + gap) / (width + gap));
  return [
    ...(more > n && more <= MAX_WEAVE_STRIPS ? [{ path: at(own(input, axis), 'count'), count: more }] : []),
    { path: areaAt(axis), length: woven },
  ];
}

/** Level strips, upright ones over them, and the level ones again where they go over. */
function wovenLayers(upright: Strips, level: Strips, area: Size, fringe: Ticks, over: readonly boolean[][]): Layer[] {
  const within = (from: number, to: number, most: number): [number, number] => [Math.max(0, from), Math.min(most, to)];
  const spanOf = (strips: Strips, i: number): [number, number] =>
    within(strips.from[i]!, strips.from[i]! + strips.width, strips.area);
  const layer = (key: string, direction: Direction, i: number, letter: string, box: Rect, along = false): Layer =>
    makeLayer({
      key,
      role: direction,
      n: i + 1,
      box,
      blank: `${direction}-${letter}`,
      group: [direction],
      sized: null,
      ...(along ? { along: true as const } : {}),
    });
  const rows = level.letters.map((letter, i) => ({ letter, i, at: spanOf(level, i) }));
  const columns = upright.letters.map((letter, i) => ({ letter, i, at: spanOf(upright, i) }));
  const all = [
    ...rows.map(({ letter, i, at: [from, to] }) =>
      layer(`level-${i + 1}`, 'level', i, letter, rect(0, fringe + from, area.width + 2 * fringe, to - from)),
    ),
    ...columns.map(({ letter, i, at: [from, to] }) =>
      layer(`upright-${i + 1}`, 'upright', i, letter, rect(fringe + from, 0, to - from, area.height + 2 * fringe)),
    ),
    // rows of the pattern count from the top
    ...rows.flatMap(({ letter, i, at: [from, to] }) =>
      listSeenRuns(over[level.n - 1 - i]!).map(([first, last]) => {
        // as far as the upright strips beside it, under which it goes on
        const left = first > 0 ? fringe + columns[first - 1]!.at[1] : 0;
        const right = last + 1 < columns.length ? fringe + columns[last + 1]!.at[0] : area.width + 2 * fringe;
        const box = rect(left, fringe + from, right - left, to - from);
        return layer(`level-${i + 1}-over-${first + 1}`, 'level', i, letter, box, true);
      }),
    ),
  ];
  // of more strips than cover it the outermost are trimmed off altogether
  return all.filter(({ box }) => box.width > 0 && box.height > 0);
}

/** One blank a paper: as long as the area the other way, with a tail at either end. */
function blanksOf(
  { axis: { direction }, letters, width }: Strips,
  length: Ticks,
  layers: readonly Layer[],
  each: readonly Strips[],
  { mark }: LayoutContext,
): Blank[] {
  const papers = [...new Set(letters)].sort();
  return papers.map((letter, k) => {
    const key = `${direction}-${letter}`;
    const first = direction === 'level' && each[0]!.letters.includes(letter);
    return makeBlank(
      {
        key,
        role: direction,
        n: k + 1,
        quantity: letters.filter((one) => one === letter).length,
        makes: layers.filter((layer) => layer.blank === key).length,
        // one letter is one paper both ways
        ...(first ? { paperFrom: `upright-${letter}` } : {}),
      },
      direction === 'upright' ? { width, height: length } : { width: length, height: width },
      mark,
      'nearest',
    );
  });
}

/** Strips to cut from, pieces in all, and how many come from one where all are as long; those of one paper and width share. */
function fromStrips(each: readonly Strips[], lengths: readonly number[], stock: Ticks): Ticks[] {
  const groups = new Map<string, number[]>();
  each.forEach(({ letters, width }, i) => {
    for (const letter of letters) {
      const key = `${letter} ${width}`;
      groups.set(key, [...(groups.get(key) ?? []), lengths[i]!]);
    }
  });
  // where a paper of its own each way lies on the table, a strip is cut from one paper only
  const strips = [...groups.values()].reduce((sum, pieces) => sum + (countStripsFor(pieces, stock) ?? 0), 0);
  const all = each.reduce((sum, { n }) => sum + n, 0);
  const one = lengths[0] === lengths[1] ? Math.floor(stock / lengths[0]!) : 0;
  const together =
    countStripsFor(
      each.flatMap(({ n }, i) => Array.from({ length: n }, () => lengths[i]!)),
      stock,
    ) ?? 0;
  return [strips, all, one, together].map((n) => ticks(n));
}

function partsOf({ across, up }: WeaveInput['divide'], area: Size, fringe: Ticks): Slot[] {
  const place = (n: number, of: number, size: number) => Math.round((n * size) / of);
  return Array.from({ length: across * up }, (_, i): Slot => {
    const [c, r] = [i % across, Math.floor(i / across)];
    const [x, y] = [place(c, across, area.width), place(r, up, area.height)];
    const box = rect(fringe + x, fringe + y, place(c + 1, across, area.width) - x, place(r + 1, up, area.height) - y);
    return { key: `part-${i + 1}`, role: 'part', n: i + 1, box };
  });
}

function dimsOf(input: WeaveInput, each: readonly Strips[], area: Size, fringe: Ticks): Dim[] {
  const on = (x: number, y: number): Point => ({ x: ticks(Math.round(x)), y: ticks(Math.round(y)) });
  const [upright, level] = each as [Strips, Strips];
  const last = upright.n - 1;
  const x = fringe + upright.from[last]! + upright.width / 2;
  const high = area.height + 2 * fringe;
  const dims: (Dim | false)[] = [
    { kind: 'span', path: areaAt(AXES[0]), from: on(fringe, high), to: on(fringe + area.width, high), side: 'top' },
    { kind: 'span', path: areaAt(AXES[1]), from: on(0, fringe), to: on(0, fringe + area.height), side: 'left' },
    {
      kind: 'leader',
      path: at('upright', 'width'),
      at: on(Math.min(x, fringe + area.width), fringe + area.height * 0.8),
    },
    last > 0 && {
      kind: 'leader',
      path: at('upright', 'gap'),
      at: on(fringe + (upright.from[last]! + upright.from[last - 1]! + upright.width) / 2, fringe + area.height * 0.5),
    },
    input.both === 'apart' && {
      kind: 'leader',
      path: at('level', 'width'),
      at: on(fringe + area.width * 0.9, fringe + Math.max(0, level.from[0]! + level.width / 2)),
    },
  ];
  return dims.filter((dim): dim is Dim => Boolean(dim));
}

/** `weave to cover 4 1/2 with 3/8 strips`, `weave nine 3/8 strips, gap 1/16`. */
function readWeave(heard: ParsedValues, table: LayoutContext): WeaveInput | null {
  if (!['weave', 'woven', 'weaving'].some((head) => heard.heads.has(head))) return null;
  const said = (place: string) => lengthAt(heard, place);
  const inch = table.unit === 'in';
  const count = countAt(heard, 'count');
  const [size, strip, square] = [
    sizeAt(heard, 'area') ?? sizeAt(heard, 'ground'),
    sizeAt(heard, 'strip'),
    said('square'),
  ];
  const area = size ?? (square === undefined ? {} : { width: square, height: square });
  // `from 1/2 inch strips` is how wide they are
  const narrow = strip === null && said('width') === undefined ? said('stock') : undefined;
  const width = strip?.width ?? said('width') ?? narrow;
  if (width === undefined && (count === undefined || area.width === undefined)) return null;
  if (count === undefined && area.width === undefined) return null;
  const [fringe, tail] = [said('fringe'), said('tail')];
  const fringed = fringe ?? (heard.flags.has('fringe') ? (inch ? '1/4' : '6') : undefined);
  const stock = strip?.height ?? (narrow === undefined ? said('stock') : undefined) ?? (inch ? '12' : '305');
  const gap = said('gap') ?? '0';
  return {
    area,
    both: 'alike',
    upright: {
      ...(count === undefined ? {} : { count }),
      ...(width === undefined ? {} : { width }),
      gap,
    },
    level: {},
    pattern: heard.flags.has('twill') ? 'twill' : heard.flags.has('basket') ? 'typed' : 'plain',
    ...(heard.flags.has('basket') ? { repeat: 'oouu oouu uuoo uuoo' } : {}),
    tail: tail ?? (inch ? '1/2' : '12'),
    ...(fringed === undefined ? {} : { fringe: fringed }),
    stock,
    backing: { as: heard.flags.has('backed') ? 'behind' : 'none' },
    divide: { across: 1, up: 1 },
  };
}
