import { z } from 'zod';
import { ZERO, parseLength, ticks, type LengthText } from '../../length/index.ts';
import { countAt, sizeAt, parseTicks, type ParsedValue } from '../../line/index.ts';
import { oval, shortfall, shapeOfOutline, type Rect, type Shape, type Size } from '../../geometry/index.ts';
import type { Blank } from '../blanks.ts';
import type { FieldPath } from '../fields.ts';
import { makeBlank, makeLayer, outerDimsOf, makePrint } from '../laying.ts';
import {
  MAX_LAYERS,
  chainArithmetic,
  layerFields,
  layersSchema,
  loosenNestedReveals,
  nestedYieldOrder,
  nestedFixedPaths,
  placeLevels,
  setNestedValue,
  listRevealDims,
  listRevealFacts,
  sizeFields,
  sizeKeys,
  solveChain,
  findTooSmallLayers,
  type Chain,
  type NestedLayer,
} from '../nested.ts';
import type { LaidOut, Recipe, LayoutContext } from '../recipe.ts';
import { LAYER_FLAGS, LAYER_PLACES, repeatCountedLayers, readLayers, loosenWhereNeeded } from '../revealsSaid.ts';

const SHAPES = ['straight', 'oval'] as const;
const matStackSchema = z.strictObject({
  /** What the mats lie behind. Left out, it is solved for: the largest print for a paper. */
  print: z.strictObject({ ...sizeKeys, known: z.enum(['measured', 'assumed']) }),
  /** What print and mats look like; left out: straight. */
  shape: z.enum(SHAPES).optional(),
  /** Outward from the print, each by its reveal, its size, or what is known of both. */
  mats: layersSchema,
});
export type MatStackInput = z.infer<typeof matStackSchema>;

const PRINT: FieldPath = ['print'];
const PRINT_WIDTH: FieldPath = ['print', 'width'];
const PRINT_HEIGHT: FieldPath = ['print', 'height'];
const SHAPE: FieldPath = ['shape'];
const MATS: FieldPath = ['mats'];
const matAt = (i: number): FieldPath => ['mats', i];

const chainOf = ({ print, mats }: MatStackInput): Chain => ({
  levels: [
    { path: PRINT, width: print.width, height: print.height, known: print.known },
    ...mats.map(({ width, height }, i) => ({ path: matAt(i), width, height })),
  ],
  gaps: mats.map(({ reveal }, i) => ({ path: matAt(i), reveal })),
  seams: [],
});

const usualReveal = (table: LayoutContext): string => (table.unit === 'in' ? '1/8' : '3');
/** Prints to begin with, the largest first: one that leaves a margin in its room is taken. */
const PRINTS = {
  in: [
    ['4', '6'],
    ['3', '4'],
    ['2', '3'],
    ['1', '1 1/2'],
    ['1/4', '1/4'],
  ],
  mm: [
    ['100', '150'],
    ['75', '100'],
    ['50', '75'],
    ['25', '40'],
    ['6', '6'],
  ],
} as const;

const sizeOf = (width: LengthText | undefined, height: LengthText | undefined, table: LayoutContext): Size | null => {
  const [w, h] = [width, height].map((t) => (t === undefined ? null : parseLength(t, table.unit)));
  return w?.ok && h?.ok ? { width: w.value.ticks, height: h.value.ticks } : null;
};

/** A print alone, to show where its mats cannot be. */
function printAlone({ print }: MatStackInput, table: LayoutContext): LaidOut | null {
  const size = sizeOf(print.width, print.height, table);
  if (!size) return null;
  const box = { x: ZERO, y: ZERO, ...size };
  return {
    size,
    layers: [makePrint(box, PRINT)],
    blanks: [],
    slots: [],
    dims: [{ kind: 'inside', paths: [PRINT_WIDTH, PRINT_HEIGHT], box }],
    facts: [],
  };
}

/** A mat as it is cut, and what is done to it then. */
function finished(blank: Blank, round: boolean): Blank {
  if (!round) return blank;
  const { width, height } = blank;
  const shape = shapeOfOutline(oval({ x: ZERO, y: ZERO, width, height }));
  return { ...blank, shape, finish: [{ do: 'outline', as: width === height ? 'circle' : 'oval' }] };
}

/** Any number of mats outward from a print, each by its reveal or by its size; whichever number is unknown is worked out. */
export const matStack: Recipe<'mat-stack', MatStackInput> = {
  id: 'mat-stack',
  version: 1,
  input: matStackSchema,
  migrations: [],
  advice: [],
  hand: null,
  takesOutline: null,
  roles: ['print', 'mat'],
  reasons: ['smaller-than-inside'],
  phrases: [
    'mat 1/8 1/4 around 4 x 6',
    'mat 3/16 footer 11/16 around 2 1/4 x 2 1/4',
    'mats 3, 6 mm round 89 mm x 127 mm',
    'how big a photo on 4 1/2 x 5 7/8 with a quarter showing',
    'oval mat an eighth round 4 x 6',
  ],
  beneath: null,

  start: (table, newId) => {
    const spare = sizeOf('1/2 in', '1/2 in', table)!;
    const prints = PRINTS[table.unit];
    const [width, height] =
      prints.find(([w, h]) => {
        const size = sizeOf(w, h, table)!;
        return size.width + spare.width <= table.room.width && size.height + spare.height <= table.room.height;
      }) ?? prints.at(-1)!;
    return {
      print: { width, height, known: 'assumed' },
      mats: [{ id: newId(), reveal: { style: 'even', all: usualReveal(table) } }],
    };
  },
  fields: ({ print, shape, mats }) => [
    ...sizeFields(PRINT, print, ['print', 'known']),
    { kind: 'choice', path: SHAPE, group: PRINT, value: shape ?? 'straight', options: SHAPES },
    ...layerFields('mats', mats),
  ],
  lists: ({ mats }) => [{ path: MATS, ids: mats.map((m) => m.id), most: MAX_LAYERS }],
  entry: (_input, _list, table, id) => ({ id, reveal: { style: 'even', all: usualReveal(table) } }),
  put: (input, path, value) => setNestedValue(input, input.mats, 'mats', path, value),
  givesWay: ({ mats }, path) => nestedYieldOrder('mats', mats, [PRINT_WIDTH, PRINT_HEIGHT], path),
  standsStill: ({ mats }, path) => nestedFixedPaths('mats', mats, path),
  loosened: (input, path) => loosenNestedReveals(input, input.mats, 'mats', path),
  arithmetic: (input, table) => chainArithmetic(chainOf(input), table),

  solve: (input, table) => {
    const chain = chainOf(input);
    const solved = solveChain(chain, table);
    if (!solved.ok)
      return { status: 'refused', problems: solved.problems, offers: [], instead: printAlone(input, table) };
    const { answer } = solved;
    const small = findTooSmallLayers(chain, answer);
    if (small.problems.length) return { status: 'refused', ...small, instead: printAlone(input, table) };
    const { mats } = input;
    const boxes = placeLevels(answer);
    const round = input.shape === 'oval';
    const shapeOf = (box: Rect): Shape | null => (round ? shapeOfOutline(oval(box)) : null);
    const mat = (i: number) => ({ key: mats[i]!.id, role: 'mat', n: i + 1 });
    const inward = [...mats.keys()].reverse();
    return {
      status: 'solved',
      laid: {
        size: answer.levels.at(-1)!,
        layers: [
          ...inward.map((i) =>
            makeLayer({
              ...mat(i),
              box: boxes[i + 1]!,
              shape: shapeOf(boxes[i + 1]!),
              group: matAt(i),
              entry: { list: MATS, id: mats[i]!.id },
            }),
          ),
          { ...makePrint(boxes[0]!, PRINT), shape: shapeOf(boxes[0]!) },
        ],
        blanks: inward.map((i) => finished(makeBlank(mat(i), answer.levels[i + 1]!, table.mark, 'nearest'), round)),
        slots: [],
        dims: [
          { kind: 'inside', paths: [PRINT_WIDTH, PRINT_HEIGHT], box: boxes[0]! },
          ...mats.flatMap(({ reveal }, i) =>
            listRevealDims(matAt(i), reveal, boxes[i]!, boxes[i + 1]!, answer.solution),
          ),
          ...(mats.length ? outerDimsOf(matAt(mats.length - 1), answer.levels.at(-1)!) : []),
        ],
        facts: [
          ...(round ? [{ name: 'print-cut', of: PRINT, lengths: [boxes[0]!.width, boxes[0]!.height] }] : []),
          ...listRevealFacts(
            mats.map(({ reveal }, i) => ({ path: matAt(i), reveal, inner: boxes[i]!, outer: boxes[i + 1]! })),
            answer.solution,
          ),
        ],
      },
      values: answer.solution.values,
      sums: answer.solution.sums,
      suggestions: answer.suggestions,
    };
  },

  grammar: {
    heads: ['mat', 'matt', 'matting', 'print', 'photo', 'photograph', 'picture', 'pic'],
    places: {
      ...LAYER_PLACES,
      layers: repeatCountedLayers(['mat', 'matt']),
      around: {
        kind: 'size',
        words: ['around', 'round', 'for', 'behind', 'under', 'print', 'photo', 'photograph', 'picture', 'pic'],
        after: ['print', 'photo', 'photograph', 'picture', 'pic'],
      },
      outer: {
        kind: 'size',
        words: ['on', 'onto', 'overall', 'finished', 'outside', 'mat'],
        many: true,
        alone: true,
      },
      sheet: { kind: 'size', words: ['from'], alone: true, after: ['sheet', 'scrap'] },
    },
    flags: {
      ...LAYER_FLAGS,
      oval: ['oval', 'ellipse'],
      round: ['circle', 'circular'],
      square: ['square'],
      uneven: ['offset', 'uneven', 'off-centre', 'off-center'],
      largest: ['largest', 'biggest', 'maximum', 'max'],
    },
    usual: ['reveal', 'around', 'outer'],
    idle: [
      ...['first', 'second', 'inside', 'scrap', 'sheet', 'paper', 'card'],
      'narrow',
      'thin',
      'thick',
      'inner',
      'layer',
      'layered',
      'single',
      'wide',
      'even',
      'photograph',
      'pic',
      'snapshot',
      'wallet',
      'stack',
      'apart',
    ],
  },
  /** Reveals and sizes from the print outward; of the largest print, what it is to come from is what lies round it. */
  read: (line, table, newId) => {
    // with no print said, `a mat from a 6 x 6 scrap` is as large as that
    const isSheetTheMat = line.flags.has('largest') || !sizeAt(line, 'around');
    const taken = line.values.map((v) => (v.place === 'sheet' && isSheetTheMat ? { ...v, place: 'outer' } : v));
    const heard = { ...line, values: taken };
    const outer = taken.filter((v) => v.place === 'outer');
    const largest = heard.flags.has('largest') && !outer.length;
    // `1/8 mat 4 x 6`, `mat my 4 x 6 with ...`: with nothing said of a print, that is the print
    const bare =
      !heard.flags.has('largest') &&
      !sizeAt(heard, 'around') &&
      outer.length === 1 &&
      ['mat', 'mats', 'matt', 'matting'].includes(outer[0]!.word ?? '') &&
      !outer[0]!.isBehind &&
      heard.values.length > 1;
    // `triple mat 1/8 1/8 1/4 on a 4 x 4`, `2 mats on a 4 x 4, 1/4 then 1/8`: all of its mats are described, so it lies on the print
    const described = heard.values.filter((v) => v.place === 'reveal').length;
    const layered = heard.flags.has('triple') ? 3 : heard.flags.has('double') ? 2 : (countAt(heard, 'layers') ?? 0);
    // so does `a 1/8 mat on a 5 x 7`, but for a mat on the whole page
    const one = layered || heard.flags.has('largest') || !heard.heads.has('mat') ? 0 : 1;
    const isPage = ['width', 'height'].every(
      (side, i) => parseTicks(outer[0]?.texts[i], table.unit) === table.room[side as 'width'],
    );
    const onPrint =
      (layered || one) > 0 &&
      described === (layered || one) &&
      !sizeAt(heard, 'around') &&
      outer.length === 1 &&
      outer[0]!.word === 'on' &&
      !isPage;
    const values = heard.values.map((v) =>
      onPrint && v.place === 'outer'
        ? { ...v, place: 'around' }
        : largest && v.place === 'around'
          ? { ...v, place: 'outer' }
          : bare && v.place === 'outer'
            ? { ...v, place: 'around' }
            : v,
    );
    const said = {
      ...heard,
      values: heard.flags.has('round') || heard.flags.has('square') ? asWideAsHigh(values, table) : values,
    };
    const mats = readLayers(said, 'outer', newId);
    // `an offset mat`: how far on which side is asked
    const isSided = values.some(({ place }) => ['left', 'right', 'top', 'bottom'].includes(place));
    if (heard.flags.has('uneven') && !isSided) return null;
    // `three mats for 4 x 6 photos` are one for each, and no stack of three
    const isOfSeveral = values.some(({ place, word }) => place === 'around' && SEVERAL_PRINTS.test(word ?? ''));
    if (isOfSeveral && (countAt(heard, 'layers') ?? 1) > 1) return null;
    // a print of two sizes is no mat yet
    const matted = ['mat', 'matt', 'matting'].some((head) => heard.heads.has(head));
    const asked = matted || heard.flags.has('reveal');
    // `mat for a 4 x 6`: how much of it shows is asked
    if (!mats.length && matted && !heard.passedOver.length && sizeAt(said, 'around'))
      mats.push({ id: newId(), reveal: { style: 'even' } });
    if (!mats.length || !(asked || values.some((v) => !['around', 'outer', 'sheet'].includes(v.place)))) return null;
    const shape = heard.flags.has('oval') || heard.flags.has('round') ? { shape: 'oval' as const } : {};
    const input = (layers: readonly NestedLayer[]): MatStackInput => ({
      print: { ...sizeAt(said, 'around'), known: 'measured' },
      ...shape,
      mats: [...layers],
    });
    return input(loosenWhereNeeded(mats, (layers) => matStack.solve(input(layers), table)));
  },

  /** The print is trimmed by what the mat is too long. */
  toComeFrom: (input, table, blank, paper) => {
    const solved = matStack.solve(input, table);
    const mat = solved.status === 'solved' ? solved.laid.blanks.find((b) => b.key === blank) : undefined;
    if (solved.status !== 'solved' || !mat) return [];
    const print = solved.laid.layers.at(-1)!.box;
    const less = shortfall(mat, paper);
    if (print.width <= less.width || print.height <= less.height) return [];
    return (['width', 'height'] as const)
      .filter((axis) => less[axis] > 0 && input.print[axis] !== undefined)
      .map((axis) => ({ path: ['print', axis], length: ticks(print[axis] - less[axis]) }));
  },
  onward: () => [],
};

const SEVERAL_PRINTS = /^(?:photo|photograph|print|picture|pic)s$/;

/** `a circle of 3 inches with 1/8 showing`: of lengths that are said of something round or square, one far wider than the others is how wide the print is. */
function asWideAsHigh(values: readonly ParsedValue[], { unit }: LayoutContext): readonly ParsedValue[] {
  if (values.some((v) => v.place === 'around' || v.place === 'outer')) return values;
  const wide = ({ texts }: ParsedValue) => parseTicks(texts[0], unit);
  const [widest, next] = values.filter((v) => v.place === 'reveal').sort((a, b) => wide(b) - wide(a));
  if (!widest || !next || wide(widest) < 4 * wide(next)) return values;
  const [across] = widest.texts;
  return values.map((v) => (v === widest ? { ...v, place: 'around', texts: [across!, across!] } : v));
}
