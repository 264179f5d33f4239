import { formatExactLength, roundExact, type Exact } from '../length/index.ts';
import { fieldKey, isUnder, isSamePath, type Field, type FieldPath } from './fields.ts';
import type { Offer, Recipe, LayoutContext } from './recipe.ts';
import { solveSums } from './sums.ts';

/*
 * What happens when somebody types in a field or empties it. The input holds only what is given; typing makes a computed
 * value given, and what the recipe names first gives way, so that the drawing shows it as computed from then on.
 */

const fieldAt = (fields: readonly Field[], path: FieldPath) => fields.find((f) => isSamePath(f.path, path));

/**
 * The input with another value in one field. A length or a count that is `undefined` empties the field: what the recipe says
 * stands still then becomes given, so that the drawing stays as it was. Never throws; what contradicts stays in and is said by `solve`.
 */
export function setField<Input>(
  recipe: Recipe<string, Input>,
  input: Input,
  path: FieldPath,
  value: string | number | undefined,
  table: LayoutContext,
): Input {
  const field = fieldAt(recipe.fields(input), path);
  if (value === undefined) {
    if (!field || field.kind === 'choice' || field.value === undefined || field.ifEmpty === 'refused') return input;
    return field.ifEmpty === 'by-rule' ? recipe.put(input, path, undefined) : emptied(recipe, input, path, table);
  }
  // sizes that are given stay given, where what is chosen can be worked out from them
  if (field?.kind === 'choice') {
    const plain = recipe.put(input, path, value);
    if (recipe.solve(plain, table).status === 'solved') return plain;
  }
  const firm = field?.kind === 'choice' ? siblingsGiven(recipe, input, path, table) : input;
  const next = recipe.put(firm, path, value);
  const { own, others } = recipe.givesWay(next, path);
  const loose = recipe.loosened(next, path);
  const typed =
    freed(recipe, next, path, own, table) ??
    (loose && freed(recipe, loose, path, own, table)) ??
    freed(recipe, next, path, [...own, ...others], table) ??
    next;
  return field?.kind === 'choice' ? withSizesBefore(recipe, input, typed, table) : typed;
}

/**
 * What a choice leaves without a size keeps the one that it had: the lengths that are missing then are given as they were worked out
 * before, as few of them as are needed.
 */
function withSizesBefore<Input>(
  recipe: Recipe<string, Input>,
  before: Input,
  chosen: Input,
  table: LayoutContext,
): Input {
  const was = recipe.solve(before, table);
  if (was.status !== 'solved') return chosen;
  let next = chosen;
  const isMissing = (input: Input): readonly FieldPath[] => {
    const now = recipe.solve(input, table);
    return now.status === 'refused' ? now.problems.flatMap((p) => (p.code === 'missing' ? p.paths : [])) : [];
  };
  for (let paths = isMissing(next); paths.length; paths = isMissing(next)) {
    const open = recipe
      .fields(next)
      .find(
        (f) =>
          (f.kind === 'length' || f.kind === 'count') &&
          f.value === undefined &&
          was.values.has(fieldKey(f.path)) &&
          paths.some((p) => isSamePath(p, f.path)),
      );
    if (!open) return next;
    const value = roundExact(was.values.get(fieldKey(open.path))!, 'nearest');
    next = recipe.put(next, open.path, open.kind === 'count' ? Number(value) : formatExactLength(value, table.unit));
  }
  return next;
}

/**
 * What a choice is about becomes given as it is before it is made: a reveal that was worked out, and is now to be said edge by
 * edge, keeps its value at each.
 */
function siblingsGiven<Input>(
  recipe: Recipe<string, Input>,
  input: Input,
  path: FieldPath,
  table: LayoutContext,
): Input {
  const solved = recipe.solve(input, table);
  const parent = path.slice(0, -1);
  if (solved.status !== 'solved' || !parent.length) return input;
  return recipe.fields(input).reduce((kept, f) => {
    const value = solved.values.get(fieldKey(f.path));
    const open = f.kind === 'length' && f.ifEmpty === 'worked-out' && f.value === undefined && isUnder(f.path, parent);
    return open && value ? recipe.put(kept, f.path, formatExactLength(roundExact(value, 'nearest'), table.unit)) : kept;
  }, input);
}

/** The input without the given values that the one at `path` leaves no room for; null where none of `giveWay` helps. */
function freed<Input>(
  recipe: Recipe<string, Input>,
  input: Input,
  path: FieldPath,
  giveWay: readonly FieldPath[],
  table: LayoutContext,
): Input | null {
  const { equations, givens } = recipe.arithmetic(input, table);
  const solution = solveSums(
    equations,
    givens,
    giveWay.filter((p) => !isSamePath(p, path)),
  );
  if (solution.disagree) return null;
  return solution.gaveWay.reduce((kept, p) => recipe.put(kept, p, undefined), input);
}

function emptied<Input>(recipe: Recipe<string, Input>, input: Input, path: FieldPath, table: LayoutContext): Input {
  const before = recipe.solve(input, table);
  let next = recipe.put(input, path, undefined);
  if (before.status !== 'solved') return next;
  const key = fieldKey(path);
  const was = before.values.get(key);
  let found = standing(recipe, next, key, table);
  for (const still of recipe.standsStill(input, path).filter((p) => !isSamePath(p, path))) {
    if (!found.unknown && found.value && was && sameExact(found.value, was)) break;
    const value = before.values.get(fieldKey(still));
    const field = fieldAt(recipe.fields(next), still);
    if (value === undefined || field?.kind === 'choice' || field?.value !== undefined) continue;
    const rounded = roundExact(value, 'nearest');
    const held = recipe.put(
      next,
      still,
      field?.kind === 'count' ? Number(rounded) : formatExactLength(rounded, table.unit),
    );
    const then = standing(recipe, held, key, table);
    // what does not help to find it again stays as it was
    const nearer = then.unknown < found.unknown || (was && then.value && sameExact(then.value, was));
    if (then.clash || !nearer) continue;
    [next, found] = [held, then];
  }
  return next;
}

/** How much is still unknown, and what the field at `key` comes to. */
function standing<Input>(recipe: Recipe<string, Input>, input: Input, key: string, table: LayoutContext) {
  const { equations, givens } = recipe.arithmetic(input, table);
  const { unknown, disagree } = solveSums(equations, givens);
  const solved = recipe.solve(input, table);
  const value = solved.status === 'solved' ? solved.values.get(key) : undefined;
  return { unknown: unknown.length, value, clash: disagree !== null };
}

const sameExact = (a: Exact, b: Exact): boolean => a.n * b.d === b.n * a.d;

/** The input with what was offered in its fields, as if it had been typed. */
export const applyOffers = <Input>(
  recipe: Recipe<string, Input>,
  input: Input,
  offers: readonly Offer[],
  table: LayoutContext,
): Input =>
  offers.reduce((next, offer) => {
    const value = 'count' in offer ? offer.count : formatExactLength(offer.length, table.unit);
    return setField(recipe, next, offer.path, value, table);
  }, input);
