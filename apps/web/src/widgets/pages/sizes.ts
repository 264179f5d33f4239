import { lengthOf, type Unit } from '@temnex/core/length';
import type { Ground, Page } from '@temnex/core/page';

/** Sizes that pages come in; any other can be typed. */
export const PAGE_SIZES: ReadonlyArray<{
  readonly id: string;
  readonly name: string;
  readonly unit: Unit;
  readonly width: string;
  readonly height: string;
}> = [
  { id: '12', name: '12 × 12 in', unit: 'in', width: '12', height: '12' },
  { id: '8', name: '8 × 8 in', unit: 'in', width: '8', height: '8' },
  { id: '6x8', name: '6 × 8 in', unit: 'in', width: '6', height: '8' },
  { id: 'letter', name: 'letter', unit: 'in', width: '8 1/2', height: '11' },
  { id: 'card', name: 'card, 4¼ × 5½ in', unit: 'in', width: '4 1/4', height: '5 1/2' },
  { id: '305', name: '305 × 305 mm', unit: 'mm', width: '305', height: '305' },
  { id: 'a4', name: 'A4', unit: 'mm', width: '210', height: '297' },
  { id: 'a5', name: 'A5', unit: 'mm', width: '148', height: '210' },
  { id: 'a6', name: 'card, A6', unit: 'mm', width: '105', height: '148' },
];

/** Which of them a page has; null where it has a size of its own. */
export const sizeOf = (unit: Unit, { width, height }: Page['ground'] | Ground): string | null =>
  PAGE_SIZES.find((s) => s.unit === unit && s.width === String(width) && s.height === String(height))?.id ?? null;

/** Left between what is new and what lies beside it. */
export const GAP_BETWEEN_ITEMS = { in: lengthOf('1/4 in'), mm: lengthOf('6 mm') } as const;
