import type { Drawer } from '@temnex/core/stock';
import type { Part } from '@temnex/core/page';
import type { Fill } from '@temnex/drawing';
import type { SettledFaces } from '../../data/pages/settledFaces.ts';
import { faceOf, computeWantedTurn } from '../../design/Swatch.tsx';

/** Greys for what has no paper yet: the lowest is the lightest, what lies on it a little darker. */
const UNCHOSEN = ['#f2f2f2', '#e2e2e2', '#fafafa'];
/** A print nobody has photographed. */
export const BLANK_PRINT = '#9b9b9b';

/** The back of a paper that has one face. */
const BARE = '#fbfbf9';

/** How a part is filled: the face that it comes from if that is settled, its paper's if one is chosen, else a grey that says "not chosen yet". */
export function partFill(part: Part, drawer: Drawer, scale: number, settled: SettledFaces): Fill {
  if (!part.piece) return BLANK_PRINT;
  const from = settled.get(part.piece);
  const paper = drawer.papers.find((p) => p.id === (from?.paper ?? part.wish?.papers[0]));
  const up = from?.side ?? part.wish?.side ?? 'A';
  if (part.back && paper) {
    const other = paper.sides.find((s) => s.side === (up === 'B' ? 'A' : 'B'));
    return other ? { look: other.look, turn: computeWantedTurn(other, part.wish!.direction), scale } : BARE;
  }
  const face = part.wish ? faceOf(paper, up) : undefined;
  if (!face) return UNCHOSEN[(part.entry ? part.n : part.n + 1) % UNCHOSEN.length]!;
  return { look: face.look, turn: computeWantedTurn(face, part.wish!.direction), scale };
}
