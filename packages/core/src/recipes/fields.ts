import type { LengthText, ReadOptions } from '../length/index.ts';

/** Measured values never give way; assumed ones may, but only while somebody types. */
export type KnownAs = 'measured' | 'assumed';

/** Where in a recipe's input a value stands: `['mats', 1, 'reveal', 'left']`. Data: never put together or taken apart as text. */
export type FieldPath = readonly (string | number)[];

/** A path as the key of a map. It is only compared, never read back. */
export function fieldKey(path: FieldPath): string {
  // by hand: it is asked for thousands of times a page
  let key = String(path[0]);
  for (let i = 1; i < path.length; i++) key += `\u0001${path[i]}`;
  return key;
}
export const isSamePath = (a: FieldPath, b: FieldPath): boolean =>
  a.length === b.length && a.every((step, i) => step === b[i]);
/** Whether a path is `start` or lies under it. */
export const isUnder = (path: FieldPath, start: FieldPath): boolean =>
  path.length >= start.length && start.every((step, i) => step === path[i]);

/**
 * What becomes of a field that is emptied: it is worked out from the others as they are, it follows a rule of its own (a notch
 * is right-angled, a print is not cropped), or it cannot be.
 */
export type IfEmpty = 'worked-out' | 'by-rule' | 'refused';

interface AnyField {
  readonly path: FieldPath;
  /** The part of the input it belongs to, by its path: the slip has a row for each. */
  readonly group: FieldPath;
}
export interface LengthInput extends AnyField {
  readonly kind: 'length';
  readonly allow?: ReadOptions['allow'];
  /** As typed; undefined: it is worked out. */
  readonly value: LengthText | undefined;
  readonly ifEmpty: IfEmpty;
  /** Where it is kept whether it was measured, for the fields that say so. */
  readonly knownAt: FieldPath | null;
}
export interface CountInput extends AnyField {
  readonly kind: 'count';
  readonly value: number | undefined;
  readonly ifEmpty: IfEmpty;
  /** Left out: 1. */
  readonly least?: number;
  readonly most: number;
}
export interface ChoiceInput extends AnyField {
  readonly kind: 'choice';
  readonly value: string;
  readonly options: readonly string[];
}
/** Something written: letters of papers, the words of a title. */
export interface TextInput extends AnyField {
  readonly kind: 'text';
  readonly value: string | undefined;
  readonly ifEmpty: IfEmpty;
  /** What can be read, as a regular expression for all of it. */
  readonly reads: string;
  readonly example: string;
}
export type Field = LengthInput | CountInput | ChoiceInput | TextInput;

/** A length that is worked out where it is left out, of the group that its path says; both may be said otherwise. */
export const lengthField = (
  path: FieldPath,
  value: LengthText | undefined,
  more: Partial<Omit<LengthInput, 'kind' | 'path' | 'value'>> = {},
): LengthInput => ({
  kind: 'length',
  path,
  group: path.slice(0, -1),
  value,
  ifEmpty: 'worked-out',
  knownAt: null,
  ...more,
});

/** Something written that follows a rule of its own where it is left out. */
export const textField = (
  path: FieldPath,
  value: string | undefined,
  more: Pick<TextInput, 'reads' | 'example'> & Partial<Pick<TextInput, 'group' | 'ifEmpty'>>,
): TextInput => ({ kind: 'text', path, group: path.slice(0, -1), value, ifEmpty: 'by-rule', ...more });

/** Degrees or a number of something. */
export const countField = (
  path: FieldPath,
  value: number | undefined,
  more: Pick<CountInput, 'most'> & Partial<Pick<CountInput, 'group' | 'ifEmpty' | 'least'>>,
): CountInput => ({ kind: 'count', path, group: path.slice(0, -1), value, ifEmpty: 'refused', ...more });

/** One of several that is chosen. */
export const choiceField = (
  path: FieldPath,
  group: FieldPath,
  value: string,
  options: readonly string[],
): ChoiceInput => ({ kind: 'choice', path, group, value, options });

/** A list of layers that can be added to, each entry with an id of its own. */
export interface FieldList {
  readonly path: FieldPath;
  readonly ids: readonly string[];
  readonly most: number;
}

type Tree = { readonly [key: string]: unknown } | readonly unknown[];
const isTree = (value: unknown): value is Tree => typeof value === 'object' && value !== null;
const childOf = (tree: Tree, step: string | number): unknown => (tree as Record<string | number, unknown>)[step];

/** What stands at a path; undefined where nothing does. */
export function valueAt(input: unknown, path: FieldPath): unknown {
  return path.reduce<unknown>((value, step) => (isTree(value) ? childOf(value, step) : undefined), input);
}

/** The same input with another value at a path; undefined takes what stood there away. The rest is shared. */
export function withValue<Input>(input: Input, path: FieldPath, value: unknown): Input {
  const [step, ...rest] = path;
  if (step === undefined) return value as Input;
  const tree: Tree = isTree(input) ? input : {};
  const child = rest.length ? withValue(childOf(tree, step), rest, value) : value;
  if (Array.isArray(tree)) return tree.map((v: unknown, i) => (i === step ? child : v)) as Input;
  const { [step as string]: _old, ...others } = tree as Record<string, unknown>;
  return (child === undefined ? others : { ...tree, [step]: child }) as Input;
}

type Entry = { readonly id: string };
const entriesAt = (input: unknown, list: FieldPath): readonly Entry[] => (valueAt(input, list) ?? []) as Entry[];

export const addEntryTo = <Input>(input: Input, list: FieldPath, entry: Entry): Input =>
  withValue(input, list, [...entriesAt(input, list), entry]);

export const removeEntryFrom = <Input>(input: Input, list: FieldPath, id: string): Input =>
  withValue(
    input,
    list,
    entriesAt(input, list).filter((e) => e.id !== id),
  );

/** Moves an entry up or down its list; at an end of it, the input stays the same. */
export function moveEntryIn<Input>(input: Input, list: FieldPath, id: string, by: 1 | -1): Input {
  const entries = [...entriesAt(input, list)];
  const from = entries.findIndex((e) => e.id === id);
  const to = from + by;
  if (from < 0 || to < 0 || to >= entries.length) return input;
  [entries[from], entries[to]] = [entries[to]!, entries[from]!];
  return withValue(input, list, entries);
}

/** Which of the two a value is said to be. */
export const knownAs = (input: unknown, at: FieldPath | null): KnownAs =>
  at && valueAt(input, at) === 'measured' ? 'measured' : 'assumed';
