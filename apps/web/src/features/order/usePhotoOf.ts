import { useMemo } from 'react';
import type { PageContext } from '../../data/pages/context.ts';
import type { PhotoOf } from '../../widgets/order/Story.tsx';

/** The photo that is seen on the item that a piece belongs to, so that a mat is known by its photo. */
export function usePhotoOf({ editor, derived }: Pick<PageContext, 'editor' | 'derived'>): PhotoOf {
  const { page } = editor;
  return useMemo(() => {
    const shown = new Map(derived.parts.flatMap(({ item, key, picture }) => (picture ? [[item, { key, ...picture }]] : []))); // prettier-ignore
    return (piece) => {
      const [item = ''] = piece.split('/');
      const seen = shown.get(item);
      const pixels = seen && page.items.find((i) => i.id === item)?.pictures?.[seen.key];
      return seen && pixels ? { file: seen.file, crop: seen.crop, pixels } : null;
    };
  }, [page, derived]);
}
