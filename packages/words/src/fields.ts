import { MARKS, formatExactLength, inUnit, inches, roundExact, type Exact } from '@temnex/core/length';
import {
  recipeOf,
  valueAt,
  type FieldPath,
  type RecipeId,
  type ParsedLine,
  type Sum,
  type LayoutContext,
} from '@temnex/core/recipes';
import { formatLength, type Voice } from './lengths.ts';
import { formatList } from './list.ts';
import { recipeText } from './recipes/index.ts';

/** A recipe's field as people call it: "width of mat 2", "left and right of panel 1". */
export function describeField(recipe: RecipeId, path: FieldPath): string {
  const words = recipeText(recipe);
  if (path[0] === 'room') return `${String(path[1])} of the page`;
  const group = words.group(path);
  const field = words.field(path);
  return path.length === 1 ? field : `${field} of ${group}`;
}

/** The sum behind a computed length: `4 + 3⁄16 + 3⁄16 = 4 3⁄8`. Exact: what is not on the mark is said as it is, and rounded at the end. */
export function formatSum(sum: Sum, total: number, voice: Voice): string {
  const exactly = (value: Exact): string => {
    const rounded = roundExact(value, 'nearest');
    const isExact = value.n === BigInt(rounded) * value.d;
    const shown = formatLength(rounded, voice);
    if (isExact && rounded % voice.mark.step === 0) return shown;
    return isExact ? plainExact(rounded, voice) : decimal(value, voice);
  };
  const terms = sum.terms.flatMap((term) => {
    const text = exactly(term.value);
    const times = Math.abs(term.times);
    const minus = term.times < 0;
    // a few are written out, many are multiplied
    if (times > 3) return [{ minus, text: `${times} × ${text}` }];
    return Array.from({ length: times }, () => ({ minus, text }));
  });
  const ordered = [...terms.filter((t) => !t.minus), ...terms.filter((t) => t.minus)];
  const line = ordered
    .map((t, i) => (i === 0 ? `${t.minus ? '−' : ''}${t.text}` : `${t.minus ? ' − ' : ' + '}${t.text}`))
    .join('');
  const divided = sum.over > 1 ? (ordered.length > 1 ? `(${line}) ÷ ${sum.over}` : `${line} ÷ ${sum.over}`) : line;
  const { n, d } = sum.terms.reduce(
    (all, t): Exact => ({ n: all.n * t.value.d + t.value.n * BigInt(t.times) * all.d, d: all.d * t.value.d }),
    { n: 0n, d: 1n },
  );
  const exactTotal = { n, d: d * BigInt(sum.over) };
  const came = exactTotal.n === BigInt(total) * exactTotal.d;
  if (came && total % voice.mark.step === 0) return `${divided} = ${formatLength(total, voice)}`;
  const worked = came ? plainExact(total, voice) : decimal(exactTotal, voice);
  return `${divided} = ${worked}, about ${formatLength(total, voice)}`;
}

/** An exact length that is on no mark: a fraction a person can read, else a decimal. */
function plainExact(length: number, voice: Voice): string {
  const text = formatExactLength(length as Parameters<typeof formatExactLength>[0], voice.mark.unit);
  const denominator = Number(/\/(\d+)$/.exec(text)?.[1] ?? 1);
  if (voice.mark.unit === 'mm') return `${text} mm`;
  if (denominator > 64) return decimal({ n: BigInt(length), d: 1n }, voice);
  return voice.figures === 'typeset' ? text.replace(' ', '\u202f').replace('/', '⁄') : text;
}

/** Four decimals of the unit. */
function decimal(value: Exact, { mark }: Voice): string {
  const number = inUnit(Number(value.n) / Number(value.d), mark.unit);
  return mark.unit === 'mm' ? `${Number(number.toFixed(3))} mm` : String(Number(number.toFixed(4)));
}

const PAGE: LayoutContext = {
  unit: 'in',
  mark: MARKS['1/16'],
  room: { width: inches(12), height: inches(12), seams: [] },
};

/** What was understood of a line, said back: `mats: width of the print 4, …`, the page that it is for, and what was passed over. */
export function describeParsedInput(
  recipe: RecipeId,
  input: unknown,
  { page = null, passedOver = [] }: Partial<Pick<ParsedLine, 'page' | 'passedOver'>> = {},
): string {
  const usual = recipeOf(recipe).start(PAGE, () => '');
  const given = recipeOf(recipe)
    .fields(input)
    .flatMap((f) => {
      if (f.value === undefined) return [];
      if (f.kind !== 'choice') return [`${describeField(recipe, f.path)} ${f.value}`];
      // a style of reveal is told by its values, and what is usual goes without saying
      const plain = f.path.at(-1) === 'style' || f.value === (valueAt(usual, f.path) ?? f.options[0]);
      return plain ? [] : [recipeText(recipe).option(f.path, f.value)];
    });
  if (page) given.push(`on a page of ${page.width} × ${page.height}`);
  const over = passedOver.length
    ? ` (without ${formatList(
        passedOver.map((word) => `“${word}”`),
        'and',
      )})`
    : '';
  return `${recipeText(recipe).title}: ${given.join(', ')}${over}`;
}
