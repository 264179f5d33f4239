import { formatExactLength, inUnit, roundExact, type LengthText, type Ticks } from '@temnex/core/length';
import {
  fieldKey,
  recipeOf,
  type Field,
  type FieldList,
  type FieldPath,
  type LaidOut,
  type Offer,
  type ReadOutline,
  type RecipeId,
  type RecipeSolution,
  type Sum,
  type LayoutContext,
} from '@temnex/core/recipes';
import { newId } from '../../data/newId.ts';

/**
 * A construction as it is worked on, wherever that is: in the first view by itself, or as an item of a page. The drawing and the
 * slip show it and change it through this alone.
 */
export interface ConstructionEditor {
  readonly recipe: RecipeId;
  readonly input: unknown;
  readonly table: LayoutContext;
  readonly solved: RecipeSolution;
  /** What is shown: of a refused one what was there last, or what can be shown all the same. */
  readonly laid: LaidOut | null;
  /** Types a value; undefined empties the field. */
  set(path: FieldPath, value: LengthText | undefined): void;
  addTo(list: FieldPath): void;
  remove(list: FieldPath, id: string): void;
  move(list: FieldPath, id: string, by: 1 | -1): void;
  take(offers: readonly Offer[]): void;
  /** All of it anew, as what was done by hand on the drawing left it. */
  put(input: unknown): void;
}

/** What can be done to its layers by hand, and what comes of it; null where there is nothing. */
export function layerHandOf({ recipe, input, table }: Pick<ConstructionEditor, 'recipe' | 'input' | 'table'>) {
  const { hand } = recipeOf(recipe);
  return hand
    ? {
        press: (layer: string): unknown => hand.press(input, table, layer),
        span: (from: string, to: string): unknown => hand.span(input, table, from, to, newId()),
        apart: (layer: string): unknown => hand.apart(input, table, layer),
      }
    : null;
}

export const fieldsOf = (made: Pick<ConstructionEditor, 'recipe' | 'input'>): readonly Field[] =>
  recipeOf(made.recipe).fields(made.input);
export const listsOf = (made: Pick<ConstructionEditor, 'recipe' | 'input'>): readonly FieldList[] =>
  recipeOf(made.recipe).lists(made.input);

/** What a field comes to, in ticks or as a count; null where that is not known. */
export function valueOf({ solved }: Pick<ConstructionEditor, 'solved'>, path: FieldPath): Ticks | null {
  const value = solved.status === 'solved' ? solved.values.get(fieldKey(path)) : undefined;
  return value ? roundExact(value, 'nearest') : null;
}

export const sumOf = ({ solved }: Pick<ConstructionEditor, 'solved'>, path: FieldPath): Sum | null =>
  (solved.status === 'solved' ? solved.sums.get(fieldKey(path)) : undefined) ?? null;

/** What stands in a field: as it was typed, or what it comes to, as one would type it. */
export function formatFieldValue(made: ConstructionEditor, field: Field): string {
  if (field.value !== undefined) return String(field.value);
  const value = valueOf(made, field.path);
  if (value === null) return '';
  if (field.kind !== 'length') return String(value);
  const text = formatExactLength(value, made.table.unit);
  // what is on no mark that one would read is said as a decimal
  return Number(/\/(\d+)$/.exec(text)?.[1] ?? 1) > 64 ? inUnit(value, made.table.unit).toFixed(3) : text;
}

/** What becomes of it with an outline of one's own; null where it has no use for one. */
export function withOutline({ recipe, input, table }: Pick<ConstructionEditor, 'recipe' | 'input' | 'table'>) {
  const { takesOutline: take } = recipeOf(recipe);
  return take ? (outline: ReadOutline): unknown => take(input, outline, table) : null;
}

/** Whether something of it is cut along an outline, or pricked. */
export const isTraced = ({ blanks, traced }: LaidOut): boolean =>
  traced !== undefined || blanks.some((blank) => blank.shape && blank.finish.some((f) => f.do === 'outline'));
