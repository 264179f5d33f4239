import { useId } from 'react';
import { inUnit } from '@temnex/core/length';
import type { Size } from '@temnex/core/geometry';
import type { PaperFace } from '@temnex/core/stock';
import type { Wish } from '@temnex/core/page';
import { scopeLook } from '../../design/scopeLook.ts';
import { computeWantedTurn } from '../../design/Swatch.tsx';

/** Pixels to the inch where nothing is very long. */
const USUAL_SCALE = 8;
/** Nothing is drawn longer than this. */
const LONGEST_DRAWN = 200;

/** Patterns are drawn a little larger than the paper, so that they are still told apart. */
export const PATTERN = 1.6;

/** No layer is drawn wider than its column. */
const WIDEST_LAYER = 98;

/** Pixels to the inch at which all of this can lie in one view, layers and drawer alike, so that a glance compares. */
export function scaleFor(layers: readonly Size[], items: readonly Size[]): number {
  let [longest, widest] = [1, 1];
  for (const { width, height } of items) longest = Math.max(longest, inUnit(width, 'in'), inUnit(height, 'in'));
  for (const { width, height } of layers) {
    longest = Math.max(longest, inUnit(height, 'in'));
    widest = Math.max(widest, inUnit(width, 'in'));
  }
  return Math.min(USUAL_SCALE, LONGEST_DRAWN / longest, WIDEST_LAYER / widest);
}

/** A piece as it will be, to scale, in the face of its paper; an outline where none is chosen. */
export function PieceOnTable({
  size,
  face,
  wish,
  scale,
}: {
  size: Size;
  face: PaperFace | undefined;
  wish: Wish | null;
  scale: number;
}) {
  const own = useId();
  const [w, h] = [inUnit(size.width, 'in') * scale, inUnit(size.height, 'in') * scale];
  const look =
    face && wish ? scopeLook(face.look, computeWantedTurn(face, wish.direction), scale * PATTERN, own) : null;
  return (
    <svg
      width={w + 2}
      height={h + 2}
      viewBox={`-1 -1 ${w + 2} ${h + 2}`}
      aria-hidden="true"
      style={{ display: 'block' }}
    >
      {look ? <defs dangerouslySetInnerHTML={{ __html: look.definition }} /> : null}
      <rect
        width={w}
        height={h}
        fill={look?.fill ?? 'none'}
        stroke="#161616"
        strokeWidth="0.8"
        strokeDasharray={look ? undefined : '3 3'}
      />
    </svg>
  );
}
