import { useOutletContext } from 'react-router';
import type { Drawer, Habits } from '@temnex/core/stock';
import type { DerivedPage } from '@temnex/core/page';
import type { Basis, CutPiece, CutState } from '@temnex/core/cutting';
import type { CuttingRecord } from '@temnex/contract';
import type { CuttingOrder } from './cuttingOrder.ts';
import type { SettledFaces } from './settledFaces.ts';
import type { PageEditor } from './usePageEditor.ts';

/** What is known of a page, whichever station one is at. */
export interface PageFacts {
  readonly id: string;
  readonly editor: PageEditor;
  readonly derived: DerivedPage;
  readonly drawer: Drawer;
  readonly habits: Habits;
  /** What a cutting order of this page would be made from now; null until all of it is there. */
  readonly basis: Basis | null;
  readonly cuttings: readonly CuttingRecord[];
  /** Pieces that are cut and have not become scraps. */
  readonly cut: readonly CutPiece[];
  readonly cutState: CutState;
  /** By piece: the face that it is cut from, or will be by the order that stands. */
  readonly settled: SettledFaces;
  /** Pieces of which every copy is cut. */
  readonly cutPieces: ReadonlySet<string>;
}
/** And its cutting order, which is planned whichever station one is at. */
export interface PageContext extends PageFacts {
  readonly cutting: {
    readonly order: CuttingOrder;
    readonly again: () => void;
    readonly stop: () => void;
    readonly trouble: Error | null;
  };
}
export const usePageContext = (): PageContext => useOutletContext<PageContext>();
