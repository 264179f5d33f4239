import { z } from 'zod';
import { exact, lengthOf, lengthText, roundExact, ticks } from '../../length/index.ts';
import { rect, type Point } from '../../geometry/index.ts';
import { countAt, lengthAt, sizeAt, parseTicks } from '../../line/index.ts';
import { countField, fieldKey, lengthField, type Field, type FieldPath } from '../fields.ts';
import { readGivenLengths } from '../given.ts';
import { makeBlank, makeLayer } from '../laying.ts';
import { PLAIN_RECIPE, findNotPositive, makeRefusal, solveLengths } from '../plain.ts';
import type { Arithmetic, Dim, Fact, Layer, Offer, Recipe, RecipeProblem, LayoutContext } from '../recipe.ts';
import { solveSums, term, type Equation } from '../sums.ts';

/*
 * Written or printed lines that are cut apart into strips and laid one below the other:
 *
 *      as printed                       strip   = letter + an edge above and below
 *      -----------  strip  |            spacing = strip + what is over between two   (below nothing they cannot be cut apart)
 *      the wind    |       spacing
 *      -----------         |            on the page: all = lines × strip + (lines − 1) × gap
 *      came up
 */

const MAX_LINES = 60;
/**
 * How much of a line a word with its space takes, in heights of a letter from the top of a tall one to the foot of one that hangs:
 * six letters, each about half as wide as that in print, and about three quarters as wide by hand. An estimate, and said as one.
 */
const WORD_IN_HEIGHTS = { written: 4.5, printed: 3 };

const journalingSchema = z.strictObject({
  /** Left out: as many as fit. */
  lines: z.int().min(1).max(MAX_LINES).optional(),
  strip: z.strictObject({
    width: lengthText().optional(),
    height: lengthText().optional(),
    /** From the top of a tall letter to the foot of one that hangs. */
    letter: lengthText().optional(),
    /** Above and below it, at least. */
    edge: lengthText({ allow: 'zero' }).optional(),
  }),
  printed: z.strictObject({ spacing: lengthText().optional(), spare: lengthText({ allow: 'negative' }).optional() }),
  placed: z.strictObject({ gap: lengthText({ allow: 'zero' }).optional(), height: lengthText().optional() }),
});
export type JournalingInput = z.infer<typeof journalingSchema>;

const STRIP: FieldPath = ['strip'];
const WIDTH: FieldPath = ['strip', 'width'];
const HEIGHT: FieldPath = ['strip', 'height'];
const LETTER: FieldPath = ['strip', 'letter'];
const EDGE: FieldPath = ['strip', 'edge'];
const SPACING: FieldPath = ['printed', 'spacing'];
const SPARE: FieldPath = ['printed', 'spare'];
const GAP: FieldPath = ['placed', 'gap'];
const ALL: FieldPath = ['placed', 'height'];
const PLACED: FieldPath = ['placed'];
const LINES: FieldPath = ['lines'];

/** The lines of arithmetic that do not hang on how many there are. */
function ofOne(input: JournalingInput, table: LayoutContext) {
  const read = readGivenLengths(table.unit);
  const { strip, printed, placed } = input;
  read.give(WIDTH, strip.width);
  read.give(HEIGHT, strip.height);
  read.give(LETTER, strip.letter);
  read.give(EDGE, strip.edge, 'assumed', 'zero');
  read.give(SPACING, printed.spacing);
  read.give(SPARE, printed.spare, 'assumed', 'negative');
  read.give(GAP, placed.gap, 'assumed', 'zero');
  read.give(ALL, placed.height);
  const equations: Equation[] = [
    [term(WIDTH, 1), term(WIDTH, -1)],
    [term(HEIGHT, 1), term(LETTER, -1), term(EDGE, -2)],
    [term(SPACING, 1), term(HEIGHT, -1), term(SPARE, -1)],
  ];
  return { read, equations };
}

/** How many lines there are: as said, or as many as fit in the height that is there; null where nothing says it. */
function linesOf(input: JournalingInput, table: LayoutContext): number | null {
  if (input.lines !== undefined) return input.lines;
  const { read, equations } = ofOne(input, table);
  const { values } = solveSums(equations, read.givens);
  const near = (path: FieldPath) => {
    const value = values.get(fieldKey(path));
    return value ? roundExact(value, 'nearest') : null;
  };
  const [height, gap] = [near(HEIGHT), near(GAP)];
  const all = near(ALL) ?? table.room.height;
  if (height === null || gap === null || height + gap <= 0) return null;
  return Math.max(0, Math.min(MAX_LINES, Math.floor((all + gap) / (height + gap))));
}

function arithmetic(input: JournalingInput, table: LayoutContext): Arithmetic {
  const { read, equations } = ofOne(input, table);
  const n = input.lines;
  // of as many as fit, what is left over is left over
  if (n !== undefined) equations.push([term(ALL, 1), term(HEIGHT, -n), ...(n > 1 ? [term(GAP, 1 - n)] : [])]);
  if (n !== 1) equations.push([term(GAP, 1), term(GAP, -1)]);
  return { equations, givens: read.givens, problems: read.problems };
}

/** Lines cut apart into strips: whether their spacing allows it, how many fit. */
export const journaling: Recipe<'journaling', JournalingInput> = {
  ...PLAIN_RECIPE,
  id: 'journaling',
  input: journalingSchema,
  roles: ['strip'],
  reasons: ['cannot-be-cut', 'none-fits'],
  phrases: [
    'six journaling strips 4 wide, letters 3/16, edge 1/16, spacing 3/8',
    'journaling strips 3 1/2 wide, letter 1/8, edge 1/16, gap 1/16, in 4 high',
    '5 journaling strips 90 mm wide, letters 4 mm, edge 1.5 mm, spacing 8 mm',
    'journaling 4 wide 8 lines spacing 3/8 letter 3/16',
    'how many words fit in 3 x 4',
  ],

  start: ({ unit, room }) => {
    const inch = unit === 'in';
    const small = room.width < lengthOf('4', 'in');
    const width = inch ? (small ? '1 1/2' : '4') : small ? '38' : '100';
    return {
      lines: small ? 4 : 6,
      strip: { width, letter: inch ? '1/8' : '3', edge: inch ? '1/16' : '1.5' },
      printed: { spacing: inch ? '3/8' : '9' },
      placed: { gap: inch ? '1/16' : '1.5' },
    };
  },
  fields: ({ lines, strip, printed, placed }): readonly Field[] => [
    lengthField(WIDTH, strip.width, { ifEmpty: 'refused' }),
    lengthField(LETTER, strip.letter),
    lengthField(EDGE, strip.edge, { allow: 'zero' }),
    lengthField(HEIGHT, strip.height),
    lengthField(SPACING, printed.spacing),
    lengthField(SPARE, printed.spare, { allow: 'negative' }),
    countField(LINES, lines, { most: MAX_LINES, ifEmpty: 'by-rule', group: PLACED }),
    ...(lines === 1
      ? []
      : [
          lengthField(GAP, placed.gap, {
            allow: 'zero',
            ...(lines === undefined ? { ifEmpty: 'refused' as const } : {}),
          }),
        ]),
    lengthField(ALL, placed.height, lines === undefined ? { ifEmpty: 'by-rule' } : {}),
  ],
  givesWay: (_input, path) => {
    switch (path.at(-1)) {
      case 'letter':
        return { own: [HEIGHT, SPARE, SPACING], others: [EDGE, ALL, GAP] };
      case 'edge':
        return { own: [HEIGHT, SPARE, SPACING], others: [LETTER, ALL, GAP] };
      case 'spacing':
        return { own: [SPARE], others: [HEIGHT, EDGE] };
      case 'spare':
        return { own: [SPACING], others: [HEIGHT, EDGE] };
      case 'gap':
        return { own: [ALL], others: [HEIGHT, EDGE, SPARE, SPACING] };
      case 'height':
        return path[0] === 'strip'
          ? { own: [EDGE, SPARE, ALL], others: [LETTER, SPACING, GAP] }
          : { own: [GAP], others: [HEIGHT, EDGE, SPARE, SPACING] };
      default:
        return { own: [ALL, GAP], others: [] };
    }
  },
  standsStill: (_input, path) => {
    switch (path.at(-1)) {
      case 'letter':
        return [HEIGHT, EDGE];
      case 'edge':
        return [HEIGHT, LETTER];
      case 'spacing':
        return [SPARE];
      case 'spare':
        return [SPACING, HEIGHT];
      case 'gap':
        return [ALL, HEIGHT];
      case 'height':
        return path[0] === 'strip' ? [LETTER, EDGE, SPACING, SPARE] : [GAP, HEIGHT];
      default:
        return [];
    }
  },
  arithmetic,

  solve: (input, table) => {
    const lines = linesOf(input, table);
    const { solution, problems, near } = solveLengths(arithmetic(input, table));
    if (problems.length) return makeRefusal(problems);
    if (lines === null) return makeRefusal([{ code: 'missing', paths: [LINES] }]);
    const none = findNotPositive([WIDTH, HEIGHT, LETTER, SPACING], near);
    const below = [EDGE, ...(lines === 1 ? [] : [GAP])].filter((path) => near(path) < 0);
    if (none.length || below.length)
      return makeRefusal([
        ...none,
        ...below.map((path): RecipeProblem => ({ code: 'size-not-positive', path, size: near(path) })),
      ]);
    const [width, height, spare, spacing] = [near(WIDTH), near(HEIGHT), near(SPARE), near(SPACING)];
    if (spare < 0) {
      const offers: Offer[] = [{ path: SPACING, length: height }];
      const edge = ticks(Math.floor((spacing - near(LETTER)) / 2));
      if (edge >= 0) offers.push({ path: EDGE, length: edge });
      return makeRefusal([{ code: 'own', why: 'cannot-be-cut', path: SPACING, lengths: [spacing, height] }], offers);
    }
    if (lines < 1) {
      const lengths = [height, near(ALL) || table.room.height];
      return makeRefusal([{ code: 'own', why: 'none-fits', path: ALL, lengths: lengths.map((t) => ticks(t)) }]);
    }
    const gap = lines === 1 ? ticks(0) : near(GAP);
    const all = ticks(lines * height + (lines - 1) * gap);
    const free = input.lines === undefined ? (input.placed.height === undefined ? table.room.height : near(ALL)) : all;
    const layers = Array.from({ length: lines }, (_, i): Layer => {
      const box = rect(0, all - height - i * (height + gap), width, height);
      return makeLayer({ key: `strip-${i + 1}`, role: 'strip', n: i + 1, box, blank: 'strip', group: STRIP });
    });
    const values = new Map(solution.values).set(fieldKey(LINES), exact(lines));
    if (!values.has(fieldKey(ALL))) values.set(fieldKey(ALL), exact(all));
    const wordsBy = (heights: number) => ticks(lines * Math.floor(width / (near(LETTER) * heights)));
    const [written, printed] = [wordsBy(WORD_IN_HEIGHTS.written), wordsBy(WORD_IN_HEIGHTS.printed)];
    const facts: Fact[] = [
      { name: 'apart', lengths: [spare] },
      ...(printed > 0 ? [{ name: 'words', lengths: [written, printed] }] : []),
      { name: 'printed', lengths: [ticks((lines - 1) * spacing + height), ticks(lines)] },
      ...(free > all ? [{ name: 'left', lengths: [ticks(free - all)] }] : []),
    ];
    const on = (x: number, y: number): Point => ({ x: ticks(Math.round(x)), y: ticks(Math.round(y)) });
    const top = layers[0]!.box;
    const dims: (Dim | false)[] = [
      { kind: 'span', path: WIDTH, from: on(0, all), to: on(width, all), side: 'top' },
      { kind: 'span', path: ALL, from: on(0, 0), to: on(0, all), side: 'left' },
      { kind: 'leader', path: HEIGHT, at: on(width, top.y + height / 2) },
      lines > 1 && { kind: 'leader', path: GAP, at: on(width * 0.9, top.y - gap / 2) },
    ];
    return {
      status: 'solved',
      laid: {
        size: { width, height: all },
        layers,
        blanks: [
          makeBlank({ key: 'strip', role: 'strip', n: 1, quantity: lines }, { width, height }, table.mark, 'nearest'),
        ],
        slots: [],
        dims: dims.filter((dim): dim is Dim => Boolean(dim)),
        facts,
      },
      values,
      sums: solution.sums,
      suggestions: [],
    };
  },

  grammar: {
    heads: ['journaling', 'journalling', 'journal', 'strip', 'words'],
    places: {
      lines: { kind: 'count', words: [], most: MAX_LINES },
      line: { kind: 'length', words: ['line'], alone: true, upTo: MAX_LINES },
      width: { kind: 'length', words: ['wide', 'long', 'width'], alone: true },
      letter: { kind: 'length', words: ['letter', 'writing', 'type', 'text', 'font'] },
      edge: { kind: 'length', words: ['edge', 'border', 'margin'] },
      spacing: { kind: 'length', words: ['spacing', 'spaced', 'pitch', 'leading', 'apart'] },
      gap: { kind: 'length', words: ['gap', 'between'] },
      room: { kind: 'length', words: ['high', 'tall', 'in', 'space'], alone: true },
      height: { kind: 'length', words: ['height'] },
      ground: { kind: 'size', words: ['on', 'onto'], alone: true },
      area: { kind: 'size', words: ['in', 'into'], alone: true },
    },
    flags: { fit: ['fit'] },
    usual: ['width'],
    idle: ['cut', 'apart', 'printed', 'typed', 'written', 'block', 'spot', 'box', 'area'],
  },
  read: (heard, table) => {
    const said = (place: string) => lengthAt(heard, place);
    const inch = table.unit === 'in';
    const usual = inch ? '3/8' : '9';
    // `how many words fit on a 3 x 4 card`: the lines are as wide as it is, as many as fit
    const isOfWords = heard.heads.has('words');
    const ground = sizeAt(heard, 'ground');
    const area = sizeAt(heard, 'area') ?? (isOfWords ? ground : null);
    const isNamed = ['journaling', 'journalling', 'journal'].some((head) => heard.heads.has(head));
    // `40 words` are no lines
    if (isOfWords ? area === null || countAt(heard, 'lines') !== undefined : !isNamed) return null;
    // `six journaling strips 1/2 high`: each of them is
    const high = heard.values.find((v) => v.place === 'room' && /^(?:high|tall)$/.test(v.word ?? ''))?.texts[0];
    const isOfEach = heard.heads.has('strip') && parseTicks(high, table.unit) <= lengthOf('1', 'in');
    const each = isOfEach ? high : undefined;
    const [line, room] = [said('line'), area?.height ?? (each === undefined ? said('room') : undefined)];
    const lines = countAt(heard, 'lines') ?? (line === undefined ? undefined : Number(line));
    // how long the lines are is seldom said
    const width =
      area?.width ??
      said('width') ??
      ground?.width ??
      ([lines, room, each, said('spacing')].every((one) => one === undefined) ? undefined : inch ? '4' : '100');
    if (width === undefined) return null;
    const height = said('height') ?? each;
    const letter = said('letter') ?? (height === undefined ? (inch ? '1/8' : '3') : undefined);
    return {
      ...(lines === undefined ? {} : { lines }),
      strip: {
        width,
        ...(height === undefined ? {} : { height }),
        ...(letter === undefined ? {} : { letter }),
        ...(height !== undefined && said('letter') !== undefined && said('edge') === undefined
          ? {}
          : { edge: said('edge') ?? (inch ? '1/16' : '1.5') }),
      },
      // of strips that are higher than that, one below the other
      printed: {
        spacing: said('spacing') ?? (parseTicks(height, table.unit) > parseTicks(usual, table.unit) ? height! : usual),
      },
      placed: {
        ...(room !== undefined && lines !== undefined && lines > 1
          ? {}
          : { gap: said('gap') ?? (inch ? '1/16' : '1.5') }),
        ...(room === undefined ? {} : { height: room }),
      },
    };
  },
};
