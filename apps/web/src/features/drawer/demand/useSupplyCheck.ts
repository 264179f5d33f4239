import { useEffect, useState } from 'react';
import type { Unit } from '@temnex/core/length';
import type { Drawer } from '@temnex/core/stock';
import type { SupplyCheck, PaperDemand } from '@temnex/core/cutting';
import type { FromWanting, ToWanting } from './wanting.worker.ts';

export interface SupplyCheckState {
  readonly found: ReadonlyMap<string, SupplyCheck>;
  readonly done: boolean;
  readonly failed: boolean;
}
const NONE: SupplyCheckState = { found: new Map(), done: false, failed: false };

/** Whether what there is is enough for what is wanted, paper by paper, as it is worked out in a worker. */
export function useSupplyCheck(wanted: readonly PaperDemand[], drawer: Drawer, unit: Unit): SupplyCheckState {
  const [state, setState] = useState(NONE);
  useEffect(() => {
    if (!wanted.length) return;
    const worker = new Worker(new URL('./wanting.worker.ts', import.meta.url), { type: 'module' });
    let found = new Map<string, SupplyCheck>();
    worker.onmessage = ({ data }: MessageEvent<FromWanting>) => {
      if (data.kind === 'done') return setState((was) => ({ ...was, done: true }));
      found = new Map([...found, ...data.enough.map((e) => [e.paper, e] as const)]);
      setState({ found, done: false, failed: false });
    };
    worker.onerror = () => setState((was) => ({ ...was, failed: true }));
    const papers = new Set(wanted.map((w) => w.paper));
    const asked: ToWanting = {
      wanted,
      unit,
      drawer: {
        papers: drawer.papers.filter((p) => papers.has(p.id)),
        stock: drawer.stock.filter((s) => papers.has(s.paper)),
      },
    };
    worker.postMessage(asked);
    return () => {
      worker.terminate();
      setState(NONE);
    };
  }, [wanted, drawer, unit]);
  return state;
}
