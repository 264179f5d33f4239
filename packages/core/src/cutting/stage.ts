import type { PieceToCut } from '../page/index.ts';
import { cutCountOf, type CutState } from './cutPieces.ts';
import { wantedCountOf } from './pageJob.ts';

/* How far a page has come, said in one place for the server, its lists and the screens. */

/** What a cutting order was made from. While nothing of it has changed, the order answers what is asked. */
export interface Basis {
  readonly pageVersion: number;
  /** Of every paper that the page wishes for: how often it or its stock had changed. */
  readonly papers: Readonly<Record<string, number>>;
  /** How often the habits had changed. */
  readonly habits: number;
  /** The cuts for this page that stood. */
  readonly cuts: readonly string[];
}

export function buildBasis(
  pageVersion: number,
  pieces: ReadonlyArray<Pick<PieceToCut, 'wish'>>,
  papers: ReadonlyArray<{ readonly id: string; readonly revision: number }>,
  habits: number,
  cuts: readonly string[],
): Basis {
  const wished = new Set(pieces.flatMap((p) => p.wish?.papers ?? []));
  return {
    pageVersion,
    papers: Object.fromEntries(papers.filter((p) => wished.has(p.id)).map((p) => [p.id, p.revision])),
    habits,
    cuts: [...cuts].sort(),
  };
}

/**
 * What a cutting order for several pages was made from: that of each, put together. Which pages, and each as it was, stands among
 * the cuts.
 */
export function mergeBases(pages: ReadonlyArray<{ readonly id: string; readonly basis: Basis }>): Basis {
  return {
    pageVersion: 1,
    papers: Object.assign({}, ...pages.map(({ basis }) => basis.papers)) as Basis['papers'],
    habits: pages[0]?.basis.habits ?? 0,
    cuts: pages.flatMap(({ id, basis }) => [`${id} at ${basis.pageVersion}`, ...basis.cuts]).sort(),
  };
}

export function isSameBasis(a: Basis, b: Basis): boolean {
  const ids = Object.keys(a.papers);
  return (
    a.pageVersion === b.pageVersion &&
    a.habits === b.habits &&
    a.cuts.join() === b.cuts.join() &&
    ids.length === Object.keys(b.papers).length &&
    ids.every((id) => a.papers[id] === b.papers[id])
  );
}

export const STAGES = ['sizing', 'papers', 'planned', 'out-of-date', 'partly-cut', 'cut'] as const;
export type Stage = (typeof STAGES)[number];

/** What there is to know of a page without working it out again. */
export interface PageFacts {
  /** Some item cannot be, so not all pieces are known. */
  readonly refused: boolean;
  readonly pieces: ReadonlyArray<Pick<PieceToCut, 'id' | 'width' | 'height' | 'quantity' | 'wish'>>;
  readonly copies: number;
  /** Pieces of which one more is cut. */
  readonly spares: readonly string[];
}

/** `state` is what the pieces that are cut are still good for, `order` whether there is a cutting order that still answers what is asked. */
export function stageOf(
  { refused, pieces, ...copies }: PageFacts,
  state: CutState,
  order: 'none' | 'current' | 'old',
): Stage {
  const left = pieces.filter((p) => cutCountOf(state, p.id) < wantedCountOf(p, copies));
  if (pieces.length && !refused && !left.length) return 'cut';
  if (refused || !pieces.length || left.some((p) => !p.wish)) return 'sizing';
  if (order === 'current') return 'planned';
  if (left.length < pieces.length || pieces.some((p) => cutCountOf(state, p.id) > 0)) return 'partly-cut';
  return order === 'old' ? 'out-of-date' : 'papers';
}
