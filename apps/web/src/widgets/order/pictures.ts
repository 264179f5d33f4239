import type { Mark } from '@temnex/core/length';
import type { Drawer } from '@temnex/core/stock';
import type { Job } from '@temnex/core/planner';
import type { FaceLook, PictureStyle } from '@temnex/drawing';
import { faceTurn } from '../../design/Swatch.tsx';

/** Papers as they look, for the pictures of a cutting order. */
export function buildFaceLook(job: Job, drawer: Drawer): FaceLook {
  return (stockId, side) => {
    const item = job.stock.find((s) => s.id === stockId);
    const face = drawer.papers.find((p) => p.id === item?.paper.id)?.sides.find((s) => s.side === side);
    return item && face ? { look: face.look, turn: faceTurn(face, item.turned) } : null;
  };
}

export function buildPictureStyle(job: Job, drawer: Drawer, mark: Mark, scale: number): PictureStyle {
  const names = new Map(job.pieces.map((p) => [p.id, p.name]));
  return {
    scale,
    voice: { mark, figures: 'typeset' },
    face: buildFaceLook(job, drawer),
    pieceName: (id) => names.get(id) ?? id,
  };
}
