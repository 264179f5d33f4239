import type { Unit } from '@temnex/core/length';
import type { Drawer } from '@temnex/core/stock';
import { checkSupply, type SupplyCheck, type PaperDemand } from '@temnex/core/cutting';

/** What goes to the worker: what is wanted, and what there is of those papers; and what comes back, a paper at a time. */
export interface ToWanting {
  readonly wanted: readonly PaperDemand[];
  readonly drawer: Drawer;
  readonly unit: Unit;
}
export type FromWanting =
  { readonly kind: 'enough'; readonly enough: readonly SupplyCheck[] } | { readonly kind: 'done' };

/** Plans what pages want of each paper off the main thread; told a few papers at a time, so that the screen keeps still. */
const tell = (message: FromWanting): void => postMessage(message);
const EVERY = 150;

addEventListener('message', ({ data }: MessageEvent<ToWanting>) => {
  const { wanted, drawer, unit } = data;
  const now = () => performance.now();
  let found: SupplyCheck[] = [];
  let told = now();
  for (const one of wanted) {
    const enough = checkSupply(one, drawer, unit, { now });
    if (enough) found.push(enough);
    if (now() - told < EVERY) continue;
    tell({ kind: 'enough', enough: found });
    [found, told] = [[], now()];
  }
  tell({ kind: 'enough', enough: found });
  tell({ kind: 'done' });
});
