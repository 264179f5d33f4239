const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];

/**
 * `2026-05-01`, `1.5.2026`, `12/25/2025`, `May 1 2026`: the day as YYYY-MM-DD. With slashes the month may come first or second: where
 * both can be, as in `1/5/2026`, the day is not known and null is given back.
 */
export function parseDay(text: string): string | null {
  const iso = /^(\d{4})[-/.](\d{1,2})[-/.](\d{1,2})/.exec(text);
  if (iso) return dayFrom(iso[1]!, Number(iso[2]), iso[3]!);
  const dotted = /^(\d{1,2})\.(\d{1,2})\.(\d{4})$/.exec(text);
  if (dotted) return dayFrom(dotted[3]!, Number(dotted[2]), dotted[1]!);
  const slashed = /^(\d{1,2})[/-](\d{1,2})[/-](\d{4})$/.exec(text);
  if (slashed) {
    const [, first, second, year] = slashed as unknown as [string, string, string, string];
    const ways = new Set([dayFrom(year, Number(first), second), dayFrom(year, Number(second), first)]);
    ways.delete(null);
    return ways.size === 1 ? [...ways][0]! : null;
  }
  const named = /^(?:(\d{1,2})\s+)?([a-z]{3,9})\.?(?:\s+(\d{1,2}),?)?\s+(\d{4})$/i.exec(text);
  const month = named ? MONTHS.indexOf(named[2]!.slice(0, 3).toLowerCase()) : -1;
  const date = named?.[1] ?? named?.[3];
  return named && month >= 0 && date ? dayFrom(named[4]!, month + 1, date) : null;
}

/** The day as YYYY-MM-DD; null where there is none such. */
function dayFrom(year: string, month: number, date: string): string | null {
  const day = new Date(Date.UTC(Number(year), month - 1, Number(date)));
  return day.getUTCMonth() === month - 1 && day.getUTCDate() === Number(date) ? day.toISOString().slice(0, 10) : null;
}
