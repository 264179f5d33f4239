import {
  BY_PATTERN,
  LENGTH_PATTERN,
  formatExactLength,
  parseLength,
  parseSize,
  detectLineUnit,
  ticks,
  type Ticks,
  type Unit,
} from '../length/index.ts';
import { detectSizeUnit } from './tokens.ts';

/* Prints that lie together, with one mat round them all: a mat of one print that is as large as they are together. */

const PRINTS = String.raw`(?<number>two|three|four|[234])\s+(?<size>${LENGTH_PATTERN}${BY_PATTERN}${LENGTH_PATTERN})\s*(?:photos|prints|pictures)?`;
const LYING = String.raw`\s*(?:laid\s+|lying\s+|that\s+lie\s+)?(?:(?<beside>side\s+by\s+side)|one\s+(?:above|over|below|under)\s+(?:the\s+other|another))`;
const APART = String.raw`\s*,?\s*(?:with\s+)?(?:an?\s+)?(?<gap>${LENGTH_PATTERN})\s*(?:inch\s+)?(?:apart|(?:gap\s+)?between(?:\s+them)?|gap)\b|\s*,?\s*(?<touching>edge\s+to\s+edge|touching)\b`;
const SAID_APART = new RegExp(APART, 'iu');
const MAT_ROUND = String.raw`(?:an?|one|the)?\s*(?:single\s+)?mat\s+(?:that\s+goes\s+)?(?:a?round|for|behind|under)`;
const ALL = String.raw`(?:both|them|all(?:\s+(?:three|four))?|the\s+(?:two|three|four))(?:\s+of\s+them)?`;
/** `two 4x6 side by side, a mat round both`, `one mat round two 4x6 side by side, 1/4 apart`. */
const FORMS = [
  `^\\s*${PRINTS}${LYING}(?:${APART})?\\s*,?\\s*(?:and\\s+|with\\s+)?${MAT_ROUND}\\s+${ALL}(?<rest>(?=\\s|,|$).*)$`,
  `^\\s*${MAT_ROUND}\\s+${PRINTS}${LYING}(?:${APART})?(?<rest>(?=\\s|,|$).*)$`,
].map((form) => new RegExp(form, 'iu'));
const NUMBERS: Readonly<Record<string, number>> = { two: 2, three: 3, four: 4 };

/**
 * The line said of one print, in the line's own unit; `line` is null where it must be asked first how far apart they lie. Null for a
 * line that says nothing of prints lying together.
 */
export function mergeIntoOnePrint(line: string, usual: Unit): { line: string | null } | null {
  const said = FORMS.map((form) => form.exec(line)?.groups).find((groups) => groups !== undefined);
  if (!said) return null;
  const { number, size, beside, ...later } = said as Readonly<Record<string, string | undefined>>;
  // how far apart may be said at the end
  const atEnd = later.gap || later.touching ? null : SAID_APART.exec(later.rest ?? '');
  const { gap, touching } = atEnd?.groups ?? later;
  if (gap === undefined && touching === undefined) return { line: null };
  // `1/4 between and around`
  const rest = (later.rest ?? '')
    .replace(atEnd?.[0] ?? '', '')
    .replace(/^\s*and\s+(?:all\s+)?a?round\b/iu, `, reveal ${gap ?? 0}`);
  const unit = detectLineUnit(line, usual);
  const [first = '', second = ''] = size!.split(new RegExp(BY_PATTERN, 'iu'));
  const one = parseSize(size!, detectSizeUnit(first, second, unit, usual));
  const between = parseLength(gap ?? '0', unit, { allow: 'zero' });
  if (!one.ok || !between.ok) return null;
  const n = NUMBERS[number!.toLowerCase()] ?? Number(number);
  const { width, height } = one.value;
  const together = (each: Ticks) => formatExactLength(ticks(each * n + between.value.ticks * (n - 1)), unit);
  const text = (each: Ticks) => formatExactLength(each, unit);
  const [wide, high] =
    beside === undefined ? [text(width.ticks), together(height.ticks)] : [together(width.ticks), text(height.ticks)];
  // named, where the rest of the line would have it read in another unit
  const named = unit === usual && detectLineUnit(rest, unit) === unit ? '' : ` ${unit}`;
  return { line: `mat for a ${wide}${named} x ${high}${named}${rest}` };
}
