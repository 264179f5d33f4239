import type { Look } from '@temnex/core/stock';
import { lookId, drawLookTile } from '@temnex/drawing';

const known = new Map<string, { image: string; size: string }>();

/** A look as a background that repeats; each is made once, so that a wall of thousands has a few dozen pictures. */
export function tileOf(look: Look, turn: number, scale: number): { readonly image: string; readonly size: string } {
  const name = lookId(look, turn, scale);
  let tile = known.get(name);
  if (!tile) {
    const { image, width, height } = drawLookTile(look, turn, scale);
    const url = 'url' in image ? image.url : `data:image/svg+xml,${encodeURIComponent(image.svg)}`;
    known.set(name, (tile = { image: `url("${url}")`, size: `${width}px ${height}px` }));
  }
  return tile;
}
