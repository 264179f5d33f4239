import { useMemo } from 'react';
import { bagOfCopy, cutCountOf, nameOfBag, pagePieceIdOf } from '@temnex/core/cutting';
import { describeCopy, type DescribeBagOf } from '@temnex/words';
import type { PageContext } from '../../data/pages/context.ts';

/** Into which bag a copy of a piece goes, where the page is made several times; null where it is made once. */
export function useBagLabels({ editor, derived, cutState }: PageContext): DescribeBagOf | null {
  const { page } = editor;
  return useMemo(() => {
    if (page.copies < 2) return null;
    const perPage = new Map(derived.pieces.map((p) => [p.id, p.quantity]));
    return (piece, copy) => {
      const of = pagePieceIdOf(piece);
      const bag = bagOfCopy(copy, perPage.get(of) ?? 1, cutCountOf(cutState, of));
      return describeCopy(bag, page.copies, nameOfBag(page, bag));
    };
  }, [page, derived, cutState]);
}
