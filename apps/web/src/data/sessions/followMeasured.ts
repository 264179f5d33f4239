import { applyMeasuredPiece, derivePage } from '@temnex/core/page';
import { pagePieceIdOf } from '@temnex/core/cutting';
import type { MeasuredPiece } from '@temnex/core/trimmer';
import { DEFAULT_NAMES } from '@temnex/words';
import type { PageStore } from '../pages/pageStore.ts';

/**
 * Has a page follow what a piece of it measures: its size is given from now on, and what counts from it is another one. Says how
 * many other pieces changed; null: nothing on the page says how large that piece is. Throws as `requestJson` does.
 */
export async function followMeasured(
  store: PageStore,
  pageId: string,
  { piece, width, height }: MeasuredPiece,
): Promise<number | null> {
  const id = pagePieceIdOf(piece);
  let others: number | null = null;
  await store.update(pageId, (page) => {
    const before = derivePage(page, DEFAULT_NAMES);
    const made = applyMeasuredPiece(page, before, DEFAULT_NAMES, id, { width, height });
    if (!made) return null;
    const sizes = new Map(before.pieces.map((p) => [p.id, p]));
    others = made.derived.pieces.filter((p) => {
      const was = sizes.get(p.id);
      return p.id !== id && (!was || was.width !== p.width || was.height !== p.height);
    }).length;
    return made.page;
  });
  return others;
}
