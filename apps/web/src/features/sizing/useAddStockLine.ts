import { useState } from 'react';
import type { Unit } from '@temnex/core/length';
import { previewStockLine } from '@temnex/words';
import { useQueryClient } from '@tanstack/react-query';
import { fetchDrawer } from '../../data/drawer.ts';
import { useAddStock } from '../../data/stock/queries.ts';

/** Puts what a line about paper says into the drawer, where its paper is known; and what came of it. */
export function useAddStockLine(unit: Unit) {
  const [put, setPut] = useState<{ ok: boolean; says: string } | null>(null);
  const client = useQueryClient();
  const addStock = useAddStock();
  const putIn = async (line: string): Promise<boolean> => {
    setPut(null);
    try {
      const { papers } = await fetchDrawer(client);
      const { said, says } = previewStockLine(line, papers, unit) ?? {};
      if (!said) return false;
      if (!said.ok || !said.paper) {
        const unknown = said.ok
          ? `There is no paper called ${said.paperWords} yet: put it in on Papers, where it gets its looks.`
          : says!;
        setPut({ ok: false, says: unknown });
        return false;
      }
      const { width, height, quantity, kind, outline, place } = said;
      await addStock.mutateAsync({
        paper: said.paper.id,
        unit,
        width,
        height,
        quantity,
        kind,
        ...(outline ? { outline } : {}),
        ...(place ? { place } : {}),
      });
      setPut({ ok: true, says: `In the drawer: ${says}.` });
      return true;
    } catch (error) {
      setPut({ ok: false, says: error instanceof Error ? error.message : 'Not put in.' });
      return false;
    }
  };
  return { put, putIn };
}
