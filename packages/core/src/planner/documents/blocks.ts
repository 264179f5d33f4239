import type { LengthText, Unit } from '../../length/index.ts';
import type { Size } from '../../geometry/index.ts';
import { isRingOver, isRingWithin, shiftRing, turnRing, type Ring } from '../../lattice/index.ts';
import type { Block, JobProblem } from './job.ts';
import type { JobDocument } from './jobDocument.ts';
import type { PlanBlock } from './plan.ts';

/*
 * Many of one shape are cut from one rectangle, laid in it as near as they go:
 *
 *     +-----------+
 *     | ◇ ◇ ◇ ◇   |     a job asks for the shape and says that it may be laid so (`nest`); a plan says in which blocks (`blocks`);
 *     |  ◇ ◇ ◇ ◇  |     with them the job has the blocks in place of the piece, and all the rest is as with any other
 *     +-----------+
 */

/** No one reads more of them. */
const MAX_FAULTS = 10;
/** Ticks by which places that were rounded may touch. */
const SLACK = 4;

/** How the blocks of a piece are called in a job: by its id with a number behind it. */
const BLOCK = ' block ';
export const blockId = (piece: string, n: number): string => `${piece}${BLOCK}${n}`;
/** The piece that a block is of; any other piece is itself. */
export const pieceOfBlock = (id: string): string => id.replace(/ block \d+$/, '');

/** The outlines that lie in a block, in ticks from its lower left. */
export function outlinesInBlock({ outline, places }: Pick<Block, 'outline' | 'places'>): Ring[] {
  const ring: Ring = outline.map((p) => [p.x, p.y]);
  const turned = new Map<number, Ring>();
  return places.map(({ x, y, degrees }) => {
    const one = turned.get(degrees) ?? turnRing(ring, degrees);
    turned.set(degrees, one);
    return shiftRing(one, x, y);
  });
}

/** What sticks out of a block, and what lies over another in it. */
export function findBlockFaults(block: Block, { width, height }: Size): { place: number; problem: JobProblem }[] {
  const laid = outlinesInBlock(block);
  const room: Ring = [
    [0, 0],
    [width, 0],
    [width, height],
    [0, height],
  ];
  const faults: { place: number; problem: JobProblem }[] = [];
  const reach = laid.map((one) => ({
    left: Math.min(...one.map(([x]) => x)),
    right: Math.max(...one.map(([x]) => x)),
  }));
  // from left to right, so that only what may meet is compared
  const inOrder = [...laid.keys()].sort((a, b) => reach[a]!.left - reach[b]!.left || a - b);
  for (const [at, i] of inOrder.entries()) {
    if (!isRingWithin(laid[i]!, room, SLACK)) faults.push({ place: i, problem: { code: 'block-outside' } });
    for (let k = at + 1; k < inOrder.length && reach[inOrder[k]!]!.left < reach[i]!.right; k++) {
      const [other, place] = [i, inOrder[k]!].sort((a, b) => a - b) as [number, number];
      if (isRingOver(laid[place]!, laid[other]!, SLACK))
        faults.push({ place, problem: { code: 'block-overlap', other } });
      if (faults.length >= MAX_FAULTS) return faults;
    }
  }
  return faults;
}

/**
 * The job with blocks in place of the pieces that they are of; null where they are of none that may be laid so, or not as many as it asks
 * for. What lies in them is checked when the job is read.
 */
export function withBlocks(job: JobDocument, blocks: readonly PlanBlock[] = []): JobDocument | null {
  if (!blocks.length) return job;
  const pieces = new Map(job.pieces.map((p) => [p.id, p]));
  const held = new Map<string, number>();
  for (const { of, quantity, places } of blocks) {
    if (!pieces.get(of)?.nest) return null;
    held.set(of, (held.get(of) ?? 0) + quantity * places.length);
  }
  for (const [id, many] of held) if (many !== (pieces.get(id)!.quantity ?? 1)) return null;
  const unit = job.unit ?? 'in';
  return {
    ...job,
    version: 3,
    pieces: job.pieces.flatMap((piece) =>
      held.has(piece.id) ? blocks.filter((b) => b.of === piece.id).map((b) => blockPiece(piece, b, unit)) : [piece],
    ),
  };
}

type PieceDocument = JobDocument['pieces'][number];

function blockPiece(
  piece: PieceDocument,
  { id, of, width, height, quantity, places }: PlanBlock,
  unit: Unit,
): PieceDocument {
  const { shape, nest: _nest, finish: _finish, from: _from, ...common } = piece;
  const each: { width: LengthText; height: LengthText } = { width: piece.width, height: piece.height };
  const times = places.length;
  const said = (n: number) => `${n} ${unit}`;
  return {
    ...common,
    id,
    quantity,
    width: said(width),
    height: said(height),
    name: times > 1 ? `${piece.name ?? piece.id}, ${times} of them` : (piece.name ?? piece.id),
    finish: [{ do: 'outline', as: 'shape', ...(times > 1 ? { times } : {}) }],
    block: {
      of,
      each,
      outline: shape!,
      places: places.map(([x, y, degrees]): [string, string, number] => [said(x), said(y), degrees]),
    },
  };
}
