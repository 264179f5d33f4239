import type { TrimmerStep } from './steps.ts';

/*
 * What is done with one press: a sheet is taken up and turned for its first cut, a part is turned for the cut that it is turned for,
 * and the same cut down a strip is made as often as it comes.
 *
 *     take · turn · cut   cut · cut · cut   turn · cut   over · finish
 *     ╰──────────────╯    ╰─────────────╯   ╰────────╯   ╰───────────╯
 */

/** Steps that are done at once: from the `from`-th up to the `to`-th, which is not one of them. */
export interface Press {
  readonly from: number;
  readonly to: number;
}

/** A cut whose setting, edge and cutter are those of the one before it, of what that one left: the fence and the hands stay. */
function isAgain(before: TrimmerStep, next: TrimmerStep | undefined): boolean {
  if (before.do !== 'cut' || next?.do !== 'cut' || next.picked) return false;
  const [a, b] = [before.step, next.step];
  if (a.do !== 'cut' || b.do !== 'cut') return false;
  return (
    a.rest === b.part &&
    a.setting === b.setting &&
    a.edge === b.edge &&
    a.by === b.by &&
    a.sheets.length === b.sheets.length &&
    a.sheets.every((sheet, i) => sheet === b.sheets[i])
  );
}

/** The steps of an order by presses. `together`: the same cut again is no press of its own; not where each goes into another bag. */
export function groupIntoPresses(steps: readonly TrimmerStep[], together = true): Press[] {
  const presses: Press[] = [];
  let from = 0;
  while (from < steps.length) {
    let to = from + 1;
    const leads = () => {
      const [before, next] = [steps[to - 1]!, steps[to]];
      if (before.do === 'take') return next?.do === 'turn' || next?.do === 'cut';
      if (before.do === 'turn') return next?.do === 'cut';
      if (before.do === 'over') return next?.do === 'finish' && next.piece.id === before.piece.id;
      return together && isAgain(before, next);
    };
    while (leads()) to++;
    presses.push({ from, to });
    from = to;
  }
  return presses;
}

/** Which press a step belongs to; the number of presses where all steps are done. */
export function findPress(presses: readonly Press[], step: number): number {
  const at = presses.findIndex(({ to }) => step < to);
  return at < 0 ? presses.length : at;
}
