import { useCallback, useEffect, useRef, useState } from 'react';
import { pageSchema, type Page } from '@temnex/core/page';
import type { PageRecord } from '@temnex/contract';
import { pageRecordSchema } from '@temnex/contract';
import { ServerRefusal, ServerUnreachable } from '../client.ts';
import { usePage } from './queries.ts';
import { isStale, usePageStore } from './pageStore.ts';
import { draftKey, forgetUnsaved, lockDraft, keepUnsaved, loadUnsaved, type Draft, type Unsaved } from './unsaved.ts';
import { changeHistory, redoHistory, undoHistory, type History } from '../history.ts';
import { newId } from '../newId.ts';

export type Saving = 'saved' | 'saving' | 'waiting' | 'failed';

export interface PageEditor {
  readonly page: Page;
  readonly version: number;
  readonly saving: Saving;
  readonly trouble: string | null;
  /** It is tried again by itself; else what is wrong stays wrong until something is changed. */
  readonly triesAgain: boolean;
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
  /** Edits of an earlier visit that were never saved, until the person has said what becomes of them. */
  readonly unsaved: Unsaved | null;
  takeUp(): void;
  leaveOut(): void;
}

const WAIT = 350;
/** After so long a save that did not arrive is tried again, each time later, up to the last. */
const AGAIN = [1500, 4000, 10_000, 30_000];
/** Refusals that may be over by themselves. */
const PASSING: ReadonlySet<string> = new Set(['failed', 'no-space', 'busy']);

/** The same page, in whatever order its keys are. */
const same = (a: Page, b: Page): boolean =>
  a === b || JSON.stringify(pageSchema.parse(a)) === JSON.stringify(pageSchema.parse(b));

/**
 * A page being worked on: every change is a step of undo and is saved by itself a moment later. Until it is, it is kept in the
 * browser, and a save that does not arrive is tried again by itself. A stale save stops the saving until the person has chosen;
 * neither version is lost.
 */
export function usePageEditor(
  id: string,
):
  | { status: 'loading' }
  | { status: 'failed'; error: unknown; retry: () => void }
  | { status: 'ready'; editor: PageEditor } {
  const query = usePage(id);
  const store = usePageStore();
  const [history, setHistory] = useState<History<Page> | null>(null);
  const [stored, setStored] = useState<{ version: number; page: Page } | null>(null);
  const [busy, setBusy] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [conflict, setConflict] = useState<PageRecord | null>(null);
  /** What earlier windows kept, and nobody has said what becomes of it. */
  const [drafts, setDrafts] = useState<readonly Draft[]>([]);
  const [draft] = useState(() => draftKey(id, newId()));
  const kept = drafts[0] ?? null;
  const leave = useCallback((gone: Draft) => {
    forgetUnsaved(gone.key);
    setDrafts((all) => all.filter(({ key }) => key !== gone.key));
  }, []);
  useEffect(() => {
    let there = true;
    void loadUnsaved(id).then((found) => there && setDrafts(found.filter(({ key }) => key !== draft)));
    const end = lockDraft(draft);
    return () => {
      there = false;
      end();
    };
  }, [id, draft]);
  const [tries, setTries] = useState(0);
  const [triesAgain, setTriesAgain] = useState(false);
  /** Sent, and nobody knows whether it arrived. */
  const lost = useRef<{ version: number; page: Page } | null>(null);
  const record = query.data;

  // what is known from before may be old: nothing is begun on it as long as the server may answer
  const isFresh = query.isFetchedAfterMount || !query.isFetching || query.failureCount > 0;
  // what the server has is taken over as long as nothing here waits to be saved
  if (record && (stored ? record.version > stored.version && history?.now === stored.page && !busy : isFresh)) {
    setStored({ version: record.version, page: record.document });
    setHistory((h) => ({ past: h?.past ?? [], now: record.document, future: [] }));
  }

  // what was kept has arrived after all
  useEffect(() => {
    if (kept && record && same(kept.page, record.document)) leave(kept);
  }, [kept, record, leave]);

  const page = history?.now;
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
      const saved = await store.save(id, from.version, sending);
      setStored({ version: saved.version, page: sending });
      setTrouble(null);
      setTries(0);
      lost.current = null;
      if (latest.current.page === sending) forgetUnsaved(draft);
    } catch (error) {
      if (error instanceof ServerUnreachable) lost.current = { version: from.version, page: sending };
      if (isStale(error)) {
        const current = pageRecordSchema.parse(error.refusal.current);
        const mine = lost.current;
        lost.current = null;
        // a save whose answer was lost: what stands there is ours, and what came after is saved on top of it
        if (mine && current.version === mine.version + 1 && same(current.document, mine.page))
          setStored({ version: current.version, page: mine.page });
        else setConflict(current);
      } else {
        setTrouble(error instanceof Error ? error.message : 'Not saved.');
        setTriesAgain(
          error instanceof ServerUnreachable || (error instanceof ServerRefusal && PASSING.has(error.refusal.code)),
        );
      }
    } finally {
      setBusy(false);
    }
  }, [store, id, draft]);

  useEffect(() => {
    if (!dirty || busy || conflict || trouble) return;
    const timer = setTimeout(() => void save(), WAIT);
    return () => clearTimeout(timer);
  }, [dirty, busy, conflict, trouble, save, page, stored]);

  // what did not arrive, or found no room, is tried again by itself
  useEffect(() => {
    if (!trouble || !dirty || conflict || !triesAgain) return;
    const again = () => {
      setTries((n) => n + 1);
      setTrouble(null);
    };
    const timer = setTimeout(again, AGAIN[Math.min(tries, AGAIN.length - 1)]);
    window.addEventListener('online', again);
    return () => {
      clearTimeout(timer);
      window.removeEventListener('online', again);
    };
  }, [trouble, triesAgain, dirty, conflict, tries]);

  // until it is saved, it is kept in the browser
  const safe = useRef(true);
  useEffect(() => {
    if (page && stored && !dirty) forgetUnsaved(draft);
    if (page && stored && dirty)
      safe.current = keepUnsaved(draft, { version: stored.version, page, at: new Date().toISOString() });
  }, [draft, page, stored, dirty]);

  // leaving with something unsaved: it is sent on the way out, and only where nothing could keep it leaving is asked about
  useEffect(() => {
    const flush = (send: (version: number, page: Page) => Promise<boolean>) => {
      const now = latest.current;
      if (!now.dirty || now.conflict || !now.stored || !now.page) return;
      void send(now.stored.version, now.page).then((arrived) => arrived && forgetUnsaved(draft));
    };
    const hide = () => flush((version, page) => store.saveOnLeaving(id, version, page));
    const ask = (event: BeforeUnloadEvent) => {
      if (latest.current.dirty && !safe.current) event.preventDefault();
    };
    window.addEventListener('pagehide', hide);
    window.addEventListener('beforeunload', ask);
    return () => {
      window.removeEventListener('pagehide', hide);
      window.removeEventListener('beforeunload', ask);
      flush((version, page) =>
        store.save(id, version, page).then(
          () => true,
          () => false,
        ),
      );
    };
  }, [id, draft, store]);

  const step = useCallback((make: (h: History<Page>) => History<Page>) => {
    setTrouble(null);
    setHistory((h) => h && make(h));
  }, []);
  const change = useCallback((next: Page) => step((h) => changeHistory(h, next)), [step]);
  const undo = useCallback(() => step(undoHistory), [step]);
  const redo = useCallback(() => step(redoHistory), [step]);

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
      triesAgain,
      canUndo: history.past.length > 0,
      canRedo: history.future.length > 0,
      change,
      undo,
      redo,
      retry: () => {
        setTries(0);
        setTrouble(null);
      },
      conflict,
      keepMine: () => {
        // saved over theirs, which stays one undo away
        setStored({ version: conflict!.version, page: conflict!.document });
        setHistory((h) => h && { ...h, past: [...h.past, conflict!.document] });
        setConflict(null);
      },
      takeTheirs: () => {
        setStored({ version: conflict!.version, page: conflict!.document });
        setHistory((h) => h && changeHistory(h, conflict!.document));
        setConflict(null);
      },
      unsaved: kept,
      takeUp: () => {
        change(kept!.page);
        leave(kept!);
      },
      leaveOut: () => leave(kept!),
    },
  };
}
