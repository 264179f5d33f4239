import { useId } from 'react';
import { inUnit, type PaperFace, type Size, type Wish } from '@temnex/core';
import { lookDefinition, lookId } from '@temnex/drawing';
import { faceTurn } from '../../ui/Swatch.tsx';

/** Pixels to the inch where nothing is very long. */
const USUAL_SCALE = 8;
/** Nothing is drawn longer than this. */
const LONGEST_DRAWN = 200;

/** Pixels to the inch at which all of this can lie in one view, layers and drawer alike, so that a glance compares. */
export function scaleFor(sizes: readonly Size[]): number {
  const longest = Math.max(1, ...sizes.flatMap((s) => [inUnit(s.width, 'in'), inUnit(s.height, 'in')]));
  return Math.min(USUAL_SCALE, LONGEST_DRAWN / longest);
}

/** How a face lies on a piece that wishes for a direction: counter-clockwise from upright. */
const turnOf = (face: PaperFace, wish: Wish): number =>
  wish.direction === 'any' || face.direction === 'none'
    ? faceTurn(face, 0)
    : (faceTurn(face, 0) + (wish.direction === 'width' ? 90 : 0) - (face.along === 'width' ? 90 : 0) + 360) % 360;

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
  const own = useId().replace(/[^a-z0-9]/gi, '');
  const [w, h] = [inUnit(size.width, 'in') * scale, inUnit(size.height, 'in') * scale];
  const look = face && wish ? ([face.look, turnOf(face, wish), scale * 1.6] as const) : null;
  const definition = look && lookDefinition(...look).replace(lookId(...look), lookId(...look) + own);
  return (
    <svg
      width={w + 2}
      height={h + 2}
      viewBox={`-1 -1 ${w + 2} ${h + 2}`}
      aria-hidden="true"
      style={{ display: 'block' }}
    >
      {definition ? <defs dangerouslySetInnerHTML={{ __html: definition }} /> : null}
      <rect
        width={w}
        height={h}
        fill={look ? `url(#${lookId(...look)}${own})` : 'none'}
        stroke="#161616"
        strokeWidth="0.8"
        strokeDasharray={look ? undefined : '3 3'}
      />
    </svg>
  );
}
