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
import { rect, type Point } from '../../geometry/index.ts';
import { countAt, lengthAt, sizeAt } from '../../line/index.ts';
import type { Blank } from '../blanks.ts';
import { countField, fieldKey, lengthField, textField, withValue, type Field, type FieldPath } from '../fields.ts';
import { readGivenLengths } from '../given.ts';
import { makeBlank, makeLayer } from '../laying.ts';
import { PLAIN_RECIPE, findNotPositive, makeRefusal, solveLengths, ownProblem } from '../plain.ts';
import type { Arithmetic, Dim, Fact, Layer, Offer, Recipe, Suggestion, LayoutContext } from '../recipe.ts';
import { term, type Equation } from '../sums.ts';

/*
 * A title letter by letter against the space for it:
 *
 *      K I T E   D A Y      all = usual letters × width + narrow ones × theirs + wide ones × theirs + spaces + gaps
 *      |<------------->|
 *
 * Narrow are I, J, L, 1 and points, wide are M and W; half and one and a quarter of a usual letter unless it is said. Between two
 * letters of a word is a gap; between words a space and no gap.
 */

const MADE = ['there', 'cut'] as const;
const MAX_LETTERS = 40;
/** Letters, digits, spaces and marks of a title. */
const TITLE = /^[\p{L}\p{N}](?:[\p{L}\p{N} .,!?&'’-]*[\p{L}\p{N}.,!?&'’])?$/u;
const NARROW = new Set("IJLijlftr1.,!'’".split(''));
const WIDE = new Set('MWmw&'.split(''));

const letterRowSchema = z.strictObject({
  /** Left out: so many letters, whatever they are. */
  title: z.string().regex(TITLE).max(60).optional(),
  number: z.int().min(1).max(MAX_LETTERS),
  letter: z.strictObject({
    width: lengthText().optional(),
    height: lengthText().optional(),
    narrow: lengthText().optional(),
    wide: lengthText().optional(),
    /** Letters that are there, or tiles to cut them from. */
    made: z.enum(MADE),
  }),
  row: z.strictObject({
    gap: lengthText({ allow: 'negative' }).optional(),
    space: lengthText({ allow: 'zero' }).optional(),
    /** From the first letter to the last. */
    across: lengthText().optional(),
    /** What there is for it; left out: the page. */
    within: lengthText().optional(),
  }),
  /** Letters that are left of a set: `aabeekt`. */
  have: z
    .string()
    .regex(/^[\p{L}\p{N}.,!?&'’]+(?: [\p{L}\p{N}.,!?&'’]+)*$/u)
    .max(200)
    .optional(),
});
export type LetterRowInput = z.infer<typeof letterRowSchema>;

const LETTER: FieldPath = ['letter'];
const WIDTH: FieldPath = ['letter', 'width'];
const HEIGHT: FieldPath = ['letter', 'height'];
const KINDS = { usual: WIDTH, narrow: ['letter', 'narrow'], wide: ['letter', 'wide'] } as const satisfies Record<
  string,
  FieldPath
>;
type Kind = keyof typeof KINDS;
const GAP: FieldPath = ['row', 'gap'];
const SPACE: FieldPath = ['row', 'space'];
const ACROSS: FieldPath = ['row', 'across'];
const WITHIN: FieldPath = ['row', 'within'];
const TITLE_AT: FieldPath = ['title'];
const NUMBER: FieldPath = ['number'];
const HAVE: FieldPath = ['have'];

const kindOf = (letter: string): Kind => (NARROW.has(letter) ? 'narrow' : WIDE.has(letter) ? 'wide' : 'usual');

/** Each letter of the title and what is before it: a gap, a space, or nothing. */
function lettersOf({ title, number = 0 }: Partial<Pick<LetterRowInput, 'title' | 'number'>>): {
  letter: string;
  kind: Kind;
  before: 'gap' | 'space' | null;
}[] {
  if (title === undefined)
    return Array.from({ length: number }, (_, i) => ({ letter: '', kind: 'usual', before: i ? 'gap' : null }));
  const words = title.split(/[ -]+/).filter(Boolean);
  return words.flatMap((word, w) =>
    [...word].map((letter, i) => ({
      letter,
      kind: kindOf(letter),
      before: i ? ('gap' as const) : w ? ('space' as const) : null,
    })),
  );
}

function arithmetic(input: LetterRowInput, table: LayoutContext): Arithmetic {
  const { givens, problems, give } = readGivenLengths(table.unit);
  const { letter, row } = input;
  const all = lettersOf(input);
  const count = (of: (one: (typeof all)[number]) => boolean) => all.filter(of).length;
  give(WIDTH, letter.width);
  give(HEIGHT, letter.height);
  give(KINDS.narrow, letter.narrow);
  give(KINDS.wide, letter.wide);
  give(GAP, row.gap ?? (all.length === 1 ? '0' : undefined), 'assumed', 'negative');
  give(SPACE, row.space, 'assumed', 'zero');
  give(ACROSS, row.across);
  give(WITHIN, row.within);
  const equations: Equation[] = [[term(HEIGHT, 1), term(HEIGHT, -1)]];
  if (letter.narrow === undefined) equations.push([term(KINDS.narrow, 2), term(WIDTH, -1)]);
  if (letter.wide === undefined) equations.push([term(KINDS.wide, 4), term(WIDTH, -5)]);
  if (row.space === undefined) equations.push([term(SPACE, 2), term(WIDTH, -1)]);
  const [usual, narrow, wide] = (['usual', 'narrow', 'wide'] as const).map((kind) => count((one) => one.kind === kind));
  const [gaps, spaces] = [count((one) => one.before === 'gap'), count((one) => one.before === 'space')];
  // letters that go by the usual one count as so much of it, so that it may be the unknown
  const quarters =
    4 * usual! +
    (letter.narrow === undefined ? 2 * narrow! : 0) +
    (letter.wide === undefined ? 5 * wide! : 0) +
    (row.space === undefined ? 2 * spaces : 0);
  equations.push([
    term(ACROSS, 4),
    ...(quarters ? [term(WIDTH, -quarters)] : []),
    ...(letter.narrow !== undefined && narrow ? [term(KINDS.narrow, -4 * narrow)] : []),
    ...(letter.wide !== undefined && wide ? [term(KINDS.wide, -4 * wide)] : []),
    ...(row.space !== undefined && spaces ? [term(SPACE, -4 * spaces)] : []),
    ...(gaps ? [term(GAP, -4 * gaps)] : []),
  ]);
  return { equations, givens, problems };
}

/** A title in letters of given widths: whether it fits, how much is left, which letters are missing. */
export const letterRow: Recipe<'letter-row', LetterRowInput> = {
  ...PLAIN_RECIPE,
  id: 'letter-row',
  input: letterRowSchema,
  roles: ['letter'],
  reasons: ['too-long', 'one-over-another'],
  advice: ['missing-letters'],
  phrases: [
    'title of 9 letters 1 1/4 wide, gap 1/16',
    'do 11 letters 1 x 1 1/2 fit in 12, gap 1/16',
    'eight letters across 6, gap 1/8, 1 high',
    'title of 7 letters 25 mm wide, gap 2 mm',
  ],

  start: ({ unit, room, mark }) => {
    const inch = unit === 'in';
    const text = (length: number) =>
      formatExactLength(ticks(Math.max(mark.step, roundToMark(ticks(Math.floor(length)), mark, 'down'))), unit);
    // its letters and spaces come to eight usual ones and a quarter, its gaps to less than one
    const width = Math.min(lengthOf(inch ? '1' : '20', unit), (room.width * 0.9) / 9.25);
    return {
      title: 'KITE WEEK',
      number: 8,
      letter: { width: text(width), height: text(width * 1.25), made: 'there' },
      row: { gap: text(width / 16) },
    };
  },
  fields: ({ title, number, letter, row, have }): readonly Field[] => [
    textField(TITLE_AT, title, { reads: TITLE.source, example: 'KITE WEEK', group: TITLE_AT }),
    ...(title === undefined ? [countField(NUMBER, number, { most: MAX_LETTERS, group: TITLE_AT })] : []),
    lengthField(WIDTH, letter.width),
    lengthField(HEIGHT, letter.height, { ifEmpty: 'refused' }),
    lengthField(KINDS.narrow, letter.narrow, { ifEmpty: 'by-rule' }),
    lengthField(KINDS.wide, letter.wide, { ifEmpty: 'by-rule' }),
    { kind: 'choice', path: ['letter', 'made'], group: LETTER, value: letter.made, options: MADE },
    lengthField(GAP, row.gap, { allow: 'negative' }),
    lengthField(SPACE, row.space, { allow: 'zero', ifEmpty: 'by-rule' }),
    lengthField(ACROSS, row.across),
    lengthField(WITHIN, row.within, { ifEmpty: 'by-rule' }),
    ...(title === undefined
      ? []
      : [
          textField(HAVE, have, {
            reads: "[\\p{L}\\p{N}.,!?&'’]+(?: [\\p{L}\\p{N}.,!?&'’]+)*",
            example: 'AABEEIKKTW',
            group: TITLE_AT,
          }),
        ]),
  ],
  put: (input, path, value) => {
    const next = withValue(input, path, value);
    if (path[0] !== 'title' || value !== undefined) return next;
    const { have: _have, ...rest } = next;
    return { ...rest, number: Math.max(1, Math.min(MAX_LETTERS, lettersOf(input).length)) };
  },
  givesWay: (_input, path) => {
    const end = path.at(-1);
    if (end === 'across') return { own: [GAP, WIDTH], others: [SPACE] };
    if (end === 'gap') return { own: [ACROSS], others: [WIDTH] };
    if (end === 'width') return { own: [ACROSS, GAP], others: [] };
    return { own: [ACROSS], others: [GAP, WIDTH] };
  },
  standsStill: (_input, path) => {
    const end = path.at(-1);
    if (end === 'across') return [GAP, WIDTH];
    if (end === 'gap') return [ACROSS, WIDTH];
    return end === 'width' ? [ACROSS, GAP] : [];
  },
  arithmetic,

  solve: (input, table) => {
    const { solution, problems, near, follows, exactly } = solveLengths(arithmetic(input, table));
    if (problems.length) return makeRefusal(problems);
    const none = findNotPositive([WIDTH, HEIGHT, KINDS.narrow, KINDS.wide], near);
    if (none.length) return makeRefusal(none);
    const all = lettersOf(input);
    // side by side they must fit: a width that is worked out goes down to the mark
    const widthOf = (kind: Kind): Ticks => {
      const path = KINDS[kind];
      return kind === 'usual' && follows(path) ? roundToMark(exactly(path), table.mark, 'down') : near(path);
    };
    const widths = { usual: widthOf('usual'), narrow: widthOf('narrow'), wide: widthOf('wide') };
    if (widths.usual <= 0) return makeRefusal([{ code: 'size-not-positive', path: WIDTH, size: widths.usual }]);
    const height = near(HEIGHT);
    const [gap, space] = [exactly(GAP), near(SPACE)];
    const narrowest = Math.min(...all.map(({ kind }) => widths[kind]));
    if (-near(GAP) >= narrowest) return makeRefusal([ownProblem('one-over-another', GAP, near(GAP), narrowest)]);
    let [x, gaps] = [0, 0];
    const places = all.map(({ kind, before }) => {
      if (before === 'space') x += space;
      if (before === 'gap') gaps += 1;
      // gaps add up exactly, each place is rounded once
      const at = x + roundExact({ n: gap.n * BigInt(gaps), d: gap.d }, 'nearest');
      x += widths[kind];
      return { at, width: widths[kind] };
    });
    const last = places.at(-1)!;
    const across = ticks(last.at + last.width);
    const within = input.row.within === undefined ? table.room.width : near(WITHIN);
    if (across > within)
      return makeRefusal(
        [ownProblem('too-long', ACROSS, across - within, fittingLetters(places, within))],
        waysOut(input, all.length, across, within, widths.usual, near(GAP), table),
      );
    const layers = places.map(({ at, width }, i): Layer => {
      const { kind, letter } = all[i]!;
      return makeLayer({
        ...(letter ? { says: letter } : {}),
        key: `letter-${i + 1}`,
        role: 'letter',
        n: i + 1,
        box: rect(at, 0, width, height),
        group: LETTER,
        blank: input.letter.made === 'cut' ? kind : null,
        sized: { width: KINDS[kind], height: HEIGHT },
      });
    });
    const kinds = (['usual', 'narrow', 'wide'] as const).filter((kind) => all.some((one) => one.kind === kind));
    const blanks: Blank[] =
      input.letter.made === 'cut'
        ? kinds.map((kind, i) =>
            makeBlank(
              {
                key: kind,
                role: 'letter',
                n: i + 1,
                quantity: all.filter((one) => one.kind === kind).length,
                ...(i ? { paperFrom: kinds[0]! } : {}),
              },
              { width: widths[kind], height },
              table.mark,
              'nearest',
            ),
          )
        : [];
    const values = new Map(solution.values)
      .set(fieldKey(WIDTH), exact(widths.usual))
      .set(fieldKey(ACROSS), exact(across))
      .set(fieldKey(WITHIN), exact(within));
    if (input.title === undefined) values.set(fieldKey(NUMBER), exact(all.length));
    const missing = missingLetters(input);
    const suggestions: Suggestion[] = missing.length
      ? [
          {
            code: 'own',
            why: 'missing-letters',
            path: HAVE,
            lengths: missing.map((letter) => ticks(letter.codePointAt(0)!)),
          },
        ]
      : [];
    const facts: Fact[] = [
      {
        name: 'counted',
        lengths: [ticks(all.length), ...kinds.map((kind) => ticks(all.filter((one) => one.kind === kind).length))],
      },
      { name: 'left', lengths: [ticks(within - across), ticks(Math.floor((within - across) / 2))] },
      { name: 'runs', lengths: places.map((place) => ticks(within - place.at - place.width)) },
    ];
    const on = (px: number, py: number): Point => ({ x: ticks(Math.round(px)), y: ticks(Math.round(py)) });
    const usual = layers.filter((_, i) => all[i]!.kind === 'usual').at(-1)?.box;
    const pair = all.findLastIndex((one) => one.before === 'gap');
    const parted = all.findIndex((one) => one.before === 'space');
    const narrow = layers.findLast((_, i) => all[i]!.kind === 'narrow')?.box;
    const wide = layers.findLast((_, i) => all[i]!.kind === 'wide')?.box;
    const dims: (Dim | false | undefined)[] = [
      { kind: 'span', path: ACROSS, from: on(0, 0), to: on(across, 0), side: 'bottom' },
      { kind: 'span', path: HEIGHT, from: on(0, 0), to: on(0, height), side: 'left' },
      usual && { kind: 'leader', path: WIDTH, at: on(usual.x + usual.width / 2, height * 0.8) },
      narrow && { kind: 'leader', path: KINDS.narrow, at: on(narrow.x + narrow.width / 2, height * 0.6) },
      wide && { kind: 'leader', path: KINDS.wide, at: on(wide.x + wide.width / 2, height * 0.6) },
      pair > 0 && {
        kind: 'leader',
        path: GAP,
        at: on((places[pair - 1]!.at + places[pair - 1]!.width + places[pair]!.at) / 2, height * 0.4),
      },
      parted > 0 && {
        kind: 'leader',
        path: SPACE,
        at: on((places[parted - 1]!.at + places[parted - 1]!.width + places[parted]!.at) / 2, height * 0.2),
      },
    ];
    return {
      status: 'solved',
      laid: {
        size: { width: across, height },
        layers,
        blanks,
        slots: [],
        dims: dims.filter((dim): dim is Dim => Boolean(dim)),
        facts,
      },
      values,
      sums: solution.sums,
      suggestions,
    };
  },

  grammar: {
    heads: ['letter', 'title', 'alphabet', 'heading'],
    places: {
      number: { kind: 'count', words: [], most: MAX_LETTERS },
      letter: { kind: 'size', words: ['letter', 'each'] },
      width: { kind: 'length', words: ['wide', 'width', 'letter'], alone: true, after: ['letter'] },
      height: { kind: 'length', words: ['high', 'tall', 'height'], alone: true },
      gap: { kind: 'length', words: ['gap', 'apart', 'between', 'spacing'], allow: 'negative' },
      within: { kind: 'length', words: ['fit', 'in', 'within', 'into', 'space', 'room'], alone: true },
      across: { kind: 'length', words: ['across', 'over'], alone: true },
      ground: { kind: 'size', words: ['on', 'onto'], alone: true },
    },
    flags: { cut: ['tile', 'tiles'] },
    usual: ['letter', 'width'],
    idle: ['sticker', 'word', 'capital', 'row', 'die', 'how', 'long', 'take', 'much'],
  },
  read: (heard, table) => {
    const said = (place: string) => lengthAt(heard, place);
    const size = sizeAt(heard, 'letter');
    const title = heard.quoted !== null && TITLE.test(heard.quoted) ? heard.quoted : undefined;
    const number = countAt(heard, 'number') ?? (title === undefined ? undefined : lettersOf({ title }).length);
    const [width, across] = [size?.width ?? said('width'), said('across')];
    // how wide they are may be asked for, where it is said how high, or in how much room
    if (number === undefined || [width, across, said('height'), said('within')].every((one) => one === undefined))
      return null;
    const inch = table.unit === 'in';
    const gap = said('gap');
    const within = said('within');
    return {
      ...(title === undefined ? {} : { title }),
      number,
      letter: {
        ...(width === undefined ? {} : { width }),
        height: size?.height ?? said('height') ?? (inch ? '1 1/4' : '30'),
        made: heard.flags.has('cut') ? 'cut' : 'there',
      },
      row: {
        ...(width !== undefined && across !== undefined && gap === undefined
          ? {}
          : { gap: gap ?? (inch ? '1/16' : '1') }),
        ...(across !== undefined && (width === undefined || gap === undefined) ? { across } : {}),
        ...(within !== undefined
          ? { within }
          : across !== undefined && width !== undefined && gap !== undefined
            ? { within: across }
            : {}),
      },
    };
  },
};

/** How many of the letters lie within. */
const fittingLetters = (places: readonly { at: number; width: number }[], within: number): number =>
  places.filter(({ at, width }) => at + width <= within).length;

/** Closer together, or smaller letters. */
function waysOut(
  input: LetterRowInput,
  n: number,
  across: number,
  within: number,
  width: number,
  gap: number,
  table: LayoutContext,
): Offer[] {
  const gaps = lettersOf(input).filter((one) => one.before === 'gap').length;
  const closer = gaps ? roundToMark(ticks(Math.floor(gap - (across - within) / gaps)), table.mark, 'down') : null;
  const smaller = roundToMark(exact(Math.floor(width * within), across), table.mark, 'down');
  return [
    ...(closer !== null && closer > -width / 4 ? [{ path: GAP, length: closer }] : []),
    ...(smaller > 0 && n > 0 ? [{ path: WIDTH, length: smaller }] : []),
  ];
}

/** Letters of the title that are not among those one has, each as often as it is missing. */
function missingLetters(input: LetterRowInput): string[] {
  if (input.have === undefined || input.title === undefined) return [];
  const there = [...input.have.replaceAll(' ', '')];
  return lettersOf(input).flatMap(({ letter }) => {
    const at = there.indexOf(letter);
    if (at < 0) return [letter];
    there.splice(at, 1);
    return [];
  });
}
