import { useId } from 'react';
import type { Paper, PaperFace } from '@temnex/core/stock';
import type { Wish } from '@temnex/core/page';
import { swatchWidthInches, scopeLook } from './scopeLook.ts';

/** How far the pattern of a face lies turned from upright, counter-clockwise, as seen from side A. */
export const faceTurn = (face: PaperFace, turned: number): number => (turned + (face.along === 'width' ? 90 : 0)) % 360;

/** How the pattern of a face lies on a piece that wishes for a direction: it runs along the edge that was asked for. */
export const computeWantedTurn = (face: PaperFace, wanted: Wish['direction']): number =>
  wanted === 'any' ? faceTurn(face, 0) : wanted === 'width' ? 90 : 0;

export const faceOf = (paper: Paper | undefined, side: 'A' | 'B' | 'any'): PaperFace | undefined =>
  paper?.sides.find((s) => s.side === side) ?? paper?.sides[0];

const ARROWS = { none: '', 'two-way': '↕', 'one-way': '↑' } as const;
export const describeDirection = (face: PaperFace): string =>
  face.direction === 'none'
    ? 'no direction'
    : `${face.direction === 'one-way' ? 'one way, up' : 'two ways,'} along the ${face.along}`;

/** A little of a paper's face, with an arrow where it has a direction. */
export function Swatch({
  face,
  size = 28,
  turned = 0,
}: {
  face: PaperFace | undefined;
  size?: number;
  turned?: number;
}) {
  const own = useId();
  if (!face) {
    return (
      <svg width={size} height={size} aria-hidden="true">
        <rect x="1" y="1" width={size - 2} height={size - 2} fill="none" stroke="#494949" strokeDasharray="3 3" />
      </svg>
    );
  }
  const turn = faceTurn(face, turned);
  const { fill, definition } = scopeLook(face.look, turn, size / swatchWidthInches(face.look), own);
  return (
    <svg width={size} height={size} aria-hidden="true" style={{ flex: 'none' }}>
      <defs dangerouslySetInnerHTML={{ __html: definition }} />
      <rect x="0.5" y="0.5" width={size - 1} height={size - 1} fill={fill} stroke="#161616" />
      {face.direction !== 'none' ? (
        <g transform={`rotate(${-turn} ${size / 2} ${size / 2})`}>
          <circle cx={size / 2} cy={size / 2} r={size * 0.25} fill="#fafafae8" />
          <text x={size / 2} y={size * 0.63} fontSize={size * 0.38} textAnchor="middle" fontWeight="600" fill="#161616">
            {ARROWS[face.direction]}
          </text>
        </g>
      ) : null}
    </svg>
  );
}
