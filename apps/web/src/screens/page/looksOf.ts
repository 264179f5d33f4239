import type { Drawer, Part } from '@temnex/core';
import type { Fill } from '@temnex/drawing';
import { faceOf, faceTurn } from '../../ui/Swatch.tsx';

/** Greys for what has no paper yet: the lowest is the lightest, what lies on it a little darker. */
const UNCHOSEN = ['#f2f2f2', '#e2e2e2', '#fafafa'];
/** A print nobody has photographed. */
export const PRINT = '#9b9b9b';

/** How a part is filled: its paper's face if one is chosen, else a grey that says "not chosen yet". */
export function partFill(part: Part, drawer: Drawer, scale: number): Fill {
  if (!part.piece) return PRINT;
  const paper = drawer.papers.find((p) => p.id === part.wish?.papers[0]);
  const face = part.wish ? faceOf(paper, part.wish.side) : undefined;
  if (!face) return UNCHOSEN[(part.entry ? part.n : part.n + 1) % UNCHOSEN.length]!;
  // the pattern runs along the edge of the part that was asked for
  const wanted = part.wish!.direction;
  const turn = wanted === 'any' ? faceTurn(face, 0) : wanted === 'width' ? 90 : 0;
  return { look: face.look, turn, scale };
}
