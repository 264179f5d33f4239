import { derivePage, hasMeasuredPrint, type Page } from '@temnex/core/page';
import { DEFAULT_NAMES } from '@temnex/words';
import type { StoredSummary } from '../database/schema.ts';

/** What a list of pages shows of a page, worked out once, when it is saved. */
export function summarizePage(page: Page): StoredSummary {
  const derived = derivePage(page, DEFAULT_NAMES);
  const shown = derived.parts.flatMap(({ picture, name: part, width, height, item, group }) => {
    if (!picture) return [];
    const { photo, crop } = picture;
    const measured = hasMeasuredPrint(derived.items.get(item)?.input, group);
    return [{ photo, part, width, height, crop, measured }];
  });
  return {
    name: page.name,
    width: String(page.ground.width),
    height: String(page.ground.height),
    unit: page.unit,
    parts: derived.parts.length,
    pattern: page.pattern ?? false,
    copies: page.copies,
    spares: page.spares,
    refused: derived.problems.length > 0,
    ...(shown.length ? { shown } : {}),
    pieces: derived.pieces.map(({ id, width, height, quantity, wish }) => ({ id, width, height, quantity, wish })),
  };
}
