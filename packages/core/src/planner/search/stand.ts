import type { Compiled } from '../compile.ts';
import type { Solution, Standing } from '../score.ts';
import { schedule } from '../steps.ts';
import type { Layout } from './layout.ts';
import { Measure, type SheetFigures } from './measure.ts';
import { realise } from './realise.ts';

/** The solution that a layout stands for. */
export function solutionOf(layout: Layout): Solution {
  const sheets = Array.from({ length: layout.sheets }, (_, b) => realise(layout, b)!);
  return { sheets, missing: [...layout.pool] };
}

/** How a layout stands, measured sheet by sheet; sheets that have not changed since they were measured are not measured again. */
export function standingOf(layout: Layout, withSettings: boolean): Standing {
  const { c } = layout;
  const missing = missingOf(c, layout.pool);
  const measure = new Measure(layout);
  const figures: SheetFigures = { waste: 0, largestKept: 0, cuts: 0, disliked: 0, pieceArea: 0 };
  let [waste, largestKept, cuts, disliked, fromScraps] = [0, 0, 0, 0, 0];
  for (let b = 0; b < layout.sheets; b++) {
    if (!layout.measured[b]) {
      measure.sheet(b, figures);
      layout.measured[b] = 1;
      layout.figures.set(
        [figures.waste, figures.largestKept, figures.cuts, figures.disliked, figures.pieceArea],
        b * 5,
      );
    }
    const at = b * 5;
    waste += layout.figures[at]!;
    largestKept = Math.max(largestKept, layout.figures[at + 1]!);
    cuts += layout.figures[at + 2]!;
    disliked += layout.figures[at + 3]!;
    if (!c.isNew[layout.stock[b]!]) fromScraps += layout.figures[at + 4]!;
  }
  const settings = withSettings ? schedule(solutionOf(layout).sheets, c.job).settings : null;
  return {
    missing,
    newArea: layout.newArea,
    disliked,
    waste,
    fromScraps,
    items: layout.sheets,
    largestKept,
    settings,
    cuts,
  };
}

function missingOf(c: Compiled, pool: Int32Array): number[] {
  const levels = c.urgencyLevels;
  const missing = new Array<number>(levels).fill(0);
  for (let k = 0; k < c.pieceCount; k++) if (pool[k]) missing[levels - 1 - c.urgency[k]!]! += pool[k]! * c.area[k]!;
  return missing;
}
