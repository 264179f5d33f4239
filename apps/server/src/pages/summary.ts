import { derivePage, type Page } from '@temnex/core';
import { NAMES } from '@temnex/words';
import type { StoredSummary } from '../database/schema.ts';

/** What a list of pages shows of a page, worked out once, when it is saved. */
export function summaryOf(page: Page): StoredSummary {
  const derived = derivePage(page, NAMES);
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
    pieces: derived.pieces.map(({ id, width, height, quantity, wish }) => ({ id, width, height, quantity, wish })),
  };
}
