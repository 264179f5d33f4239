import type { Page } from '../page/index.ts';

/*
 * The same page so many times, for a class or a club: each copy is a bag, and every piece belongs into one.
 */

/** Into which bag a copy of a piece goes, from 1: they are filled one after the other, with those that were cut before first. */
export const bagOfCopy = (copy: number, perPage: number, before = 0): number =>
  Math.floor((before + copy - 1) / Math.max(1, perPage)) + 1;

/** For whom a bag is, where somebody has said so. */
export const nameOfBag = ({ bags = [] }: Pick<Page, 'bags'>, bag: number): string | null => bags[bag - 1] ?? null;

export interface PackingLine {
  readonly piece: string;
  readonly name: string;
  readonly width: number;
  readonly height: number;
  /** So many of it go into each bag. */
  readonly each: number;
  /** So many of it are cut, of all that are wanted. */
  readonly cut: number;
  readonly of: number;
}
/** What goes into each bag of a page, in the order of its pieces. */
export function buildPackingList(
  pieces: ReadonlyArray<{
    readonly id: string;
    readonly name: string;
    readonly width: number;
    readonly height: number;
    readonly quantity: number;
  }>,
  copies: number,
  cutOfPiece: (piece: string) => number,
): PackingLine[] {
  return pieces.map(({ id, name, width, height, quantity }) => ({
    piece: id,
    name,
    width,
    height,
    each: quantity,
    cut: Math.min(quantity * copies, cutOfPiece(id)),
    of: quantity * copies,
  }));
}

/** How many of a piece a bag goes without, since so many of all bags cannot be cut: those that are filled last. */
export const missingCountInBag = (
  { each, of }: Pick<PackingLine, 'each' | 'of'>,
  bag: number,
  missing: number,
): number => Math.max(0, Math.min(each, each * bag - (of - missing)));

/** Whether all that goes into a bag is cut: bags are filled one after the other. */
export const isBagFull = (lines: readonly PackingLine[], bag: number): boolean =>
  lines.every(({ each, cut }) => cut >= each * bag);
