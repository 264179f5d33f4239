/*
 * How the pieces of a page are called in a job: by the page's own id, and one more of a piece, to be safe, by that with a word
 * behind it. It is cut last where paper is short.
 */
const SPARE = ' spare';
export const spareOf = (piece: string): string => piece + SPARE;
export const isSpare = (jobPiece: string): boolean => jobPiece.endsWith(SPARE);
/** The piece of the page that a piece of a job is for. */
export const wantedAs = (jobPiece: string): string => (isSpare(jobPiece) ? jobPiece.slice(0, -SPARE.length) : jobPiece);
