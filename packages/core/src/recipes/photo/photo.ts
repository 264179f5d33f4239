import { z } from 'zod';
import {
  ZERO,
  exact,
  formatExactLength,
  lengthText,
  parseLength,
  roundExact,
  scaleExact,
  inches,
  ticks,
  type Exact,
  type LengthText,
  type Ticks,
  type Unit,
} from '../../length/index.ts';
import { rect, type Edge, type Rect, type Size } from '../../geometry/index.ts';
import { lengthAt, sizeAt, parseTicks } from '../../line/index.ts';
import { fieldKey, lengthField, withValue, type Field, type FieldPath } from '../fields.ts';
import { readGivenLengths } from '../given.ts';
import { makePrint } from '../laying.ts';
import { sizeFields, sizeKeys, collectSumProblems } from '../nested.ts';
import type { Arithmetic, Fact, Recipe, RecipeProblem, LayoutContext } from '../recipe.ts';
import { solveSums, term } from '../sums.ts';

const ACROSS = ['left', 'centre', 'right'] as const;
const UP_DOWN = ['bottom', 'centre', 'top'] as const;
const KEEP = ['fill', 'whole', 'trim'] as const;

const photoSchema = z.strictObject({
  /** The whole print, its white border included. */
  print: z.strictObject({ ...sizeKeys, known: z.enum(['measured', 'assumed']) }),
  /** What is seen inside the border. */
  image: z.strictObject(sizeKeys),
  /** Printed white border, the same on all edges; left out: solved for when print and image are given, else none. */
  border: lengthText({ allow: 'zero' }).optional(),
  /** Another print size to make of the image, once it is said. */
  crop: z.strictObject({
    ...sizeKeys,
    /** A new print: fill: cover all of it and lose what is over; whole: lose nothing and fall short. trim: this print, cut off. */
    keep: z.enum(KEEP),
    /** Which part of the image is kept. */
    across: z.enum(ACROSS),
    upDown: z.enum(UP_DOWN),
    /** Of a print that is trimmed: how much comes off there; left out: as is said of what is kept. */
    left: lengthText({ allow: 'zero' }).optional(),
    top: lengthText({ allow: 'zero' }).optional(),
  }),
});
export type PhotoInput = z.infer<typeof photoSchema>;

const [PRINT, IMAGE, BORDER, CROP]: FieldPath[] = [['print'], ['image'], ['border'], ['crop']];
const AXES = ['width', 'height'] as const;
const OFF = ['left', 'top'] as const;

function arithmetic(input: PhotoInput, table: LayoutContext): Arithmetic {
  const { givens, problems, give } = readGivenLengths(table.unit);
  for (const axis of AXES) give([...PRINT!, axis], input.print[axis], input.print.known);
  for (const axis of AXES) give([...IMAGE!, axis], input.image[axis], 'assumed');
  give(BORDER!, input.border, 'assumed', 'zero');
  if (input.crop.keep === 'trim') for (const edge of OFF) give([...CROP!, edge], input.crop[edge], 'assumed', 'zero');
  const follows = AXES.some((axis) => input.print[axis] !== undefined && input.image[axis] !== undefined);
  if (input.border === undefined && !follows) givens.push({ path: BORDER!, value: ZERO, known: 'assumed' });
  const equations = AXES.map((axis) => [term([...PRINT!, axis], 1), term([...IMAGE!, axis], -1), term(BORDER!, -2)]);
  return { equations, givens, problems };
}

interface Crop {
  /** Enlargement as a ratio, lowest terms. */
  readonly scale: Exact;
  /** The whole image at that scale. */
  readonly scaled: Size;
  /** What falls outside the wanted size, per edge, at the new scale. */
  readonly lost: Readonly<Record<Edge, Ticks>>;
  /** The same measured on the original print, both edges together. */
  readonly lostOfOriginal: Size;
  /** What the image fails to cover. */
  readonly short: Size;
}

const less = (a: Exact, b: Exact): boolean => a.n * b.d < b.n * a.d;
const times = (length: Ticks, scale: Exact): Ticks =>
  roundExact(scaleExact(exact(length), scale.n, scale.d), 'nearest');

/** What is kept on the low side is lost on the high one. */
function share(total: Ticks, kept: 'low' | 'centre' | 'high'): [low: Ticks, high: Ticks] {
  const low = kept === 'low' ? 0 : kept === 'high' ? total : Math.floor(total / 2);
  return [ticks(low), ticks(total - low)];
}

/** What comes off a print that is trimmed. */
function trimTo(
  print: Size,
  want: Size,
  { across, upDown }: PhotoInput['crop'],
  said: Readonly<Partial<Record<(typeof OFF)[number], Ticks>>>,
): Crop['lost'] {
  const [off, over] = [ticks(print.width - want.width), ticks(print.height - want.height)];
  const [left, right] = said.left === undefined ? share(off, sideOf(across)) : [said.left, ticks(off - said.left)];
  const [bottom, top] = said.top === undefined ? share(over, sideOf(upDown)) : [ticks(over - said.top), said.top];
  return { left, right, bottom, top };
}

/** What comes off as pieces, each cut from edge to edge: the upright ones first. */
function offcutsOf(print: Size, want: Size, { left, right, bottom, top }: Crop['lost']): Ticks[] {
  const upright = [left, right].filter((off) => off > 0).map((off) => [off, print.height]);
  const level = [top, bottom].filter((off) => off > 0).map((off) => [want.width, off]);
  return [...upright, ...level].flat();
}

/** Which of two ends is kept. */
const sideOf = (kept: (typeof ACROSS)[number] | (typeof UP_DOWN)[number]): 'low' | 'centre' | 'high' =>
  kept === 'left' || kept === 'bottom' ? 'low' : kept === 'centre' ? 'centre' : 'high';

function cropTo(image: Size, want: Size, { keep, across, upDown }: PhotoInput['crop']): Crop {
  const [sx, sy] = [exact(want.width, image.width), exact(want.height, image.height)];
  const scale = less(sx, sy) === (keep === 'whole') ? sx : sy;
  const scaled = { width: times(image.width, scale), height: times(image.height, scale) };
  const over = (a: Ticks, b: Ticks) => ticks(Math.max(0, a - b));
  const lost = { width: over(scaled.width, want.width), height: over(scaled.height, want.height) };
  const inverse: Exact = { n: scale.d, d: scale.n };
  const [left, right] = share(lost.width, sideOf(across));
  const [bottom, top] = share(lost.height, sideOf(upDown));
  return {
    scale,
    scaled,
    lost: { left, right, bottom, top },
    lostOfOriginal: { width: times(lost.width, inverse), height: times(lost.height, inverse) },
    short: { width: over(want.width, scaled.width), height: over(want.height, scaled.height) },
  };
}

/** The size that is wanted; null where it is not said yet, or does not read. */
function wanted({ width, height }: PhotoInput['crop'], unit: Unit): Size | null {
  if (width === undefined || height === undefined) return null;
  const [w, h] = [parseLength(width, unit), parseLength(height, unit)];
  return w.ok && h.ok ? { width: w.value.ticks, height: h.value.ticks } : null;
}

const factsOf = ({ scale, scaled, lost, lostOfOriginal, short }: Crop): Fact[] => [
  // a ratio, told as what one inch becomes
  { name: 'enlarged', lengths: [times(inches(1), scale)] },
  { name: 'scaled', lengths: [scaled.width, scaled.height] },
  { name: 'lost', lengths: [lost.left, lost.right, lost.top, lost.bottom] },
  { name: 'lost-of-original', lengths: [lostOfOriginal.width, lostOfOriginal.height] },
  { name: 'short', lengths: [short.width, short.height] },
];

/** What is left of the picture inside its border, once some of the print is off; null: nothing. */
function imageSeen(border: Ticks, image: Size, off: Crop['lost'] | null, seen: Size): Rect | null {
  const [left, bottom] = [Math.max(0, border - (off?.left ?? 0)), Math.max(0, border - (off?.bottom ?? 0))];
  const right = Math.min(seen.width, border + image.width - (off?.left ?? 0));
  const top = Math.min(seen.height, border + image.height - (off?.bottom ?? 0));
  return right > left && top > bottom ? rect(left, bottom, right - left, top - bottom) : null;
}

/** A print: its printed border counted in or out, and what becomes of it as another size. */
export const photo: Recipe<'photo', PhotoInput> = {
  id: 'photo',
  version: 1,
  input: photoSchema,
  migrations: [],
  advice: [],
  hand: null,
  takesOutline: null,
  roles: ['print', 'image'],
  reasons: ['border-too-wide', 'trimmed-larger', 'off-too-much'],
  phrases: [
    'print 4 x 6',
    'print 4 x 6 border 1/8',
    'print 4 x 6 as 8 x 10',
    'print 4 x 6 trimmed to 4 x 5 5/8',
    'crop a 12 x 12 scene to 9 1/2 x 10, 1/2 off the left, top flush',
    'print 100 mm x 150 mm border 3 mm as 80 mm x 80 mm',
  ],
  beneath: null,

  start: ({ unit, room }) => {
    const sizes =
      unit === 'in'
        ? [
            ['4', '6'],
            ['1', '1 1/2'],
            ['1/4', '1/4'],
          ]
        : [
            ['100', '150'],
            ['25', '40'],
            ['6', '6'],
          ];
    const fits = ([w, h]: string[]) => {
      const size = wanted({ width: w, height: h, keep: 'fill', across: 'centre', upDown: 'centre' }, unit);
      return size !== null && size.width <= room.width && size.height <= room.height;
    };
    const [width, height] = sizes.find(fits) ?? sizes.at(-1)!;
    return {
      print: { width, height, known: 'assumed' },
      image: {},
      crop: { keep: 'fill', across: 'centre', upDown: 'centre' },
    };
  },
  fields: ({ print, image, border, crop }) => [
    ...sizeFields(PRINT!, print, ['print', 'known']),
    {
      kind: 'length',
      path: BORDER!,
      group: IMAGE!,
      allow: 'zero',
      value: border,
      ifEmpty: 'worked-out',
      knownAt: null,
    },
    ...sizeFields(IMAGE!, image),
    ...sizeFields(CROP!, crop, null, 'by-rule'),
    ...(crop.width !== undefined && crop.height !== undefined
      ? ([
          { kind: 'choice', path: [...CROP!, 'keep'], group: CROP!, value: crop.keep, options: KEEP },
          { kind: 'choice', path: [...CROP!, 'across'], group: CROP!, value: crop.across, options: ACROSS },
          { kind: 'choice', path: [...CROP!, 'upDown'], group: CROP!, value: crop.upDown, options: UP_DOWN },
        ] satisfies Field[])
      : []),
    ...(crop.width !== undefined && crop.height !== undefined && crop.keep === 'trim'
      ? OFF.map((edge) => lengthField([...CROP!, edge], crop[edge], { allow: 'zero', ifEmpty: 'by-rule' }))
      : []),
  ],
  lists: () => [],
  entry: (_input, _list, _table, id) => ({ id }),
  put: (input, path, value) => withValue(input, path, value),
  givesWay: () => ({
    own: [['image', 'width'], ['image', 'height'], BORDER!, ['print', 'width'], ['print', 'height']],
    others: [],
  }),
  standsStill: (_input, path) => {
    const images: FieldPath[] = AXES.map((axis) => ['image', axis]);
    // the border of a print that follows from its picture: the print stays as it is
    if (path[0] === 'border') return [...images, ...AXES.map((axis): FieldPath => ['print', axis])];
    return [[path[0] === 'print' ? 'image' : 'print', path[1]!], BORDER!];
  },
  loosened: () => null,
  arithmetic,

  solve: (input, table) => {
    const lines = arithmetic(input, table);
    const solution = solveSums(lines.equations, lines.givens);
    const refused = (problems: RecipeProblem[]) => ({
      status: 'refused' as const,
      problems,
      offers: [],
      instead: null,
    });
    const problems = collectSumProblems(lines, solution);
    if (problems.length) return refused(problems);
    const value = (path: FieldPath) => roundExact(solution.values.get(fieldKey(path))!, 'nearest');
    const size = (path: FieldPath): Size => ({ width: value([...path, 'width']), height: value([...path, 'height']) });
    const [print, image, border] = [size(PRINT!), size(IMAGE!), value(BORDER!)];
    if (Math.min(image.width, image.height) <= 0 || border < 0) {
      const most = ticks(Math.max(0, Math.floor((Math.min(print.width, print.height) - 1) / 2)));
      return refused([{ code: 'own', why: 'border-too-wide', path: BORDER!, lengths: [border, most] }]);
    }
    const want = wanted(input.crop, table.unit);
    const trimmed = input.crop.keep === 'trim' ? want : null;
    const larger = trimmed ? AXES.filter((axis) => trimmed[axis] > print[axis]) : [];
    if (trimmed && larger.length)
      return {
        ...refused(
          larger.map((axis) => ({
            code: 'own',
            why: 'trimmed-larger',
            path: [...CROP!, axis],
            lengths: [ticks(trimmed[axis] - print[axis])],
          })),
        ),
        offers: larger.map((axis) => ({ path: [...CROP!, axis], length: print[axis] })),
      };
    const said = (edge: (typeof OFF)[number]) =>
      input.crop[edge] === undefined ? {} : { [edge]: value([...CROP!, edge]) };
    const off = trimmed ? trimTo(print, trimmed, input.crop, { ...said('left'), ...said('top') }) : null;
    if (trimmed && off && (off.right < 0 || off.bottom < 0)) {
      const [edge, axis] = off.right < 0 ? (['left', 'width'] as const) : (['top', 'height'] as const);
      const most = ticks(print[axis] - trimmed[axis]);
      const path: FieldPath = [...CROP!, edge];
      return {
        ...refused([{ code: 'own', why: 'off-too-much', path, lengths: [off[edge], most] }]),
        offers: most > 0 ? [{ path, length: most }] : [],
      };
    }
    const seen = trimmed ?? print;
    const box = rect(0, 0, seen.width, seen.height);
    const inner = border > 0 ? imageSeen(border, image, off, seen) : null;
    return {
      status: 'solved',
      laid: {
        size: seen,
        layers: [makePrint(box, trimmed ? CROP! : PRINT!)],
        blanks: [],
        slots: inner ? [{ key: 'image', role: 'image', n: 1, box: inner }] : [],
        dims: [
          {
            kind: 'inside',
            paths: trimmed
              ? [
                  ['crop', 'width'],
                  ['crop', 'height'],
                ]
              : [
                  ['print', 'width'],
                  ['print', 'height'],
                ],
            box,
          },
          {
            kind: 'leader',
            path: BORDER!,
            at: { x: ticks(seen.width - Math.floor(border / 2)), y: ticks(Math.floor(seen.height / 2)) },
          },
        ],
        facts: off
          ? [
              { name: 'trimmed', lengths: [off.left, off.right, off.top, off.bottom] },
              ...(trimmed && offcutsOf(print, trimmed, off).length
                ? [{ name: 'offcuts', lengths: offcutsOf(print, trimmed, off) }]
                : []),
            ]
          : want
            ? factsOf(cropTo(image, want, input.crop))
            : [],
      },
      values: solution.values,
      sums: solution.sums,
      suggestions: [],
    };
  },

  grammar: {
    heads: [
      ...['print', 'photo', 'photograph', 'picture', 'pic', 'snapshot', 'scene'],
      ...['lose', 'loss', 'lost', 'crop', 'enlarge', 'enlargement', 'resize', 'shrink', 'reprint'],
    ],
    places: {
      print: { kind: 'size', words: ['print', 'photo', 'scene', 'from'] },
      border: { kind: 'length', words: ['border', 'edge', 'rim'] },
      crop: { kind: 'size', words: ['as', 'into', 'to', 'become'], alone: true },
      left: { kind: 'length', words: ['left'], alone: true },
      right: { kind: 'length', words: ['right'], alone: true },
      top: { kind: 'length', words: ['top'], alone: true },
      bottom: { kind: 'length', words: ['bottom'], alone: true },
    },
    flags: {
      trim: ['trim', 'trimmed'],
      whole: ['whole', 'uncropped', 'without', 'nothing'],
      square: ['square'],
    },
    usual: ['print', 'crop', 'border'],
    idle: ['off', 'flush', 'white', 'losing', 'keep', 'keeping', 'anything', 'fill', 'going', 'wallet', 'down'],
  },
  read: (heard, table) => {
    const [print, border] = [sizeAt(heard, 'print'), lengthAt(heard, 'border')];
    const crop = sizeAt(heard, 'crop') ?? (print && heard.flags.has('square') ? squareOf(print, table.unit) : null);
    if (!print && !crop) return null;
    const has = (...of: string[]) => of.find((flag) => heard.flags.has(flag));
    const off = {
      ...computeCutOff(
        'left',
        lengthAt(heard, 'left'),
        lengthAt(heard, 'right'),
        print?.width,
        crop?.width,
        table.unit,
      ),
      ...computeCutOff(
        'top',
        lengthAt(heard, 'top'),
        lengthAt(heard, 'bottom'),
        print?.height,
        crop?.height,
        table.unit,
      ),
    };
    const scene = heard.heads.has('scene') || Object.keys(off).length > 0;
    return {
      print: { ...print, known: 'measured' },
      image: {},
      ...(border === undefined ? {} : { border }),
      crop: {
        ...crop,
        keep: has('whole') ? 'whole' : has('trim') || (scene && crop) ? 'trim' : 'fill',
        across: (has('left', 'right') ?? 'centre') as 'centre',
        upDown: (has('top', 'bottom') ?? 'centre') as 'centre',
        ...off,
      },
    };
  },
  toComeFrom: () => [],
  /** Mats go round the print as it is trimmed: to the other size if one is said, else without its border. */
  onward: (input, table, newId) => {
    const solved = photo.solve(input, table);
    if (solved.status !== 'solved') return [];
    const box = wanted(input.crop, table.unit) ?? solved.laid.slots[0]?.box ?? solved.laid.layers[0]!.box;
    const text = (t: Ticks) => formatExactLength(t, table.unit);
    const print = { width: text(box.width), height: text(box.height), known: input.print.known };
    const all = table.unit === 'in' ? '1/8' : '3';
    return [{ recipe: 'mat-stack', input: { print, mats: [{ id: newId(), reveal: { style: 'even', all } }] } }];
  },
};

/** The largest square of a print. */
function squareOf({ width, height }: { width: string; height: string }, unit: Unit) {
  const side = parseTicks(height, unit) < parseTicks(width, unit) ? height : width;
  return { width: side, height: side };
}

/** What comes off at the left or at the top, where that is said of it or of the edge across from it. */
function computeCutOff(
  edge: (typeof OFF)[number],
  here: LengthText | undefined,
  across: LengthText | undefined,
  print: LengthText | undefined,
  crop: LengthText | undefined,
  unit: Unit,
): Partial<Record<(typeof OFF)[number], LengthText>> {
  if (here !== undefined) return { [edge]: here };
  if (across === undefined || print === undefined || crop === undefined) return {};
  const [all, kept, off] = [print, crop, across].map((text) => parseLength(text, unit, { allow: 'zero' }));
  if (!all!.ok || !kept!.ok || !off!.ok) return {};
  const rest = all!.value.ticks - kept!.value.ticks - off!.value.ticks;
  return rest >= 0 ? { [edge]: rest === 0 ? '0' : formatExactLength(ticks(rest), unit) } : {};
}
