import type { Look } from '@temnex/core';
import { lookTile } from '@temnex/drawing';

const known = new Map<string, { image: string; size: string }>();

/** A look as a background that repeats; each is made once, so that a wall of thousands has a few dozen pictures. */
export function tileOf(look: Look, turn: number, scale: number): { readonly image: string; readonly size: string } {
  const name = `${look.pattern}${look.ground}${look.ink}${look.scale ?? ''}${turn}|${scale}`;
  let tile = known.get(name);
  if (!tile) {
    const { svg, size } = lookTile(look, turn, scale);
    known.set(
      name,
      (tile = { image: `url("data:image/svg+xml,${encodeURIComponent(svg)}")`, size: `${size}px ${size}px` }),
    );
  }
  return tile;
}
