import type { Ticks } from '@temnex/core/length';
import type { Finish } from '@temnex/core/geometry';
import type { FieldPath } from '@temnex/core/recipes';

/** The names of fields, options and groups of a recipe that has one for each, whatever they belong to: what is not named is called as it is written. */
export const mapNames = (
  fields: Readonly<Record<string, string>>,
  options: Readonly<Record<string, string>>,
  groups: Readonly<Record<string, string>>,
): Pick<RecipeText, 'field' | 'option' | 'group' | 'entry'> => ({
  field: (path) => fields[String(path.at(-1))] ?? String(path.at(-1)),
  option: (_path, option) => options[option] ?? option,
  group: ([group]) => groups[String(group)] ?? String(group),
  entry: () => '',
});

/** Says a length at the mark. */
export type FormatLength = (length: Ticks | number) => string;

/** What one recipe says: one file a recipe, checked complete by the test that goes through all of them. */
export interface RecipeText {
  /** What it is called where one chooses: `Mats`. */
  readonly title: string;
  /** What one can ask of it. */
  readonly asks: string;
  /** What a new item of it is called before somebody names it; `n` how many there are of it then. */
  item(n: number): string;
  /** A field, short, as it stands beside the others of its group: `reveal`, `width`. */
  field(path: FieldPath): string;
  /** A group of fields, as the slip heads it: `mat 2`, `the print`. */
  group(path: FieldPath): string;
  /** A choice's option. */
  option(path: FieldPath, option: string): string;
  /** An entry that can be added to a list: `a mat`. */
  entry(list: FieldPath): string;
  /** A layer of an item of that name; `n` from 1. */
  part(role: string, n: number, item: string): string;
  /** A blank, which may make several layers. */
  piece(role: string, n: number, item: string): string;
  /** What an offer of it would do, where the plain words of it would be odd. */
  offer?(path: FieldPath, value: number, say: FormatLength): string | null;
  /** Why it refuses, by its own reasons. */
  reason(why: string, lengths: readonly Ticks[], where: string, say: FormatLength): string;
  /** What it advises, by its own names, without the full stop. */
  advice?(why: string, lengths: readonly Ticks[], say: FormatLength): string;
  /** What can be written in a field of words or letters, as an example's sentence: `a letter a paper, rows from the top`. */
  written?(path: FieldPath): string;
  /** What pressing a layer does, and dragging over several: said to who points at them. */
  readonly byHand?: string;
  /** Something else that follows; null where it is not worth saying. */
  fact(name: string, lengths: readonly Ticks[], say: FormatLength): string | null;
}

/** What is done to a piece by hand, as one would say it. */
export function describeFinish(finish: Finish, say: FormatLength): string {
  switch (finish.do) {
    case 'notch':
      return `cut a notch ${say(finish.depth)} deep, its tip ${say(finish.at)} from the side`;
    case 'point':
      return `cut to a point ${say(finish.depth)} long, its tip ${say(finish.at)} from the side`;
    case 'slant':
      return `cut the end aslant, ${say(finish.depth)} shorter on the ${finish.shorter}`;
    case 'outline':
      if (finish.as === 'shape')
        return finish.times === undefined
          ? 'trace the template on it and cut it out'
          : `trace the template on it ${finish.times} times, as drawn, and cut them out`;
      return `cut it to ${finish.as === 'circle' ? 'a circle' : 'an oval'} that touches all four edges`;
    case 'corners':
      return finish.how === 'round'
        ? `round ${finish.count === 1 ? 'a corner' : `${finish.count} corners`}, radius ${say(finish.by)}`
        : `cut off ${finish.count === 1 ? 'a corner' : `${finish.count} corners`}, ${say(finish.by)} along each edge`;
    case 'flush':
      return `glue it on, its ${finish.edge} end past the edge of the page, and trim it flush`;
    case 'fold': {
      const { from, to } = finish;
      if (from.x === to.x) return `score and fold it ${say(from.x)} from the left`;
      if (from.y === to.y) return `score and fold it ${say(from.y)} from the bottom`;
      return `score and fold it from ${say(from.x)}, ${say(from.y)} to ${say(to.x)}, ${say(to.y)} from its lower left corner`;
    }
    case 'holes':
      return describeHoles(finish.at, finish.across, say);
    case 'slit':
      return `slit it from ${say(finish.from.x)}, ${say(finish.from.y)} to ${say(finish.to.x)}, ${say(finish.to.y)} from its lower left corner`;
    case 'punch':
      return `punch the ${finish.edge} edge, ${finish.repeats} repeats ${say(finish.depth)} deep`;
    case 'trim': {
      const off = (['left', 'right', 'top', 'bottom'] as const).filter((edge) => finish[edge] > 0);
      const all = off.length === 4 && off.every((edge) => finish[edge] === finish.left);
      const how = all
        ? `${say(finish.left)} all round`
        : off.map((edge) => `${say(finish[edge])} at the ${edge}`).join(', ');
      return finish.when === 'glued'
        ? `glue it on, then trim it flush with the page: ${how} comes off`
        : `once the page is finished, shave it: ${how} comes off; then back it`;
    }
    case 'window':
      return `cut out a window of ${say(finish.box.width)} × ${say(finish.box.height)}, ${say(finish.box.x)} from the left and ${say(finish.box.y)} from the bottom`;
  }
}

/** What would mend a row of so many alike. */
export const describeRowOffer = (path: FieldPath, value: number, say: FormatLength, what: string): string | null =>
  path.at(-1) === 'gap' && value < 0
    ? `overlap each join by ${say(-value)}`
    : path.at(-1) === 'count'
      ? `make it ${value} ${what}`
      : null;

const REVEALS: Readonly<Record<string, string>> = {
  style: 'edges',
  all: 'reveal',
  across: 'left and right',
  upDown: 'top and bottom',
  sides: 'top and sides',
  bottom: 'bottom',
  left: 'left',
  right: 'right',
  top: 'top',
};
const STYLES: Readonly<Record<string, string>> = {
  even: 'even',
  two: 'two values',
  footer: 'wider below',
  four: 'four edges',
};

/** A field of a layer with a reveal and a size. */
export const layerField = (path: FieldPath): string => REVEALS[String(path.at(-1))] ?? String(path.at(-1));
export const revealStyle = (option: string): string => STYLES[option] ?? option;

/** What was worked out: `left 1/4, right 1/4, top 1/4, bottom 1`, or once where all are alike. */
export function describeReveals([left, right, top, bottom]: readonly Ticks[], say: FormatLength): string {
  if (left === right && top === bottom && left === top) return `reveals ${say(left!)} all round`;
  return `reveals left ${say(left!)}, right ${say(right!)}, top ${say(top!)}, bottom ${say(bottom!)}`;
}

/** All that is done to a piece, in its order; four slits from the corners are one thing to do. */
export function describeFinishes(finishes: readonly Finish[], say: FormatLength): string[] {
  const [first] = finishes;
  if (first?.do !== 'slit' || !isFromCorners(finishes.slice(0, 4))) return finishes.map((f) => describeFinish(f, say));
  const long = Math.round(Math.hypot(first.to.x - first.from.x, first.to.y - first.from.y));
  const rest = finishes.slice(4).map((f) => describeFinish(f, say));
  return [`pencil both diagonals; slit it from each corner towards the middle, ${say(long)} long`, ...rest];
}

/** One hole where it is; several by the first, how many and how far apart, where they are evenly so. */
function describeHoles(at: Extract<Finish, { do: 'holes' }>['at'], across: Ticks, say: FormatLength): string {
  const [first, second] = [at[0]!, at[1]];
  const what = across > 0 ? 'punch' : 'prick';
  const size = across > 0 ? ` ${say(across)} across` : '';
  const place = `${say(first.x)} from the left, ${say(first.y)} from the bottom`;
  if (!second) return `${what} a hole${size}, ${place}`;
  const apart = Math.round(Math.hypot(second.x - first.x, second.y - first.y));
  return `${what} ${at.length} holes${size} by the template, the first ${place}, ${say(apart)} apart`;
}

/** Four slits from the corners of a square towards its middle, all as long. */
function isFromCorners(finishes: readonly Finish[]): boolean {
  const slits = finishes.flatMap((f) => (f.do === 'slit' ? [f] : []));
  const [first] = slits;
  if (!first || slits.length !== 4 || first.from.x !== 0 || first.from.y !== 0) return false;
  const reach = first.to.x;
  return slits.every(({ from, to }) => Math.abs(to.x - from.x) === reach && Math.abs(to.y - from.y) === reach);
}
