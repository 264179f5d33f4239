import type { QueryClient } from '@tanstack/react-query';
import { sortForDrawer } from '@temnex/core/stock';
import { drawerSeenSchema, type DrawerRecord } from '@temnex/contract';
import { requestJson } from './client.ts';
import { KEYS } from './keys.ts';

/* The drawer as it was seen, brought up to date: what has changed is asked for, not all of it again. */

/** The drawer as it is, from what was seen of it; what has not changed stays the very same, so that nothing follows from it anew. */
export async function fetchDrawer(client: QueryClient): Promise<DrawerRecord> {
  const seen = client.getQueryData<DrawerRecord>(KEYS.drawer);
  const change = await requestJson(
    'GET',
    seen ? `/api/drawer?book=${seen.book}&since=${seen.seq}` : '/api/drawer',
    drawerSeenSchema,
  );
  // meanwhile another answer may have come, which is as good
  return seen && !change.whole ? applyDelta(seen, change) : change;
}

/** A drawer with what has changed in it. */
export function applyDelta(seen: DrawerRecord, change: DrawerRecord): DrawerRecord {
  const { book, seq, papers, stock, unreadable, gone } = change;
  if (seq === seen.seq) return seen;
  const outPapers = new Set([...papers.map((p) => p.id), ...gone.papers]);
  const out = new Set([...stock.map((s) => s.id), ...unreadable.map((s) => s.id), ...gone.stock]);
  return {
    book,
    seq,
    whole: true,
    gone: { papers: [], stock: [] },
    papers: outPapers.size
      ? [...seen.papers.filter((p) => !outPapers.has(p.id)), ...papers].sort((a, b) => (a.name < b.name ? -1 : 1))
      : seen.papers,
    stock: out.size ? sortForDrawer([...seen.stock.filter((s) => !out.has(s.id)), ...stock]) : seen.stock,
    unreadable: [...seen.unreadable.filter((s) => !out.has(s.id)), ...unreadable],
  };
}
