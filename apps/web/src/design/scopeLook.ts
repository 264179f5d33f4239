import { TICKS_PER_UNIT, lengthOf } from '@temnex/core/length';
import type { Look } from '@temnex/core/stock';
import { formatLookPattern, lookId } from '@temnex/drawing';

/**
 * The look of a face with a definition of its own: shared by name, a picture that is not drawn would take it from the others.
 * `own` names the picture; `scale` is its pixels to the inch.
 */
export function scopeLook(look: Look, turn: number, scale: number, own: string): { fill: string; definition: string } {
  const id = lookId(look, turn, scale);
  const name = `${id}${own.replace(/[^a-z0-9]/gi, '')}`;
  return { fill: `url(#${name})`, definition: formatLookPattern(look, turn, scale).replace(id, name) };
}

/** How much of a paper a swatch of it shows, in inches: a little of what is drawn, all of a picture. */
export const swatchWidthInches = ({ picture }: Look): number =>
  picture ? lengthOf(picture.across, 'in') / TICKS_PER_UNIT.in : 1;
