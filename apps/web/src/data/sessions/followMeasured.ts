import { applyMeasuredPiece, derivePage, pagePieceIdOf, type MeasuredPiece } from '@temnex/core';
import { pageRecordSchema } from '@temnex/contract';
import { DEFAULT_NAMES } from '@temnex/words';
import { requestJson } from '../client.ts';
import { fetchPage } from '../queries.ts';

/**
 * Has a page follow what a piece of it measures: its size is given from now on, and what counts from it is another one. Says how
 * many other pieces changed; null: nothing on the page says how large that piece is. Throws as `ask` does.
 */
export async function followMeasured(pageId: string, { piece, width, height }: MeasuredPiece): Promise<number | null> {
  const { document, version } = await fetchPage(pageId);
  const before = derivePage(document, DEFAULT_NAMES);
  const id = pagePieceIdOf(piece);
  const made = applyMeasuredPiece(document, before, DEFAULT_NAMES, id, { width, height });
  if (!made) return null;
  await requestJson('PUT', `/api/pages/${pageId}`, pageRecordSchema, { version, document: made.page });
  const sizes = new Map(before.pieces.map((p) => [p.id, p]));
  return made.derived.pieces.filter((p) => {
    const was = sizes.get(p.id);
    return p.id !== id && (!was || was.width !== p.width || was.height !== p.height);
  }).length;
}
