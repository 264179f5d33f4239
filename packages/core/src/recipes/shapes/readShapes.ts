import { Filler } from '../../lattice/index.ts';
import { boundsOf } from '../../geometry/index.ts';
import { countAt, lengthAt, sizeAt, parseTicks, type Grammar, type ParsedValues } from '../../line/index.ts';
import type { LayoutContext } from '../recipe.ts';
import { figureRingOf, turningOf } from './arrange.ts';
import { MEASURES_OF, makeFigure } from './figures.ts';
import { measuresOf } from './measures.ts';
import {
  MAX_SHAPES_IN_ROW,
  MAX_SHAPE_PAPERS,
  MAX_SHAPES,
  type Figure,
  type Measure,
  type ShapesInput,
} from './input.ts';

/* Shapes as they are said: `12 hexagons 2 1/4 across the flats`, `hearts 1 1/4 wide in 3 papers`, `circles 2 across from 12 x 12`. */

const HEADS: Readonly<Record<string, Figure>> = {
  hexagon: 'hexagon',
  hex: 'hexagon',
  honeycomb: 'hexagon',
  circle: 'circle',
  disc: 'circle',
  dot: 'circle',
  triangle: 'triangle',
  pennant: 'pennant',
  star: 'star',
  heart: 'heart',
};

export const shapesGrammar: Grammar = {
  heads: Object.keys(HEADS),
  places: {
    number: { kind: 'count', words: [], most: MAX_SHAPES },
    size: { kind: 'size', words: ['shape'] },
    across: { kind: 'length', words: ['across', 'wide', 'diameter', 'width'], alone: true },
    flats: { kind: 'length', words: ['flat'], alone: true },
    corners: { kind: 'length', words: ['corner', 'tip'], alone: true },
    side: { kind: 'length', words: ['side', 'edge'], alone: true },
    height: { kind: 'length', words: ['high', 'tall', 'long', 'height', 'length'], alone: true },
    columns: { kind: 'length', words: ['column'] },
    rows: { kind: 'length', words: ['row'], alone: true },
    papers: { kind: 'length', words: ['paper', 'pattern', 'colour'], alone: true },
    gap: { kind: 'length', words: ['gap', 'apart', 'between', 'space', 'spaced', 'spacing'] },
    ground: { kind: 'size', words: ['on', 'onto', 'over'], alone: true },
    sheet: {
      kind: 'size',
      words: ['from', 'sheet', 'pad', 'paper', 'out'],
      alone: true,
      after: ['sheet', 'pad', 'paper'],
    },
  },
  flags: {
    scalloped: ['scallop', 'scalloped'],
    moved: ['interlocking', 'interlocked', 'honeycomb', 'offset', 'staggered', 'nested', 'moved'],
    straight: ['straight'],
    alternating: ['alternating', 'alternate', 'tumbling'],
    cut: ['bleed', 'bleeding', 'filling', 'covering', 'cover', 'fill', 'background'],
    flatsUp: ['flat-topped'],
  },
  usual: ['size', 'across', 'height'],
  idle: ['equilateral', 'pointed', 'regular', 'shaped', 'small', 'come', 'fit', 'equal', 'equally', 'round', 'bunting'],
};

/** What the plain length of a line measures, of each figure. */
const plainMeasure = (figure: Figure, has: (word: string) => boolean): Measure => {
  if (figure === 'hexagon') return has('corners') ? 'corners' : has('side') ? 'side' : 'flats';
  if (figure === 'triangle') return has('height') ? 'height' : 'side';
  return MEASURES_OF[figure][0]!;
};

export function readShapes(heard: ParsedValues, table: LayoutContext): ShapesInput | null {
  const said = (place: string) => lengthAt(heard, place);
  const head = [...heard.heads].find((word) => word !== 'honeycomb') ?? 'honeycomb';
  const scalloped = HEADS[head] === 'circle' && heard.flags.has('scalloped');
  const figure: Figure = scalloped ? 'scalloped' : HEADS[head]!;
  const whole = (place: string, most: number): number | undefined => {
    const text = String(said(place) ?? '');
    return /^\d{1,3}$/.test(text) && Number(text) >= 1 ? Math.min(most, Number(text)) : undefined;
  };
  const size: ShapesInput['size'] = {};
  const own = sizeAt(heard, 'size');
  const measures = MEASURES_OF[figure];
  const put = (measure: Measure, place: string) => {
    const text = said(place);
    if (text !== undefined && measures.includes(measure)) size[measure] ??= text;
  };
  put('flats', 'flats');
  put('corners', 'corners');
  put('side', 'side');
  if (own && measures.includes('width')) Object.assign(size, { width: own.width, height: own.height });
  if (Object.keys(size).length === 0 || measures.length === 2) {
    const has = (place: string) => heard.flags.has(place) || said(place) !== undefined;
    if (said('across') !== undefined) size[plainMeasure(figure, (place) => has(place))] ??= said('across')!;
  }
  if (measures.includes('height')) put('height', 'height');
  // of a heart or a triangle one measure says it, of a pennant two do
  if (figure === 'heart' && size.width !== undefined) delete size.height;
  if (figure === 'triangle' && size.side !== undefined) delete size.height;
  const one = size.width ?? size.height;
  if ((figure === 'pennant' || figure === 'tag') && one !== undefined) {
    size.width ??= one;
    size.height ??= one;
  }
  if (Object.keys(size).length === 0) return null;
  const sheet = sizeAt(heard, 'sheet');
  const flag = (name: string) => heard.flags.has(name);
  const lie = flag('alternating')
    ? 'alternating'
    : flag('straight') || (figure !== 'hexagon' && !flag('moved'))
      ? 'straight'
      : 'moved';
  const columns = whole('columns', MAX_SHAPES_IN_ROW);
  const rows = whole('rows', MAX_SHAPES_IN_ROW);
  // `a circle 3 inches across` is one, where nothing is said of many
  const ofMany = ['columns', 'rows', 'sheet', 'ground', 'page', 'gap', 'papers'].some((place) =>
    heard.values.some((v) => v.place === place),
  );
  const alone = heard.single && !ofMany && !heard.heads.has('honeycomb') && !flag('cut') && !flag('moved');
  const number = countAt(heard, 'number') ?? (alone ? 1 : undefined);
  const input: ShapesInput = {
    figure,
    size,
    pointing: flag('flatsUp') ? 'flats-up' : 'points-up',
    points: figure === 'scalloped' ? 12 : 5,
    ...(columns === undefined ? {} : { columns }),
    ...(rows === undefined || number !== undefined ? {} : { rows }),
    ...(number === undefined ? {} : { number }),
    gap: said('gap') ?? '0',
    all: {},
    lie,
    edges: sheet ? 'free' : flag('cut') ? 'cut' : 'whole',
    papers: Math.min(MAX_SHAPE_PAPERS, whole('papers', MAX_SHAPE_PAPERS) ?? 1),
  };
  return sheet && number === undefined ? { ...input, number: fromSheet(input, sheet, table) } : input;
}

/** As many as one sheet of a size yields. */
function fromSheet(
  input: ShapesInput,
  sheet: { readonly width: string; readonly height: string },
  table: LayoutContext,
): number {
  const measured = measuresOf(input, table);
  if (!measured) return 1;
  const shape = makeFigure(input, measured);
  const box = boundsOf(shape);
  const [width, height] = [parseTicks(sheet.width, table.unit), parseTicks(sheet.height, table.unit)];
  if (box.width < 1 || (width * height) / (box.width * box.height) > 4 * MAX_SHAPES) return MAX_SHAPES;
  const filler = new Filler(figureRingOf(shape), {
    turning: turningOf(input.figure),
    apart: parseTicks(input.gap, table.unit),
    most: MAX_SHAPES,
  });
  return Math.max(1, filler.rowsIn({ width, height }).places.length);
}
