import { z } from 'zod';
import { lengthText, checkLengthsIn } from '../length/index.ts';
import { NO_TRIM, day, oneLine, sizeOfItem, type StockItem } from './drawer.ts';
import { ticksOf } from './corners.ts';

/*
 * A person's own rules of the drawer, beside what is worth keeping at all (habits): what is paper again and no scrap, whether branding
 * strips are kept, and what is cleared out when.
 */
const side = lengthText();
export const rulesSchema = z
  .strictObject({
    unit: z.enum(['in', 'mm']),
    /** An offcut at least so large counts as a sheet again, not as a scrap; null: whatever was cut is a scrap. */
    sheetFrom: z.strictObject({ shorter: side, longer: side }).nullable(),
    /** The printed edges of sheets that are cut go into the drawer. */
    branding: z.boolean(),
    clearOut: z.strictObject({
      /** What is cleared out, said as a search. */
      line: oneLine(300),
      /** So many months from one clearing out to the next; null: when one likes. */
      everyMonths: z.int().min(1).max(60).nullable(),
      /** The day of the next one. */
      next: day.nullable(),
    }),
  })
  .superRefine(({ unit, sheetFrom }, context) => {
    const read = checkLengthsIn(unit, context);
    if (sheetFrom) for (const name of ['shorter', 'longer'] as const) read(sheetFrom[name], ['sheetFrom', name]);
  });
export type DrawerRules = z.infer<typeof rulesSchema>;

export const DEFAULT_RULES: DrawerRules = {
  unit: 'in',
  sheetFrom: null,
  branding: false,
  clearOut: { line: 'free scraps narrower than 2 older than 12 months', everyMonths: null, next: null },
};

type Kept = Omit<StockItem, 'id'>;

/** An offcut as it goes into the drawer: a sheet again where it is large enough for that. */
export function storeOffcutAs<Item extends Pick<Kept, 'width' | 'height' | 'unit' | 'kind' | 'outline'>>(
  item: Item,
  { sheetFrom, unit }: DrawerRules,
): Item {
  if (!sheetFrom || item.kind !== 'scrap' || item.outline) return item;
  const { width, height } = sizeOfItem(item);
  const least = { shorter: ticksOf(sheetFrom.shorter, unit), longer: ticksOf(sheetFrom.longer, unit) };
  const large = Math.min(width, height) >= least.shorter && Math.max(width, height) >= least.longer;
  return large ? { ...item, kind: 'sheet' } : item;
}

/** The branding strips of so many sheets that were cut: each edge that was not to be used, as long as the sheet. */
export function brandingOf(sheet: StockItem, count: number, origin: StockItem['origin']): Kept[] {
  if (sheet.kind !== 'sheet') return [];
  return (['left', 'right', 'bottom', 'top'] as const).flatMap((edge): Kept[] => {
    const wide = sheet.trim[edge];
    if (!ticksOf(wide, sheet.unit)) return [];
    return [
      {
        paper: sheet.paper,
        unit: sheet.unit,
        quantity: count,
        kind: 'branding',
        trim: NO_TRIM,
        turned: 0,
        width: edge === 'left' || edge === 'right' ? sheet.height : sheet.width,
        height: wide,
        reserved: false,
        origin,
      },
    ];
  });
}

/** The day so many months after another, at the most the last of its month. */
export function addMonths(date: string, months: number): string {
  const [year, month, on] = date.split('-').map(Number) as [number, number, number];
  const last = new Date(Date.UTC(year, month + months, 0)).getUTCDate();
  return new Date(Date.UTC(year, month - 1 + months, Math.min(on, last))).toISOString().slice(0, 10);
}
