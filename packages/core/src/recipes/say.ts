import { parseLength, parseSize, type LengthProblem, type Unit } from '../length/index.ts';
import type { MatStackInput } from './mat-stack/matStack.ts';

/** What was understood of a line such as `mat 1/8 1/4 around 4 x 6`. */
export type SaidMats =
  | { ok: true; input: MatStackInput }
  | {
      ok: false;
      problem: LengthProblem | { code: 'size-unreadable'; text: string } | { code: 'phrase-unreadable'; text: string };
    };

/** `3 1/2` is one length, `1/8 1/4` two: a whole number joins a fraction that follows it. */
const ONE =
  /\d+(?:[\s-]+\d+\s*\/\s*\d+(?!\d)|\s*[½⅓⅔¼¾⅛⅜⅝⅞]|[.,]\d+|\s*\/\s*\d+)?\s*(?:inches|inch|in\b|"|″|mm\b|cm\b)?|[½⅓⅔¼¾⅛⅜⅝⅞]\s*(?:in\b|"|″)?/gi;

/**
 * Reads a line about mats: reveals from the print outward, then what they go around. `footer 11/16` after a reveal
 * makes the bottom of that mat wider. The words `mat`, `mats`, `around`, `for` and commas may be left out where clear.
 */
export function sayMats(line: string, unit: Unit): SaidMats {
  const text = line
    .trim()
    .replace(/^mats?\b/i, '')
    .trim();
  const split = /^(.*?)\b(?:around|round|for|behind)\b(.*)$/i.exec(text);
  if (!split) return { ok: false, problem: { code: 'phrase-unreadable', text: line.trim() } };
  const size = parseSize(split[2]!, unit);
  if (!size.ok) return { ok: false, problem: size.problem };
  const mats: MatStackInput['mats'] = [];
  for (const chunk of split[1]!.split(/(\bfooter\b[^,]*)/i)) {
    const footer = /^footer\b(.*)$/i.exec(chunk.trim());
    const values = [...(footer ? footer[1]! : chunk).matchAll(ONE)].map((m) => m[0].trim());
    for (const value of values) {
      const read = parseLength(value, unit);
      if (!read.ok) return { ok: false, problem: read.problem };
      const last = mats.at(-1);
      if (footer && value === values[0] && last?.reveal) {
        const even = last.reveal[0];
        last.reveal = [even, even, even, value];
      } else mats.push({ reveal: [value] });
    }
  }
  return { ok: true, input: { print: { width: size.width, height: size.height, known: 'measured' }, mats } };
}
