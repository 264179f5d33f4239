import type { z } from 'zod';

/** What of a row reads as it should, field by field; what does not is left out, as if nobody had said it. */
export function pickReadable<T extends Readonly<Record<string, z.ZodType>>>(
  fields: T,
  row: { readonly [K in keyof T]?: unknown },
): { [K in keyof T]?: z.infer<T[K]> } {
  const read = Object.entries(fields).flatMap(([key, schema]) => {
    const field = schema.safeParse(row[key]);
    return field.success && field.data !== undefined ? [[key, field.data]] : [];
  });
  return Object.fromEntries(read) as { [K in keyof T]?: z.infer<T[K]> };
}

/** So much is shown of what cannot be read. */
const SHOWN = 80;
/** What is stored where something cannot be read, as it can be shown in a line. */
export function formatStored(stored: unknown): string {
  const text = (typeof stored === 'string' ? stored : (JSON.stringify(stored) ?? ''))
    .replace(/[\p{C}\s]+/gu, ' ')
    .trim();
  return text.length > SHOWN ? `${text.slice(0, SHOWN)}…` : text;
}
