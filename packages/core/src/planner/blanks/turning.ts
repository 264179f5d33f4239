import type { Face, JobPiece, JobStock, Side, Turn } from '../documents/job.ts';

/*
 * Everything is seen from side A, x right, y up. A turn is counter-clockwise by quarters, so a direction
 * is a number of quarters from "right": 0 right, 1 up, 2 left, 3 down. Seen through from side B,
 * right and left change places.
 */
const quarterOf = (along: 'width' | 'height', side: Side): number => (along === 'height' ? 1 : side === 'B' ? 2 : 0);

export const TURNS: readonly Turn[] = [0, 90, 180, 270];

/** May this piece be turned so, on this face of this paper as it lies? */
export function isDirectionKept(piece: Pick<JobPiece, 'direction'>, face: Face, lies: Turn, turn: Turn): boolean {
  if (piece.direction === 'any' || face.direction === 'none') return true;
  const pattern = quarterOf(face.along, face.side) + lies / 90;
  const wanted = quarterOf(piece.direction, face.side) + turn / 90;
  const apart = (pattern - wanted + 8) % 4;
  return face.direction === 'one-way' ? apart === 0 : apart % 2 === 0;
}

/** One allowed way of laying a piece on a stock item. */
export interface Way {
  readonly turn: Turn;
  readonly side: Side;
}

/** The first allowed way upright (0 or 180) and the first allowed way flat (90 or 270). */
export function waysOf(
  piece: Pick<JobPiece, 'side' | 'direction'>,
  stock: { readonly paper: Pick<JobStock['paper'], 'faces'>; readonly turned: Turn },
): { upright: Way | null; flat: Way | null } {
  const ways = stock.paper.faces
    .filter((face) => piece.side === 'any' || piece.side === face.side)
    .flatMap((face) =>
      TURNS.filter((turn) => isDirectionKept(piece, face, stock.turned, turn)).map((turn) => ({
        turn,
        side: face.side,
      })),
    );
  return {
    upright: ways.find((w) => w.turn % 180 === 0) ?? null,
    flat: ways.find((w) => w.turn % 180 !== 0) ?? null,
  };
}

/** `waysOf`, worked out once for each face and direction wanted and each way that a paper lies. */
export function waysByKind(): (piece: JobPiece, stock: JobStock) => ReturnType<typeof waysOf> {
  const papers = new Map<JobStock['paper'], Map<string, ReturnType<typeof waysOf>>>();
  return (piece, stock) => {
    let known = papers.get(stock.paper);
    if (!known) papers.set(stock.paper, (known = new Map()));
    const key = `${piece.side} ${piece.direction} ${stock.turned}`;
    let ways = known.get(key);
    if (!ways) known.set(key, (ways = waysOf(piece, stock)));
    return ways;
  };
}
