import { fieldKey, type FieldPath } from '../fields.ts';
import { readGivenLengths } from '../given.ts';
import type { Arithmetic, LayoutContext } from '../recipe.ts';
import { solveSums, term, type Equation } from '../sums.ts';
import { ROOT2, ROOT3 } from '../roots.ts';
import { MEASURES_OF, extentOfOwn, type FigureMeasures } from './figures.ts';
import type { Measure, ShapesInput } from './input.ts';

/* What says how large a figure is, and how long a row of them. */

export const GAP: FieldPath = ['gap'];
export const ALL: FieldPath = ['all', 'length'];
export const SIZE: FieldPath = ['size'];
export const ROWS: FieldPath = ['rows'];
export const COLUMNS: FieldPath = ['columns'];
export const NUMBER: FieldPath = ['number'];
export const PAPERS: FieldPath = ['papers'];
export const POINTS: FieldPath = ['points'];
export const sizeAt = (measure: Measure): FieldPath => ['size', measure];

/** How the measures of a figure hang together, where they do. */
export function measureEquations(input: ShapesInput): Equation[] {
  const of = (measure: Measure, times: number) => term(sizeAt(measure), times);
  switch (input.figure) {
    case 'hexagon':
      return [
        [of('corners', ROOT3[0]), of('flats', -2 * ROOT3[1])],
        [of('corners', 1), of('side', -2)],
      ];
    case 'triangle':
      return [[of('height', 2 * ROOT3[1]), of('side', -ROOT3[0])]];
    case 'heart':
      return [[of('height', 2 * ROOT2[1]), of('width', ROOT2[1] - 2 * ROOT2[0])]];
    case 'own': {
      const { width, height } = extentOfOwn(input.own?.outline ?? []);
      return [[of('height', width), of('width', -height)]];
    }
    default:
      return [];
  }
}

/** Which measure lies along a row, where it reaches just as far. */
export function measureAlongRow({ figure, pointing, lie }: ShapesInput): Measure | null {
  if (lie === 'alternating' || figure === 'star' || figure === 'scalloped') return null;
  if (figure !== 'hexagon') return MEASURES_OF[figure][0]!;
  return pointing === 'flats-up' && lie === 'straight' ? 'corners' : 'flats';
}

/** Whether a second row is moved over, so that all of it is longer. */
const isMovedOver = ({ lie, rows, number, columns }: ShapesInput): boolean =>
  lie === 'moved' && (rows ?? (number === undefined ? 2 : Math.ceil(number / Math.max(1, columns ?? number)))) > 1;

export function arithmetic(input: ShapesInput, table: LayoutContext): Arithmetic {
  const { givens, problems, give } = readGivenLengths(table.unit);
  const equations = measureEquations(input);
  for (const measure of MEASURES_OF[input.figure]) give(sizeAt(measure), input.size[measure]);
  give(GAP, input.gap, 'assumed', 'zero');
  const along = measureAlongRow(input);
  const { columns: n } = input;
  if (along && n !== undefined && input.edges !== 'cut') {
    give(ALL, input.all.length);
    const more = isMovedOver(input) ? 1 : 0;
    equations.push([
      term(ALL, 2),
      term(sizeAt(along), -2 * n - more),
      ...(2 * n - 2 + more ? [term(GAP, 2 - 2 * n - more)] : []),
    ]);
  }
  // what no line of arithmetic speaks of is asked for all the same
  for (const measure of MEASURES_OF[input.figure])
    equations.push([term(sizeAt(measure), 1), term(sizeAt(measure), -1)]);
  equations.push([term(GAP, 1), term(GAP, -1)]);
  return { equations, givens, problems };
}

/** The measures of one, in ticks as floats; null where they are not known. */
export function measuresOf(input: ShapesInput, table: LayoutContext): FigureMeasures | null {
  const { equations, givens, problems } = arithmetic(input, table);
  const { values, disagree } = solveSums(equations, givens);
  const measures = MEASURES_OF[input.figure];
  if (problems.length || disagree || measures.some((measure) => !values.has(fieldKey(sizeAt(measure))))) return null;
  return Object.fromEntries(
    measures.map((measure) => {
      const { n, d } = values.get(fieldKey(sizeAt(measure)))!;
      return [measure, Number(n) / Number(d)];
    }),
  );
}
