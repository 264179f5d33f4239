import { parseLength, type LengthProblem, type Unit } from '../length/index.ts';

/** `3 1/2` is one length, `1/8 1/4` two: a whole number joins a fraction that follows it. */
const ONE =
  /\d+(?:[\s-]+\d+\s*\/\s*\d+(?!\d)|\s*[½⅓⅔¼¾⅕⅖⅗⅘⅙⅚⅛⅜⅝⅞]|[.,]\d+|\s*\/\s*\d+)?\s*(?:inches|inch|in\b|''|"|″|mm\b|cm\b)?|[½⅓⅔¼¾⅕⅖⅗⅘⅙⅚⅛⅜⅝⅞]\s*(?:in\b|''|"|″)?/gi;

/** The lengths of a stretch of a line, as typed. A unit after the last one holds for those before it that have none. */
export function lengthsIn(
  text: string,
  unit: Unit,
): { ok: true; texts: string[] } | { ok: false; problem: LengthProblem } {
  const found = [...text.matchAll(ONE)].map((m) => m[0].trim());
  const last = /(?:inches|inch|in|mm|cm)$/i.exec(found.at(-1) ?? '')?.[0];
  const texts = found.map((t) => (last && !/[a-z"″']/i.test(t) ? `${t} ${last}` : t));
  for (const t of texts) {
    const read = parseLength(t, unit, { allow: 'zero' });
    if (!read.ok) return { ok: false, problem: read.problem };
  }
  return { ok: true, texts };
}
