import { z } from 'zod';
import { lengthText } from '../../length/index.ts';
import { fitsIn, turned, type Size } from '../../geometry/index.ts';
import { ticks, type Ticks } from '../../length/index.ts';
import { restSchema, revealSchema, solveNested, type NestedAnswer } from '../nested.ts';
import type { Recipe } from '../recipe.ts';

/** One layer of a mat stack: by its reveal, by its outer size, or by what is known of both. */
export const matLayerSchema = z.strictObject({
  reveal: revealSchema.optional(),
  width: lengthText().optional(),
  height: lengthText().optional(),
  rest: restSchema.optional(),
});
export type MatLayer = z.infer<typeof matLayerSchema>;

export const matStackSchema = z.strictObject({
  /** What the mats lie behind. Left out, it is solved for: the largest print for a paper. */
  print: z
    .strictObject({
      width: lengthText().optional(),
      height: lengthText().optional(),
      known: z.enum(['measured', 'assumed']).default('measured'),
    })
    .default({ known: 'measured' }),
  /** Outward from the print. */
  mats: z.array(matLayerSchema).max(12),
});
export type MatStackInput = z.infer<typeof matStackSchema>;

/** Field names: `print.width`, `mat1.width`, `mat1.left`; an even reveal is `mat1.across` or `mat1.upDown`. */
export const matName = (index: number): string => `mat${index + 1}`;

export const matStack: Recipe<'mat-stack', MatStackInput, NestedAnswer> = {
  id: 'mat-stack',
  version: 1,
  input: matStackSchema,
  rounding: 'nearest',
  giveWay: ({ mats }) => [
    ...mats.flatMap((_, i) => [`${matName(i)}.width`, `${matName(i)}.height`]).reverse(),
    ...mats
      .flatMap((_, i) => ['across', 'upDown', 'left', 'right', 'top', 'bottom'].map((e) => `${matName(i)}.${e}`))
      .reverse(),
    'print.width',
    'print.height',
  ],
  solve: (input, table) =>
    solveNested(
      {
        levels: [
          { name: 'print', ...input.print },
          ...input.mats.map((mat, i) => ({ name: matName(i), width: mat.width, height: mat.height })),
        ],
        gaps: input.mats.map((mat, i) => ({ name: matName(i), reveal: mat.reveal, rest: mat.rest })),
        overhang: 'refused',
      },
      table,
      matStack.giveWay(input),
    ),
};

/** How a mat relates to a paper it is to be cut from: it fits, or it is too long and the print can be trimmed. */
export type PaperFit =
  | { fits: true; turned: boolean }
  | {
      fits: false;
      /** By how much each way of laying it is too long; the better way. */
      over: { width: Ticks; height: Ticks };
      turned: boolean;
      /** Trim the print to this and the mat becomes that. */
      trim: { print: Size; mat: Size };
    };

/** Whether a mat can come from a paper of this size (turned or not), and if not, which trim of the print makes it so. */
export function fitMatToPaper(print: Size, mat: Size, paper: Size): PaperFit {
  const way = fitsIn(mat, paper);
  if (way) return { fits: true, turned: way === 'turned' };
  const shortfall = (room: Size) => ({
    width: ticks(Math.max(0, mat.width - room.width)),
    height: ticks(Math.max(0, mat.height - room.height)),
  });
  const [upright, flat] = [shortfall(paper), shortfall(turned(paper))];
  const flip = flat.width + flat.height < upright.width + upright.height;
  const over = flip ? flat : upright;
  const less = (size: Size): Size => ({
    width: ticks(size.width - over.width),
    height: ticks(size.height - over.height),
  });
  return { fits: false, over, turned: flip, trim: { print: less(print), mat: less(mat) } };
}
