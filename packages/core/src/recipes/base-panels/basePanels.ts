import { z } from 'zod';
import { lengthText } from '../../length/index.ts';
import { restSchema, revealSchema, solveNested, type NestedAnswer, type Rest } from '../nested.ts';
import type { Recipe } from '../recipe.ts';

export const panelSchema = z.strictObject({
  /** How much of the layer below shows round this panel. Below 0: it bleeds off and is trimmed flush. */
  reveal: revealSchema.optional(),
  width: lengthText().optional(),
  height: lengthText().optional(),
  rest: restSchema.optional(),
});
export type Panel = z.infer<typeof panelSchema>;

export const basePanelsSchema = z.strictObject({
  page: z.strictObject({ width: lengthText().optional(), height: lengthText().optional() }),
  /** Inward from the page. */
  panels: z.array(panelSchema).max(12),
  /** On a spread: the edge at which the two pages meet. No reveal stands there. */
  seam: z.enum(['left', 'right']).nullable().default(null),
});
export type BasePanelsInput = z.infer<typeof basePanelsSchema>;

/** Field names: `page.width`, `panel1.width`, `panel1.left`; an even reveal is `panel1.across` or `panel1.upDown`. */
export const panelName = (index: number): string => `panel${index + 1}`;

function restOf(panel: Panel, seam: 'left' | 'right' | null): Rest | undefined {
  if (!seam) return panel.rest;
  return { across: seam, upDown: panel.rest?.upDown ?? 'centre' };
}

export const basePanels: Recipe<'base-panels', BasePanelsInput, NestedAnswer> = {
  id: 'base-panels',
  version: 1,
  input: basePanelsSchema,
  rounding: 'nearest',
  giveWay: ({ panels }) => [
    ...panels.flatMap((_, i) => [`${panelName(i)}.width`, `${panelName(i)}.height`]).reverse(),
    ...panels
      .flatMap((_, i) => ['across', 'upDown', 'left', 'right', 'top', 'bottom'].map((e) => `${panelName(i)}.${e}`))
      .reverse(),
  ],
  /** Levels come innermost first, so the page is the last one; gaps[i] is the reveal round levels[i]. */
  solve: (input, table) => {
    const inward = input.panels.map((panel, i) => ({ panel, name: panelName(i) }));
    const outward = [...inward].reverse();
    return solveNested(
      {
        levels: [
          ...outward.map(({ panel, name }) => ({ name, width: panel.width, height: panel.height })),
          { name: 'page', ...input.page, known: 'measured' },
        ],
        gaps: outward.map(({ panel, name }) => ({ name, reveal: panel.reveal, rest: restOf(panel, input.seam) })),
        overhang: 'trimmed',
      },
      table,
      basePanels.giveWay(input),
    );
  },
};
