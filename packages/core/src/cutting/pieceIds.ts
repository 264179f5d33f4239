import { pieceOfBlock } from '../planner/index.ts';

/*
 * How the pieces of a page are called in a job: by the page's own id; one more of a piece, to be safe, by that with a word behind it, which is
 * cut last where paper is short; and so the blocks in which many of one shape are cut.
 */
const SPARE = ' spare';
export const spareIdOf = (piece: string): string => piece + SPARE;
export const isSpare = (jobPiece: string): boolean => jobPiece.endsWith(SPARE);
/** The piece of the page that a piece of a job is for. */
export const pagePieceIdOf = (jobPiece: string): string => {
  const piece = pieceOfBlock(jobPiece);
  return isSpare(piece) ? piece.slice(0, -SPARE.length) : piece;
};
