import { formatExactLength, type Mark, type Unit } from '../length/index.ts';
import type { Finish, Nesting, Shape, Size } from '../geometry/index.ts';
import { formatFinish, formatShape, type JobDocument, type Plan, type PlanNode } from '../planner/index.ts';

/** How the planner may lay many of one together. */
export const formatNesting = (
  { turning, apart }: Nesting,
  unit: Unit,
): { turning: Nesting['turning']; apart: string } => ({
  turning,
  apart: formatExactLength(apart, unit),
});

/** What of a blank the planner has to know. */
interface Blank extends Size {
  readonly key: string;
  readonly quantity: number;
  readonly finish: readonly Finish[];
  readonly shape: Shape | null;
  readonly nests?: Nesting | undefined;
}

/** The planner's job for the pieces of one construction, from as many sheets of one size as it takes. */
export function buildBlanksJob(
  blanks: readonly Blank[],
  paper: Size,
  { unit, mark }: { readonly unit: Unit; readonly mark: Mark },
): JobDocument {
  const size = ({ width, height }: Size) => ({
    width: formatExactLength(width, unit),
    height: formatExactLength(height, unit),
  });
  return {
    format: 'temnex-job',
    version: blanks.some((b) => b.nests) ? 3 : 2,
    unit,
    cutter: { step: formatExactLength(mark.step, unit) },
    plan: {
      // the steps end it: a slow machine finds what a fast one does
      seconds: 5,
      nodes: 400,
      keep: unit === 'in' ? { shorter: '1/2', longer: '2' } : { shorter: '12', longer: '50' },
    },
    papers: [{ id: 'paper' }],
    stock: [{ id: 'sheet', paper: 'paper', ...size(paper), quantity: blanks.reduce((n, b) => n + b.quantity, 0) }],
    pieces: blanks.map((b) => ({
      id: b.key,
      quantity: b.quantity,
      papers: ['paper'],
      ...size(b),
      ...(b.finish.length ? { finish: b.finish.map((f) => formatFinish(f, unit)) } : {}),
      ...(b.shape && b.nests ? { shape: formatShape(b.shape.outline, unit), nest: formatNesting(b.nests, unit) } : {}),
    })),
  };
}

/** What a plan leaves that is worth keeping, in the unit of the plan: each size, the longer side last, and how many; the largest first. */
export function collectLeftovers({
  sheets,
}: Plan): { readonly sides: readonly [number, number]; readonly quantity: number }[] {
  const found = new Map<string, { sides: [number, number]; quantity: number }>();
  const walk = (node: PlanNode): void => {
    node.parts?.forEach(walk);
    if (node.opening) walk(node.opening);
    if (node.holds !== 'keep') return;
    const sides = [node.width, node.height].sort((a, b) => a - b) as [number, number];
    const key = sides.join();
    found.set(key, { sides, quantity: (found.get(key)?.quantity ?? 0) + 1 });
  };
  for (const { tree } of sheets) walk(tree);
  return [...found.values()].sort((a, b) => b.sides[0] * b.sides[1] - a.sides[0] * a.sides[1]);
}
