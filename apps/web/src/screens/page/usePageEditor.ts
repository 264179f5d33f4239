import { useCallback, useEffect, useRef, useState } from 'react';
import { useQueryClient } from '@tanstack/react-query';
import { derivePage, whatMoved, type Move, type Page } from '@temnex/core';
import type { PageRecord } from '@temnex/contract';
import { pageRecordSchema } from '@temnex/contract';
import { NAMES } from '@temnex/words';
import { ServerRefusal, ask } from '../../api/client.ts';
import { usePage } from '../../api/queries.ts';

export type Saving = 'saved' | 'saving' | 'waiting' | 'failed';

export interface PageEditor {
  readonly page: Page;
  readonly version: number;
  readonly saving: Saving;
  readonly trouble: string | null;
  /** What the last change moved. */
  readonly moves: readonly Move[];
  readonly canUndo: boolean;
  readonly canRedo: boolean;
  change(next: Page): void;
  undo(): void;
  redo(): void;
  retry(): void;
  /** Set when somebody else saved the page: what is stored now. */
  readonly conflict: PageRecord | null;
  keepMine(): void;
  takeTheirs(): void;
}

interface History {
  readonly past: readonly Page[];
  readonly page: Page;
  readonly future: readonly Page[];
}

const WAIT = 350;
const DEPTH = 200;

/**
 * A page being worked on: every change is a step of undo and is saved by itself a moment later. A stale save stops
 * the saving until the person has chosen; neither version is lost.
 */
export function usePageEditor(
  id: string,
):
  | { status: 'loading' }
  | { status: 'failed'; error: unknown; retry: () => void }
  | { status: 'ready'; editor: PageEditor } {
  const query = usePage(id);
  const client = useQueryClient();
  const [history, setHistory] = useState<History | null>(null);
  const [stored, setStored] = useState<{ version: number; page: Page } | null>(null);
  const [busy, setBusy] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [conflict, setConflict] = useState<PageRecord | null>(null);
  const [moves, setMoves] = useState<readonly Move[]>([]);
  const record = query.data;

  // what the server has is taken over as long as nothing here waits to be saved
  if (record && (!stored || (record.version > stored.version && history?.page === stored.page && !busy))) {
    setStored({ version: record.version, page: record.document });
    setHistory((h) => ({ past: h?.past ?? [], page: record.document, future: [] }));
  }

  const page = history?.page;
  const dirty = Boolean(page && stored && page !== stored.page);
  const latest = useRef({ page, stored, dirty, conflict });
  useEffect(() => {
    latest.current = { page, stored, dirty, conflict };
  });

  const save = useCallback(async () => {
    const { page: sending, stored: from } = latest.current;
    if (!sending || !from) return;
    setBusy(true);
    try {
      const body = { version: from.version, document: sending };
      const saved = await ask('PUT', `/api/pages/${id}`, pageRecordSchema, body);
      setStored({ version: saved.version, page: sending });
      client.setQueryData(['page', id], { ...saved, document: sending });
      void client.invalidateQueries({ queryKey: ['pages'] });
      setTrouble(null);
    } catch (error) {
      if (error instanceof ServerRefusal && error.refusal.code === 'stale')
        setConflict(pageRecordSchema.parse(error.refusal.current));
      else setTrouble(error instanceof Error ? error.message : 'Not saved.');
    } finally {
      setBusy(false);
    }
  }, [client, id]);

  useEffect(() => {
    if (!dirty || busy || conflict || trouble) return;
    const timer = setTimeout(() => void save(), WAIT);
    return () => clearTimeout(timer);
  }, [dirty, busy, conflict, trouble, save, page]);

  // leaving with something unsaved: it is sent on the way out
  useEffect(() => {
    const flush = () => {
      const now = latest.current;
      if (!now.dirty || now.conflict || !now.stored) return;
      void fetch(`/api/pages/${id}`, {
        method: 'PUT',
        keepalive: true,
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ version: now.stored.version, document: now.page }),
      });
    };
    window.addEventListener('pagehide', flush);
    return () => {
      window.removeEventListener('pagehide', flush);
      flush();
    };
  }, [id]);

  const step = useCallback((make: (h: History) => History) => {
    setTrouble(null);
    setHistory((h) => {
      if (!h) return h;
      const next = make(h);
      if (next !== h) {
        const before = derivePage(h.page, NAMES);
        setMoves(whatMoved(before, derivePage(next.page, NAMES, before)));
      }
      return next;
    });
  }, []);
  const change = useCallback(
    (next: Page) =>
      step((h) => (next === h.page ? h : { past: [...h.past.slice(-DEPTH), h.page], page: next, future: [] })),
    [step],
  );
  const undo = useCallback(
    () =>
      step((h) =>
        h.past.length ? { past: h.past.slice(0, -1), page: h.past.at(-1)!, future: [h.page, ...h.future] } : h,
      ),
    [step],
  );
  const redo = useCallback(
    () =>
      step((h) => (h.future.length ? { past: [...h.past, h.page], page: h.future[0]!, future: h.future.slice(1) } : h)),
    [step],
  );

  if (!history || !stored || !page)
    return query.error
      ? { status: 'failed', error: query.error, retry: () => void query.refetch() }
      : { status: 'loading' };
  return {
    status: 'ready',
    editor: {
      page,
      version: stored.version,
      saving: trouble || conflict ? 'failed' : busy ? 'saving' : dirty ? 'waiting' : 'saved',
      trouble,
      moves,
      canUndo: history.past.length > 0,
      canRedo: history.future.length > 0,
      change,
      undo,
      redo,
      retry: () => setTrouble(null),
      conflict,
      keepMine: () => {
        // saved over theirs, which stays one undo away
        setStored({ version: conflict!.version, page: conflict!.document });
        setHistory((h) => h && { ...h, past: [...h.past, conflict!.document] });
        setConflict(null);
      },
      takeTheirs: () => {
        setStored({ version: conflict!.version, page: conflict!.document });
        setHistory((h) => h && { past: [...h.past, h.page], page: conflict!.document, future: [] });
        setConflict(null);
      },
    },
  };
}
