import type { Job, Plan, PlanNode } from '../planner/index.ts';
import type { CutPiece } from './cutPieces.ts';
import { pagePieceIdOf } from './pieceIds.ts';

/** A face of a paper that pieces come from, and how many of them. */
export interface FaceUsed {
  readonly paper: string;
  readonly side: 'A' | 'B';
  readonly count: number;
}

/** By id in the job: the faces that a plan cuts the copies of each piece from, in the order of its sheets. */
export function collectFacesUsed(job: Job, plan: Plan): ReadonlyMap<string, readonly FaceUsed[]> {
  const papers = new Map(job.stock.map((s) => [s.id, s.paper.id]));
  const used = new Map<string, FaceUsed[]>();
  const add = (piece: string, paper: string, side: 'A' | 'B') => {
    const faces = used.get(piece) ?? [];
    used.set(piece, faces);
    const at = faces.findIndex((f) => f.paper === paper && f.side === side);
    if (at < 0) faces.push({ paper, side, count: 1 });
    else faces[at] = { ...faces[at]!, count: faces[at]!.count + 1 };
  };
  for (const { stock, tree } of plan.sheets) {
    const walk = (node: PlanNode): void => {
      if (typeof node.holds === 'object') add(node.holds.piece, papers.get(stock) ?? '', node.holds.side);
      node.parts?.forEach(walk);
      if (node.opening) walk(node.opening);
    };
    walk(tree);
  }
  return used;
}

/** By id on the page: the face that a piece is or will be cut from, as far as that is settled. What is cut counts first. */
export function collectFacesOnPage(
  cut: readonly CutPiece[],
  planned: { readonly job: Job; readonly plan: Plan } | null,
): ReadonlyMap<string, Pick<FaceUsed, 'paper' | 'side'>> {
  const faces = new Map<string, Pick<FaceUsed, 'paper' | 'side'>>();
  const put = (piece: string, face: Pick<FaceUsed, 'paper' | 'side'> | undefined) => {
    if (face?.paper && !faces.has(piece)) faces.set(piece, { paper: face.paper, side: face.side });
  };
  for (const { piece, paper, side } of cut) put(piece, { paper, side });
  if (planned)
    for (const [piece, [first]] of collectFacesUsed(planned.job, planned.plan)) put(pagePieceIdOf(piece), first);
  return faces;
}
