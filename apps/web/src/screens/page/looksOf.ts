import type { Drawer, Part } from '@temnex/core';
import type { Fill } from '@temnex/drawing';
import { faceOf, faceTurn } from '../../ui/Swatch.tsx';

/** How a part is filled: its paper's face if one is chosen, else a grey that says "not chosen yet". */
export function partFill(part: Part, drawer: Drawer, scale: number): Fill {
  const paper = drawer.papers.find((p) => p.id === part.paper?.papers[0]);
  const face = part.paper ? faceOf(paper, part.paper.side) : undefined;
  if (!face) return part.kind === 'base' ? '#f2f2f2' : part.kind === 'panel' ? '#e2e2e2' : '#fafafa';
  // the pattern runs along the edge of the part that was asked for
  const wanted = part.paper!.direction;
  const turn = wanted === 'any' ? faceTurn(face, 0) : wanted === 'width' ? 90 : 0;
  return { look: face.look, turn, scale };
}
