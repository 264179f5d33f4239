import { lengthOf, type LengthText, type Unit } from '../length/index.ts';
import type { PieceToCut } from '../page/index.ts';

/** One piece that has been cut, as it is: it stays so, whatever becomes of the page. */
export interface CutPiece {
  /** The piece of the page that it was cut for. */
  readonly piece: string;
  readonly unit: Unit;
  readonly width: LengthText;
  readonly height: LengthText;
  readonly paper: string;
  readonly side: 'A' | 'B';
  /** What it measures, where somebody has measured it, and it will do. */
  readonly cameOutAs?: { readonly width: LengthText; readonly height: LengthText } | undefined;
}

/** What the pieces that are cut are still good for. */
export interface CutState {
  readonly pieces: ReadonlyMap<
    string,
    { readonly right: number; readonly trim: readonly CutPiece[]; readonly again: number }
  >;
  /** Cut, but no longer wanted, too small, or from another paper: scraps of their size. */
  readonly unwanted: readonly CutPiece[];
}

type Serves = 'right' | 'trim' | null;

type Wanted = Pick<PieceToCut, 'id' | 'width' | 'height' | 'wish'>;

function serves(piece: Wanted, cut: CutPiece): Serves {
  const { wish } = piece;
  if (wish && (!wish.papers.includes(cut.paper) || (wish.side !== 'any' && wish.side !== cut.side))) return null;
  const as = servesAs(piece, lengthOf(cut.width, cut.unit), lengthOf(cut.height, cut.unit));
  if (as === 'right' || !cut.cameOutAs) return as;
  // the page may have followed what it measures
  const { width, height } = cut.cameOutAs;
  return servesAs(piece, lengthOf(width, cut.unit), lengthOf(height, cut.unit)) ?? as;
}

function servesAs({ wish, ...piece }: Wanted, w: number, h: number): Serves {
  const fits = (width: number, height: number): Serves =>
    width === piece.width && height === piece.height
      ? 'right'
      : width >= piece.width && height >= piece.height
        ? 'trim'
        : null;
  const upright = fits(w, h);
  if (upright === 'right' || (wish && wish.direction !== 'any')) return upright;
  return fits(h, w) === 'right' ? 'right' : (upright ?? fits(h, w));
}

/**
 * Of every piece of a page: how many of those cut are still right, which can be trimmed to it, and how many must be cut again
 * although one was cut; and which cut pieces nothing wants any more. `wanted` says how many there should be.
 */
export function assessCutPieces<Piece extends Wanted>(
  pieces: readonly Piece[],
  cut: readonly CutPiece[],
  wanted: (piece: Piece) => number,
): CutState {
  const state = new Map<string, { right: number; trim: CutPiece[]; again: number }>();
  const unwanted: CutPiece[] = [];
  const known = new Map(pieces.map((p) => [p.id, p]));
  const byPiece = new Map<string, CutPiece[]>();
  for (const one of cut) byPiece.set(one.piece, [...(byPiece.get(one.piece) ?? []), one]);
  for (const [id, list] of byPiece) {
    const piece = known.get(id);
    if (!piece) {
      unwanted.push(...list);
      continue;
    }
    let open = wanted(piece);
    const judged = list.map((one) => ({ one, as: serves(piece, one) }));
    const here = { right: 0, trim: [] as CutPiece[], again: 0 };
    for (const { one, as } of [...judged.filter((j) => j.as === 'right'), ...judged.filter((j) => j.as !== 'right')]) {
      if (as === null || open === 0) unwanted.push(one);
      else {
        open--;
        if (as === 'right') here.right++;
        else here.trim.push(one);
      }
    }
    here.again = Math.min(open, judged.filter((j) => j.as === null).length);
    state.set(id, here);
  }
  return { pieces: state, unwanted };
}

/** How many of a piece are cut and will do, as they are or trimmed. */
export const cutCountOf = (state: CutState, piece: string): number => {
  const here = state.pieces.get(piece);
  return here ? here.right + here.trim.length : 0;
};
